import { describe, expect, it } from "vitest";
import { handMade, level, line } from "../../../../tests/core/handMade";
import { EVENT_FIT } from "../fitted";
import { address } from "./address";
import { armAngle, armLevel, finish, handStart, impact, release, strikeWeight, top } from "./hands";
import { heldFrom, lostAfter } from "./hold";

const motionOf = (motion: object) => handMade({ motion }).motion;
/** Arms of 70 cm about a shoulder at 145 cm, by their angle away from the target, degrees. */
const swung = (angle: Float64Array) => ({
  handsT: angle.map((a) => -70 * Math.sin((a * Math.PI) / 180)),
  handsU: angle.map((a) => 145 - 70 * Math.cos((a * Math.PI) / 180)),
});
const within = (got: number, want: number, ms: number) =>
  expect(Math.abs(got - want), `${got} for ${want}`).toBeLessThanOrEqual(ms);

describe("the hands' start", () => {
  const away = line([500, 5], [1000, -70]);

  it("is when they get faster than 15 cm/s and stay so for 100 ms", () => {
    within(handStart(motionOf({ handsT: away }), 0, 100), 500, 20);
    expect(handStart(motionOf({ handsT: line([500, 5], [1000, -1]) }), 0, 100)).toBeNaN();
    expect(handStart(motionOf({}), 0, 100)).toBeNaN();
  });

  it("is not a waggle that comes to rest before it", () => {
    const waggle = line([100, 5], [250, -5], [400, 5], [900, 5], [1200, -60]);
    within(handStart(motionOf({ handsT: waggle }), 0, 120), 900, 20);
    // With no rest between it is one start.
    const onward = line([100, 5], [250, -5], [800, -60]);
    within(handStart(motionOf({ handsT: onward }), 0, 80), 100, 20);
  });

  it("is not that of a body which carries the hands along", () => {
    const drift = line([200, 0], [1500, -26]);
    const fall = { shoulderT: drift, handsT: drift.map((v) => v + 5) };
    expect(handStart(motionOf(fall), 0, 150)).toBeNaN();
    within(handStart(motionOf({ handsT: fall.handsT }), 0, 150), 200, 20);
  });
});

describe("the top", () => {
  const turned = line([300, 0], [1000, 150], [1300, 0], [1600, -150]);

  it("is where the arms' angle turns back, with the picture's delay", () => {
    within(top(motionOf(swung(turned)), 95), 1000 + EVENT_FIT.topLateMs, 20);
  });

  it("is taken from the followed hands, unless the two others agree against them", () => {
    const close = (t: number) => {
      const { handsT, handsU } = swung(line([300, 0], [t, 150], [t + 300, 0], [t + 600, -150]));
      return motionOf({ ...swung(turned), closeHandsT: handsT, closeHandsU: handsU });
    };
    within(top(close(1040), 100), 1040 + EVENT_FIT.topLateMs, 20);
    within(top(close(1200), 100), 1000 + EVENT_FIT.topLateMs, 25);
  });

  it("from behind is the hands' highest place", () => {
    const handsU = line([300, 75], [1060, 180], [1300, 70]);
    within(top(motionOf({ view: "down-the-line", handsU }), 100), 1060, 20);
  });
});

describe("level arms and the strike", () => {
  const motion = motionOf(swung(line([300, 0], [1000, 150], [1300, 0], [1600, -150])));

  it("are level once back, once down and once through, in that order", () => {
    const [back, down, through] = (["back", "down", "through"] as const).map((way) =>
      armLevel(motion, way, way === "back" ? 30 : way === "down" ? 100 : 130, 200),
    );
    expect(back!).toBeGreaterThan(500);
    expect(back!).toBeLessThan(1000);
    expect(down!).toBeGreaterThan(1000);
    expect(down!).toBeLessThan(1300);
    expect(through!).toBeGreaterThan(1300);
    // Not before they are asked for.
    expect(armLevel(motion, "back", 30, 40)).toBeNaN();
  });

  it("strikes where the hands pass their place at address, or are lowest", () => {
    within(impact(motion, "passes address", 100, 0, 1150), 1300, 10);
    within(impact(motion, "lowest", 100, 40, 1150), 1300, 10);
    // A club that starts ahead: by its place the hands pass too early.
    within(impact(motion, "passes address", 100, -30, 1150), 1250, 15);
    expect(impact(motion, "passes address", 100, 80, 1150)).toBeNaN();
  });

  it("releases where the hands are fastest after the top, not before it", () => {
    const handsT = line([300, 60], [600, -60], [1000, -60], [1150, -30], [1250, 20], [1500, 50]);
    within(release(motionOf({ handsT }), 100), 1200, 40);
  });

  it("weighs sound against picture by how sure each is", () => {
    expect(strikeWeight(false, 0)).toBe(1);
    expect(strikeWeight(false, EVENT_FIT.passesSd)).toBeCloseTo(0.5);
    expect(strikeWeight(true, 10)).toBeGreaterThan(strikeWeight(true, 20));
  });

  it("turns the arms' angle positive away from the target", () => {
    const angle = armAngle(level(-70), level(145), level(0), level(145));
    expect(angle[0]).toBeCloseTo(90);
    expect(armAngle(level(0), level(75), level(0), level(145))[0]).toBeCloseTo(0);
  });
});

describe("a finish", () => {
  const stops = line([1300, 0], [1600, 90]);

  it("is when hands and hips have come to rest", () => {
    const motion = motionOf({ handsT: stops });
    within(heldFrom(motion, 130), 1600, 120);
    expect(finish(motion, 130)).toBe(heldFrom(motion, 130) + EVENT_FIT.finishLateMs);
    // Hips that go on slide the finish.
    const hips = motionOf({ handsT: stops, hipT: line([1300, 0], [1900, 30]) });
    expect(heldFrom(hips, 130)).toSatisfy((ms: number) => Number.isNaN(ms) || ms > 1700);
  });

  it("is lost by a step or by hands that drop, whichever comes first", () => {
    const drops = motionOf({ handsU: line([1500, 150], [1900, 60]) });
    within(lostAfter(drops, 1000, []), 1500, 120);
    const step = [{ foot: "lead", event: "landing", ms: 1200 }] as never;
    expect(lostAfter(drops, 1000, step)).toBe(1200);
    expect(lostAfter(drops, 1190, step)).toBeGreaterThan(1300);
    expect(lostAfter(motionOf({}), 1000, [])).toBe(Infinity);
  });
});

describe("the address", () => {
  it("is the end of the last stillness before the hands start", () => {
    const { motion } = handMade({ motion: { handsT: line([900, 5], [1300, -60]) } });
    const found = address(motion, 900, { kind: "swing" });
    within(found.ms, 900, 200);
    expect([found.moving, found.bodyFirst]).toEqual([false, false]);
    expect(found.fromMs).toBe(0);
  });

  it("says when it is the hips that end it", () => {
    const motion = motionOf({
      handsT: line([900, 5], [1300, -60]),
      hipT: line([700, 0], [1000, -9]),
    });
    const found = address(motion, 900, { kind: "swing" });
    within(found.ms, 700, 150);
    expect(found.bodyFirst).toBe(true);
  });

  it("is a moving start where nothing ever rests", () => {
    const sways = line([0, 0], [300, 20], [600, 0], [900, 20], [1200, 0], [1500, 20]);
    expect(address(motionOf({ hipT: sways, headT: sways }), 1000, { kind: "swing" })).toMatchObject(
      { moving: true },
    );
  });
});
