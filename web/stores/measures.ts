import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { coaxCables, cableLabel, pairCables, powerCableLabel, powerCables } from '#core/physics/cable';
import { placeFor, quantityFor, shownUnit, type Measures, type Unit } from '#core/shared/units';

/** Metres or feet, AWG or mm²: how the person at this machine likes figures shown. */
export const useMeasures = defineStore('measures', () => {
  const measures = useLocalStorage<Measures>('neotrope-measures', { length: 'm', gauge: 'awg' });
  const quantity = (value: number | null, unit: Unit): string => quantityFor(value, unit, measures.value);
  const place = (atM: number, spreadM: number): string => placeFor(atM, spreadM, measures.value);
  const unitWord = (unit: Unit): string => shownUnit(unit, measures.value);
  const cables = computed(() =>
    [...coaxCables, ...pairCables].map(({ id }) => ({
      value: id,
      label: cableLabel(id, measures.value.gauge),
    })),
  );
  const powerCableChoices = computed(() =>
    powerCables.map(({ id }) => ({ value: id, label: powerCableLabel(id, measures.value.gauge) })),
  );
  return { cables, powerCables: powerCableChoices, measures, quantity, place, unitWord };
});
