import { CATALOGUE, type MeasureId } from "../measures/catalogue";
import type { Finding } from "./profile";

/** What a finding means, as a sentence without its full stop: below the band, above it. */
const WORDS: Partial<Record<MeasureId, { below?: string; above?: string }>> = {
  pelvisSway: { above: "Your hips go away from the target" },
  pelvisSlide: { above: "Your hips slide toward the target", below: "Your hips stay behind" },
  pelvisDriftAtImpact: { above: "Your hips are still on their way at the strike" },
  pelvisTHalfwayDown: {
    above: "Your hips run ahead on the way down",
    below: "Your hips hang back on the way down",
  },
  headDrift: { above: "Your head wanders" },
  headRise: { above: "Your head comes up" },
  sideTiltChange: {
    below: "Your chest leans toward the target at the top",
    above: "Your chest leans away at the top",
  },
  trailKneeOut: { above: "Your trail knee kicks out" },
  trailSharePeak: { below: "Your weight hardly goes back", above: "Your weight goes back too far" },
  recentreBeforeTop: { below: "Your weight comes across late" },
  leadShareImpact: {
    below: "Your weight is still on the trail foot at the strike",
    above: "Your weight is far ahead at the strike",
  },
  leadShareFinish: { below: "You end on the trail foot" },
  crossBeforeTrailHeelUp: { below: "Your trail heel is up before the weight is across" },
  trailHeelUpAt: { below: "Your trail heel comes up early" },
  trailFootTravelTopToImpact: { above: "Your trail foot scrapes on the way down" },
  leadFootTravelTopToImpact: { above: "Your lead foot slips on the way down" },
  leadFootTravelImpactToFinish: { above: "Your lead foot slides after the strike" },
  leadFootTurnAddressToFinish: { above: "Your lead foot spins out" },
  groundFirst: { below: "Your hands start before the ground does" },
  stillBefore: { above: "You stand still for a long time" },
  pelvisBeforeHands: {
    below: "Your hips do not lead the way down",
    above: "Your hips open before the arms come down",
  },
  peakPelvisTurnAt: { above: "Your hips turn late" },
  hipsToBall: { above: "Your hips go toward the ball" },
  hipsToBallTop: { above: "Your hips go toward the ball on the way back" },
  bendChange: { below: "You stand up through the strike", above: "You duck through the strike" },
};

export const findingWords = ({ measure, side }: Pick<Finding, "measure" | "side">): string =>
  WORDS[measure]?.[side] ??
  `${CATALOGUE[measure].name}: ${side === "above" ? "more" : "less"} than is wanted`;
