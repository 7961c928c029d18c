import type { DrillFile, FileProblem } from "@/core/formats";
import type { KeptRep } from "@/core/practice";

/** A kept rep as the editor shows it. */
export interface EditedRep extends KeptRep {
  stageId: string;
}

export interface VersionLine {
  version: number;
  when: string;
  file: DrillFile;
  /** Reps that were judged by it, of those shown. */
  reps: number;
}

/** What judging the reps of earlier versions by the one in use would change. */
export interface Older {
  reps: number;
  changes: number;
  /** The version that most lately judged them: what undoing goes back to. */
  by: number | null;
}

/** What the editor can have done; see app/drillActions. */
export interface EditorActions {
  keep: (
    id: string,
    value: unknown,
  ) => Promise<{ ok: true; version: number } | { ok: false; problems: FileProblem[] }>;
  back: (id: string, version: number) => Promise<number>;
  judgeAgain: (id: string, version: number) => Promise<number>;
  bin: (id: string, removed: boolean) => Promise<void>;
}
