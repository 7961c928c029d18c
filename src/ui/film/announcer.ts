import { summaryOf, type Verdict } from "@/core/judge";
import type { Sound } from "@/core/live";
import { isAnswered } from "@/core/practice";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import { aimWords, toPutRight } from "./aimWords";
import { countedReps, type FilmingState, type FilmRequest } from "./filmingState";
import type { Voice } from "./sounds";

const ANSWERS: ReadonlySet<Sound> = new Set(["pass", "fail", "not judged"]);
/** What is to be put right is spoken again after this, ms. */
const SPOKEN_AGAIN_MS = 6000;
/** A cue is spoken when the fail's own sound is over, ms. */
const SPOKEN_AFTER_MS = 650;

/** Says what the golfer hears while they stand away from the screen. */
export class Announcer {
  private spokenAt = -Infinity;
  /** The golfer did not want to hear the last answer. */
  private quiet = false;

  constructor(
    private readonly voice: Voice,
    private readonly request: Pick<FilmRequest, "view" | "hand">,
  ) {}

  /** Speaks what is wrong with how the phone stands, when that is something else than before. */
  aim(was: LoopShown | null, loop: LoopShown): void {
    const wrong = toPutRight(loop);
    if (!wrong) return;
    if (
      was?.aim?.wrong?.fault === wrong.fault &&
      performance.now() - this.spokenAt < SPOKEN_AGAIN_MS
    )
      return;
    this.spokenAt = performance.now();
    this.voice.say(aimWords(wrong, this.request.view, this.request.hand).word);
  }

  /**
   * A rep was judged: speaks its cue.
   *
   * @returns whether the golfer wants to hear this answer
   */
  verdict(verdict: Verdict, state: Pick<FilmingState, "before" | "loop" | "feedback">): boolean {
    const reps = [...countedReps(state).map((r) => r.told), summaryOf(verdict)];
    this.quiet = !isAnswered(state.feedback, reps);
    if (!this.quiet && verdict.result === "fail" && verdict.cue) {
      const { words } = verdict.cue;
      setTimeout(() => this.voice.say(words), SPOKEN_AFTER_MS);
    }
    return !this.quiet;
  }

  /** An answer that the golfer does not want to hear sounds as any rep that was seen. */
  sound(sound: Sound): void {
    this.voice.play(this.quiet && ANSWERS.has(sound) ? "seen" : sound);
  }
}
