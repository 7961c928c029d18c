import { assign, emit, setup, type SnapshotFrom } from "xstate";
import type { RepRules } from "../reps";
import { isRehearsal, type Verdict } from "../judge";
import type { Aim } from "../film";
import type { Stance } from "./stance";

/** One answered rep: when its middle was (ms on the camera's clock), and what was said. */
export interface LoopAnswer {
  id: string;
  at: number;
  verdict: Verdict;
}

/** What keeps reps from being seen, each with its own words on screen. */
export type Obstacle = "phone moved" | "somebody in the way" | "dark" | "camera lost" | "hidden";

/** Each has a sound of its own; `bout done` ends a bout. */
export type Sound =
  | "looking"
  | "settle"
  | "aimed"
  | "armed"
  | "seen"
  | "pass"
  | "fail"
  | "not judged"
  | "paused"
  | "bout done"
  | "trouble";

export interface LoopInput {
  /** Reps of a bout; and how many of it were counted before the loop began. */
  reps: number;
  already: number;
  /** A still spell arms it; else a body that has taken its place does. */
  stillStart: boolean;
}

interface LoopContext extends LoopInput {
  answers: LoopAnswer[];
  /** Since when (ms) the present state's own condition holds; null while it does not. */
  since: number | null;
  obstacle: Obstacle | null;
  /** Reps that were found and have not been answered. */
  open: number;
  /**
   * Since when both arms are up; they must have been down since the last time that this did
   * something.
   */
  armsUpSince: number | null;
  armsWereDown: boolean;
  /** How the phone stands, as far as is known; and since when its present fault has been told. */
  aim: Aim | null;
  faultSince: number | null;
  /**
   * The phone has been found to stand well, or well enough: what only tells less is not said again
   * until it is moved.
   */
  aimed: boolean;
  /** The golfer films although something is wrong. */
  anyway: boolean;
}

export type LoopEvent =
  | { type: "stance"; t: number; stance: Stance }
  /** A rep is there: it is being judged. */
  | { type: "found" }
  | { type: "answered"; answer: LoopAnswer }
  /** What was found came to nothing. */
  | { type: "nothing" }
  /** A later, closer reading says otherwise. */
  | { type: "corrected"; id: string; verdict: Verdict }
  /** The golfer says that a rep does not count. */
  | { type: "withdrawn"; id: string }
  | { type: "obstacle"; obstacle: Obstacle | null }
  /** How the phone stands; told while nobody swings. */
  | { type: "aim"; t: number; aim: Aim }
  /** The golfer wants to be filmed although something is wrong. */
  | { type: "anyway" }
  | { type: "pause" }
  | { type: "resume" }
  | { type: "end" }
  | { type: "next bout" };

/** A still spell that arms, and somebody's standing in their place that does, ms. */
const ARMS_AFTER = { still: 300, settled: 500 };
/** Nobody for this long, ms: they have walked off. */
const GONE_MS = 1200;
/**
 * Both arms up for this long, ms, pauses and goes on: no swing holds both hands over the head while
 * the feet are still.
 */
const ARMS_UP_MS = 1000;
/** A motion that comes to rest without a rep was a waggle, or a start that was given up, ms. */
const FALSE_START_MS = 600;

/**
 * What only tells less holds nobody up longer than this, ms: time to hear it, walk to the phone's
 * side and back once.
 */
const ADVICE_MS = 8000;

/**
 * What keeps a golfer from being armed: that nothing has been told of the set-up yet; what spoils
 * every rep always, what only tells less for a while, and before the first rep alone.
 */
function heldUp({ aim, faultSince, aimed, anyway, stillStart }: LoopContext, t: number): boolean {
  if (!aim || anyway) return false;
  // Who begins moving may never stand so that it can be told.
  if (!aim.wrong) return stillStart && !aimed && !aim.told;
  return aim.wrong.blocks || (!aimed && !held(faultSince, t, ADVICE_MS));
}

const held = (since: number | null, t: number, ms: number) => since !== null && t - since >= ms;

/**
 * Which kinds are armed by a still spell: nobody is taught to freeze in order to be seen
 * (docs/movement.md, rep kinds).
 */
export const startsStill = (rules: Pick<RepRules, "kind" | "movingStart">): boolean =>
  !rules.movingStart &&
  (rules.kind === "swing" || rules.kind === "step-swing" || rules.kind === "gesture");

/**
 * *The rep loop*: looking → settling → armed → moving → judging → armed … until the bout is done.
 * It knows nothing of camera and screen: it is told how the golfer stands, which reps were found
 * and what was said of them, and says in which state it is and which sound belongs to it.
 */
