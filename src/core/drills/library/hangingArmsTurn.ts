import { armsOnly, swing } from "../../figure";
import type { Drill, Stage } from "../drill";
import { advice, CAUTIONS, fault, limit, must, PHONE, RULES, vary } from "../parts";

const base = {
  loadedAt: 0.8,
  gap: 40,
  still: 0.6,
  back: 1.0,
  down: 0.4,
  rock: { share: 72, lead: 0.4 },
  share: { loaded: 20, top: 66, impact: 80, finish: 90 },
  pelvis: { top: -40, impact: 40, beforeTop: 0.2 },
  thorax: { top: -70, impact: 22 },
  tilt: { address: 2, top: 2, impact: 8 },
  rise: { drop: -2.5 },
};
export const good = vary(armsOnly, { ...base, size: 0.6 });
export const withClub = vary(swing, { ...base, size: 0.6, down: 0.32 });

/** One lens tells the hips' turn back within 57 ms, and often not at all (docs/decisions/17). */
const ORDER = {
  name: "whether the hips went before the hands",
  question: "Did the hips start down before the hands?",
};
const checks: Stage["checks"] = [
  advice({
    measure: "slideBeforeHands",
    name: "Hips go before the hands",
    band: [40, null],
    target: 140,
    fault: -40,
    phase: "top",
    below: ["Hips, then hands", "Shift toward the target while the arms still float back."],
  }),
  advice({
    measure: "elbowAngleMinAddressToTop",
    name: "Arms hang long",
    band: [145, null],
    target: 165,
    fault: 110,
    phase: "backswing",
    below: ["Longer arms", "Let both arms hang from the shoulders."],
  }),
  limit({
    measure: "handHeightTop",
    name: "Hands below the shoulders",
    band: [null, 0],
    target: -12,
    fault: 14,
    phase: "top",
    above: ["Lower hands", "No higher than the chest."],
  }),
  must({
    measure: "leadSharePeakBeforeHands",
    name: "Rocks toward the target first",
    band: [56, null],
    target: 68,
    fault: 46,
    phase: "action",
    point: true,
    below: ["Rock forward first", "Go to the lead foot, then back."],
  }),
  limit({
    measure: "pelvisBeforeHands",
    name: "Hips turn back before the hands",
    band: [60, null],
    target: 180,
    fault: -40,
    phase: "top",
    below: ["Belt turns first", "Let the belt start back before the arms do."],
  }),
  advice({
    measure: "pelvisDropTransition",
    name: "Hips sink",
    band: [null, 0],
    target: -2,
    fault: 2,
    phase: "downswing feet",
    above: ["Sink first", "Sit a little before you turn."],
  }),
];
const faults = (make: typeof good | typeof withClub) => [
  fault(
    "no-rock",
    "Starts from the middle",
    "lead-share-peak-before-hands",
    "The weight does not go to the lead foot before it goes back.",
    make({ rock: { share: 42, lead: 0.4 }, share: { address: 44 } }),
  ),
];

export const drill: Drill = {
  id: "hanging-arms-turn",
  number: 12,
  name: "Hanging-arms turn",
  version: 1,
  group: "ground",
  why: "Arms that do nothing of themselves show what legs and trunk do. They rise only because the chest turns.",
  feel: "Empty. If the arms feel useful, they are working.",
  level: 2,
  places: ["home"],
  minutes: 6,
  trains: ["hips", "arms"],
  gear: [],
  notWhen: [
    "Big-toe brace or heel and toe swap is not passed yet: a sound way back first.",
    "A sore back.",
  ],
  setUp: [
    "Stand in your stance without a club, arms hanging, palms a hand apart.",
    "Rock toward the target first.",
    "Turn back until the hands float to chest height.",
    "Let hips, chest and arms follow one another through.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "None.",
    club: "None; in the last stage a club.",
    phone: PHONE.faceOn,
  },
  cautions: CAUTIONS,
  dose: { school: "home habit", sets: 2, reps: 8 },
  asked: [],
  styles: { leads: "ground up", drives: "lead clears" },
  helps: { slice: 4 },
  stages: [
    {
      id: "whole-fo",
      name: "To the finish",
      view: "face-on",
      main: true,
      rules: { ...RULES.gesture, movingStart: true },
      actions: [],
      checks,
      blind: [ORDER],
      target: good(),
      faults: faults(good),
    },
    {
      id: "with-club-fo",
      name: "With a club",
      view: "face-on",
      main: false,
      rules: { ...RULES.swing, movingStart: true },
      actions: [],
      checks,
      blind: [ORDER],
      target: withClub(),
      faults: faults(withClub),
    },
  ],
};
