/**
 * The address of a typeface's file that the page itself uses for Latin letters; null where its
 * style sheets tell none.
 */
export function fontFile(family: string): string | null {
  for (const sheet of document.styleSheets)
    for (const rule of sheet.cssRules) {
      if (
        !(rule instanceof CSSFontFaceRule) ||
        !rule.style.getPropertyValue("font-family").includes(family)
      )
        continue;
      const range = rule.style.getPropertyValue("unicode-range");
      if (range && !/U\+0+-0*FF/i.test(range)) continue;
      const url = /url\(["']?([^"')]+)/.exec(rule.style.getPropertyValue("src"))?.[1];
      if (url) return new URL(url, sheet.href ?? location.href).href;
    }
  return null;
}
