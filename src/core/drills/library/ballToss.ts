import { toss } from "../../figure";
import type { Drill } from "../drill";
import { CAUTIONS, fault, limit, must, RULES, vary } from "../parts";

export const good = vary(toss, {
  gap: 36,
  back: 0.9,
  share: { loaded: 28, top: 54, impact: 90, finish: 84 },
  tilt: { impact: 2 },
});

export const drill: Drill = {
  id: "ball-toss",
  number: 28,
  name: "Ball toss",
  version: 1,
  group: "through",
  why: "Golfers hang back to lift the ball. A low toss ahead of the lead foot can't be made that way.",
  feel: "Like skimming a stone. Nobody has to be taught it.",
  level: 1,
  places: ["home", "range"],
  minutes: 6,
  trains: ["hips", "balance"],
  gear: [{ name: "Soft ball", instead: ["a pair of rolled socks", "a sponge"] }],
  notWhen: ["A sore throwing shoulder."],
  setUp: [
    "Take the ball in the trail hand, no club.",
    "Swing the arm back underhand.",
    "Toss so that it bounces a pace ahead of the lead foot.",
    "Let the trail foot follow.",
  ],
  at: {
    feet: "A little narrower than usual.",
    ball: "In the trail hand.",
    club: "None.",
    phone: "In front of you at hip height, four paces off; not where the ball goes.",
  },
  cautions: [...CAUTIONS, "It bounces back: mind windows and the phone."],
  dose: { school: "short sets", sets: 2, reps: 8 },
  asked: ["How many bounced ahead of the lead foot?"],
  styles: { weightAtTop: "re-centred" },
  helps: { heavy: 1 },
  stages: [
    {
      id: "whole-fo",
      name: "Low tosses",
      view: "face-on",
      main: true,
      rules: RULES.gesture,
      actions: [],
      checks: [
        must({
          measure: "pelvisTRelease",
          name: "Hips go toward the target",
          band: [3, null],
          target: 10,
          fault: -1.2,
          phase: "impact",
          point: true,
          below: ["Go with the toss", "Let the hips follow the hand."],
        }),
        must({
          measure: "leadShareRelease",
          name: "On the lead foot at the release",
          band: [65, null],
          target: 85,
          fault: 46,
          phase: "impact",
          point: true,
          below: ["Throw off lead foot", "Be on the lead foot when the ball leaves."],
        }),
        limit({
          measure: "leadShareFinish",
          name: "No falling back",
          band: [60, null],
          target: 85,
          fault: 40,
          phase: "finish",
          below: ["Do not fall back", "Stay with the toss to the end."],
        }),
        limit({
          measure: "pelvisTurnRelease",
          name: "Hips open",
          band: [5, null],
          target: 40,
          fault: -20,
          phase: "impact",
          below: ["Open the hips", "Belt to the target."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "hangs-back",
          "Hangs back",
          "lead-share-release",
          "The toss is made from the trail foot.",
          good({ share: { top: 24, impact: 34, finish: 50 }, tilt: { impact: 12 } }),
        ),
      ],
    },
  ],
};
