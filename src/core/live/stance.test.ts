import { describe, expect, it } from "vitest";
import { POINT, POINTS, STRIDE } from "../track/track";
import { armsRaised, evenly, stanceOf, type Look } from "./stance";

/** Somebody 400 px tall who stands upright at (600, 100), hands hanging. */
const STANDING: Partial<Record<keyof typeof POINT, readonly [x: number, y: number]>> = {
  nose: [600, 130],
  leftEar: [610, 128],
  rightEar: [590, 128],
  leftShoulder: [650, 180],
  rightShoulder: [550, 180],
  leftElbow: [660, 250],
  rightElbow: [540, 250],
  leftWrist: [610, 320],
  rightWrist: [590, 320],
  leftIndex: [608, 335],
  rightIndex: [592, 335],
  leftHip: [630, 310],
  rightHip: [570, 310],
  leftKnee: [635, 400],
  rightKnee: [565, 400],
  leftAnkle: [640, 485],
  rightAnkle: [560, 485],
  leftHeel: [640, 495],
  rightHeel: [560, 495],
  leftToe: [650, 500],
  rightToe: [550, 500],
};

type Moved = (name: string, t: number) => readonly [dx: number, dy: number];

/** Looks of so many a second over so long, of somebody whose parts are moved. */
function looks(moved: Moved = () => [0, 0], { hz = 15, ms = 1200, presence = 1 } = {}): Look[] {
  return Array.from({ length: Math.round((ms * hz) / 1000) + 1 }, (_, i) => {
    const t = 5000 + (i * 1000) / hz;
    const points = new Float32Array(POINTS * STRIDE);
    for (const [name, [x, y]] of Object.entries(STANDING)) {
      const p = POINT[name as keyof typeof POINT];
      if (p === undefined) continue;
      const [dx, dy] = moved(name, t - 5000);
      points.set([x + dx, y + dy, 1, 1], p * STRIDE);
    }
    return { t, points, presence };
  });
}
const wrists = (name: string) => /(Wrist|Index)$/.test(name);

describe("how the golfer stands", () => {
  it("is still and settled when nothing moves, whatever the network's noise of a pixel", () => {
    expect(stanceOf(looks())).toEqual({
      present: true,
      settled: true,
      still: true,
      moving: false,
      armsUp: false,
    });
    let k = 0;
    const noisy = stanceOf(looks(() => [((k++ * 7919) % 3) - 1, ((k * 104729) % 3) - 1]));
    expect(noisy).toMatchObject({ settled: true, still: true, moving: false });
  });

  it("is nobody where the network sees nobody, and not before there are looks", () => {
    expect(stanceOf([]).present).toBe(false);
    expect(stanceOf(looks(undefined, { presence: 0.1 })).present).toBe(false);
  });

  it("moves when hands go against the shoulders, not when the whole golfer walks", () => {
    const swinging = stanceOf(looks((name, t) => (wrists(name) ? [t * 0.2, 0] : [0, 0])));
    expect(swinging).toMatchObject({ moving: true, still: false });
    const walking = stanceOf(looks((_, t) => [t * 0.2, 0]));
    expect(walking).toMatchObject({ moving: false, still: false, settled: false });
  });

  it("is no longer still when the hips alone go aside slowly, and still in its place", () => {
    const shifting = stanceOf(looks((name, t) => (name.endsWith("Hip") ? [t * 0.025, 0] : [0, 0])));
    expect(shifting).toMatchObject({ still: false, settled: true, moving: false });
  });

  it("has its arms up only when both hands are over the head", () => {
    const both = stanceOf(looks((name) => (wrists(name) ? [0, -210] : [0, 0])));
    expect(both.armsUp).toBe(true);
    const one = stanceOf(looks((name) => (/^left(Wrist|Index)$/.test(name) ? [0, -210] : [0, 0])));
    expect(one.armsUp).toBe(false);
  });

  it("is told from fewer looks that reach farther back on a slow device, and from two of none", () => {
    expect(stanceOf(looks(undefined, { hz: 6 }))).toMatchObject({ still: true, settled: true });
    expect(stanceOf(looks(undefined, { hz: 2, ms: 500 }))).toMatchObject({
      present: true,
      still: false,
      settled: false,
    });
  });

  it("has raised arms once the hands are farther aside than they are below the shoulders", () => {
    const [low] = looks(undefined, { ms: 0 });
    const [high] = looks((name) => (wrists(name) ? [160, -60] : [0, 0]), { ms: 0 });
    expect([armsRaised(low!), armsRaised(high!)]).toEqual([false, true]);
  });
});

describe("looks on an even clock", () => {
  it("keep their pictures where they were and are filled between", () => {
    const two = looks((_, t) => [t * 0.1, 0], { hz: 10, ms: 100 });
    const { times, landmarks } = evenly(two);
    expect(times).toHaveLength(7);
    const x = (i: number) => landmarks[i * POINTS * STRIDE + POINT.leftHip * STRIDE]!;
    expect(x(0)).toBeCloseTo(630, 3);
    expect(x(6)).toBeCloseTo(640, 3);
    expect(x(3)).toBeCloseTo(635, 1);
  });
});
