import Link from "next/link";
import { FEWEST_SWINGS } from "@/core/choose";
import { Button } from "@/ui/kit/button";
import { capital } from "@/ui/kit/capital";
import { inWords } from "@/ui/kit/inWords";

/**
 * What comes next when clips are read.
 *
 * @param done how many were read
 * @param readSwings reads the sample golfer's swings, after her one rep
 */
export function AfterReading({
  done,
  drill,
  readSwings,
}: {
  done: number;
  drill: string;
  readSwings: (() => void) | null;
}) {
  return (
    <div className="mt-5 flex flex-wrap items-center gap-x-6 gap-y-3 border-y-[3px] border-ink py-4">
      {readSwings && (
        <Next words="That was one rep. Five normal swings tell which drill is worth doing.">
          <Button look="main" onClick={readSwings}>
            Read her five swings
          </Button>
        </Next>
      )}
      {drill === "normal-swing" &&
        (done >= FEWEST_SWINGS ? (
          <Next words={`${capital(inWords(done))} swings are read.`}>
            <Button look="main" asChild>
              <Link href="/profile">See what they show</Link>
            </Button>
          </Next>
        ) : (
          <p className="text-[17px]">
            One swing is read. Two are needed to tell a habit from an accident, five are better.
          </p>
        ))}
      <Link href="/reps" className="text-link">
        All reps
      </Link>
    </div>
  );
}

function Next({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-3" aria-live="polite">
      <p className="text-[17px]">{words}</p>
      {children}
    </div>
  );
}
