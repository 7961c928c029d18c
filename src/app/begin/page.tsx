import type { Metadata } from "next";
import { begin } from "@/app/golferActions";
import { GolferForm } from "@/ui/golfer/golferForm";

export const metadata: Metadata = { title: "Begin" };

export default function BeginPage() {
  return (
    <>
      <h1 className="mt-8 mb-2 text-[46px]">How do you begin?</h1>
      <p className="mb-8 max-w-[480px] text-[17px]">Three answers, then film a rep from the front with your phone&rsquo;s own camera and read the clip here.</p>
      <GolferForm initial={{ name: "You", hand: "right", statureCm: 175, units: "cm", keepFilm: true }} submit="Read a clip" action={begin} naming={false} />
      <p className="mt-4 max-w-[480px] text-[15px] text-ink-2">Taken for now: an iron, the phone in front of you. Films and numbers stay on this computer.</p>
    </>
  );
}
