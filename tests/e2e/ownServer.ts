import { spawn, type ChildProcess } from "node:child_process";
import { openSync, rmSync } from "node:fs";
import { expect } from "@playwright/test";

/** A program of a test's own, which can be switched off and on; its phones' part beside it. */
export class OwnServer {
  private process: ChildProcess | null = null;
  readonly base: string;
  /** Where a phone finds it: another address of this computer. */
  readonly phoneBase: string;

  /** @param data its folder, emptied first */
  constructor(
    readonly data: string,
    private readonly port: number,
    private readonly phone: { address: string; port: number },
  ) {
    rmSync(data, { recursive: true, force: true });
    this.base = `http://127.0.0.1:${port}`;
    this.phoneBase = `https://${phone.address}:${phone.port}`;
  }

  async start(): Promise<void> {
    const log = openSync(`${this.data}.log`, "a");
    this.process = spawn(
      process.execPath,
      ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", `${this.port}`],
      {
        stdio: ["ignore", log, log],
        env: {
          ...process.env,
          KINGFISHER_DATA: this.data,
          KINGFISHER_PHONE_PORT: `${this.phone.port}`,
          KINGFISHER_PHONE_ADDRESSES: this.phone.address,
          NEXT_TELEMETRY_DISABLED: "1",
        },
      },
    );
    await expect.poll(() => answers(`${this.base}/begin`), { timeout: 120_000 }).toBe(true);
  }

  async stop(): Promise<void> {
    const running = this.process;
    this.process = null;
    if (running?.exitCode === null && running.signalCode === null) {
      const ended = new Promise((resolve) => running.once("exit", resolve));
      running.kill("SIGTERM");
      await ended;
    }
    // Its front ends with it.
    await expect.poll(() => answers(this.base)).toBe(false);
  }
}

const answers = (url: string): Promise<boolean> =>
  fetch(url).then(
    ({ ok }) => ok,
    () => false,
  );
