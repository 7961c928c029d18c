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
      const { Outbox } = await import("./outbox");
      await navigator.locks.request(OUTBOX.filming, { ifAvailable: true }, async (free) => {
        // What can't be sent now waits for the next page.
        if (free)
          await new Outbox()
            .send((rep) => Date.now() - Date.parse(rep.at) > MADE_MS)
            .catch(() => {});
      });
    })();
  }, [here]);
  return null;
}

/**
 * A film that has not been made by then never will be: of a rep from 4 s before its start to its
 * end, and some time to cut it, ms.
 */
const MADE_MS = 60_000;
