import { findStage, type Stage } from "../drills";
import type { View, CameraFacts, GolferFacts } from "../scene";
import type { RepRules } from "../reps";
import type { ErrorTable, Timed } from "../uncertainty";

export interface AnalyseOptions {
  golfer: GolferFacts;
  /** A drill's id, or "none": measure all, judge nothing. */
  drill: string;
  stage?: string;
  /** The stage itself, of a drill that is not built in. */
  by?: Stage;
  /** Without a drill: the view that was filmed and how reps go. */
  view?: View;
  rules?: RepRules;
  /** What is known of the phone's height and lens. */
  camera?: CameraFacts;
  /**
   * How much later than the picture this phone's sound is, ms, as a clap in set-up told; without
   * it, 0 within 20 ms.
   */
  soundOffset?: Timed;
  /** Pictures a second at which the clip was really filmed, when it plays slower. */
  captureFps?: number;
  /** The golfer has said that it is this drill by this hand, whatever it looks like. */
  sure?: boolean;
  /** Seen by a running camera: it can't be slow motion. */
  live?: boolean;
  /** Perturbed copies behind each uncertainty. */
  samples?: number;
  seed?: number;
  /** What the methods get wrong; the fitted table unless one is being fitted. */
  errors?: ErrorTable;
}

/** What is asked of a track. */
export interface AnalysisRequest {
  options: AnalyseOptions;
  stage: Stage | null;
  rules: RepRules;
  view: View;
}

/**
 * What is asked of a track, by the drill or without one.
 *
 * @throws RangeError when the drill, the stage or the stature makes no sense
 */
export function askedOf(options: AnalyseOptions): AnalysisRequest {
  const { golfer } = options;
  if (!(golfer.statureCm >= 120 && golfer.statureCm <= 220))
    throw new RangeError(`stature must be 120 to 220 cm, got ${golfer.statureCm}`);
  const stage =
    options.by ?? (options.drill === "none" ? null : findStage(options.drill, options.stage).stage);
  return {
    options,
    stage,
    rules: stage?.rules ?? options.rules ?? { kind: "swing", clubAhead: false },
    view: stage?.view ?? options.view ?? "face-on",
  };
}
