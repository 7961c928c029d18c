"use client";

import { formatISO } from "date-fns";
import { useEffect, useState } from "react";
import { FilmView } from "@/ui/film/filmView";
import { filmPropsFor } from "@/ui/film/filmPropsFor";
import type { FilmingPlace } from "@/ui/film/setUp";
import { countedHere } from "./countedHere";
import type { AskedAtRange } from "./atRange";
import { findDrill } from "./keptReps";
import { NotHere } from "./notHere";

/** Films a bout, and keeps it on the phone. */
export function FilmAtRange({ home, snapshot, bouts, asked }: AskedAtRange) {
  const [place, setPlace] = useState<FilmingPlace | null>(null);
  useEffect(() => {
    void home.store.place().then(setPlace);
    return () => void home.refresh();
  }, [home]);
  // What is done on this phone meanwhile is counted by the page that films.
  const [first] = useState({ snapshot, bouts });
  if (!place) return <p className="mt-10 text-ink-2">The page gets ready.</p>;
  const { golfer, reps } = first.snapshot;
  const drill = findDrill(first.snapshot, asked.get("drill") ?? "double-step");
  if (!drill) return <NotHere what="This drill" />;
  const today = formatISO(new Date(), { representation: "date" });
  const props = filmPropsFor({
    golfer,
    drill,
    stage: asked.get("stage"),
    reps: Number(asked.get("reps")),
    done: reps[drill.id] ?? [],
    place,
    today,
    day: countedHere(first.snapshot, first.bouts, today),
    keepPlace: async (said) => {
      await home.store.keepPlace(said);
      setPlace(said);
    },
    // Asked after on the computer.
    say: async () => {},
  });
  return <FilmView {...props} body={{ ...props.body, asked: { before: today, after: today } }} />;
}
