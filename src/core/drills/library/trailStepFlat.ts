import { swing } from "../../figure";
import type { Drill } from "../drill";
import { action, advice, CAUTIONS, fault, must, PHONE, RULES, vary } from "../parts";

export const good = vary(swing, {
  gap: 9,
  size: 0.9,
  back: 1,
  down: 0.42,
  share: { loaded: 44, top: 62, impact: 74, finish: 76 },
  trailOut: { length: -24, fromTop: -0.06, air: 0.26 },
  heel: { upAt: 2.2, finish: 12 },
  tilt: { impact: 5 },
});

export const drill: Drill = {
  id: "trail-step-flat",
  number: 24,
  name: "Trail step, flat through",
  version: 1,
  group: "trail foot",
  why: "You feel the trail side go forward while its foot stays. It is a feel, not the finished motion.",
  feel: "Flat-footed and braced. Good for those who come too far from inside.",
  level: 3,
  places: ["home", "range"],
  minutes: 8,
  trains: ["feet"],
  gear: [{ name: "Short iron", instead: ["a stick of that length"] }],
  notWhen: ["You don't swing from too far inside."],
  setUp: [
    "Stand with the feet together.",
    "Swing to the top; as the club starts down step the trail foot out, away from the target.",
    "Keep it flat on the ground through the strike.",
  ],
  at: {
    feet: "Together; the trail foot steps out at the top.",
    ball: "In front of the lead foot, on a tee.",
    club: "A short iron.",
    phone: PHONE.faceOn,
  },
  cautions: CAUTIONS,
  dose: { school: "short sets", sets: 2, reps: 5 },
  asked: [],
  styles: { trailFoot: "anchored" },
  helps: { hook: 4 },
  stages: [
    {
      id: "whole-fo",
      name: "The whole drill",
      view: "face-on",
      main: true,
      rules: RULES.step,
      actions: [
        action(
          "trailStep",
          "Trail foot steps with the start down",
          { kind: "step", foot: "trail", before: "impact", fromTop: -220 },
          ["Step the trail foot", "As the club starts down, set the trail foot out."],
        ),
      ],
      checks: [
        must({
          measure: "footGapAddress",
          name: "Feet together",
          band: [null, 16],
          target: 9,
          fault: 24,
          phase: "set-up",
          above: ["Feet closer together", "Let the shoes touch before you start."],
        }),
        must({
          measure: "trailStepLength",
          name: "Steps out",
          band: [null, -12],
          target: -24,
          fault: -6,
          phase: "top",
          above: ["Longer trail step", "Set it out to where it usually stands."],
        }),
        must({
          measure: "trailHeelUpAt",
          name: "Foot stays flat",
          band: [110, null],
          target: 150,
          fault: 65,
          phase: "impact",
          point: true,
          below: [
            "Flat through the strike",
            "Leave the sole on the ground until the ball is gone.",
          ],
        }),
        advice({
          measure: "trailFootFlatForImpactToMidThrough",
          name: "Flat after it",
          band: [60, null],
          target: 100,
          fault: 0,
          phase: "finish",
          below: ["Stay flat longer", "The heel may rise when the arms are level."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "heel-up",
          "Heel comes up",
          "trail-heel-up-at",
          "The trail heel is up before the strike.",
          good({ heel: { upAt: 0.6, finish: 50 } }),
        ),
        fault(
          "short",
          "Hardly steps",
          "trail-step-length",
          "The trail foot lands where it stood.",
          good({ trailOut: { length: -5, fromTop: -0.06, air: 0.24 } }),
        ),
      ],
    },
  ],
};
