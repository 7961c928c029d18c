import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, { gap: 42, size: 0.8, back: 0.95, down: 0.3, hold: 1.2, share: { address: 56, loaded: 30, top: 56, impact: 80, finish: 93 }, heel: { upAt: 0.78, finish: 56, lift: 0.16 }, tilt: { impact: 8 } });

export const drill: Drill = {
  id: "heel-keeps-pace", number: 26, name: "Heel keeps pace", version: 1, group: "trail foot",
  why: "The trail heel tells whether the body left too soon or never. It should come up with the strike and end high.",
  feel: "Patient down, tall at the end.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["feet", "balance"],
  gear: [{ name: "Iron", instead: ["a stick of that length"] }, { name: "Tee", instead: ["no ball at all"] }],
  notWhen: ["With the driver: its heel may rise earlier."],
  setUp: ["Stand with a little more on the lead foot, ball on a tee.", "Three-quarter effort: arms down first, then the trail side.", "Finish tall on the trail tiptoe, steady enough to walk off."],
  at: { feet: "Your usual stance.", ball: "In the middle, on a tee first.", club: "A middle iron.", phone: PHONE.faceOn },
  cautions: CAUTIONS,
  dose: { school: "short sets", sets: 3, reps: 5 },
  asked: [], styles: { drives: "trail drives", trailFoot: "rolls" }, helps: { endsOnTrail: 3 },
  stages: [{
    id: "whole-fo", name: "Three-quarter", view: "face-on", main: true, rules: { ...RULES.swing, uneven: true }, actions: [],
    checks: [
      advice({ measure: "leadShareAddress", name: "A little forward", band: [50, 70], target: 57, fault: 38, phase: "set-up", below: ["A little forward", "More on the lead foot."], above: ["Less forward", "A little is enough."] }),
      must({ measure: "trailHeelUpAt", name: "Heel does not leave early", band: [45, null], target: 92, fault: 12, phase: "downswing feet", point: true, below: ["Arms first, heel later", "Let the arms fall before the heel leaves."] }),
      should({ measure: "heelRiseMatch", name: "Heel halfway up, halfway through", band: [30, 75], target: 52, fault: 5, phase: "finish", below: ["Heel comes along", "Let the heel rise with the arms."], above: ["Heel a little later", "Let the arms lead it."] }),
      should({ measure: "trailHeelHeightFinish", name: "Ends on the trail tiptoe", band: [9, null], fixed: true, target: 17, fault: 4, phase: "finish", below: ["Finish on tiptoe", "Turn until only the trail toe touches."] }),
      should({ measure: "leadShareFinish", name: "Ends on the lead foot", band: [72, null], target: 90, fault: 54, phase: "finish", below: ["End on lead foot", "Finish so that you could walk off."] }),
      advice({ measure: "leadLegStackFinish", name: "Hip over the foot", band: [-4, null], target: 2, fault: -12, phase: "finish", below: ["Hip over foot", "Go on over the lead foot."] }),
    ],
    target: good(),
    faults: [
      fault("early", "Heel leaves early", "trail-heel-up-at", "The heel is up before the hands are halfway down.", good({ heel: { upAt: 0.16, lift: 0.08 } })),
    ],
  }],
};
