import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { analyse } from "@/core/analyse";
import { findStage } from "@/core/drills";
import { readTrack } from "@/core/formats/trackFile";
import { SETTLES_MS } from "@/core/judge/deciding";
import type { LoopState, Sound } from "@/core/live/loop";
import { statureInPx } from "@/core/track/bodySize";
import { at, POINT, POINTS, type Track } from "@/core/track/track";
import { Grabber } from "@/vision/live/grabber";
import { LiveSession, type AnsweredRep, type SeenRep } from "@/vision/live/liveSession";
import { SpanReadings } from "@/vision/live/spanReadings";
import { standInNetwork, type RecordedLooks } from "@/vision/live/standInNetwork";
import { MASK_SIZE, CROP_SIDE, type PoseNetwork } from "@/vision/network/poseNetwork";
import { loadNodeNetwork, openClipFile } from "@/vision/node/loadNode";

const GOLFER = { statureCm: 170, hand: "right" as const };
const { stage } = findStage("double-step");
const FRAME_MS = 1000 / 60;

/** A track as a recording of the network: its points, in the square that they were seen in; no outline. */
function recorded(track: Track): RecordedLooks {
  const tall = statureInPx(track);
  const { crop: square } = track;
  const inCrop = (v: number, c: number) => ((v - c) / square.size + 0.5) * CROP_SIDE;
  return {
    times: track.times,
    look(i) {
      const points = new Float32Array(39 * 5);
      const put = (p: number, x: number, y: number) => points.set([inCrop(x, square.cx), inCrop(y, square.cy), 0, 6, 6], p * 5);
      for (let p = 0; p < POINTS; p++) put(p, track.landmarks[at(i, p)]!, track.landmarks[at(i, p) + 1]!);
      // The middle of the hips, and a point on the circle round the body: what the next square is made of.
      const hip = (axis: 0 | 1) => (track.landmarks[at(i, POINT.leftHip) + axis]! + track.landmarks[at(i, POINT.rightHip) + axis]!) / 2;
      put(33, hip(0), hip(1));
      put(34, hip(0), hip(1) - 0.55 * tall);
      return { square, points, presence: 1, mask: new Int8Array(MASK_SIZE).fill(-127) };
    },
  };
}

interface Run {
  answered: AnsweredRep[];
  completed: SeenRep[];
  states: LoopState[];
  sounds: Sound[];
  /** What was told of its pace. */
  tooSlow: (number | null)[];
}

let real: PoseNetwork;
beforeAll(async () => void (real = await loadNodeNetwork()), 60_000);

/** Plays clips one after another to a session, picture by picture, on a clock that waits for it; each begins with a golfer who stands, as they do once more at the end. `every`: one picture of so many comes through; `standsMs`: for so long. */
async function played(clips: readonly string[], reps: number, every = 1, standsMs = 1500): Promise<Run> {
  const run: Run = { answered: [], completed: [], states: [], sounds: [], tooSlow: [] };
  const readings = new SpanReadings(1440);
  const grabber = new Grabber();
  let now = 0;
  let pictures = 0;
  let size = { width: 0, height: 0, fps: 60 };
  let looks: RecordedLooks;
  // The clock stands still while anything is under way: nothing here depends on how quick the machine is.
  let under = 0;
  const waited = <T>(work: Promise<T>): Promise<T> => {
    under++;
    return work.finally(() => under--);
  };
  const standIn = standInNetwork(real, { get times() { return looks.times; }, look: (i) => looks.look(i) }, 0);
  const network: PoseNetwork = { ...standIn, landmarks: (crop) => waited(standIn.landmarks(crop)), detect: (input) => waited(real.detect(input)) };
  let session: LiveSession | null = null;
  const settled = async () => {
    do await new Promise((r) => setTimeout(r, 1));
    while (under > 0);
  };
  for (const [nth, name] of [...clips, clips[0]!].entries()) {
    const clip = await openClipFile(`demo/clips/${name}.mp4`);
    looks = recorded(readTrack(readFileSync(`demo/tracks/${name}.track`)));
    size = { width: clip.width, height: clip.height, fps: 60 };
    session ??= new LiveSession(network, {
      stage, golfer: GOLFER, reach: null, reps, size, want: (w) => grabber.wants(w), release: (d) => grabber.back(d), now: () => now, newId: () => `rep ${run.answered.length + 1}`,
      follow: (seen) => waited(Promise.resolve(readings.follow(structuredClone(seen)))),
      analyse: (track) => waited(Promise.resolve(analyse(track, { golfer: GOLFER, drill: "double-step", live: true, samples: 8 }))),
      state: (s) => void (run.states.at(-1) === s.value || run.states.push(s.value)), sound: (s) => run.sounds.push(s),
      answered: (rep) => run.answered.push(rep), completed: (rep) => run.completed.push(rep), tooSlow: (perS) => run.tooSlow.push(perS),
    });
    let first = true;
    for await (const picture of clip.pictures()) {
      const shown = first ? Math.round(standsMs / FRAME_MS) : 0;
      for (let k = 0; k <= shown; k++) {
        const t = now;
        if (pictures++ % every === 0) {
          session.take(await grabber.grab({ timeMs: t, cut: picture.cut.bind(picture) }, size));
          await settled();
        }
        now = t + FRAME_MS;
      }
      first = false;
      if (nth === clips.length) break;
    }
    clip.close();
  }
  await settled();
  return run;
}

describe("a live session before real pictures", () => {
  it("arms, tells each rep of a bout once, soon after what decides it, hands on the whole of it, and ends the bout", async () => {
    const { answered, completed, states, sounds, tooSlow } = await played(["double-step-good", "double-step-hands-first"], 2);
    expect(answered.map((a) => [a.rep.verdict!.result, a.rep.verdict!.cue?.words])).toEqual([["pass", undefined], ["fail", "Foot before hands"]]);
    for (const a of answered) {
      expect(a.answeredAt).toBeGreaterThanOrEqual(a.deciding! + SETTLES_MS - FRAME_MS);
      expect(a.answeredAt - a.deciding!).toBeLessThan(1000);
    }
    expect(completed.map((c) => c.id)).toEqual(["rep 1", "rep 2"]);
    // What is kept of a rep reaches beyond what it was told from.
    completed.forEach((c, k) => expect(c.track.times.length).toBeGreaterThan(answered[k]!.track.times.length - 1));
    expect(states.slice(0, 3)).toEqual(["looking", "settling", "armed"]);
    expect(states.at(-1)).toBe("done");
    expect(tooSlow).toEqual([]);
    expect(sounds.filter((s) => ["pass", "fail", "not judged", "bout done"].includes(s))).toEqual(["pass", "fail", "bout done"]);
  }, 120_000);

  it("says so when it looks too seldom to find every rep, and tells nothing against the truth then", async () => {
    const { answered, tooSlow, states } = await played(["double-step-good"], 1, 12, 10_000);
    expect(states).toContain("armed");
    expect(tooSlow).toHaveLength(1);
    expect(tooSlow[0]).toBeCloseTo(5, 0);
    expect(answered.map((a) => a.rep.verdict!.result)).not.toContain("fail");
  }, 120_000);
});
