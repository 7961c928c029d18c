import { fork, type ChildProcess } from "node:child_process";
import { mkdir, readFile } from "node:fs/promises";
import { Mutex } from "async-mutex";
import { createBirpc, type BirpcReturn } from "birpc";
import { z } from "zod";
import type { FrontCalls, FrontState } from "../../front/calls";
import { dataDir, under } from "../dataDir";
import { log } from "../log";
import { writeDurably } from "../store/durable";
import { UserError } from "../userError";

/** What the golfer chose: kept over restarts. */
const chosen = z.object({ on: z.boolean(), port: z.number().int().min(1).max(65535) });
type Chosen = z.infer<typeof chosen>;
/** Where a phone finds the program unless the golfer says otherwise. */
const PORT = 3443;

interface Running {
  child: ChildProcess;
  calls: BirpcReturn<FrontCalls>;
  /** Became false when the process ended. */
  alive: boolean;
}

/** The program's one front; routes and actions may be bundled apart. */
const holder = globalThis as { __kingfisherFront?: { running: Running | null; mutex: Mutex } };
const front = () => (holder.__kingfisherFront ??= { running: null, mutex: new Mutex() });

const folder = () => under(dataDir(), "front");
const file = () => under(folder(), "chosen.json");

async function readChosen(): Promise<Chosen> {
  const text = await readFile(file(), "utf8").catch(() => null);
  const port = Number(process.env.KINGFISHER_PHONE_PORT ?? PORT);
  if (text === null) return { on: false, port };
  return chosen.catch({ on: false, port }).parse(JSON.parse(text));
}

/** State of the front as the page Phones shows it; null while it is off. */
export const frontState = async (): Promise<FrontState | null> =>
  (await running()?.calls.state()) ?? null;

/** The front's calls, for who asks something of it. @throws UserError while it is off */
export function frontCalls(): BirpcReturn<FrontCalls> {
  const now = running();
  if (!now)
    throw new UserError("Phones are switched off on this computer. Switch them on first.", 409);
  return now.calls;
}

const running = (): Running | null => {
  const { running } = front();
  return running?.alive ? running : null;
};

/** Starts the front where the golfer had left it on; what goes wrong stops nothing else. */
export async function startChosen(): Promise<void> {
  if (!(await readChosen()).on) return;
  await switchOn().catch((error: unknown) =>
    log().error({ err: error }, "no phone can be answered"),
  );
}

/**
 * Switches the front on, and keeps that.
 *
 * @throws UserError when its port is taken
 */
export async function switchOn(): Promise<FrontState> {
  return front().mutex.runExclusive(async () => {
    const { port } = await readChosen();
    const state = running() ? await running()!.calls.state() : await started(port);
    await keep({ on: true, port });
    return state;
  });
}

/** Ends the front at once: no device is answered any more. Those that are paired stay so. */
export async function switchOff(): Promise<void> {
  await front().mutex.runExclusive(async () => {
    running()?.child.kill();
    front().running = null;
    await keep({ on: false, port: (await readChosen()).port });
  });
}

async function keep(what: Chosen): Promise<void> {
  await mkdir(folder(), { recursive: true, mode: 0o700 });
  await writeDurably(file(), `${JSON.stringify(what)}\n`);
}

async function started(port: number): Promise<FrontState> {
  const child = fork(under(process.cwd(), "bin", "run.mjs"), ["src/front/main.ts"], {
    cwd: process.cwd(),
    stdio: ["ignore", "ignore", "pipe", "ipc"],
    // Nothing of the program's own settings is its business.
    env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV },
    execArgv: [],
  });
  child.stderr!.on("data", (text: Buffer) => log().warn({ front: String(text).trim() }, "front"));
  const calls = createBirpc<FrontCalls>(
    {},
    {
      post: (message) => child.send(message as object),
      on: (hear) => child.on("message", hear),
      timeout: 20_000,
    },
  );
  const now: Running = { child, calls, alive: true };
  // The program waits for its open connections before it ends, and the front holds some.
  const end = () => void child.kill();
  for (const signal of ["SIGTERM", "SIGINT"] as const) {
    process.once(signal, end);
    child.once("exit", () => process.off(signal, end));
  }
  const ended = new Promise<never>((_, reject) =>
    child.once("exit", (code) => {
      now.alive = false;
      log().info({ code }, "front ended");
      reject(new Error(`the front ended with ${code}`));
    }),
  );
  ended.catch(() => undefined);
  const addresses = process.env.KINGFISHER_PHONE_ADDRESSES?.split(",").filter(Boolean);
  try {
    const state = await Promise.race([
      calls.start({
        dir: folder(),
        home: `127.0.0.1:${process.env.PORT ?? "3000"}`,
        port,
        ...(addresses ? { addresses } : {}),
      }),
      ended,
    ]);
    front().running = now;
    return state;
  } catch (error) {
    child.kill();
    if ((error as { code?: string }).code === "EADDRINUSE" || /EADDRINUSE/.test(String(error)))
      throw new UserError(
        `Port ${port} is taken by something else on this computer. Stop that, or start the program with KINGFISHER_PHONE_PORT=${port + 1}.`,
        409,
      );
    throw error;
  }
}
