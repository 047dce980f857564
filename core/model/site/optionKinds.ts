/** What is known of a kind of option before anything is worked out for a camera. */
export interface OptionKindRow {
  label: string;
  /** At the head of its column. */
  column: string;
  /** What the camera asks of a recorder slot. */
  slot: 'coax' | 'ip' | 'none';
  /** The cable that it goes on using, or that no old cable is needed any more. */
  cable: 'any' | 'coax' | 'category' | 'none';
  /** Whether today's camera stays. */
  keepsCamera: boolean;
  /** Whether its power stays as it is, wherever it comes from. */
  keepsPower: boolean;
  /** What stands at the head end, in a word. */
  headEnd: string;
}

/** Every kind of option, in the order in which they are always shown. Types, schemas, words and what a plan weighs come from this table. */
export const optionTable = {
  keep: {
    label: 'Keep the camera on its cable',
    column: 'Keep',
    slot: 'coax',
    cable: 'any',
    keepsCamera: true,
    keepsPower: true,
    headEnd: 'input',
  },
  'power-fix': {
    label: 'Keep the camera, mend its power',
    column: 'Power',
    slot: 'coax',
    cable: 'any',
    keepsCamera: true,
    keepsPower: false,
    headEnd: 'input',
  },
  'mend-line': {
    label: 'Keep the camera, mend its line',
    column: 'Mend',
    slot: 'coax',
    cable: 'any',
    keepsCamera: true,
    keepsPower: true,
    headEnd: 'input',
  },
  'hd-coax': {
    label: 'New HD camera on the same coax',
    column: 'HD',
    slot: 'coax',
    cable: 'coax',
    keepsCamera: false,
    keepsPower: true,
    headEnd: 'input',
  },
  'ip-coax-pair': {
    label: 'IP over coax, converter pair',
    column: 'IP pair',
    slot: 'ip',
    cable: 'coax',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'converter',
  },
  'ip-coax-unit': {
    label: 'IP over coax, multi-port unit',
    column: 'IP unit',
    slot: 'ip',
    cable: 'coax',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'unit port',
  },
  baluns: {
    label: 'New HD camera through baluns',
    column: 'Baluns',
    slot: 'coax',
    cable: 'any',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'balun',
  },
  'ip-category': {
    label: 'IP on the category cable there',
    column: 'IP Cat',
    slot: 'ip',
    cable: 'category',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'PoE port',
  },
  'new-category': {
    label: 'New category cable',
    column: 'New Cat',
    slot: 'ip',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'PoE port',
  },
  'field-switch': {
    label: 'Field switch on one new cable',
    column: 'Field',
    slot: 'ip',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'switch port',
  },
  fibre: {
    label: 'Fibre and a supply at the camera',
    column: 'Fibre',
    slot: 'ip',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'light',
  },
  wireless: {
    label: 'Wireless bridge',
    column: 'Radio',
    slot: 'ip',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'radio',
  },
  'field-coax': {
    label: 'Field switch on one old coax',
    column: 'Trunk',
    slot: 'ip',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'converter',
  },
  'long-reach': {
    label: 'IP on the category cable, long-reach port',
    column: 'Reach',
    slot: 'ip',
    cable: 'category',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'long port',
  },
  encode: {
    label: 'Keep the camera, encode its picture',
    column: 'Enc.',
    slot: 'ip',
    cable: 'any',
    keepsCamera: true,
    keepsPower: true,
    headEnd: 'encoder input',
  },
  'shared-view': {
    label: 'One wide camera for two views',
    column: 'Wide',
    slot: 'none',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'free',
  },
  retire: {
    label: 'Retire the camera',
    column: 'Retire',
    slot: 'none',
    cable: 'none',
    keepsCamera: false,
    keepsPower: false,
    headEnd: 'free',
  },
} as const satisfies Record<string, OptionKindRow>;

export type OptionKind = keyof typeof optionTable;
export const optionKinds = Object.keys(optionTable) as OptionKind[];
/** Whether a camera of its own is left on the view; without one its run is free. */
export const hasOwnCamera = (kind: OptionKind): boolean => optionTable[kind].slot !== 'none';
/** Whether somebody goes on seeing the view, by a camera of its own or another's. */
export const keepsView = (kind: OptionKind): boolean => kind !== 'retire';
export const optionRow = (kind: OptionKind): OptionKindRow => optionTable[kind];
