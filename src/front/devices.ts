import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { Mutex } from "async-mutex";
import { z } from "zod";
import { writeOwnFile } from "./ownFile";

const file = z.object({
  devices: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      keyHash: z.string().regex(/^[0-9a-f]{64}$/),
      pairedAt: z.iso.datetime(),
      seenAt: z.iso.datetime(),
    }),
  ),
});
/** A paired device; of its key the hash alone is kept. */
export type PairedDevice = z.infer<typeof file>["devices"][number];

/** When a device was seen is written this often at most, ms: its use is a glance at the list. */
const SEEN_MS = 60_000;

/**
 * The paired devices, in `devices.json` of the front's folder. They belong to this computer and are
 * in no backup: what was let in here is not let in elsewhere.
 */
export class Devices {
  #byHash = new Map<string, PairedDevice>();
  readonly #writing = new Mutex();

  private constructor(private readonly file: string) {}

  /** @throws Error when the file is there but can't be read */
  static async open(dir: string): Promise<Devices> {
    const devices = new Devices(path.join(dir, "devices.json"));
    const text = await readFile(devices.file, "utf8").catch((error: NodeJS.ErrnoException) => {
      if (error.code === "ENOENT") return '{"devices":[]}';
      throw error;
    });
    for (const d of file.parse(JSON.parse(text)).devices) devices.#byHash.set(d.keyHash, d);
    return devices;
  }

  /** By the hash of their key, as the guard looks them up. */
  get byHash(): ReadonlyMap<string, PairedDevice> {
    return this.#byHash;
  }

  /** As a list, the one seen last first. */
  list(): PairedDevice[] {
    return [...this.#byHash.values()].sort((a, b) => b.seenAt.localeCompare(a.seenAt));
  }

  async add(name: string, keyHash: string, now = new Date()): Promise<PairedDevice> {
    const at = now.toISOString();
    const device = { id: randomUUID(), name, keyHash, pairedAt: at, seenAt: at };
    this.#byHash.set(keyHash, device);
    await this.#write();
    return device;
  }

  /** From this moment on its key opens nothing, whatever becomes of the file. */
  async revoke(id: string): Promise<void> {
    for (const d of this.list()) if (d.id === id) this.#byHash.delete(d.keyHash);
    await this.#write();
  }

  async seen(id: string, now = new Date()): Promise<void> {
    const device = this.list().find((d) => d.id === id);
    if (!device || now.getTime() - Date.parse(device.seenAt) < SEEN_MS) return;
    device.seenAt = now.toISOString();
    await this.#write();
  }

  #write(): Promise<void> {
    return this.#writing.runExclusive(() =>
      writeOwnFile(this.file, `${JSON.stringify({ devices: this.list() }, null, 1)}\n`),
    );
  }
}
