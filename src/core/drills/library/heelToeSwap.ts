import { cycle, type CycleOptions, swing, windUp } from "../../figure";
import type { Drill } from "../drill";
import {
  advice,
  CAUTIONS,
  fault,
  IN_PLACE,
  limit,
  must,
  PHONE,
  RULES,
  turns,
  vary,
} from "../parts";

const base = {
  gap: 36,
  size: 0.8,
  back: 1,
  down: 0.3,
  share: { loaded: 30, top: 46, impact: 66, finish: 86 },
  tilt: { address: 3, top: 5, impact: 9 },
  depth: { address: 50, top: 38, impact: 36 },
  knees: { trailTop: -24 },
  hold: 0.8,
};
export const good = vary(swing, base);
export const back = vary(windUp, { ...base, traits: { hipsOnly: true } });
const slow = vary<Partial<CycleOptions>>(cycle, {
  cycles: 5,
  period: 2.2,
  weight: 22,
  lag: 0.2,
  arms: 14,
  thorax: 26,
  stance: { gap: 44, stagger: 0 },
});

const turning = turns("thoraxTurnBack", 63, [
  "Let the hips turn",
  "Press the heel and the other toe until the hips turn.",
]);
const windingUp = turns("thoraxTurnBack", 63, [
  "Let the hips turn",
  "Press the trail heel until the hips have turned back.",
]);
const sway = must({
  measure: "pelvisSway",
  name: "Hips turn in place",
  band: [null, IN_PLACE],
  target: 1.5,
  fault: 7,
  phase: "backswing",
  point: true,
  above: [
    "Turn, don't sway",
    "Press the trail heel and the lead toe: the hips turn over the same spot.",
  ],
});
const head = limit({
  measure: "headDrift",
  name: "Head stays",
  band: [null, 8],
  target: 4,
  fault: 12,
  phase: "impact",
  above: ["Quieter head", "Turn under a head that stays."],
});
const headBack = limit({
  measure: "headDriftBack",
  name: "Head stays, on the way back",
  band: [null, 8],
  target: 4,
  fault: 14,
  phase: "top",
  above: ["Quieter head", "Turn under a head that stays."],
});
const kneeOut = limit({
  measure: "trailKneeOut",
  name: "Trail knee stays in",
  band: [null, 3],
  target: -2,
  fault: 8,
  phase: "backswing",
  above: ["Trail knee stays in", "Press the heel of that foot, not its outer edge."],
});
const kneeIn = advice({
  measure: "trailKneeIn",
  name: "Trail knee not pulled in",
  band: [null, 5],
  target: 2,
  fault: 10,
  phase: "backswing",
  above: ["Trail knee stays out", "Let the knee point over its foot."],
});
const slide = must({
  measure: "pelvisSlide",
  name: "Hips do not slide",
  band: [null, 8],
  target: 4,
  fault: 12,
  phase: "impact",
  above: ["Turn, don't slide", "Press the lead heel and let the hips turn round it."],
});
const chest = advice({
  measure: "thoraxBeforeHands",
  name: "Chest turns back before the hands",
  band: [0, null],
  target: 80,
  fault: -80,
  phase: "top",
  below: ["Chest, then hands", "Let the arms wait."],
});
const wall = [
  limit({
    measure: "hipsToBallTop",
    name: "Hips keep off the ball, top",
    band: [null, 1],
    target: -3,
    fault: 5,
    phase: "top",
    above: ["Trail pocket back", "Press the trail heel: its pocket goes behind you."],
  }),
  limit({
    measure: "hipsToBall",
    name: "Hips keep off the ball, strike",
    point: true,
    band: [null, 2],
    target: -3,
    fault: 6,
    phase: "impact",
    above: ["Lead pocket back", "Press the lead heel: its pocket goes behind you."],
  }),
  advice({
    measure: "copDepthImpact",
    name: "Pressure along the feet",
    band: [null, 60],
    target: 36,
    fault: 85,
    phase: "impact",
    above: ["Onto the heel", "Feel the lead heel."],
  }),
];

const swaying = (make: typeof good | typeof back) =>
  fault(
    "sways",
    "Hips sway",
    "pelvis-sway",
    "The hips leave their place away from the target.",
    make({ tilt: { top: -10 }, share: { loaded: 4, top: 20 } }),
  );
const sliding = fault(
  "slides",
  "Hips slide through",
  "pelvis-slide",
  "The hips travel toward the target after the top.",
  good({ share: { top: 20, impact: 94 }, tilt: { impact: 20 } }),
);

export const drill: Drill = {
  id: "heel-toe-swap",
  number: 13,
  name: "Heel and toe swap",
  version: 1,
  group: "turning",
  why: "Press one heel and the other toe, and the hips turn of themselves in place. Nothing needs to be turned by will.",
  feel: "Powerless at first. The feet do all of it.",
  level: 1,
  places: ["home", "range"],
  minutes: 10,
  trains: ["feet", "hips"],
  gear: [],
  notWhen: [],
  setUp: [
    "Stand in your stance, no ball, hands folded at the chest.",
    "Back: press the trail heel and the lead toe.",
    "Through: press the lead heel and the trail toe.",
    "Join the two, then one hand, then quicker, then a ball.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "None at first.",
    club: "None at first, then a middle iron.",
    phone: PHONE.both,
  },
  cautions: CAUTIONS,
  dose: { school: "home habit", sets: 3, reps: 8 },
  asked: ["Did you feel heel and toe?"],
  styles: { loading: "centred", drives: "lead clears", pressesBack: "heel" },
  helps: { thin: 3, slice: 5, hook: 1, shortBack: 3, sway: 4, hipsStall: 3 },
  stages: [
    {
      id: "slow-fo",
      name: "Slow, no club",
      view: "face-on",
      main: false,
      rules: { ...RULES.cycle, slow: true },
      actions: [],
      checks: [],
      target: slow(),
      note: "A rehearsal: heel and toe are a feel; insoles measure them.",
    },
    {
      id: "back-fo",
      name: "Back only",
      view: "face-on",
      main: false,
      rules: { ...RULES.gesture, hipsOnly: true },
      centred: true,
      actions: [windingUp],
      checks: [sway, headBack, kneeOut, kneeIn],
      target: back(),
      faults: [swaying(back)],
    },
    {
      id: "joined-fo",
      name: "Joined",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      centred: true,
      actions: [turning],
      checks: [sway, head, slide, kneeOut, kneeIn, chest],
      target: good(),
      faults: [swaying(good), sliding],
    },
    {
      id: "joined-dtl",
      name: "Joined, seen from behind",
      view: "down-the-line",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: wall,
      target: good(),
      faults: [
        fault(
          "to-the-ball",
          "Hips toward the ball",
          "hips-to-ball",
          "The rear edge of the hips comes nearer the ball at the strike.",
          good({ depth: { top: 40, impact: 88 }, bend: { impact: 18 } }),
        ),
      ],
    },
  ],
};
