import { z } from "zod";

export const STRIKES = ["heavy", "clean", "thin", "heel", "toe"] as const;
export const LINES = ["left", "straight", "right"] as const;

/**
 * What the ball did, as the golfer saw it or a file tells; whatever is known. Distances in m,
 * speeds in m/s.
 */
export const flight = z.object({
  strike: z.enum(STRIKES).optional(),
  start: z.enum(LINES).optional(),
  curve: z.enum(LINES).optional(),
  carryM: z.number().min(0).max(400).optional(),
  clubSpeedMs: z.number().min(0).max(80).optional(),
});
export type Flight = z.infer<typeof flight>;
