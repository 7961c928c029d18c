import type { Metadata } from "next";
import { RangeBar } from "@/ui/range/rangeBar";

export const metadata: Metadata = {
  title: "At the range",
  appleWebApp: { capable: true, title: "Kingfisher", statusBarStyle: "default" },
  icons: { apple: "/icons/kingfisher-180.png" },
};

/** The part that is installed on a phone: it knows no database, and starts with no computer. */
export default function RangeLayout({ children }: { children: React.ReactNode }) {
  return (
    <>
      {/* A paired phone is known by its cookie, so the browser has to send it. */}
      <link rel="manifest" href="/range.webmanifest" crossOrigin="use-credentials" />
      <RangeBar />
      <main id="main" className="mx-auto max-w-[1280px] px-5 pb-16 md:px-10">
        {children}
      </main>
    </>
  );
}
