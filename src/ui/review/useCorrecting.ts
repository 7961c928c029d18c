"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { type AnalysedRep, eventRecords, isSure } from "@/core/analysis";
import { golferBy, outOfOrder, overridesOf, withCorrection, type Correction } from "@/core/reps";
import type { Scene } from "@/core/scene";
import type { RepDetail } from "@/server/reps/queries";
import { RepeatedAnalysis } from "./again";

export interface Correcting {
  /** The rep as it stands with the golfer's corrections. */
  rep: RepDetail;
  /** How large a pixel is, once that is known. */
  scale: Scene["scale"] | null;
  /** Something is being computed. */
  busy: boolean;
  correct(c: Correction): void;
  /** Takes one back; without one, the last. */
  undo(id?: string): void;
}

/** What a correction leaves of a rep's page. */
const withAgain = (
  rep: RepDetail,
  again: AnalysedRep,
  list: readonly Correction[],
  facts: { hand: "left" | "right"; statureCm: number },
): RepDetail => ({
  ...rep,
  ...facts,
  corrections: [...list],
  verdict: again.verdict,
  series: again.series,
  measures: again.measures,
  from: again.from,
  to: again.to,
  uncorrected: list.length
    ? (rep.uncorrected ?? (rep.corrections.length ? null : rep.verdict))
    : null,
  events: eventRecords(again, overridesOf(list)),
});

/**
 * A rep that the golfer can correct: computed again beside the page at once, kept by the computer
 * after that; what it can't keep is taken back and said.
 */
// eslint-disable-next-line max-lines-per-function -- its callbacks share one list of corrections
export function useCorrecting(first: RepDetail, track: Uint8Array | null): Correcting {
  const [rep, setRep] = useState(first);
  const [scale, setScale] = useState<Scene["scale"] | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<RepeatedAnalysis | null>(null);
  const now = useRef(first);
  const kept = useRef(first);
  const unsent = useRef<RepDetail | null>(null);
  const sending = useRef(false);
  const opened = useRef<string>("");
  const router = useRouter();
  const left = useRef(false);

  useEffect(() => {
    const own = new RepeatedAnalysis();
    worker.current = own;
    opened.current = "";
    left.current = false;
    return () => {
      left.current = true;
      own.close();
      worker.current = null;
    };
  }, []);

  const open = useCallback(
    async (
      facts: { hand: "left" | "right"; statureCm: number },
      list: readonly Correction[],
      ahead: boolean,
    ) => {
      const { drillId, stage, captureFps, live, index, from, to } = first;
      const sure = isSure(list, (first.uncorrected ?? first.verdict)?.reason?.code);
      const key = `${facts.hand} ${facts.statureCm} ${sure}`;
      if (!track || !worker.current || opened.current === key) return;
      const options = {
        golfer: { hand: facts.hand, statureCm: facts.statureCm },
        drill: drillId ?? "none",
        live,
        sure,
        ...(stage ? { by: stage } : {}),
        ...(captureFps === null ? {} : { captureFps }),
      };
      const { scale: known } = await worker.current.open(
        track,
        options,
        { index, from, to },
        ahead,
      );
      opened.current = key;
      setScale(known);
    },
    [first, track],
  );

  useEffect(() => void open(now.current, now.current.corrections, true), [open]);

  /**
   * Sends what is not kept yet, one after another; of what came meanwhile only the last counts, for
   * it says all.
   */
  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let next = unsent.current; next; next = unsent.current) {
        unsent.current = null;
        await save(first.id, next.corrections);
        kept.current = next;
      }
      // The page that the golfer went on to was made before this was kept.
      if (left.current) router.refresh();
    } catch (error) {
      toast.error(
        `${error instanceof Error ? error.message : "The computer does not answer."} What you changed is not kept.`,
      );
      unsent.current = null;
      now.current = kept.current;
      setRep(kept.current);
    } finally {
      sending.current = false;
    }
  }, [first.id, router]);
  // Whoever leaves at once loses nothing: what waits goes out before the page does.
  useEffect(() => {
    const leave = () => {
      if (unsent.current) void save(first.id, unsent.current.corrections);
    };
    window.addEventListener("pagehide", leave);
    return () => window.removeEventListener("pagehide", leave);
  }, [first.id]);

  const put = useCallback(
    async (list: Correction[]) => {
      const before = now.current;
      if (!worker.current) return;
      const began = performance.now();
      setBusy(true);
      try {
        const was =
          before.corrections.flatMap((c) => (c.kind === "golfer" ? [c.was] : []))[0] ?? before;
        const facts = golferBy(list, was);
        await open(facts, list, false);
        const again = await worker.current.again(overridesOf(list));
        const wrong = again ? outOfOrder(again, list) : "With that, no rep is left here.";
        if (!again || wrong) {
          toast.error(`${wrong} Nothing was changed.`);
          await open(before, before.corrections, false);
          return;
        }
        now.current = withAgain(before, again, list, facts);
        setRep(now.current);
        // For whoever measures.
        performance.mark("kingfisher:corrected", { detail: performance.now() - began });
        unsent.current = now.current;
        void send();
      } finally {
        setBusy(false);
      }
    },
    [open, send],
  );

  const correct = useCallback(
    (c: Correction) => void put(withCorrection(now.current.corrections, c)),
    [put],
  );
  const undo = useCallback(
    (id?: string) => {
      const { corrections } = now.current;
      const gone = id ?? corrections.at(-1)?.id;
      if (gone) void put(corrections.filter((c) => c.id !== gone));
    },
    [put],
  );
  return { rep, scale, busy, correct, undo };
}

/** Goes on though the page is left meanwhile. */
async function save(id: string, list: readonly Correction[]): Promise<void> {
  const response = await fetch(`/api/reps/${id}/corrections`, {
    method: "PUT",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(list),
    keepalive: true,
  });
  if (response.ok) return;
  const body = (await response.json().catch(() => null)) as { message?: string } | null;
  throw new Error(body?.message ?? `The program answered ${response.status}.`);
}
