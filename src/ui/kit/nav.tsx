"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { Mark } from "./glyphs";
import { ThemeSwitch } from "./theme";

const ROOMS = [
  { href: "/", name: "Today", open: false },
  { href: "/drills", name: "Drills", open: true },
  { href: "/read", name: "Read clips", open: false },
  { href: "/reps", name: "Reps", open: false },
  { href: "/progress", name: "Progress", open: false },
  { href: "/plan", name: "Plan", open: false },
];

export function Nav({ golferName }: { golferName: string | null }) {
  const path = usePathname();
  return (
    <header className="border-b border-hair">
      <nav
        aria-label="Main"
        className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-x-6 px-5 md:px-10"
      >
        <Link href="/" className="display flex min-h-13 items-center gap-3 text-[22px] md:mr-4">
          <Mark />
          Kingfisher
        </Link>
        {/* On a phone the rooms have a line of their own, below. */}
        <span className="order-last flex basis-full flex-wrap gap-x-4 text-[15px] md:order-none md:basis-auto md:gap-x-6 md:text-[16px]">
          {ROOMS.filter(({ open }) => open || golferName).map(({ href, name }) => {
            const here = href === "/" ? path === "/" : path.startsWith(href);
            return (
              <Link
                key={href}
                href={href}
                aria-current={here ? "page" : undefined}
                className={`flex min-h-11 items-center border-b-4 pt-1 md:min-h-13 ${here ? "border-ink font-semibold" : "border-transparent hover:border-hair"}`}
              >
                {name}
              </Link>
            );
          })}
        </span>
        <span className="ml-auto flex items-center gap-4">
          <ThemeSwitch />
          {golferName && (
            <Link href="/you" className="flex min-h-11 items-center text-ink-2 hover:text-ink">
              {golferName}
            </Link>
          )}
        </span>
      </nav>
    </header>
  );
}
