/** Something that is demanded of nights, and of which one has to go where they cannot all be. */
export type NightDemand =
  /** A job is promised for its night, or held to some of the nights. */
  | { kind: 'pinned' | 'allowed'; job: string }
  /** People do so much in a night; those with a skill, where one is named. */
  | { kind: 'crew'; skill: string | null }
  /** A thing restarts once a night at most. */
  | { kind: 'restart'; of: string }
  /** These jobs were found to be too much for one night. */
  | { kind: 'cut'; jobs: readonly string[] }
  /** What feeds cameras carries no more than it can in a morning between. */
  | { kind: 'morning'; of: string };

/** Demands under the names that the rows of a programme have for them. */
export class NightDemands {
  private readonly byName = new Map<string, NightDemand>();

  /** The name of a demand, the same for the same one. */
  readonly named = (demand: NightDemand): string => {
    const name = Object.values(demand).flat().join(' ');
    this.byName.set(name, demand);
    return name;
  };

  /** The demands behind names. */
  readonly of = (names: readonly string[]): NightDemand[] =>
    names.flatMap((name) => this.byName.get(name) ?? []);
}
