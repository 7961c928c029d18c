import { resample } from "../maths/filter";
import type { Scene } from "../scene/scene";
import type { FootMotion, FootSpell } from "./footMotion";

/**
 * Direction of a foot on the ground against its first one, degrees, + toward the target: the heel where it stands and the toe
 * as chained from picture to picture, both dropped on the ground plane. NaN before it was seen to stand.
 */
export function footDirection({ spells }: FootMotion, scene: Scene, startMs: number, dt: number, n: number): Float64Array {
  const out = new Float64Array(n).fill(NaN);
  const first = spells[0];
  if (!first) return out;
  const direction = (heel: readonly [number, number], x: number, y: number) => {
    const [ha, hd] = scene.camera.toGround(...heel);
    const [ta, td] = scene.camera.toGround(x, y);
    // Toes point at the lens: toward it is + D.
    return (Math.atan2((ta - ha) * scene.targetSign, hd - td) * 180) / Math.PI;
  };
  const start = direction(first.px.heel, ...first.px.toe);
  for (const spell of spells) fill(out, startMs, dt, spell, (x, y) => direction(spell.px.heel, x, y) - start);
  let last = NaN;
  for (let i = 0; i < n; i++) {
    if (Number.isNaN(out[i]!)) out[i] = last;
    else last = out[i]!;
  }
  return out;
}

function fill(out: Float64Array, startMs: number, dt: number, { turn, fromMs }: FootSpell, value: (x: number, y: number) => number): void {
  if (!turn.times.length) return;
  const on = (v: Float64Array) => resample(turn.times, v, startMs, dt * 1000, out.length);
  const x = on(turn.x);
  const y = on(turn.y);
  const known = turn.times.filter((_, k) => !Number.isNaN(turn.x[k]!));
  const end = known[known.length - 1] ?? fromMs;
  for (let i = 0; i < out.length; i++) {
    const ms = startMs + i * dt * 1000;
    if (ms < fromMs || ms > end) continue;
    const v = value(x[i]!, y[i]!);
    if (!Number.isNaN(v)) out[i] = ((v + 540) % 360) - 180;
  }
}
