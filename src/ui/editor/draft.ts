import type { DrillFile } from "@/core/formats";

/** A drill being changed, with every step back and forth. */
export interface Draft {
  now: DrillFile;
  before: readonly DrillFile[];
  after: readonly DrillFile[];
  /** What the last change was of: typing on in the same place is one step. */
  place: string | null;
}

export type Edit =
  | { type: "change"; place: string; change: (file: DrillFile) => DrillFile }
  | { type: "undo" }
  | { type: "redo" }
  | { type: "kept" };

/** So many steps can be taken back. */
const MOST = 200;

export const begunDraft = (file: DrillFile): Draft => ({
  now: file,
  before: [],
  after: [],
  place: null,
});

export function edit(draft: Draft, e: Edit): Draft {
  switch (e.type) {
    case "change": {
      const now = e.change(draft.now);
      if (now === draft.now) return draft;
      return {
        now,
        after: [],
        place: e.place,
        before: draft.place === e.place ? draft.before : [...draft.before, draft.now].slice(-MOST),
      };
    }
    case "undo": {
      const last = draft.before[draft.before.length - 1];
      return last
        ? {
            now: last,
            before: draft.before.slice(0, -1),
            after: [draft.now, ...draft.after],
            place: null,
          }
        : draft;
    }
    case "redo": {
      const [next, ...rest] = draft.after;
      return next
        ? { now: next, before: [...draft.before, draft.now], after: rest, place: null }
        : draft;
    }
    case "kept":
      return { ...draft, place: null };
  }
}

/** The file with one stage changed. */
export const changeStage =
  (id: string, change: (s: DrillFile["stages"][number]) => DrillFile["stages"][number]) =>
  (file: DrillFile): DrillFile => ({
    ...file,
    stages: file.stages.map((s) => (s.id === id ? change(s) : s)),
  });

type FileCheck = DrillFile["stages"][number]["checks"][number];
/** The file with one check of a stage changed. */
export const changeCheck = (
  stageId: string,
  checkId: string,
  change: (c: FileCheck) => FileCheck,
) =>
  changeStage(stageId, (s) => ({
    ...s,
    checks: s.checks.map((c) => (c.id === checkId ? change(c) : c)),
  }));
