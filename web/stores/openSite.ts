import { computed, type ComputedRef } from 'vue';
import type { SiteSummary } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { useEvaluation } from './evaluation';
import { useSite } from './site';

/** What there is now; to what is on its way out when it goes, what there was last. */
function present<T>(now: () => T | null, what: string): ComputedRef<T> {
  let last: T | null = null;
  return computed(() => {
    last = now() ?? last;
    if (last === null) throw new Error(`${what} is asked for, and there is none`);
    return last;
  });
}

/** The site that is open, for what is shown only while one is. */
export function useOpenSite(): ComputedRef<Site> {
  const store = useSite();
  return present(() => store.site, 'the open site');
}

/** What was made of the open site, for what is shown only once that is known. */
export function useOpenEvaluation(): ComputedRef<SiteSummary> {
  const evaluation = useEvaluation();
  return present(() => evaluation.result, 'the evaluation of the open site');
}
