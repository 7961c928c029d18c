"use client";

import { useSearchParams } from "next/navigation";
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { fromComputer, FilesElsewhere, type KeptFiles } from "@/ui/kit/keptFiles";
import { LinksElsewhere } from "@/ui/kit/to";
import { BoutAtRange } from "./boutAtRange";
import { CompareAtRange } from "./compareAtRange";
import { DrillAtRange, DrillsAtRange } from "./drillAtRange";
import { FilmAtRange } from "./filmAtRange";
import { Home, type HomeState } from "./home";
import { boutsHere } from "./keptReps";
import { rangeAddress, type Seen } from "./rangeAddress";
import { RepAtRange } from "./repAtRange";
import { StartAtRange } from "./startAtRange";

/** The phone's own part of the program: all it shows is on the phone. */
export function RangeApp() {
  // What is asked for stands in the address, which a kept page does not know when it is drawn.
  const inBrowser = useSyncExternalStore(
    () => () => {},
    () => true,
    () => false,
  );
  return inBrowser ? <Opened /> : <Waiting />;
}

const Waiting = () => <p className="mt-10 text-ink-2">The page gets ready.</p>;

function Opened() {
  const [home] = useState(() => new Home());
  useEffect(() => {
    void home.begin();
    return () => home.end();
  }, [home]);
  const state = useSyncExternalStore(home.subscribe, home.state, home.state);
  const { rows } = state;
  const files = useCallback<KeptFiles>(
    async (kind, sha256) => {
      const all = await home.outbox.all();
      for (const { film, track, sentAs } of all) {
        if (kind === "tracks" && track.sha256 === sha256) return new Blob([track.bytes]);
        if (kind === "clips" && film && (film.sha256 === sha256 || sentAs?.sha256 === sha256))
          return film.file;
      }
      return fromComputer(kind, sha256).catch(() => null);
    },
    [home],
  );
  const { snapshot } = state;
  const bouts = useMemo(() => (snapshot ? boutsHere(rows, snapshot) : []), [rows, snapshot]);
  const asked = useSearchParams();
  if (!state.opened) return <Waiting />;
  if (!snapshot) return <NobodyHere state={state} />;
  const at = { home, state, snapshot, bouts };
  const see = asked.get("see") as Seen | null;
  const page = () => {
    switch (see) {
      case "film":
        return (
          <FilmAtRange key={asked.toString().replace(/&?bout=[^&]*/, "")} {...at} asked={asked} />
        );
      case "drill":
        return <DrillAtRange {...at} asked={asked} />;
      case "drills":
        return <DrillsAtRange {...at} />;
      case "bout":
        return <BoutAtRange key={asked.get("bout")} {...at} asked={asked} />;
      case "rep":
        return <RepAtRange key={asked.get("rep")} {...at} asked={asked} />;
      case "compare":
        return <CompareAtRange key={asked.get("reps")} {...at} asked={asked} />;
      default:
        return <StartAtRange {...at} />;
    }
  };
  return (
    <LinksElsewhere value={rangeAddress}>
      <FilesElsewhere value={files}>{page()}</FilesElsewhere>
    </LinksElsewhere>
  );
}

/** Before anything was taken along. */
function NobodyHere({ state: { standing } }: { state: HomeState }) {
  return (
    <>
      <h1 className="mt-10 mb-4 text-[46px] leading-none">
        {standing === "asking" ? "Looking for the computer" : "This phone knows nobody yet"}
      </h1>
      <p className="max-w-prose text-[17px]">
        {standing === "out"
          ? "The computer does not know this phone any more. Let it in again: open /pair on this address."
          : standing === "home"
            ? "Begin on the computer: say how tall you are and which hand you play."
            : standing === "away"
              ? "Open this page once at home, where the computer runs and phones are answered: your drills and your plan come along from there."
              : ""}
      </p>
    </>
  );
}
