import { swing } from "../../figure";
import type { Drill } from "../drill";
import { CAUTIONS, PHONE, RULES, vary } from "../parts";

const any = vary(swing, {});

export const drill: Drill = {
  id: "normal-swing",
  number: 31,
  name: "Five normal swings",
  version: 1,
  group: "baseline",
  why: "What you do when you think of nothing picks the drills that would help you. Its averages are your own references.",
  feel: "Ordinary. Do not show your best.",
  level: 1,
  places: ["home", "range"],
  minutes: 5,
  trains: [],
  gear: [{ name: "Any club", instead: [] }],
  notWhen: [],
  setUp: [
    "Warm up with a few easy swings.",
    "Film five swings as you always make them.",
    "If there is room, five more from behind.",
  ],
  at: {
    feet: "Your usual stance.",
    ball: "Its usual place, or none.",
    club: "Always the same one.",
    phone: PHONE.both,
  },
  cautions: CAUTIONS,
  dose: { school: "single focus", sets: 1, reps: 5, note: "Again every few weeks." },
  asked: [],
  styles: {},
  helps: {},
  stages: [
    {
      id: "whole-fo",
      name: "Seen from in front",
      view: "face-on",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: [],
      target: any(),
      note: "No pass or fail: a profile.",
    },
    {
      id: "whole-dtl",
      name: "Seen from behind",
      view: "down-the-line",
      main: true,
      rules: RULES.swing,
      actions: [],
      checks: [],
      target: any(),
      note: "No pass or fail: a profile.",
    },
  ],
};
