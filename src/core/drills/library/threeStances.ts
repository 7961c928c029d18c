import { swing } from "../../figure";
import type { Drill, Stage } from "../drill";
import { advice, CAUTIONS, PHONE, RULES, vary } from "../parts";

const turn = vary(swing, {
  club: null,
  ball: false,
  gap: 16,
  size: 0.45,
  back: 1.9,
  down: 1.1,
  hold: 2.4,
  share: { loaded: 44, top: 48, impact: 54, finish: 56 },
  heel: { finish: 8, upAt: 1 },
  knees: { leadTop: 0, trailImpact: 0 },
  tilt: { address: 1, top: 1, impact: 2 },
  traits: { kind: "gesture" as const, slow: true },
});

const stage = (id: string, name: string, stagger: number, note: string): Stage => ({
  id,
  name,
  view: "face-on",
  main: id === "level-fo",
  rules: { ...RULES.gesture, slow: true },
  centred: true,
  actions: [],
  note,
  target: turn({ stagger }),
  faults: [],
  checks: [
    advice({
      measure: "headDrift",
      name: "Head wanders",
      band: [null, 8],
      target: 3,
      fault: 12,
      phase: "impact",
      above: ["Quieter head", "Turn slower."],
    }),
    advice({
      measure: "counterMove",
      name: "Head and hips apart",
      band: [null, 4],
      target: 1,
      fault: 7,
      phase: "backswing",
      above: ["One piece", "Turn slower."],
    }),
    advice({
      measure: "wobble",
      name: "Wobble",
      band: [null, 6],
      target: 2,
      fault: 10,
      phase: "finish",
      above: ["Stand quieter", "Wait until you stand."],
    }),
  ],
});

export const drill: Drill = {
  id: "three-stances",
  number: 3,
  name: "Three stances",
  version: 1,
  group: "balance",
  why: "Which foot may stand ahead is a matter of how long your arms are. The stance in which you wander least is yours.",
  feel: "Slow and a little silly. It is a test, not an exercise.",
  level: 1,
  places: ["home", "range"],
  minutes: 8,
  trains: ["balance", "feet"],
  gear: [],
  notWhen: [],
  setUp: [
    "Stand with the knees nearly together and no club, palms together.",
    "Turn slowly back and slowly through, and bring the hands to where they began.",
    "Three turns with the feet level, three with the trail foot ahead, three with it behind.",
    "Stand still at the end of each.",
  ],
  at: {
    feet: "A hand apart; level, then one foot a hand ahead of the other.",
    ball: "None.",
    club: "None.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "Have something to hold within reach."],
  dose: {
    school: "single focus",
    sets: 3,
    reps: 3,
    note: "Once, and again when your posture has changed.",
  },
  asked: ["In which stance did you feel safest?"],
  styles: {},
  helps: { offBalance: 2 },
  stages: [
    stage("level-fo", "Feet level", 0, "Nothing passes or fails: the three are compared."),
    stage(
      "trail-ahead-fo",
      "Trail foot ahead",
      -14,
      "Nothing passes or fails: the three are compared.",
    ),
    stage(
      "trail-behind-fo",
      "Trail foot behind",
      14,
      "Nothing passes or fails: the three are compared.",
    ),
  ],
};
