import { hold, pivot, type PivotOptions, swing } from "../../figure";
import type { Drill } from "../drill";
import { action, advice, CAUTIONS, fault, limit, must, PHONE, RULES, vary } from "../parts";

export const good = vary<Partial<PivotOptions>>(pivot, {
  foot: "trail",
  times: 4,
  turn: 90,
  drag: 0.5,
  period: 1.8,
  stance: { gap: 52, stagger: 0 },
});
const joined = vary(swing, {
  gap: 44,
  size: 0.8,
  share: { loaded: 24, top: 54, impact: 76, finish: 90 },
});

export const drill: Drill = {
  id: "trail-foot-pivot",
  number: 22,
  name: "Trail-foot pivot",
  version: 1,
  group: "trail foot",
  why: "The turning effort of the foot moves the pelvis with nothing else helping. Few golfers know that they can do it.",
  feel: "Comical. After fifty of them the hips know.",
  level: 1,
  places: ["home"],
  minutes: 6,
  trains: ["feet", "hips"],
  gear: [
    {
      name: "Surface on which the sole turns",
      instead: ["a bare mat and soft shoes", "socks on wood"],
    },
    { name: "Rod", instead: ["a broomstick"] },
  ],
  notWhen: ["A sore knee or ankle."],
  setUp: [
    "Braced: rod across the chest, twist the trail foot as if to wring the mat under it; nothing moves but the pelvis.",
    "Pivot: turn the trail foot about its heel toward the target and back, the pelvis with it.",
    "Joined: shoes that grip, a swing; the same effort.",
  ],
  at: {
    feet: "Two shoes apart: the toe turns without meeting the other foot, and the camera sees it all the way.",
    ball: "None.",
    club: "None; in the last stage a middle iron.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "Ankle and knee twist: slowly first."],
  dose: {
    school: "counted sets",
    sets: 9,
    reps: 8,
    note: "Count aloud; a set with a miss is done again.",
  },
  asked: [],
  styles: { drives: "trail drives" },
  helps: { feetSlip: 2 },
  stages: [
    {
      id: "braced-fo",
      name: "Braced turn",
      view: "face-on",
      main: false,
      rules: { kind: "hold", clubAhead: false },
      actions: [],
      checks: [],
      target: () => hold({ on: "trail", seconds: 1.2 }),
      note: "A rehearsal: nothing moves that a camera could see. After each twist lift the lead foot: that counts one.",
    },
    {
      id: "pivot-fo",
      name: "Pivot",
      view: "face-on",
      main: true,
      rules: { kind: "pivot", clubAhead: false, foot: "trail" },
      actions: [
        action(
          "turns",
          "The foot turns",
          { kind: "measure", measure: "trailFootTurn", atLeast: 10 },
          ["Turn the trail foot", "Turn the whole foot about its heel."],
        ),
      ],
      checks: [
        must({
          measure: "trailFootTurn",
          name: "A full turn",
          band: [60, null],
          target: 90,
          fault: 30,
          phase: "action",
          point: true,
          below: ["Turn foot further", "Let the toe point at the target."],
        }),
        advice({
          measure: "trailHeelTravel",
          name: "Heel stays",
          band: [null, 5],
          fixed: true,
          target: 1,
          fault: 9,
          phase: "backswing feet",
          above: ["Heel stays put", "Turn about the heel, do not drag it."],
        }),
      ],
      blind: [
        {
          name: "the heel stays in its place",
          question: "Did the heel stay where it was while the foot turned?",
        },
      ],
      target: good(),
      faults: [
        fault(
          "half-turn",
          "Half a turn",
          "trail-foot-turn",
          "The foot stops before it points at the target.",
          good({ turn: 30 }),
        ),
      ],
    },
    {
      id: "joined-fo",
      name: "Joined",
      view: "face-on",
      main: false,
      rules: RULES.swing,
      actions: [],
      note: "A rehearsal: counted and shown.",
      checks: [
        limit({
          measure: "slideBeforeHands",
          name: "Hips go before the hands",
          band: [0, null],
          target: 90,
          fault: -80,
          phase: "top",
          below: ["Foot, then hands", "Twist the foot before the hands come down."],
        }),
      ],
      target: joined(),
    },
  ],
};
