import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { chromiumPath, CHROMIUM_FLAGS } from "../../tools/chromium";

/**
 * A phone: a browser with a profile, a camera that plays nothing, and a certificate store of its
 * own, in which the home's authority is trusted as on a real one. No flag has it take a certificate
 * that is wrong.
 */
export class Phone {
  private context: BrowserContext | null = null;
  page!: Page;

  /** @param dir its own, emptied first */
  constructor(private readonly dir: string) {
    rmSync(dir, { recursive: true, force: true });
    mkdirSync(`${dir}/.pki/nssdb`, { recursive: true });
    this.certutil("-N", "--empty-password");
  }

  /** As a golfer does in the phone's settings. @param certificate the file */
  trust(certificate: string): void {
    this.certutil("-A", "-t", "C,,", "-n", "kingfisher home", "-i", certificate);
  }

  async open(): Promise<Page> {
    this.context = await chromium.launchPersistentContext(`${this.dir}/profile`, {
      executablePath: chromiumPath(),
      args: CHROMIUM_FLAGS,
      env: { ...process.env, HOME: this.dir },
      viewport: { width: 390, height: 844 },
      isMobile: true,
      hasTouch: true,
    });
    this.page = this.context.pages()[0] ?? (await this.context.newPage());
    return this.page;
  }

  async close(): Promise<void> {
    await this.context?.close();
    this.context = null;
  }

  private certutil(...args: string[]): void {
    execFileSync("certutil", ["-d", `sql:${this.dir}/.pki/nssdb`, ...args]);
  }
}
