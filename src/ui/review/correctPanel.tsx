"use client";

import Link from "next/link";
import { useState } from "react";
import { type Correction, isEventName } from "@/core/reps";
import type { RepDetail } from "@/server/reps/queries";
import { Choice } from "@/ui/golfer/choice";
import { NumberField } from "@/ui/editor/fields";
import { Button } from "@/ui/kit/button";
import { WORDS } from "@/ui/kit/glyphs";
import { CM_PER_INCH, shownStature } from "@/ui/kit/units";
import { eventWords, FOOT_WORDS } from "./eventWords";

interface Props {
  rep: RepDetail;
  /** The picture that is shown, ms. */
  ms: number;
  /** Times are told from here, ms. */
  zero: number;
  busy: boolean;
  seek(ms: number): void;
  correct(c: Correction): void;
  undo(id: string): void;
}

type Foot = "lead" | "trail";
type FootEventName = Extract<Correction, { kind: "foot" }>["event"];

const signed = (v: number) => `${Math.round(v).toString().replace("-", "−")} ms`;

/** What a correction says, in words. */
function saysWords(c: Correction, zero: number, rep: RepDetail): string {
  const at = (v: number | null) => (v === null ? "not there" : signed(v - zero));
  switch (c.kind) {
    case "event":
      return `${eventWords(c.event)}: ${at(c.now)}, the program says ${at(c.was)}`;
    case "foot":
      return `${c.foot} ${FOOT_WORDS[c.event]}: ${at(c.now)}, the program says ${at(c.was)}`;
    case "split":
      return `begins ${at(c.now.from)}, ends ${at(c.now.to)}`;
    case "golfer":
      return (
        `${c.now.hand}-handed, ${shownStature(c.now.statureCm, rep.units)}; before ` +
        `${c.was.hand}-handed, ${shownStature(c.was.statureCm, rep.units)}`
      );
    case "asDrill":
      return "judged as this drill, whatever it looks like";
    case "verdict":
      return `${WORDS[c.now].toLowerCase()}: ${c.reason}`;
  }
}

