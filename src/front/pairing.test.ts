import { describe, expect, it } from "vitest";
import { hashOf, OFFER_MS, Pairing, SCREEN_MS, TRIES } from "./pairing";

/** A pairing on a clock that is set by hand, its screen open. */
function opened() {
  let now = 1_000_000;
  const pairing = new Pairing(() => now);
  const offer = pairing.offer();
  return {
    pairing,
    offer,
    /** Time goes by before the open screen. */
    after(ms: number, screen = true) {
      for (let left = ms; left > 0; left -= 1000) {
        now += Math.min(left, 1000);
        if (screen) pairing.screenIsOpen();
      }
    },
  };
}
const ticketOf = (answer: ReturnType<Pairing["answer"]>) =>
  answer.result === "ask" ? answer.ticket : "none";

describe("pairing", () => {
  it("lets a device in by code or secret, once the golfer says so, and tells its key until it is used", () => {
    for (const way of ["code", "secret"] as const) {
      const { pairing, offer } = opened();
      const answer = pairing.answer(offer[way], "Ola's phone");
      expect(pairing.asking()).toEqual({
        name: "Ola's phone",
        words: (answer as { words: string }).words,
      });
      expect(pairing.outcome(ticketOf(answer))).toBe("waiting");
      const { keyHash } = pairing.confirm()!;
      const { key } = pairing.outcome(ticketOf(answer)) as { key: string };
      expect(hashOf(key)).toBe(keyHash);
      expect(Buffer.from(key, "base64url")).toHaveLength(32);
      // An answer that was lost on its way is given again, until the key was used.
      expect(pairing.outcome(ticketOf(answer))).toMatchObject({ key });
      pairing.used(hashOf("another"));
      expect(pairing.outcome(ticketOf(answer))).toMatchObject({ key });
      pairing.used(keyHash);
      expect(pairing.outcome(ticketOf(answer))).toBe("refused");
    }
  });

  it("takes a code as it is typed: small, with spaces", () => {
    const { pairing, offer } = opened();
    const spaced = `${offer.code.slice(0, 4)} ${offer.code.slice(4)}`.toLowerCase();
    expect(pairing.answer(spaced, "phone").result).toBe("ask");
  });

  it("is good for one right answer", () => {
    const { pairing, offer } = opened();
    pairing.answer(offer.code, "phone");
    expect(pairing.answer(offer.code, "another").result).toBe("closed");
    expect(pairing.answer(offer.secret, "another").result).toBe("closed");
    expect(pairing.asking()!.name).toBe("phone");
  });

  it("is over after five wrong answers, even for the right one", () => {
    const { pairing, offer } = opened();
    for (let left = TRIES - 1; left > 0; left--)
      expect(pairing.answer("22222222", "phone")).toEqual({ result: "wrong", triesLeft: left });
    expect(pairing.answer("22222222", "phone").result).toBe("closed");
    expect(pairing.answer(offer.code, "phone").result).toBe("closed");
  });

  it("is over after two minutes, and when its screen was closed", () => {
    const late = opened();
    late.after(OFFER_MS - 1);
    expect(late.pairing.offered()).not.toBeNull();
    late.after(1);
    expect(late.pairing.answer(late.offer.code, "phone").result).toBe("closed");
    const left = opened();
    left.after(SCREEN_MS + 1, false);
    expect(left.pairing.answer(left.offer.code, "phone").result).toBe("closed");
  });

  it("lets nobody in whom the golfer refused, or who asks with another ticket", () => {
    const { pairing, offer } = opened();
    const ticket = ticketOf(pairing.answer(offer.code, "phone"));
    expect(pairing.outcome("x".repeat(43))).toBe("refused");
    pairing.refuse();
    expect(pairing.confirm()).toBeNull();
    expect(pairing.outcome(ticket)).toBe("refused");
  });

  it("forgets who asked when a new offer is made, and never makes the same one twice", () => {
    const { pairing, offer } = opened();
    const ticket = ticketOf(pairing.answer(offer.code, "phone"));
    const next = pairing.offer();
    expect([pairing.asking(), pairing.outcome(ticket)]).toEqual([null, "refused"]);
    expect([next.code, next.secret]).not.toEqual([offer.code, offer.secret]);
    expect(next.code).toMatch(/^[2-9A-HJKMNP-TV-Z]{8}$/);
  });
});
