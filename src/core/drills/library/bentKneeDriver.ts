import { swing } from "../../figure/scripts/swing";
import type { Drill } from "../drill";
import { CAUTIONS, fault, must, PHONE, RULES, should, vary } from "../parts";

const base = { gap: 40, size: 0.85, back: 1.7, down: 0.5, club: "driver" as const, share: { loaded: 35, top: 44, impact: 50, finish: 90 }, tilt: { address: 4, top: 14, impact: 12 }, knees: { trailTop: 4 }, hold: 1, traits: { slow: true } };
const good = vary(swing, base);

export const drill: Drill = {
  id: "bent-knee-driver", number: 18, name: "Bent-knee turn, driver", version: 1, group: "turning",
  why: "A trail knee that straightens pushes the weight to the toes and the hips sideways. Bent, it lets you wind up over the middle.",
  feel: "Three separate moves, like a machine. They join by themselves later.",
  level: 2, places: ["home", "range"], minutes: 10, trains: ["knees", "hips", "feet"],
  gear: [{ name: "Driver", instead: ["a broom"] }],
  notWhen: ["A sore trail knee."],
  setUp: ["Hold the driver with the hands wide apart.", "One: wind up over the middle, trail knee still bent.", "Two: the butt end points to the trail foot; feel the front of that foot.", "Three: over to the lead foot. Stop after each at first, then join them."],
  at: { feet: "A little wider than usual.", ball: "Inside the lead heel, or none.", club: "Hands split on the grip.", phone: PHONE.faceOn },
  club: "driver",
  cautions: CAUTIONS,
  dose: { school: "single focus", sets: 2, reps: 6 },
  asked: [], then: ["heel-toe-swap"], styles: { loading: "centred", pressesBack: "heel" }, helps: { sway: 3 },
  stages: [{
    id: "joined-fo", name: "Joined, half speed", view: "face-on", main: true, rules: { ...RULES.swing, slow: true }, centred: true, actions: [],
    checks: [
      must({ measure: "pelvisSway", name: "Hips turn in place", band: [null, 4], target: 1.5, fault: 7, phase: "backswing", point: true, above: ["Turn, don't sway", "Keep the trail knee bent and wind up over the middle."] }),
      should({ measure: "trailSharePeak", name: "Weight on the trail foot", band: [58, 90], target: 74, fault: 42, phase: "backswing", below: ["Wind onto trail foot", "Feel the front of the trail foot."], above: ["Less to the side", "Stay inside the trail foot."] }),
      should({ measure: "trailKneeAngleChangeAddressToTop", name: "Trail knee stays bent", band: [null, 10], target: 2, fault: 24, phase: "backswing", above: ["Keep the knee bent", "As bent at the top as at the start."] }),
      should({ measure: "leadShareImpact", name: "Even at the strike", band: [35, 64], target: 50, fault: 84, phase: "impact", above: ["Hang back a little", "The driver is struck on the way up."], below: ["Come across more", "Reach the middle by the strike."] }),
      should({ measure: "leadShareFinish", name: "Ends on the lead foot", band: [72, null], target: 90, fault: 54, phase: "finish", below: ["End on lead foot", "Go on until you stand on it."] }),
    ],
    target: good(),
    faults: [
      fault("sways", "Hips sway", "pelvis-sway", "The hips leave their place away from the target.", good({ tilt: { top: -9 }, share: { loaded: 2, top: 14 }, gap: 54 })),
    ],
  }],
};
