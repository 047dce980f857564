import type { Product, ProductKind } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** A figure of a product that a data sheet may say otherwise. */
export interface ProductFigure {
  key: string;
  says: string;
  unit: Unit;
  most: number;
  isWhole?: boolean;
}

const ports: ProductFigure[] = [
  { key: 'ports', says: 'Ports', unit: '', most: 96, isWhole: true },
  { key: 'watts', says: 'Watts of all ports', unit: 'W', most: 5000 },
  { key: 'uplinkMbps', says: 'Uplink', unit: 'Mb/s', most: 100_000 },
  { key: 'rackUnits', says: 'Rack units', unit: '', most: 12, isWhole: true },
];

/** The figures of each kind; kinds without any are told by their price alone. */
export const productFigures: Partial<Record<ProductKind, ProductFigure[]>> = {
  camera: [
    { key: 'megapixels', says: 'Megapixels', unit: 'MP', most: 64 },
    { key: 'watts', says: 'By itself', unit: 'W', most: 100 },
    { key: 'lampWatts', says: 'Lamps', unit: 'W', most: 60 },
    { key: 'heaterWatts', says: 'Heater', unit: 'W', most: 60 },
    { key: 'mbps', says: 'Stream', unit: 'Mb/s', most: 100 },
  ],
  converter: [{ key: 'ownWatts', says: 'Takes', unit: 'W', most: 20 }],
  'coax-unit': ports,
  'poe-switch': ports,
  radio: [
    { key: 'eirpDbm', says: 'EIRP, dBm', unit: '', most: 40 },
    { key: 'gainDbi', says: 'Gain, dBi', unit: '', most: 35 },
    { key: 'ownWatts', says: 'Takes', unit: 'W', most: 30 },
  ],
  'fibre-end': [
    { key: 'budgetDb', says: 'Budget', unit: 'dB', most: 60 },
    { key: 'mbps', says: 'Rate', unit: 'Mb/s', most: 100_000 },
    { key: 'ownWatts', says: 'Takes', unit: 'W', most: 30 },
  ],
};

export const hasFigures = ({ kind }: Product): boolean => kind in productFigures;
