"use client";

import { useSyncExternalStore } from "react";

const KEY = "kingfisher-theme";

const subscribe = (changed: () => void) => {
  window.addEventListener("themechange", changed);
  return () => window.removeEventListener("themechange", changed);
};

/** Daylight or evening: chosen here, else as the device says. */
export function ThemeSwitch() {
  const theme = useSyncExternalStore(
    subscribe,
    () => document.documentElement.dataset.theme ?? "light",
    () => "light",
  );
  const next = theme === "dark" ? "light" : "dark";
  return (
    <button
      type="button"
      className="min-h-11 px-1 text-ink-2 hover:text-ink"
      onClick={() => {
        document.documentElement.dataset.theme = next;
        localStorage.setItem(KEY, next);
        window.dispatchEvent(new Event("themechange"));
      }}
    >
      <span className="sr-only">
        Switch to {next === "dark" ? "evening" : "daylight"} colours, now{" "}
      </span>
      {theme === "dark" ? "Evening" : "Daylight"}
    </button>
  );
}

/** Runs before the first paint, so that the page never flashes the other theme. */
export const THEME_SCRIPT = `document.documentElement.dataset.theme=localStorage.getItem("${KEY}")||(matchMedia("(prefers-color-scheme: dark)").matches?"dark":"light")`;
