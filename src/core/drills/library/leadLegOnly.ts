import { swing } from "../../figure";
import type { Drill } from "../drill";
import { advice, CAUTIONS, fault, limit, must, PHONE, RULES, turns, vary } from "../parts";

export const good = vary(swing, {
  gap: 24,
  stagger: 12,
  size: 0.5,
  back: 0.9,
  down: 0.28,
  club: "wedge" as const,
  hold: 1,
  share: { address: 88, loaded: 80, top: 84, impact: 90, finish: 94 },
  heel: { address: 38, upAt: 0.9, finish: 44 },
  rise: { drop: -2.5, impact: 2.5 },
  tilt: { address: 1, top: 1, impact: 4 },
  knees: { leadTop: -12, leadImpact: 2 },
  bend: { impact: 31 },
});

/** From in front a raised heel stands behind its own shoe (docs/decisions/08). */
const HEEL_UP = {
  name: "the trail heel is up at the start",
  question: "Did only the toe of the trail foot touch?",
};

export const drill: Drill = {
  id: "lead-leg-only",
  number: 4,
  name: "Lead leg only",
  version: 1,
  group: "balance",
  why: "One leg leaves no room to slide. The hip over it can only go back, and that is how it clears.",
  feel: "Short and shaky. A wall or the free hand on the belt is no cheating.",
  level: 3,
  places: ["home", "range"],
  minutes: 8,
  trains: ["balance", "hips", "knees"],
  gear: [
    { name: "Wedge", instead: ["a short stick"] },
    { name: "Wall", instead: ["a second club as a staff"] },
  ],
  notWhen: ["The lead knee or hip is injured or sore."],
  setUp: [
    "Stand on the lead leg; the trail toe touches the ground behind for balance only.",
    "At first hold on to a wall or lean on a second club.",
    "Swing to hip height and let the lead hip go back and round.",
    "Later: one arm, the other hand on the belt.",
  ],
  at: {
    feet: "All on the lead foot, trail toe behind.",
    ball: "In front of the lead foot.",
    club: "Behind the ball.",
    phone: PHONE.both,
  },
  cautions: [
    ...CAUTIONS,
    "Loads knee and hip: small swings only, and not with an injured lead knee.",
  ],
  dose: { school: "short sets", sets: 2, reps: 5 },
  asked: [],
  styles: { drives: "lead clears" },
  helps: { hook: 2 },
  stages: [
    {
      id: "whole-fo",
      name: "Small swings",
      view: "face-on",
      main: true,
      rules: { ...RULES.swing, uneven: true },
      centred: true,
      onProp: "trail",
      actions: [
        turns("thoraxTurnBack", 38, [
          "Turn on that leg",
          "Small, but a turn: the lead hip goes back and round.",
        ]),
      ],
      checks: [
        limit({
          measure: "leadShareAddress",
          name: "All on the lead foot",
          band: [75, null],
          target: 88,
          fault: 55,
          phase: "set-up",
          below: ["All on lead foot", "You should be able to lift the other."],
        }),
        must({
          measure: "pelvisSlide",
          name: "Hips do not slide",
          band: [null, 4],
          target: 1.5,
          fault: 7,
          phase: "impact",
          point: true,
          above: [
            "Hip back, not along",
            "Let the lead hip go behind you instead of toward the target.",
          ],
        }),
        advice({
          measure: "leadKneeAngleChangeTopToImpact",
          name: "Lead leg straightens",
          band: [8, null],
          target: 15,
          fault: 0,
          phase: "impact",
          below: ["Push lead leg straight", "Stand up on the lead leg as the club comes through."],
        }),
        advice({
          measure: "pelvisRiseToImpact",
          name: "Hips rise",
          band: [0, null],
          target: 2,
          fault: -2,
          phase: "impact",
          below: ["Rise through it", "Push the ground away."],
        }),
      ],
      blind: [HEEL_UP],
      target: good(),
      faults: [
        fault(
          "slides",
          "Slides over the foot",
          "pelvis-slide",
          "The hips travel toward the target from the top to the strike.",
          good({ share: { address: 80, loaded: 50, top: 52, impact: 100 }, tilt: { impact: 20 } }),
        ),
      ],
    },
    {
      id: "whole-dtl",
      name: "Seen from behind",
      view: "down-the-line",
      main: true,
      rules: RULES.swing,
      onProp: "trail",
      actions: [],
      checks: [
        limit({
          measure: "hipsToBall",
          name: "Hip goes back",
          point: true,
          band: [null, 0],
          target: -5,
          fault: 2,
          phase: "impact",
          above: ["Hip back", "Let the lead back pocket go behind you."],
        }),
      ],
      target: good({ depth: { top: 44, impact: 28 } }),
      faults: [
        fault(
          "to-the-ball",
          "Hips toward the ball",
          "hips-to-ball",
          "The rear edge of the hips comes nearer the ball.",
          good({ depth: { top: 50, impact: 84 }, bend: { impact: 18 } }),
        ),
      ],
    },
  ],
};
