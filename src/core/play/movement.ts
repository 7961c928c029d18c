import {
  body,
  type Pose,
  type MovementScript,
  simulate,
  TRUTH_HZ,
  type Simulation,
  SCRIPTED_FOR,
  sized,
  feetAgainst,
  truths,
  type Truth,
  rearEdge,
} from "../figure";
import { checkBand, type CheckVerdict } from "../judge";
import { begun, round, type RepSeries, TURNING, middleTurn } from "../reps";
import { bandFor, type Stage, margins } from "../drills";

/** A movement ready to be drawn: a figure at every instant, and the strip that belongs to it. */
export interface Movement {
  /** Frames a second; frame i is at i / fps s. */
  fps: number;
  /**
   * Millimetres, x across the picture as it is seen for this hand and view, y up from the ground;
   * two numbers a point of `FIGURE_POINTS`.
   */
  frames: number[][];
  club: boolean;
  headRadius: number;
  /** ms. */
  events: Record<string, number>;
  /** Where the rep is in the movement, ms. */
  from: number;
  to: number;
  series: RepSeries;
  /** The stage's checks as the movement itself has them: exact, with no uncertainty. */
  checks: CheckVerdict[];
  at: Partial<Record<string, number>>;
}

const FPS = 60;
const EVERY = TRUTH_HZ / FPS;
const MM = 10;

/**
 * Plays a stage's script for one golfer.
 *
 * @param hand left-handers see it mirrored
 */
export function movementOf(
  stage: Stage,
  script: MovementScript,
  { statureCm, hand }: { statureCm: number; hand: "left" | "right" },
): Movement {
  const build = body(statureCm, "male", 1);
  const sim = simulate(build, sized(script, statureCm));
  const reps = truths(sim, stage.view);
  const truth = reps[1] ?? reps[0]!;
  const mirror = hand === "right" ? 1 : -1;
  const axis = stage.view === "face-on" ? 0 : 2;
  const frame = (pose: Pose) =>
    pointsOf(pose).flatMap((p) => [Math.round(p[axis] * mirror * MM), Math.round(p[1] * MM)]);
  const inside = margins(stage, truth, statureCm);
  const series = seriesOf(sim, truth, stage);
  return {
    fps: FPS,
    club: script.club !== null,
    headRadius: (11 * MM * statureCm) / SCRIPTED_FOR,
    frames: sim.poses.filter((_, i) => i % EVERY === 0).map(frame),
    events: Object.fromEntries(
      Object.entries({ ...truth.events, ...pivotEvents(series) }).map(([k, v]) => [
        k,
        Math.round(v),
      ]),
    ),
    from: truth.from,
    to: truth.to,
    series,
    checks: stage.checks.map((c) => {
      const { value } = inside.get(c.id)!;
      const band = bandFor(c, statureCm);
      return {
        id: c.id,
        measure: c.measure,
        band,
        level: c.level,
        must: c.level === "must",
        result: Number.isNaN(value) ? "not measurable" : checkBand(value, 0, band),
        value: Number.isNaN(value) ? null : value,
        u: 0,
      };
    }),
    at: momentsOf(sim, truth),
  };
}

const pointsOf = ({ head, midHands, clubHead, lead, trail }: Pose) => [
  head,
  midHands,
  clubHead,
  lead.shoulder,
  lead.elbow,
  lead.hip,
  lead.knee,
  lead.ankle,
  lead.heel,
  lead.toe,
  trail.shoulder,
  trail.elbow,
  trail.hip,
  trail.knee,
  trail.ankle,
  trail.heel,
  trail.toe,
];

