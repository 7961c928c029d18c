import "reflect-metadata";
import { chmod, mkdir, readFile, rm } from "node:fs/promises";
import path from "node:path";
import { AsnConvert } from "@peculiar/asn1-schema";
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from "@peculiar/asn1-x509";
import * as x509 from "@peculiar/x509";
import { writeOwnFile } from "./ownFile";

/** Where the program is found: its `.local` name and its addresses on the home network (IPv4). */
export interface Place {
  name: string;
  addresses: readonly string[];
}

/** What a server shows and keeps, PEM. */
export interface ServerCertificate {
  key: string;
  /** The server's own, then the authority's. */
  chain: string;
  until: Date;
}

export interface Authority {
  /** What phones are asked to trust, PEM. */
  certificate: string;
  /** SHA-256 of it in pairs of hex digits, as phones show it. */
  fingerprint: string;
  /** What its certificates may be for. */
  allows: Place;
}

const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Phones accept no server certificate of an own authority that is good for more than 825 days. */
const SERVER_DAYS = 180;
/** With less left than this a server certificate is renewed. */
const RENEW_DAYS = 30;
const ALGORITHM = { name: "ECDSA", namedCurve: "P-256", hash: "SHA-256" } as const;
const FILES = { key: "home-authority.key", certificate: "home-authority.crt" };

/**
 * The home's own authority, made at the first call and kept in `dir`, its key for the owner alone.
 * By a critical extension (RFC 5280, 4.2.1.10) its certificates are good for this computer's name
 * and the addresses it had then, and for nothing else: who trusts it trusts it with no other page.
 *
 * @throws Error when its files are there but can't be read: it is not made anew in silence, for
 *   phones would have to trust another one
 */
export async function homeAuthority(
  dir: string,
  place: Place,
  now = new Date(),
): Promise<Authority> {
  const known = await read(dir);
  if (known) return shown(known.certificate);
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ["sign", "verify"]);
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Kingfisher on ${place.name}`,
    notBefore: new Date(now.getTime() - DAY_MS),
    notAfter: new Date(now.getTime() + AUTHORITY_DAYS * DAY_MS),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      constraints(place),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  await mkdir(dir, { recursive: true, mode: 0o700 });
  await chmod(dir, 0o700);
  await writeOwnFile(path.join(dir, FILES.key), await keyPem(keys.privateKey));
  await writeOwnFile(path.join(dir, FILES.certificate), certificate.toString("pem"));
  return shown(certificate);
}

/**
 * A certificate for the server, signed by the home's authority: for those of a place's names that
 * the authority allows.
 *
 * @throws Error when there is no authority yet
 */
export async function serverCertificate(
  dir: string,
  place: Place,
  now = new Date(),
): Promise<ServerCertificate> {
  const authority = await read(dir);
  if (!authority) throw new Error(`there is no authority in ${dir}`);
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ["sign", "verify"]);
  const until = new Date(now.getTime() + SERVER_DAYS * DAY_MS);
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${place.name}`,
    issuer: authority.certificate.subject,
    notBefore: new Date(now.getTime() - DAY_MS),
    notAfter: until,
    signingKey: authority.key,
    publicKey: keys.publicKey,
    signingAlgorithm: ALGORITHM,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([
        { type: "dns", value: place.name },
        ...place.addresses.map((value) => ({ type: "ip" as const, value })),
      ]),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate),
    ],
  });
  return {
    key: await keyPem(keys.privateKey),
    chain: `${certificate.toString("pem")}\n${authority.certificate.toString("pem")}\n`,
    until,
  };
}

/** Takes the home's authority away: the next one is another, which phones must be asked to trust. */
export const forgetAuthority = async (dir: string): Promise<void> => {
  for (const file of Object.values(FILES)) await rm(path.join(dir, file), { force: true });
};

/** Whether a server certificate is to be renewed. */
export const isDue = ({ until }: ServerCertificate, now = new Date()): boolean =>
  until.getTime() - now.getTime() < RENEW_DAYS * DAY_MS;

/** A place without the names and addresses that an authority was not made for. */
export const within = (place: Place, { allows }: Authority): Place | null =>
  place.name === allows.name
    ? { name: place.name, addresses: place.addresses.filter((a) => allows.addresses.includes(a)) }
    : null;

async function read(dir: string) {
  const [key, certificate] = await Promise.all(
    [FILES.key, FILES.certificate].map((f) =>
      readFile(path.join(dir, f), "utf8").catch((error: NodeJS.ErrnoException) => {
        if (error.code === "ENOENT") return null;
        throw error;
      }),
    ),
  );
  if (!key || !certificate) return null;
  return {
    key: await crypto.subtle.importKey(
      "pkcs8",
      x509.PemConverter.decodeFirst(key),
      ALGORITHM,
      false,
      ["sign"],
    ),
    certificate: new x509.X509Certificate(certificate),
  };
}

async function shown(certificate: x509.X509Certificate): Promise<Authority> {
  const digest = Buffer.from(await certificate.getThumbprint("SHA-256"));
  return {
    certificate: certificate.toString("pem"),
    fingerprint: digest.toString("hex").toUpperCase().match(/../g)!.join(" "),
    allows: allowedBy(certificate),
  };
}

/** This name and these addresses, and nothing else of either kind. */
function constraints({ name, addresses }: Place): x509.Extension {
  const subtrees = (bases: ConstructorParameters<typeof GeneralName>[0][]) =>
    new GeneralSubtrees(bases.map((base) => new GeneralSubtree({ base: new GeneralName(base) })));
  const permittedSubtrees = subtrees([
    { dNSName: name },
    ...addresses.map((a) => ({ iPAddress: `${a}/32` })),
  ]);
  // A kind of name of which nothing is permitted would be free: all of it is excluded.
  const excludedSubtrees = subtrees([
    ...(addresses.length ? [] : [{ iPAddress: "0.0.0.0/0" }]),
    { iPAddress: "::/0" },
  ]);
  return new x509.Extension(
    id_ce_nameConstraints,
    true,
    AsnConvert.serialize(new NameConstraints({ permittedSubtrees, excludedSubtrees })),
  );
}

function allowedBy(certificate: x509.X509Certificate): Place {
  const found = certificate.getExtension(id_ce_nameConstraints);
  if (!found) throw new Error("the home authority has no name constraints");
  const { permittedSubtrees } = AsnConvert.parse(found.value, NameConstraints);
  const bases = [...(permittedSubtrees ?? [])].map((s) => s.base);
  return {
    name: bases.find((b) => b.dNSName !== undefined)?.dNSName ?? "",
    addresses: bases.flatMap((b) =>
      b.iPAddress === undefined ? [] : [b.iPAddress.split("/")[0]!],
    ),
  };
}

const serial = (): string =>
  `4${Buffer.from(crypto.getRandomValues(new Uint8Array(15))).toString("hex")}0`;

const keyPem = async (key: CryptoKey): Promise<string> =>
  x509.PemConverter.encode(await crypto.subtle.exportKey("pkcs8", key), "PRIVATE KEY");
