import { describe, expect, it } from "vitest";
import { body } from "../figure/anthropometry";
import { swing } from "../figure/scripts/swing";
import { simulate } from "../figure/simulate";
import { truth } from "../figure/truth/truth";
import { reordered } from "../../../tests/core/reordered";
import { exactTrack } from "../../../tools/study/exactTrack";
import { nearestFrame } from "./nearestFrame";
import { midHands } from "./midHands";
import { realTime } from "./realTime";
import { roughReps } from "./roughReps";
import { ownFoot, sides, targetSign } from "./sides";
import { stillSpell } from "./stillSpell";
import { at, POINT, type Track } from "./track";

const sim = simulate(body(176), swing());
const { events } = truth(sim);
const track = exactTrack(sim, { hand: "right", fps: 60, distance: 400, height_px: 720 });
const changed = (change: (t: Track) => void): Track => {
  const copy = { ...track, landmarks: track.landmarks.slice(), presence: track.presence.slice() };
  change(copy);
  return copy;
};
/** The same clip with one frame held for so long. */
const held = (fromMs: number, forMs: number): Track => {
  const from = nearestFrame(track.times, fromMs);
  const frames = Math.round((forMs * 60) / 1000);
  const order = Array.from({ length: track.times.length + frames }, (_, i) =>
    i < from ? i : i < from + frames ? from : i - frames,
  );
  return reordered(track, order);
};

describe("a swing by the arms alone", () => {
  it("is found once, its top before its lowest hands, near where they were", () => {
    const reps = roughReps(track);
    expect(reps).toHaveLength(1);
    expect(Math.abs(track.times[reps[0]!.top]! - events.top!)).toBeLessThan(200);
    expect(Math.abs(track.times[reps[0]!.low]! - events.impact!)).toBeLessThan(150);
  });

  it("is not a back swing that is never let go, nor arms that rest while they hang", () => {
    const back = nearestFrame(track.times, events.top!);
    const cut = {
      times: track.times.subarray(0, back),
      presence: track.presence.subarray(0, back),
      landmarks: track.landmarks.subarray(0, at(back, 0)),
    };
    expect(roughReps(cut)).toEqual([]);
    expect(roughReps(held(events.impact!, 1500))).toEqual([]);
    // A pause at the top is no rest.
    expect(roughReps(held(events.top!, 800))).toHaveLength(1);
  });

  it("is not that of somebody who walks, or is hardly there", () => {
    const walks = changed((t) => {
      for (let i = 0; i < t.times.length; i++)
        for (const p of [POINT.leftHip, POINT.rightHip])
          t.landmarks[at(i, p)]! += (i - nearestFrame(t.times, events.top!)) * 12;
    });
    expect(roughReps(walks)).toEqual([]);
    expect(roughReps(changed((t) => t.presence.fill(0.1)))).toEqual([]);
  });
});

describe("the still spell before it", () => {
  it("ends at address, well before the top", () => {
    const still = stillSpell(track)!;
    expect(still.moving).toBe(false);
    expect(Math.abs(track.times[still.to]! - events.handStart!)).toBeLessThan(250);
  });

  it("is not a pause at the top, and the quietest moment where nothing rests", () => {
    const paused = stillSpell(held(events.top! - 30, 600))!;
    expect(paused.to * (1000 / 60)).toBeLessThan(events.handStart! + 250);
    const restless = changed((t) => {
      for (let i = 0; i < t.times.length; i++)
        for (const p of [POINT.leftWrist, POINT.rightWrist, POINT.leftIndex, POINT.rightIndex])
          t.landmarks[at(i, p)]! += 30 * Math.sin(i / 8);
    });
    expect(stillSpell(restless)).toMatchObject({ moving: true });
  });
});

describe("the middle of the hands", () => {
  it("lies with the hand that is seen", () => {
    const frame = nearestFrame(track.times, 300);
    const hidden = (left: number, right: number) => {
      const t = changed((c) => {
        for (let i = 0; i < c.times.length; i++) {
          c.landmarks[at(i, POINT.leftWrist)] = 100;
          c.landmarks[at(i, POINT.leftIndex)] = 100;
          c.landmarks[at(i, POINT.rightWrist)] = 200;
          c.landmarks[at(i, POINT.rightIndex)] = 200;
          c.landmarks[at(i, POINT.leftWrist) + 2] = left;
          c.landmarks[at(i, POINT.rightWrist) + 2] = right;
        }
      });
      return midHands(t).x[frame]!;
    };
    expect(hidden(1, 1)).toBeCloseTo(150);
    expect(hidden(1, 0.3)).toBeLessThan(102);
    expect(hidden(0, 1)).toBeGreaterThan(199);
    // Nothing is seen of either: the plain middle.
    expect(hidden(0, 0)).toBeCloseTo(150);
  });
});

describe("sides and time", () => {
  it("lead with the left for a right-hander, and the other way round", () => {
    expect(sides("right").lead.ankle).toBe(POINT.leftAnkle);
    expect(sides("left").lead).toEqual(sides("right").trail);
    expect([ownFoot("right", "lead"), ownFoot("left", "lead")]).toEqual(["left", "right"]);
    expect([targetSign("right"), targetSign("left")]).toEqual([1, -1]);
  });

  it("of film that runs slower is that of what happened", () => {
    const slow = { ...track, sounds: [{ t: 4000, db: 20 }], video: { ...track.video, fps: 30 } };
    const real = realTime(slow, 120);
    expect(real.times[40]!).toBeCloseTo(track.times[40]! / 4);
    expect(real.sounds).toEqual([{ t: 1000, db: 20 }]);
    expect(real.video.fps).toBe(120);
    expect(realTime(slow, null)).toBe(slow);
    expect(slow.sounds[0]!.t).toBe(4000);
  });
});
