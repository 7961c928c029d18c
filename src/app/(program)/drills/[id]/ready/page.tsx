import type { Metadata } from "next";
import { notFound, redirect } from "next/navigation";
import { cautionsRead } from "@/app/golferActions";
import { CAUTIONS } from "@/core/drills";
import { requestDatabase } from "@/server/db/request";
import { drillOf } from "@/server/drills/ownDrills";
import { currentGolfer } from "@/server/golfers/golfers";
import { SelfCheck } from "@/ui/drills/selfCheck";

export const metadata: Metadata = { title: "Before the first rep" };

export default async function ReadyPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  if (!golfer) redirect("/begin");
  const drill = await drillOf(db, golfer.id, id);
  if (!drill) notFound();
  const own = drill.cautions.filter((c) => !CAUTIONS.includes(c));
  return (
    <>
      <p className="mt-5 side-note">Is it safe, here and today?</p>
      <h1 className="page-title">Before the first rep</h1>
      <p className="mt-2 text-[17px]">{drill.name}. Asked once for each drill.</p>
      <div className="mt-8 grid gap-x-16 gap-y-10 md:grid-cols-[1fr_360px]">
        <SelfCheck
          drill={{ notWhen: drill.notWhen }}
          goOn={cautionsRead.bind(null, golfer.id, drill.id)}
        />
        <section className="order-first md:order-none">
          <h2 className="mb-2 text-[23px]">Take care</h2>
          <ul className="grid gap-2 text-[17px]">
            {own.map((c) => (
              <li key={c} className="font-semibold">
                {c}
              </li>
            ))}
            {CAUTIONS.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
          {drill.notWhen.length > 0 && (
            <p className="mt-4 text-[17px]">
              <strong>Not for you when: </strong>
              {drill.notWhen.join(" ")}
            </p>
          )}
        </section>
      </div>
    </>
  );
}
