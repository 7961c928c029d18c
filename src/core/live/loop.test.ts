import { describe, expect, it } from "vitest";
import { createActor } from "xstate";
import type { Verdict } from "../judge/verdict";
import type { Aim, AimWrong } from "../film/aimSteps";
import { repLoop, startsStill, type Sound } from "./loop";
import { ABSENT, type Stance } from "./stance";

const HERE: Stance = { ...ABSENT, present: true };
const STILL: Stance = { ...HERE, settled: true, still: true };
const SETTLED: Stance = { ...HERE, settled: true };
const SWINGS: Stance = { ...SETTLED, moving: true };
const ARMS_UP: Stance = { ...STILL, armsUp: true };
const VERDICT: Verdict = { result: "pass", reason: null, cue: null, actions: [], checks: [] };

const TOLD: Aim["told"] = {
  scale: { cmPerPx: 0.4, u: 0.01, from: "stature" },
  stood: { x: 0.5, y: 0.8, tall: 0.6 },
};

/** A loop that is told what is seen, 30 times a second. */
function loop({ reps = 3, stillStart = true, already = 0 } = {}) {
  const sounds: Sound[] = [];
  const actor = createActor(repLoop, { input: { reps, stillStart, already } });
  actor.on("sound", ({ sound }) => sounds.push(sound));
  actor.start();
  let t = 0;
  let n = 0;
  return {
    sounds,
    tell: actor.send.bind(actor),
    sees(stance: Stance, ms: number) {
      for (const end = t + ms; t < end; t += 33) actor.send({ type: "stance", t, stance });
      return this;
    },
    /** How the phone stands. */
    aims(wrong: AimWrong | null) {
      const steps: Aim["steps"] = {
        you: "right",
        feet: "right",
        square: "right",
        level: "right",
        light: "right",
      };
      actor.send({
        type: "aim",
        t,
        aim: { steps: wrong ? { ...steps, [wrong.step]: "wrong" } : steps, wrong, told: TOLD },
      });
      return this;
    },
    rep() {
      this.sees(SWINGS, 600);
      actor.send({ type: "found" });
      this.sees(SETTLED, 400);
      actor.send({ type: "answered", answer: { id: String(++n), at: t, verdict: VERDICT } });
      return this;
    },
    get state() {
      return actor.getSnapshot().value;
    },
    get answers() {
      return actor.getSnapshot().context.answers;
    },
  };
}

