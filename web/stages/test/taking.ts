import { useLocalStorage } from '@vueuse/core';
import { computed, reactive, ref, watch } from 'vue';
import { looksForVolts } from '#core/test/findings';
import { takeReading, type Found, type Run, testDefinition } from '#core/model/site';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';

export interface TakenWith {
  instrument: string;
  serial?: string;
}

/** What a person holds, kept from one visit to the next. Shared by all views of the stage. */
const instrument = useLocalStorage('neotrope-instrument', 'Bench meter 1');
const serial = useLocalStorage('neotrope-instrument-serial', '');
const conditions = useLocalStorage('neotrope-conditions', '');
/** Said anew for each instrument: what proved one meter proves no other. */
const meterProved = ref(false);
watch(instrument, () => (meterProved.value = false));
/** Of the cable, for loops: copper reads 4 % more for every ten degrees. */
const cableC = ref<number | null>(null);
/** Why the last reading of a run was not taken, by run: another run is not blamed for it. */
const problems = reactive<Record<string, string>>({});

const dependsOnWarmth = ({ test }: Found): boolean => test === 'coax-loop-ohms' || test === 'power-loop-ohms';

/** Takes readings of a run: with what, by whom and under which conditions is filled in. */
export function useTaking() {
  const store = useSite();
  const selection = useSelection();
  const problem = computed(() => problems[selection.runId ?? ''] ?? '');
  const surveyor = () => store.signedBy('Surveyor');

  function take(run: Run, cameraNumber: number, found: Found, withWhat?: TakenWith): boolean {
    const own = serial.value.trim();
    const change = takeReading(run, found, {
      by: surveyor(),
      ...(withWhat ?? { instrument: instrument.value, ...(own ? { serial: own } : {}) }),
      ...(conditions.value.trim() ? { conditions: conditions.value.trim() } : {}),
      ...(dependsOnWarmth(found) && cableC.value !== null ? { temperatureC: cableC.value } : {}),
      ...(looksForVolts(found.test) ? { meterProved: meterProved.value } : {}),
      at: new Date().toISOString(),
      mark: crypto.randomUUID().slice(0, 8),
    });
    const refused = store.change(`Read ${testDefinition(found.test).label}, run ${cameraNumber}`, [change]);
    problems[run.id] = refused[0] ? `${refused[0].path}: ${refused[0].allowed}` : '';
    return refused.length === 0;
  }
  return { take, surveyor, instrument, serial, conditions, cableC, meterProved, problem };
}
