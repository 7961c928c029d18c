import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { analyse, middleMs } from "@/core/analysis";
import { findStage } from "@/core/drills";
import { body } from "@/core/figure/anthropometry";
import { simulate } from "@/core/figure/simulate";
import { readTrack } from "@/core/formats/trackFile";
import { SETTLES_MS } from "@/core/judge/deciding";
import type { LoopState, Sound } from "@/core/live/loop";
import { SAME_MS, sameRep } from "@/core/live/sameRep";
import type { Track } from "@/core/track/track";
import type { Picture } from "@/vision/decode/openClip";
import { Grabber } from "@/vision/live/grabber";
import { LiveSession, type AnsweredRep, type SeenBout } from "@/vision/live/liveSession";
import { soundOnsets, type Onset } from "@/vision/sound/onsets";
import { SpanReadings } from "@/vision/live/spanReadings";
import type { RecordedLooks } from "../../tools/standIn/recordedLooks";
import { recordedNetwork } from "../../tools/standIn/recordedNetwork";
import type { PoseNetwork } from "@/vision/network/poseNetwork";
import { loadNodeNetwork, openClipFile } from "@/vision/node/loadNode";
import { trackLooks } from "../../tools/standIn/trackLooks";
import { exactTrack } from "../../tools/study/exactTrack";
import { WHOLE } from "../whole";

const GOLFER = { statureCm: 170, hand: "right" as const };
const FRAME_MS = 1000 / 60;

interface Run {
  answered: AnsweredRep[];
  completed: SeenBout[];
  states: LoopState[];
  sounds: Sound[];
  /** What was told of its pace. */
  tooSlow: (number | null)[];
}

let real: PoseNetwork;
beforeAll(async () => void (real = await loadNodeNetwork()), 60_000);

/**
 * A film: what is seen in it, and its pictures; where it is one picture alone, that stands for all.
 */
interface Film {
  track: Track;
  clip: string;
  standing?: boolean;
}
const filmOf = (name: string): Film => ({
  track: readTrack(readFileSync(`demo/tracks/${name}.track`)),
  clip: `demo/clips/${name}.mp4`,
});

interface Played {
  films: readonly Film[];
  reps: number;
  /** One picture of so many comes through. */
  every?: number;
  /** The golfer stands for so long before each film, ms. */
  standsMs?: number;
  drill?: string;
}

/**
 * Plays films one after another to a session, picture by picture, on a clock that waits for it; at
 * the end the golfer of the first one stands once more.
 */
async function played({
  films,
  reps,
  every = 1,
  standsMs = 1500,
  drill = "double-step",
}: Played): Promise<Run> {
  const run: Run = { answered: [], completed: [], states: [], sounds: [], tooSlow: [] };
  const readings = new SpanReadings(1440);
  const grabber = new Grabber();
  let now = 0;
  let pictures = 0;
  let size = { width: 0, height: 0, fps: 60 };
  let looks: RecordedLooks;
  // The clock stands still while anything is under way: nothing here depends on how quick the
  // machine is.
  let under = 0;
  const waited = <T>(work: Promise<T>): Promise<T> => {
    under++;
    return work.finally(() => under--);
  };
  const standIn = recordedNetwork(() => ({ looks, ms: 0 }));
  const network: PoseNetwork = {
    ...standIn,
    landmarks: (...input) => waited(standIn.landmarks(...input)),
    detect: (input) => waited(real.detect(input)),
  };
  const sounds: Onset[] = [];
  let session: LiveSession | null = null;
  const settled = async () => {
    do await new Promise((r) => setTimeout(r, 1));
    while (under > 0);
  };
  const show = async (picture: Picture, seenAt: number) => {
    const cut: Picture["cut"] = async (...asked) => {
      const out = await picture.cut(...asked);
      return out && { ...out, frame: { ...out.frame, timeMs: seenAt } };
    };
    if (pictures++ % every === 0) {
      session!.take(await grabber.grab({ timeMs: now, cut }, size));
      await settled();
    }
    now += FRAME_MS;
  };
  const { stage } = findStage(drill);
  for (const [nth, { track, clip: file, standing = false }] of [
    ...films,
    ...(films[0]!.standing ? [] : [films[0]!]),
  ].entries()) {
    const clip = await openClipFile(file);
    looks = trackLooks(track);
    size = { width: clip.width, height: clip.height, fps: 60 };
    session ??= new LiveSession(network, {
      stage,
      golfer: GOLFER,
      reach: null,
      reps,
      size,
      want: (w) => grabber.wants(w),
      release: (d) => grabber.back(d),
      now: () => now,
      heard: (from, to) => sounds.filter(({ t }) => t >= from && t <= to && t <= now),
      newId: () => `rep ${run.answered.length + 1}`,
      follow: (seen) => waited(Promise.resolve(readings.follow(structuredClone(seen)))),
      analyse: (t) =>
        waited(Promise.resolve(analyse(t, { golfer: GOLFER, drill, live: true, samples: 8 }))),
      state: (s) => void (run.states.at(-1) === s.value || run.states.push(s.value)),
      sound: (s) => run.sounds.push(s),
      answered: (rep) => run.answered.push(rep),
      completed: (seen) => run.completed.push(seen),
      tooSlow: (perS) => run.tooSlow.push(perS),
    });
    let first = true;
    for await (const picture of clip.pictures()) {
      if (first) for (let k = 0; k < Math.round(standsMs / FRAME_MS); k++) await show(picture, 0);
      if (first && !standing && nth < films.length)
        for (const { t, db } of await soundOnsets(clip.sound())) sounds.push({ t: t + now, db });
      first = false;
      if (nth === films.length) break;
      if (!standing) await show(picture, picture.timeMs);
      else {
        for (const t of track.times) await show(picture, t);
        for (let k = 0; k < Math.round(standsMs / FRAME_MS); k++)
          await show(picture, track.times.at(-1));
        break;
      }
    }
    clip.close();
  }
  await settled();
  return run;
}

