import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, must, PHONE, RULES, vary } from "../parts";

const good = vary(swing, { gap: 52, size: 0.85, back: 0.95, down: 0.3, loadedAt: 0.45, share: { loaded: 22, top: 70, impact: 80, finish: 92 }, heel: { upAt: 0.78, finish: 52, lift: 0.14 }, knees: { trailTop: 18, trailImpact: 24 }, tilt: { impact: 9 } });

export const drill: Drill = {
  id: "trail-push-off", number: 23, name: "Trail push-off", version: 1, group: "trail foot",
  why: "First the lead foot is loaded, then the trail leg finishes the turn. The pad under its ball lets you feel the push.",
  feel: "Like a sprinter's block. The push comes last, not first.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["feet", "knees"],
  gear: [{ name: "Firm pad", instead: ["a folded mat on soft ground", "a folded towel on hard ground"] }],
  notWhen: ["A sore ankle or Achilles tendon."],
  setUp: ["Lay the pad under the ball of the trail foot.", "Set the trail knee a little inside its foot.", "Swing: onto the lead foot first, then push off the pad.", "The toe does not scrape, the heel does not flick up early."],
  at: { feet: "Your usual stance, ball of the trail foot on the pad.", ball: "Its usual place.", club: "A middle iron.", phone: PHONE.faceOn },
  cautions: [...CAUTIONS, "The pad may slip: test it with a push first."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: [], styles: { drives: "trail drives", trailFoot: "rolls" }, helps: { noDistance: 5, feetSlip: 1 },
  stages: [{
    id: "whole-fo", name: "Load, then push", view: "face-on", main: true, rules: RULES.swing, onProp: "trail", actions: [],
    checks: [
      must({ measure: "trailShinLeanAddress", name: "Trail knee inside", band: [3, null], target: 10, fault: -3, phase: "set-up", below: ["Knee inside the foot", "Tip the trail knee a little toward the target."] }),
      must({ measure: "crossBeforeTrailHeelUp", name: "Weight across before the heel", band: [0, null], target: 200, fault: -150, phase: "downswing feet", point: true, below: ["Load first, then push", "Stand on the lead foot before the trail heel leaves."] }),
      must({ measure: "trailFootTravelTopToImpact", name: "Trail toe does not scrape", band: [null, 5], fixed: true, target: 0.5, fault: 9, phase: "downswing feet", above: ["Push, don't scrape", "The toe stays where it is until the ball is gone."] }),
      must({ measure: "trailHeelUpAt", name: "Heel not flicked up", band: [45, null], target: 92, fault: 12, phase: "downswing feet", below: ["Keep the heel down", "The heel leaves last."] }),
      advice({ measure: "trailKneeAngleChangeImpactToFinish", name: "Trail leg finishes the push", band: [8, null], target: 20, fault: -4, phase: "finish", below: ["Finish the push", "Straighten the trail leg as you turn through."] }),
      advice({ measure: "pelvisRiseToImpact", name: "Hips rise", band: [0, null], target: 3, fault: -2, phase: "impact", below: ["Rise through it", "Push the ground away."] }),
    ],
    target: good(),
    faults: [
      fault("early-heel", "Heel flicks up", "trail-heel-up-at", "The heel is up before the weight is across.", good({ heel: { upAt: 0.14, lift: 0.09 } })),
      fault("scrapes", "Toe scrapes", "trail-foot-travel-top-to-impact", "The trail foot is dragged on the way down.", good({ slide: { trail: 12 } })),
    ],
  }],
};
