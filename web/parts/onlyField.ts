import type { InjectionKey, Ref } from 'vue';

/** Set where one field of a sheet is asked for alone: every other row of it stays away. */
export const onlyField: InjectionKey<Ref<string | null>> = Symbol('only field');
