/** Why the server cannot start, in one line for the person who started it. */
export class StartupError extends Error {}
