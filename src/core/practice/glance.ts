import type { Measured, Verdict } from "../judge";
import type { MeasureId } from "../measures";
import { margin } from "./compare";
import { knownOf, usualOf } from "./usual";

/** A rep of a bout, as looking it over takes it. */
export interface GlanceRep {
  id: string;
  /** As the golfer says, where they overrule the program. */
  result: Verdict["result"] | null;
  /** In words, if it got one. */
  cue: string | null;
  /** Of one that failed; null where nobody asks how close it came. */
  checks: Verdict["checks"] | null;
  measures: Readonly<Record<string, Pick<Measured, "value" | "u">>>;
}

/** Why a rep is worth a second look. */
export type WorthALook =
  | { id: string; why: "closest" }
  | { id: string; why: "typical" }
  /** One of its measures lies so far from the others', in their own spread. */
  | { id: string; why: "odd"; measure: MeasureId; times: number };

export interface Glance {
  passed: number;
  /** Passes and fails. */
  judged: number;
  /** The cue that most reps got, the first one among equals; and how many. */
  change: { words: string; reps: number } | null;
  look: WorthALook[];
}

/** Fewer reps than this have no usual way. */
const USUAL_FROM = 5;
/** A modified z-score beyond this is an outlier (Iglewicz and Hoaglin, 1993). */
const OUTLIER = 3.5;

/**
 * A bout at a glance: how many passed, the one thing to change, and which reps to look at: the one
 * that came closest to passing, the most usual one, and the odd ones.
 *
 * @param asked measures that the drill's checks ask for
 */
export function glance(reps: readonly GlanceRep[], asked: readonly MeasureId[]): Glance {
  const passed = reps.filter((r) => r.result === "pass").length;
  const judged = passed + reps.filter((r) => r.result === "fail").length;
  const cues = reps.flatMap((r) => (r.result === "fail" ? (r.cue ?? []) : []));
  const count = (words: string) => cues.filter((c) => c === words).length;
  const words = [...new Set(cues)].sort((a, b) => count(b) - count(a))[0];
  const closest = reps
    .flatMap((r) => {
      const room = r.result === "pass" || !r.checks ? null : margin({ checks: r.checks });
      return room === null ? [] : [{ id: r.id, room }];
    })
    .sort((a, b) => b.room - a.room)[0];
  const far = farthest(reps, asked);
  const usual = [...far].sort((a, b) => a.times - b.times)[0];
  return {
    passed,
    judged,
    change: words === undefined ? null : { words, reps: count(words) },
    look: [
      ...(closest ? [{ id: closest.id, why: "closest" as const }] : []),
      ...(usual ? [{ id: usual.id, why: "typical" as const }] : []),
      ...far
        .filter((f) => f.times > OUTLIER)
        .sort((a, b) => b.times - a.times)
        .map((f) => ({ ...f, why: "odd" as const })),
    ],
  };
}

/**
 * Of each rep the measure that lies farthest from the bout's middle, in the bout's own spread or,
 * where that is less, the film's doubt.
 */
function farthest(
  reps: readonly GlanceRep[],
  asked: readonly MeasureId[],
): { id: string; measure: MeasureId; times: number }[] {
  const known = [...new Set(asked)].flatMap((measure) => {
    const rows = knownOf(reps, measure);
    if (rows.length < USUAL_FROM) return [];
    const { middle, spread } = usualOf(rows);
    return spread > 0
      ? rows.map((r) => ({ id: r.id, measure, times: Math.abs(r.value - middle) / spread }))
      : [];
  });
  const most = new Map<string, (typeof known)[number]>();
  for (const k of known) if (!(k.times <= (most.get(k.id)?.times ?? -1))) most.set(k.id, k);
  return reps.flatMap(({ id }) => most.get(id) ?? []);
}
