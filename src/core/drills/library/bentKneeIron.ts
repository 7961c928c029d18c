import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { action, CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, { gap: 42, size: 0.85, back: 1, down: 0.32, share: { loaded: 28, top: 56, impact: 86, finish: 80 }, tilt: { address: 3, top: 3, impact: 5 }, knees: { trailTop: 4 }, trailStep: { length: 78, afterImpact: 0.68, air: 0.48 }, hold: 0.8 });

export const drill: Drill = {
  id: "bent-knee-iron", number: 19, name: "Bent-knee turn, iron", version: 1, group: "turning",
  why: "With an iron the weight must be across before the ball. A pace forward afterward proves that it was.",
  feel: "Like walking through a door.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["knees", "hips", "feet"],
  gear: [{ name: "Iron", instead: ["a stick of that length"] }],
  notWhen: ["Somebody or something stands ahead of you."],
  setUp: ["Hold the iron with the hands apart.", "Wind up over the middle, trail knee still bent.", "Point the butt end at the lead foot on the way down.", "Carry on with a pace toward the target."],
  at: { feet: "Your usual stance; nothing ahead for two paces.", ball: "In the middle.", club: "Hands split on the grip.", phone: PHONE.faceOn },
  club: "iron",
  cautions: [...CAUTIONS, "Two paces of free ground ahead of you."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: [], styles: { loading: "centred" }, helps: { endsOnTrail: 2 },
  stages: [{
    id: "whole-fo", name: "Turn and walk", view: "face-on", main: true, rules: RULES.step, centred: true,
    actions: [action("walkOn", "A pace toward the target", { kind: "step", foot: "trail", after: "impact" }, ["Walk on after it", "Let the trail foot take a pace toward the target."])],
    checks: [
      must({ measure: "pelvisSway", name: "Hips turn in place", band: [null, 4], target: 1.5, fault: 7, phase: "backswing", above: ["Turn, don't sway", "Keep the trail knee bent and wind up over the middle."] }),
      must({ measure: "leadShareImpact", name: "On the lead foot at the strike", band: [65, null], target: 85, fault: 46, phase: "impact", point: true, below: ["Be across sooner", "Point the butt end at the lead foot before the hands arrive."] }),
      should({ measure: "trailLandsPastLead", name: "A whole pace", band: [5, null], fixed: true, target: 30, fault: 0, phase: "finish", below: ["A longer pace", "Set the trail foot down ahead of the other."] }),
    ],
    target: good(),
    faults: [
      fault("late", "Late onto the lead foot", "lead-share-impact", "The ball is struck from the trail foot.", good({ share: { top: 36, impact: 44, finish: 80 }, tilt: { impact: 9 } })),
      fault("no-step", "No pace", "walkOn", "Both feet stay where they are.", vary(swing, { gap: 42, size: 0.85, back: 1, down: 0.32, share: { loaded: 28, top: 56, impact: 86, finish: 88 }, tilt: { impact: 5 } })()),
    ],
  }],
};
