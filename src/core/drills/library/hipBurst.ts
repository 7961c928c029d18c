import { hipsOnly } from "../../figure/scripts/gesture";
import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const base = {
  gap: 44,
  size: 0.8,
  back: 0.95,
  down: 0.32,
  share: { loaded: 32, top: 43, impact: 72, finish: 88 },
  pelvis: { top: -42, impact: 44, beforeTop: 0.12 },
  tilt: { address: 3, top: 3, impact: 9 },
};
const good = vary(swing, base);

export const drill: Drill = {
  id: "hip-burst",
  number: 30,
  name: "Hip burst",
  version: 1,
  group: "through",
  why: "A brief sharp opening of the hips, not far and not for long, puts what follows in order.",
  feel: "Over before the arms notice.",
  level: 3,
  places: ["home", "range"],
  minutes: 8,
  trains: ["hips", "trunk"],
  gear: [],
  notWhen: ["A sore lower back."],
  setUp: [
    "Fold the arms; hips only: a small move onto the lead leg, then the burst.",
    "Then let the chest answer, then the arms.",
    "Then a ball.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "None at first.",
    club: "None at first.",
    phone: PHONE.faceOn,
  },
  cautions: [
    ...CAUTIONS,
    "Quick, not violent; mind the lower back; do not hold the speed to the finish.",
  ],
  dose: { school: "short sets", sets: 3, reps: 5 },
  asked: [],
  styles: { leads: "ground up", drives: "lead clears" },
  helps: { hipsStall: 1 },
  stages: [
    {
      id: "hips-fo",
      name: "Hips only",
      view: "face-on",
      main: false,
      rules: { ...RULES.gesture, hipsOnly: true, slow: true },
      actions: [],
      checks: [],
      target: vary(hipsOnly, base)(),
      note: "A rehearsal: counted and shown.",
    },
    {
      id: "ball-fo",
      name: "With the arms",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: [
        must({
          measure: "pelvisTHalfwayDown",
          name: "A small move first",
          band: [2, 12],
          target: 6,
          fault: -3,
          phase: "downswing feet",
          point: true,
          below: ["Onto the lead leg", "A small move toward the target, then open."],
          above: ["A smaller move", "A hand's breadth, then open."],
        }),
        should({
          measure: "peakPelvisTurnAt",
          name: "Early burst",
          band: [null, 70],
          target: 45,
          fault: 96,
          phase: "downswing feet",
          above: ["Burst earlier", "Open while the hands are still high."],
        }),
        advice({
          measure: "pelvisRateAtImpact",
          name: "Burst is over",
          band: [null, 85],
          target: 55,
          fault: 100,
          phase: "impact",
          above: ["Let it go", "Do not hold the speed."],
        }),
        advice({
          measure: "loadRate",
          name: "Quick shift",
          band: [10, null],
          target: 20,
          fault: 2,
          phase: "downswing feet",
          below: ["Quicker shift", "Sharp, not far."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "no-move",
          "Opens on the spot",
          "pelvis-t-halfway-down",
          "The hips open without going to the lead leg.",
          good({ share: { loaded: 30, top: 26, impact: 50 }, tilt: { impact: 6, top: -5 } }),
        ),
        fault(
          "too-far",
          "Goes too far",
          "pelvis-t-halfway-down",
          "The hips travel a long way before they open.",
          good({
            share: { loaded: 34, top: 74, impact: 96 },
            tilt: { top: 8, impact: 16 },
            gap: 50,
          }),
        ),
      ],
    },
  ],
};
