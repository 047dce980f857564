/** Where the stand-ins of the demo listen, once they do. */
export interface DemoDevices {
  tester: Promise<string | null>;
  /** By the recorder's id. */
  recorders: Promise<Record<string, string>>;
  switch: Promise<string | null>;
  converter: Promise<string | null>;
}

export const noDevices: DemoDevices = {
  tester: Promise.resolve(null),
  recorders: Promise.resolve({}),
  switch: Promise.resolve(null),
  converter: Promise.resolve(null),
};
