"use client";

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import Link from "next/link";
import { DropdownMenu } from "radix-ui";
import { useEffect, useOptimistic, useRef } from "react";
import { toast } from "sonner";
import type { Drill } from "@/core/drills";
import {
  moved,
  overfull,
  skipped,
  swapped,
  laterDay,
  type DayRoom,
  type KeptBout,
} from "@/core/practice";
import { Button } from "@/ui/kit/button";
import { capital } from "@/ui/kit/capital";
import { weekDay } from "@/ui/kit/dates";
import { inWords } from "@/ui/kit/inWords";
import { useAttempt } from "@/ui/kit/useAttempt";
import type { PlanBout } from "./planBout";
import { PracticeForm, type Practice } from "./practiceForm";
import { River } from "./river";

/** A drill that may stand in a bout's place. */
interface DueShown {
  drill: Pick<Drill, "id" | "name" | "minutes" | "dose">;
  stage: { id: string; name: string };
  reason: string;
}

interface Props {
  monday: string;
  today: string;
  days: readonly DayRoom[];
  kept: readonly PlanBout[];
  clashes: readonly { day: string; ids: readonly string[]; words: readonly string[] }[];
  due: readonly DueShown[];
  practice: Practice;
  symptoms: readonly { id: string; name: string }[];
  gear: readonly string[];
  actions: {
    plan(monday: string): Promise<void>;
    keep(monday: string, bouts: KeptBout[]): Promise<void>;
    practice(change: object): Promise<void>;
    sore(part: string | null): Promise<void>;
  };
}

/** What is sent is what is kept, without its words. */
const bare = ({ name: _n, stage: _s, reason: _r, ...b }: PlanBout): KeptBout => b;

