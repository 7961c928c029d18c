import type { AimWrong, SetUpChange } from "@/core/film";
import type { View } from "@/core/scene";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import type { Announcement } from "./words";

/**
 * What is to be put right now; null while that is nothing, or nobody is there: what keeps reps from
 * being judged always, what only tells less before the first one.
 */
export function toPutRight(loop: Pick<LoopShown, "aim" | "aimed" | "state"> | null): Faulty | null {
  const wrong = loop?.aim?.wrong;
  return wrong && isFaulty(wrong) && loop?.state === "settling" && (wrong.blocks || !loop.aimed)
    ? wrong
    : null;
}

/** A fault of one who is there. */
type Faulty = AimWrong & { fault: Exclude<AimWrong["fault"], "nobody"> };
const isFaulty = (wrong: AimWrong): wrong is Faulty => wrong.fault !== "nobody";

/**
 * What to do about how the phone stands, in the words that are read from 5 m and spoken, and why.
 */
export function aimWords({ fault, by }: Faulty, view: View, hand: "left" | "right"): Announcement {
  const faceOn = view === "face-on";
  const degrees = Math.abs(by ?? 0).toFixed(0);
  switch (fault) {
    case "several":
      return {
        word: "Film alone",
        more: "Somebody else is in the picture. Wait until they have gone, or stand nearer than they do.",
      };
    case "feet cut off":
      return {
        word: "Tilt the phone down",
        more: "Your feet are below the picture. One high note tells you when they are in.",
      };
    case "head cut off":
      return {
        word: "Tilt the phone up",
        more: "Your head is above the picture. One high note tells you when it is in.",
      };
    case "too far":
      return {
        word: "Come one pace nearer",
        more: "You are small in the picture: less can be told.",
      };
    case "too near":
      return faceOn
        ? {
            word: "Step back one pace",
            more: "In the swing your hands or feet would leave the picture.",
          }
        : {
            word: "Move the phone back",
            more: "In the swing your hands or feet would leave the picture.",
          };
    case "beside left":
    case "beside right":
      return {
        word: sideways(fault === "beside left", faceOn, hand),
        more: "In the swing your hands or feet would leave the picture on this side.",
      };
    case "wrong view":
      return faceOn
        ? {
            word: "Face the phone",
            more: "It has to see your chest: your target line runs across its picture.",
          }
        : {
            word: "Take your stance",
            more: "The phone has to look along your toes to the target, from behind your hands.",
          };
    case "askew":
      return {
        word: "Square the phone",
        more: `It stands about ${degrees}° off square: line your toes up with the target, and the phone square to them.`,
      };
    case "rolled":
      return {
        word: "Level the phone",
        more: `Its ${by! > 0 ? "right" : "left"} side is too low, by ${degrees}°. One high note tells you when it is level.`,
      };
    case "dark":
      return { word: "More light", more: "It is too dark to follow you." };
    case "slow":
      return {
        word: "More light",
        more: `The camera gives ${degrees} pictures a second: timing is told only where it is clear.`,
      };
  }
}

/**
 * Who faces the lens has the picture's right on their left; who is seen from behind faces the ball,
 * on the right of a right-hander's picture.
 */
function sideways(towardRight: boolean, faceOn: boolean, hand: "left" | "right"): string {
  if (faceOn) return towardRight ? "Step to your left" : "Step to your right";
  return towardRight === (hand === "right") ? "Step forward" : "Step back";
}

/** What has changed since the last good set-up. */
export const CHANGED: Record<SetUpChange, string> = {
  same: "Set up as last time.",
  nearer: "The phone stands nearer than last time.",
  farther: "The phone stands farther off than last time.",
  tilted: "The phone is tilted otherwise, or stands higher or lower, than last time.",
  beside: "You stand beside where you stood last time.",
};
