import { readdirSync, readFileSync } from "node:fs";
import { z } from "zod";
import { under } from "../dataDir";
import { storePaths } from "./paths";

const fileRef = z.object({
  kind: z.enum(["clips", "tracks"]),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
});

/** What a database that stands beside was put aside for. */
export const aboutStanding = z.object({
  act: z.enum(["restore", "remove", "migrate", "bring back", "damaged", "new"]),
  /** What was done, as the golfer reads it: "Maud was removed". */
  words: z.string().max(300),
  at: z.iso.datetime(),
  /** Films and tracks that only it speaks of; they go when it goes. */
  files: z.array(fileRef).default([]),
});
export type AboutStanding = z.infer<typeof aboutStanding>;

/**
 * A database as it was before something replaced or emptied it, until the golfer says that all is
 * well.
 */
export interface StandingBeside extends AboutStanding {
  id: string;
  dir: string;
}

/**
 * Whether what was done can be undone from a page: a newer version's database is no use to it, and
 * a damaged one to nobody.
 */
const isUndoable = (act: AboutStanding["act"]): boolean => act !== "migrate" && act !== "damaged";

/** The name under which it stands: when, and for what. */
export const standingId = ({ at, act }: AboutStanding): string =>
  `${at.replace(/[:.]/g, "-").slice(0, 23)}-${act.replace(" ", "-")}`;

/** Names of what stands beside are never paths. */
export const STANDING_ID = /^[\w-]{1,60}$/;

/** All that stand beside as the golfer is told of it, the latest first. */
export const standingShown = (
  dir: string,
): { id: string; words: string; at: string; undoable: boolean }[] =>
  listStanding(dir).map(({ id, words, at, act }) => ({
    id,
    words,
    at,
    undoable: isUndoable(act),
  }));

/** All that stand beside, the latest first. */
export function listStanding(dir: string): StandingBeside[] {
  const { before } = storePaths(dir);
  let names: string[] = [];
  try {
    names = readdirSync(before).filter((name) => STANDING_ID.test(name));
  } catch {
    return [];
  }
  return names
    .flatMap((id) => {
      try {
        return [
          {
            id,
            dir: under(before, id),
            ...aboutStanding.parse(
              JSON.parse(readFileSync(under(before, id, "about.json"), "utf8")),
            ),
          },
        ];
      } catch {
        return [];
      }
    })
    .sort((a, b) => b.at.localeCompare(a.at));
}
