import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { coaxCables, cableLabel, pairCables, powerCableLabel, powerCables } from '#core/physics/cable';
import {
  lengthsInWords,
  placeFor,
  quantityFor,
  shownUnit,
  type Measures,
  type Unit,
} from '#core/shared/units';

/** Metres or feet, AWG or mm²: how the person at this machine likes figures shown. */
export const useMeasures = defineStore('measures', () => {
  const measures = useLocalStorage<Measures>('neotrope-measures', { length: 'm', gauge: 'awg' });
  const quantity = (value: number | null, unit: Unit): string => quantityFor(value, unit, measures.value);
  const place = (atM: number, spreadM: number): string => placeFor(atM, spreadM, measures.value);
  const unitWord = (unit: Unit): string => shownUnit(unit, measures.value);
  /** What a thread tells as JSON, its sentences in the person's own lengths; facts that go into edits never come this way. */
  const read = <T>(json: string): T => JSON.parse(lengthsInWords(json, measures.value)) as T;
  /** A sentence in the person’s own lengths. */
  const words = (text: string): string => lengthsInWords(text, measures.value);
  /** The same of plain data. */
  const told = <T>(data: T): T =>
    measures.value.length === 'm' || data === null || data === undefined
      ? data
      : read<T>(JSON.stringify(data));
  const cables = computed(() =>
    [...coaxCables, ...pairCables].map(({ id }) => ({
      value: id,
      label: cableLabel(id, measures.value.gauge),
    })),
  );
  const powerCableChoices = computed(() =>
    powerCables.map(({ id }) => ({ value: id, label: powerCableLabel(id, measures.value.gauge) })),
  );
  return { cables, powerCables: powerCableChoices, measures, quantity, place, unitWord, read, told, words };
});
