import type { Product, ProductKind } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** A figure of a product that a data sheet may say otherwise. */
export interface ProductFigure {
  key: string;
  label: string;
  unit: Unit;
  most: number;
  isWhole?: boolean;
  /** It may be left empty. */
  isOptional?: boolean;
}

const ports: ProductFigure[] = [
  { key: 'ports', label: 'Ports', unit: '', most: 96, isWhole: true },
  { key: 'watts', label: 'Watts of all ports', unit: 'W', most: 5000 },
  { key: 'portWatts', label: 'Watts of one port', unit: 'W', most: 100, isOptional: true },
  { key: 'uplinkMbps', label: 'Uplink', unit: 'Mb/s', most: 100_000 },
  { key: 'rackUnits', label: 'Rack units', unit: '', most: 12, isWhole: true },
];

/** The figures of each kind; kinds without any are told by their price alone. */
export const productFigures: Partial<Record<ProductKind, ProductFigure[]>> = {
  camera: [
    { key: 'megapixels', label: 'Megapixels', unit: 'MP', most: 64 },
    { key: 'watts', label: 'By itself', unit: 'W', most: 100 },
    { key: 'lampWatts', label: 'Lamps', unit: 'W', most: 60 },
    { key: 'heaterWatts', label: 'Heater', unit: 'W', most: 60 },
    { key: 'startUpWatts', label: 'At start-up', unit: 'W', most: 200, isOptional: true },
    { key: 'mbps', label: 'Stream', unit: 'Mb/s', most: 100 },
    { key: 'widestDegrees', label: 'Widest view', unit: '°', most: 170, isOptional: true },
  ],
  converter: [{ key: 'ownWatts', label: 'Takes', unit: 'W', most: 20 }],
  'coax-unit': ports,
  'poe-switch': ports,
  'long-reach-switch': [
    ...ports,
    { key: 'reachM', label: 'Reach', unit: 'm', most: 2000 },
    { key: 'reachMbps', label: 'Rate at its reach', unit: 'Mb/s', most: 1000 },
  ],
  encoder: [
    { key: 'ports', label: 'Inputs', unit: '', most: 96, isWhole: true },
    { key: 'uplinkMbps', label: 'Uplink', unit: 'Mb/s', most: 100_000 },
    { key: 'rackUnits', label: 'Rack units', unit: '', most: 12, isWhole: true },
    { key: 'ownWatts', label: 'Takes', unit: 'W', most: 200 },
  ],
  radio: [
    { key: 'eirpDbm', label: 'EIRP, dBm', unit: '', most: 40 },
    { key: 'gainDbi', label: 'Gain, dBi', unit: '', most: 35 },
    { key: 'ownWatts', label: 'Takes', unit: 'W', most: 30 },
  ],
  'fibre-end': [
    { key: 'budgetDb', label: 'Budget', unit: 'dB', most: 60 },
    { key: 'leastLossDb', label: 'Least loss', unit: 'dB', most: 40, isOptional: true },
    { key: 'mbps', label: 'Rate', unit: 'Mb/s', most: 100_000 },
    { key: 'ownWatts', label: 'Takes', unit: 'W', most: 30 },
  ],
  work: [
    { key: 'minutes', label: 'Usual time', unit: 'min', most: 6000 },
    { key: 'people', label: 'People', unit: '', most: 6, isWhole: true },
    { key: 'rollBackMinutes', label: 'Taken back in', unit: 'min', most: 600 },
    { key: 'days', label: 'Holds after', unit: 'd', most: 365, isWhole: true },
  ],
};

export const hasFigures = ({ kind }: Product): boolean => kind in productFigures;
