/** The page that a phone starts with no computer in reach; what it shows is in its query. */
const RANGE = "/range";

/** What the page shows. */
export type Seen = "film" | "drill" | "drills" | "bout" | "rep" | "compare";

const PAGES: readonly { path: RegExp; see: Seen | null; name?: string }[] = [
  { path: /^\/film$/, see: "film" },
  { path: /^\/drills\/([^/]+)$/, see: "drill", name: "drill" },
  { path: /^\/drills$/, see: "drills" },
  { path: /^\/bouts\/([^/]+)$/, see: "bout", name: "bout" },
  { path: /^\/reps\/([^/]+)$/, see: "rep", name: "rep" },
  { path: /^\/compare$/, see: "compare" },
  { path: /^\/(reps)?$/, see: null },
];

/**
 * Where one of the program's addresses is found on a phone alone; null for what only the computer
 * has.
 *
 * @example rangeAddress("/drills/double-step?stage=club-fo") // "/range?see=drill&drill=double-step&stage=club-fo"
 */
export function rangeAddress(href: string): string | null {
  const { pathname, searchParams } = new URL(href, "https://range.invalid");
  for (const { path, see, name } of PAGES) {
    const found = path.exec(pathname);
    if (!found) continue;
    if (see === null) return RANGE;
    const asked = new URLSearchParams({ see });
    if (name) asked.set(name, decodeURIComponent(found[1]!));
    for (const [key, value] of searchParams) asked.set(key, value);
    return `${RANGE}?${asked}`;
  }
  return null;
}
