import { swing } from "../../figure";
import type { Drill, Stage } from "../drill";
import { CAUTIONS, fault, IN_PLACE, limit, must, PHONE, RULES, turns, vary } from "../parts";

const base = {
  gap: 44,
  size: 0.9,
  share: { loaded: 30, top: 48, impact: 74, finish: 88 },
  tilt: { address: 3, top: 6, impact: 10 },
  knees: { trailTop: 6 },
};
export const good = vary(swing, base);

/** From in front a heel that lifts stands behind its own shoe (docs/decisions/08). */
const SOLE = {
  name: "the trail sole stays down on the way back",
  question: "Did the sole of the trail foot stay down to the top?",
};
const sway = must({
  measure: "pelvisSway",
  name: "Hips turn in place",
  band: [null, IN_PLACE],
  target: 1.5,
  fault: 7,
  phase: "backswing",
  point: true,
  above: ["Turn, don't sway", "Let the trail hip turn in behind you."],
});
const knee = must({
  measure: "trailKneeOut",
  name: "Trail knee stays in",
  band: [null, 4],
  target: -2,
  fault: 9,
  phase: "backswing",
  above: ["Trail knee stays in", "Press the big toe: the knee can't kick out."],
});
const tilt = must({
  measure: "sideTiltChange",
  name: "No tilt toward the target",
  band: [-8, null],
  target: 2,
  fault: -15,
  phase: "top",
  point: true,
  below: ["Stay tilted back", "Let the head go back a little rather than the chest lean in."],
});
const top = limit({
  measure: "sideTiltTop",
  name: "Tilt at the top",
  band: [0, null],
  target: 5,
  fault: -9,
  phase: "top",
  below: ["Stay tilted back", "The breastbone stays behind the ball."],
});

const faults = (address: number) => [
  fault(
    "sways",
    "Hips sway",
    "pelvis-sway",
    "The hips leave their place away from the target.",
    good({ tilt: { address, top: 7 }, share: { loaded: 0, top: 10 }, gap: 52 }),
  ),
  fault(
    "knee-out",
    "Knee kicks out",
    "trail-knee-out",
    "The trail knee goes outside its foot.",
    good({
      gap: 28,
      tilt: { address },
      knees: { trailTop: -85 },
      share: { loaded: 6, top: 36 },
    }),
  ),
  fault(
    "reverse-tilt",
    "Tilts toward the target",
    "side-tilt-change",
    "The chest leans toward the target at the top.",
    good({ tilt: { address, top: -13 }, share: { loaded: 40, top: 50 } }),
  ),
];

const stage = (
  id: string,
  name: string,
  main: boolean,
  checks: Stage["checks"],
  note?: string,
): Stage => ({
  id,
  name,
  view: "face-on",
  main,
  rules: RULES.swing,
  centred: true,
  actions: [
    turns("thoraxTurnBack", 75, [
      "Turn the trail hip",
      "Let the trail hip go in and back behind you.",
    ]),
  ],
  checks,
  blind: [SOLE],
  target: good(id.startsWith("tilted") ? { tilt: { address: 6, top: 8 } } : {}),
  faults: faults(id.startsWith("tilted") ? 6 : base.tilt.address),
  ...(note ? { note } : {}),
});

export const drill: Drill = {
  id: "big-toe-brace",
  number: 15,
  name: "Big-toe brace",
  version: 1,
  group: "turning",
  why: "A big toe that presses keeps the sole on the ground. Then the trail hip turns in instead of the knee kicking out.",
  feel: "Tight in the trail hip. That is the turn.",
  level: 1,
  places: ["home", "range"],
  minutes: 8,
  trains: ["feet", "knees", "hips", "trunk"],
  gear: [],
  notWhen: ["A sore lower back: first without a club, slowly."],
  setUp: [
    "Stand in your stance.",
    "Press the trail big toe into the ground before you start, and keep it pressed to the top.",
    "Let the hip turn in behind you.",
    "Where the chest still leans in: start with a little tilt away from the target.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "Its usual place, or none.",
    club: "A middle iron.",
    phone: PHONE.faceOn,
  },
  cautions: [
    ...CAUTIONS,
    "A tilt toward the target at the top loads the lower back: stop if it aches.",
  ],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: [],
  then: ["hips-on-wall", "bent-knee-driver"],
  styles: { loading: "centred", pressesBack: "big toe" },
  helps: { sway: 1 },
  stages: [
    stage("whole-fo", "To the top and through", true, [knee, sway, tilt, top]),
    stage(
      "tilted-fo",
      "With a little tilt at the start",
      false,
      [
        knee,
        sway,
        tilt,
        limit({
          measure: "sideTiltAddress",
          name: "Tilt at the start",
          band: [3, 10],
          target: 6,
          fault: -2,
          phase: "set-up",
          below: ["Tilt away first", "Breastbone a little behind the ball."],
          above: ["Less tilt", "A hand's breadth is enough."],
        }),
      ],
      "For those who still lose the tilt: the head may move back a little.",
    ),
  ],
};
