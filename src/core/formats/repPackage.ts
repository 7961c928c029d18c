import { z } from "zod";
import { correctionSchema } from "../reps";
import { check, curves, measured, problem, verdictJson } from "./analysisJson";

const timed = z.object({
  name: z.string(),
  foot: z.enum(["", "lead", "trail"]),
  t: z.number(),
  u: z.number(),
  by: z.enum(["computed", "golfer"]),
});
const file = z.object({
  name: z.string().regex(/^[\w.-]+$/),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  bytes: z.number().int().nonnegative(),
});

/**
 * `rep.json` of a rep's package: all that is known of a rep, and the files beside it by their
 * sha-256. Times in ms on the film's clock, lengths in cm, shares in % on the lead foot, `u` one
 * standard uncertainty; docs/formats.md.
 */
export const repManifest = z.object({
  format: z.literal("kingfisher-rep"),
  schema: z.literal(1),
  /** Version of the methods whose numbers these are. */
  algorithm: z.string(),
  rep: z.object({
    id: z.string(),
    number: z.number().int(),
    boutStartedAt: z.iso.datetime(),
    place: z.string().nullable(),
    hand: z.enum(["left", "right"]),
    statureCm: z.number(),
    captureFps: z.number().nullable(),
    live: z.boolean(),
    index: z.number().int(),
    from: z.number(),
    to: z.number(),
  }),
  drill: z
    .object({
      id: z.string(),
      name: z.string(),
      stage: z.string(),
      view: z.string(),
      checks: z.array(
        check
          .pick({ id: true, measure: true, band: true, level: true })
          .extend({ name: z.string() }),
      ),
    })
    .nullable(),
  problems: z.array(problem),
  events: z.array(timed),
  measures: z.record(z.string(), measured),
  verdict: verdictJson.nullable(),
  corrections: z.array(correctionSchema),
  series: curves,
  /**
   * What insoles measured of it, laid on the film's clock (`insoles.csv`): the file that it came
   * from, and how well its share went with the estimated one.
   */
  insoles: z.object({ from: z.string(), r: z.number() }).nullable(),
  files: z.array(file),
});
export type RepManifest = z.infer<typeof repManifest>;
