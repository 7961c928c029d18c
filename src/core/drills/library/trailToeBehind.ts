import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { CAUTIONS, fault, must, ONE_LEG, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, {
  gap: 24, stagger: 32, size: 0.55, back: 0.95, down: 0.36, share: { address: 78, loaded: 56, top: 56, impact: 68, finish: 98 }, heel: { address: 34, upAt: 0.9, finish: 46 },
  tilt: { address: 2, top: 2, impact: 6 }, hold: 1,
});

export const drill: Drill = {
  id: "trail-toe-behind", number: 2, name: "Trail toe behind", version: 1, group: "balance",
  why: "On its toe behind you the trail foot has nothing to push from. You stay on a firm lead leg, and the hands get room.",
  feel: "Like swinging on one leg. The ball goes less far and straighter.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["balance", "hips", "knees"],
  gear: [{ name: "Something to hold near", instead: ["a chair back", "a bag stand"] }],
  notWhen: ["Your lead knee or hip hurts under load.", ONE_LEG],
  setUp: ["Stand with the ankles two hands apart along the target line.", "Draw the trail foot back by a shoe's length and stand it on its toe, heel up.", "Lean onto the lead foot until you could lift the other.", "Swing to shoulder height and through."],
  at: { feet: "Lead foot at the ball; trail toe a shoe's length behind it.", ball: "Just inside the lead heel.", club: "Behind the ball.", phone: PHONE.both },
  cautions: [...CAUTIONS, "A narrow, crossed stance: have something to hold within reach."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: [], then: ["heel-keeps-pace"], styles: { drives: "trail drives" }, helps: { slice: 2, hook: 3 },
  stages: [
    {
      id: "whole-fo", name: "On the lead leg", view: "face-on", main: true, rules: { ...RULES.swing, uneven: true }, centred: true, onProp: "trail", actions: [],
      checks: [
        should({ measure: "trailHeelHeightAddress", name: "Trail heel up", band: [3, null], fixed: true, target: 8, fault: 0, phase: "set-up", below: ["Trail heel up", "Stand on the toe of the trail foot."] }),
        should({ measure: "leadShareAddress", name: "Weight on the lead foot", band: [60, null], target: 78, fault: 44, phase: "set-up", below: ["More on lead foot", "Lean over the lead foot until the other is light."] }),
        must({ measure: "pelvisDriftAtImpact", name: "Hips quiet through the strike", band: [null, 4], target: 1.5, fault: 6.6, phase: "impact", point: true, above: ["Stay on lead leg", "Let the lead leg be a post: the hips turn on it and go neither on nor back."] }),
        should({ measure: "headRise", name: "Head stays low", band: [null, 5], target: 1, fault: 9, phase: "impact", above: ["Stay tall later", "Keep the height of your head until the ball is gone."] }),
      ],
      target: good(),
      faults: [
        fault("falls-back", "Falls back", "pelvis-drift-at-impact", "The hips travel away from the target while the ball is struck.", good({ size: 0.8, down: 0.28, share: { loaded: 66, top: 98, impact: 84, finish: 15 }, tilt: { top: 4, impact: -6 } })),
        fault("stays-back", "Weight stays behind", "lead-share-address", "The lead foot never carries most of the weight.", good({ share: { address: 44, loaded: 36, top: 44, impact: 60 } })),
      ],
    },
    {
      id: "whole-dtl", name: "Seen from behind", view: "down-the-line", main: true, rules: RULES.swing, onProp: "trail", actions: [],
      note: "A rehearsal from this side: whether the chest rises, the picture can't decide. Watch it yourself.",
      checks: [
        should({ measure: "footStagger", name: "Trail foot behind", band: [14, null], fixed: true, target: 25, fault: 3, phase: "set-up", below: ["Trail foot farther back", "A shoe's length behind the lead foot."] }),
        should({ measure: "bendChange", name: "Bend kept", band: [-9, 12], target: -1, fault: -18, phase: "impact", below: ["Stay bent over", "Keep the chest over the ball until it is gone."], above: ["Chest stays up", "Do not dive at the ball."] }),
      ],
      target: good(),
      faults: [fault("stands-up", "Stands up", "bend-change", "The back straightens before the strike.", good({ bend: { impact: 12 } })), fault("level-feet", "Feet side by side", "foot-stagger", "The trail foot is not drawn back.", good({ stagger: 2 }))],
    },
  ],
};
