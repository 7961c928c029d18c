import { middleMs, type AnalysedRep, type Analysis } from "../analysis";
import type { Stage } from "../drills";
import { decidesByTop, decidingInstant, holdOf, SETTLES_MS } from "../judge";
import { foundByArms } from "../reps";
import { roughReps } from "../track";
import { SAME_MS, sameRep } from "./sameRep";
import { armsRaised, evenly, type Look, type Stance } from "./stance";

/** A part of what was seen that is to be judged now; ms on the camera's clock. */
export interface Attempt {
  from: number;
  to: number;
  /** Whatever is known then is said. */
  last: boolean;
  /**
   * Only to know when it can be judged: what was followed in the picture is not needed for that.
   */
  rough: boolean;
  /**
   * All of it that could tell more has been looked at: what is open by its deciding instant stays
   * so.
   */
  all?: boolean;
}

/** A rep that has been decided: its middle, span and deciding instant, ms on the camera's clock. */
export interface Decided {
  rep: AnalysedRep;
  about: number;
  from: number;
  to: number;
  deciding: number | null;
}

/** What came of an attempt. */
interface Outcome {
  decided: Decided[];
  /** What had been found is none. */
  nothing: boolean;
}

/** Watches the looks of a running camera for reps of one stage, and says when to judge what. */
export interface RepWatch {
  /**
   * @param looks since a few seconds before the last answer
   * @returns what to judge now, and whether a rep has newly been found
   */
  next(looks: readonly Look[], stance: Stance): { attempt: Attempt | null; found: boolean };
  /**
   * Whether all that decides has been seen and it is no pass: then a closer look is worth its time.
   */
  closer(attempt: Attempt, analysis: Analysis): boolean;
  /** Takes the analysis of what was asked for, whose own clock begins at `attempt.from`. */
  take(attempt: Attempt, analysis: Pick<Analysis, "reps">): Outcome;
}

/**
 * A rep is looked at this long before its rough top at most (a slow one as `reps/split` has it),
 * and the next one begins so long after its lowest hands at the earliest, ms.
 */
const BEFORE_TOP_MS = 4000;
const BEFORE_SLOW_TOP_MS = 6000;
const AFTER_LOW_MS = 900;
/** What is still open is judged again after this, ms. */
const AGAIN_MS = 250;
/** After its finish a rep is open, and recorded, for this long, ms. */
export const AFTER_END_MS = 500;
/**
 * What is not decided so long after its deciding instant is said to be open, ms: the golfer has set
 * up again by then.
 */
const LATEST_MS = 2000;
/** A swing without a finish is over so long after its lowest hands, ms. */
const LONGEST_THROUGH_MS = 3000;
/** A swing from its way back to its way through lasts no longer, ms; and a slow one. */
const SWING_MS = 4500;
const SLOW_SWING_MS = 9000;
const LEAST_LOOKS = 8;
/** A swing is looked for so often, ms: it is found well before anything of it has settled. */
const LOOKED_FOR_MS = 30;
/** A rough top may be so much earlier than the top, ms (`reps/split`). */
const ROUGH_TOP_MS = 100;
/** When a swing will be decided is known so long after its lowest hands, as a rule, ms. */
const KNOWN_MS = 200;

export const watchFor = (stage: Stage): RepWatch =>
  foundByArms(stage.rules) ? new SwingWatch(stage) : new SpellWatch(stage);

const NONE: Outcome = { decided: [], nothing: false };

/**
 * Whether all that a stage asks of a rep is decided by what was seen up to a time, or will not be
 * decided by more.
 */
function ready(
  stage: Stage,
  rep: AnalysedRep,
  to: number,
  all = false,
): { ready: boolean; deciding: number | null; again: number } {
  const deciding = decidingInstant(stage, rep);
  if (deciding === null) return { ready: false, deciding, again: to + AGAIN_MS };
  if (to < deciding + SETTLES_MS) return { ready: false, deciding, again: deciding + SETTLES_MS };
  const said = rep.verdict?.result;
  const over = rep.events.finish !== undefined && to >= rep.events.finish.t + AFTER_END_MS;
  const late = to >= deciding + LATEST_MS;
  return {
    ready: said === "pass" || said === "fail" || over || late || all,
    deciding,
    again: to + AGAIN_MS,
  };
}

