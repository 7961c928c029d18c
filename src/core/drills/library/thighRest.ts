import { hipsOnly } from "../../figure";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, must, PHONE, RULES, turns, vary } from "../parts";

export const good = vary(hipsOnly, {
  gap: 42,
  size: 0.8,
  back: 1.1,
  down: 0.5,
  share: { loaded: 30, top: 44, impact: 56, finish: 60 },
  knees: { trailTop: 4, trailImpact: 2 },
  heel: { finish: 10, upAt: 1.5 },
  tilt: { address: 2, top: 3, impact: 3 },
});

export const drill: Drill = {
  id: "thigh-rest",
  number: 16,
  name: "Thigh rest",
  version: 1,
  group: "turning",
  why: "A knee that stays makes the hip turn. The rod on your thigh tells at once when it does not.",
  feel: "Small. The turn is all in the hip.",
  level: 1,
  places: ["home"],
  minutes: 6,
  trains: ["knees", "hips"],
  gear: [{ name: "Light rod", instead: ["a ruler", "a wooden spoon", "a rolled magazine"] }],
  notWhen: [],
  setUp: [
    "Stand in your stance without a club.",
    "Reach across with the lead arm and lay the rod along the trail thigh.",
    "Turn back; the rod stays where it is.",
    "Turn through slowly.",
  ],
  at: { feet: "Your usual stance.", ball: "None.", club: "None.", phone: PHONE.faceOn },
  cautions: CAUTIONS,
  dose: { school: "home habit", sets: 2, reps: 10 },
  asked: ["How often did the rod fall?"],
  then: ["big-toe-brace"],
  styles: {},
  helps: { sway: 2 },
  stages: [
    {
      id: "whole-fo",
      name: "Turns",
      view: "face-on",
      main: true,
      rules: { ...RULES.gesture, hipsOnly: true },
      centred: true,
      actions: [
        turns("pelvisTurnBack", 34, ["Turn the hip", "The knee stays, the hip goes round."]),
      ],
      checks: [
        must({
          measure: "trailKneeOut",
          name: "Trail knee stays in",
          band: [null, 4],
          target: -2,
          fault: 9,
          phase: "backswing",
          point: true,
          above: ["Trail knee stays in", "Turn the hip, leave the knee."],
        }),
        advice({
          measure: "trailKneeTravelAddressToTop",
          name: "Trail knee stays",
          band: [null, 6],
          target: 2,
          fault: 11,
          phase: "backswing",
          above: ["Knee still, hip turns", "The knee points where it pointed."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "knee-out",
          "Knee kicks out",
          "trail-knee-out",
          "The trail knee goes outside its foot.",
          good({ gap: 30, knees: { trailTop: -80 }, share: { loaded: 10, top: 40 } }),
        ),
      ],
    },
  ],
};
