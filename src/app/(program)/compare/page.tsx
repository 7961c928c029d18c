import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { drillOf } from "@/server/drills/ownDrills";
import { playedMovement } from "@/core/play";
import { bestRep } from "@/server/reps/best";
import { ownSwings } from "@/server/reps/ownSwings";
import { findRep, type RepDetail } from "@/server/reps/queries";
import { CompareView, type Beside } from "@/ui/compare/compareView";
import { Button } from "@/ui/kit/button";

export const metadata: Metadata = { title: "Compare" };

/** More lines than this can't be told apart. */
const MOST = 4;

export default async function ComparePage({
  searchParams,
}: {
  searchParams: Promise<{ reps?: string | string[]; target?: string }>;
}) {
  const { db, golfer } = await whoever();
  const { reps: asked, target: withTarget } = await searchParams;
  const ids = [
    ...new Set(
      [asked ?? []]
        .flat()
        .flatMap((of) => of.split(","))
        .filter(Boolean),
    ),
  ].slice(0, withTarget ? MOST - 1 : MOST);
  const reps = (await Promise.all(ids.map((id) => findRep(db, golfer.id, id)))).filter(
    (r): r is RepDetail => r !== null,
  );
  const [first] = reps;
  const movement = first && (await targetOf(db, golfer.id, first));
  const target = withTarget && movement ? movement : null;
  if (!first || reps.length + (target ? 1 : 0) < 2)
    return (
      <>
        <p className="mt-5 side-note">Where do they part?</p>
        <h1 className="page-title mb-4">Two reps make a comparison</h1>
        <p className="mb-5 text-[17px]">
          {ids.length > reps.length
            ? "A rep that was asked for is not there any more."
            : "Open a rep and compare it with your best, or choose reps of a bout."}
        </p>
        <Button look="main" asChild>
          <Link href="/reps">See the reps</Link>
        </Button>
      </>
    );
  const to = (more: string[], t: boolean) =>
    `/compare?reps=${[...reps.map((r) => r.id), ...more].join(",")}${t ? "&target=1" : ""}`;
  const room = reps.length + (target ? 1 : 0) < MOST;
  const here = (id: string | null | undefined): id is string =>
    typeof id === "string" && reps.every((r) => r.id !== id);
  const [best, [swing]] = await Promise.all([
    first.drillId && first.stage ? bestRep(db, golfer.id, first.drillId, first.stage.id) : null,
    ownSwings(db, golfer.id),
  ]);
  const besides: Beside[] = room
    ? [
        ...(movement && !target ? [{ words: "the target", href: to([], true) }] : []),
        ...(here(best) ? [{ words: "your best", href: to([best], target !== null) }] : []),
        ...(here(swing?.id) && swing.id !== best
          ? [{ words: "your latest normal swing", href: to([swing.id], target !== null) }]
          : []),
      ]
    : [];
  return (
    <CompareView
      key={`${reps.map((r) => r.id).join()}${target ? " target" : ""}`}
      reps={reps}
      target={target}
      besides={besides}
    />
  );
}

/**
 * The movement that a rep's stage asks for, as the rep's golfer would do it; null where there is
 * none.
 */
async function targetOf(
  db: Awaited<ReturnType<typeof whoever>>["db"],
  golferId: string,
  { drillId, stage, statureCm, hand }: RepDetail,
) {
  const drill = drillId && stage ? await drillOf(db, golferId, drillId) : null;
  return drill?.stages.some((s) => s.id === stage!.id)
    ? playedMovement(drill, stage!.id, null, { statureCm, hand })
    : null;
}
