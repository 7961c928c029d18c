import { z } from "zod";
import { DRILLS, LEVELS, type Check, type Drill, type Stage } from "../drills";
import { MEASURE_IDS, type MeasureId } from "../measures";
import { DRILL_FILE_TOO_LARGE, LARGEST_DRILL_FILE } from "./drillFileSize";
import { CANT_SHOW, isShown } from "./shownText";

/**
 * An own drill as a file: a built-in drill's movement with bands, words, stages and dose of one's
 * own. Lengths in cm for a golfer of 178 cm.
 */

const line = (most: number) =>
  z
    .string()
    .trim()
    .min(1, "Write something.")
    .max(most, `${most} letters at most.`)
    .refine(isShown, CANT_SHOW);
const lines = (most: number, length: number) => z.array(line(length)).max(most, `${most} at most.`);
/** Read from 5 m and spoken: four words at most. */
const cue = line(40).refine((s) => s.split(/\s+/).length <= 4, "Four words at most.");
const words = z.strictObject({ cue, next: line(160) });
const limit = z
  .number("A number, or null for no limit.")
  .min(-10_000, "No less than −10000.")
  .max(10_000, "No more than 10000.")
  .nullable();

const check = z.strictObject({
  id: line(60).describe("Id of the built-in check."),
  name: line(60),
  measure: z
    .enum(MEASURE_IDS as [MeasureId, ...MeasureId[]])
    .describe("What is measured: the built-in check's."),
  band: z
    .tuple([limit, limit])
    .describe("Lower and upper limit in the measure's unit, for a golfer of 178 cm; null = none.")
    .refine(([lo, hi]) => lo !== null || hi !== null, "Needs at least one limit.")
    .refine(
      ([lo, hi]) => lo === null || hi === null || lo < hi,
      "The lower limit must be below the upper one.",
    ),
  // Files of before limits have "should", which decided nothing.
  level: z.preprocess((v) => (v === "should" ? "advice" : v), z.enum(LEVELS)),
  point: z.boolean().describe("One of these must be decided for a pass."),
  below: words.optional(),
  above: words.optional(),
});

const stage = z.strictObject({
  id: line(60).describe("Id of the built-in stage."),
  name: line(60),
  note: line(300).optional(),
  checks: z.array(check).max(20, "20 at most."),
});

const drillFile = z
  .strictObject({
    format: z.literal("kingfisher-drill", "This is no drill file."),
    schema: z.literal(1, "Made by another version of the program."),
    basedOn: line(60).describe("Id of the built-in drill whose movement it has."),
    name: line(60),
    why: line(400),
    feel: line(400),
    minutes: z.number().int().min(1).max(120),
    notWhen: lines(10, 200),
    setUp: lines(12, 300),
    at: z.strictObject({ feet: line(200), ball: line(200), club: line(200), phone: line(300) }),
    cautions: lines(20, 300),
    dose: z.strictObject({
      school: z.enum(["single focus", "short sets", "home habit", "counted sets"]),
      sets: z.number().int().min(1).max(50),
      reps: z.number().int().min(1).max(200),
      note: line(200).optional(),
    }),
    asked: lines(6, 200),
    stages: z.array(stage).min(1, "Keep one stage at least.").max(20),
  })
  .meta({
    id: "kingfisher-drill",
    title: "Kingfisher drill",
    description: "A golfer's or a teacher's own version of a built-in drill.",
  });

export type DrillFile = z.infer<typeof drillFile>;

/** The published JSON Schema of the file. */
export const drillSchema = (): object => z.toJSONSchema(drillFile);

/** Where something is wrong in a file, and what. */
export interface FileProblem {
  where: string;
  what: string;
}

export type ReadDrill = { ok: true; file: DrillFile } | { ok: false; problems: FileProblem[] };

/**
 * Reads a drill file from anybody.
 *
 * @returns the file, or everything that is wrong with it and where
 * @example readDrillFile('{"format": "kingfisher-drill"}') // { ok: false, problems: [{ where:
 * "schema", … }, …] }
 */
export function readDrillFile(text: string): ReadDrill {
  if (text.length > LARGEST_DRILL_FILE) return bad("the file", DRILL_FILE_TOO_LARGE);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return bad("the file", `It is not JSON: ${error instanceof Error ? error.message : error}.`);
  }
  return checkDrillFile(json);
}

/** The same for a value that is there already, as from a form. */
export function checkDrillFile(value: unknown): ReadDrill {
  const parsed = drillFile.safeParse(value);
  if (!parsed.success)
    return { ok: false, problems: parsed.error.issues.flatMap((i) => problem(i, value)) };
  const problems = againstBase(parsed.data);
  return problems.length ? { ok: false, problems } : { ok: true, file: parsed.data };
}

const bad = (where: string, what: string): ReadDrill => ({
  ok: false,
  problems: [{ where, what }],
});

function problem(issue: z.core.$ZodIssue, value: unknown): FileProblem[] {
  const where = placeOf(issue.path, value);
  if (issue.code === "unrecognized_keys")
    return issue.keys.map((key) => ({
      where: where === "the file" ? key.slice(0, 60) : `${where}, ${key.slice(0, 60)}`,
      what: "Is not known here: leave it out.",
    }));
  return [
    {
      where,
      what:
        issue.code === "invalid_type" && issue.message.startsWith("Invalid input")
          ? `Is missing, or not ${article(issue.expected)}.`
          : issue.message,
    },
  ];
}

const article = (type: string): string =>
  ({
    string: "text",
    number: "a number",
    boolean: "true or false",
    array: "a list",
    object: "a group of values",
    int: "a whole number",
  })[type] ?? type;

