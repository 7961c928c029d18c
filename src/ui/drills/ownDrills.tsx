import Link from "next/link";
import type { FileProblem } from "@/core/formats";
import { DrillName } from "./drillName";
import type { OwnDrillLine } from "./libraryGolfer";
import { TakeIn } from "./takeIn";

/** The golfer's own drills, and the way to take in one that somebody sent. */
export function OwnDrills({
  own,
  takeIn,
}: {
  own: readonly OwnDrillLine[];
  takeIn: (text: string) => Promise<FileProblem[]>;
}) {
  return (
    <section className="mt-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-[23px]">Your own</h2>
        <TakeIn takeIn={takeIn} />
      </div>
      {own.length ? (
        <ul className="mt-2 border-t border-hair">
          {own.map((d) => (
            <li
              key={d.id}
              className="grid gap-x-5 gap-y-1 border-b border-hair py-3 md:grid-cols-[1fr_300px]"
            >
              <DrillName drill={d} />
              <span className="side-note">
                <strong className="text-ink">{d.minutes} min</strong>
                <span className="block">
                  version {d.version}, made from {d.from}
                </span>
                <Link href={`/drills/${d.id}/edit`} className="text-link">
                  Change it
                </Link>
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 side-note">
          None yet. Open a drill and make a copy, or take in what a teacher sent.
        </p>
      )}
    </section>
  );
}