/** What the program got wrong, put right: go to the picture, then say what happens there. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function CorrectPanel({ rep, ms, zero, busy, seek, correct, undo }: Props) {
  const id = () => crypto.randomUUID();
  const swing = rep.events.flatMap((e) =>
    e.foot === "" && isEventName(e.name) ? [{ ...e, name: e.name }] : [],
  );
  const feet = rep.events.filter((e) => e.foot !== "");
  return (
    <details className="mt-10 border-t border-hair pt-5">
      <summary className="min-h-11 cursor-pointer text-[23px] font-bold">
        Did the program get something wrong?
      </summary>
      <p className="mb-4 max-w-[760px]">
        Go to the picture where it happens, then press <em>Here</em>. All that hangs on it is judged
        again at once; what was computed stays beside it, and in{" "}
        <Link className="text-link" href="/record">
          the program’s own record
        </Link>
        .
      </p>
      {rep.corrections.length > 0 && (
        <section aria-label="What you changed" className="mb-6 max-w-[760px]">
          <h3 className="text-[18px] font-bold">You say</h3>
          <ul>
            {rep.corrections.map((c) => (
              <li
                key={c.id}
                className="flex min-h-11 items-center justify-between gap-4 border-b border-hair"
              >
                {saysWords(c, zero, rep)}
                <Button
                  look="quiet"
                  disabled={busy}
                  onClick={() => undo(c.id)}
                  aria-label={`Take back: ${saysWords(c, zero, rep)}`}
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <section aria-label="Events">
          <h3 className="text-[18px] font-bold">Events</h3>
          <ul>
            {swing.map((e) => (
              <Row
                key={e.name}
                name={eventWords(e.name)}
                t={e.t}
                u={e.u}
                own={e.by === "golfer"}
                {...{ zero, seek }}
              >
                <Button
                  disabled={busy}
                  onClick={() =>
                    correct({ id: id(), kind: "event", event: e.name, was: e.t, u: e.u, now: ms })
                  }
                  aria-label={`${eventWords(e.name)} is here`}
                >
                  Here
                </Button>
              </Row>
            ))}
            {(["from", "to"] as const).map((end) => (
              <Row
                key={end}
                name={end === "from" ? "rep begins" : "rep ends"}
                t={rep[end]}
                u={null}
                own={false}
                {...{ zero, seek }}
              >
                <Button
                  disabled={busy}
                  aria-label={`the rep ${end === "from" ? "begins" : "ends"} here`}
                  onClick={() =>
                    correct({
                      id: id(),
                      kind: "split",
                      was: { from: rep.from, to: rep.to },
                      now: { from: rep.from, to: rep.to, [end]: ms },
                    })
                  }
                >
                  Here
                </Button>
              </Row>
            ))}
          </ul>
        </section>
        <section aria-label="Feet">
          <h3 className="text-[18px] font-bold">Feet</h3>
          <ul>
            {feet.map((e) => {
              const name = `${e.foot} ${FOOT_WORDS[e.name]}`;
              const put = (now: number | null) =>
                correct({
                  id: id(),
                  kind: "foot",
                  foot: e.foot as Foot,
                  event: e.name as FootEventName,
                  was: e.t,
                  u: e.u,
                  now,
                });
              return (
                <Row
                  key={`${name} ${e.t}`}
                  name={name}
                  t={e.t}
                  u={e.u}
                  own={e.by === "golfer"}
                  {...{ zero, seek }}
                >
                  <Button disabled={busy} onClick={() => put(ms)} aria-label={`${name} here`}>
                    Here
                  </Button>
                  <Button
                    look="quiet"
                    disabled={busy}
                    onClick={() => put(null)}
                    aria-label={`${name}: it does not`}
                  >
                    It doesn&rsquo;t
                  </Button>
                </Row>
              );
            })}
          </ul>
          <AddFoot
            busy={busy}
            add={(foot, event) =>
              correct({ id: id(), kind: "foot", foot, event, was: null, u: null, now: ms })
            }
          />
        </section>
        <Facts
          key={`${rep.hand} ${rep.statureCm}`}
          rep={rep}
          busy={busy}
          save={(now) =>
            correct({
              id: id(),
              kind: "golfer",
              was: { hand: rep.hand, statureCm: rep.statureCm },
              now,
            })
          }
        />
        {rep.verdict && (
          <Overrule
            rep={rep}
            busy={busy}
            save={(now, reason) =>
              correct({ id: id(), kind: "verdict", was: rep.verdict!.result, now, reason })
            }
          />
        )}
      </div>
    </details>
  );
}

function Row({
  name,
  t,
  u,
  own,
  zero,
  seek,
  children,
}: {
  name: string;
  t: number;
  u: number | null;
  own: boolean;
  zero: number;
  seek(ms: number): void;
  children: React.ReactNode;
}) {
  return (
    <li className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-b border-hair py-1">
      <button
        type="button"
        className="min-h-11 grow text-left underline-offset-4 hover:underline"
        onClick={() => seek(t)}
        aria-label={`Show: ${name}`}
      >
        <strong>{name}</strong>{" "}
        <span className="side-note">
          {signed(t - zero)}
          {u === null ? "" : ` ± ${Math.max(1, Math.round(2 * u))}`}
          {own ? ", you say" : ""}
        </span>
      </button>
      <span className="flex gap-2">{children}</span>
    </li>
  );
}

const PUT_IN: readonly (readonly [foot: Foot, event: FootEventName])[] = (
  ["lead", "trail"] as const
).flatMap((foot) =>
  (["heelUp", "liftOff", "landing"] as const).map((event) => [foot, event] as const),
);

/** A foot event that the program did not see. */
function AddFoot({ busy, add }: { busy: boolean; add(foot: Foot, event: FootEventName): void }) {
  const [which, setWhich] = useState(0);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <label className="grow text-[15px]">
        Something that was not seen
        <select
          className="mt-1 block min-h-11 w-full rounded-control border-[1.5px] border-edge bg-paper px-3"
          value={which}
          onChange={(e) => setWhich(Number(e.target.value))}
        >
          {PUT_IN.map(([foot, event], i) => (
            <option key={`${foot} ${event}`} value={i}>
              {foot} {FOOT_WORDS[event]}
            </option>
          ))}
        </select>
      </label>
      <Button disabled={busy} onClick={() => add(...PUT_IN[which]!)}>
        Put it in here
      </Button>
    </div>
  );
}

