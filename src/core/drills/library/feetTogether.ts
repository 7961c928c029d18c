import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { CAUTIONS, fault, must, ONE_LEG, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, {
  gap: 10, size: 0.6, back: 0.95, down: 0.32, hold: 3.2, share: { loaded: 44, top: 50, impact: 57, finish: 62 }, tilt: { address: 1, top: 1, impact: 4 },
  pelvis: { top: -40, impact: 30, beforeTop: -0.02 }, heel: { finish: 18, upAt: 1.4 }, rise: { drop: -0.5, impact: 0.5 }, knees: { leadTop: 0, trailImpact: 0 },
});

export const drill: Drill = {
  id: "feet-together", number: 1, name: "Feet together", version: 1, group: "balance",
  why: "A narrow base takes the drive of the legs away. Whatever part runs ahead tips you over, so arms and body learn to go together.",
  feel: "Weak and wobbly. Half the distance is right.",
  level: 1, places: ["home", "range"], minutes: 10, trains: ["balance", "arms", "head"],
  gear: [{ name: "Middle iron", instead: ["a stick of that length"] }, { name: "Tee", instead: ["no ball at all"] }],
  notWhen: [ONE_LEG],
  setUp: ["Put feet and knees together, touching.", "Set the ball in the middle, on a tee, or use none.", "Swing at half speed, back and through to the same height.", "Stay where you end until you have counted to two."],
  at: { feet: "Touching, toes a little out.", ball: "In the middle, on a tee.", club: "Behind the ball.", phone: PHONE.faceOn },
  cautions: CAUTIONS,
  dose: { school: "short sets", sets: 1, reps: 8 },
  asked: [], then: ["trail-toe-behind"], styles: { leads: "arms first" }, helps: { heavy: 3, slice: 1, offBalance: 1 },
  stages: [{
    id: "whole-fo", name: "Half swings", view: "face-on", main: true, rules: RULES.swing, centred: true, actions: [],
    checks: [
      must({ measure: "footGapAddress", name: "Feet together", band: [null, 18], target: 10, fault: 26, phase: "set-up", above: ["Feet closer together", "Let the shoes touch before you start."] }),
      should({ measure: "trailFootTravelAddressToImpact", name: "Trail foot stays", band: [null, 4], fixed: true, target: 0.3, fault: 8, phase: "backswing feet", above: ["Keep trail foot still", "Swing only as hard as the foot stays where it is."] }),
      must({ measure: "leadFootTravelAddressToImpact", name: "Lead foot stays", band: [null, 4], fixed: true, target: 0.5, fault: 8, phase: "downswing feet", above: ["Keep lead foot still", "Swing only as hard as the foot stays where it is."] }),
      must({ measure: "pelvisSway", name: "Hips stay in place", band: [null, 4], target: 1.5, fault: 7, phase: "backswing", above: ["Hips over your feet", "Turn over both shoes; push to neither side."] }),
      must({
        measure: "headDrift", name: "Head stays over the feet", band: [null, 8], target: 4, fault: 12, phase: "impact", point: true,
        told: { by: "headTImpact", plus: ["Shoulders wait for arms", "You tip toward the target: let the arms swing past a quiet chest."], minus: ["Hips wait for arms", "You tip away from the target: let the arms fall before the hips go."] },
      }),
      must({ measure: "holdTime", name: "Finish held", band: [2, null], target: 2.6, fault: 1.2, phase: "finish", point: true, below: ["Hold your finish", "Slow down until you can stand two seconds where you end."] }),
      should({ measure: "pelvisBeforeHands", name: "Hands come down with the hips", band: [null, 40], target: -20, fault: 140, phase: "top", above: ["Arms down first", "Let the hands start down while the belt still faces back."] }),
      should({ measure: "counterMove", name: "Head and hips go together", band: [null, 4], target: 1, fault: 7, phase: "backswing", above: ["One piece, not two", "Let head and hips stay over the same spot."] }),
      should({ measure: "kneePart", name: "Knees stay together", band: [null, 6], target: 2, fault: 12, phase: "backswing", above: ["Knees stay close", "Keep the knees brushing each other."] }),
      should({ measure: "wobble", name: "Quiet finish", band: [null, 6], target: 2, fault: 10, phase: "finish", above: ["Quieter finish", "End slower; let the club stop before you do."] }),
    ],
    target: good(),
    faults: [
      fault("tips-forward", "Shoulders run ahead", "head-drift", "The head ends nearer the target at the strike.", good({ tilt: { impact: -12 }, neck: { impact: -10 } })),
      fault("tips-back", "Hips run ahead", "head-drift", "The head ends farther from the target at the strike.", good({ tilt: { impact: 18 }, neck: { impact: 6 } })),
      fault("too-wide", "Feet apart", "foot-gap-address", "The ankles stand apart before anything moves.", good({ gap: 27 })),
      fault("not-held", "Steps out of the finish", "hold-time", "The finish is left before two seconds are over.", good({ hold: 1.2 })),
    ],
  }],
};
