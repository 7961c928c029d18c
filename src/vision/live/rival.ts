import type { Track } from "../../core/track";

/**
 * Somebody so many times as large as who is followed, seen in one place in so many looks at the
 * whole picture, is the golfer.
 */
const LARGER = 1.15;
const STAYS_LOOKS = 3;
/** Seen again within this share of their own size, they are in one place. */
const SAME_PLACE = 0.25;

type Stranger = Track["others"][number];

/** Who was followed may only stand behind the golfer: watches for somebody larger who stays. */
export class Rival {
  private seen: { x: number; y: number; looks: number } | null = null;

  /**
   * @param others people in a whole picture, without the one who is followed
   * @param ownSize that one's size, px
   * @returns somebody larger who has stayed long enough to be the golfer, else null
   */
  among(others: readonly Stranger[], ownSize: number): Stranger | null {
    const largest = [...others].sort((a, b) => b.size - a.size)[0];
    if (!largest || largest.size < LARGER * ownSize) {
      this.seen = null;
      return null;
    }
    const { seen } = this;
    const same =
      seen && Math.hypot(largest.x - seen.x, largest.y - seen.y) < SAME_PLACE * largest.size;
    this.seen = { x: largest.x, y: largest.y, looks: same ? seen.looks + 1 : 1 };
    if (this.seen.looks < STAYS_LOOKS) return null;
    this.seen = null;
    return largest;
  }
}
