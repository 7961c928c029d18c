import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { advice, BEND_KEPT, CAUTIONS, fault, HIPS_NOT_TOLD, must, PHONE, RULES, should, vary } from "../parts";

const good = vary(swing, { gap: 44, size: 0.75, back: 0.95, down: 0.3, share: { loaded: 24, top: 48, impact: 76, finish: 90 }, heel: { address: 8, upAt: 0.78, finish: 50, lift: 0.14 }, depth: { address: 48, top: 38, impact: 38 }, bend: { impact: 30 }, tilt: { impact: 9 } });

export const drill: Drill = {
  id: "heel-on-prop", number: 20, name: "Heel on the prop", version: 1, group: "trail foot",
  why: "A heel that keeps its load leaves room for the hands. One that jumps sends the hips at the ball.",
  feel: "Held back. The heel seems to come up far too late.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["feet", "hips"],
  gear: [{ name: "Soft wedge", instead: ["a thin board", "a folded towel", "a flat sandal"] }],
  notWhen: ["A weak or sore ankle."],
  setUp: ["Lay the wedge under the trail heel.", "Swing to three-quarter; the heel keeps its load through the first half of the way down.", "Let it come away near the strike, ankle tipping inward.", "For a start: the prop never falls."],
  at: { feet: "Your usual stance, trail heel on the wedge.", ball: "Its usual place.", club: "An old iron.", phone: PHONE.both },
  cautions: [...CAUTIONS, "The ankle may twist and the prop shoot out: no full swings, and no club you care about."],
  dose: { school: "short sets", sets: 2, reps: 6 },
  asked: ["How often did the prop fall before the strike?"], then: ["outside-edge-prop"], styles: { trailFoot: "rolls" }, helps: { thin: 1 },
  stages: [
    {
      id: "whole-fo", name: "Three-quarter", view: "face-on", main: true, rules: { ...RULES.swing, prop: true }, onProp: "trail", actions: [],
      checks: [
        must({ measure: "trailHeelUpAt", name: "Trail heel stays down", band: [50, null], target: 92, fault: 15, phase: "downswing feet", point: true, below: ["Keep the heel down", "Keep the load on the trail heel until the hands are past your thigh."] }),
        should({ measure: "trailFootRoll", name: "Ankle tips inward", band: [0, null], target: 4, fault: -5, phase: "impact", below: ["Roll the ankle in", "Off the inside edge, not off the toe."] }),
        should({ measure: "propDropAt", name: "Prop falls near the strike", band: [75, 115], target: 95, fault: 30, phase: "downswing feet", below: ["Heel later", "The prop should fall as you strike."], above: ["Heel away", "It may come away after the strike."] }),
      ],
      target: good(),
      faults: [fault("jumps", "Heel jumps", "trail-heel-up-at", "The trail heel is up before the hands are halfway down.", good({ heel: { upAt: 0.1 } }))],
    },
    {
      id: "whole-dtl", name: "Seen from behind", view: "down-the-line", main: true, rules: RULES.swing, onProp: "trail", actions: [], note: HIPS_NOT_TOLD,
      checks: [
        should({ measure: "hipsToBall", name: "Hips keep off the ball", band: [null, 3], target: -2, fault: 7, phase: "impact", above: ["Keep the heel down", "The heel holds the hips back."] }),
        advice({ measure: "trailKneeTowardBall", name: "Trail knee not at the ball", band: [null, 6], target: 2, fault: 12, phase: "downswing feet", above: ["Knee to the target", "The trail knee goes along, not out."] }),
        BEND_KEPT,
      ],
      target: good(),
      faults: [fault("to-the-ball", "Hips toward the ball", "hips-to-ball", "The rear edge of the hips comes nearer the ball.", good({ depth: { top: 52, impact: 90 }, bend: { impact: 20 }, heel: { upAt: 0.2 } }))],
    },
  ],
};