const worthCloser = (stage: Stage, rep: AnalysedRep, { from, to, last }: Attempt): boolean => {
  const deciding = decidingInstant(stage, rep);
  return (
    rep.verdict?.result !== "pass" &&
    (last || (deciding !== null && to - from >= deciding + SETTLES_MS))
  );
};

const decidedAt = (rep: AnalysedRep, from: number, deciding: number | null): Decided => ({
  rep,
  about: from + middleMs(rep),
  from: from + rep.from,
  to: from + rep.to,
  deciding: deciding === null ? null : from + deciding,
});

/** Swings, steps and gestures of the hands: found by the arms. */
class SwingWatch implements RepWatch {
  private doneUntil = -Infinity;
  private open: { top: number; low: number; nextAt: number; rough: boolean } | null = null;
  private lookedFor = -Infinity;

  constructor(private readonly stage: Stage) {}

  next(looks: readonly Look[]): { attempt: Attempt | null; found: boolean } {
    const now = looks.at(-1)?.t;
    if (now === undefined) return { attempt: null, found: false };
    let found = false;
    if (!this.open) {
      // A swing is found when the arms have come up again after it.
      if (now < this.lookedFor + LOOKED_FOR_MS || !armsRaised(looks.at(-1)!))
        return { attempt: null, found };
      this.lookedFor = now;
      const fresh = looks.filter(
        (l) =>
          l.t > this.doneUntil && l.t > now - (this.stage.rules.slow ? SLOW_SWING_MS : SWING_MS),
      );
      if (fresh.length < LEAST_LOOKS) return { attempt: null, found };
      const even = evenly(fresh);
      const [swing] = roughReps(even);
      if (!swing) return { attempt: null, found };
      const low = even.times[swing.low]!;
      // What is decided by the top has settled when a swing is found: there is nothing to wait for.
      const rough = !decidesByTop(this.stage);
      this.open = {
        top: even.times[swing.top]!,
        low,
        nextAt: rough ? low + KNOWN_MS : even.times[swing.top]! + ROUGH_TOP_MS + SETTLES_MS,
        rough,
      };
      found = true;
    }
    if (now < this.open.nextAt) return { attempt: null, found };
    const last = now >= this.open.low + LONGEST_THROUGH_MS + holdOf(this.stage) * 1000;
    return {
      found,
      attempt: {
        from: Math.max(
          this.doneUntil,
          this.open.top - (this.stage.rules.slow ? BEFORE_SLOW_TOP_MS : BEFORE_TOP_MS),
        ),
        to: now,
        last,
        rough: this.open.rough && !last,
      },
    };
  }

  take(attempt: Attempt, analysis: Pick<Analysis, "reps">): Outcome {
    const { open, stage } = this;
    if (!open) return NONE;
    const rep = this.own(attempt, analysis);
    if (attempt.rough) {
      const deciding = rep ? decidingInstant(stage, rep) : null;
      open.rough = deciding === null;
      open.nextAt =
        deciding === null ? attempt.to + AGAIN_MS / 2 : attempt.from + deciding + SETTLES_MS;
      return NONE;
    }
    if (!rep && !attempt.last) {
      open.nextAt = attempt.to + AGAIN_MS;
      return NONE;
    }
    if (!rep) return this.close(NONE.decided, open.low, true);
    const state = ready(stage, rep, attempt.to - attempt.from, attempt.all);
    if (state.ready || attempt.last)
      return this.close([decidedAt(rep, attempt.from, state.deciding)], open.low, false);
    open.nextAt = attempt.from + state.again;
    return NONE;
  }

  closer(attempt: Attempt, analysis: Analysis): boolean {
    const rep = this.own(attempt, analysis);
    return rep !== undefined && worthCloser(this.stage, rep, attempt);
  }

  private own(attempt: Attempt, analysis: Pick<Analysis, "reps">): AnalysedRep | undefined {
    return analysis.reps.find((r) => sameRep(middleMs(r), this.open!.top - attempt.from));
  }

  private close(decided: Decided[], low: number, nothing: boolean): Outcome {
    this.open = null;
    this.doneUntil = low + AFTER_LOW_MS;
    return { decided, nothing };
  }
}

/**
 * A spell is read from this long before its first motion, and no more of it than this, ms: less
 * than the looks and pictures that are kept.
 */
