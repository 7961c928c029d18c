import type { ErrorRow } from "@/core/practice";
import { eventWords, FOOT_WORDS } from "./eventWords";

const whatWords = (what: string): string => {
  const [side, event] = what.split(" ");
  return event ? `${side} ${FOOT_WORDS[event] ?? event}` : eventWords(what);
};

/** How often and how far the program was off, by event. */
export function ErrorRecord({
  rows,
  verdicts,
  reps,
}: {
  rows: readonly ErrorRow[];
  verdicts: number;
  reps: number;
}) {
  return (
    <div className="max-w-[860px] overflow-x-auto">
      {rows.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-ink text-left text-[15px]">
              <th scope="col" className="py-1">
                Event
              </th>
              <th scope="col" className="text-right">
                moved
              </th>
              <th scope="col" className="text-right">
                not seen
              </th>
              <th scope="col" className="text-right">
                not there
              </th>
              <th scope="col" className="text-right">
                off by, middle
              </th>
              <th scope="col" className="text-right">
                within its ±
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.what} className="border-b border-hair">
                <th scope="row" className="py-2 text-left font-normal">
                  {whatWords(r.what)}
                </th>
                <td className="text-right">{r.moved}</td>
                <td className="text-right">{r.missed}</td>
                <td className="text-right">{r.madeUp}</td>
                <td className="text-right">
                  {r.middleMs === null
                    ? "–"
                    : `${Math.abs(Math.round(r.middleMs))} ms ${r.middleMs > 0 ? "late" : "early"}`}
                </td>
                <td className="text-right">{r.moved ? `${r.within} of ${r.moved}` : "–"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3 side-note">
        From {reps === 1 ? "one rep" : `${reps} reps`} that you looked at and found wrong
        {verdicts ? `; ${verdicts === 1 ? "one verdict" : `${verdicts} verdicts`} overruled` : ""}.
        It says where the program errs, not how often: what was right is not in it.
      </p>
    </div>
  );
}
