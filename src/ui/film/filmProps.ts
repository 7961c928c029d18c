import type { Dose, ViewPart } from "@/core/drills";
import type { BodyAsked } from "@/core/practice";
import type { DayBout } from "@/server/practice/dayDone";
import { type FilmRequest } from "./filmingState";
import type { SetUpProps } from "./setUp";

export interface Props extends FilmRequest {
  drillName: string;
  stageName: string;
  stillStart: boolean;
  /** Which of the parts of a drill with two views this is. */
  part: ViewPart | null;
  /** The swings that a profile is made from. */
  baseline: boolean;
  /** How much of the drill belongs to a day, and what was done today of it and of others. */
  dose: Dose;
  day: readonly DayBout[];
  body: {
    asked: BodyAsked;
    today: string;
    sore: string | null;
    say(when: "before" | "after", part: string | null): Promise<void>;
  };
  /** A film can stand in for a camera. */
  standIn: boolean;
  setUp: SetUpProps;
}
