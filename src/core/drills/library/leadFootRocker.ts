import { swing } from "../../figure";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, limit, must, PHONE, RULES, UNSTEADY, vary } from "../parts";

export const good = vary(swing, {
  gap: 44,
  size: 0.8,
  share: { loaded: 33, top: 50, impact: 76, finish: 90 },
  tilt: { address: 3, top: 3, impact: 8 },
  knees: { leadTop: -12 },
  rise: { drop: -3, impact: 3 },
});

export const drill: Drill = {
  id: "lead-foot-rocker",
  number: 25,
  name: "Lead-foot rocker",
  version: 1,
  group: "trail foot",
  why: "The lead foot goes from toe to heel as the hip clears. A dome under its middle shows whether it does or the foot just spins.",
  feel: "Unsteady under the lead foot, then suddenly solid.",
  level: 3,
  places: ["home", "range"],
  minutes: 8,
  trains: ["feet", "hips"],
  gear: [{ name: "Foam dome", instead: ["a tightly rolled pair of socks"] }],
  notWhen: ["A weak ankle.", UNSTEADY],
  setUp: [
    "Lay the dome under the middle of the lead foot.",
    "Back: onto its toe. Through: onto its heel, as the hip goes back.",
    "After the strike the toe may lift and turn out.",
  ],
  at: {
    feet: "Your usual stance, lead foot on the dome.",
    ball: "Its usual place.",
    club: "A short iron.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "A dome rolls: bought or rolled, never cut from something hard."],
  dose: { school: "short sets", sets: 2, reps: 5 },
  asked: ["Did you feel toe, then heel?"],
  styles: { drives: "lead clears" },
  helps: { hipsStall: 2 },
  stages: [
    {
      id: "whole-fo",
      name: "Toe to heel",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      centred: true,
      onProp: "lead",
      actions: [],
      checks: [
        must({
          measure: "pelvisSway",
          name: "Hips turn in place",
          band: [null, 4],
          target: 1.5,
          fault: 7,
          phase: "backswing",
          point: true,
          above: ["Turn, don't sway", "Press the lead toe and stay over the middle."],
        }),
        limit({
          measure: "leadHeelTravelAddressToImpact",
          name: "Lead heel stays",
          band: [null, 4],
          fixed: true,
          target: 0.5,
          fault: 8,
          phase: "downswing feet",
          above: ["Lead heel stays put", "Go onto the heel; do not spin on it."],
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
      ],
      target: good(),
      faults: [
        fault(
          "sways",
          "Hips sway",
          "pelvis-sway",
          "The hips leave their place away from the target.",
          good({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
        ),
      ],
    },
  ],
};
