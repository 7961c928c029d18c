import type { Metadata } from "next";
import Link from "next/link";
import { changeGolfer, chooseSide, practiseAs } from "@/app/golferActions";
import { stylesOf } from "@/core/choose";
import { whoever } from "@/app/whoever";
import { listGolfers } from "@/server/golfers/golfers";
import { ownProfile } from "@/server/golfers/ownProfile";
import { GolferForm } from "@/ui/golfer/golferForm";
import { Sides } from "@/ui/golfer/sides";
import { Button } from "@/ui/kit/button";
import { shownStature } from "@/ui/kit/units";

export const metadata: Metadata = { title: "You" };

export default async function YouPage() {
  const { db, golfer } = await whoever();
  const others = (await listGolfers(db)).filter((g) => g.id !== golfer.id);
  const taken = (await ownProfile(db, golfer)).profile?.styles ?? stylesOf(golfer.styles);
  return (
    <div className="grid gap-x-16 gap-y-10 md:grid-cols-[480px_1fr]">
      <section>
        <p className="mt-5 side-note">Who are you, as the film sees you?</p>
        <h1 className="mt-1 mb-7 text-[46px]">{golfer.name}</h1>
        <GolferForm
          key={golfer.id}
          initial={golfer}
          submit="Keep this"
          action={changeGolfer.bind(null, golfer.id)}
          naming
        />
        <p className="mt-3 side-note">
          Reps that are already judged keep the hand and height they were judged with.
        </p>
      </section>
      <section className="md:mt-12">
        <h2 className="mb-3 text-[29px]">Who practises here?</h2>
        {others.length === 0 && <p className="text-ink-2">Only you so far.</p>}
        <ul className="divide-y divide-hair border-y border-hair empty:hidden">
          {others.map((g) => (
            <li key={g.id} className="flex items-center justify-between gap-4 py-3">
              <span>
                <strong>{g.name}</strong>
                <span className="block side-note">
                  plays {g.hand}-handed, {shownStature(g.statureCm, golfer.units)}
                  {g.sample && ", made up for trying out"}
                </span>
              </span>
              <form action={practiseAs.bind(null, g.id)}>
                <Button type="submit">Practise as {g.name.split(" ")[0]}</Button>
              </form>
            </li>
          ))}
        </ul>
        <p className="mt-4">
          <Link href="/begin" className="text-link">
            Add another golfer
          </Link>
        </p>
        <h2 className="mt-8 mb-2 text-[29px]">Phones</h2>
        <p>
          <Link href="/phones" className="text-link">
            Let a phone in, so that it counts your reps
          </Link>
        </p>
        <h2 className="mt-8 mb-2 text-[29px]">Your data</h2>
        <p>
          <Link href="/data" className="text-link">
            Save all of it, bring a backup back, or remove it for good
          </Link>
        </p>
      </section>
      <section id="questions" className="scroll-mt-6 md:col-span-2">
        <h2 className="text-[29px]">Where good teachers disagree</h2>
        <p className="mt-1 mb-4 max-w-prose text-[17px] text-ink-2">
          Nothing here has to be answered. Drills of the other side stay open to you; they say so,
          and your own swings are held to your side.
        </p>
        <Sides chosen={golfer.styles} taken={taken} chooseSide={chooseSide.bind(null, golfer.id)} />
      </section>
    </div>
  );
}
