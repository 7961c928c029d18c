import type { Drill } from "./drill";

const BODY = [true, true] as const;
const FIXED = [false, false] as const;

/** Drill 5: trail foot, then hands; lead foot before they come back. */
export const doubleStep: Drill = {
  id: "double-step",
  name: "Double step",
  version: 1,
  why: "Weight that moves before the club lets the hips turn freely. Standing still over the ball forbids it.",
  setUp: [
    "Narrow your stance to little more than a hip's width: ankles 20 to 24 cm apart.",
    "Hold an iron with its head a hand ahead of the ball; a tee helps at first.",
    "Step the trail foot a shoe's breadth away from the target, then let the hands go.",
    "Step the lead foot toward the target before the hands come back down.",
  ],
  cautions: [
    "Warm up. Clear space for the whole club, ceiling and people behind.",
    "The club passes over the ball: keep your feet clear of it.",
    "Stop at pain, and see a doctor, physiotherapist or qualified teacher.",
  ],
  stages: [
    {
      id: "whole-fo",
      name: "The whole drill",
      view: "face-on",
      main: true,
      rules: { kind: "step-swing", clubAhead: true, stepsFirst: true },
      actions: [
        { id: "trailStep", name: "Trail foot steps", foot: "trail", before: "top", cue: "Step the trail foot", next: "Lift the trail foot and set it down a little farther from the target before the hands go." },
        { id: "leadStep", name: "Lead foot steps", foot: "lead", before: "impact", cue: "Step the lead foot", next: "While the club is still going back, lift the lead foot and set it down toward the target." },
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
    },
  ],
};
