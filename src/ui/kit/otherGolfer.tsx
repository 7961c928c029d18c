"use client";

import { useEffect, useState } from "react";
import { Button } from "./button";

/** Pages of one browser tell each other here who practises in them. */
const CHANNEL = "kingfisher-golfer";

/**
 * Says so when another golfer was chosen in another tab: this page is still the one's for whom it
 * was made, and nothing more can be kept from it until it is loaded again. What is being filmed or
 * read goes on, and is kept for the one it was begun for.
 */
export function OtherGolfer({ id, name }: { id: string; name: string }) {
  const [other, setOther] = useState<string | null>(null);
  useEffect(() => {
    const channel = new BroadcastChannel(CHANNEL);
    channel.onmessage = ({ data }: MessageEvent<{ id: string; name: string }>) =>
      setOther(data.id === id ? null : data.name);
    channel.postMessage({ id, name });
    return () => channel.close();
  }, [id, name]);
  if (other === null) return null;
  return (
    <p
      role="status"
      className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-3 px-5 py-3 text-[17px] md:px-10"
    >
      <span>
        {other} was chosen in another tab. This page is still {name}&rsquo;s: nothing more can be
        kept from it.
      </span>
      <Button onClick={() => location.reload()}>Load it again</Button>
    </p>
  );
}
