import type { Camera, Site } from '#core/model/site';
import type { HookUpLine } from './types';

/** How a turning camera is steered today, with which conductor goes where. */
export interface TelemetryHookUp {
  lines: HookUpLine[];
  polarity: string[];
  unknown: string[];
}

const nothing: TelemetryHookUp = { lines: [], polarity: [], unknown: [] };

/** The bus of a turning camera from whatever steers it; nothing of a camera that nobody steers, or over its coax alone. */
export function telemetryLines(
  site: Pick<Site, 'place'>,
  { telemetry, number, name, placeId }: Camera,
): TelemetryHookUp {
  if (!telemetry) return nothing;
  if (telemetry.kind === 'coax')
    return {
      ...nothing,
      polarity: ['It is steered over its own coax: nothing that blocks data may stand in it.'],
    };
  const { protocol, address, baud, terminated, conductors } = telemetry;
  const settings = [
    protocol,
    address === undefined ? undefined : `address ${address}`,
    baud === undefined ? undefined : `${baud} baud`,
  ].filter((one) => one !== undefined);
  const missing = [
    ...(address === undefined ? ['its address'] : []),
    ...(baud === undefined ? ['its rate'] : []),
    ...(conductors === undefined ? ['which conductor is A and which B'] : []),
    ...(terminated === undefined ? ['whether it ends the bus'] : []),
  ];
  return {
    lines: [
      {
        carries: 'steering',
        stations: [
          { name: 'Keyboard or recorder', where: 'RS-485 port', terminals: ['A', 'B'] },
          {
            name: `Camera ${number}`,
            where: name,
            terminals: [
              settings.join(', ') || 'RS-485',
              ...(terminated ? ['ends the bus: resistor on'] : []),
            ],
          },
        ],
        spans: [
          {
            label: `pair of its own to ${site.place[placeId]?.name ?? 'the camera'}`,
            cores: conductors ?? 'A to A, B to B',
            lengthM: 0,
            look: 'pair',
          },
        ],
      },
    ],
    polarity: [
      `RS-485: A to A and B to B${conductors ? ` (${conductors})` : ''}. The wrong way round nothing turns, and nothing breaks: swap the two. Only the last camera of a bus has its resistor on.`,
    ],
    unknown: missing.length > 0 ? [`Of its steering nobody has noted ${missing.join(', ')}.`] : [],
  };
}
