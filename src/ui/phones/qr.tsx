import { encode } from "uqr";

/** Modules of quiet round a QR code, as its standard asks for (ISO/IEC 18004). */
const QUIET = 4;

/** A text as a QR code, dark on light in both themes. @param label what it is, in words */
export function Qr({ text, label }: { text: string; label: string }) {
  const { data, size } = encode(text, { ecc: "M", border: QUIET });
  const dark = data
    .flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : [])))
    .join("");
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${size} ${size}`}
      shapeRendering="crispEdges"
      className="h-auto w-full max-w-[264px] rounded-control bg-white"
    >
      <path d={dark} fill="#0a242f" />
    </svg>
  );
}
