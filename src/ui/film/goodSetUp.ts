import type { Stood } from "@/core/film";

const isStood = (v: unknown): v is Stood =>
  typeof v === "object" &&
  v !== null &&
  ["x", "y", "tall"].every((k) => typeof (v as Record<string, unknown>)[k] === "number");

/** One set-up a view and camera. */
const keyOf = (view: string, camera: string) => `kingfisher set-up ${view} ${camera}`;

/**
 * Where the golfer stood when this device was last set up well; null when it never was, or the
 * browser keeps nothing.
 */
export function goodSetUp(view: string, camera: string): Stood | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(view, camera)) ?? "null");
    return isStood(kept) ? kept : null;
  } catch {
    return null;
  }
}

export function keepSetUp(view: string, camera: string, stood: Stood): void {
  try {
    localStorage.setItem(keyOf(view, camera), JSON.stringify(stood));
  } catch {
    // A browser that keeps nothing: the next set-up is simply not compared.
  }
}
