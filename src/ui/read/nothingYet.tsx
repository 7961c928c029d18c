import { Button } from "@/ui/kit/button";

/** How to film, and a sample clip for who has none. */
export function NothingYet({ trySample }: { trySample: () => void }) {
  return (
    <div className="mt-6 grid max-w-[760px] gap-x-12 gap-y-6 border-t border-hair pt-6 md:grid-cols-2">
      <div>
        <h2 className="mb-2 text-[23px]">How to film</h2>
        <ul className="grid gap-1.5">
          <li>Stand the phone 4 m in front of you, at hip height, on its end or level.</li>
          <li>Head, feet and hands stay in the picture, with a hand&rsquo;s breadth to spare.</li>
          <li>Stand still for a second, swing, hold the finish.</li>
          <li>60 pictures a second, in &lsquo;most compatible&rsquo; (H.264).</li>
        </ul>
      </div>
      <div>
        <h2 className="mb-2 text-[23px]">No clip yet?</h2>
        <p className="mb-3">
          Read one of the sample golfer&rsquo;s. It is read here, by the same network, as yours will
          be.
        </p>
        <Button onClick={trySample}>Try a sample clip</Button>
        <p className="mt-3 side-note">
          Or drop files anywhere on this page. They are read in this browser and never leave this
          computer.
        </p>
      </div>
    </div>
  );
}
