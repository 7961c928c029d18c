import { swing } from "../../figure";
import type { Drill } from "../drill";
import { action, CAUTIONS, fault, limit, PHONE, vary } from "../parts";

export const good = vary(swing, {
  gap: 42,
  still: 0.5,
  back: 1.05,
  down: 0.28,
  rock: { share: 86, lead: 0.5 },
  loadedAt: 0.45,
  share: { address: 34, loaded: 16, top: 74, impact: 80, finish: 93 },
  tilt: { address: 2, top: 2, impact: 9 },
});

export const drill: Drill = {
  id: "lead-trail-lead",
  number: 10,
  name: "Lead, trail, lead",
  version: 1,
  group: "ground",
  why: "Three even beats bring you onto the lead foot while the arms still go back. The count does what thinking can't.",
  feel: "Like a waltz. The last beat comes much sooner than you believe.",
  level: 2,
  places: ["home", "range"],
  minutes: 10,
  trains: ["feet", "hips"],
  gear: [{ name: "Any club", instead: ["a stick of that length"] }],
  notWhen: [],
  setUp: [
    "Begin with the weight on the trail foot, club at the ball.",
    "Count one: onto the lead foot. Two: onto the trail foot as the club goes back. Three: onto the lead foot, before it comes down.",
    "Keep the three beats even; the program can play them.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "Its usual place, or none.",
    club: "At the ball.",
    phone: PHONE.faceOn,
  },
  cautions: CAUTIONS,
  dose: { school: "short sets", sets: 3, reps: 5 },
  asked: [],
  styles: { weightAtTop: "re-centred", leads: "ground up" },
  helps: { noDistance: 4, slice: 3 },
  stages: [
    {
      id: "whole-fo",
      name: "Three beats",
      view: "face-on",
      main: true,
      rules: { kind: "swing", clubAhead: false, movingStart: true },
      actions: [
        action(
          "reversals",
          "The weight goes to and fro",
          { kind: "measure", measure: "shareReversals", atLeast: 2 },
          ["Lead, trail, lead", "Go to the lead foot, to the trail foot and back, one beat each."],
        ),
      ],
      checks: [
        limit({
          measure: "recentreBeforeTop",
          name: "On the lead foot before the top",
          band: [40, null],
          target: 160,
          fault: -80,
          phase: "top",
          point: true,
          below: ["Third beat sooner", "Be on the lead foot while the club still goes back."],
        }),
        limit({
          measure: "groundFirst",
          name: "Ground before hands",
          band: [30, null],
          target: 200,
          fault: -60,
          phase: "action",
          below: ["Feet, then hands", "Let the first beat start the club."],
        }),
        limit({
          measure: "beatSpread",
          name: "Even beats",
          band: [null, 15],
          target: 6,
          fault: 30,
          phase: "finish",
          above: ["More even beats", "Count aloud."],
        }),
      ],
      target: good(),
      faults: [
        fault(
          "third-late",
          "Third beat late",
          "recentre-before-top",
          "The weight crosses when the club is already coming down.",
          good({ loadedAt: 0.7, share: { top: 36, impact: 74 } }),
        ),
        fault(
          "no-rock",
          "Only one way",
          "reversals",
          "The weight does not go to the lead foot before it goes back.",
          good({ rock: { share: 36, lead: 0.4 }, share: { address: 30, loaded: 24 } }),
        ),
      ],
    },
  ],
};
