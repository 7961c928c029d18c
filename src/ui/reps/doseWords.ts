import type { Dose } from "@/core/drills";
import type { DoseOfDay } from "@/core/practice";
import { capital } from "@/ui/kit/capital";
import { inWords } from "@/ui/kit/inWords";

/**
 * How far the dose of the day has come, and what is next of it; of a day that is over only how far.
 */
export function doseWords(
  { sets, of, missed, again, done }: DoseOfDay,
  { school, reps }: Dose,
  today = true,
): string {
  if (done)
    return today
      ? "That is the dose of today: more of it is better tomorrow than now."
      : "That was the day’s dose.";
  const day = today ? "today" : "that day";
  const words =
    school !== "counted sets"
      ? `${inWords(sets)} of ${inWords(of)} sets ${day}.${today ? " Take a minute before the next." : ""}`
      : `${again && today ? "A set with a miss does not count: do it again. " : ""}${inWords(sets)} ` +
        `of ${inWords(of)} sets of ${inWords(reps)} without a miss ` +
        `${day}${missed ? `, ${inWords(missed)} with one` : ""}.`;
  return capital(words);
}
