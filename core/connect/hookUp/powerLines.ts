import type { Camera, Run, Site } from '#core/model/site';
import { powerCableLabel } from '#core/physics/cable';
import { formatQuantity } from '#core/shared/units';
import { outAndBack, powerAlongRun, type Gauge } from './runLine';
import type { HookUpLine, Station } from './types';

/** Power of a camera from what feeds it today, with its polarity in words. */
export interface PowerHookUp {
  lines: HookUpLine[];
  polarity: string[];
  unknown: string[];
}

const acWords =
  'AC: no plus and no common. Either conductor goes to either terminal; neither is joined to the shield or to earth.';

const dcWords = (plug: string): string =>
  `DC: the conductors that go out carry plus (+) from the supply’s + terminal to ${plug}; the conductors that come back are the common (−), to the supply’s − terminal. Prove plus with a meter at the camera before it is plugged in: the wrong way round can destroy it.`;

const splitWords =
  'Behind the lead every plug of the splitter is on the same two conductors: one that is made up the wrong way round, or shorted, takes all of its cameras with it.';

const coloursUnknown =
  'Which colour of core goes out is not noted: prove each core with a meter, and write its colour on the label.';

/** What a camera takes its power on. */
const inlet = ({ supply: { current } }: Camera): string =>
  current === 'ac' ? 'two AC terminals' : 'barrel plug, centre plus, or terminals + and −';

export const cameraEnd = (camera: Camera): Station => ({
  name: `Camera ${camera.number}`,
  where: camera.name,
  terminals: [inlet(camera)],
});

/** How a camera gets its power as its run is fed. */
export function powerLines(site: Site, run: Run, camera: Camera, gauge: Gauge): PowerHookUp {
  const { feed } = run;
  const far = cameraEnd(camera);
  const words = (current: 'ac' | 'dc'): string[] =>
    current === 'ac' ? [acWords] : [dcWords('the centre of the barrel plug or the camera’s + terminal')];
  if (feed.kind === 'local-adapter') {
    const head: Station = {
      name: `Adapter, ${feed.volts} V ${feed.current.toUpperCase()}`,
      where: 'beside the camera, in a mains outlet',
      terminals: [feed.current === 'ac' ? 'two leads' : 'barrel plug, centre plus'],
    };
    return {
      lines: [
        {
          carries: 'power',
          stations: [head, far],
          spans: [{ label: 'its own lead', cores: 'one out, one back', lengthM: 0, look: 'cores' }],
        },
      ],
      polarity: words(feed.current),
      unknown:
        feed.current === 'dc'
          ? ['The adapter’s own label says whether its plug’s centre is plus: read it.']
          : [],
    };
  }
  const supply = site.supply[feed.supplyId]!;
  const { fuseAmps: fuse, lead } = supply.outputs.find(({ number }) => number === feed.output) ?? {};
  const head: Station = {
    name: `${supply.name}, output ${feed.output}`,
    where: [
      `${supply.setVolts} V ${supply.current.toUpperCase()}`,
      ...(fuse === undefined ? [] : [`fuse ${fuse} A`]),
      ...(lead
        ? [
            `splits behind its lead, ${formatQuantity(lead.lengthM, 'm')} of ${powerCableLabel(lead.cable, gauge)}`,
          ]
        : []),
    ].join(', '),
    terminals: [
      supply.current === 'ac' ? 'two terminals of the output' : `terminals + and − of output ${feed.output}`,
    ],
  };
  const line: HookUpLine =
    feed.kind === 'along-run'
      ? powerAlongRun(run, { head, far }, gauge)
      : {
          carries: 'power',
          stations: [head, far],
          spans: [
            {
              label: powerCableLabel(feed.cable, gauge),
              cores: outAndBack(feed),
              lengthM: feed.lengthM,
              look: 'cores',
            },
          ],
        };
  const shared = lead && supply.current === 'dc' ? [splitWords] : [];
  return { lines: [line], polarity: [...words(supply.current), ...shared], unknown: [coloursUnknown] };
}
