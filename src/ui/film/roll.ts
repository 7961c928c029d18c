/** Browsers that ask before a page may know how the device is held. */
interface Asks {
  requestPermission?: () => Promise<"granted" | "denied">;
}

/** How far a device is turned from level, about the axis of its lens. */
const QUARTER = Math.PI / 2;
/** Told so often, ms; a hand's tremor and a wind's are smoothed over some of them. */
const EVERY_MS = 200;
const SMOOTH = 0.3;

/**
 * Roll of a device from the gravity that it feels along its screen's right (x) and top (y), degrees
 * from the nearest way of standing or lying level, + clockwise as its screen is seen. Browsers that
 * turn both signs round say the same.
 *
 * @example rollOf(0.5, 9.8) // −2.9: up is to the screen's right, so the device leans to the left
 */
export function rollOf(x: number, y: number): number {
  const from = Math.atan2(-x, y);
  return ((from - QUARTER * Math.round(from / QUARTER)) * 180) / Math.PI;
}

/**
 * Watches how a device leans, while it has a sensor for that and the golfer lets the page know.
 * Called from their press.
 *
 * @returns ends it
 */
export async function watchRoll(told: (deg: number) => void): Promise<() => void> {
  if (typeof DeviceMotionEvent === "undefined") return () => {};
  const allowed = await (DeviceMotionEvent as Asks).requestPermission?.().catch(() => "denied");
  if (allowed === "denied") return () => {};
  let smooth: { x: number; y: number } | null = null;
  let last = -Infinity;
  const moved = ({ accelerationIncludingGravity: g, timeStamp }: DeviceMotionEvent) => {
    if (typeof g?.x !== "number" || typeof g.y !== "number") return;
    smooth = smooth
      ? { x: smooth.x + SMOOTH * (g.x - smooth.x), y: smooth.y + SMOOTH * (g.y - smooth.y) }
      : { x: g.x, y: g.y };
    // Of a device that lies on its back gravity tells no roll.
    if (timeStamp - last < EVERY_MS || Math.hypot(smooth.x, smooth.y) < LEAST_G) return;
    last = timeStamp;
    told(rollOf(smooth.x, smooth.y));
  };
  addEventListener("devicemotion", moved);
  return () => removeEventListener("devicemotion", moved);
}

/** Half of gravity, m/s². */
const LEAST_G = 4.9;
