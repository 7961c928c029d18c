import type { Metadata } from "next";
import { bin } from "@/app/logActions";
import { whoever } from "@/app/whoever";
import { BIN_DAYS } from "@/server/practice/bin";
import { binned } from "@/server/practice/binned";
import { Button } from "@/ui/kit/button";
import { shortTime } from "@/ui/kit/dates";

export const metadata: Metadata = { title: "Bin" };

export default async function BinPage() {
  const { db, golfer } = await whoever();
  const list = await binned(db, golfer.id);
  return (
    <>
      <p className="mt-5 side-note">What did you put away?</p>
      <h1 className="page-title mb-4">
        {list.length ? `${list.length} in the bin` : "The bin is empty"}
      </h1>
      <p className="mb-5 text-[17px]">
        What lies here counts nowhere, and is gone for good {BIN_DAYS} days after you put it here.
      </p>
      <ul className="max-w-[760px]">
        {list.map((b) => (
          <li
            key={b.id}
            className="flex min-h-14 items-center justify-between gap-4 border-b border-hair py-2"
          >
            <span>
              <strong>
                {b.what === "bout" ? "Bout" : "Rep"}: {b.drill ?? "measured only"}
              </strong>
              <span className="block side-note">
                of {shortTime(b.at)}; gone in {b.days} {b.days === 1 ? "day" : "days"}
              </span>
            </span>
            <form action={bin.bind(null, golfer.id, b.what, b.id, false)}>
              <Button type="submit" aria-label={`Take out again: ${b.what} of ${shortTime(b.at)}`}>
                Take it out again
              </Button>
            </form>
          </li>
        ))}
      </ul>
    </>
  );
}
