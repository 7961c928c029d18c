"use client";

import { proxy, wrap, type Remote } from "comlink";
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from "react";
import { CLIP_WORDS } from "@/vision/decode";
import type { AboutDevice, Reader, ReadFor } from "@/vision/worker/protocol";
import type { ClipQuestion } from "@/core/analysis";
import { changeQueue, type ClipAnswer, type ClipItem, type ClipState } from "./queue";
import { keptState, type KeptFor, type ReadTrack } from "./keptState";
import { watched } from "@/ui/kit/watched";

let nextId = 1;

/**
 * Reading says how far it is at least this often; a picture of the largest films takes a second,
 * ms.
 */
const STALLED_MS = 30_000;

/** Reading such a clip once more tells the same. */
const HOPELESS: ReadonlySet<string> = new Set([
  "notVideo",
  "empty",
  "noPicture",
  "codec",
  "tooBig",
  "damaged",
  "size",
  "tooLong",
]);

/**
 * Reads clips one after another in a worker, keeps what was read, and tells how far each one is.
 *
 * @param judgedBy whose clips they are, and what their reps are judged by; the reader goes by the
 * drill that it was made from
 */
// eslint-disable-next-line max-lines-per-function -- its callbacks share one queue and one worker
export function useReading(
  keepFilm: boolean,
  { golferId, drill, version }: { golferId: string; drill: string; version: number | undefined },
  { drill: readAs, stage, hand, statureCm }: ReadFor,
) {
  const readFor = useMemo(
    () => ({ drill: readAs, stage, hand, statureCm }),
    [readAs, stage, hand, statureCm],
  );
  const [items, change] = useReducer(changeQueue, []);
  const [device, setDevice] = useState<AboutDevice | null>(null);
  const worker = useRef<{ worker: Worker; reader: Remote<Reader> } | null>(null);
  const keptFor = useRef(new Map<number, KeptFor>());
  const answered = useRef(new Map<ClipQuestion["code"], ClipAnswer>());
  const busy = useRef<{ id: number; stopped: boolean } | null>(null);

  const reader = useCallback(() => {
    if (!worker.current) {
      const w = new Worker(new URL("../../vision/worker/read.worker.ts", import.meta.url), {
        type: "module",
        name: "read",
      });
      worker.current = { worker: w, reader: wrap<Reader>(w) };
    }
    return worker.current.reader;
  }, []);

  useEffect(() => {
    // Ready before the first clip is chosen; what goes wrong here is said when one is read.
    reader()
      .warm()
      .then(setDevice, () => {});
    return () => {
      worker.current?.worker.terminate();
      worker.current = null;
    };
  }, [reader]);

  const set = useCallback(
    (id: number, state: ClipState) => change({ type: "state", id, state }),
    [],
  );

  const keep = useCallback(
    async (item: ClipItem, read: ReadTrack, answer: ClipAnswer = {}): Promise<void> => {
      set(item.id, { step: "keeping" });
      for (let said = answer; ;) {
        const state = await keptState(item.file, read, {
          ...keptFor.current.get(item.id)!,
          keepFilm,
          answer: said,
        });
        // What was answered of one clip goes for all that ask the same.
        const known = state.step === "asks" && answered.current.get(state.question.code);
        const again = { ...said, ...known };
        if (!known || JSON.stringify(again) === JSON.stringify(said)) return set(item.id, state);
        said = again;
      }
    },
    [keepFilm, set],
  );

  useEffect(() => {
    if (busy.current !== null) return;
    const item = items.find((i) => i.state.step === "waiting");
    if (!item) return;
    const run = (busy.current = { id: item.id, stopped: false });
    const startedAt = performance.now();
    keptFor.current.set(item.id, {
      golfer: { id: golferId, hand, statureCm },
      drill,
      version,
      stage,
    });
    set(item.id, { step: "working", progress: { step: "loading" }, startedAt });
    void (async () => {
      let began = startedAt;
      try {
        const watch = watched();
        const reading = reader().read(
          item.file,
          readFor,
          proxy((progress) => {
            if (run.stopped) return;
            watch.heard(progress.step === "loading" ? null : STALLED_MS);
            if (progress.step === "reading" && began === startedAt) began = performance.now();
            set(item.id, { step: "working", progress, startedAt: began });
          }),
        );
        const result = await Promise.race([reading, watch.silence]).finally(watch.end);
        if (result === "silent") {
          // Nothing inside a worker that is stuck can answer: it is ended, and the next clip gets
          // another.
          worker.current?.worker.terminate();
          worker.current = null;
          if (!run.stopped) set(item.id, { step: "failed", ...CLIP_WORDS.stalled, again: false });
          return;
        }
        if (run.stopped) return;
        if (result.ok)
          await keep(item, {
            clipSha256: result.clipSha256,
            track: { bytes: result.track, sha256: result.trackSha256 },
          });
        else
          set(item.id, {
            step: "failed",
            message: result.message,
            action: result.action,
            again: !HOPELESS.has(result.code),
          });
      } catch {
        if (!run.stopped)
          set(item.id, {
            step: "failed",
            message: "Reading broke off.",
            action: "Try again. The clip itself is untouched.",
            again: true,
          });
        worker.current?.worker.terminate();
        worker.current = null;
      } finally {
        busy.current = null;
        change({ type: "add", files: [] });
      }
    })();
  }, [items, keep, reader, readFor, set, golferId, hand, statureCm, drill, version, stage]);

  /** Shown at once; the worker stops at its next picture. */
  const stopRunning = () => {
    const run = busy.current;
    if (!run || run.stopped) return;
    run.stopped = true;
    set(run.id, { step: "stopped" });
    void worker.current?.reader.cancel();
  };

  return {
    items,
    device,
    add: (files: File[]) =>
      change({ type: "add", files: files.map((file) => ({ id: nextId++, file })) }),
    stop: (item: ClipItem) =>
      item.id === busy.current?.id ? stopRunning() : set(item.id, { step: "stopped" }),
    stopAll: () => {
      change({ type: "stopAll" });
      stopRunning();
    },
    again: (item: ClipItem) => set(item.id, { step: "waiting" }),
    remove: (item: ClipItem) => change({ type: "remove", id: item.id }),
    answer: (item: ClipItem, said: ClipAnswer) => {
      if (item.state.step !== "asks") return;
      const { code } = item.state.question;
      answered.current.set(code, said);
      for (const other of items)
        if (other.state.step === "asks" && other.state.question.code === code)
          void keep(other, other.state, { ...other.state.answered, ...said });
    },
  };
}
