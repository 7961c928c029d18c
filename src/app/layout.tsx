import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/bricolage-grotesque/standard.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import { Toaster } from "sonner";
import { hostZone } from "@/ui/kit/dates";
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

/** What all pages share, those of the range too, which know no database. */
export default async function RootLayout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en" data-zone={hostZone()} suppressHydrationWarning>
      <head>
        <script
          nonce={(await headers()).get("x-nonce") ?? undefined}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }}
        />
      </head>
      <body>
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-paper focus:p-3"
        >
          To the page
        </a>
        {children}
        <Toaster position="bottom-center" />
      </body>
    </html>
  );
}
