import type { PortCounters } from '#core/connect/switchReport';
import { soakOf, type SoakFound } from './soakOf';

/** A soak from what a device counted of a port or a link; `hourOf` is the hour of the day at a moment, where the site is. */
export const soakFromCounters = ({ samples }: PortCounters, hourOf: (atMs: number) => number): SoakFound =>
  soakOf(
    samples.map(({ at, ...counted }) => ({ atMs: Date.parse(at), ...counted })),
    hourOf,
  );
