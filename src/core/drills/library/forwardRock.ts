import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { CAUTIONS, fault, must, PHONE, should, vary } from "../parts";

const good = vary(swing, {
  gap: 42, still: 0.5, back: 0.95, down: 0.28, clubAhead: 16, rock: { share: 90, lead: 0.45 }, share: { loaded: 20, top: 56, impact: 78, finish: 92 }, tilt: { address: 2, top: 3, impact: 10 },
});

export const drill: Drill = {
  id: "forward-rock", number: 7, name: "Forward rock", version: 1, group: "ground",
  why: "Weight that is all on the lead foot has something to push from. A frozen start has nothing.",
  feel: "As if the swing began without you. Do not stop to check.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["feet", "hips"],
  gear: [{ name: "Any club", instead: ["a stick of that length"] }],
  notWhen: [],
  setUp: ["Hold the clubhead a hand's length ahead of the ball.", "Rock onto the lead foot until the other is light.", "Without a stop push off it and let the club go back over the ball."],
  at: { feet: "Your usual stance.", ball: "Its usual place.", club: "A hand ahead of the ball.", phone: PHONE.faceOn },
  cautions: [...CAUTIONS, "The club comes back over the ball: keep your feet clear of it."],
  dose: { school: "short sets", sets: 3, reps: 5 },
  asked: [], styles: { loading: "travel", leads: "ground up" }, helps: { noDistance: 2, stuckBefore: 1 },
  stages: [{
    id: "whole-fo", name: "Rock and go", view: "face-on", main: true, rules: { kind: "swing", clubAhead: true, movingStart: true }, actions: [],
    checks: [
      must({ measure: "leadSharePeakBeforeHands", name: "Rocks onto the lead foot", band: [70, null], target: 90, fault: 52, phase: "action", point: true, below: ["Rock further forward", "Rock until the trail foot is light, then go."] }),
      must({ measure: "stillBefore", name: "No long wait", band: [null, 2], target: 0.6, fault: 3.2, phase: "set-up", above: ["Do not wait", "Set the club down and go."] }),
      must({ measure: "trailSharePeak", name: "Weight goes back", band: [58, null], target: 78, fault: 40, phase: "backswing", below: ["Push onto trail foot", "Use the push: land on the trail foot as the club rises."] }),
      should({ measure: "recentreBeforeTop", name: "Weight across by the top", band: [-60, null], target: 20, fault: -150, phase: "top", below: ["Across before the top", "Start back toward the target before the club has stopped."] }),
      should({ measure: "groundFirst", name: "Ground before hands", band: [30, null], target: 180, fault: -60, phase: "action", below: ["Push, then hands", "Let the push start the club."] }),
    ],
    target: good(),
    faults: [
      fault("no-rock", "No rock", "lead-share-peak-before-hands", "The weight stays in the middle before the hands start.", good({ rock: { share: 51, lead: 0.4 } })),
      fault("waits", "Waits over the ball", "still-before", "Stands still for long before it begins.", good({ still: 3.6 })),
      fault("stays-forward", "Stays on the lead foot", "trail-share-peak", "The weight never goes back onto the trail foot.", good({ share: { loaded: 62, top: 66, impact: 78 } })),
    ],
  }],
};
