import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { CAUTIONS, PHONE, RULES, vary } from "../parts";

export const drill: Drill = {
  id: "transfer-check", number: 32, name: "Transfer check", version: 1, group: "baseline",
  why: "A drill is worth what is left of it in your own swing. After a set, a few plain swings are judged by what the drill carries over.",
  feel: "Like any swing. Do not try to show the drill.",
  level: 1, places: ["home", "range"], minutes: 3, trains: [],
  gear: [{ name: "The club of the drill", instead: [] }], notWhen: [],
  setUp: ["Put props away.", "Make two or three swings as you always make them."],
  at: { feet: "Your usual stance.", ball: "Its usual place, or none.", club: "The one of the drill.", phone: PHONE.both },
  cautions: CAUTIONS,
  dose: { school: "short sets", sets: 1, reps: 3, note: "After each set of a drill." },
  asked: [], styles: {}, helps: {},
  stages: [
    { id: "whole-fo", name: "Seen from in front", view: "face-on", main: true, rules: RULES.swing, actions: [], checks: [], target: vary(swing, {})(), note: "Judged by the carried checks of the drill before it." },
    { id: "whole-dtl", name: "Seen from behind", view: "down-the-line", main: true, rules: RULES.swing, actions: [], checks: [], target: vary(swing, {})(), note: "Judged by the carried checks of the drill before it." },
  ],
};
