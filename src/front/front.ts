import { createServer, type Server } from "node:https";
import type { IncomingMessage, ServerResponse } from "node:http";
import type { Socket } from "node:net";
import { createProxyServer } from "httpxy";
import { RateLimiterMemory } from "rate-limiter-flexible";
import {
  type Authority,
  homeAuthority,
  isDue,
  type Place,
  serverCertificate,
  type ServerCertificate,
  within,
} from "./authority";
import { Devices } from "./devices";
import { admit, headersFor } from "./guard";
import { nobody } from "./nobody";
import { openPage } from "./pages";
import { answerPairing } from "./pairRequest";
import { Pairing } from "./pairing";

/** Limits by which one guest can't keep the others out. */
export const LIMITS = {
  /** Connections from one address, and in all. */
  perAddress: 64,
  connections: 512,
  /** A request's head must be there within this, ms; a connection may say nothing for so long. */
  headMs: 10_000,
  idleMs: 60_000,
  /** Requests a minute: of a device that is not paired, by its address; and of one that is. */
  strangerAMinute: 60,
  pairedAMinute: 3_000,
  /** Bytes of a body: of films and backups, and of anything else. */
  fileBytes: 64e9,
  bodyBytes: 64e6,
} as const;
/** What takes whole files; the program has limits of its own for each. */
const FILES = /^\/api\/(clips|restore)(\/|$|\?)/;

export interface FrontOptions {
  /** Where its own files are: authority, devices. */
  dir: string;
  /** Where the program listens, as in `127.0.0.1:3000`. */
  home: string;
  port: number;
  /** Address to listen on; all of this computer's where it is left out. */
  bind?: string;
  /** Name and addresses at this moment. */
  place: () => Place;
  now?: () => number;
}

/**
 * The program over HTTPS on the home network: a server of its own before it, which lets through what
 * the guard admits. It keeps the home's authority, the paired devices, and one pairing at a time.
 */
export class Front {
  readonly pairing: Pairing;
  #certificate: ServerCertificate | null = null;
  #place: Place;
  readonly #server: Server;
  readonly #connections = new Map<string, number>();
  readonly #strangers = new RateLimiterMemory({ points: LIMITS.strangerAMinute, duration: 60 });
  readonly #paired = new RateLimiterMemory({ points: LIMITS.pairedAMinute, duration: 60 });
  readonly #proxy = createProxyServer({ xfwd: false });

