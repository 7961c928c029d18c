import { armsOnly, swing } from "../../figure";
import type { Drill } from "../drill";
import { action, CAUTIONS, endsOnLead, fault, limit, must, PHONE, RULES, vary } from "../parts";

const own = {
  gap: 40,
  size: 0.7,
  back: 0.95,
  down: 0.34,
  share: { loaded: 26, top: 56, impact: 84, finish: 82 },
  tilt: { impact: 5 },
  turnOut: { lead: 20 },
  hold: 0.8,
};
const step = { length: 74, afterImpact: 0.58, air: 0.44 };
export const walk = vary(armsOnly, {
  ...own,
  size: 0.65,
  traits: { kind: "step-swing" },
  trailStep: { length: 82, afterImpact: 0.56, air: 0.44 },
});
export const swung = vary(swing, { ...own, trailStep: step });
export const heel = vary(swing, {
  ...own,
  share: { ...own.share, finish: 91 },
  heel: { upAt: 0.9, finish: 56 },
  hold: 1,
});

const walkOn = action(
  "walkOn",
  "A pace toward the target",
  { kind: "step", foot: "trail", after: "impact" },
  ["Walk on after it", "Let the trail foot take a whole pace toward the target."],
);
const leadTurn = limit({
  measure: "leadFootTurnAddressToFinish",
  name: "Lead foot does not spin out",
  band: [null, 35],
  target: 5,
  fault: 60,
  phase: "finish",
  point: true,
  above: ["Lead foot stays", "Set it a little turned out at the start, and leave it."],
});
const leadTravel = must({
  measure: "leadFootTravelImpactToFinish",
  name: "Lead foot not dragged",
  point: true,
  band: [null, 4],
  fixed: true,
  target: 0.5,
  fault: 8,
  phase: "finish",
  above: ["Lead foot stays", "Walk over it, not with it."],
});
const noPace = (script: typeof walk | typeof swung) =>
  fault(
    "no-step",
    "No pace",
    "walkOn",
    "Both feet stay where they are.",
    script({ trailStep: undefined }),
  );

export const drill: Drill = {
  id: "step-to-target",
  number: 27,
  name: "Step to the target",
  version: 1,
  group: "through",
  why: "A finish that you could walk out of is a finish in which you were balanced.",
  feel: "As if you left before the ball did. You don't.",
  level: 1,
  places: ["home", "range"],
  minutes: 10,
  trains: ["feet", "balance"],
  gear: [{ name: "Iron", instead: ["a stick of that length"] }],
  notWhen: ["Somebody or something stands ahead of you."],
  setUp: [
    "Empty hands: turn back, and walk on toward the target.",
    "Then with the shaft laid on the shoulder as you go.",
    "Then let the trail toe trail on the ground, then let only the heel peel off.",
    "Then hip-high swings, longer ones, a ball.",
  ],
  at: {
    feet: "Your usual stance; the lead foot may be turned out; nothing ahead for two paces.",
    ball: "None until the last stage.",
    club: "None at first.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "Nobody ahead of you; walk only when the ball is gone."],
  dose: {
    school: "short sets",
    sets: 3,
    reps: 5,
    note: "Now and then a full step is asked for, unannounced.",
  },
  asked: [],
  styles: { weightAtTop: "re-centred" },
  helps: { heavy: 5, endsOnTrail: 1 },
  stages: [
    {
      id: "walk-fo",
      name: "Empty hands",
      view: "face-on",
      main: false,
      rules: RULES.step,
      actions: [walkOn],
      checks: [
        limit({
          measure: "trailLandsPastLead",
          name: "A whole pace",
          point: true,
          band: [5, null],
          fixed: true,
          target: 40,
          fault: 0,
          phase: "finish",
          below: ["A longer pace", "Set the trail foot down ahead of the other."],
        }),
        leadTurn,
        leadTravel,
      ],
      target: walk(),
      faults: [noPace(walk)],
    },
    {
      id: "swing-fo",
      name: "Swing and walk",
      view: "face-on",
      main: true,
      rules: RULES.step,
      actions: [walkOn],
      checks: [
        limit({
          measure: "trailLandAfterImpact",
          name: "Walks on at once",
          point: true,
          band: [null, 900],
          target: 600,
          fault: 1150,
          phase: "finish",
          above: ["Walk on sooner", "Let the swing pull you on."],
        }),
        leadTurn,
        leadTravel,
      ],
      target: swung(),
      faults: [noPace(swung)],
    },
    {
      id: "heel-fo",
      name: "Only the heel peels",
      view: "face-on",
      main: false,
      rules: RULES.swing,
      actions: [],
      checks: [
        ...endsOnLead(["End on lead foot", "You should be able to walk off."]),
        leadTurn,
        leadTravel,
      ],
      target: heel(),
      faults: [
        fault(
          "drags",
          "Lead foot dragged along",
          "lead-foot-travel-impact-to-finish",
          "The lead foot slides after the strike.",
          heel({ slideThrough: 9 }),
        ),
      ],
    },
  ],
};