/** `["stages", 0, "checks", 2, "band"]` as 'stages 1 (whole-fo), checks 3 (pelvis-sway), band'. */
function placeOf(path: readonly PropertyKey[], value: unknown): string {
  const parts: string[] = [];
  let at: unknown = value;
  for (const key of path) {
    at =
      typeof at === "object" && at !== null ? (at as Record<PropertyKey, unknown>)[key] : undefined;
    if (typeof key !== "number") parts.push(String(key));
    else {
      const name =
        typeof at === "object" && at !== null && "id" in at && typeof at.id === "string"
          ? ` (${at.id.slice(0, 60)})`
          : "";
      parts.push(`${parts.pop() ?? ""} ${key + 1}${name}`.trim());
    }
  }
  return parts.join(", ") || "the file";
}

/**
 * What the schema can't say: that the built-in drill, its stages and its checks are there, once
 * each.
 */
function againstBase(file: DrillFile): FileProblem[] {
  const base = DRILLS.find((d) => d.id === file.basedOn);
  if (!base) return [{ where: "basedOn", what: `There is no built-in drill ${file.basedOn}.` }];
  const out: FileProblem[] = [];
  const twice = (ids: string[], where: string) =>
    ids.forEach(
      (id, i) =>
        ids.indexOf(id) < i &&
        out.push({ where: `${where} ${i + 1} (${id})`, what: "Is there twice." }),
    );
  twice(
    file.stages.map((s) => s.id),
    "stages",
  );
  file.stages.forEach((s, i) => {
    const where = `stages ${i + 1} (${s.id})`;
    const own = base.stages.find((b) => b.id === s.id);
    if (!own)
      return out.push({
        where,
        what: `${base.name} has no such stage; it has ${base.stages.map((b) => b.id).join(", ")}.`,
      });
    twice(
      s.checks.map((c) => c.id),
      `${where}, checks`,
    );
    s.checks.forEach((c, k) => {
      const known = own.checks.find((b) => b.id === c.id);
      const at = `${where}, checks ${k + 1} (${c.id})`;
      if (!known)
        out.push({
          where: at,
          what: `This stage has no such check; it has ${own.checks.map((b) => b.id).join(", ") || "none"}.`,
        });
      else if (known.measure !== c.measure)
        out.push({ where: `${at}, measure`, what: `Is ${known.measure} in the built-in check.` });
      else if (
        (c.band[0] !== null && !c.below && !known.below && !known.told && !c.above) ||
        (c.band[1] !== null && !c.above && !known.above && !known.told && !c.below)
      )
        out.push({ where: at, what: "Needs a cue for what lies outside." });
    });
    return undefined;
  });
  return out;
}

/** A drill as a file that can be given away. */
export const fileOf = (drill: Drill): DrillFile => ({
  format: "kingfisher-drill",
  schema: 1,
  basedOn: drill.basedOn ?? drill.id,
  name: drill.name,
  why: drill.why,
  feel: drill.feel,
  minutes: drill.minutes,
  notWhen: [...drill.notWhen],
  setUp: [...drill.setUp],
  at: { ...drill.at },
  cautions: [...drill.cautions],
  asked: [...drill.asked],
  dose: {
    school: drill.dose.school,
    sets: drill.dose.sets,
    reps: drill.dose.reps,
    ...(drill.dose.note ? { note: drill.dose.note } : {}),
  },
  stages: drill.stages.map((s) => ({
    id: s.id,
    name: s.name,
    ...(s.note ? { note: s.note } : {}),
    checks: s.checks.map(({ id, name, measure, band, level, point, below, above }) => ({
      id,
      name,
      measure,
      band: [band[0], band[1]],
      level,
      point,
      ...(below ? { below } : {}),
      ...(above ? { above } : {}),
    })),
  })),
});

/**
 * The drill that a file means: everything it does not say, the movement above all, is the built-in
 * drill's.
 *
 * @throws RangeError when the built-in drill, a stage or a check is not there (see `readDrillFile`)
 */
export function ownDrillSchema(file: DrillFile, id: string, version: number): Drill {
  const base = DRILLS.find((d) => d.id === file.basedOn);
  if (!base) throw new RangeError(`there is no built-in drill ${file.basedOn}`);
  const { format: _f, schema: _s, stages, dose, ...said } = file;
  const kept = stages.map((s): { file: DrillFile["stages"][number]; base: Stage } => {
    const own = base.stages.find((b) => b.id === s.id);
    if (!own) throw new RangeError(`${base.id} has no stage ${s.id}`);
    return { file: s, base: own };
  });
  return {
    ...base,
    ...said,
    id,
    version,
    basedOn: base.id,
    dose: {
      school: dose.school,
      sets: dose.sets,
      reps: dose.reps,
      ...(dose.note ? { note: dose.note } : {}),
    },
    stages: kept.map(({ file: s, base: own }): Stage => {
      const { note: _note, ...rest } = own;
      const ofView = kept.filter((k) => k.base.view === own.view);
      // Where the main stage was left out, the last one of its view takes its place.
      const main = ofView.find((k) => k.base.main) ?? ofView[ofView.length - 1]!;
      return {
        ...rest,
        name: s.name,
        main: main.base === own,
        ...(s.note ? { note: s.note } : {}),
        checks: s.checks.map((c) => ownCheck(c, own)),
      };
    }),
  };
}

function ownCheck(c: DrillFile["stages"][number]["checks"][number], stage: Stage): Check {
  const base = stage.checks.find((b) => b.id === c.id);
  if (!base) throw new RangeError(`${stage.id} has no check ${c.id}`);
  const { below, above, ...said } = c;
  return { ...base, ...said, ...(below ? { below } : {}), ...(above ? { above } : {}) };
}
