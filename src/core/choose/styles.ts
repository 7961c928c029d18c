import { withId } from "../maths";
import { STYLES, type Drill, type StyleId, type Styles } from "../drills";

/** A question on which good teachers disagree, with both sides put as their friends would. */
export interface StyleChoice {
  id: StyleId;
  question: string;
  /** What it is about, within a sentence. */
  about: string;
  /** The case for each side, in the order of `STYLES`. */
  sides: readonly [string, string];
  usual: (typeof STYLES)[StyleId][number] | null;
  /** Why that is taken until you say otherwise. */
  because: string;
}

export const STYLE_CHOICES: readonly StyleChoice[] = [
  {
    id: "loading",
    question: "How does the weight go back?",
    about: "how the weight goes back",
    sides: [
      "Let it travel to the trail foot. A little sideways is natural, and there is something to push from.",
      "Turn over the middle. The strike stays where it was, and the back is spared.",
    ],
    usual: "centred",
    because:
      "Smaller moves are kinder to strike and back, and most of the weight still goes onto the trail foot.",
  },
  {
    id: "weightAtTop",
    question: "Where is the weight at the top?",
    about: "where the weight is at the top",
    sides: [
      "Still over the trail foot: wind up fully, then go.",
      "Already on its way to the lead foot: the way down has begun before the club has turned.",
    ],
    usual: "re-centred",
    because: "It can be seen in the picture, as milliseconds before the top.",
  },
  {
    id: "leads",
    question: "What leads the way down?",
    about: "what leads the way down",
    sides: [
      "The arms. A body that waits leaves them room: the remedy when the shoulders spin.",
      "The ground. Feet and hips go first, and the arms follow from them.",
    ],
    usual: "ground up",
    because:
      "It is what the full swing is built on here; arms first is the remedy stage for a body that spins.",
  },
  {
    id: "drives",
    question: "Which side drives the way through?",
    about: "which side drives the way through",
    sides: [
      "The lead side clears: it turns out of the way and pushes back.",
      "The trail side drives: it pushes into a lead side that stands firm.",
    ],
    usual: null,
    because:
      "Your five swings decide: hips that slide want the lead side, hips that stall or weight that hangs back want the trail side.",
  },
  {
    id: "trailFoot",
    question: "What does the trail foot do through the strike?",
    about: "what the trail foot does through the strike",
    sides: [
      "The heel waits, then the foot rolls in and lets go.",
      "It stays flat until the ball is gone: the club comes less from the inside.",
    ],
    usual: "rolls",
    because:
      "It is what a full swing ends in. A flat foot is a feel, for those who come too far from inside.",
  },
  {
    id: "pressesBack",
    question: "What does the trail foot press, going back?",
    about: "what the trail foot presses going back",
    sides: [
      "The heel: the hip goes back and the turn comes of itself.",
      "The big toe: the sole stays down and the knee can't kick out.",
    ],
    usual: "heel",
    because: "It turns most people. The big toe is the remedy for a knee that kicks out.",
  },
];

export const findStyle = (id: StyleId): StyleChoice => withId(STYLE_CHOICES, id);

/**
 * Every question answered: by the golfer, else by what their swings showed (`seen`), else as usual;
 * `drives` may stay open.
 */
export const stylesOf = (chosen: Styles, seen: Styles = {}): Styles => ({
  ...Object.fromEntries(STYLE_CHOICES.flatMap((s) => (s.usual ? [[s.id, s.usual]] : []))),
  ...seen,
  ...chosen,
});

/** The questions on which a drill takes the other side than the golfer. */
export const opposed = (drill: Drill, styles: Styles): StyleId[] =>
  (Object.keys(STYLES) as StyleId[]).filter(
    (id) =>
      drill.styles[id] !== undefined && styles[id] !== undefined && drill.styles[id] !== styles[id],
  );