/** The golfer's hand and stature as this rep was judged with. */
function Facts({
  rep,
  busy,
  save,
}: {
  rep: RepDetail;
  busy: boolean;
  save(now: { hand: "left" | "right"; statureCm: number }): void;
}) {
  const per = rep.units === "cm" ? 1 : CM_PER_INCH;
  const [hand, setHand] = useState(rep.hand);
  const [stature, setStature] = useState<number | null>(Math.round(rep.statureCm / per));
  const statureCm = stature === null ? null : Math.round(stature * per * 10) / 10;
  const changed =
    hand !== rep.hand || (statureCm !== null && Math.abs(statureCm - rep.statureCm) >= per / 2);
  const possible = statureCm !== null && statureCm >= 120 && statureCm <= 220;
  return (
    <section aria-label="Who swings">
      <h3 className="mb-2 text-[18px] font-bold">Who swings</h3>
      <div className="grid max-w-[420px] gap-3">
        <Choice
          legend="Plays"
          value={hand}
          onChange={setHand}
          options={
            [
              ["right", "Right-handed"],
              ["left", "Left-handed"],
            ] as const
          }
        />
        <NumberField
          label="Height"
          unit={rep.units === "cm" ? "cm" : "in"}
          value={stature}
          onChange={setStature}
        />
        {!possible && (
          <p role="alert" className="text-[15px] text-fail">
            Say a height between {Math.round(120 / per)} and {Math.round(220 / per)}{" "}
            {rep.units === "cm" ? "cm" : "in"}.
          </p>
        )}
        <Button
          disabled={busy || !changed || !possible}
          onClick={() => save({ hand, statureCm: statureCm! })}
        >
          Judge it with these
        </Button>
      </div>
    </section>
  );
}

const RESULTS = [
  ["pass", "Pass"],
  ["fail", "Fail"],
  ["not judged", "Not judged"],
] as const;

/** The golfer's own verdict, with why. */
function Overrule({
  rep,
  busy,
  save,
}: {
  rep: RepDetail;
  busy: boolean;
  save(now: "pass" | "fail" | "not judged", reason: string): void;
}) {
  const [now, setNow] = useState<"pass" | "fail" | "not judged">(rep.verdict!.result);
  const [reason, setReason] = useState("");
  return (
    <section aria-label="Your own verdict">
      <h3 className="mb-2 text-[18px] font-bold">Your own verdict</h3>
      <div className="grid max-w-[420px] gap-3">
        <Choice legend="This rep is" value={now} onChange={setNow} options={RESULTS} />
        <label className="text-[15px]">
          Why?
          <input
            className="mt-1 block min-h-11 w-full rounded-control border-[1.5px] border-edge bg-paper px-3 text-[17px]"
            value={reason}
            maxLength={300}
            onChange={(e) => setReason(e.target.value)}
          />
        </label>
        <Button
          disabled={busy || now === rep.verdict!.result || !reason.trim()}
          onClick={() => save(now, reason.trim())}
        >
          Overrule the program
        </Button>
        <p className="side-note">Yours counts in your log; the program&rsquo;s stays beside it.</p>
      </div>
    </section>
  );
}
