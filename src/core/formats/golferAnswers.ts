import { z } from "zod";
import { CANT_SHOW, isLine } from "./shownText";

/**
 * What is asked once of a golfer, with the words for a wrong answer. Stature in cm; the form turns
 * inches into it.
 */
export const golferAnswers = z.object({
  name: z
    .string()
    .trim()
    .min(1, "Give a name.")
    .max(60, "60 letters at most.")
    .refine(isLine, CANT_SHOW),
  hand: z.enum(["left", "right"], "Say which hand you play."),
  statureCm: z
    .number("Say how tall you are.")
    .min(120, "Between 120 and 220 cm (3′ 11″ and 7′ 3″).")
    .max(220, "Between 120 and 220 cm (3′ 11″ and 7′ 3″)."),
  units: z.enum(["cm", "inch"]),
  keepFilm: z.boolean(),
});

/** Fingertip to fingertip, cm; null when it is not known. */
export const armSpan = z
  .number("Say how far your fingertips reach.")
  .min(110, "Between 110 and 240 cm.")
  .max(240, "Between 110 and 240 cm.")
  .nullable();

export type GolferAnswers = z.infer<typeof golferAnswers>;
