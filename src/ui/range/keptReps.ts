import { wrap } from "comlink";
import { eventRecords } from "@/core/analysis";
import { stageOf, type Drill } from "@/core/drills";
import type { RangeSnapshot } from "@/server/range/snapshot";
import type { RepDetail } from "@/server/reps/queries";
import { counting, type Outgoing } from "@/ui/film/outbox";
import { drillHere } from "./drillsHere";
import type { JudgedTrack, JudgeKeptWorker } from "./judgeKept.worker";

/** A bout as this phone has it. */
export interface BoutHere {
  id: string;
  drill: Drill | null;
  drillId: string;
  stage: string;
  at: string;
  rows: Outgoing[];
}

/** One of the golfer's drills; null for one that this phone knows nothing of. */
export function findDrill(snapshot: RangeSnapshot, id: string): Drill | null {
  const own = snapshot.own.find((d) => d.id === id);
  try {
    return drillHere(own ?? id);
  } catch {
    return null;
  }
}

/** What a golfer filmed here, by bout, the latest first. */
export function boutsHere(rows: readonly Outgoing[], snapshot: RangeSnapshot): BoutHere[] {
  const bouts = new Map<string, BoutHere>();
  for (const row of rows) {
    if (!counting(row).length || (row.golfer && row.golfer.id !== snapshot.golfer.id)) continue;
    const known = bouts.get(row.boutId);
    if (known) known.rows.push(row);
    else
      bouts.set(row.boutId, {
        id: row.boutId,
        drill: findDrill(snapshot, row.drill),
        drillId: row.drill,
        stage: row.stage,
        at: row.at,
        rows: [row],
      });
  }
  return [...bouts.values()].reverse();
}

const judged = new Map<string, Promise<JudgedTrack>>();

/** Reckons what is kept of some reps, as the computer does; once for each track. */
function judge(row: Outgoing, snapshot: RangeSnapshot): Promise<JudgedTrack> {
  const key = `${row.track.sha256} ${counting(row).length}`;
  const known = judged.get(key);
  if (known) return known;
  const worker = new Worker(new URL("./judgeKept.worker.ts", import.meta.url), { type: "module" });
  const { hand, statureCm } = row.golfer ?? snapshot.golfer;
  const asked = wrap<JudgeKeptWorker>(worker)
    .judge({
      track: row.track.bytes,
      golfer: { hand, statureCm },
      drill: snapshot.own.find((d) => d.id === row.drill) ?? row.drill,
      stage: row.stage,
      told: counting(row).map(({ about, told }) => ({ ...told, about: about - row.track.from })),
    })
    .finally(() => worker.terminate());
  judged.set(key, asked);
  asked.catch(() => judged.delete(key));
  return asked;
}

/**
 * A rep that was filmed here, as its page shows it; null where it is not found in its track.
 *
 * @throws Error when the track can't be read
 */
export async function repHere(
  bout: BoutHere,
  repId: string,
  snapshot: RangeSnapshot,
): Promise<RepDetail | null> {
  const row = bout.rows.find((r) => counting(r).some(({ id }) => id === repId));
  if (!row) return null;
  const reps = counting(row);
  const { algorithm, problems, reps: found } = await judge(row, snapshot);
  const r = found[reps.findIndex(({ id }) => id === repId)];
  if (!r) return null;
  const boutReps = bout.rows.flatMap(counting).map(({ id }) => id);
  const stage = bout.drill ? stageOf(bout.drill, bout.stage) : null;
  const { hand, statureCm } = row.golfer ?? snapshot.golfer;
  return {
    id: repId,
    number: boutReps.indexOf(repId) + 1,
    boutReps,
    boutStartedAt: new Date(bout.at),
    place: null,
    drillId: bout.drillId,
    drill: bout.drill?.name ?? null,
    why: bout.drill?.why ?? null,
    dose: bout.drill?.dose ?? null,
    stage,
    clip: {
      sha256: row.sentAs?.sha256 ?? row.film?.sha256 ?? row.track.sha256,
      name: "",
      kept: row.film !== null || row.sentAs?.sha256 !== undefined,
    },
    trackSha256: row.track.sha256,
    hand,
    statureCm,
    units: snapshot.golfer.units,
    captureFps: null,
    algorithm,
    problems,
    events: eventRecords(r).sort((a, b) => a.t - b.t),
    index: r.index,
    from: r.from,
    to: r.to,
    live: true,
    corrections: [],
    uncorrected: null,
    measures: r.measures,
    verdict: r.verdict,
    series: r.series,
    insoles: null,
  };
}
