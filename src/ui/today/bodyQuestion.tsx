"use client";

import { useState } from "react";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";

const PARTS = ["lower back", "knee", "hip", "ankle", "shoulder", "wrist"];

/**
 * Asks whether anything is sore: before the first bout of a day, and after a heavy one. Whoever
 * says so gets an easy plan and the caution, not a streak.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function BodyQuestion({
  when,
  sore,
  say,
}: {
  when: "before" | "after";
  sore: string | null;
  say(when: "before" | "after", part: string | null): Promise<void>;
}) {
  const [pending, attempt] = useAttempt();
  const [other, setOther] = useState("");
  const [which, setWhich] = useState(false);
  const answer = (part: string | null) => attempt(() => say(when, part));
  return (
    <section aria-labelledby="body" className="mt-6 max-w-[640px] border-t border-hair pt-4">
      <h2 id="body" className="text-[20px]">
        {sore
          ? `Is your ${sore} well again?`
          : when === "before"
            ? "Before you begin: is anything sore?"
            : "That was much. Is anything sore now?"}
      </h2>
      {sore ? (
        <div className="mt-2 flex flex-wrap gap-3">
          <Button disabled={pending} onClick={() => answer(null)}>
            Yes, it is well
          </Button>
          <Button disabled={pending} onClick={() => answer(sore)}>
            Not yet
          </Button>
        </div>
      ) : which ? (
        <div
          role="group"
          aria-label="What is sore?"
          className="mt-2 flex flex-wrap items-end gap-2"
        >
          {PARTS.map((p) => (
            <Button key={p} disabled={pending} onClick={() => answer(p)}>
              {p}
            </Button>
          ))}
          <form
            className="flex items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              if (other.trim()) answer(other.trim());
            }}
          >
            <label className="text-[15px]">
              something else
              <input
                className="mt-1 block min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 text-[17px]"
                value={other}
                maxLength={60}
                onChange={(e) => setOther(e.target.value)}
              />
            </label>
            <Button type="submit" disabled={pending || !other.trim()}>
              Go easy
            </Button>
          </form>
        </div>
      ) : (
        <div className="mt-2 flex flex-wrap gap-3">
          <Button disabled={pending} onClick={() => answer(null)}>
            Nothing
          </Button>
          <Button disabled={pending} onClick={() => setWhich(true)}>
            Something is
          </Button>
        </div>
      )}
      {(sore || which) && (
        <p className="mt-2 side-note">
          Then half the minutes are planned, and only the easiest drills. Stop at pain; see a
          physiotherapist or doctor if it stays.
        </p>
      )}
    </section>
  );
}
