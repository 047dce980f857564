import { symptomWords, testDefinition, type Reading } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';

/** What a reading found, as it is written in a log. */
export function readingWords(reading: Reading): string {
  switch (reading.test) {
    case 'continuity':
    case 'wire-map':
      return reading.found;
    case 'camera-at-head-end':
    case 'camera-on-local-supply':
      return reading.found;
    case 'picture': {
      const seen =
        reading.symptoms.map((symptom) => symptomWords[symptom].label.toLowerCase()).join(', ') || 'clean';
      return reading.ghostUs === undefined ? seen : `${seen}, ghost ${reading.ghostUs} µs to the right`;
    }
    case 'link':
      return `${formatQuantity(reading.throughputMbps, 'Mb/s')} of ${formatQuantity(reading.rateMbps, 'Mb/s')}, ${formatQuantity(reading.lostPercent, '%', 1)} lost`;
    case 'reflectometer':
      return `${reading.trace.counts.length} samples, ${reading.trace.stepNs} ns`;
    default:
      return formatQuantity(reading.value, testDefinition(reading.test).asks.unit);
  }
}
