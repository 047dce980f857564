import { allocationSettingsId } from './allocationSettings';

/** What is read from a file or a log before anybody has held it against a schema. */
type Loose = Record<string, unknown>;
const isLoose = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What version 1 called kinds of facts, lists of a file, and fields. */
const kindNames = new Map([
  ['slotting', 'allocationSettings'],
  ['joining', 'networkConfig'],
  ['planned', 'savedPlan'],
]);
const listNames = new Map([
  ['slotting', 'allocationSettings'],
  ['joinings', 'networkConfigs'],
]);
const recorderFields = new Map([['turned', 'ipInputs']]);
const entryFields = new Map([['nature', 'operation']]);

const renamed = (object: Loose, names: ReadonlyMap<string, string>): Loose =>
  Object.fromEntries(Object.entries(object).map(([key, value]) => [names.get(key) ?? key, value]));

function withRules(fact: Loose): Loose {
  const { rules } = fact;
  return isLoose(rules) && rules['kind'] === 'from-the-tail'
    ? { ...fact, rules: { ...rules, kind: 'highest-first' } }
    : fact;
}

/** A fact of version 1 as it is written today. What is no fact stays what it is, for a schema to refuse. */
function upgradeFact(kind: string, fact: unknown): unknown {
  if (!isLoose(fact)) return fact;
  switch (kind) {
    case 'recorder':
      return withRules(renamed(fact, recorderFields));
    case 'product':
      return withRules(fact);
    case 'allocationSettings':
      return { ...fact, id: allocationSettingsId };
    default:
      return fact;
  }
}

const upgradeKind = (kind: string): string => kindNames.get(kind) ?? kind;
/** There is one record of what is wanted of slots, named for its kind. */
const upgradeId = (kind: string, id: string): string =>
  kind === 'allocationSettings' ? allocationSettingsId : id;

/** A fact of version 1 as a database keeps it: its kind, its id, and what it holds. */
export function upgradeStoredFact(stored: { kind: string; id: string; fact: unknown }): typeof stored {
  const kind = upgradeKind(stored.kind);
  return { kind, id: upgradeId(kind, stored.id), fact: upgradeFact(kind, stored.fact) };
}

function upgradeChange(change: unknown): unknown {
  if (!isLoose(change) || typeof change['kind'] !== 'string') return change;
  const kind = upgradeKind(change['kind']);
  const id = typeof change['id'] === 'string' ? upgradeId(kind, change['id']) : change['id'];
  const named = { ...change, kind, id };
  return 'set' in change ? { ...named, set: upgradeFact(kind, change['set']) } : named;
}

const upgradeList = (list: unknown, upgrade: (one: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(upgrade) : list;

/** An entry of a log of version 1 as it is written today. */
export function upgradeEntry(entry: unknown): unknown {
  if (!isLoose(entry)) return entry;
  return {
    ...renamed(entry, entryFields),
    changes: upgradeList(entry['changes'], upgradeChange),
    inverse: upgradeList(entry['inverse'], upgradeChange),
  };
}

/** A site file of version 1 as it is written today. */
export function upgradeFile(file: Loose): Loose {
  const lists = renamed(file, listNames);
  const upgraded: Loose = { ...lists, version: 2 };
  for (const [list, kind] of [
    ['recorders', 'recorder'],
    ['products', 'product'],
    ['allocationSettings', 'allocationSettings'],
  ] as const)
    if (list in lists) upgraded[list] = upgradeList(lists[list], (fact) => upgradeFact(kind, fact));
  return upgraded;
}
