import type { Device } from '#core/connect/topology';
import type { HookUpLine, Span, Station } from './types';

/** A lead between two things that stand side by side. */
export const patch = (label = 'patch lead'): Span => ({
  label,
  cores: 'all four pairs, straight',
  lengthM: 0,
  look: 'patch',
});
export const straight =
  'Both ends of every category cable are terminated in the same order (T568A or T568B, as the site has it); the tester shows 1 to 8 straight through.';
export const poeWords = 'Power over Ethernet settles its own polarity; nothing else is to feed the camera.';

/** A port of the gear that a camera hangs on, or is to hang on. */
export const portStation = (
  device: Device | undefined,
  watts: number,
  terminal: string,
  port: 'a free port' | 'its port' = 'a free port',
): Station => ({
  name: device?.name ?? 'Switch, not chosen yet',
  where: `${port}${device?.kind === 'recorder' ? ' of its own' : ''}${watts > 0 ? ` that gives ${Math.ceil(watts)} W` : ''}`,
  terminals: [terminal],
});

/** Stations and spans put one behind the other. */
export function chain(
  carries: HookUpLine['carries'],
  first: Station,
  ...rest: readonly (readonly [Span, Station])[]
): HookUpLine {
  return {
    carries,
    stations: [first, ...rest.map(([, station]) => station)],
    spans: rest.map(([span]) => span),
  };
}