/**
 * A week as a river: home on one bank, the range on the other, each bout a gate; moved by drag or
 * keys.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function PlanView({
  monday,
  today,
  days,
  kept,
  clashes,
  due,
  practice,
  symptoms,
  gear,
  actions,
}: Props) {
  // What is asked for stands at once, until the computer has answered; then what it has kept does.
  const [bouts, show] = useOptimistic(kept, (_, asked: readonly PlanBout[]) => asked);
  const [pending, attempt] = useAttempt();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const put = (asked: readonly PlanBout[], then?: () => void) =>
    attempt(async () => {
      show(asked);
      await actions.keep(monday, asked.map(bare));
      then?.();
    });
  const keep = (next: readonly KeptBout[], said: string) => {
    const words = new Map(bouts.map((b) => [b.id, b] as const));
    put(
      next.map((b) => ({ ...words.get(b.id), ...b }) as PlanBout),
      () => toast(said, { action: { label: "Undo", onClick: () => put(bouts) } }),
    );
  };
  // A bout that is moved by keys keeps the focus on its new day.
  const stepped = useRef<string | null>(null);
  useEffect(() => {
    if (stepped.current) document.getElementById(`move ${stepped.current}`)?.focus();
    stepped.current = null;
  }, [bouts]);
  const step = (b: PlanBout, by: 1 | -1) => {
    const to = days[days.findIndex((d) => d.day === b.day) + by];
    if (!to || to.day < today) return;
    stepped.current = b.id;
    keep(moved(bouts, b.id, to), `${b.name} is on ${weekDay(to.day)} now.`);
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const bout = bouts.find((b) => b.id === active.id);
    const to = days.find((d) => d.day === over?.id);
    if (bout && to && bout.day !== to.day)
      keep(moved(bouts, bout.id, to), `${bout.name} is on ${weekDay(to.day)} now.`);
  };
  const open = bouts.filter((b) => b.state === "planned" && b.day >= today);
  const minutes = open.reduce((sum, b) => sum + b.minutes, 0);
  const full = overfull(bouts, days);
  const title = `${bouts.length ? `${capital(inWords(open.length))} ${open.length === 1 ? "bout" : "bouts"} to come` : "Nothing is planned"}`;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 side-note">
            What do you practise this week, and does anything pull against it? {Math.round(minutes)}{" "}
            minutes; a gate is a bout, time runs down.
          </p>
          <h1 className="page-title">{title}</h1>
        </div>
        <nav aria-label="Weeks" className="flex flex-wrap gap-3 print:hidden">
          <Button asChild>
            <Link href={`/plan?week=${laterDay(monday, -7)}`}>← Week before</Link>
          </Button>
          <Button asChild>
            <Link href={`/plan?week=${laterDay(monday, 7)}`}>Next week →</Link>
          </Button>
        </nav>
      </div>
      <div className="mt-6 grid gap-x-10 gap-y-10 lg:grid-cols-[1fr_320px]">
        <DndContext id="week" sensors={sensors} onDragEnd={onDragEnd}>
          <River days={days} bouts={bouts} today={today}>
            {(b) => (
              <Bout
                key={b.id}
                bout={b}
                days={days}
                due={due.filter((d) =>
                  bouts.every((o) => o.drillId !== d.drill.id || o.day !== b.day),
                )}
                past={b.day < today}
                step={(by) => step(b, by)}
                move={(to) =>
                  keep(moved(bouts, b.id, to), `${b.name} is on ${weekDay(to.day)} now.`)
                }
                skip={() =>
                  keep(
                    skipped(bouts, b.id),
                    b.state === "skipped" ? `${b.name} is in again.` : `${b.name} is left out.`,
                  )
                }
                swap={(d) =>
                  keep(swapped(bouts, b.id, d), `${d.drill.name} in the place of ${b.name}.`)
                }
              />
            )}
          </River>
        </DndContext>
        <aside className="print:hidden">
          {clashes.map((c) => (
            <section key={`${c.day} ${c.ids.join()}`} className="mb-6">
              <h2 className="text-[23px]">On {weekDay(c.day)} two pull against each other</h2>
              <ul className="mt-1 text-[15px]">
                {c.words.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
              <p className="mt-1 side-note">Move one of them, or do both and know it.</p>
            </section>
          ))}
          {full.map((f) => (
            <p key={f.day} className="mb-4 text-[17px]">
              {weekDay(f.day)} has {f.has} minutes, and {Math.round(f.minutes)} are planned.
            </p>
          ))}
          <h2 className="text-[23px]">What is due?</h2>
          <ol className="mt-1 mb-6">
            {due.slice(0, 5).map((d) => (
              <li key={d.drill.id} className="border-b border-hair py-2">
                <Link className="font-semibold text-link" href={`/drills/${d.drill.id}`}>
                  {d.drill.name}
                </Link>
                <span className="block side-note">
                  {d.stage.name.toLowerCase()}; {d.reason}
                </span>
              </li>
            ))}
            {!due.length && (
              <li className="side-note">
                Nothing asks for a drill yet. Say below what you notice, or film five normal swings.
              </li>
            )}
          </ol>
          <div className="flex flex-wrap gap-3">
            <Button
              look="main"
              disabled={pending}
              onClick={() => attempt(() => actions.plan(monday))}
            >
              {bouts.length ? "Plan the rest again" : "Plan this week"}
            </Button>
            <Button asChild>
              <a href={`/api/plan/${monday}`} download>
                Save calendar file
              </a>
            </Button>
            <Button onClick={() => window.print()}>Print</Button>
          </div>
        </aside>
      </div>
      <PracticeForm
        practice={practice}
        symptoms={symptoms}
        gear={gear}
        pending={pending}
        save={(change) =>
          attempt(async () => {
            await actions.practice(change);
            await actions.plan(monday);
          })
        }
        sore={(part) =>
          attempt(async () => {
            await actions.sore(part);
            await actions.plan(monday);
          })
        }
      />
    </>
  );
}

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
function Bout({
  bout,
  days,
  due,
  past,
  step,
  move,
  skip,
  swap,
}: {
  bout: PlanBout;
  days: readonly DayRoom[];
  due: readonly DueShown[];
  past: boolean;
  step(by: 1 | -1): void;
  move(to: DayRoom): void;
  skip(): void;
  swap(d: DueShown): void;
}) {
  const fixed = bout.state !== "planned" || past;
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: bout.id,
    disabled: fixed,
  });
  return (
    <div
      ref={setNodeRef}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      className={`flex items-start justify-between gap-2 ${isDragging ? "relative z-20 bg-paper outline-[2.5px] outline-ink" : ""} ${bout.state === "skipped" ? "line-through opacity-60" : ""}`}
    >
      <div className="min-w-0">
        <Link
          href={`/drills/${bout.drillId}`}
          className="line-clamp-1 font-bold underline-offset-4 hover:underline"
        >
          {bout.name}
        </Link>
        <span className="line-clamp-2 text-[14px] leading-snug text-ink-2" title={bout.reason}>
          <span className="md:hidden">
            {bout.place === "home" ? "at home, " : "on the range, "}
          </span>
          {bout.state === "done" ? "done, " : ""}
          {bout.minutes ? `${Math.round(bout.minutes)} min, ` : ""}
          {bout.sets} × {bout.reps}
          {bout.stage ? `, ${bout.stage.toLowerCase()}` : ""}; {bout.reason}
        </span>
      </div>
      {!past && bout.state !== "done" && (
        <span className="flex shrink-0 print:hidden">
          {!fixed && (
            <button
              type="button"
              {...attributes}
              {...listeners}
              id={`move ${bout.id}`}
              aria-label={`Move ${bout.name}: up and down arrows`}
              title="Drag it, or press the up and down arrows"
              onKeyDown={(e) => {
                if (e.key !== "ArrowUp" && e.key !== "ArrowDown") return;
                e.preventDefault();
                step(e.key === "ArrowDown" ? 1 : -1);
              }}
              className="grid size-11 cursor-grab touch-none place-items-center rounded-control hover:bg-water"
            >
              <svg viewBox="0 0 12 20" width={12} height={20} fill="currentColor" aria-hidden>
                {[4, 10, 16].flatMap((y) =>
                  [3, 9].map((x) => <circle key={`${x} ${y}`} cx={x} cy={y} r={1.7} />),
                )}
              </svg>
            </button>
          )}
          <DropdownMenu.Root>
            <DropdownMenu.Trigger
              aria-label={`Change ${bout.name}`}
              className="grid size-11 place-items-center rounded-control text-[22px] leading-none hover:bg-water"
            >
              …
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
              <DropdownMenu.Content
                align="end"
                className="z-30 max-h-[70vh] min-w-56 overflow-auto border-[1.5px] border-ink bg-paper py-1"
              >
                <Item onSelect={skip}>
                  {bout.state === "skipped" ? "Take it in again" : "Leave it out"}
                </Item>
                {!fixed &&
                  days
                    .filter((d) => d.day !== bout.day && d.minutes > 0)
                    .map((d) => (
                      <Item key={d.day} onSelect={() => move(d)}>
                        To {weekDay(d.day)}
                      </Item>
                    ))}
                {!fixed &&
                  due.slice(0, 6).map((d) => (
                    <Item key={d.drill.id} onSelect={() => swap(d)}>
                      {d.drill.name} instead
                    </Item>
                  ))}
              </DropdownMenu.Content>
            </DropdownMenu.Portal>
          </DropdownMenu.Root>
        </span>
      )}
    </div>
  );
}

const Item = ({ children, onSelect }: { children: React.ReactNode; onSelect(): void }) => (
  <DropdownMenu.Item
    onSelect={onSelect}
    className="min-h-11 cursor-pointer px-4 py-2.5 outline-none data-[highlighted]:bg-silt"
  >
    {children}
  </DropdownMenu.Item>
);
