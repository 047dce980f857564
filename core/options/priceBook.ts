import type { TargetClassId } from '#core/site';

export const items = [
  'ip-fixed-2mp', 'ip-fixed-4mp', 'ip-fixed-8mp', 'ip-turning-4mp', 'hd-fixed-2mp', 'hd-fixed-4mp', 'hd-fixed-8mp', 'hd-turning-4mp',
  'coax-converter', 'coax-unit-8', 'coax-unit-16', 'balun', 'poe-switch-8', 'poe-switch-24', 'category-cable-m', 'category-ends', 'lift-half-day',
] as const;
export type Item = (typeof items)[number];

/** Invented prices in the site's currency, and the labour rate for an hour of one person. */
export const prices: Record<Item, { label: string; each: number }> = {
  'ip-fixed-2mp': { label: 'IP camera, fixed, 2 MP', each: 140 },
  'ip-fixed-4mp': { label: 'IP camera, fixed, 4 MP', each: 190 },
  'ip-fixed-8mp': { label: 'IP camera, fixed, 8 MP', each: 290 },
  'ip-turning-4mp': { label: 'IP camera, turning, 4 MP', each: 980 },
  'hd-fixed-2mp': { label: 'HD-over-coax camera, fixed, 2 MP', each: 75 },
  'hd-fixed-4mp': { label: 'HD-over-coax camera, fixed, 4 MP', each: 110 },
  'hd-fixed-8mp': { label: 'HD-over-coax camera, fixed, 8 MP', each: 160 },
  'hd-turning-4mp': { label: 'HD-over-coax camera, turning, 4 MP', each: 620 },
  'coax-converter': { label: 'Ethernet-over-coax converter', each: 95 },
  'coax-unit-8': { label: 'Ethernet-over-coax head-end unit, 8 ports', each: 520 },
  'coax-unit-16': { label: 'Ethernet-over-coax head-end unit, 16 ports', each: 880 },
  balun: { label: 'HD balun', each: 18 },
  'poe-switch-8': { label: 'PoE switch, 8 ports, 120 W', each: 210 },
  'poe-switch-24': { label: 'PoE switch, 24 ports, 370 W', each: 540 },
  'category-cable-m': { label: 'Cat 6 cable in containment, per metre', each: 6 },
  'category-ends': { label: 'Outlet, patch lead, test and label', each: 32 },
  'lift-half-day': { label: 'Lift hire, half a day', each: 130 },
};
export const labourPerHour = 48;

/** Hours of one person, and of them the hours in which the view is dark. */
export interface Labour { hours: number; darkHours: number }

export const labour = {
  swapHdCamera: { hours: 1.2, darkHours: 0.6 },
  swapIpCamera: { hours: 1.5, darkHours: 0.8 },
  fitConverterPair: { hours: 0.8, darkHours: 0.4 },
  fitConverterToUnit: { hours: 0.5, darkHours: 0.3 },
  fitBaluns: { hours: 0.5, darkHours: 0.3 },
  preparePairEnds: { hours: 0.6, darkHours: 0.4 },
  pullCategoryStart: { hours: 1.5, darkHours: 0 },
  pullCategoryPerM: { hours: 0.07, darkHours: 0 },
  ladder: { hours: 0.3, darkHours: 0 },
  liftOrRope: { hours: 0.8, darkHours: 0.2 },
} as const satisfies Record<string, Labour>;

export function ipCameraItem(target: TargetClassId): Item {
  return `ip-${target}`;
}
export function hdCameraItem(target: TargetClassId): Item {
  return `hd-${target}`;
}
