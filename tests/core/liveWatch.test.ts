import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { analyse } from "../../src/core/analysis";
import { findStage } from "../../src/core/drills";
import { readTrack } from "../../src/core/formats/trackFile";
import { decidingInstant, SETTLES_MS } from "../../src/core/judge/deciding";
import { at, type Track } from "../../src/core/track/track";
import { ABSENT, stanceOf, type Look } from "../../src/core/live/stance";
import { watchFor, type Attempt, type Decided } from "../../src/core/live/watch";
import { cutShort } from "../../tools/study/cutShort";

const load = (name: string) => readTrack(readFileSync(`demo/tracks/${name}.track`));
const GOLFER = { statureCm: 170, hand: "right" as const };
const { stage } = findStage("double-step");

const looksOf = (track: Track, every = 1): Look[] =>
  Array.from(track.times, (t, i) => ({
    t,
    points: track.landmarks.slice(at(i, 0), at(i + 1, 0)),
    presence: track.presence[i]!,
  })).filter((_, i) => i % every === 0);

/**
 * Watches a track as it comes, one look after another, and judges what is asked for from what was
 * seen by then.
 */
function watched(
  track: Track,
  every: number,
): { attempts: Attempt[]; decided: (Decided & { at: number })[]; found: number } {
  const watch = watchFor(stage);
  const looks = looksOf(track, every);
  const out: ReturnType<typeof watched> = { attempts: [], decided: [], found: 0 };
  looks.forEach((look, i) => {
    const { attempt, found } = watch.next(looks.slice(0, i + 1), ABSENT);
    if (found) out.found++;
    if (!attempt) return;
    out.attempts.push(attempt);
    const seen = { ...attempt, from: 0 };
    out.decided.push(
      ...watch
        .take(
          seen,
          analyse(cutShort(track, look.t), {
            golfer: GOLFER,
            drill: "double-step",
            samples: 8,
            live: true,
          }),
        )
        .decided.map((d) => ({ ...d, at: look.t })),
    );
  });
  return out;
}

describe("a watch over a running camera's looks", () => {
  it.each([
    ["double-step-good", "pass", undefined],
    ["double-step-lead-late", "fail", "Lead foot down sooner"],
    ["double-step-hands-first", "fail", "Foot before hands"],
  ] as const)(
    "says of %s what the whole clip says, once, soon after what decides it and not before",
    (name, result, cue) => {
      const track = load(name);
      for (const every of [1, 4]) {
        const { decided, found } = watched(track, every);
        expect(found).toBe(1);
        expect(decided.map((d) => [d.rep.verdict!.result, d.rep.verdict!.cue?.words])).toEqual([
          [result, cue],
        ]);
        const [one] = decided;
        expect(one!.at).toBeGreaterThanOrEqual(one!.deciding! + SETTLES_MS - 1);
        expect(one!.at - one!.deciding!).toBeLessThan(1000);
      }
    },
  );

  it("finds nothing in one who stands, and nothing in half a swing", () => {
    const track = load("double-step-good");
    const whole = analyse(track, { golfer: GOLFER, drill: "double-step", samples: 8 }).reps[0]!;
    expect(watched(cutShort(track, whole.events.handStart!.t), 1).found).toBe(0);
    expect(watched(cutShort(track, whole.events.top!.t + 60), 1).found).toBe(0);
  });

  it("waits for the latest event that a must asks for: the strike where a step may still come, the landing where it came", () => {
    const rep = analyse(load("double-step-good"), {
      golfer: GOLFER,
      drill: "double-step",
      samples: 8,
    }).reps[0]!;
    const landing = rep.footEvents
      .filter((e) => e.foot === "lead" && e.event === "landing")
      .at(-1).t;
    expect(decidingInstant(stage, rep)).toBeGreaterThanOrEqual(
      Math.max(landing, rep.events.top!.t),
    );
    const unstepped = { ...rep, footEvents: [] };
    expect(decidingInstant(stage, unstepped)).toBe(rep.events.impact!.t);
    expect(
      decidingInstant(stage, {
        ...unstepped,
        events: { ...rep.events, impact: undefined },
      }),
    ).toBeNull();
  });

  it("tells one who stands still from one who swings, and an empty picture from both", () => {
    const track = load("double-step-good");
    const rep = analyse(track, { golfer: GOLFER, drill: "double-step", samples: 8 }).reps[0]!;
    const until = (ms: number) => looksOf(track, 2).filter((l) => l.t <= ms);
    expect(stanceOf(until(rep.events.address!.t))).toMatchObject({
      present: true,
      still: true,
      moving: false,
      armsUp: false,
    });
    expect(stanceOf(until(rep.events.midBack!.t))).toMatchObject({
      present: true,
      still: false,
      moving: true,
    });
    expect(stanceOf([])).toEqual(ABSENT);
    expect(stanceOf(until(500).map((l) => ({ ...l, presence: 0.1 })))).toEqual(ABSENT);
  });
});
