/** Why a device did not do what was asked, in words for a person. */
export class DeviceError extends Error {
  constructor(
    readonly kind: 'unreachable' | 'garbage' | 'refused',
    message: string,
  ) {
    super(message);
  }
}
