import type { AboutDevice } from "@/vision/worker/protocol";

/**
 * What reads the pictures on this device, and how fast; before that is known, that it is being got
 * ready.
 */
export function DeviceLine({ device }: { device: AboutDevice | null }) {
  return (
    <p className="mt-10 border-t border-hair pt-3 side-note" data-testid="device">
      About this device: {device ? words(device) : "the network is being got ready."}
    </p>
  );
}

function words({ on, atOnce, lookMs, apartPx }: AboutDevice): string {
  const ms = lookMs < 10 ? lookMs.toFixed(1) : Math.round(lookMs);
  if (on === "graphics")
    return (
      `pictures are read on its graphics processor, ${ms} ms each (checked: within ` +
      `${(apartPx ?? 0).toFixed(2)} px of the processor).`
    );
  return `pictures are read on its processor, ${atOnce === 1 ? "one at a time" : "two at a time"}, ${ms} ms each.`;
}
