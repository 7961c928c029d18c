import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, { gap: 44, size: 0.85, back: 0.95, down: 0.28, share: { loaded: 20, top: 56, impact: 80, finish: 92 }, tilt: { address: 3, top: 3, impact: 10 }, knees: { leadTop: -10 }, hold: 1, rise: { drop: -3, impact: 3 } });

export const drill: Drill = {
  id: "arch-rod", number: 14, name: "Arch rod", version: 1, group: "turning",
  why: "A rod under the middle of both feet tells your soles where the weight is. You can't feel that on flat ground.",
  feel: "Uncomfortable, and very clear.",
  level: 1, places: ["home", "range"], minutes: 8, trains: ["feet", "balance"],
  gear: [{ name: "Alignment rod", instead: ["a broomstick", "a garden cane, thick"] }],
  notWhen: ["Sore arches."],
  setUp: ["Lay the rod along the target line under the middle of both feet, on grass or carpet.", "Seesaw: heels, toes, heels, until you stand level.", "Swing to three-quarter and feel which foot presses the rod."],
  at: { feet: "Your usual stance, the rod under both arches.", ball: "Its usual place.", club: "A middle iron.", phone: PHONE.faceOn },
  cautions: [...CAUTIONS, "A rod rolls on a hard floor: grass or carpet only."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: ["How much on the lead foot did it feel at the finish?"], styles: { loading: "travel", pressesBack: "heel" }, helps: { shortBack: 4, offBalance: 3 },
  stages: [
    { id: "seesaw-fo", name: "Seesaw", view: "face-on", main: false, rules: { kind: "hold", clubAhead: false }, actions: [], checks: [], note: "A rehearsal: heel to toe and back, shown by no camera." },
    {
      id: "whole-fo", name: "Swings", view: "face-on", main: true, rules: RULES.swing, onProp: "lead", actions: [],
      checks: [
        must({ measure: "trailSharePeak", name: "Weight on the trail foot", band: [60, null], target: 76, fault: 44, phase: "backswing", point: true, below: ["Weight to trail foot", "Press the rod with the trail foot on the way back."] }),
        should({ measure: "recentreBeforeTop", name: "Weight across by the top", band: [-60, null], target: 20, fault: -170, phase: "top", below: ["Across before the top", "Change feet before the club has stopped."] }),
        advice({ measure: "leadKneeAngleChangeTopToImpact", name: "Lead leg straightens", band: [8, null], target: 15, fault: 0, phase: "impact", below: ["Push lead leg straight", "Stand up on the lead leg."] }),
        should({ measure: "leadShareFinish", name: "Ends on the lead foot", band: [72, null], target: 90, fault: 54, phase: "finish", below: ["End on lead foot", "Finish so that you could lift the trail foot."] }),
        advice({ measure: "leadLegStackFinish", name: "Hip over the foot", band: [-4, null], target: 2, fault: -12, phase: "finish", below: ["Hip over foot", "Go on over the lead foot."] }),
        advice({ measure: "trailSharePeakAt", name: "When it is on the trail foot", band: [null, 85], target: 60, fault: 98, phase: "backswing", above: ["Load earlier", "Be on the trail foot by halfway back."] }),
      ],
      target: good(),
      faults: [
        fault("never-loads", "Never onto the trail foot", "trail-share-peak", "The weight stays in the middle on the way back.", good({ share: { address: 60, loaded: 64, top: 66 } })),
      ],
    },
  ],
};
