import { CATALOGUE } from "../measures";
import type { Finding } from "./profile";

/** What a finding means, as a sentence without its full stop. */
export const findingWords = ({ measure, side }: Pick<Finding, "measure" | "side">): string =>
  CATALOGUE[measure].plain?.[side] ??
  `${CATALOGUE[measure].name}: ${side === "above" ? "more" : "less"} than is wanted`;
