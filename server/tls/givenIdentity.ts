import { createPrivateKey, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { StartupError } from '../startupError';
import type { Identity } from './ownAuthority';

function readText(option: string, file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new StartupError(`${option} ${file} cannot be read (${(error as Error).message}).`);
  }
}

/** A certificate that somebody has for his server. Throws a StartupError where it is none, is not of this key, or is not valid now. */
export function givenIdentity(certFile: string, keyFile: string, now: Date): Identity {
  const [cert, key] = [readText('--cert', certFile), readText('--key', keyFile)];
  let certificate;
  try {
    certificate = new X509Certificate(cert);
  } catch {
    throw new StartupError(`--cert ${certFile} is not a certificate in PEM form.`);
  }
  let isItsKey: boolean;
  try {
    isItsKey = certificate.checkPrivateKey(createPrivateKey(key));
  } catch {
    throw new StartupError(`--key ${keyFile} is not a private key in PEM form.`);
  }
  if (!isItsKey) throw new StartupError(`--key ${keyFile} is not the key of --cert ${certFile}.`);
  if (Date.parse(certificate.validTo) <= now.getTime())
    throw new StartupError(
      `--cert ${certFile} ran out on ${certificate.validTo}. Renew it; no browser would trust it.`,
    );
  if (Date.parse(certificate.validFrom) > now.getTime())
    throw new StartupError(`--cert ${certFile} is valid from ${certificate.validFrom} only.`);
  return { cert, key };
}

/** The names and addresses that a certificate stands for. */
export const namesOn = ({ cert }: Identity): string[] =>
  (new X509Certificate(cert).subjectAltName ?? '')
    .split(', ')
    .map((one) => one.replace(/^(DNS|IP Address):/, '').toLowerCase())
    .filter(Boolean);
