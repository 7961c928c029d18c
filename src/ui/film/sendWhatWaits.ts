import type { FilmedFor } from "@/ui/read/keep";
import { Outbox } from "./outbox";
import { OUTBOX } from "./outboxName";

/**
 * A film that has not been made by then never will be: of a rep from 4 s before its start to its
 * end, and some time to cut it, ms.
 */
const MADE_MS = 60_000;

/**
 * Sends what waits in the outbox, unless another page films: that one sends its own.
 *
 * @param unsaid whom reps are for that do not say
 * @throws NotKeptError when the computer refuses one, TypeError when it does not answer
 */
export const sendWhatWaits = (outbox = new Outbox(), unsaid?: FilmedFor): Promise<void> =>
  navigator.locks.request(OUTBOX.filming, { ifAvailable: true }, async (free) => {
    if (free) await outbox.send((rep) => Date.now() - Date.parse(rep.at) > MADE_MS, unsaid);
  });
