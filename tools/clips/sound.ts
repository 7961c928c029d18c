import { seeded } from "../../src/core/maths/seeded";

/** A mono 48 kHz WAV: quiet air, and a strike (a short bright burst) at `struckAt` s, if any. */
export function strikeSound(seconds: number, struckAt: number | null, seed: number): Buffer {
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
  let air = 0;
  for (let i = 0; i < n; i++) {
    air = 0.97 * air + 0.03 * random.normal();
    let v = air * 0.05 + random.normal() * 0.002;
    const since = struckAt === null ? -1 : i / rate - struckAt;
    if (since >= 0 && since < 0.12) v += random.normal() * 0.5 * Math.exp(-since / 0.006) + Math.sin(since * 2 * Math.PI * 3100) * 0.25 * Math.exp(-since / 0.02);
    pcm.writeInt16LE(Math.max(-32767, Math.min(32767, Math.round(v * 32767))), 44 + i * 2);
  }
  return pcm;
}
