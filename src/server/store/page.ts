import { rm } from "node:fs/promises";
import { writeDurably } from "./durable";
import { storePaths } from "./paths";

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/**
 * Writes the same words that the terminal shows as a page of their own: the program itself does not
 * answer while its data is damaged.
 */
export async function writePage(dir: string, lines: readonly string[]): Promise<void> {
  const html = `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Kingfisher can't open its data</title>
<style>
  body { font: 18px/1.5 system-ui, sans-serif; max-width: 44rem; margin: 3rem auto; padding: 0 1.25rem; background: #f8f6f0; color: #12232c; }
  p { overflow-wrap: anywhere; }
  @media (prefers-color-scheme: dark) { body { background: #0a1a22; color: #e8eef0; } }
</style>
<h1>Kingfisher can&rsquo;t open its data</h1>
${lines.map((line) => `<p>${escaped(line)}</p>`).join("\n")}
</html>
`;
  await writeDurably(storePaths(dir).page, html);
}

/** Takes the page away: all is well again. */
export const removePage = (dir: string): Promise<void> => rm(storePaths(dir).page, { force: true });
