import { describe, expect, it } from "vitest";
import { handMade, level, spell, type Drawn } from "../../../tests/core/handMade";
import { withOverrides } from "./overrides";
import { bothDown, bothFeet, pressureOf, pressureSmoother } from "./weight";

const still = { fromMs: 0, toMs: 400, even: false };
function pressed(drawn: Drawn, spells = still, toAndFro = false) {
  const { motion } = handMade(drawn);
  return pressureOf(motion, pressureSmoother(motion, toAndFro), bothFeet(motion, 0, 2000), spells);
}
/** A sway of so many cm, once a second. */
const sway = (cm: number) => level(0).map((_, i) => cm * Math.sin((2 * Math.PI * i) / 100));

describe("the weight", () => {
  it("of a body at rest is by where its mass stands between the feet's middles", () => {
    // Feet from −20 to +20 by the middles of heel and toe.
    expect(pressed({}).share[100]).toBeCloseTo(50);
    expect(pressed({ motion: { comT: level(10) } }).share[100]).toBeCloseTo(75);
    expect(pressed({ motion: { comT: level(-30) } }).share[100]).toBe(0);
    expect(pressed({}).gap[100]).toBeCloseTo(40);
  });

  it("goes the other way than the mass is pushed: p = x − (h/g)·x″", () => {
    const { p } = pressed({ motion: { comT: sway(2), comU: level(98) } });
    // At the mass's farthest place it is pushed back by (2π)² · 2 cm/s².
    const want = 2 + (98 / 980.665) * (2 * Math.PI) ** 2 * 2;
    expect(p[125]! / want).toBeGreaterThan(0.85);
    expect(p[125]! / want).toBeLessThan(1.05);
    expect(Math.abs(p[100]!)).toBeLessThan(1);
    expect(p[75]!).toBeCloseTo(-p[125]!, 0);
  });

  it("of an even stance is even, whatever the camera's roll makes of it", () => {
    const rolled = { motion: { comT: level(6) } };
    expect(pressed(rolled).share[100]).toBeCloseTo(65);
    expect(pressed(rolled, { ...still, even: true }).share[100]).toBeCloseTo(50);
    expect(pressed({}, { ...still, even: true }).roll).toBeCloseTo(0);
    expect(Math.abs(pressed(rolled, { ...still, even: true }).roll)).toBeCloseTo(
      (Math.atan2(6, 98) * 180) / Math.PI,
      0,
    );
  });

  it("is all on the foot that stands while the other is in the air", () => {
    const steps = (side: "lead" | "trail", t: number) => ({
      spells: { [side]: [spell(t, 0, 600), spell(t * 1.5, 900)] },
    });
    const trail = pressed(steps("trail", -18)).share;
    expect([trail[50], trail[75], trail[110]!]).toEqual([
      expect.closeTo(50, 0),
      100,
      expect.closeTo(60, -1),
    ]);
    expect(pressed(steps("lead", 18)).share[75]).toBe(0);
  });
});

describe("feet in the air", () => {
  const air = { lead: [[500, 700]] as [number, number][], trail: [] };

  it("are not both down, nor just before and after where that is asked", () => {
    expect([400, 600, 800].map((ms) => bothDown(air, ms))).toEqual([true, false, true]);
    expect([400, 800].map((ms) => bothDown(air, ms, 150))).toEqual([false, false]);
    expect(bothDown(air, 500)).toBe(true);
  });

  it("left and landed where the picture shows it; without a picture at their spells' ends", () => {
    const { motion } = handMade({ spells: { trail: [spell(-18, 0, 600), spell(-30, 900)] } });
    expect(bothFeet(motion, 0, 2000).events).toEqual([
      { foot: "trail", event: "liftOff", ms: 600, rough: true },
      { foot: "trail", event: "landing", ms: 900, rough: true },
    ]);
    expect(bothFeet(motion, 0, 2000).air.trail).toEqual([[600, 900]]);
    expect(bothFeet(motion, 700, 2000).events.map((e) => e.event)).toEqual(["landing"]);
  });

  it("did not leave where they stand in the same place again, nor for a moment", () => {
    const events = (...trail: ReturnType<typeof spell>[]) =>
      bothFeet(handMade({ spells: { trail } }).motion, 0, 2000).events;
    expect(events(spell(-18, 0, 600), spell(-19, 900))).toEqual([]);
    expect(events(spell(-18, 0, 600), spell(-30, 690))).toEqual([]);
    // The other foot was away as well: the network drew one leg over the other.
    const { motion } = handMade({
      spells: {
        lead: [spell(18, 0, 650), spell(10, 850)],
        trail: [spell(-18, 0, 600), spell(-30, 900)],
      },
    });
    expect(bothFeet(motion, 0, 2000).events).toEqual([]);
  });
});

describe("what the golfer says of a foot", () => {
  const found = [
    { foot: "lead", event: "liftOff", ms: 500 },
    { foot: "lead", event: "landing", ms: 900 },
    { foot: "trail", event: "landing", ms: 910 },
  ] as const;
  const said = (from: number | null, to: number | null) =>
    withOverrides(found, [{ foot: "lead", event: "landing", from, to }]).map((e) => [
      e.foot,
      e.event,
      e.ms,
    ]);

  it("moves, takes away or puts in the event that is meant, and no other", () => {
    expect(said(890, 940)).toEqual([
      ["lead", "liftOff", 500],
      ["trail", "landing", 910],
      ["lead", "landing", 940],
    ]);
    expect(said(890, null)).toHaveLength(2);
    expect(said(null, 300)[0]).toEqual(["lead", "landing", 300]);
    expect(said(null, 300)).toHaveLength(4);
    // Too far away to be the one that was meant: it is put in.
    expect(said(1100, 1150)).toHaveLength(4);
    expect(said(1100, null)).toHaveLength(3);
  });

  it("changes nothing where nothing was said, and never what was found", () => {
    expect(withOverrides(found, undefined)).toEqual(found);
    expect(withOverrides(found, undefined)).not.toBe(found);
  });
});
