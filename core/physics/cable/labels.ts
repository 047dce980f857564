import { conductorAreaMm2 } from './conductorResistance';
import type { Conductor } from './gauge';
import { powerCable, signalCable } from './tables';

/** The nearest whole gauge to a cross-section. Source: ASTM B258, turned round. */
export function nearestAwg(areaMm2: number): number {
  const diameterMm = Math.sqrt((4 * areaMm2) / Math.PI);
  return Math.round(36 - 39 * (Math.log(diameterMm / 0.127) / Math.log(92)));
}

const inMm2 = (conductor: Conductor): string => `${conductorAreaMm2(conductor).toFixed(2)} mm²`;
const inAwg = (conductor: Conductor): string =>
  `${'awg' in conductor ? conductor.awg : nearestAwg(conductor.areaMm2)} AWG`;

/** A label that names its gauge the way its jacket does, with the other way behind it for those who think in that. */
function withGauge(label: string, conductor: Conductor, gauge: 'awg' | 'mm2'): string {
  const printed = /\d+ AWG|[\d.]+ mm[2²]/;
  return label.replace(printed, (spelt) => {
    const isAwg = spelt.endsWith('AWG');
    if (isAwg === (gauge === 'awg')) return spelt.replace('mm2', 'mm²');
    return isAwg ? inMm2(conductor) : inAwg(conductor);
  });
}

/** The construction's name, its gauge in AWG or mm². */
export function cableLabel(id: string, gauge: 'awg' | 'mm2'): string {
  const cable = signalCable(id);
  return withGauge(cable.label, cable.kind === 'coax' ? cable.centre : cable.conductor, gauge);
}

/** The name of power cores, their gauge in AWG or mm². */
export function powerCableLabel(id: string, gauge: 'awg' | 'mm2'): string {
  const cable = powerCable(id);
  return withGauge(cable.label, cable.conductor, gauge);
}
