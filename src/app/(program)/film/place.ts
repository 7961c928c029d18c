import { cookies } from "next/headers";
import { z } from "zod";
import type { FilmingPlace } from "@/ui/film/setUp";

const cm = (low: number, high: number) => z.number().min(low).max(high).nullable().catch(null);

/**
 * What was said of the place where this device films, cm; nothing limits what was not said, or
 * makes no sense.
 */
const place = z.object({
  depth: cm(50, 5000),
  width: cm(50, 5000),
  ceiling: cm(150, 2000),
  fills: cm(100, 1500),
});
const NOWHERE: FilmingPlace = { depth: null, width: null, ceiling: null, fills: null };

/** A place belongs to the device that films there, not to a golfer. */
const COOKIE = "kingfisher-place";
const KEPT_S = 400 * 24 * 3600;

export async function readPlace(): Promise<FilmingPlace> {
  const kept = (await cookies()).get(COOKIE)?.value;
  try {
    return place.parse(JSON.parse(kept ?? "{}"));
  } catch {
    return NOWHERE;
  }
}

export async function writePlace(said: FilmingPlace): Promise<void> {
  (await cookies()).set(COOKIE, JSON.stringify(place.parse(said)), {
    maxAge: KEPT_S,
    httpOnly: true,
    sameSite: "lax",
  });
}
