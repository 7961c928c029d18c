import { z } from "zod";
import { LEVELS } from "../drills";

/**
 * The promise of `kingfisher analyse --json`: one such object a clip, a line each. Times in ms from
 * the clip's first frame.
 */
const timed = z.object({ t: z.number(), u: z.number() });
export const measured = z.object({
  value: z.number().nullable(),
  u: z.number().nullable(),
  unit: z.string(),
  state: z.enum(["measured", "not measurable"]),
  reason: z.string().optional(),
  at: z.number().optional(),
});
export const check = z.object({
  id: z.string(),
  measure: z.string(),
  band: z.tuple([z.number().nullable(), z.number().nullable()]),
  level: z.enum(LEVELS),
  must: z.boolean(),
  result: z.enum(["pass", "fail", "too close", "not measurable"]),
  value: z.number().nullable(),
  u: z.number().nullable(),
});
export const verdictJson = z.object({
  result: z.enum(["pass", "fail", "not judged"]),
  reason: z.object({ code: z.string(), message: z.string() }).nullable(),
  cue: z.object({ id: z.string(), words: z.string() }).nullable(),
  actions: z.array(z.object({ id: z.string(), result: z.enum(["done", "missing", "not seen"]) })),
  checks: z.array(check),
});
const curve = z.array(z.number().nullable());
/** A rep's curves, all on `t`; those that one kind or view alone has are left out of the others. */
export const curves = z.strictObject({
  t: curve,
  leadShare: curve,
  leadShareU: curve,
  pelvisT: curve,
  headT: curve,
  handsT: curve,
  comT: curve,
  leadFootT: curve,
  trailFootT: curve,
  leadAir: curve,
  trailAir: curve,
  leadHeelUp: curve,
  trailHeelUp: curve,
  footTurn: z.object({ foot: z.enum(["lead", "trail"]), degrees: curve }).optional(),
  turn: z.object({ hands: z.number(), pressure: z.number().nullable() }).optional(),
  com: z.object({ fromFeet: z.number(), height: curve }).optional(),
  behind: z.object({ heels: curve, toes: curve, rear: curve }).optional(),
});
const rep = z.object({
  index: z.number().int(),
  kind: z.enum(["swing", "step-swing", "cycle", "pivot", "hold", "gesture"]),
  from: z.number(),
  to: z.number(),
  events: z.record(z.string(), timed),
  footEvents: z.array(
    z.object({
      foot: z.enum(["lead", "trail"]),
      event: z.enum([
        "heelUp",
        "heelDown",
        "toeUp",
        "toeDown",
        "liftOff",
        "landing",
        "turnOutStart",
        "turnOutEnd",
      ]),
      t: z.number(),
      u: z.number(),
    }),
  ),
  turns: z.array(
    z.object({
      of: z.enum(["pressure", "hands", "foot"]),
      side: z.enum(["target", "away"]).optional(),
      t: z.number(),
      u: z.number(),
    }),
  ),
  measures: z.record(z.string(), measured),
  series: curves.optional(),
  verdict: verdictJson.nullable(),
});

export const problem = z.object({
  code: z.string(),
  message: z.string(),
  from: z.number().optional(),
  to: z.number().optional(),
});

export const analysisJson = z.object({
  clip: z.string(),
  version: z.string(),
  drill: z.string(),
  stage: z.string().nullable(),
  video: z.object({
    width: z.number(),
    height: z.number(),
    frames: z.number().int(),
    fps: z.number(),
    rotation: z.number(),
    audio: z.boolean(),
  }),
  view: z.object({ asked: z.string(), errorDeg: z.number(), u: z.number() }),
  scale: z.object({ cmPerPx: z.number(), u: z.number(), from: z.string() }),
  problems: z.array(problem),
  reps: z.array(rep),
  bout: z.object({ verdict: verdictJson }).optional(),
  timings: z.object({
    decodeMs: z.number(),
    networkMs: z.number(),
    coreMs: z.number(),
    totalMs: z.number(),
  }),
});

export type AnalysisJson = z.infer<typeof analysisJson>;
