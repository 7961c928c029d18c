import fc from "fast-check";
import { expect, it } from "vitest";
import { seeded } from "../../core/maths/seeded";
import type { LumaWindow } from "./lumaWindow";
import { match, template } from "./template";

/**
 * A smooth patchy picture that can be shifted by parts of a pixel. Patchy everywhere and rounded as
 * a sensor does: on even ground the steps of eight bits are as large as the slopes, and they alone
 * put a place off by 0.02 px.
 */
function picture(dx: number, dy: number): LumaWindow {
  const random = seeded(5);
  const blobs = Array.from(
    { length: 200 },
    () =>
      [
        random.uniform() * 80,
        random.uniform() * 80,
        2 + 3 * random.uniform(),
        90 * (random.uniform() - 0.5),
      ] as const,
  );
  const data = Uint8Array.from({ length: 6400 }, (_, i) => {
    const [x, y] = [(i % 80) - dx, Math.floor(i / 80) - dy];
    return Math.round(
      blobs.reduce(
        (s, [bx, by, r, a]) => s + a * Math.exp(-((x - bx) ** 2 + (y - by) ** 2) / (2 * r * r)),
        128,
      ),
    );
  });
  return { left: 300, top: 500, width: 80, height: 80, data };
}

it("finds a shifted template to a fiftieth of a pixel", () => {
  const t = template([picture(0, 0)], 325, 525, 30, 30);
  const shift = fc.double({ min: -3, max: 3, noNaN: true });
  fc.assert(
    fc.property(shift, shift, (dx, dy) => {
      const m = match(t, picture(dx, dy), 0, 0, 3)!;
      expect(Math.hypot(m.dx - dx, m.dy - dy)).toBeLessThan(0.02);
    }),
    { numRuns: 40 },
  );
});

it("says nothing where there is nothing to follow, or where the place leaves the window", () => {
  const flat = { ...picture(0, 0), data: new Uint8Array(6400).fill(90) };
  expect(match(template([flat], 325, 525, 30, 30), flat, 0, 0, 3)).toBeNull();
  expect(match(template([picture(0, 0)], 325, 525, 30, 30), picture(0, 0), 60, 0, 3)).toBeNull();
});
