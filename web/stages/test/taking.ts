import { useLocalStorage } from '@vueuse/core';
import { ref } from 'vue';
import { testDefinition } from '#core/findings';
import { takeReading, type Found, type Run } from '#core/site';
import { useSite } from '../../stores/site';

export interface TakenWith { instrument: string; serial?: string; temperatureC?: number }

/** What a person holds, kept from one visit to the next. Shared by all views of the stage. */
const instrument = useLocalStorage('neotrope-instrument', 'Bench meter 1');
const serial = useLocalStorage('neotrope-instrument-serial', '');
const conditions = useLocalStorage('neotrope-conditions', '');
const problem = ref('');

/** Takes readings of a run: with what, by whom and under which conditions is filled in. */
export function useTaking() {
  const store = useSite();
  const person = () => store.person.trim() || 'Surveyor';

  function take(run: Run, cameraNumber: number, found: Found, withWhat?: TakenWith): boolean {
    const own = serial.value.trim();
    const change = takeReading(run, found, {
      by: person(), ...(withWhat ?? { instrument: instrument.value, ...(own ? { serial: own } : {}) }), ...(conditions.value.trim() ? { conditions: conditions.value.trim() } : {}),
      at: new Date().toISOString(), mark: crypto.randomUUID().slice(0, 8),
    });
    const refused = store.change(`Read ${testDefinition(found.test).label}, run ${cameraNumber}`, [change]);
    problem.value = refused[0] ? `${refused[0].path}: ${refused[0].allowed}` : '';
    return refused.length === 0;
  }
  return { take, person, instrument, serial, conditions, problem };
}
