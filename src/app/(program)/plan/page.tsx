import type { Metadata } from "next";
import { keepPlan, keepPractice, keepSore, planTheWeek } from "@/app/planActions";
import { whoever } from "@/app/whoever";
import { conflictWords, SYMPTOM_ROWS } from "@/core/choose";
import { day, TAKEN_WEEK } from "@/core/practice";
import { localDay } from "@/server/practice/localDay";
import { allDrills, dueFor, mondayOf, plannedWeek } from "@/server/practice/week";
import { drillName, planBouts } from "@/ui/plan/planBout";
import { PlanView } from "@/ui/plan/planView";
import { whyWords } from "@/ui/plan/whyWords";

export const metadata: Metadata = { title: "Plan" };

export default async function PlanPage({
  searchParams,
}: {
  searchParams: Promise<{ week?: string }>;
}) {
  const { db, golfer } = await whoever();
  const today = localDay(new Date());
  const asked = (await searchParams).week;
  const monday = mondayOf(day.safeParse(asked).data ?? today);
  const week = await plannedWeek(db, golfer, monday, today);
  const [drills, due] = await Promise.all([allDrills(db, golfer), dueFor(db, golfer)]);
  const nameOf = (id: string) => drillName(drills, id);
  return (
    <PlanView
      key={monday}
      monday={monday}
      today={today}
      days={week.days}
      kept={planBouts(week.bouts, drills)}
      clashes={week.clashes.map((c) => ({
        day: c.day,
        ids: [c.one, c.other],
        words: c.conflicts.map((k) => conflictWords(k, nameOf(c.one), nameOf(c.other))),
      }))}
      due={due.map((d) => ({
        drill: { id: d.drill.id, name: d.drill.name, minutes: d.drill.minutes, dose: d.drill.dose },
        stage: { id: d.stage.id, name: d.stage.name },
        reason: whyWords(d.why, nameOf),
      }))}
      practice={{
        week: golfer.week ?? TAKEN_WEEK,
        taken: golfer.week === null,
        goals: golfer.goals,
        lacks: golfer.lacks,
        sore: golfer.sore,
      }}
      symptoms={SYMPTOM_ROWS.map((s) => ({ id: s.id, name: s.name }))}
      gear={[...new Set(drills.flatMap((d) => d.gear.map((g) => g.name)))].sort()}
      actions={{
        plan: planTheWeek.bind(null, golfer.id),
        keep: keepPlan.bind(null, golfer.id),
        practice: keepPractice.bind(null, golfer.id),
        sore: keepSore.bind(null, golfer.id),
      }}
    />
  );
}
