import { Mutex } from "async-mutex";
import type { PGlite } from "@electric-sql/pglite";

/** What a directory's database is opened with. */
export type OpenPglite = (dir: string) => Promise<PGlite>;

/**
 * The one PGlite of a process, for Drizzle: statements and transactions run one after another, as
 * in PGlite itself, and the database behind them can be put aside, closed and opened again without
 * anyone noticing.
 *
 * PGlite runs in one WebAssembly instance. When that aborts in the middle of a transaction (a stack
 * that overflows, say) it answers later statements as if the transaction had been committed. So
 * after an abort nothing more is asked of it: what it had not written is dropped and the directory
 * is opened anew, as after a kill.
 */
export class OneDatabase {
  private readonly turn = new Mutex();
  private aborted = false;
  /** Statements and transactions so far; when the last one ended, ms. */
  uses = 0;
  usedAt = Date.now();
  /** Told of an error that the database itself reports of its files. */
  onDamage: (error: Error) => void = () => undefined;

  constructor(
    private client: PGlite,
    private readonly dir: string,
    private readonly open: OpenPglite,
  ) {}

  query: PGlite["query"] = (...args) => this.run((client) => client.query(...args)) as never;
  exec: PGlite["exec"] = (...args) => this.run((client) => client.exec(...args));
  transaction: PGlite["transaction"] = (work) => this.run((client) => client.transaction(work));

  private run<T>(work: (client: PGlite) => Promise<T>): Promise<T> {
    return this.turn.runExclusive(async () => {
      if (this.aborted) await this.reopen();
      this.uses++;
      try {
        return await work(this.client);
      } catch (error) {
        if (hasAborted(error)) this.aborted = true;
        if (isDamage(error)) this.onDamage(error as Error);
        throw error;
      } finally {
        this.usedAt = Date.now();
      }
    });
  }

  private async reopen(): Promise<void> {
    try {
      this.client = await this.open(this.dir);
      this.aborted = false;
    } catch (error) {
      this.onDamage(error as Error);
      throw error;
    }
  }

  /** Runs something while nobody else uses the database, its files written: to copy them. */
  still<T>(work: () => Promise<T>): Promise<T> {
    return this.turn.runExclusive(async () => {
      if (this.aborted) await this.reopen();
      await this.client.exec("checkpoint");
      return work();
    });
  }

  /**
   * Closes the database, has its directory replaced, and opens what is there then; whoever asks
   * meanwhile waits.
   */
  exchange(replace: () => Promise<void>): Promise<void> {
    return this.turn.runExclusive(async () => {
      if (!this.aborted) await this.client.close();
      try {
        await replace();
      } finally {
        await this.reopen();
      }
    });
  }

  close(): Promise<void> {
    return this.turn.runExclusive(async () => {
      if (!this.aborted) await this.client.close();
    });
  }
}

/**
 * Whether the WebAssembly instance has ended: its errors are no answers of the database, which all
 * have a code.
 */
const hasAborted = (error: unknown): boolean =>
  error instanceof Error &&
  (error.name === "RuntimeError" || error instanceof WebAssembly.RuntimeError);

/**
 * Codes of PostgreSQL for data and indexes that are damaged, and for a file of its own that is
 * gone.
 */
const DAMAGE = new Set(["XX001", "XX002", "58P01"]);
const isDamage = (error: unknown): boolean =>
  error instanceof Error && DAMAGE.has((error as Error & { code?: string }).code ?? "");
