"use client";

import Link from "next/link";
import { useEffect, useMemo, useRef, useState } from "react";
import { Button } from "@/ui/kit/button";
import { DRILLS } from "@/core/drills";
import { ClipCard } from "./clipCard";
import { DeviceLine } from "./deviceLine";
import { headline } from "./queue";
import { useReading } from "./useReading";

/** Read clips: drop or choose several; each one is a column that fills as it is read. */
export function ReadClips({ hand, statureCm, keepFilm, drill: asked }: { hand: "left" | "right"; statureCm: number; keepFilm: boolean; drill?: string | undefined }) {
  const [drill, setDrill] = useState(DRILLS.find((d) => d.id === asked)?.id ?? "double-step");
  const { items, device, add, stop, stopAll, again, remove, answerFps } = useReading(keepFilm, useMemo(() => ({ drill, hand, statureCm }), [drill, hand, statureCm]));
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const open = items.some((i) => ["waiting", "working", "keeping"].includes(i.state.step));

  useEffect(() => {
    if (!open) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [open]);

  return (
    <div
      className={`min-h-[70vh] ${over ? "outline-3 outline-dashed outline-edge -outline-offset-8" : ""}`}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        add([...e.dataTransfer.files]);
      }}
    >
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 text-[15px] text-ink-2">Are your clips read, and do any need you?</p>
          <h1 className="mt-1 text-[34px] md:text-[46px]" aria-live="polite">{headline(items)}</h1>
        </div>
        <div className="flex gap-3">
          <input ref={input} type="file" multiple accept="video/*,.mov,.mp4,.webm" className="sr-only" aria-label="Choose clips" tabIndex={-1}
            onChange={(e) => {
              add([...(e.target.files ?? [])]);
              e.target.value = "";
            }}
          />
          <Button look="main" onClick={() => input.current?.click()}>Add clips</Button>
          {open && <Button onClick={stopAll}>Stop all</Button>}
        </div>
      </div>
      <label className="mt-3 flex flex-wrap items-center gap-2 text-[17px]">
        Judge them as
        <select value={drill} onChange={(e) => setDrill(e.target.value)} disabled={open} className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 font-semibold">
          {DRILLS.map((d) => <option key={d.id} value={d.id}>{d.name}</option>)}
          <option value="none">nothing: only measure</option>
        </select>
      </label>
      {items.length === 0 ? (
        <div className="mt-6 grid max-w-[760px] gap-x-12 gap-y-6 border-t border-hair pt-6 md:grid-cols-2">
          <div>
            <h2 className="mb-2 text-[23px]">How to film</h2>
            <ul className="grid gap-1.5">
              <li>Stand the phone 4 m in front of you, at hip height, on its end or level.</li>
              <li>Head, feet and hands stay in the picture, with a hand&rsquo;s breadth to spare.</li>
              <li>Stand still for a second, swing, hold the finish.</li>
              <li>60 pictures a second, in &lsquo;most compatible&rsquo; (H.264).</li>
            </ul>
          </div>
          <div>
            <h2 className="mb-2 text-[23px]">No clip yet?</h2>
            <p className="mb-3">Read one of the sample golfer&rsquo;s. It is read here, by the same network, as yours will be.</p>
            <Button onClick={() => void sample(hand).then((file) => add([file]))}>Try a sample clip</Button>
            <p className="mt-3 text-[15px] text-ink-2">Or drop files anywhere on this page. They are read in this browser and never leave this computer.</p>
          </div>
        </div>
      ) : (
        <ul className="mt-6 grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-6">
          {items.map((item) => (
            <li key={item.id}>
              <ClipCard item={item} hand={hand} stop={() => stop(item)} again={() => again(item)} remove={() => remove(item)} answerFps={(fps) => answerFps(item, fps)} />
            </li>
          ))}
        </ul>
      )}
      {items.some((i) => i.state.step === "done") && (
        <p className="mt-8"><Link href="/reps" className="underline underline-offset-4">All reps</Link></p>
      )}
      <DeviceLine device={device} />
    </div>
  );
}

async function sample(hand: "left" | "right"): Promise<File> {
  const name = hand === "left" ? "double-step-left.mp4" : "double-step-good.mp4";
  const blob = await (await fetch(`/samples/${name}`)).blob();
  return new File([blob], name, { type: "video/mp4" });
}