const BEFORE_SPELL_MS = 2500;
const LONGEST_SPELL_MS = 11_000;
/**
 * A spell that is longer is read on from one of its own reps, of the last so many ms: so its turns
 * are counted from the same side.
 */
const READ_ON_MS = 6000;
/**
 * A rep is read from this much before it, share of its own time: after the turn before, so that its
 * own is the first.
 */
export const BEFORE_REP = 0.35;
/**
 * A rep that begins so much before the end of the last one, share of its own time, is that one
 * again, or half of it and half of the next.
 */
const OVERLAPS = 0.25;
/** It is judged so often while it lasts, and is over when nothing has moved for so long, ms. */
const EVERY_MS = 700;
const RESTS_MS = 1500;

/**
 * Cycles, pivots, holds and hips alone: a spell of motion is judged again and again, and each rep
 * in it answered once.
 */
class SpellWatch implements RepWatch {
  private doneUntil = -Infinity;
  private spell: { from: number; restedAt: number | null; nextAt: number } | null = null;
  private answered = -Infinity;
  /** Reps of the spell that were told; and from where it is read, when it is a long one. */
  private told: { from: number; to: number }[] = [];
  private onFrom = -Infinity;

  constructor(private readonly stage: Stage) {}

  /** A hold, or hips alone, is one rep a spell. */
  private get single(): boolean {
    return this.stage.rules.kind === "hold" || this.stage.rules.hipsOnly === true;
  }

  next(looks: readonly Look[], stance: Stance): { attempt: Attempt | null; found: boolean } {
    const now = looks.at(-1)?.t;
    if (now === undefined || now <= this.doneUntil) return { attempt: null, found: false };
    let found = false;
    if (!this.spell) {
      if (!stance.present || !stance.settled || stance.still) return { attempt: null, found };
      this.spell = { from: now, restedAt: null, nextAt: now + 2 * EVERY_MS };
      found = this.single;
    }
    const { spell } = this;
    spell.restedAt = stance.still ? (spell.restedAt ?? now) : null;
    const rested =
      spell.restedAt !== null &&
      now - spell.restedAt >= RESTS_MS + (this.single ? holdOf(this.stage) * 1000 : 0);
    if (now < spell.nextAt && !rested) return { attempt: null, found };
    spell.nextAt = now + EVERY_MS;
    const from = Math.max(
      this.doneUntil,
      looks[0]!.t,
      spell.from - BEFORE_SPELL_MS,
      this.single ? -Infinity : this.readFrom(now),
    );
    return { found, attempt: { from, to: now, last: rested, rough: false } };
  }

  /** Where a long spell is read from. */
  private readFrom(now: number): number {
    if (
      this.spell &&
      now - Math.max(this.spell.from - BEFORE_SPELL_MS, this.onFrom) > LONGEST_SPELL_MS
    ) {
      const one = this.told.find((r) => r.from >= now - READ_ON_MS);
      this.onFrom = one ? one.from - BEFORE_REP * (one.to - one.from) : now - READ_ON_MS;
    }
    return this.onFrom;
  }

  closer(attempt: Attempt, analysis: Analysis): boolean {
    return analysis.reps.some((rep) => worthCloser(this.stage, rep, attempt));
  }

  take(attempt: Attempt, analysis: Pick<Analysis, "reps">): Outcome {
    const decided: Decided[] = [];
    for (const rep of analysis.reps) {
      const state = ready(this.stage, rep, attempt.to - attempt.from);
      const one = decidedAt(rep, attempt.from, state.deciding);
      const settled =
        state.deciding !== null && attempt.to - attempt.from >= state.deciding + SETTLES_MS;
      const again =
        one.about <= this.answered + SAME_MS ||
        (!this.single &&
          one.from < (this.told.at(-1)?.to ?? -Infinity) - OVERLAPS * (one.to - one.from));
      if (again || !(this.single ? state.ready || attempt.last : settled || attempt.last)) continue;
      this.answered = one.about;
      this.told.push({ from: one.from, to: one.to });
      decided.push(one);
    }
    const over = attempt.last || (this.single && decided.length > 0);
    if (over) {
      this.spell = null;
      this.told = [];
      this.onFrom = -Infinity;
      this.doneUntil = attempt.to;
    }
    return { decided, nothing: over && this.single && !decided.length };
  }
}
