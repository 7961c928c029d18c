import { createHash, randomBytes, randomInt, timingSafeEqual } from "node:crypto";
import { WORDS } from "./words";

/** An offer to pair is good for this long, ms. */
export const OFFER_MS = 120_000;
/** The computer's screen says this often that it is still open, at least, ms. */
export const SCREEN_MS = 5_000;
/** Wrong answers to one offer, from all devices together, after which it is over. */
export const TRIES = 5;
/** Without what is taken for something else: I, L, O, U and 0, 1. 30 letters, 8 of them: 39 bits. */
const LETTERS = "23456789ABCDEFGHJKMNPQRSTVWXYZ";
const CODE_LENGTH = 8;

/** What the computer shows. */
export interface Offer {
  /** For the QR code's fragment; 256 bit, base64url. */
  secret: string;
  /** For typing. */
  code: string;
  /** ms, by the clock that the pairing was given. */
  until: number;
  triesLeft: number;
}

/** A device that gave the right answer and waits for the golfer's word on the computer. */
export interface Asking {
  name: string;
  /** The same two words stand on both screens. */
  words: string;
}

/** What a device that answered is told. */
export type Answer =
  /** `ticket` is what it asks with whether it was let in. */
  | { result: "ask"; ticket: string; words: string }
  | { result: "wrong"; triesLeft: number }
  /** There is no offer: none was made, it is used, too old, or its screen is closed. */
  | { result: "closed" };

export type Outcome = "waiting" | "refused" | { key: string; name: string };

/**
 * Pairing of one device at a time, as a state machine without a clock or network of its own. An
 * offer lives while its screen is open, for two minutes, for five wrong answers and for one right
 * one.
 *
 * @example
 * const pairing = new Pairing(Date.now);
 * const { code } = pairing.offer();
 * pairing.answer(code, "Ola's phone"); // { result: "ask", ticket, words }
 * pairing.confirm(); // on the computer
 * pairing.outcome(ticket); // { key: the device's own }
 */
export class Pairing {
  #offer: (Offer & { screenSeen: number }) | null = null;
  #asking: (Asking & { ticket: string; until: number; outcome: Outcome }) | null = null;

  constructor(private readonly now: () => number) {}

  /** A new offer; the one before is over, and so is whoever asked by it. */
  offer(): Offer {
    this.#asking = null;
    this.#offer = {
      secret: randomBytes(32).toString("base64url"),
      code: Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join(""),
      until: this.now() + OFFER_MS,
      triesLeft: TRIES,
      screenSeen: this.now(),
    };
    return this.offered()!;
  }

  /** The screen that shows the offer is open still. */
  screenIsOpen(): void {
    if (this.#offer) this.#offer.screenSeen = this.now();
  }

  close(): void {
    this.#offer = null;
    this.#asking = null;
  }

  /** The offer that stands, if one does. */
  offered(): Offer | null {
    const o = this.#offer;
    if (!o || this.now() >= o.until || this.now() - o.screenSeen > SCREEN_MS || o.triesLeft === 0) {
      this.#offer = null;
      return null;
    }
    const { secret, code, until, triesLeft } = o;
    return { secret, code, until, triesLeft };
  }

  /** @param given a code as it was typed, or the secret of a QR code; @param name of the device */
  answer(given: string, name: string): Answer {
    if (!this.offered()) return { result: "closed" };
    const offer = this.#offer!;
    const right = same(given, offer.secret) || same(typed(given), offer.code);
    if (!right) {
      offer.triesLeft--;
      return offer.triesLeft === 0
        ? { result: "closed" }
        : { result: "wrong", triesLeft: offer.triesLeft };
    }
    // One use: whatever the golfer says now, this offer is over.
    this.#offer = null;
    const words = `${WORDS[randomInt(WORDS.length)]} ${WORDS[randomInt(WORDS.length)]}`;
    const ticket = randomBytes(32).toString("base64url");
    this.#asking = { name, words, ticket, until: this.now() + OFFER_MS, outcome: "waiting" };
    return { result: "ask", ticket, words };
  }

  /** Who waits for the golfer's word. */
  asking(): Asking | null {
    const a = this.#asking;
    if (!a || a.outcome !== "waiting" || this.now() >= a.until) return null;
    return { name: a.name, words: a.words };
  }

  /**
   * The golfer lets the device in. @returns its key's hash, which is all that is kept of it; null
   * when nobody asks
   */
  confirm(): { name: string; keyHash: string } | null {
    if (!this.asking()) return null;
    const { name } = this.#asking!;
    const key = randomBytes(32).toString("base64url");
    this.#asking!.outcome = { key, name };
    return { name, keyHash: hashOf(key) };
  }

  refuse(): void {
    if (this.#asking) this.#asking.outcome = "refused";
  }

  /**
   * What became of a device's asking. A key is told again, for an answer can be lost on its way,
   * until the device has used it.
   */
  outcome(ticket: string): Outcome {
    const a = this.#asking;
    if (!a || !same(ticket, a.ticket) || this.now() >= a.until) return "refused";
    return a.outcome;
  }

  /** A device used its key: it has it. */
  used(keyHash: string): void {
    const outcome = this.#asking?.outcome;
    if (typeof outcome === "object" && hashOf(outcome.key) === keyHash) this.#asking = null;
  }
}

/** How a device's key is kept: SHA-256, hex. A key of 256 random bits needs no salt. */
export const hashOf = (key: string): string => createHash("sha256").update(key).digest("hex");

/** A code as people type it: any case, with spaces or dashes. */
const typed = (code: string): string => code.replace(/[\s-]/g, "").toUpperCase();

/** Compares in a time that does not tell where two texts differ. */
function same(a: string, b: string): boolean {
  const digest = (text: string) => createHash("sha256").update(text).digest();
  return timingSafeEqual(digest(a), digest(b));
}
