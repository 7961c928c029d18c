import { seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";

/**
 * A clip's mono 48 kHz WAV: air and gusts of wind, each rep's strike (a short bright burst) as late
 * as its sound takes to reach the phone, and a duller knock where a prop falls.
 */
export function clipSound(spec: ClipSpec): Buffer {
  const late = spec.camera.distance / 34300;
  const strikes = spec.script.reps.flatMap((r) =>
    r.strike === undefined ? [] : [r.strike + late],
  );
  const props = spec.script.reps.flatMap((r) =>
    r.propDrop === undefined ? [] : [r.propDrop + late],
  );
  const wind = spec.wind ?? 0;
  const { seed } = spec;
  const seconds = spec.script.duration;
  const rate = 48000;
  const n = Math.round(seconds * rate);
  const random = seeded(seed);
  const pcm = Buffer.alloc(44 + n * 2);
  pcm.write("RIFF", 0);
  pcm.writeUInt32LE(36 + n * 2, 4);
  pcm.write("WAVEfmt ", 8);
  pcm.writeUInt32LE(16, 16);
  pcm.writeUInt16LE(1, 20);
  pcm.writeUInt16LE(1, 22);
  pcm.writeUInt32LE(rate, 24);
  pcm.writeUInt32LE(rate * 2, 28);
  pcm.writeUInt16LE(2, 32);
  pcm.writeUInt16LE(16, 34);
  pcm.write("data", 36);
  pcm.writeUInt32LE(n * 2, 40);
  let [air, gust, rumble] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    air = 0.97 * air + 0.03 * random.normal();
    gust = 0.9995 * gust + 0.0005 * random.normal();
    rumble = 0.99 * rumble + 0.01 * random.normal();
    let v = air * 0.05 + random.normal() * 0.002 + wind * rumble * (1 + 30 * Math.abs(gust));
    for (const at of strikes) {
      const since = i / rate - at;
      if (since >= 0 && since < 0.12)
        v +=
          random.normal() * 0.5 * Math.exp(-since / 0.006) +
          Math.sin(since * 2 * Math.PI * 3100) * 0.25 * Math.exp(-since / 0.02);
    }
    for (const at of props) {
      const since = i / rate - at;
      if (since >= 0 && since < 0.2)
        v +=
          random.normal() * 0.12 * Math.exp(-since / 0.012) +
          Math.sin(since * 2 * Math.PI * 420) * 0.3 * Math.exp(-since / 0.03);
    }
    pcm.writeInt16LE(Math.max(-32767, Math.min(32767, Math.round(v * 32767))), 44 + i * 2);
  }
  return pcm;
}
