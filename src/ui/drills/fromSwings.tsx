import { withId } from "@/core/maths";
import Link from "next/link";
import { DRILLS } from "@/core/drills";
import type { OwnSwings } from "./libraryGolfer";

/** What the golfer's own swings say about which drill is worth doing. */
export function FromSwings({ swings }: { swings: OwnSwings | null }) {
  return (
    <p className="mt-2 max-w-prose text-[17px]">
      {swings?.first ? (
        <>
          Your own {swings.count} swings:{" "}
          <Link href="/profile" className="font-semibold text-link">
            {swings.first.words}
          </Link>
          . They speak for{" "}
          <Link href={`/drills/${swings.first.id}`} className="font-semibold text-link">
            {withId(DRILLS, swings.first.id).name}
          </Link>
          .
        </>
      ) : swings ? (
        <>
          Your own {swings.count} swings show{" "}
          <Link href="/profile" className="font-semibold text-link">
            nothing that can be told
          </Link>
          . Choose by what you notice.
        </>
      ) : (
        <>
          Say what you notice, or let{" "}
          <Link href="/profile" className="font-semibold text-link">
            five normal swings
          </Link>{" "}
          choose.
        </>
      )}
    </p>
  );
}
