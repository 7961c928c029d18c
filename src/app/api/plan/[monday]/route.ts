import { calendarFile } from "@/core/formats";
import { day } from "@/core/practice";
import { ownApi, refusal } from "@/server/http/api";
import { localDay } from "@/server/practice/localDay";
import { allDrills, mondayOf, plannedWeek } from "@/server/practice/week";
import { planBouts } from "@/ui/plan/planBout";

/** A week's bouts that are to come, as a calendar file. */
export const GET = ownApi<{ monday: string }>(async ({ db, golfer }, { monday }) => {
  if (!day.safeParse(monday).success) return refusal("There is no such week.", 404);
  const today = localDay(new Date());
  const [week, drills] = await Promise.all([
    plannedWeek(db, golfer, mondayOf(monday), today),
    allDrills(db, golfer),
  ]);
  const bouts = planBouts(
    week.bouts.filter((b) => b.state === "planned" && b.day >= today),
    drills,
  ).map((b) => ({ ...b, title: b.name, note: `${b.sets} × ${b.reps}. Why: ${b.reason}.` }));
  return new Response(calendarFile(`Kingfisher, ${golfer.name}`, bouts), {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": `attachment; filename="practice-${mondayOf(monday)}.ics"`,
    },
  });
});
