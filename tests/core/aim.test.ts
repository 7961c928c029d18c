import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { findStage } from "@/core/drills";
import { aimOf, type AimInput } from "@/core/film/aim";
import { AIM_STEPS } from "@/core/film/aimSteps";
import { changeSince } from "@/core/film/stood";
import { bodyReach } from "@/core/film/plan";
import { roomOf } from "@/core/film/room";
import { readTrack } from "@/core/formats/trackFile";
import { ABSENT, type Look } from "@/core/live/stance";
import { at, POINTS, STRIDE } from "@/core/track/track";

const track = readTrack(readFileSync("demo/tracks/double-step-good.track"));
const { stage } = findStage("double-step");
const STANDS = { ...ABSENT, present: true, settled: true, still: true };

/**
 * The golfer of a real clip as they stand for half a second before it begins, and all else in
 * order; their picture moved and grown by so much.
 */
function stands({
  dx = 0,
  dy = 0,
  grown = 1,
  ...change
}: Partial<AimInput> & { dx?: number; dy?: number; grown?: number } = {}) {
  const { width, height } = track.video;
  const looks: Look[] = Array.from({ length: 30 }, (_, i) => {
    const points = track.landmarks.slice(at(i, 0), at(i, POINTS));
    for (let p = 0; p < POINTS * STRIDE; p += STRIDE) {
      points[p] = (points[p]! - width / 2) * grown + width / 2 + dx;
      points[p + 1] = (points[p + 1]! - height / 2) * grown + height / 2 + dy;
    }
    return { t: track.times[i]!, points, presence: 1 };
  });
  return aimOf({
    looks,
    stance: STANDS,
    about: { looks: [{ t: 0, moved: 0, luma: 120 }], others: [] },
    size: { width, height, fps: 60 },
    golfer: { statureCm: 170, hand: "right" },
    view: "face-on",
    reach: bodyReach(roomOf(stage.target!(), 170), "face-on"),
    rollDeg: 0.5,
    fps: 59.8,
    ...change,
  });
}

const said = (aim: ReturnType<typeof aimOf>) =>
  aim.wrong && [aim.wrong.step, aim.wrong.fault, aim.wrong.blocks];

describe("the aim check", () => {
  it("finds nothing wrong with a phone that stands well, and tells the size of a pixel", () => {
    const aim = stands();
    expect(aim.wrong).toBeNull();
    expect(AIM_STEPS.map((s) => aim.steps[s])).toEqual([
      "right",
      "right",
      "right",
      "right",
      "right",
    ]);
    // 170 cm are some 400 px tall in this clip.
    expect(aim.told!.scale.cmPerPx).toBeGreaterThan(0.35);
    expect(aim.told!.scale.cmPerPx).toBeLessThan(0.5);
    expect(aim.told!.stood.tall * track.video.height).toBeCloseTo(
      170 / aim.told!.scale.cmPerPx,
      -2,
    );
  });

  it("names each fault by its step, and whether reps could be judged all the same", () => {
    expect(said(stands({ dy: 200 }))).toEqual(["feet", "feet cut off", true]);
    expect(said(stands({ dy: -250 }))).toEqual(["feet", "head cut off", true]);
    expect(said(stands({ grown: 0.45 }))).toEqual(["feet", "too far", false]);
    expect(said(stands({ dx: -540 }))).toEqual(["feet", "beside left", false]);
    expect(said(stands({ dx: 540 }))).toEqual(["feet", "beside right", false]);
    expect(said(stands({ view: "down-the-line" }))).toEqual(["square", "wrong view", true]);
    expect(said(stands({ rollDeg: -4 }))).toEqual(["level", "rolled", false]);
    expect(said(stands({ about: { looks: [{ t: 0, moved: 0, luma: 25 }], others: [] } }))).toEqual([
      "light",
      "dark",
      true,
    ]);
    expect(said(stands({ fps: 15 }))).toEqual(["light", "slow", false]);
  });

  it("says one thing at a time, the first in order", () => {
    const aim = stands({ dy: 200, rollDeg: 5, fps: 15 });
    expect(aim.wrong!.step).toBe("feet");
    expect([aim.steps.level, aim.steps.light]).toEqual(["wrong", "wrong"]);
    expect(said(stands({ rollDeg: 5, fps: 15 }))![0]).toBe("level");
  });

  it("judges nobody who is not there or still walks, and says what it can't measure", () => {
    expect(said(stands({ stance: ABSENT }))).toEqual(["you", "nobody", true]);
    const walks = stands({ stance: { ...STANDS, settled: false, still: false }, dy: 200 });
    expect([walks.wrong, walks.steps.you, walks.steps.feet, walks.told]).toEqual([
      null,
      "right",
      "open",
      null,
    ]);
    expect(stands({ rollDeg: null }).steps.level).toBe("unmeasured");
  });

  it("knows a set-up again, and what has changed of it", () => {
    const before = stands().told!.stood;
    const now = (change: Parameters<typeof stands>[0]) =>
      changeSince(before, stands({ reach: null, ...change }).told!.stood);
    expect([
      now({}),
      now({ grown: 1.1 }),
      now({ grown: 0.9 }),
      now({ dy: 50 }),
      now({ dx: -200 }),
      now({ dx: 40 }),
    ]).toEqual(["same", "nearer", "farther", "tilted", "beside", "same"]);
  });
});
