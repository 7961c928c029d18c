/**
 * The still square that a whole clip gets in the end, by how its golfer stands at the start: its
 * side, and how far its middle lies below the middle of the hips, in the picture's stature
 * (tools/fit/liveSquare.ts).
 */
export const LIVE_SQUARE = { size: 1.16, below: 0.058 };
