import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { sayBody } from "@/app/planActions";
import { bodyDue, doseOfDay, glance } from "@/core/practice";
import { currentGolfer } from "@/server/golfers/golfers";
import { dayDone } from "@/server/practice/dayDone";
import { localDay } from "@/server/practice/localDay";
import { allDrills, mondayOf, plannedWeek } from "@/server/practice/week";
import { latestBout } from "@/server/reps/bouts";
import { weekDayOf } from "@/ui/kit/dates";
import { planBouts } from "@/ui/plan/planBout";
import { TodayView } from "@/ui/today/todayView";

export const metadata: Metadata = { title: "Today" };

/** What to do now; before anybody is there, the first questions. */
export default async function Home() {
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  if (!golfer) redirect("/begin");
  const today = localDay(new Date());
  const week = await plannedWeek(db, golfer, mondayOf(today), today);
  const [drills, last, done] = await Promise.all([
    allDrills(db, golfer),
    latestBout(db, golfer.id),
    dayDone(db, golfer.id, today),
  ]);
  const bouts = week.bouts
    .filter((b) => b.day === today && b.state !== "skipped")
    .sort((a, b) => Number(b.state === "done") - Number(a.state === "done"));
  const next = drills.find((d) => d.id === bouts.find((b) => b.state === "planned")?.drillId);
  return (
    <TodayView
      day={weekDayOf(today)}
      sore={golfer.sore}
      next={
        next
          ? {
              dose: next.dose,
              soFar: doseOfDay(
                next.dose,
                done.filter((d) => d.drillId === next.id).map((d) => d.results),
              ),
            }
          : null
      }
      last={
        last && {
          bout: last.bout,
          glance: glance(last.reps, last.bout.stage?.checks.map((c) => c.measure) ?? []),
        }
      }
      bouts={planBouts(bouts, drills)}
      asks={bodyDue(golfer.body, today, done)}
      say={sayBody.bind(null, golfer.id)}
    />
  );
}
