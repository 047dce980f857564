/** Why an instrument gave nothing, in words for whoever holds its leads. */
export class InstrumentError extends Error {
  constructor(
    readonly kind: 'unreachable' | 'slow' | 'dropped' | 'garbage' | 'refused',
    message: string,
  ) {
    super(message);
  }
}
