"use client";

import Link from "next/link";
import { createContext, use } from "react";

/** Where one of the program's addresses is found on this device; null where it is not. */
type Elsewhere = (href: string) => string | null;

const ElsewhereContext = createContext<Elsewhere | null>(null);

/** Has the links in it lead to the device's own pages: what is installed needs no computer. */
export const LinksElsewhere = ElsewhereContext.Provider;

/**
 * A link to one of the program's pages. Where the page has a counterpart on the device it leads
 * there, and nothing is fetched; where it has none, there is no link.
 *
 * @param words stay without the link
 */
export function To({
  href,
  scroll,
  words = false,
  ...rest
}: React.ComponentProps<"a"> & { href: string; scroll?: boolean; words?: boolean }) {
  const elsewhere = use(ElsewhereContext);
  if (!elsewhere)
    return <Link href={href} {...rest} {...(scroll === undefined ? {} : { scroll })} />;
  const to = elsewhere(href);
  if (to === null) return words ? rest.children : null;
  return (
    <a
      href={to}
      {...rest}
      onClick={(e) => {
        if (e.metaKey || e.ctrlKey || e.shiftKey || e.button !== 0) return;
        e.preventDefault();
        window.history.pushState(null, "", to);
        if (scroll !== false) window.scrollTo(0, 0);
      }}
    />
  );
}
