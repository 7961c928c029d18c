import { STANCE_WORDS, findSymptom } from "@/core/choose";
import type { Drill } from "@/core/drills";
import { To } from "@/ui/kit/to";

/**
 * How a drill is set up, where things are, how much of it, and what to take care of.
 *
 * @param stance the golfer's own usual one, where it is known
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function AboutDrill({
  drill,
  stance,
}: {
  drill: Drill;
  stance: keyof typeof STANCE_WORDS | null;
}) {
  const { at, dose } = drill;
  return (
    <div className="mt-10 grid gap-x-12 gap-y-8 border-t border-hair pt-8 md:grid-cols-2 xl:grid-cols-4">
      <section>
        <h2 className="mb-2 text-[23px]">Set up</h2>
        <ol className="grid list-decimal gap-1 pl-5">
          {drill.setUp.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ol>
      </section>
      <section>
        <h2 className="mb-2 text-[23px]">Where things are</h2>
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
          {(
            [
              [
                "Feet",
                stance && at.feet.startsWith("Your usual stance")
                  ? `${at.feet} Yours: ${STANCE_WORDS[stance]}.`
                  : at.feet,
              ],
              ["Ball", at.ball],
              ["Club", at.club],
              ["Phone", at.phone],
            ] as const
          ).map(([name, words]) => [
            <dt key={name} className="text-ink-2">
              {name}
            </dt>,
            <dd key={`${name}d`}>{words}</dd>,
          ])}
        </dl>
        {drill.gear.length > 0 && (
          <p className="mt-3">
            {drill.gear
              .map((g) => `${g.name}${g.instead.length ? ` (or ${g.instead.join(", ")})` : ""}`)
              .join("; ")}
            .
          </p>
        )}
      </section>
      <section>
        <h2 className="mb-2 text-[23px]">How much, and how it feels</h2>
        <p>
          {dose.sets === 1 ? "One set" : `${dose.sets} sets`} of {dose.reps}, about {drill.minutes}{" "}
          minutes, {drill.places.join(" or ")}. {dose.note}
        </p>
        <p className="mt-2 text-ink-2">{drill.feel}</p>
        {Object.keys(drill.helps).length > 0 && (
          <p className="mt-2 text-ink-2">
            Helps with:{" "}
            {Object.keys(drill.helps)
              .map((id) => findSymptom(id)!.name.toLowerCase())
              .join("; ")}
            .
          </p>
        )}
      </section>
      <section>
        <h2 className="mb-2 text-[23px]">
          <To words href={`/drills/${drill.id}/ready`} className="text-link">
            Take care
          </To>
        </h2>
        <ul className="grid gap-1 text-[15px]">
          {drill.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        {drill.notWhen.length > 0 && (
          <p className="mt-3 text-[15px]">
            <strong>Not for you when: </strong>
            {drill.notWhen.join(" ")}
          </p>
        )}
      </section>
    </div>
  );
}
