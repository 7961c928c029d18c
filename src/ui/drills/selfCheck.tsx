"use client";

import Link from "next/link";
import { useState } from "react";
import { adviceFor, SELF_CHECK, type SelfCheckAnswers, type Drill } from "@/core/drills";
import { useAttempt } from "@/ui/kit/useAttempt";
import { YesNo } from "@/ui/kit/yesNo";
import { Button } from "@/ui/kit/button";

/** Five questions to oneself; then on to the drill, or what to do instead. */
export function SelfCheck({
  drill,
  goOn,
}: {
  drill: Pick<Drill, "notWhen">;
  goOn: () => Promise<void>;
}) {
  const [answers, setAnswers] = useState<SelfCheckAnswers>({});
  const [pending, attempt] = useAttempt();
  const advice = adviceFor(answers, drill);
  return (
    <section>
      <h2 className="sr-only">Five questions</h2>
      <ul className="border-t border-hair">
        {SELF_CHECK.map(({ id, question }) => (
          <li key={id} className="border-b border-hair py-3">
            <YesNo
              question={question}
              value={answers[id] ?? null}
              onChange={(v) => setAnswers({ ...answers, [id]: v })}
            />
          </li>
        ))}
      </ul>
      <div className="mt-6 min-h-36" aria-live="polite">
        {advice && (
          <>
            <p className="display text-[29px]">{advice.title}</p>
            <p className="mt-1 mb-4 max-w-prose text-[17px]">{advice.words}</p>
            {advice.go ? (
              <Button
                look="main"
                className="min-h-14 px-8 text-[20px]"
                disabled={pending}
                onClick={() => attempt(goOn)}
              >
                {pending ? "Keeping…" : "Go on"}
              </Button>
            ) : (
              <Button asChild>
                <Link href="/drills">Other drills</Link>
              </Button>
            )}
          </>
        )}
      </div>
    </section>
  );
}
