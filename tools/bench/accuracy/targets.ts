import { pairOf, sortOf, type ComparedClip, type Pair } from "../../study/compare";
import { figures } from "../../study/figures";

type Groups = {
  measures: Map<string, Pair[]>;
  events: Map<string, Pair[]>;
  footEvents: Map<string, Pair[]>;
};

export interface Target {
  name: string;
  unit: string;
  most: number;
  n: number;
  rms: number | null;
  met: boolean | null;
}

/**
 * The figures that were promised, of the reported set within the promised conditions (root mean
 * square of the error).
 */
export function targets(
  groups: Groups,
  heard: readonly Pair[],
  compared: readonly ComparedClip[],
): Target[] {
  const of = (
    name: string,
    unit: string,
    most: number,
    ...lists: (readonly Pair[] | undefined)[]
  ): Target => {
    const pairs = lists.flatMap((l) => l ?? []);
    const rms = pairs.length ? figures(pairs).rms : null;
    return { name, unit, most, n: pairs.length, rms, met: rms === null ? null : rms <= most };
  };
  const m = (id: string) => groups.measures.get(id);
  const foot = (event: string) => [
    groups.footEvents.get(`lead ${event}`),
    groups.footEvents.get(`trail ${event}`),
  ];
  const faceOn = (list: readonly Pair[] | undefined) =>
    list?.filter((p) => !p.about.startsWith("dtl") && p.about !== "gesture");
  const wide = new Set(
    compared
      .filter((c) => c.found.some(({ truth }) => (truth.measures.footGapAddress ?? 0) >= 35))
      .map((c) => c.clip.id),
  );
  const planted = (id: string) => m(id)?.filter((p) => p.sort === "planted" && wide.has(p.clip));
  const stepping = (id: string) => m(id)?.filter((p) => p.sort === "step");
  const shares = [
    "leadShareAddress",
    "leadShareTop",
    "leadShareImpact",
    "leadShareFinish",
    "leadShareRelease",
    "trailSharePeak",
  ];
  const curve = (want: (c: ComparedClip) => boolean): Pair[] =>
    compared.filter(want).flatMap(curveErrors);
  return [
    of("hips away from the target (pelvisSway)", "cm", 0.7, m("pelvisSway")),
    of("hips toward the target (pelvisSlide)", "cm", 0.7, m("pelvisSlide")),
    of("head drift", "cm", 1.0, m("headDrift")),
    of("feet apart (footGap)", "cm", 1.5, m("footGapAddress")),
    of("step lengths", "cm", 1.2, m("leadStepLength"), m("trailStepLength")),
    of("top", "ms", 12, faceOn(groups.events.get("top"))),
    of("landing", "ms", 12, ...foot("landing")),
    of("heel up", "ms", 25, ...foot("heelUp")),
    of("lift-off", "ms", 30, ...foot("liftOff")),
    of("impact, picture alone", "ms", 6, faceOn(groups.events.get("impact"))),
    of("strike, with a sound whose offset a clap has told", "ms", 3, heard),
    of("lead share at events, planted feet ≥ 35 cm apart", "points", 5, ...shares.map(planted)),
    of(
      "lead share along the curve, planted",
      "points",
      5,
      curve((c) => wide.has(c.clip.id) && sortOf(c.clip.truth) === "planted"),
    ),
    of(
      "lead share along the curve, stepping",
      "points",
      8,
      curve((c) => sortOf(c.clip.truth) === "step" && c.clip.truth.reps[0]!.kind !== "hold"),
    ),
    of("trail share peak, stepping", "points", 8, stepping("trailSharePeak")),
    of("lead share at other events, stepping", "points", 12, ...shares.slice(0, 5).map(stepping)),
    of(
      "weight across before the top (≥ 10 points in 100 ms)",
      "ms",
      35,
      m("recentreBeforeTop")?.filter((p) => fast(p, groups)),
    ),
    of("foot turn, pivots", "°", 10, m("trailFootTurn"), m("leadFootTurn")),
    of("hips to ball (from behind)", "cm", 1.0, m("hipsToBall")),
    of("bend change (from behind)", "°", 2.5, m("bendChange")),
    of(
      "cadence",
      "% of it",
      2,
      m("cadence")?.map((p) => ({ ...p, value: (p.value / p.truth) * 100, truth: 100 })),
    ),
    of("ground leads hands", "ms", 25, m("groundLeadsHands")),
  ];
}

/**
 * Reps whose weight moves by at least 10 points in 100 ms on the way down: elsewhere a crossing has
 * no clear instant.
 */
function fast(p: Pair, groups: Groups): boolean {
  return (groups.measures.get("loadRate") ?? []).some((q) => q.clip === p.clip && q.truth >= 10);
}

/** Lead share along the way from hand start to finish, against exact truth. */
function curveErrors({ clip, found, analysis }: ComparedClip): Pair[] {
  const { truth } = clip;
  if (analysis.problems.some((p) => p.touches === "rep")) return [];
  if (!truth.perFrame || truth.reps.length !== 1 || !found[0]) return [];
  const { rep } = found[0];
  const [from, to] = [
    truth.reps[0]!.events.handStart ?? truth.reps[0]!.from,
    truth.reps[0]!.events.finish ?? truth.reps[0]!.to,
  ];
  return truth.perFrame.flatMap((f) => {
    if (f.t < from || f.t > to) return [];
    const k = rep.series.t.findIndex((t) => t >= f.t - 1);
    return k < 0
      ? []
      : [pairOf(clip, rep.series.leadShare[k]!, rep.series.leadShareU[k]!, f.leadShare)];
  });
}
