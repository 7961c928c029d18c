"use client";

import { usePathname } from "next/navigation";
import { useEffect } from "react";
import { OUTBOX } from "./outboxName";

/**
 * Sends reps that an earlier page left on this device, from whichever page is opened next; not
 * while another one films.
 */
export function SendWaiting() {
  const here = usePathname();
  useEffect(() => {
    // The page that films sends its own.
    if (here === "/film") return;
    void (async () => {
      const stores = await indexedDB.databases?.();
      if (!stores?.some((s) => s.name === OUTBOX.name)) return;
      const { sendWhatWaits } = await import("./sendWhatWaits");
      // What can't be sent now waits for the next page.
      await sendWhatWaits().catch(() => {});
    })();
  }, [here]);
  return null;
}
