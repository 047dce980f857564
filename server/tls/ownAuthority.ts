import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import path from 'node:path';
import type { CertificateExtension, generate as Generate } from 'selfsigned';

/** A certificate with its key, as PEM text. */
export interface Identity {
  cert: string;
  key: string;
}

/** What makes certificates is fetched where one is made: most starts need none, and would be longer by it. */
const generate: typeof Generate = async (...asked) => (await import('selfsigned')).generate(...asked);

const dayMs = 24 * 3600 * 1000;
const authorityDays = 10 * 365;
/** Browsers of phones take no certificate that is good for longer than 398 days. */
const serverDays = 397;
const renewedBeforeDays = 30;

const onlyOwner = { mode: 0o600 };

function read(folder: string, name: string): Identity | null {
  const [cert, key] = [path.join(folder, `${name}.crt`), path.join(folder, `${name}.key`)];
  return existsSync(cert) && existsSync(key)
    ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
    : null;
}

/** Each file is there whole or not at all; the key first, so that a certificate is never without. */
function write(folder: string, name: string, { cert, key }: Identity): void {
  for (const [file, text] of [
    [`${name}.key`, key],
    [`${name}.crt`, cert],
  ] as const) {
    const to = path.join(folder, file);
    writeFileSync(`${to}.new`, text, onlyOwner);
    renameSync(`${to}.new`, to);
  }
}

const lastsFor = ({ cert }: Identity, days: number, now: Date): boolean =>
  Date.parse(new X509Certificate(cert).validTo) > now.getTime() + days * dayMs;

async function newAuthority(now: Date): Promise<Identity> {
  const { cert, private: key } = await generate([{ name: 'commonName', value: 'Neotrope on this machine' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - dayMs),
    notAfterDate: new Date(now.getTime() + authorityDays * dayMs),
    extensions: [
      // It vouches for servers, not for other authorities.
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  return { cert, key };
}

const altName = (name: string) =>
  isIP(name) === 0 ? { type: 2 as const, value: name } : { type: 7 as const, ip: name };

async function newServer(authority: Identity, names: readonly string[], now: Date): Promise<Identity> {
  const extensions: CertificateExtension[] = [
    { name: 'basicConstraints', cA: false, critical: true },
    { name: 'keyUsage', digitalSignature: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: names.map(altName) },
  ];
  const { cert, private: key } = await generate([{ name: 'commonName', value: names[0]! }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - dayMs),
    notAfterDate: new Date(now.getTime() + serverDays * dayMs),
    extensions,
    ca: authority,
  });
  return { cert, key };
}

/** Whether a certificate stands for this name or address. */
export function standsFor(cert: string, name: string): boolean {
  const certificate = new X509Certificate(cert);
  return (isIP(name) === 0 ? certificate.checkHost(name) : certificate.checkIP(name)) !== undefined;
}

/**
 * The certificate of this server for these names, signed by an authority of its own that stays the same, so that a phone has to trust it
 * once. It is made anew when it is about to run out, or when the machine has another name.
 */
export async function ownIdentity(
  dataDir: string,
  names: readonly string[],
  now: Date,
): Promise<{ server: Identity; authority: string }> {
  const folder = path.join(dataDir, 'authority');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  let authority = read(folder, 'authority');
  const isNew = !authority || !lastsFor(authority, renewedBeforeDays, now);
  if (!authority || isNew) {
    authority = await newAuthority(now);
    write(folder, 'authority', authority);
  }
  let server = isNew ? null : read(folder, 'server');
  const isGood =
    server &&
    lastsFor(server, renewedBeforeDays, now) &&
    new X509Certificate(server.cert).checkIssued(new X509Certificate(authority.cert)) &&
    names.every((name) => standsFor(server!.cert, name));
  if (!server || !isGood) {
    server = await newServer(authority, names, now);
    write(folder, 'server', server);
  }
  return { server, authority: authority.cert };
}
