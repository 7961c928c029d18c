"use client";
import { Accordion } from "radix-ui";
import { CATALOGUE, type MeasureId, type Family } from "@/core/measures";
import { shownNumber, shownUnit } from "../kit/units";
import type { RepDetail } from "@/server/reps/queries";

const FAMILIES: Record<Family, string> = {
  sway: "Hips and head along the target line",
  weight: "Weight, estimated",
  feet: "Feet and steps",
  order: "Order and tempo",
  posture: "Posture and turn",
  legs: "Knees and legs",
  balance: "Balance",
};

type Row = [MeasureId, RepDetail["measures"][string]];

/**
 * Every measure that the checks did not use, by family; what this view or kind of rep does not have
 * is left out.
 */
export function AlsoMeasured({ rep }: { rep: RepDetail }) {
  const judged = new Set<string>(rep.verdict?.checks.map((c) => c.measure));
  const rest = Object.entries(rep.measures).filter(
    ([id]) => !judged.has(id) && id in CATALOGUE,
  ) as Row[];
  return (
    <section className="mt-10 border-t border-hair pt-5">
      <h2 className="mb-3 text-[23px]">What else does the film tell?</h2>
      <Accordion.Root type="multiple" defaultValue={["sway", "weight"]}>
        {(Object.keys(FAMILIES) as Family[]).map((family) => (
          <Family
            key={family}
            family={family}
            rows={rest.filter(([id]) => CATALOGUE[id].family === family)}
            rep={rep}
          />
        ))}
      </Accordion.Root>
      <p className="mt-3 side-note">
        Weight is estimated from how the body moves, not read from a plate under the feet. ± holds
        the truth about 19 times of 20 on rendered film.
      </p>
    </section>
  );
}

function Family({ family, rows, rep }: { family: Family; rows: Row[]; rep: RepDetail }) {
  const known = rows.filter(([, m]) => m.value !== null && m.u !== null);
  if (!known.length) return null;
  return (
    <Accordion.Item value={family} className="border-b border-hair">
      <Accordion.Header>
        <Accordion.Trigger className="group flex min-h-11 w-full items-center justify-between py-2 text-left text-[18px]">
          <span>{FAMILIES[family]}</span>
          <span className="side-note">
            {known.length}
            <svg
              viewBox="0 0 12 8"
              width={12}
              height={8}
              className="ml-2 inline transition-transform group-data-[state=open]:rotate-180 motion-reduce:transition-none"
              fill="none"
              stroke="currentColor"
              strokeWidth={2}
              aria-hidden
            >
              <path d="M1 1.5 6 6.5 11 1.5" />
            </svg>
          </span>
        </Accordion.Trigger>
      </Accordion.Header>
      <Accordion.Content>
        <dl className="grid gap-x-10 gap-y-2 pb-4 sm:grid-cols-2 lg:grid-cols-3">
          {known.map(([id, m]) => (
            <div
              key={id}
              className="flex items-baseline justify-between gap-4 border-b border-hair pb-1"
              title={CATALOGUE[id].definition}
            >
              <dt>{CATALOGUE[id].name}</dt>
              <dd className="text-right whitespace-nowrap">
                <strong>{shownNumber(m.value!, m.unit, rep.units)}</strong>{" "}
                <span className="text-[14px] text-ink-2">
                  ± {shownNumber(2 * m.u!, m.unit, rep.units)} {shownUnit(m.unit, rep.units)}
                </span>
              </dd>
            </div>
          ))}
        </dl>
      </Accordion.Content>
    </Accordion.Item>
  );
}