  private constructor(
    private readonly options: FrontOptions,
    readonly authority: Authority,
    readonly devices: Devices,
  ) {
    this.pairing = new Pairing(options.now ?? Date.now);
    this.#place = within(options.place(), authority) ?? {
      name: authority.allows.name,
      addresses: [],
    };
    this.#server = createServer({ minVersion: "TLSv1.2", handshakeTimeout: LIMITS.headMs });
    this.#server.headersTimeout = LIMITS.headMs;
    this.#server.requestTimeout = 0; // A film may take longer than any limit: silence is what ends it.
    this.#server.timeout = LIMITS.idleMs;
    this.#server.keepAliveTimeout = LIMITS.idleMs;
    this.#server.maxConnections = LIMITS.connections;
    this.#server.on("connection", (socket: Socket) => this.#count(socket));
    this.#server.on("request", (request, response) => void this.#answer(request, response));
    // Nothing of the program asks for another protocol on a connection.
    this.#server.on("upgrade", (_, socket) => socket.destroy());
    this.#server.on("connect", (_, socket) => socket.destroy());
    this.#proxy.on("error", (_error, _request, response) => {
      if (response && "headersSent" in response && !response.headersSent) nobody(response, 502);
      else response?.destroy();
    });
  }

  /** Makes or reads what it keeps, and listens. */
  static async open(options: FrontOptions): Promise<Front> {
    const authority = await homeAuthority(options.dir, options.place());
    const front = new Front(options, authority, await Devices.open(options.dir));
    await front.renew();
    await new Promise<void>((resolve, reject) => {
      front.#server.once("error", reject);
      front.#server.listen(options.port, options.bind ?? "0.0.0.0", () => {
        front.#server.off("error", reject);
        resolve();
      });
    });
    return front;
  }

  get port(): number {
    return (this.#server.address() as { port: number }).port;
  }

  /** Where a phone finds it: by name first. */
  get addresses(): string[] {
    return [this.#place.name, ...this.#place.addresses].map((a) => `https://${a}:${this.port}`);
  }

  /** Addresses of this computer that the authority was not made for: by these no phone trusts it. */
  get newAddresses(): string[] {
    const { name, addresses } = this.options.place();
    const known = this.authority.allows;
    return name === known.name
      ? addresses.filter((a) => !known.addresses.includes(a))
      : [...addresses];
  }

  /**
   * A new server certificate where date or address ask for it; connections that are open stay. What
   * the authority was not made for is left out.
   */
  async renew(): Promise<void> {
    const place = within(this.options.place(), this.authority) ?? this.#place;
    const moved = place.addresses.join() !== this.#place.addresses.join();
    const due = !this.#certificate || isDue(this.#certificate, new Date(this.#now()));
    if (!moved && !due) return;
    this.#certificate = await serverCertificate(this.options.dir, place, new Date(this.#now()));
    this.#place = place;
    this.#server.setSecureContext({
      key: this.#certificate.key,
      cert: this.#certificate.chain,
      minVersion: "TLSv1.2",
    });
  }

  async close(): Promise<void> {
    this.pairing.close();
    const closed = new Promise<void>((resolve) => this.#server.close(() => resolve()));
    this.#server.closeAllConnections();
    await closed;
  }

  #now(): number {
    return (this.options.now ?? Date.now)();
  }

  #hosts(): ReadonlySet<string> {
    return new Set(this.addresses.map((a) => new URL(a).host.toLowerCase()));
  }

  #count(socket: Socket): void {
    const from = socket.remoteAddress ?? "";
    const open = (this.#connections.get(from) ?? 0) + 1;
    if (open > LIMITS.perAddress) return void socket.destroy();
    this.#connections.set(from, open);
    socket.once("close", () => {
      const left = this.#connections.get(from)! - 1;
      if (left) this.#connections.set(from, left);
      else this.#connections.delete(from);
    });
  }

  async #answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const { method = "", url = "", headers } = request;
    const admitted = admit({ method, url, headers }, this.#hosts(), this.devices.byHash);
    const [limiter, who] =
      admitted.to === "program"
        ? [this.#paired, admitted.device]
        : [this.#strangers, request.socket.remoteAddress ?? ""];
    const within = await limiter.consume(who).then(
      () => true,
      () => false,
    );
    if (!within) return nobody(response, 429);
    if (admitted.to === "nobody") return nobody(response, admitted.status);
    if (admitted.to === "front")
      return admitted.path === "/pair" && method === "POST"
        ? answerPairing(this.pairing, request, response)
        : openPage(admitted.path, this.authority, request, response);
    // How long a body is must be said before it comes: browsers do.
    if (headers["transfer-encoding"] !== undefined) return nobody(response, 411);
    if (
      Number(headers["content-length"] ?? 0) >
      (FILES.test(url) ? LIMITS.fileBytes : LIMITS.bodyBytes)
    )
      return nobody(response, 413);
    this.pairing.used(admitted.keyHash);
    void this.devices.seen(admitted.device, new Date(this.#now()));
    const { home } = this.options;
    const { host } = headers;
    request.headers = headersFor(headers, home, admitted.device);
    await this.#proxy
      .web(request, response, {
        target: `http://${home}`,
        hostRewrite: host!,
        protocolRewrite: "https",
        proxyTimeout: 0,
      })
      .catch(() => undefined);
  }
}
