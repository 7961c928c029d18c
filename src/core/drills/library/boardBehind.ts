import { swing } from "../../figure";
import type { Drill } from "../drill";
import { CAUTIONS, fault, limit, must, PHONE, RULES, vary } from "../parts";

export const good = vary(swing, {
  gap: 40,
  size: 0.55,
  back: 0.9,
  down: 0.3,
  share: { loaded: 30, top: 58, impact: 82, finish: 88 },
  tilt: { address: 2, top: 2, impact: 5 },
});

export const drill: Drill = {
  id: "board-behind",
  number: 29,
  name: "Board behind",
  version: 1,
  group: "through",
  why: "Only from the lead foot does the club meet the ground after the marker. The marker says at once where it was.",
  feel: "Steep. You will miss the marker by miles and believe that you touch it.",
  level: 2,
  places: ["range"],
  minutes: 10,
  trains: ["hips", "arms"],
  gear: [{ name: "Soft board", instead: ["a folded towel", "a headcover"] }],
  notWhen: [],
  setUp: [
    "Lay the towel a hand's span behind the ball.",
    "Half swings: miss the towel, meet the ground after it.",
    "Move it closer as you improve.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "In the middle; the towel a hand behind it.",
    club: "A short iron.",
    phone: PHONE.faceOn,
  },
  cautions: [...CAUTIONS, "Soft things only: a hard board can throw the club."],
  dose: { school: "short sets", sets: 3, reps: 6 },
  asked: ["How often did the club touch the towel?"],
  styles: { weightAtTop: "re-centred" },
  helps: { heavy: 2 },
  stages: [
    {
      id: "half-fo",
      name: "Half swings",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: [
        must({
          measure: "leadShareImpact",
          name: "On the lead foot at the strike",
          band: [60, null],
          target: 76,
          fault: 42,
          phase: "impact",
          point: true,
          below: ["Be across sooner", "Be on the lead foot before the hands arrive."],
        }),
        limit({
          measure: "pelvisSlide",
          name: "Hips go a little",
          band: [2, null],
          target: 5,
          fault: -2,
          phase: "impact",
          below: ["Let the hips go", "A little toward the target before the strike."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "hangs-back",
          "Hangs back",
          "lead-share-impact",
          "The ball is struck from the trail foot.",
          good({ share: { top: 38, impact: 40, finish: 64 }, tilt: { impact: 10 } }),
        ),
      ],
    },
  ],
};
