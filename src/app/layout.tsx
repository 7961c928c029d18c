import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque/standard.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import { Toaster } from "sonner";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";
import { SendWaiting } from "@/ui/film/sendWaiting";
import { hostZone } from "@/ui/kit/dates";
import { Nav } from "@/ui/kit/nav";
import { OtherGolfer } from "@/ui/kit/otherGolfer";
import { THEME_SCRIPT } from "@/ui/kit/theme";

export const metadata: Metadata = {
  title: { default: "Kingfisher", template: "%s · Kingfisher" },
  description:
    "Footwork drills, filmed and judged: pass, fail with one cue, or not judged and why.",
};

export const viewport: Viewport = {
  width: "device-width",
  initialScale: 1,
  themeColor: [{ color: "#f8f6f0" }, { color: "#0a1a22", media: "(prefers-color-scheme: dark)" }],
};

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const golfer = await currentGolfer(await requestDatabase());
  return (
    <html lang="en" data-zone={hostZone()} suppressHydrationWarning>
      <head>
        <script
          nonce={(await headers()).get("x-nonce") ?? undefined}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }}
        />
      </head>
      <body data-golfer={golfer?.id}>
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-paper focus:p-3"
        >
          To the page
        </a>
        <Nav golferName={golfer?.name ?? null} />
        {golfer && <OtherGolfer key={golfer.id} id={golfer.id} name={golfer.name} />}
        <main id="main" className="mx-auto max-w-[1280px] px-5 pb-16 md:px-10">
          {children}
        </main>
        <SendWaiting />
        <Toaster position="bottom-center" />
      </body>
    </html>
  );
}
