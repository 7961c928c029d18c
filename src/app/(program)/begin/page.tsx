import type { Metadata } from "next";
import { begin, filmMe, tryWithoutCamera } from "@/app/golferActions";
import { GolferForm } from "@/ui/golfer/golferForm";
import { allIsWell, undo } from "@/app/dataActions";
import { dataDir } from "@/server/dataDir";
import { requestDatabase } from "@/server/db/request";
import { standingShown } from "@/server/store/standing";
import { StandsBeside } from "@/ui/data/standsBeside";
import { Button } from "@/ui/kit/button";

export const metadata: Metadata = { title: "Begin" };

export default async function BeginPage() {
  await requestDatabase();
  return (
    <>
      <StandsBeside beside={standingShown(dataDir())} undo={undo} allIsWell={allIsWell} />
      <h1 className="mt-8 mb-6 text-[46px] leading-none">How do you want to begin?</h1>
      <form action={tryWithoutCamera} className="max-w-[480px]">
        <Button type="submit" className="min-h-14 w-full text-[20px]">
          Try without a camera
        </Button>
        <p className="mt-2 side-note">
          A made-up golfer, Inka. Her clip is read here, by the same network as yours will be; her
          first verdict comes within a minute.
        </p>
      </form>
      <h2 className="mt-10 mb-5 text-[29px]">Or film yourself: three answers</h2>
      <GolferForm
        initial={{ name: "You", hand: "right", statureCm: 175, units: "cm", keepFilm: true }}
        submit="Film my swings"
        action={filmMe}
        also={{ submit: "Read my swings", action: begin }}
        naming={false}
      />
      <p className="mt-4 max-w-[480px] side-note">
        Next: five normal swings from in front, filmed here, or with your phone&rsquo;s own camera
        and then read. They pick your first drill. Taken for now: an iron. Films and numbers stay on
        this computer.
      </p>
    </>
  );
}
