import type { PairedDevice } from "./devices";
import type { Asking, Offer } from "./pairing";

/** What the program knows of its front. */
export interface FrontState {
  /** Where a phone finds it: by name first. */
  addresses: string[];
  /** Addresses that this computer has got since, which the certificate is not good for. */
  newAddresses: string[];
  /** SHA-256 of the home authority's certificate. */
  fingerprint: string;
  devices: Omit<PairedDevice, "keyHash">[];
  offer: Offer | null;
  asking: Asking | null;
}

interface FrontStart {
  /** The front's own folder. */
  dir: string;
  /** Where the program listens, as in `127.0.0.1:3000`. */
  home: string;
  port: number;
  /** Instead of this computer's own, for tests. */
  addresses?: string[];
}

/** What the program asks of its front, which is a process of its own. */
export interface FrontCalls {
  start(how: FrontStart): Promise<FrontState>;
  state(): FrontState;
  /** A new offer to pair. */
  offer(): FrontState;
  /** The screen with the offer is open still; its state meanwhile. */
  screen(): FrontState;
  closeOffer(): void;
  /** The golfer lets in who asks, if these are the words that both screens show. */
  confirm(words: string): Promise<FrontState>;
  refuse(): FrontState;
  revoke(id: string): Promise<FrontState>;
  /** Another authority, good for where the computer is now; phones have to trust it anew. */
  newAuthority(): Promise<FrontState>;
}
