import { X509Certificate } from 'node:crypto';
import { isIP } from 'node:net';
import { StartupError } from '../startupError';
import { givenIdentity, namesOn } from './givenIdentity';
import { ownIdentity, type Identity } from './ownAuthority';
import { inAddress, ownNames } from './ownNames';

/** How the server is to be reached, as it is asked for on the command line. */
export interface ReachOptions {
  /** On the local network, under a certificate of the server's own authority. */
  share?: boolean;
  /** The address to listen on. */
  host?: string;
  cert?: string;
  key?: string;
  /** Whether a proxy stands before it, whose word on addresses and on HTTPS is taken. */
  trustProxy?: boolean;
  /** The name that it is reached by, beside those on its certificate. */
  name?: string;
}

/** How the server is reached. */
export interface Reach {
  host: string;
  /** Whether anybody but this machine reaches it: then everybody signs in. */
  isShared: boolean;
  trustProxy: boolean;
  /** The names that it answers under. */
  names: readonly string[];
  identity: Identity | null;
  authority: { certificate: string; fingerprint: string } | null;
  /** The certificate as it ought to be by now; `null` where nothing is to be renewed. */
  renewed: (now: Date) => Promise<Identity | null>;
}

const loopback = ['localhost', '127.0.0.1', '::1'];
const isLoopback = (host: string): boolean => host === 'localhost' || /^127\./.test(host) || host === '::1';

const refuse = (why: string): never => {
  throw new StartupError(why);
};

function checkOptions({ share, host, cert, key, trustProxy, name }: ReachOptions): void {
  if ((cert === undefined) !== (key === undefined)) refuse('--cert and --key go together.');
  if (share && (cert !== undefined || trustProxy))
    refuse('--share makes a certificate of its own; leave --cert, --key and --trust-proxy out.');
  if (host !== undefined && isIP(host) === 0 && host !== 'localhost')
    refuse(
      `--host is ${JSON.stringify(host)}, allowed: an address of this machine in figures, such as 192.168.1.20.`,
    );
  if (trustProxy && name === undefined)
    refuse('--trust-proxy needs --name: the name that the proxy is reached by.');
  if (host !== undefined && !isLoopback(host) && !share && cert === undefined)
    refuse(
      `Without HTTPS only this machine is served. Start with --share, or give --cert and --key with --host ${host}.`,
    );
}

/** What is asked for, made ready. Throws a StartupError where it would leave the server open to others without HTTPS. */
export async function reachOf(options: ReachOptions, dataDir: string, now: Date): Promise<Reach> {
  checkOptions(options);
  const { share = false, cert, key, trustProxy = false, name } = options;
  const host = options.host ?? (share ? '0.0.0.0' : '127.0.0.1');
  const named = name === undefined ? [] : [name.toLowerCase()];
  const base = { host, trustProxy, authority: null, renewed: () => Promise.resolve(null) };
  if (share) {
    const names = () => [...new Set([...named, ...ownNames(), ...loopback])];
    const { server, authority } = await ownIdentity(dataDir, names(), now);
    let current = server.cert;
    return {
      ...base,
      isShared: true,
      names: names(),
      identity: server,
      authority: { certificate: authority, fingerprint: new X509Certificate(authority).fingerprint256 },
      renewed: async (then) => {
        const next = (await ownIdentity(dataDir, names(), then)).server;
        if (next.cert === current) return null;
        current = next.cert;
        return next;
      },
    };
  }
  if (cert !== undefined && key !== undefined) {
    const identity = givenIdentity(cert, key, now);
    return { ...base, isShared: true, identity, names: [...named, ...namesOn(identity), ...loopback] };
  }
  return { ...base, isShared: trustProxy, identity: null, names: [...named, ...loopback] };
}

/** The addresses that pages of the server are opened by from other machines. */
export function addressesOf({ names, identity, trustProxy }: Reach, port: number): string[] {
  if (!identity && !trustProxy) return [];
  const outside = names.filter((name) => !isLoopback(name) && !name.startsWith('*'));
  if (trustProxy) return outside.map((name) => `https://${inAddress(name)}`);
  return outside.map((name) => `https://${inAddress(name)}:${port}`);
}
