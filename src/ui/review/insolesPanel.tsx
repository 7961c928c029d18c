"use client";

import { wrap, type Remote } from "comlink";
import { memo, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import {
  against,
  heelToe,
  shareAt,
  clearPlace,
  type Alignment,
  fromRows,
  type LaidInsoles,
} from "@/core/practice";
import { nearestFrame } from "@/core/track";
import type { RepDetail } from "@/server/reps/queries";
import { EVENT_WORDS } from "@/ui/charts/strip/words";
import { Button } from "@/ui/kit/button";
import { FileChoice } from "@/ui/kit/fileChoice";
import type { InsolesWorker } from "./insoles.worker";

type Found = Alignment & { fromStartS: number };

/** At these the weight is told. */
const TOLD = ["address", "handStart", "top", "impact", "finish"];

/**
 * What pressure insoles measured of the rep, laid on its clock by the steps, beside what was
 * estimated from the film. Not for every picture that is shown anew: it does not hang on it.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export const InsolesPanel = memo(function InsolesPanel({
  rep,
  laid,
  changed,
}: {
  rep: RepDetail;
  laid: LaidInsoles | null;
  changed(laid: LaidInsoles | null): void;
}) {
  const [state, setState] = useState<"reading" | "keeping" | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [several, setSeveral] = useState<{ fileName: string; places: Found[] } | null>(null);
  // The remote is kept beside its worker: one that is let go takes the worker's ears with it.
  const own = useRef<{ worker: Worker; reader: Remote<InsolesWorker> } | null>(null);
  useEffect(() => () => own.current?.worker.terminate(), []);
  const stop = () => {
    own.current?.worker.terminate();
    own.current = null;
    setState(null);
  };
  const keep = async (next: LaidInsoles | null) => {
    setState("keeping");
    const before = laid;
    try {
      const response = await fetch(`/api/reps/${rep.id}/insoles`, {
        method: "PUT",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(next),
      });
      if (!response.ok)
        throw new Error(
          ((await response.json().catch(() => null)) as { message?: string } | null)?.message ??
            `The program answered ${response.status}.`,
        );
      changed(next);
      if (!next && before)
        toast("The insoles are off this rep.", {
          action: { label: "Undo", onClick: () => void keep(before) },
        });
    } catch (error) {
      setWrong(
        `${error instanceof Error ? error.message : "The computer does not answer."} Nothing was changed.`,
      );
    } finally {
      setState(null);
    }
  };
  const lay = async (fileName: string, { offsetMs, r }: Found) => {
    const rows = await own.current!.reader.lay({ t: rep.series.t }, offsetMs);
    setSeveral(null);
    await keep({ fileName, offsetMs, r, rows });
  };
  const read = async (file: File) => {
    stop();
    setWrong(null);
    setSeveral(null);
    setState("reading");
    const worker = new Worker(new URL("./insoles.worker.ts", import.meta.url), { type: "module" });
    const reading = (own.current = { worker, reader: wrap<InsolesWorker>(worker) });
    const find = async (): Promise<{ places: Found[] } | { message: string }> =>
      reading.reader.find(
        await file.text(),
        { t: rep.series.t, leadShare: rep.series.leadShare },
        rep.hand,
      );
    const found = await find().catch((error: unknown) => ({
      message: `It could not be read${error instanceof Error ? `: ${error.message}` : ""}.`,
    }));
    // Another file was chosen meanwhile, or this one was stopped.
    if (own.current !== reading) return;
    setState(null);
    if ("message" in found) return setWrong(`${file.name}: ${found.message}`);
    const clear = clearPlace(found.places);
    if (clear) return lay(file.name, clear);
    if (!found.places.length)
      return setWrong(
        `${file.name}: nowhere in it does the weight move as in this rep. Is it of the same ` +
          "practice, with left and right in the right shoes?",
      );
    setSeveral({
      fileName: file.name,
      places: [...found.places].sort((a, b) => a.fromStartS - b.fromStartS),
    });
  };
  return (
    <section className="mt-10 border-t border-hair pt-5" aria-labelledby="insoles">
      <h2 id="insoles" className="mb-2 text-[23px]">
        What did your insoles measure?
      </h2>
      {laid ? (
        <Measured rep={rep} laid={laid} />
      ) : (
        <p className="mb-3 max-w-prose text-[17px]">
          If you wore pressure insoles, choose their file and the steps lay it on the film’s clock.
          It is a CSV with the columns t_ms, left_heel, left_toe, right_heel and right_toe, 50 to
          100 rows a second.
        </p>
      )}
      {several && (
        <div className="mb-4" role="group" aria-label="Which of them is this rep?">
          <p className="mb-2 max-w-prose text-[17px]">
            {several.fileName} has {several.places.length} stretches like this rep. Which one is it,
            counted from the start of the file?
          </p>
          <div className="flex flex-wrap gap-3">
            {several.places.map((p) => (
              <Button key={p.offsetMs} onClick={() => void lay(several.fileName, p)}>
                {clock(p.fromStartS)}
              </Button>
            ))}
          </div>
        </div>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <FileChoice
          label={laid ? "Another file" : "The insoles’ file"}
          accept=".csv,text/csv"
          chosen={(file) => void read(file)}
          disabled={state !== null}
        />
        {laid && (
          <Button look="quiet" disabled={state !== null} onClick={() => void keep(null)}>
            Take the insoles off this rep
          </Button>
        )}
        {state === "reading" && <Button onClick={stop}>Stop</Button>}
      </div>
      <p role="status" className="mt-2 side-note">
        {state === "reading"
          ? "Looking for this rep in the file…"
          : state === "keeping"
            ? "Keeping it…"
            : ""}
      </p>
      {wrong && (
        <p role="alert" className="mt-2 max-w-prose text-fail">
          {wrong}
        </p>
      )}
    </section>
  );
});

const clock = (s: number) =>
  `${Math.floor(Math.max(0, s) / 60)} min ${Math.round(Math.max(0, s) % 60)} s`;
const whole = (v: number | null) => (v === null ? "–" : `${Math.round(v)}`.replace("-", "−"));

function Measured({ rep, laid }: { rep: RepDetail; laid: LaidInsoles }) {
  const reading = fromRows(laid.rows);
  const { rms, bias } = against(reading, rep.series, rep.hand);
  const events = rep.events.filter((e) => e.foot === "" && TOLD.includes(e.name));
  const estimate = (ms: number) => {
    const i = nearestFrame(rep.series.t, ms);
    return `${whole(rep.series.leadShare[i]!)} ± ${whole(2 * rep.series.leadShareU[i]!)} %`;
  };
  const words = new Map(EVENT_WORDS);
  const along = (foot: "lead" | "trail", ms: number) => {
    const v = heelToe(reading, rep.hand, foot, ms);
    return v === null ? "in the air" : `${whole(v)} % toe`;
  };
  return (
    <>
      {rms !== null && bias !== null && (
        <p className="mb-3 max-w-prose text-[17px]">
          Over the whole rep the film’s estimate was {whole(rms)} % of the weight away from them
          (root mean square),{" "}
          {Math.abs(bias) < 0.5
            ? "to neither side on average"
            : `on average ${whole(Math.abs(bias))} % too far toward the ${bias > 0 ? "lead" : "trail"} foot`}
          . The dotted line in the strip is what they measured.
        </p>
      )}
      <div
        className="mb-4 overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label="Weight by film and by insoles"
      >
        <table className="w-full max-w-[760px] text-left text-[15px]">
          <thead className="border-b-[1.5px] border-edge align-bottom">
            <tr>
              <th className="py-1 pr-4">at</th>
              <th className="pr-4">lead foot, by the film</th>
              <th className="pr-4">lead foot, by the insoles</th>
              <th className="pr-4">lead foot’s load</th>
              <th>trail foot’s load</th>
            </tr>
          </thead>
          <tbody>
            {events.map((e) => {
              const share = shareAt(reading, rep.hand, e.t);
              return (
                <tr key={e.name} className="border-b border-hair">
                  <th scope="row" className="py-1.5 pr-4 font-semibold">
                    {words.get(e.name) ?? e.name}
                  </th>
                  <td className="pr-4">{estimate(e.t)}</td>
                  <td className="pr-4">{share === null ? "–" : `${whole(share)} %`}</td>
                  <td className="pr-4">{along("lead", e.t)}</td>
                  <td>{along("trail", e.t)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mb-3 text-[14px] text-ink-2">
        {laid.fileName}, laid on the film’s clock where both go together best (r ={" "}
        {laid.r.toFixed(2)}). Verdicts stay the film’s.
      </p>
    </>
  );
}
