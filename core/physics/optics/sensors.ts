/**
 * Widths of the light-sensitive area by the customary name of the sensor size, in millimetres, picture 4:3 or 16:9 as the
 * size is usually built. Typical published figures; makers differ by some per cent.
 */
export const sensors = {
  '1/4': { label: '1/4 inch', widthMm: 3.6 },
  '1/3': { label: '1/3 inch', widthMm: 4.8 },
  '1/2.8': { label: '1/2.8 inch', widthMm: 5.3 },
  '1/2.5': { label: '1/2.5 inch', widthMm: 5.8 },
  '1/2': { label: '1/2 inch', widthMm: 6.4 },
  '1/1.8': { label: '1/1.8 inch', widthMm: 7.2 },
  '2/3': { label: '2/3 inch', widthMm: 8.8 },
} as const;
export type SensorId = keyof typeof sensors;
export const sensorIds = Object.keys(sensors) as [SensorId, ...SensorId[]];
