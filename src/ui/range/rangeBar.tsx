"use client";

import { Mark } from "@/ui/kit/glyphs";
import { LinksElsewhere, To } from "@/ui/kit/to";
import { ThemeSwitch } from "@/ui/kit/theme";
import { rangeAddress } from "./rangeAddress";

/** The range's own bar: its start and the drills. */
export function RangeBar() {
  return (
    <LinksElsewhere value={rangeAddress}>
      <header className="border-b border-hair">
        <nav
          aria-label="Main"
          className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-x-5 px-5 md:px-10"
        >
          <To href="/" className="display flex min-h-13 items-center gap-3 text-[22px]">
            <Mark />
            Kingfisher
          </To>
          <To href="/drills" className="flex min-h-13 items-center text-[16px] hover:underline">
            Drills
          </To>
          <span className="ml-auto">
            <ThemeSwitch />
          </span>
        </nav>
      </header>
    </LinksElsewhere>
  );
}
