import { isIp, type FeasibleOption } from '#core/decide/options';
import { hasOwnCamera, type Camera, type OptionKind, type Run, type Site } from '#core/model/site';
import type { CameraEnd, Device } from '#core/connect/topology';
import { inputStation, isolateFirst, pictureLine } from './hookUpToday';
import { chain, patch, poeWords, portStation, straight } from './networkParts';
import { mendedPower } from './mendedPower';
import { powerLines, type PowerHookUp } from './powerLines';
import { runLine, type Gauge } from './runLine';
import { telemetryLines } from './telemetryLines';
import type { HookUp, Span, Station } from './types';

/** What the hook-up of a choice is drawn from. */
interface Drawn {
  site: Site;
  run: Run;
  camera: Camera;
  option: FeasibleOption;
  /** How the camera hangs on the network, and what it hangs on. */
  end: CameraEnd;
  device: Device | undefined;
  gauge: Gauge;
}
type Drawing = Pick<HookUp, 'lines' | 'polarity' | 'unknown'>;

const coaxPowerWords =
  'Power and data go over the coax together: centre to centre and shield to shield from one converter to the other, nothing else in between. No arrester, splitter or isolator stays in the line.';

const newCamera = ({ camera }: Drawn, terminals: string[]): Station => ({
  name: `New camera ${camera.number}`,
  where: camera.name,
  terminals,
});

const ipCamera = (drawn: Drawn): Station => newCamera(drawn, ['RJ45, its PoE inlet']);

const portOf = ({ device, end }: Drawn, terminal: string): Station =>
  portStation(device, end.watts, terminal);

const centreAndShield = (): string => 'centre conductor and shield, data and power';

/** The old coax with a converter at its camera, and at its head end a unit's port or another converter. */
function overCoax(drawn: Drawn, head: readonly (readonly [Station, Span])[], start: Station): Drawing {
  const converter: Station = {
    name: 'Coax converter',
    where: 'at the camera',
    terminals: ['BNC, the end marked for the camera', 'RJ45'],
  };
  const { spans, stations } = runLine(
    { ...drawn.run, inLine: [] },
    'data and power',
    { head: start, far: converter },
    centreAndShield,
    drawn.gauge,
  );
  return {
    lines: [
      {
        carries: 'data and power',
        stations: [...head.map(([station]) => station), ...stations, ipCamera(drawn)],
        spans: [...head.map(([, span]) => span), ...spans, patch()],
      },
    ],
    polarity: [coaxPowerWords, poeWords],
    unknown: [],
  };
}

const pairConverters = (drawn: Drawn): Drawing =>
  overCoax(drawn, [[portOf(drawn, 'RJ45 with PoE'), patch()]], {
    name: 'Coax converter',
    where: 'at the head end',
    terminals: ['RJ45', 'BNC, the end marked for the switch'],
  });

const onUnit = (drawn: Drawn): Drawing => overCoax(drawn, [], portOf(drawn, 'BNC port'));

const ofPower = ({ site, run, camera, gauge }: Drawn): PowerHookUp => powerLines(site, run, camera, gauge);

const head = ({ site, camera, run }: Drawn): Station => {
  const placed = site.placement[camera.id];
  return inputStation(
    site,
    placed?.recorderId ?? run.patchedTo?.recorderId,
    placed?.slot ?? run.patchedTo?.input,
  );
};

/** A camera that stays, with its picture brought to what it is to be on. */
function stayingOn(drawn: Drawn, head: Station, power = ofPower(drawn)): Drawing {
  const { camera, run, gauge } = drawn;
  const far: Station = {
    name: `Camera ${camera.number}`,
    where: camera.name,
    terminals: ['BNC, or the moulded lead’s video plug'],
  };
  const steering = telemetryLines(drawn.site, camera);
  return {
    lines: [pictureLine(run, { head, far }, gauge), ...power.lines, ...steering.lines],
    polarity: [...power.polarity, ...steering.polarity],
    unknown: [...power.unknown, ...steering.unknown],
  };
}

const staying = (drawn: Drawn): Drawing => stayingOn(drawn, head(drawn));

const stayingOnMendedPower = (drawn: Drawn): Drawing => {
  const { site, run, camera, option, gauge } = drawn;
  return stayingOn(drawn, head(drawn), mendedPower(site, run, camera, option, gauge));
};

/** A camera that stays, on an input of an encoder, whose stream goes to a switch. */
function onEncoder(drawn: Drawn): Drawing {
  const encoder: Station = {
    name: drawn.device?.name ?? 'Encoder, not chosen yet',
    where: 'a free input',
    terminals: ['BNC, ended with 75 Ω in the encoder'],
  };
  const { lines, polarity, unknown } = stayingOn(drawn, encoder);
  const stream = chain('data', { ...encoder, where: 'its network port', terminals: ['RJ45'] }, [
    patch(),
    { name: 'Switch of the camera network', where: 'a free port', terminals: ['RJ45'] },
  ]);
  return { lines: [...lines, stream], polarity, unknown };
}

/** A new camera with an analog picture on the old line, fed as the old one was. */
function newOnOldLine(drawn: Drawn): Drawing {
  const power = ofPower(drawn);
  const far = newCamera(drawn, ['BNC']);
  return {
    lines: [pictureLine(drawn.run, { head: head(drawn), far }, drawn.gauge), ...power.lines],
    polarity: power.polarity,
    unknown: [
      ...power.unknown,
      'Whether the new camera takes what feeds the old one stands on its label: compare volts, AC or DC, and amps before it is plugged in.',
    ],
  };
}