describe("a live session before real pictures", () => {
  it("arms, tells each rep of a bout once, soon after what decides it, hands on the whole of it, and ends the bout", async () => {
    const { answered, completed, states, sounds, tooSlow } = await played({
      films: ["double-step-good", "double-step-hands-first"].map(filmOf),
      reps: 2,
    });
    expect(answered.map((a) => [a.rep.verdict!.result, a.rep.verdict!.cue?.words])).toEqual([
      ["pass", undefined],
      ["fail", "Foot before hands"],
    ]);
    for (const a of answered) {
      expect(a.answeredAt).toBeGreaterThanOrEqual(a.deciding! + SETTLES_MS - FRAME_MS);
      expect(a.answeredAt - a.deciding!).toBeLessThan(1000);
    }
    // The film's own strike is heard, and places the one that is seen.
    for (const {
      track,
      rep: {
        events: { impact },
      },
    } of answered) {
      expect(track.sounds.filter((s) => Math.abs(s.t - impact!.t) < 50)).toHaveLength(1);
      const unheard = analyse(
        { ...track, sounds: [] },
        { golfer: GOLFER, drill: "double-step", live: true, samples: 8 },
      ).reps[0]!.events.impact!;
      expect(impact!.u).toBeLessThan(unheard.u);
    }
    expect(completed.map((c) => c.id)).toEqual(["rep 1", "rep 2"]);
    // What is kept of a rep reaches beyond what it was told from.
    completed.forEach((c, k) =>
      expect(c.track.times.length).toBeGreaterThan(answered[k]!.track.times.length - 1),
    );
    expect(states.slice(0, 3)).toEqual(["looking", "settling", "armed"]);
    expect(states.at(-1)).toBe("done");
    expect(tooSlow).toEqual([]);
    expect(sounds.filter((s) => ["pass", "fail", "not judged", "bout done"].includes(s))).toEqual([
      "pass",
      "fail",
      "bout done",
    ]);
  }, 120_000);

  it("says so when it looks too seldom to find every rep, and tells nothing against the truth then", async () => {
    const { answered, tooSlow, states } = await played({
      films: [filmOf("double-step-good")],
      reps: 1,
      every: 12,
      standsMs: 10_000,
    });
    expect(states).toContain("armed");
    expect(tooSlow).toHaveLength(1);
    expect(tooSlow[0]).toBeCloseTo(5, 0);
    expect(answered.map((a) => a.rep.verdict!.result)).not.toContain("fail");
  }, 120_000);

  it.runIf(WHOLE)(
    "tells reps that hang together one by one, each once, and keeps them together as long as all of them can be seen",
    async () => {
      const drill = "rocking-board-level";
      const sim = simulate(body(170), findStage(drill).stage.target!());
      const track = exactTrack(sim, { hand: "right", fps: 60, distance: 400, height_px: 720 });
      const { answered, completed } = await played({
        films: [{ track, clip: "demo/clips/double-step-good.mp4", standing: true }],
        reps: 30,
        drill,
        every: 2,
        standsMs: 2500,
      });
      const whole = analyse(track, { golfer: GOLFER, drill, samples: 8 });
      expect(answered.map((a) => a.rep.verdict!.result)).toEqual(
        whole.reps.map((r) => r.verdict!.result),
      );
      const begins = answered[0]!.about - middleMs(whole.reps[0]!);
      answered.forEach((a, k) =>
        expect(Math.abs(a.about - begins - middleMs(whole.reps[k]!))).toBeLessThan(SAME_MS),
      );
      // What is kept holds each of its reps where it was told to be.
      expect([...new Set(answered.map((a) => a.keptIn))]).toEqual(completed.map((c) => c.id));
      for (const { id, track: kept, trackFrom } of completed) {
        const found = analyse(kept, { golfer: GOLFER, drill, live: true, samples: 8 }).reps.map(
          (r) => trackFrom + middleMs(r),
        );
        for (const a of answered.filter((o) => o.keptIn === id))
          expect(found.some((f) => sameRep(f, a.about))).toBe(true);
      }
    },
    120_000,
  );
});
