import { cycle, type CycleOptions } from "../../figure";
import type { Drill } from "../drill";
import { CAUTIONS, fault, limit, must, ONE_LEG, PHONE, RULES, turns, vary } from "../parts";

export const good = vary<Partial<CycleOptions>>(cycle, {
  cycles: 5,
  period: 1.8,
  weight: 34,
  lag: 0.24,
  arms: 40,
  thorax: 42,
  stance: { gap: 42, stagger: 0 },
});

export const drill: Drill = {
  id: "rocking-board-level",
  number: 9,
  name: "Rocking board, level turn",
  version: 1,
  group: "ground",
  why: "The big turn belongs late in the way back. On a rocking board it can't be used up at the start.",
  feel: "You want to turn at once. Wait for the board.",
  level: 2,
  places: ["home"],
  minutes: 8,
  trains: ["feet", "trunk"],
  gear: [
    { name: "Plank over a round bar", instead: ["a balance board", "the floor"] },
    { name: "A book held at the chest", instead: ["a cushion"] },
  ],
  notWhen: [ONE_LEG, "A sore shoulder."],
  setUp: [
    "Stand on the board as for side to side, the book at chest height.",
    "Begin wound toward the target.",
    "Rock to the trail foot, and let the turn come after it, level.",
    "Rock back; again the turn comes after.",
  ],
  at: { feet: "Shoulder wide on the board.", ball: "None.", club: "None.", phone: PHONE.faceOn },
  cautions: [
    ...CAUTIONS,
    "You can fall: hard flat floor, something to hold near.",
    "Raised arms: not with shoulder or back trouble.",
  ],
  dose: { school: "home habit", sets: 3, reps: 10 },
  asked: ["Did you have to hold on?"],
  styles: { leads: "ground up" },
  helps: { shortBack: 5 },
  stages: [
    {
      id: "whole-fo",
      name: "Rock and turn",
      view: "face-on",
      main: true,
      rules: RULES.cycle,
      actions: [
        turns("thoraxRange", 80, [
          "Turn the chest further",
          "Let the book face well away from the target.",
        ]),
      ],
      checks: [
        must({
          measure: "groundLeadsHands",
          name: "Ground leads the hands",
          band: [60, null],
          target: 180,
          fault: -20,
          phase: "action",
          point: true,
          below: ["Rock, then turn", "Let the board tip before the book turns."],
        }),
        limit({
          measure: "handTravel",
          name: "The book goes round",
          band: [60, null],
          target: 75,
          fault: 45,
          phase: "backswing",
          below: ["Turn the book further", "The book stays at the chest and goes round with it."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "turns-first",
          "Turns first",
          "ground-leads-hands",
          "The hands turn round before the weight does.",
          good({ lag: -0.03 }),
        ),
      ],
    },
  ],
};