/** Category cable from a port to the camera: the one that is there, or a new one. */
function onCategory(drawn: Drawn, label: string, lengthM: number): Drawing {
  return {
    lines: [
      chain('data and power', portOf(drawn, 'RJ45 with PoE'), [
        { label, cores: 'all four pairs, straight', lengthM, look: 'pair' },
        ipCamera(drawn),
      ]),
    ],
    polarity: [straight, poeWords],
    unknown: [],
  };
}

const injector: Station = {
  name: 'PoE injector',
  where: 'at the camera, in a mains outlet',
  terminals: ['data in', 'data and power out'],
};

/** Light from the head end, power from the mains at the camera. */
function onFibre(drawn: Drawn): Drawing {
  const media = (where: string): Station => ({
    name: 'Fibre converter or module',
    where,
    terminals: ['fibre: transmit and receive', 'RJ45'],
  });
  const fibre: Span = {
    label: 'fibre',
    cores: 'two fibres, crossed once: transmit to receive',
    lengthM: drawn.end.lengthM,
    look: 'fibre',
  };
  return {
    lines: [
      chain(
        'data',
        portOf(drawn, 'RJ45 or module slot'),
        [patch(), media('at the head end')],
        [fibre, media('at the camera')],
        [patch(), injector],
        [patch(), ipCamera(drawn)],
      ),
    ],
    polarity: [
      'Fibre: transmit of one end is receive of the other. No light on one side means the two are to be swapped at one end.',
      straight,
      poeWords,
    ],
    unknown: [
      'Which two fibres of the cable are used, and their colours, are written on the label when they are spliced.',
    ],
  };
}

/** Through the air, power from the mains at the camera. */
function onRadio(drawn: Drawn): Drawing {
  const radio = (where: string): Station => ({
    name: 'Radio',
    where,
    terminals: ['RJ45, fed by its own injector'],
  });
  return {
    lines: [
      chain(
        'data',
        portOf(drawn, 'RJ45'),
        [patch(), radio('at the head end')],
        [{ label: 'radio', cores: '', lengthM: drawn.end.lengthM, look: 'radio' }, radio('at the camera')],
        [patch(), injector],
        [patch(), ipCamera(drawn)],
      ),
    ],
    polarity: [straight, poeWords],
    unknown: [
      'Masts and outdoor radios are bonded to earth and protected from surges as local codes have it.',
    ],
  };
}

/** Through a field switch that several cameras of the place share; each has its power from its own injector. */
function onFieldSwitch(drawn: Drawn): Drawing {
  return {
    lines: [
      chain(
        'data',
        portOf(drawn, 'RJ45'),
        [patch('category cable at the place'), injector],
        [patch(), ipCamera(drawn)],
      ),
    ],
    polarity: [straight, poeWords],
    unknown: [],
  };
}

/** On a PoE switch at the camera's place, which hangs on one cable back. */
function onPlaceSwitch(drawn: Drawn): Drawing {
  const { lines, polarity, unknown } = onCategory(
    drawn,
    'new category cable at the place',
    drawn.end.lengthM,
  );
  return {
    lines,
    polarity,
    unknown: [...unknown, `How the switch hangs on the rest: ${drawn.option.message}`],
  };
}

const isOnField = ({ device }: Drawn): boolean => device?.kind === 'field-switch';

/** Options whose own words say what of the old line or feed is changed. */
const toBeDone: ReadonlySet<OptionKind> = new Set(['power-fix', 'mend-line', 'hd-coax', 'baluns']);

/** Kinds of option that leave a camera, which has to be connected. */
type CameraLeft = Exclude<OptionKind, 'retire' | 'shared-view'>;
const isLeft = (kind: OptionKind): kind is CameraLeft => hasOwnCamera(kind);

/** How each kind of option is connected. */
const drawings: Record<CameraLeft, (drawn: Drawn) => Drawing> = {
  keep: staying,
  'power-fix': stayingOnMendedPower,
  'mend-line': staying,
  encode: onEncoder,
  'hd-coax': newOnOldLine,
  baluns: newOnOldLine,
  'ip-coax-pair': pairConverters,
  'ip-coax-unit': onUnit,
  'long-reach': (drawn) => onCategory(drawn, 'the category cable that is there', drawn.end.lengthM),
  'ip-category': (drawn) => onCategory(drawn, 'the category cable that is there', drawn.end.lengthM),
  'new-category': (drawn) => onCategory(drawn, 'new category cable', drawn.end.lengthM),
  'field-switch': onPlaceSwitch,
  'field-coax': onPlaceSwitch,
  fibre: (drawn) => (isOnField(drawn) ? onFieldSwitch(drawn) : onFibre(drawn)),
  wireless: (drawn) => (isOnField(drawn) ? onFieldSwitch(drawn) : onRadio(drawn)),
};

/** How a camera is connected when its choice is done. */
export function hookUpAfter(drawn: Drawn): HookUp {
  const { camera, option } = drawn;
  const title = `Camera ${camera.number} ${camera.name}, when it is done`;
  if (!isLeft(option.kind))
    return {
      title,
      lines: [],
      polarity: [],
      unknown: [],
      cautions: ['The old line is taken off power and input, and both ends are labelled as dead or removed.'],
    };
  const { lines, polarity, unknown } = drawings[option.kind](drawn);
  return {
    title,
    lines,
    polarity,
    unknown: [
      ...unknown,
      ...(toBeDone.has(option.kind) ? [`To be done: ${option.message}`] : []),
      ...(option.draws && isIp(option)
        ? ['The old power pair stays live for a heater or lamps: label it at both ends.']
        : []),
    ],
    cautions: [isolateFirst, ...option.cautions],
  };
}
