import type { Assumable, AssumableOfSegment, Run, Site } from '#core/model/site';

const cameraWords: Record<Assumable, string> = {
  body: 'body',
  format: 'picture format',
  lineStandard: 'line standard',
  lamps: 'lamps',
  heater: 'heater',
  microphone: 'microphone',
  supply: 'supply',
  watts: 'watts',
};
const segmentWords: Record<AssumableOfSegment, string> = {
  lengthM: 'length',
  leg: 'power cores',
  joint: 'joint',
};

/** What of a run and its camera nobody has looked at, each once, for a paper: “power cores, watts”. */
export function assumedFacts({ camera, place }: Pick<Site, 'camera' | 'place'>, run: Run): string[] {
  const hung = camera[run.cameraId]!;
  const words = [
    ...(place[hung.placeId]?.assumed ? ['place'] : []),
    ...(hung.assumed ?? []).map((field) => cameraWords[field]),
    ...run.segments.flatMap(({ assumed = [] }) => assumed.map((field) => segmentWords[field])),
  ];
  return [...new Set(words)];
}
