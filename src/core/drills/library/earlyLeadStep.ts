import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { action, CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, {
  gap: 9, back: 1, down: 0.3, size: 0.9, share: { loaded: 30, top: 58, impact: 78, finish: 92 }, leadStep: { length: 26, beforeTop: 0.22, air: 0.3 }, hold: 0.8, pelvis: { beforeTop: 0.1 },
});

export const drill: Drill = {
  id: "early-lead-step", number: 6, name: "Early lead step", version: 1, group: "ground",
  why: "The lead side is loaded while the club is still going back. Then the way down starts from the ground by itself.",
  feel: "Hurried at first: the foot seems to land far too soon.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["feet", "hips"],
  gear: [{ name: "Iron", instead: ["a stick of that length"] }],
  notWhen: ["The lead knee does not like a landing."],
  setUp: ["Stand with the feet together, club at the middle of the stance.", "Start the club back; as it rises, lift the lead foot.", "Set it down where it stands in your usual stance while the club still goes back.", "Swing through from there."],
  at: { feet: "Together; the lead foot returns to its usual place.", ball: "Where it lies in your usual stance.", club: "At the middle of the stance.", phone: PHONE.faceOn },
  cautions: [...CAUTIONS, "Keep the landing foot clear of the ball and the club."],
  dose: { school: "short sets", sets: 3, reps: 5 },
  asked: [], styles: { weightAtTop: "re-centred", leads: "ground up" }, helps: { shortBack: 2 },
  stages: [{
    id: "whole-fo", name: "The whole drill", view: "face-on", main: true, rules: RULES.step,
    actions: [action("leadStep", "Lead foot steps", { kind: "step", foot: "lead", before: "impact" }, ["Step the lead foot", "Lift the lead foot as the club goes back and set it down toward the target."])],
    checks: [
      must({ measure: "footGapAddress", name: "Feet together", band: [null, 16], target: 9, fault: 24, phase: "set-up", above: ["Feet closer together", "Let the shoes touch before you start."] }),
      must({ measure: "leadStepLength", name: "A full step", band: [15, null], target: 26, fault: 8, phase: "backswing feet", below: ["Longer lead step", "Step out to where the foot usually stands."] }),
      must({ measure: "leadLandingOffset", name: "Lands at its usual place", band: [-7, 7], target: 0, fault: 14, phase: "backswing feet", below: ["Longer lead step", "Step out to where the foot usually stands."], above: ["Shorter lead step", "Land no wider than you usually stand."] }),
      must({ measure: "leadLandBeforeTop", name: "Lands while the club goes back", band: [60, null], target: 250, fault: -60, phase: "top", point: true, below: ["Lead foot down sooner", "Let the foot land before the club has finished going back."] }),
      should({ measure: "leadShareTop", name: "Weight on it at the top", band: [45, null], target: 60, fault: 20, phase: "top", below: ["Stand on lead foot", "Do not only touch down: stand on it."] }),
    ],
    target: good(),
    faults: [
      fault("late", "Lands late", "lead-land-before-top", "The foot lands when the club is already coming down.", good({ leadStep: { length: 26, beforeTop: -0.08, air: 0.3 } })),
      fault("short", "Step too short", "lead-step-length", "The foot lands short of its usual place.", good({ leadStep: { length: 7, beforeTop: 0.22, air: 0.24 } })),
      fault("wide-start", "Starts with the feet apart", "foot-gap-address", "The ankles stand apart before anything moves.", good({ gap: 25, leadStep: { length: 18, beforeTop: 0.22, air: 0.3 } })),
    ],
  }],
};
