import distance from 'damerau-levenshtein';

/** Spellings of conductor materials, longest first so that none is cut short by another. */
export const materialSpellings: readonly (readonly [RegExp, 'copper' | 'cca' | 'ccs'])[] = [
  [/^(?:COPPER|CU)[ -]*(?:CLAD|COVERED|COATED|CL\.?)[ -]*(?:ALUMINI?UM|ALUM|AL)\b\.?/, 'cca'],
  [/^(?:COPPER|CU)[ -]*(?:CLAD|COVERED|COATED|CL\.?)[ -]*STEEL\b/, 'ccs'],
  [/^CCA\b(?!-S\d)/, 'cca'],
  [/^CCS\b/, 'ccs'],
  [
    /^(?:(?:SOLID|SOL|PLAIN|TINNED|ANNEALED|BARE|STRANDED|STR|OXYGEN[ -]*FREE|PURE)[ ,-]+)*(?:COPPER|CU)\b/,
    'copper',
  ],
  [/^(?:SOLID[ -]+|SOL[ -]+|STR(?:ANDED)?[ -]+)?(?:S?BC|BCU|OFC|TC)\b/, 'copper'],
];

/** Fire ratings, as printed, with the spellings that mean them. */
export const fireRatings: readonly (readonly [RegExp, (match: string) => string])[] = [
  [/^CM(?:P|R|G|X|UC)?\b/, (match) => match],
  [/^CL[23](?:P|R|X)?\b/, (match) => match],
  [/^CATV[PRX]?\b/, (match) => match],
  [/^FT-?[146]\b/, (match) => match.replace('-', '')],
  [/^(?:LSZH|LSOH|LS0H|LSHF|LSNH|HFFR|LOW SMOKE(?:[ ,]*ZERO HALOGEN)?)\b/, () => 'LSZH'],
  [
    /^(?:B1|B2|[CDEF])CA(?:-S\d[AB]?)?(?:[ ,-]*D\d)?(?:[ ,-]*A\d)?\b(?=.*)/,
    (match) =>
      `${match.slice(0, match.indexOf('CA'))}ca${match.slice(match.indexOf('CA') + 2).toLowerCase()}`,
  ],
  [/^PLENUM\b/, () => 'plenum'],
  [/^RISER\b/, () => 'riser'],
];

/** Foil or braid around the pairs: F/UTP, U/FTP, S/FTP, STP. */
export const screens = /^(?:(?:SF|S|F)\/?[UFS]TP|U\/FTP|[FS]TP)\b/;

/** What stands on jackets and tells nothing about the construction. */
export const tellsNothing = [
  /^\(?(?:C\(?)?(?:UL|ETL|CSA)\)?(?:US)?\)?(?=[ ,;]|$)/,
  /^(?:UL )?LISTED\b/,
  /^VERIFIED\b/,
  /^TYPE\b/,
  /^ROHS\b/,
  /^CE\b/,
  /^(?:(?:ANSI|TIA|EIA)[ /-]*)*568(?:[-.A-D][-.A-D0-9]*)?(?![0-9])(?! ?(?:F(?:EET|OOT|T)?|M(?:ET(?:ER|RE)S?|TRS?|TS?)?)\b)/,
  /^OR\b/,
  /^ISO(?:[ /]*IEC)?[ /]*11801\b/,
  /^\d{2,3} ?(?:OHMS?|Ω|Ω)(?![A-Z])/,
  /^\d{2,4} ?V(?:OLTS?|AC|DC)?\b/,
  /^\d+(?:\.\d+)? ?[MG]HZ\b/,
  /^-?\d{2,3} ?(?:°|DEG(?:REES)?)? ?C\b(?! ?A)/,
  /^SUN(?:LIGHT)?[ -]*RES(?:ISTANT)?\b/,
  /^DIRECT BURIAL\b/,
  /^(?:IN|OUT)DOOR\b/,
  /^UV\b/,
  /^WATER[ -]*BLOCKED\b/,
  /^(?:QUAD|TRI|DUAL|DOUBLE|SINGLE)[ -]*SH(?:IE)?LD(?:ED)?\b/,
  /^SH(?:IE)?LD(?:ED)?\b/,
  /^U(?:\/U)?TP\b/,
  /^(?:(?:AL(?:UM(?:INI?UM)?)?|100 ?%) )*FOIL\b/,
  /^(?:F?PE|FHDPE|PVC|FEP|XLPE)\b/,
  /^JACKET(?:ED)?\b/,
  /^CABLES?\b/,
  /^COAX(?:IAL)?\b/,
  /^SIAMESE\b/,
  /^COMBO\b/,
  /^CCTV\b/,
  /^VIDEO\b/,
  /^POWER\b/,
  /^LAN\b/,
  /^ETHERNET\b/,
  /^SOL(?:ID)?\b/,
  /^STR(?:ANDED)?\b/,
  /^COND(?:UCTORS?)?\b/,
  /^CENT(?:RE|ER)\b/,
  /^DIELECTRIC\b/,
  /^AWG\b/,
  /^(?:AL|ALUM(?:INI?UM)?|COPPER|CU|BC|TC)? ?BRAID(?:ED)?\b/,
  /^COVERAGE\b/,
  /^PATCH\b/,
  /^HD\b/,
  /^\/U\b/,
] as const;

/** Words that a slip of the pen is mended to, where exactly one of them is near enough. */
const mendable = [
  'BRAID',
  'BRAIDED',
  'COPPER',
  'CATEGORY',
  'COVERAGE',
  'SHIELD',
  'SHIELDED',
  'SOLID',
  'STRANDED',
  'PLENUM',
  'RISER',
  'ALUMINUM',
  'ALUMINIUM',
  'STEEL',
  'COAXIAL',
  'SIAMESE',
  'PAIRS',
  'PAIR',
  'CONDUCTOR',
  'CONDUCTORS',
  'METERS',
  'METRES',
  'FEET',
  'CLAD',
  'COVERED',
  'BARE',
  'POWER',
  'VIDEO',
  'CABLE',
  'FOIL',
  'OUTDOOR',
  'INDOOR',
  'SUNLIGHT',
  'RESISTANT',
  'JACKET',
  'LISTED',
  'VERIFIED',
];

/** The word that was meant, if the letters are one slip from it (two in a long word); itself where none or several are. */
export function mended(word: string): string {
  if (word.length < 4 || !/^[A-Z]+$/.test(word) || mendable.includes(word)) return word;
  const slips = word.length >= 8 ? 2 : 1;
  const steps = mendable
    .map((known) => ({ known, steps: distance(word, known).steps }))
    .filter((one) => one.steps <= slips);
  const least = Math.min(...steps.map((one) => one.steps));
  const nearest = steps.filter((one) => one.steps === least);
  return nearest.length === 1 ? nearest[0]!.known : word;
}
