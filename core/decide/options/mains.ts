/** Said wherever something new hangs on the mains. */
export const mains = 'Mains work and fixed wiring: a licensed person, by local code.';
