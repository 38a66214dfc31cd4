import 'reflect-metadata';
import { X509Certificate as NodeCertificate, webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import {
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';

const DAY_MS = 86_400_000;
/** Phones take no certificate of a server that holds for much longer than a year. */
const SERVER_DAYS = 365;
const AUTHORITY_DAYS = 3650;
/** A certificate that ends so soon is made anew. */
const RENEW_DAYS = 30;
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const SIGNING = { name: 'ECDSA', hash: 'SHA-256' } as const;

type CryptoKey = webcrypto.CryptoKey;
const crypto = webcrypto;
cryptoProvider.set(crypto as never);

/** A certificate with its private key, as PEM. */
export interface KeyPair {
  readonly cert: string;
  readonly key: string;
}

const keyAsPem = async (key: CryptoKey): Promise<string> =>
  PemConverter.encode(await crypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');

const keyFromPem = (pem: string): Promise<CryptoKey> =>
  crypto.subtle.importKey('pkcs8', PemConverter.decodeFirst(pem), ALGORITHM, false, ['sign']);

const serial = (): string => Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('hex');

/** The time over which a certificate holds: from a day back, since clocks differ. */
const holding = (now: Date, days: number) => ({
  notBefore: new Date(now.getTime() - DAY_MS),
  notAfter: new Date(now.getTime() + days * DAY_MS),
});

async function makeAuthority(now: Date): Promise<KeyPair> {
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const cert = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    // Each has a name of its own, so that a phone can tell two of them apart.
    name: `CN=Inky Shoal ${serial().slice(0, 6)}`,
    ...holding(now, AUTHORITY_DAYS),
    signingAlgorithm: SIGNING,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
    ],
  });
  return { cert: cert.toString('pem'), key: await keyAsPem(keys.privateKey) };
}

async function makeServer(authority: KeyPair, names: readonly string[], now: Date): Promise<KeyPair> {
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);
  const issuer = new X509Certificate(authority.cert);
  const cert = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0] ?? 'Inky Shoal'}`,
    issuer: issuer.subject,
    ...holding(now, SERVER_DAYS),
    signingAlgorithm: SIGNING,
    publicKey: keys.publicKey,
    signingKey: await keyFromPem(authority.key),
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
    ],
  });
  return { cert: cert.toString('pem'), key: await keyAsPem(keys.privateKey) };
}

function kept(folder: string, name: string): KeyPair | null {
  const [cert, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)];
  if (!existsSync(cert) || !existsSync(key)) return null;
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
}

function keep(folder: string, name: string, { cert, key }: KeyPair): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, `${name}.crt`), cert, { mode: 0o600 });
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 });
}

/** Whether a certificate still holds for a while, for these names, and was signed by this authority. */
function serves({ cert }: KeyPair, authority: KeyPair, names: readonly string[], now: Date): boolean {
  const certificate = new NodeCertificate(cert);
  return (
    Date.parse(certificate.validTo) > now.getTime() + RENEW_DAYS * DAY_MS &&
    certificate.verify(new NodeCertificate(authority.cert).publicKey) &&
    names.every((name) => (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)) !== undefined)
  );
}

/**
 * The certificate with which this machine is found under its names, signed by an authority of its own: both made on the
 * spot and kept; the server's is made anew where names change or it ends soon, the authority stays, since phones trust it.
 */
export async function certificatesFor(
  folder: string,
  names: readonly string[],
  now = new Date(),
): Promise<{ readonly server: KeyPair; readonly authority: string }> {
  let authority = kept(folder, 'authority');
  if (!authority || Date.parse(new NodeCertificate(authority.cert).validTo) < now.getTime() + RENEW_DAYS * DAY_MS) {
    authority = await makeAuthority(now);
    keep(folder, 'authority', authority);
  }
  let server = kept(folder, 'server');
  if (!server || !serves(server, authority, names, now)) {
    server = await makeServer(authority, names, now);
    keep(folder, 'server', server);
  }
  return { server, authority: authority.cert };
}
