import { swing } from "../../figure";
import type { Drill, Stage } from "../drill";
import { advice, CAUTIONS, fault, limit, must, PHONE, RULES, vary } from "../parts";

const base = {
  gap: 44,
  size: 0.55,
  back: 0.9,
  down: 0.3,
  share: { loaded: 26, top: 52, impact: 78, finish: 90 },
  rise: { drop: -3, impact: 2.5 },
  knees: { trailTop: -20, trailImpact: 50, leadTop: -10, leadImpact: -16 },
  tilt: { impact: 8 },
  pelvis: { impact: 36 },
};
export const good = vary(swing, base);

const checks: Stage["checks"] = [
  must({
    measure: "leadShareImpact",
    name: "On the lead foot at the strike",
    band: [60, null],
    target: 76,
    fault: 42,
    phase: "impact",
    point: true,
    below: ["Push to the target", "Push off the inside edge toward the target, not round."],
  }),
  limit({
    measure: "trailHeelUpAt",
    name: "Heel does not jump",
    band: [45, null],
    target: 82,
    fault: 12,
    phase: "downswing feet",
    below: ["Push, then heel up", "Push off the inside edge with the heel still low."],
  }),
  advice({
    measure: "trailFootRoll",
    name: "Rolls off the inside edge",
    band: [3, null],
    target: 7,
    fault: -2,
    phase: "impact",
    below: ["Roll the ankle in", "Push off the inside of the shoe."],
  }),
  advice({
    measure: "leadKneeAngleChangeTopToImpact",
    name: "Lead leg straightens",
    band: [8, null],
    target: 15,
    fault: 0,
    phase: "impact",
    below: ["Push lead leg straight", "Stand up on the lead leg."],
  }),
  advice({
    measure: "leadShinLeanImpact",
    name: "Lead shin upright",
    band: [null, 8],
    target: 2,
    fault: 16,
    phase: "impact",
    above: ["Lead shin upright", "The knee stops over the foot."],
  }),
];
const stage = (id: string, name: string, main: boolean, size: number): Stage => ({
  id,
  name,
  view: "face-on",
  main,
  rules: RULES.swing,
  onProp: "trail",
  actions: [],
  checks,
  target: good({ size }),
  faults: [
    fault(
      "spins",
      "Spins, weight behind",
      "lead-share-impact",
      "The hips open and the weight stays on the trail foot.",
      good({ size, share: { top: 40, impact: 40, finish: 70 }, pelvis: { impact: 48 } }),
    ),
  ],
});

export const drill: Drill = {
  id: "outside-edge-prop",
  number: 21,
  name: "Outside-edge prop",
  version: 1,
  group: "trail foot",
  why: "A push off the inside edge of the trail foot has somewhere to go: the target. From the outside edge you can only spin.",
  feel: "Knock-kneed on one side. It is meant to be.",
  level: 2,
  places: ["home", "range"],
  minutes: 8,
  trains: ["feet", "knees"],
  gear: [{ name: "Golf ball", instead: ["a soft wedge", "a rolled sock"] }],
  notWhen: ["A weak or sore ankle."],
  setUp: [
    "Lay the ball under the outside edge of the trail foot, so that the knee tips in.",
    "Half swings: push off the inside edge toward the target.",
    "Then three-quarter.",
  ],
  at: {
    feet: "Your usual stance, outside of the trail foot on the ball.",
    ball: "Its usual place.",
    club: "A short iron.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "The ankle may twist and the ball roll away: no full swings."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: [],
  then: ["trail-push-off"],
  styles: { drives: "trail drives", trailFoot: "rolls" },
  helps: { heavy: 4, endsOnTrail: 4 },
  stages: [
    stage("half-fo", "Half swings", true, 0.55),
    stage("three-quarter-fo", "Three-quarter", false, 0.75),
  ],
};