export const repLoop = setup({
  types: {
    context: {} as LoopContext,
    input: {} as LoopInput,
    events: {} as LoopEvent,
    emitted: {} as { type: "sound"; sound: Sound },
  },
  guards: {
    armsUp: ({ context, event }) =>
      event.type === "stance" && held(context.armsUpSince, event.t, ARMS_UP_MS),
    gone: ({ context, event }) =>
      event.type === "stance" && !event.stance.present && held(context.since, event.t, GONE_MS),
    present: ({ event }) => event.type === "stance" && event.stance.present,
    ready: ({ context, event }) =>
      event.type === "stance" &&
      held(context.since, event.t, context.stillStart ? ARMS_AFTER.still : ARMS_AFTER.settled) &&
      !heldUp(context, event.t),
    righted: ({ context, event }) =>
      event.type === "aim" &&
      !context.aimed &&
      context.aim?.wrong !== undefined &&
      context.aim.wrong !== null &&
      context.aim.wrong.fault !== "nobody" &&
      event.aim.wrong === null,
    moving: ({ event }) => event.type === "stance" && event.stance.moving,
    rested: ({ context, event }) =>
      event.type === "stance" && held(context.since, event.t, FALSE_START_MS),
    last: ({ context }) => context.open <= 1,
    lastOfBout: ({ context, event }) =>
      event.type === "answered" && context.already + context.answers.length + 1 >= context.reps,
  },
  actions: {
    sound: emit((_, sound: Sound) => ({ type: "sound" as const, sound })),
    answer: assign(({ context, event }) =>
      event.type === "answered"
        ? { answers: [...context.answers, event.answer], open: Math.max(0, context.open - 1) }
        : {},
    ),
    sayAnswer: emit(({ event }) => ({
      type: "sound" as const,
      sound:
        event.type === "answered" && !isRehearsal(event.answer.verdict)
          ? event.answer.verdict.result
          : ("seen" as const),
    })),
    found: assign(({ context }) => ({ open: context.open + 1 })),
    nothing: assign(({ context }) => ({ open: Math.max(0, context.open - 1) })),
    block: assign(({ event }) =>
      event.type !== "obstacle"
        ? {}
        : {
            obstacle: event.obstacle,
            ...(event.obstacle === "phone moved"
              ? { aim: null, faultSince: null, aimed: false, anyway: false }
              : {}),
          },
    ),
    afresh: assign({ since: null, armsUpSince: null }),
    newBout: assign({ answers: [], already: 0, since: null, armsUpSince: null, open: 0 }),
    arms: assign(({ context, event }) => {
      if (event.type !== "stance") return {};
      const { armsUp, settled } = event.stance;
      if (!armsUp) return { armsUpSince: null, armsWereDown: true };
      return {
        armsUpSince: settled && context.armsWereDown ? (context.armsUpSince ?? event.t) : null,
      };
    }),
    aim: assign(({ context, event }) =>
      event.type === "aim"
        ? {
            aim: event.aim,
            faultSince:
              event.aim.wrong?.fault === context.aim?.wrong?.fault
                ? (context.faultSince ?? event.t)
                : event.t,
          }
        : {},
    ),
    armsUsed: assign({ armsWereDown: false, armsUpSince: null }),
    /** Keeps since when the condition of waiting holds: ready to begin. */
    waitReady: assign(({ context, event }) => {
      if (event.type !== "stance") return {};
      const { stance, t } = event;
      const holds = context.stillStart
        ? stance.still && !stance.armsUp
        : stance.settled && !stance.armsUp;
      return { since: holds ? (context.since ?? t) : null };
    }),
    waitGone: assign(({ context, event }) =>
      event.type !== "stance"
        ? {}
        : { since: event.stance.present ? null : (context.since ?? event.t) },
    ),
    waitRest: assign(({ context, event }) =>
      event.type !== "stance"
        ? {}
        : { since: event.stance.moving ? null : (context.since ?? event.t) },
    ),
    withdraw: assign(({ context, event }) =>
      event.type === "withdrawn"
        ? { answers: context.answers.filter((a) => a.id !== event.id) }
        : {},
    ),
    correct: assign(({ context, event }) =>
      event.type === "corrected"
        ? {
            answers: context.answers.map((a) =>
              a.id === event.id ? { ...a, verdict: event.verdict } : a,
            ),
          }
        : {},
    ),
  },
}).createMachine({
  id: "repLoop",
  context: ({ input }) => ({
    ...input,
    answers: [],
    since: null,
    obstacle: null,
    open: 0,
    armsUpSince: null,
    armsWereDown: true,
    aim: null,
    faultSince: null,
    aimed: false,
    anyway: false,
  }),
  initial: "looking",
  on: {
    obstacle: [
      { guard: ({ event }) => event.obstacle !== null, target: ".blocked", actions: "block" },
      { actions: "block" },
    ],
    // A rep that is under way when the golfer goes off, or the phone is knocked, is answered all
    // the same.
    answered: [
      { guard: "lastOfBout", target: ".done", actions: ["answer", "sayAnswer"] },
      { actions: ["answer", "sayAnswer"] },
    ],
    found: { actions: "found" },
    nothing: { actions: "nothing" },
    corrected: { actions: "correct" },
    withdrawn: { actions: "withdraw" },
    anyway: { actions: assign({ anyway: true }) },
    aim: { actions: "aim" },
    pause: ".paused",
    end: ".done",
  },
  states: {
    /** Nobody is there. */
    looking: {
      entry: ["afresh", { type: "sound", params: "looking" }],
      on: { stance: { guard: "present", target: "settling" } },
    },
    /** Somebody is: not ready yet. */
    settling: {
      entry: ["afresh", { type: "sound", params: "settle" }],
      on: {
        stance: [
          { guard: "armsUp", target: "paused", actions: "armsUsed" },
          { guard: ({ event }) => !event.stance.present, target: "leaving" },
          { guard: "ready", target: "armed" },
          { actions: ["waitReady", "arms"] },
        ],
        aim: [
          { guard: "righted", actions: ["aim", { type: "sound", params: "aimed" }] },
          { actions: "aim" },
        ],
        found: { target: "judging", actions: "found" },
      },
    },
    /** Not seen for a moment. */
    leaving: {
      entry: "afresh",
      on: {
        stance: [
          { guard: "present", target: "settling" },
          { guard: "gone", target: "looking" },
          { actions: "waitGone" },
        ],
        found: { target: "judging", actions: "found" },
      },
    },
    armed: {
      entry: ["afresh", assign({ aimed: true }), { type: "sound", params: "armed" }],
      on: {
        stance: [
          { guard: "armsUp", target: "paused", actions: "armsUsed" },
          { guard: "moving", target: "moving", actions: "arms" },
          { guard: ({ event }) => !event.stance.present, target: "leaving" },
          { actions: "arms" },
        ],
        found: { target: "judging", actions: "found" },
      },
    },
    /** Something goes on: a rep, a waggle, or a ball being placed. */
    moving: {
      entry: assign({ since: null }),
      on: {
        stance: [
          { guard: "armsUp", target: "paused", actions: "armsUsed" },
          { guard: ({ event }) => !event.stance.present, target: "leaving" },
          { guard: "rested", target: "settling" },
          { actions: ["waitRest", "arms"] },
        ],
        found: { target: "judging", actions: "found" },
      },
    },
    judging: {
      entry: ["afresh", { type: "sound", params: "seen" }],
      on: {
        answered: [
          { guard: "lastOfBout", target: "done", actions: ["answer", "sayAnswer"] },
          { guard: "last", target: "settling", actions: ["answer", "sayAnswer"] },
          { actions: ["answer", "sayAnswer"] },
        ],
        nothing: [
          { guard: "last", target: "settling", actions: "nothing" },
          { actions: "nothing" },
        ],
      },
    },
    /** Something keeps reps from being seen; when it is over it begins anew. */
    blocked: {
      entry: ["afresh", { type: "sound", params: "trouble" }],
      on: {
        obstacle: [
          { guard: ({ event }) => event.obstacle === null, target: "looking", actions: "block" },
          { actions: "block" },
        ],
      },
    },
    paused: {
      entry: ["afresh", { type: "sound", params: "paused" }],
      on: {
        stance: [{ guard: "armsUp", target: "settling", actions: "armsUsed" }, { actions: "arms" }],
        resume: [
          { guard: ({ context }) => context.obstacle !== null, target: "blocked" },
          { target: "settling" },
        ],
        // Who has paused, or is done, takes up the phone: that ends neither.
        obstacle: { actions: "block" },
      },
    },
    done: {
      entry: ["afresh", { type: "sound", params: "bout done" }],
      on: {
        answered: { actions: ["answer", "sayAnswer"] },
        obstacle: { actions: "block" },
        "next bout": { target: "settling", actions: "newBout" },
      },
    },
  },
});

/** The state of the loop with all that it remembers; and its name alone. */
export type LoopSnapshot = SnapshotFrom<typeof repLoop>;
export type LoopState = LoopSnapshot["value"];
