import type { Conductor, Material } from './gauge';
import { materials } from './tables';

/**
 * Diameter of American wire gauge `awg` in millimetres.
 * Source: ASTM B258, d = 0.127 mm × 92^((36 − n)/39).
 */
function awgDiameterMm(awg: number): number {
  return 0.127 * 92 ** ((36 - awg) / 39);
}

/** Areas by gauge; a site asks for the same few gauges many thousand times. */
const areaByAwg = new Map<number, number>();

function awgAreaMm2(awg: number): number {
  const known = areaByAwg.get(awg);
  if (known !== undefined) return known;
  const area = (Math.PI / 4) * awgDiameterMm(awg) ** 2;
  areaByAwg.set(awg, area);
  return area;
}

/** Cross-section of a conductor in mm². */
export function conductorAreaMm2(conductor: Conductor): number {
  return 'awg' in conductor ? awgAreaMm2(conductor.awg) : conductor.areaMm2;
}

/**
 * How much more a conductor resists at `temperatureC` than at 20 °C.
 * Source: linear temperature coefficient, 1 + α(T − 20), α of the materials table.
 */
export function temperatureFactor(material: Material, temperatureC: number): number {
  return 1 + materials[material].perC * (temperatureC - 20);
}

/**
 * Resistance of one conductor from end to end, in ohms.
 * Source: R = ρ(T)·L/A. The area in mm² is 1e-6 of one in m².
 */
export function conductorOhms(conductor: Conductor, lengthM: number, temperatureC: number): number {
  const resistivity =
    materials[conductor.material].resistivity20C * temperatureFactor(conductor.material, temperatureC);
  return (resistivity * lengthM) / (conductorAreaMm2(conductor) * 1e-6);
}
