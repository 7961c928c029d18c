import type { Vec3 } from "../maths";
import type { View } from "../scene";
import { cmPerPx, halfView, type Lens } from "./lens";
import type { Room } from "./room";

/**
 * The place there is, cm: from the golfer to where the phone can stand at the farthest, along the
 * target line, and up; null where nothing limits it.
 */
export interface PhonePlace {
  depth: number | null;
  width: number | null;
  ceiling: number | null;
}

/** What a plan can't have: the picture loses the club; the movement itself has no room. */
export type Loss = "club leaves the picture" | "ceiling too low" | "too narrow";

/** Where to put the phone. */
export interface FilmPlan {
  /**
   * From the middle between the feet, cm; and height of the lens over the ground. The phone stands
   * level.
   */
  distance: number;
  height: number;
  portrait: boolean;
  /** At the golfer. */
  cmPerPx: number;
  msPerFrame: number;
  /**
   * How far the movement with its club reaches: along the target line (both ways), up, and about
   * the golfer on the floor, cm.
   */
  reach: { away: number; toward: number; up: number; around: number };
  losses: Loss[];
}

/** A plan, or how much depth even the least that can be judged needs, cm. */
export type Planned = { fits: true; plan: FilmPlan } | { fits: false; depthNeeded: number };

/** Left free at each edge of the picture, a share of it: some 10 cm at the golfer. */
const EDGE = 0.04;
/** A phone that leans on something on the ground has its lens no lower, cm. */
const LOWEST = 20;

/**
 * Where the phone must stand so that a movement is in its picture: at hip height if that fits, else
 * as high as it takes to stand nearest; lying before standing; with the whole way of the club
 * before the body alone, of which all measures come.
 *
 * @example planFilm(roomOf(swing(), 178), "face-on", { fovDeg: 67, long: 1920, short: 1080, fps: 60
 * }, { depth: null, width: null, ceiling: null })
 */
export function planFilm(room: Room, view: View, lens: Lens, place: PhonePlace): Planned {
  const depth = place.depth ?? Infinity;
  const whole = [...room.body, ...room.club];
  const reach = reachOf(whole);
  const choices = [whole, ...(room.club.length ? [room.body] : [])].flatMap((points) =>
    [false, true].map((portrait) => ({ points, portrait })),
  );
  let least = Infinity;
  for (const { points, portrait } of choices) {
    const at = seenFrom(points, view, room.toes);
    const half = halfView(lens, portrait);
    for (const height of [room.hips, nearest(at, half)]) {
      const distance = distanceFor(at, half, height);
      least = Math.min(least, distance);
      if (distance > depth) continue;
      const losses: Loss[] = [];
      if (points === room.body && room.club.length) losses.push("club leaves the picture");
      if (place.ceiling !== null && reach.up > place.ceiling) losses.push("ceiling too low");
      if (place.width !== null && reach.away + reach.toward > place.width)
        losses.push("too narrow");
      return {
        fits: true,
        plan: {
          distance,
          height,
          portrait,
          cmPerPx: cmPerPx(lens, distance),
          msPerFrame: 1000 / lens.fps,
          reach,
          losses,
        },
      };
    }
  }
  return { fits: false, depthNeeded: least };
}

/** How far off a phone must stand at the least to see a movement's body from a view, cm. */
export function leastDepth(room: Room, view: View, lens: Lens): number {
  const planned = planFilm({ ...room, club: [] }, view, lens, {
    depth: 0,
    width: null,
    ceiling: null,
  });
  return planned.fits ? 0 : planned.depthNeeded;
}

/**
 * How far a movement's body goes from the middle between the feet, cm: across the picture (T seen
 * face-on, D from behind; least and most), and up.
 */
export interface Reach {
  across: readonly [number, number];
  up: number;
}

/** @example bodyReach(roomOf(swing(), 178), "face-on").up // a little over 178 */
export function bodyReach({ body }: Room, view: View): Reach {
  const across = body.map(([t, , d]) => (view === "face-on" ? t : d));
  return {
    across: [Math.min(...across), Math.max(...across)],
    up: Math.max(...body.map(([, u]) => u)),
  };
}

/**
 * A point as a lens sees it: across the picture from its middle, over the ground, toward the lens,
 * cm.
 */
type Seen = readonly [across: number, up: number, near: number];

const seenFrom = (points: readonly Vec3[], view: View, toes: number): Seen[] =>
  points.map(([t, u, d]) => (view === "face-on" ? [t, u, d] : [d - toes, u, -t]));

/** How far off a level lens at a height must be to see all points, cm. */
function distanceFor(
  points: readonly Seen[],
  { across, up }: { across: number; up: number },
  height: number,
): number {
  const [side, top] = [across * (1 - 2 * EDGE), up * (1 - 2 * EDGE)];
  return points.reduce(
    (far, [x, u, near]) =>
      Math.max(far, near + Math.max(Math.abs(x) / side, Math.abs(u - height) / top)),
    0,
  );
}

/**
 * The height of the lens from which it may stand nearest, cm: over the height the distance has one
 * lowest place, closed in on by thirds.
 */
function nearest(points: readonly Seen[], half: { across: number; up: number }): number {
  let [low, high] = [LOWEST, Math.max(...points.map(([, u]) => u))];
  while (high - low > 1) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (distanceFor(points, half, a) <= distanceFor(points, half, b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}

function reachOf(points: readonly Vec3[]): FilmPlan["reach"] {
  const most = (of: (p: Vec3) => number) => points.reduce((m, p) => Math.max(m, of(p)), 0);
  return {
    away: most(([t]) => -t),
    toward: most(([t]) => t),
    up: most(([, u]) => u),
    around: most(([t, , d]) => Math.hypot(t, d)),
  };
}
