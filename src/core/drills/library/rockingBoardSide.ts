import { cycle, type CycleOptions } from "../../figure";
import type { Drill, Stage } from "../drill";
import { CAUTIONS, fault, limit, must, ONE_LEG, PHONE, RULES, vary } from "../parts";

export const good = vary<Partial<CycleOptions>>(cycle, {
  cycles: 5,
  period: 1.9,
  weight: 34,
  lag: 0.26,
  arms: 26,
  thorax: 20,
  stance: { gap: 42, stagger: 0 },
});
const leads = (low: number, high: number | null, point = true) =>
  must({
    measure: "groundLeadsHands",
    name: "Ground leads the hands",
    band: [low, high],
    target: 180,
    fault: 0,
    phase: "action",
    ...(point ? { point: true as const } : {}),
    below: ["Feet first, hands follow", "Press one foot, and let the hands arrive later."],
    above: ["Let the hands come", "Do not hold the hands back: let them hang and follow."],
  });

const stage = (
  id: string,
  name: string,
  main: boolean,
  slow: boolean,
  period: number,
  note: string,
  club: number | null = null,
): Stage => ({
  id,
  name,
  view: "face-on",
  main,
  rules: { ...RULES.cycle, ...(slow ? { slow: true } : {}) },
  actions: [],
  note,
  checks: [
    leads(80, slow ? 400 : null),
    limit({
      measure: "handRange",
      name: "Hands stay over the feet",
      band: [null, 15],
      target: 8,
      fault: 24,
      phase: "finish",
      above: ["Smaller hands", "Let the hands swing no farther than the feet."],
    }),
    limit({
      measure: "handRise",
      name: "Hands stay low",
      band: [null, 25],
      target: 9,
      fault: 50,
      phase: "finish",
      above: ["Smaller hands", "Let the hands hang: they swing no higher than the hips."],
    }),
  ],
  target: good({ period, club }),
  faults: [
    fault(
      "block",
      "All in one block",
      "ground-leads-hands",
      "Weight and hands turn round at the same moment.",
      good({ period, lag: 0, club }),
    ),
  ],
});

export const drill: Drill = {
  id: "rocking-board-side",
  number: 8,
  name: "Rocking board, side to side",
  version: 1,
  group: "ground",
  why: "The ground should carry the arms, not the arms the ground. On a board that rocks there is no other way.",
  feel: "Lazy. When it is right the arms seem to be late.",
  level: 2,
  places: ["home"],
  minutes: 8,
  trains: ["feet", "arms"],
  gear: [
    {
      name: "Plank over a round bar",
      instead: [
        "a balance board",
        "a cutting board over a rolling pin in a towel",
        "the floor: stage 3",
      ],
    },
    { name: "Something light and flat", instead: ["a tea towel", "a magazine"] },
  ],
  notWhen: [ONE_LEG, "Dizziness."],
  setUp: [
    "Lay the board over the bar on a hard flat floor, with something to hold near.",
    "Stand on it, feet shoulder wide, arms hanging, the light thing held loosely.",
    "Rock from foot to foot; let the arms swing short and late.",
    "Later a little quicker, with the hands no farther.",
  ],
  at: {
    feet: "Shoulder wide on the board.",
    ball: "None.",
    club: "None at first; later a club, hands down the grip.",
    phone: PHONE.faceOn,
  },
  cautions: [
    ...CAUTIONS,
    "You can fall: hard flat floor, something to hold near.",
    "Nothing that breaks in the hands.",
  ],
  dose: { school: "home habit", sets: 3, reps: 12 },
  asked: ["Did you have to hold on?"],
  styles: { leads: "ground up" },
  helps: { noDistance: 3, stuckBefore: 3 },
  stages: [
    stage("slow-fo", "Slow", true, true, 1.9, "Find the rhythm first."),
    stage(
      "faster-fo",
      "Faster",
      false,
      false,
      1.45,
      "A fifth quicker than the slow stage, with the hands no farther: compared over the bout.",
    ),
    stage(
      "floor-fo",
      "On the floor, with a club",
      false,
      false,
      1.5,
      "The same without the board, hands down the grip.",
      0.4,
    ),
  ],
};
