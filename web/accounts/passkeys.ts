import {
  browserSupportsWebAuthn,
  startAuthentication,
  startRegistration,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';

/** Passkeys belong to a name; an address in figures has none. */
export const canUsePasskeys = (): boolean =>
  browserSupportsWebAuthn() && !/^[\d.]+$|:/.test(window.location.hostname);

type Made = { kind: 'made'; answer: Record<string, unknown> } | { kind: 'not-made'; why: string };

/** What a browser says where no passkey came of it: somebody changed his mind, or none fits. */
async function tried(make: () => Promise<object>): Promise<Made> {
  try {
    return { kind: 'made', answer: { ...(await make()) } };
  } catch (error) {
    const { name, message } = error as Error;
    return {
      kind: 'not-made',
      why:
        name === 'NotAllowedError'
          ? 'No passkey was used. Try again, or use a password.'
          : `The passkey could not be used (${message}).`,
    };
  }
}

export const makePasskey = (options: object): Promise<Made> =>
  tried(() => startRegistration({ optionsJSON: options as PublicKeyCredentialCreationOptionsJSON }));

export const signByPasskey = (options: object): Promise<Made> =>
  tried(() => startAuthentication({ optionsJSON: options as PublicKeyCredentialRequestOptionsJSON }));
