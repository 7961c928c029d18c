import { swing } from "../../figure";
import type { Drill } from "../drill";
import { BEND_KEPT, CAUTIONS, fault, limit, PHONE, RULES, vary } from "../parts";

export const good = vary(swing, {
  gap: 44,
  size: 0.8,
  back: 0.95,
  down: 0.3,
  share: { loaded: 26, top: 48, impact: 74, finish: 88 },
  depth: { address: 50, top: 36, impact: 34 },
  bend: { address: 32, top: 32, impact: 31 },
  tilt: { address: 3, top: 3, impact: 9 },
});

export const drill: Drill = {
  id: "hips-on-wall",
  number: 17,
  name: "Hips on the wall",
  version: 1,
  group: "turning",
  why: "Hips that keep their distance from the ball leave room for the hands. The wall tells you without a mirror.",
  feel: "As if you sat back. The hands seem to have all the room there is.",
  level: 2,
  places: ["home", "range"],
  minutes: 8,
  trains: ["hips", "trunk"],
  gear: [
    {
      name: "Wall",
      instead: ["a chair", "a golf bag", "an alignment rod stuck in the ground behind you"],
    },
  ],
  notWhen: ["A sore lower back."],
  setUp: [
    "Stand so that the wall just touches your seat.",
    "Back: the trail side of your seat stays on it.",
    "Start down from the inner edge of the trail heel; the lead side takes its place.",
    "Swing slowly: the club must clear the wall.",
  ],
  at: {
    feet: "Your usual stance, seat touching.",
    ball: "Its usual place, or none.",
    club: "A middle iron.",
    phone: PHONE.both,
  },
  cautions: [
    ...CAUTIONS,
    "Make a slow swing first: the club must not meet the wall.",
    "A sore lower back: stop.",
  ],
  dose: { school: "home habit", sets: 2, reps: 8 },
  asked: ["How often did you lose the wall?"],
  styles: { drives: "trail drives" },
  helps: { thin: 2 },
  stages: [
    {
      id: "whole-dtl",
      name: "Seen from behind",
      view: "down-the-line",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: [
        limit({
          measure: "hipsToBall",
          name: "Hips keep off the ball",
          point: true,
          band: [null, 2],
          target: -3,
          fault: 6,
          phase: "impact",
          above: ["Stay on the wall", "Let the lead side of your seat find the wall."],
        }),
        limit({
          measure: "hipsToBallTop",
          name: "Hips keep off the ball, top",
          band: [null, 1],
          target: -3,
          fault: 5,
          phase: "top",
          above: ["Trail side stays back", "Turn the trail side along the wall."],
        }),
        BEND_KEPT,
      ],
      target: good(),
      faults: [
        fault(
          "to-the-ball",
          "Hips toward the ball",
          "hips-to-ball",
          "The rear edge of the hips comes nearer the ball.",
          good({ depth: { top: 36, impact: 88 }, bend: { impact: 20 } }),
        ),
      ],
    },
    {
      id: "knees-fo",
      name: "Knees, seen from in front",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      actions: [],
      note: "A rehearsal from this side: counted and shown.",
      checks: [
        limit({
          measure: "kneeGapDown",
          name: "Knees do not collapse",
          band: [0.5, null],
          target: 0.8,
          fault: 0.25,
          phase: "downswing feet",
          below: ["Knees stay apart", "Do not let the trail knee fall in."],
        }),
      ],
      target: good(),
    },
  ],
};
