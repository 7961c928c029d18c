import { doubleStep, type DoubleStepOptions } from "../../figure/scripts/doubleStep";
import type { Drill } from "../drill";
import { action, CAUTIONS, fault, PHONE, vary } from "../parts";

const BODY = [true, true] as const;
const FIXED = [false, false] as const;

const good = vary<Partial<DoubleStepOptions>>(doubleStep, { leadBeforeTop: 0.08, tiltTop: 4, loadedShare: 15, leadStep: 10 });

/** Trail foot, then hands; lead foot before they come back. */
export const drill: Drill = {
  id: "double-step", number: 5, name: "Double step", version: 1, group: "ground",
  why: "Weight that moves before the club lets the hips turn freely. Standing still over the ball forbids it.",
  feel: "Like dancing with a club. The ball is often missed at first; that is no matter.",
  level: 2, places: ["home", "range"], minutes: 15, trains: ["feet", "hips"],
  gear: [{ name: "Iron", instead: ["a stick of that length"] }, { name: "Tee", instead: ["no ball at all"] }],
  notWhen: ["A sore knee or ankle: try it without a club first, as small as you like."],
  setUp: [
    "Narrow your stance to little more than a hip's width: ankles 20 to 24 cm apart.",
    "Hold an iron with its head a hand ahead of the ball; a tee helps at first.",
    "Step the trail foot a shoe's breadth away from the target, then let the hands go.",
    "Step the lead foot toward the target before the hands come back down.",
  ],
  at: { feet: "A hip's width apart.", ball: "In the middle, on a tee.", club: "A hand ahead of the ball.", phone: PHONE.faceOn },
  cautions: [...CAUTIONS, "The club passes over the ball: keep your feet clear of it."],
  dose: { school: "short sets", sets: 4, reps: 4, note: "A swing of your own after each set." },
  asked: [], styles: { loading: "travel", leads: "ground up" }, helps: { noDistance: 1, stuckBefore: 2, shortBack: 1 },
  stages: [
    {
      id: "whole-fo",
      name: "The whole drill",
      view: "face-on",
      main: true,
      rules: { kind: "step-swing", clubAhead: true, stepsFirst: true },
      actions: [
        action("trailStep", "Trail foot steps", { kind: "step", foot: "trail", before: "top" }, ["Step the trail foot", "Lift the trail foot and set it down a little farther from the target before the hands go."]),
        action("leadStep", "Lead foot steps", { kind: "step", foot: "lead", before: "impact" }, ["Step the lead foot", "While the club is still going back, lift the lead foot and set it down toward the target."]),
      ],
      checks: [
        {
          id: "foot-first", name: "Foot before hands", measure: "trailStepBeforeHands", band: [-20, null], scales: FIXED, target: 100, fault: -150, level: "must", point: true, phase: "backswing feet",
          below: { cue: "Foot before hands", next: "Stand still, step, then let the club go." },
        },
        {
          // The upper size is under a shoe's length and scales with the golfer; the smaller limit is what can be told from a shuffle.
          id: "small-step", name: "Small trail step", measure: "trailStepLength", band: [-16, -4], scales: [true, false], target: -9, fault: -24, level: "must", point: false, phase: "backswing feet",
          below: { cue: "Smaller trail step", next: "Half a shoe is enough: a long step leaves you standing wide." },
          above: { cue: "Longer trail step", next: "Move the trail foot half a shoe away from the target." },
        },
        {
          id: "weight-back", name: "Weight on the trail foot", measure: "trailSharePeak", band: [60, null], scales: FIXED, target: 85, fault: 35, level: "must", point: true, phase: "backswing",
          below: { cue: "Weight to trail foot", next: "Do not only step: stand on the trail foot before the lead foot leaves." },
        },
        {
          id: "hips-inside", name: "Hips stay inside", measure: "pelvisSway", band: [null, 5], scales: BODY, target: 1, fault: 9, level: "must", point: false, phase: "backswing",
          above: { cue: "Hips inside the foot", next: "Let the weight stop over the inside of the trail foot; turn there." },
        },
        {
          id: "head-quiet", name: "Head stays quiet", measure: "headDrift", band: [null, 12], scales: BODY, target: 6, fault: 18, level: "should", point: false, phase: "impact",
          above: { cue: "Quieter head", next: "Let the feet travel under a head that stays." },
        },
        {
          id: "lead-lift", name: "Lead foot up halfway back", measure: "leadLiftFromMidBack", band: [-150, 150], scales: FIXED, target: 0, fault: 300, level: "should", point: false, phase: "top",
          below: { cue: "Lead foot later", next: "Wait until the lead arm is level, then lift the lead foot." },
          above: { cue: "Lead foot sooner", next: "Lift the lead foot when the lead arm is level." },
        },
        {
          id: "lead-step", name: "Lead foot steps out", measure: "leadStepLength", band: [4, null], scales: BODY, target: 11, fault: 0, level: "must", point: false, phase: "top",
          below: { cue: "Step toward target", next: "Set the lead foot down nearer the target than it stood." },
        },
        {
          id: "lead-down", name: "Lead foot down by the top", measure: "leadLandBeforeTop", band: [-40, null], scales: FIXED, target: 60, fault: -120, level: "must", point: true, phase: "top",
          below: { cue: "Lead foot down sooner", next: "Let the lead foot land while the club is still going back." },
        },
        {
          id: "weight-across", name: "Weight across by the top", measure: "recentreBeforeTop", band: [-60, null], scales: FIXED, target: 20, fault: -150, level: "should", point: false, phase: "top",
          below: { cue: "Across before the top", next: "Fall onto the lead foot as it lands; do not wait for the club." },
        },
      ],
      target: good(),
      faults: [
        fault("too-big", "Trail step too big", "small-step", "The trail foot lands more than a shoe away.", good({ trailStep: -25, trailAir: 0.34, loadedShare: 16 })),
        fault("hands-first", "Hands first", "foot-first", "The hands are on their way before the trail foot leaves.", good({ trailFirst: -0.2, still: 0.8, back: 1.15, trailAir: 0.26 })),
        fault("lead-late", "Lead foot late", "lead-down", "The lead foot lands when the hands are already coming down.", good({ leadBeforeTop: -0.16 })),
        fault("no-weight", "Steps without the weight", "weight-back", "The feet move, the hips stay in the middle.", good({ sentShare: 68, loadedShare: 65, leadAir: 0.18, trailAir: 0.24, leadStep: 8 })),
        fault("sways", "Sways past the foot", "hips-inside", "The hips end outside the trail foot.", good({ tiltTop: -19, loadedShare: 2, trailStep: -6 })),
      ],
    },
  ],
};
