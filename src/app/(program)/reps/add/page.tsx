import type { Metadata } from "next";
import { format } from "date-fns";
import { addBout } from "@/app/logActions";
import { whoever } from "@/app/whoever";
import { logChoices } from "@/server/practice/log";
import { allDrills } from "@/server/practice/week";
import { AddBoutForm } from "@/ui/log/addBoutForm";

export const metadata: Metadata = { title: "Add a bout" };

export default async function AddBoutPage() {
  const { db, golfer } = await whoever();
  const [drills, { places }] = await Promise.all([
    allDrills(db, golfer),
    logChoices(db, golfer.id),
  ]);
  return (
    <>
      <p className="mt-5 side-note">What did you do without the phone?</p>
      <h1 className="mt-1 mb-6 text-[34px] md:text-[46px]">A bout without film</h1>
      <AddBoutForm
        drills={drills.map((d) => ({
          id: d.id,
          name: d.name,
          stages: d.stages.map((s) => ({ id: s.id, name: s.name })),
          reps: d.dose.sets * d.dose.reps,
        }))}
        places={places}
        now={format(new Date(), "yyyy-MM-dd'T'HH:mm")}
        add={addBout.bind(null, golfer.id)}
      />
    </>
  );
}