describe("the rep loop", () => {
  it("goes from nobody to armed by a still spell, and round by round to the end of the bout", () => {
    const l = loop();
    expect(l.sees(ABSENT, 500).state).toBe("looking");
    expect(l.sees(HERE, 800).state).toBe("settling");
    expect(l.sees(STILL, 400).state).toBe("armed");
    expect(l.rep().state).toBe("settling");
    l.sees(STILL, 400).rep().sees(STILL, 400).rep();
    expect(l.state).toBe("done");
    expect(l.answers).toHaveLength(3);
    expect(l.sounds).toEqual([
      "looking",
      "settle",
      "armed",
      "seen",
      "pass",
      "settle",
      "armed",
      "seen",
      "pass",
      "settle",
      "armed",
      "seen",
      "pass",
      "bout done",
    ]);
    l.tell({ type: "next bout" });
    expect(l.answers).toHaveLength(0);
    expect(l.sees(STILL, 400).state).toBe("armed");
  });

  it("arms a moving start or a to-and-fro as soon as somebody has taken their place", () => {
    expect(loop({ stillStart: false }).sees(SETTLED, 700).state).toBe("armed");
    expect(loop({ stillStart: true }).sees(SETTLED, 3000).state).toBe("settling");
    expect(startsStill({ kind: "cycle" })).toBe(false);
    expect(startsStill({ kind: "swing", movingStart: true })).toBe(false);
    expect(startsStill({ kind: "step-swing" })).toBe(true);
  });

  it("takes a waggle, or a start that is given up, for nothing: it arms again and says no rep", () => {
    const l = loop().sees(STILL, 600).sees(SWINGS, 400);
    expect(l.state).toBe("moving");
    expect(l.sees(STILL, 700).state).toBe("settling");
    expect(l.sees(STILL, 400).state).toBe("armed");
    expect(l.sounds).not.toContain("seen");
    expect(l.answers).toHaveLength(0);
  });

  it("counts a rep that was found before it was armed, and one that is answered after the golfer has gone", () => {
    const l = loop().sees(SETTLED, 500);
    l.tell({ type: "found" });
    expect(l.state).toBe("judging");
    l.sees(ABSENT, 2000);
    l.tell({ type: "answered", answer: { id: "1", at: 0, verdict: VERDICT } });
    expect(l.answers).toHaveLength(1);
    expect(l.sees(ABSENT, 2000).state).toBe("looking");
  });

  it("goes back to arming when what was found comes to nothing", () => {
    const l = loop().sees(STILL, 600);
    l.tell({ type: "found" });
    l.tell({ type: "nothing" });
    expect(l.state).toBe("settling");
    expect(l.answers).toHaveLength(0);
  });

  it("waits for one who goes out of the picture for a moment, and looks for one who has walked off", () => {
    const l = loop().sees(STILL, 600).sees(ABSENT, 600);
    expect(l.state).toBe("leaving");
    expect(l.sees(STILL, 500).state).toBe("armed");
    expect(l.sees(ABSENT, 1600).state).toBe("looking");
  });

  it("pauses by both arms up and goes on by both arms up again, once each time that they are raised", () => {
    const l = loop().sees(STILL, 600).sees(ARMS_UP, 1200);
    expect(l.state).toBe("paused");
    expect(l.sees(ARMS_UP, 4000).state).toBe("paused");
    expect(l.sees(STILL, 500).sees(ARMS_UP, 1200).state).toBe("settling");
    expect(l.sees(ARMS_UP, 4000).state).toBe("settling");
    expect(l.sees(STILL, 500).state).toBe("armed");
    expect(l.sees({ ...SWINGS, armsUp: true }, 400).state).not.toBe("paused");
  });

  it("stands by while the phone has moved or somebody is in the way, and begins anew after it; the count stays", () => {
    const l = loop().sees(STILL, 600).rep().sees(STILL, 400);
    l.tell({ type: "obstacle", obstacle: "phone moved" });
    expect(l.sees(STILL, 1000).state).toBe("blocked");
    l.tell({ type: "obstacle", obstacle: null });
    expect(l.sees(STILL, 600).state).toBe("armed");
    expect(l.answers).toHaveLength(1);
    expect(l.sounds.filter((s) => s === "trouble")).toHaveLength(1);
  });

  it("ends neither a pause nor a bout that is done when the phone is taken up", () => {
    const moved = { type: "obstacle", obstacle: "phone moved" } as const;
    const clear = { type: "obstacle", obstacle: null } as const;
    const l = loop({ reps: 1 });
    l.sees(STILL, 800).tell({ type: "pause" });
    l.tell(moved);
    expect(l.state).toBe("paused");
    // It can't go on before the phone stands again.
    l.tell({ type: "resume" });
    expect(l.state).toBe("blocked");
    l.tell(clear);
    l.sees(STILL, 1500).rep();
    expect(l.state).toBe("done");
    l.tell(moved);
    l.tell(clear);
    expect([l.state, l.answers.length]).toEqual(["done", 1]);
  });

  it("answers a rep that was under way when the phone was knocked", () => {
    const l = loop().sees(STILL, 600);
    l.tell({ type: "found" });
    l.tell({ type: "obstacle", obstacle: "phone moved" });
    l.tell({
      type: "answered",
      answer: { id: "1", at: 0, verdict: { ...VERDICT, result: "not judged" } },
    });
    expect(l.state).toBe("blocked");
    expect(l.answers.map((a) => a.verdict.result)).toEqual(["not judged"]);
  });

  it("goes on with a bout that was begun before, and lets a rep be taken back or corrected", () => {
    const l = loop({ already: 1 }).sees(STILL, 600).rep();
    l.tell({ type: "corrected", id: "1", verdict: { ...VERDICT, result: "fail" } });
    expect(l.answers[0]!.verdict.result).toBe("fail");
    l.tell({ type: "withdrawn", id: "1" });
    expect(l.sees(STILL, 600).rep().state).toBe("settling");
    expect(l.sees(STILL, 600).rep().state).toBe("done");
  });

  const FEET: AimWrong = { step: "feet", fault: "feet cut off", by: null, blocks: true };
  const ROLLED: AimWrong = { step: "level", fault: "rolled", by: 5, blocks: false };

  it("arms nobody whose reps could not be judged, says by a note when that is right, and films as it is on request", () => {
    const l = loop();
    l.sees(HERE, 200).aims(FEET);
    expect(l.sees(STILL, 20_000).state).toBe("settling");
    expect(l.aims(null).sounds.at(-1)).toBe("aimed");
    expect(l.sees(STILL, 400).state).toBe("armed");
    // Later too: the phone may have sagged.
    l.rep().aims(FEET);
    expect(l.sees(STILL, 20_000).state).toBe("settling");
    l.tell({ type: "anyway" });
    expect(l.sees(STILL, 400).state).toBe("armed");
  });

  it("holds nobody up for long by what only tells less, and says it again only when the phone was moved", () => {
    const l = loop();
    l.sees(HERE, 200).aims(ROLLED);
    expect(l.sees(STILL, 5000).state).toBe("settling");
    expect(l.sees(STILL, 4000).state).toBe("armed");
    l.rep().aims(ROLLED);
    expect(l.sees(STILL, 400).state).toBe("armed");
    l.tell({ type: "obstacle", obstacle: "phone moved" });
    l.tell({ type: "obstacle", obstacle: null });
    l.sees(HERE, 200).aims(ROLLED);
    expect(l.sees(STILL, 5000).state).toBe("settling");
  });
});
