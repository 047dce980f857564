/** What of the package is used; it has no types of its own. */
declare module 'heic-decode' {
  interface Pixels {
    width: number;
    height: number;
    data: Uint8ClampedArray;
  }
  interface Image {
    width: number;
    height: number;
    decode: () => Promise<Pixels>;
  }
  const decode: {
    all: (from: { buffer: Uint8Array }) => Promise<Image[] & { dispose: () => void }>;
  };
  export default decode;
}
