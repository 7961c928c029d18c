"use client";

import { useEffect } from "react";
import { OUTBOX } from "./outboxName";

/** Sends reps that an earlier page left on this device, from whichever page is opened next; not while another one films. */
export function SendWaiting() {
  useEffect(() => {
    void (async () => {
      const stores = await indexedDB.databases?.();
      if (!stores?.some((s) => s.name === OUTBOX.name)) return;
      const { Outbox } = await import("./outbox");
      await navigator.locks.request(OUTBOX.filming, { ifAvailable: true }, async (free) => {
        // What can't be sent now waits for the next page.
        if (free) await new Outbox().send(() => true).catch(() => {});
      });
    })();
  }, []);
  return null;
}
