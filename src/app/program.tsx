import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";
import { SendWaiting } from "@/ui/film/sendWaiting";
import { Nav } from "@/ui/kit/nav";
import { OtherGolfer } from "@/ui/kit/otherGolfer";

/** A page of the program in its frame: rooms, and who practises. */
export async function Program({ children }: { children: React.ReactNode }) {
  const golfer = await currentGolfer(await requestDatabase());
  return (
    <div data-golfer={golfer?.id}>
      <Nav golferName={golfer?.name ?? null} />
      {golfer && <OtherGolfer key={golfer.id} id={golfer.id} name={golfer.name} />}
      <main id="main" className="mx-auto max-w-[1280px] px-5 pb-16 md:px-10">
        {children}
      </main>
      <SendWaiting />
    </div>
  );
}