/** What the strip is drawn from, exact. */
function seriesOf(
  sim: Simulation,
  { rep, leadShare, footEvents, turns, events, from, to }: Truth,
  { view }: Stage,
): RepSeries {
  // A rhythm has no address of its own: it counts from how the golfer stood before it.
  const first = Math.round(((events.address ?? 0) / 1000) * TRUTH_HZ);
  const [start, end] = [
    Math.max(0, Math.round((from / 1000) * TRUTH_HZ)),
    Math.min(sim.poses.length - 1, Math.round((to / 1000) * TRUTH_HZ)),
  ];
  const samples = Array.from(
    { length: Math.floor((end - start) / EVERY) + 1 },
    (_, k) => start + k * EVERY,
  );
  const t = samples.map((i) => (i * 1000) / TRUTH_HZ);
  const foot = (p: Pose, side: "lead" | "trail") => (p[side].heel[0] + p[side].toe[0]) / 2;
  const middle = (foot(sim.poses[first]!, "lead") + foot(sim.poses[first]!, "trail")) / 2;
  const along = (get: (p: Pose) => number) =>
    samples.map((i) => round(get(sim.poses[i]!) - get(sim.poses[first]!)));
  const footTimes = (side: "lead" | "trail", ...names: string[]) =>
    footEvents.filter((e) => e.foot === side && names.includes(e.event)).map((e) => e.t);
  const turn =
    rep.kind === "cycle"
      ? middleTurn(
          turns.map(({ of, t, side }) => ({ of, ms: t, side })),
          from,
          to,
        )
      : null;
  const inAir = (side: "lead" | "trail") =>
    begun(t, footTimes(side, "liftOff"), footTimes(side, "landing"));
  const heelUp = (side: "lead" | "trail") =>
    begun(t, footTimes(side, "heelUp"), footTimes(side, "landing", "heelDown"));
  return {
    t,
    leadShare: samples.map((i) => round(leadShare[i]!)),
    leadShareU: samples.map(() => 0),
    pelvisT: along((p) => p.midHip[0]),
    headT: along((p) => p.head[0]),
    handsT: along((p) => p.midHands[0]),
    comT: samples.map((i) => round(sim.com[i]![0] - sim.com[first]![0])),
    leadFootT: samples.map((i) => round(foot(sim.poses[i]!, "lead") - middle)),
    trailFootT: samples.map((i) => round(foot(sim.poses[i]!, "trail") - middle)),
    leadAir: inAir("lead"),
    trailAir: inAir("trail"),
    leadHeelUp: heelUp("lead"),
    trailHeelUp: heelUp("trail"),
    ...(rep.kind === "pivot" ? { footTurn: turnOfFoot(sim, rep.foot ?? "trail", samples) } : {}),
    ...(turn ? { turn } : {}),
    ...(view === "down-the-line" ? { behind: behindOf(sim, samples, first) } : {}),
  };
}

function turnOfFoot(
  sim: Simulation,
  foot: "lead" | "trail",
  samples: readonly number[],
): NonNullable<RepSeries["footTurn"]> {
  const { turn } = feetAgainst(sim, 0)[foot];
  return { foot, degrees: samples.map((i) => round(turn[i]!)) };
}

function pivotEvents({ t, footTurn }: RepSeries): Record<string, number> {
  if (!footTurn) return {};
  const size = footTurn.degrees.map((d) => Math.abs(d ?? 0));
  const most = Math.max(...size);
  const at = (i: number) => t[i] ?? NaN;
  return {
    pivotStart: at(size.findIndex((d) => d > TURNING * most)),
    pivotPeak: at(size.indexOf(most)),
    pivotBack: at(size.findLastIndex((d) => d > TURNING * most)),
  };
}

function behindOf(
  sim: Simulation,
  samples: readonly number[],
  first: number,
): NonNullable<RepSeries["behind"]> {
  const middle = (p: Pose, end: "heel" | "toe") => (p.lead[end][2] + p.trail[end][2]) / 2;
  const zero = middle(sim.poses[first]!, "heel");
  const places = (get: (p: Pose) => number) => samples.map((i) => round(get(sim.poses[i]!) - zero));
  return {
    heels: places((p) => middle(p, "heel")),
    toes: places((p) => middle(p, "toe")),
    rear: places((p) => rearEdge(p, sim.body)),
  };
}

/** When a measure that has no event of its own is taken, ms. */
function momentsOf(
  sim: Simulation,
  { events, footEvents, leadShare, from }: Truth,
): Movement["at"] {
  const [a, top] = [events.handStart ?? events.address ?? from, events.top];
  const at: Movement["at"] = {};
  if (top !== undefined) {
    const range = Array.from(
      { length: Math.max(1, Math.round(((top - a) / 1000) * TRUTH_HZ)) },
      (_, k) => Math.round((a / 1000) * TRUTH_HZ) + k,
    );
    const least = (of: (i: number) => number) =>
      (range.reduce((best, i) => (of(i) < of(best) ? i : best), range[0]!) * 1000) / TRUTH_HZ;
    at.trailSharePeak = least((i) => leadShare[i]!);
    at.pelvisSway = least((i) => sim.poses[i]!.midHip[0]);
  }
  for (const side of ["lead", "trail"] as const) {
    const landing = footEvents.find(
      (e) => e.foot === side && e.event === "landing" && e.t > (events.address ?? from),
    );
    if (landing) at[`${side}StepLength`] = landing.t;
  }
  return at;
}
