"use client";

import { createContext, use } from "react";

/** Fetches a film or a track by its hash; null when it is not to be had. */
export type KeptFiles = (kind: "clips" | "tracks", sha256: string) => Promise<Blob | null>;

/** From the computer. */
export const fromComputer: KeptFiles = async (kind, sha256) => {
  const answer = await fetch(`/api/${kind}/${sha256}`);
  return answer.ok ? answer.blob() : null;
};

const KeptFilesContext = createContext<KeptFiles>(fromComputer);

/** Has films and tracks come from elsewhere: a phone at the range has its own. */
export const FilesElsewhere = KeptFilesContext.Provider;

export const useKeptFiles = (): KeptFiles => use(KeptFilesContext);
