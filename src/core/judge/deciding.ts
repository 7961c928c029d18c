import { decides, type RequiredAction, type Stage } from "../drills";
import { CATALOGUE, type Awaited, type MeasureId } from "../measures";
import type { EventName, RepKind } from "../reps";
import { WALK_MS } from "./actions";

/**
 * How long after a deciding instant what is said of it has settled, ms: filters that look ahead
 * have seen enough. Twice as long as the fit set's last answer took that turned into its opposite
 * (tools/fit/settle.ts).
 */
export const SETTLES_MS = 400;

/** What of a rep has been found, as an analysis gives it. */
interface FoundEvents {
  kind: RepKind;
  events: Partial<Record<EventName, { t: number }>>;
  footEvents: readonly { foot: "lead" | "trail"; event: string; t: number }[];
  to: number;
}

const awaitedBy = (id: MeasureId): readonly Awaited[] => CATALOGUE[id].waitsFor;

/**
 * *Deciding instant* of a rep, ms: the latest event, landing or end that one of the stage's musts,
 * limits or actions waits for. Null while one of them has not been found.
 *
 * @example decidingInstant(findStage("double-step").stage, rep) // top, or the lead foot's landing,
 * or the strike
 */
export function decidingInstant(
  stage: Pick<Stage, "checks" | "actions">,
  rep: FoundEvents,
): number | null {
  const heldMs = holdOf(stage) * 1000;
  const musts = stage.checks
    .filter(decides)
    .flatMap((c) => awaitedBy(c.measure).map((a) => timeOf(a, rep, heldMs)));
  // A rehearsal is over when the movement is.
  if (!musts.length && !stage.actions.length)
    return timeOf("finish", rep, heldMs) ?? timeOf("end", rep, heldMs);
  return latest([...musts, ...stage.actions.map((a) => timeOfAction(a, rep, heldMs))]);
}

/**
 * Whether all that a stage asks of a rep is known at its top, as a rule: steps before it, positions
 * up to it.
 */
export function decidesByTop({ checks, actions }: Pick<Stage, "checks" | "actions">): boolean {
  const asked = [
    ...checks.filter(decides).flatMap((c) => awaitedBy(c.measure)),
    ...actions.flatMap(({ need }) =>
      need.kind === "measure"
        ? awaitedBy(need.measure)
        : need.kind === "step" && "before" in need
          ? []
          : ["strike" as const],
    ),
  ];
  return asked.length + actions.length > 0 && asked.every((a) => BY_TOP.has(a));
}
const BY_TOP: ReadonlySet<Awaited> = new Set([
  "address",
  "handStart",
  "recentre",
  "top",
  "leadLanding",
  "trailLanding",
]);

/**
 * How long a stage's position is to be held, s: what its check of that asks at least, else as long
 * as a wobble shows.
 */
export const holdOf = (stage: Pick<Stage, "checks">): number =>
  stage.checks.find((c) => c.measure === "holdTime")?.band[0] ?? WOBBLES_S;
/**
 * From 0.3 s on a wobble counts (docs/movement.md, balance); a swing that is not held for this long
 * has not ended in balance, s.
 */
const WOBBLES_S = 1;

const latest = (times: readonly (number | null)[]): number | null =>
  times.some((t) => t === null) ? null : Math.max(...(times as number[]));

const strikeOf = (rep: FoundEvents): number | null =>
  rep.events.impact?.t ?? rep.events.release?.t ?? null;

function timeOf(awaited: Awaited, rep: FoundEvents, heldMs: number): number | null {
  switch (awaited) {
    case "end":
      return rep.kind === "hold" ? timeOf("held", rep, heldMs) : rep.to;
    case "held": {
      const taken = rep.events.taken?.t ?? rep.events.finish?.t;
      return rep.events.lost?.t ?? (taken === undefined ? null : taken + heldMs);
    }
    case "strike":
      return strikeOf(rep);
    case "leadLanding":
    case "trailLanding": {
      // Whether a foot that has not landed will is known at the strike at the latest.
      const foot = awaited === "leadLanding" ? "lead" : "trail";
      return (
        rep.footEvents.filter((e) => e.foot === foot && e.event === "landing").at(-1)?.t ??
        strikeOf(rep)
      );
    }
    // Weight that never fell below the middle does not cross it: that is known at the top.
    case "recentre":
      return rep.events.recentre?.t ?? rep.events.top?.t ?? null;
    default:
      return rep.events[awaited]?.t ?? null;
  }
}

function timeOfAction({ need }: RequiredAction, rep: FoundEvents, heldMs: number): number | null {
  switch (need.kind) {
    case "bothLand":
      return rep.to;
    case "measure":
      return latest(awaitedBy(need.measure).map((a) => timeOf(a, rep, heldMs)));
    case "step": {
      const landed = rep.footEvents.filter((e) => e.foot === need.foot && e.event === "landing");
      if ("before" in need)
        return (
          landed.at(-1)?.t ?? (need.before === "top" ? (rep.events.top?.t ?? null) : strikeOf(rep))
        );
      const hit = strikeOf(rep);
      return hit === null ? null : (landed.find((e) => e.t > hit)?.t ?? hit + WALK_MS);
    }
  }
}
