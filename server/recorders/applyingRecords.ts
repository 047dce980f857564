import { applyingSchema, type Applying } from '#core/allocate/device';

/** A recorder of a site. */
export interface RecorderId {
  siteId: string;
  recorderId: string;
}

/** A recorder that is kept for somebody, until he lets it go. */
export interface Hold {
  /** Whether somebody asked him to stop. */
  isStopped: () => boolean;
  letGo: () => Promise<void>;
}

/** Keeps what is under way with each recorder, written whole or not at all. */
export interface ApplyingRecords {
  /** `damaged` where there is a record that says nothing anybody could go on from. */
  read: (of: RecorderId) => Promise<Applying | 'damaged' | null>;
  write: (applying: Applying) => Promise<void>;
  /** Takes a record away; a damaged one is set aside, since it may be all that tells what happened. */
  forget: (of: RecorderId) => Promise<void>;
  /** Takes away whatever is kept of a site that was deleted for good. */
  forgetSite: (siteId: string) => Promise<void>;
  /** Keeps a recorder, and whatever is at its address; `null` where somebody is at either. */
  hold: (of: RecorderId, address: string) => Promise<Hold | null>;
  isHeld: (of: RecorderId) => Promise<boolean>;
  /** Asks whoever is at a recorder to stop after the step that he is at. */
  askToStop: (of: RecorderId) => Promise<void>;
}

/** Records of a version before called the inputs that are IP `turned`. */
function underTodaysName(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('turned' in value)) return value;
  const { turned, ...rest } = value;
  return { ...rest, ipInputs: turned };
}

/** What was written; `damaged` where it is cut off, or not what was ever written. */
export function readRecord(text: string): Applying | 'damaged' {
  try {
    return applyingSchema.parse(JSON.parse(text, underTodaysName));
  } catch {
    return 'damaged';
  }
}

/** What is under way or was last, told apart from what only looks as if it were because the server was ended meanwhile. */
export async function currentJob(
  records: ApplyingRecords,
  of: RecorderId,
): Promise<Applying | 'damaged' | null> {
  // Whoever lets go has written how it ended before.
  const isHeld = await records.isHeld(of);
  const kept = await records.read(of);
  if (kept === 'damaged' || kept?.state !== 'running' || isHeld) return kept;
  return {
    ...kept,
    state: 'broken-off',
    why: 'Neotrope was ended in the middle. Nothing is lost: go on, or go back.',
  };
}
