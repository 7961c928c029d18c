import { cycle, type CycleOptions } from "../../figure";
import type { Drill, Stage } from "../drill";
import { action, CAUTIONS, fault, limit, must, PHONE, RULES, UNSTEADY, vary } from "../parts";

export const good = vary<Partial<CycleOptions>>(cycle, {
  cycles: 5,
  period: 1.8,
  weight: 44,
  lag: 0.34,
  arms: 30,
  thorax: 22,
  step: 8,
  stance: { gap: 36, stagger: 0 },
});

const slip = {
  band: [null, 4.5] as const,
  fixed: true as const,
  point: true as const,
  target: 0.5,
  fault: 9,
  phase: "backswing feet" as const,
  above: [
    "Feet hold the floor",
    "Step lighter and let the weight arrive before you push.",
  ] as const,
};
const slips = [
  must({ measure: "leadPlantedTravel", name: "Lead foot does not slip", ...slip }),
  must({ measure: "trailPlantedTravel", name: "Trail foot does not slip", ...slip }),
];
const landing = limit({
  measure: "landBeforeTurnaround",
  name: "Foot down before the turn",
  band: [0, null],
  target: 110,
  fault: -90,
  phase: "action",
  below: ["Foot down sooner", "Let the foot land before the hands turn round."],
});
const both = action("bothStep", "Feet take turns", { kind: "bothLand" }, [
  "Feet take turns",
  "Lift the free foot and set it down, then the other.",
]);

const stage = (
  id: string,
  name: string,
  main: boolean,
  note: string,
  parts: Partial<Stage>,
): Stage => ({
  id,
  name,
  view: "face-on",
  main,
  note,
  rules: RULES.cycle,
  actions: [both],
  checks: [landing],
  target: good(),
  faults: [],
  ...parts,
});

export const drill: Drill = {
  id: "quiet-grip-stepping",
  number: 11,
  name: "Quiet-grip stepping",
  version: 1,
  group: "ground",
  why: "Feet that grip and push learn to follow a weight that moves. A floor that gives no grip teaches them not to scrape.",
  feel: "Like skating in socks. Quiet feet come before quick ones.",
  level: 1,
  places: ["home"],
  minutes: 4,
  trains: ["feet", "balance"],
  gear: [
    { name: "Smooth floor and thin soles", instead: ["socks on wood or tiles"] },
    { name: "Cushion", instead: ["a folded towel", "later a bag of rice"] },
  ],
  notWhen: [UNSTEADY, "A floor that is wet."],
  setUp: [
    "Clear the furniture away.",
    "Swing the cushion from side to side in both hands.",
    "Lift the free foot and set it down a hand farther out as the cushion goes that way.",
    "Feel the floor with the whole sole: no slip, no scrape.",
  ],
  at: {
    feet: "Shoulder wide.",
    ball: "None.",
    club: "None; outdoors a club in the last stage.",
    phone: PHONE.faceOn,
  },
  cautions: [
    ...CAUTIONS,
    "The floor is slippery on purpose: clear furniture, and not with balance trouble.",
  ],
  dose: {
    school: "home habit",
    sets: 2,
    reps: 20,
    note: "About four minutes, morning and evening to begin with; write a line after each.",
  },
  asked: ["What did the feet do?"],
  styles: { leads: "ground up" },
  helps: { stuckBefore: 4, feetSlip: 3 },
  stages: [
    stage("object-fo", "Cushion only", false, "A rehearsal: counted, not judged.", {
      actions: [],
      checks: [],
      target: good({ step: 0 }),
    }),
    stage("steps-fo", "With steps", false, "A rehearsal: counted, not judged.", { actions: [] }),
    stage(
      "grip-fo",
      "Without a slip",
      true,
      "Each foot stays where it has landed until it is lifted.",
      {
        checks: [...slips, landing],
        faults: [
          fault(
            "slips",
            "A foot slips",
            "lead-planted-travel",
            "The standing foot is dragged along the floor.",
            good({ slide: 8, slideOf: "lead" }),
          ),
          fault(
            "no-steps",
            "Feet stay",
            "bothStep",
            "The cushion swings and the feet do not.",
            good({ step: 0 }),
          ),
        ],
      },
    ),
    stage("outdoors-fo", "Outdoors, with a club", false, "A rehearsal: counted, not judged.", {
      actions: [],
      target: good({ club: 0.5 }),
    }),
  ],
};
