import { gateIdOf, type GateName, type GateRecord, type Site } from '#core/model/site';
import { gateDefinitions } from './gateDefinitions';

/** A gate of a night: what was said there, and what was not so. */
export interface GateState {
  gate: GateName;
  record: GateRecord | null;
  /** Ids of checks that nobody found to be so. */
  open: string[];
}

/** What was said at a gate of a night. */
export function gateStateOf(
  { gateRecord }: Pick<Site, 'gateRecord'>,
  night: string,
  gate: GateName,
): GateState {
  const record = gateRecord[gateIdOf(night, gate)] ?? null;
  return {
    gate,
    record,
    open: gateDefinitions[gate].checks.map(({ id }) => id).filter((id) => !record?.checked.includes(id)),
  };
}
