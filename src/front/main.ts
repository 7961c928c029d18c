/**
 * The front as a process of its own, which the program starts: `node bin/run.mjs src/front/main.ts`.
 * It ends with the program.
 */
import { getResponder } from "@homebridge/ciao";
import { createBirpc } from "birpc";
import type { FrontCalls, FrontState } from "./calls";
import { forgetAuthority } from "./authority";
import { Front, type FrontOptions } from "./front";
import { placeNow } from "./place";

/** How often address and date are looked at, ms. */
const RENEW_MS = 60_000;

let front: Front | null = null;
let options: FrontOptions | null = null;

const opened = (): Front => {
  if (!front) throw new Error("the front has not been started");
  return front;
};
const state = (): FrontState => {
  const { addresses, newAddresses, authority, devices, pairing } = opened();
  return {
    addresses,
    newAddresses,
    fingerprint: authority.fingerprint,
    devices: devices.list().map(({ keyHash: _, ...shown }) => shown),
    offer: pairing.offered(),
    asking: pairing.asking(),
  };
};

const calls: FrontCalls = {
  async start({ addresses, ...how }) {
    const place = () => ({ ...placeNow(), ...(addresses ? { addresses } : {}) });
    options = { ...how, place };
    front = await Front.open(options);
    setInterval(() => void front!.renew().catch(trouble), RENEW_MS);
    announce(front);
    return state();
  },
  state,
  offer() {
    opened().pairing.offer();
    return state();
  },
  screen() {
    opened().pairing.screenIsOpen();
    return state();
  },
  closeOffer: () => opened().pairing.close(),
  async confirm(words) {
    const { pairing, devices } = opened();
    // Somebody else may have asked since the screen was drawn.
    if (pairing.asking()?.words !== words) return state();
    const let_ = pairing.confirm();
    if (let_) await devices.add(let_.name, let_.keyHash);
    return state();
  },
  refuse() {
    opened().pairing.refuse();
    return state();
  },
  async revoke(id) {
    await opened().devices.revoke(id);
    return state();
  },
  async newAuthority() {
    const { dir } = options!;
    await opened().close();
    await forgetAuthority(dir);
    front = await Front.open(options!);
    return state();
  },
};

/** Says its name on the home network (multicast DNS); by address it is found without. */
function announce({ authority, port }: Front): void {
  try {
    const service = getResponder().createService({
      name: "Kingfisher",
      type: "https",
      port,
      hostname: authority.allows.name.replace(/\.local$/, ""),
    });
    service.advertise().catch(trouble);
  } catch (error) {
    trouble(error);
  }
}

const trouble = (error: unknown) =>
  console.error(`front: ${error instanceof Error ? error.message : String(error)}`);

createBirpc<object, FrontCalls>(calls, {
  post: (message) => process.send!(message),
  on: (hear) => process.on("message", hear),
});
process.on("disconnect", () => process.exit(0));
