import { freeId, noteCamera, noteWatts, placeholderCamera, withFields, type Camera } from '#core/model/site';
import { choices, schemesOf } from '#core/model/labels';
import type { List, Written } from './column';
import { siteWords } from './siteWords';
import { numberColumn, optionalText, siteWordColumn, textColumn, wordColumn, yesNoColumn } from './columns';

export const placeWords = siteWords(
  ({ place }) => place,
  (places) => Object.values(places).map(({ id, name }) => ({ value: id, label: name })),
);

/** What a cell says where nobody knows which scheme an HD camera sends. */
const notNoted = 'not noted';
/** The schemes by the words of this site's recorders, and none. */
const schemeWords = siteWords(
  ({ about }) => about,
  ({ about }) => [{ value: notNoted, label: notNoted }, ...schemesOf(about ?? {})],
);

const watts = (key: 'day' | 'night' | 'startUp', heading: string, also: string[]) =>
  numberColumn<Camera>(
    key,
    heading,
    { unit: 'W', least: 0, most: 500 },
    (camera) => camera.watts[key],
    (camera, value) => noteWatts(camera, { [key]: value }),
    { also },
  );

const window = (key: 'minVolts' | 'maxVolts', heading: string) =>
  numberColumn<Camera>(
    key,
    heading,
    { unit: 'V', least: 0.1, most: 60 },
    ({ supply }) => supply.window[key],
    (camera, value) =>
      camera.supply.window[key] === value
        ? camera
        : noteCamera(camera, {
            supply: {
              ...camera.supply,
              window: { ...camera.supply.window, [key]: value, from: 'data-sheet' },
            },
          }),
  );

const lens = (camera: Camera): NonNullable<Camera['lens']> => camera.lens ?? { sensor: '1/3', focalMm: 4 };

/** Cameras as they hang today, a row each. */
export const cameraList: List<Camera> = {
  id: 'camera',
  label: 'Cameras',
  one: 'camera',
  keys: ['number'],
  columns: [
    numberColumn(
      'number',
      'number',
      { least: 1, most: 9999, whole: true },
      ({ number }) => number,
      (camera, number) => ({ ...camera, number }),
      {
        width: 70,
        also: [
          'no',
          'nr',
          'camera',
          'camera number',
          'channel',
          'ch',
          'cam no',
          'cam',
          'camera no',
          'cam id',
        ],
      },
    ),
    textColumn(
      'name',
      'view',
      80,
      ({ name }) => name,
      (camera, name) => ({ ...camera, name }),
      { also: ['name', 'camera name', 'description', 'title'] },
    ),
    siteWordColumn(
      'place',
      'place',
      placeWords,
      ({ placeId }) => placeId,
      (camera, placeId): Written<Camera> => ({ kind: 'row', row: { ...camera, placeId: String(placeId) } }),
      { also: ['location', 'where', 'area'], mayBeNew: true },
    ),
    wordColumn(
      'body',
      'body',
      choices.body,
      ({ body }) => body,
      (camera, body) => noteCamera(camera, { body: body as Camera['body'] }),
      { also: ['housing', 'type'] },
    ),
    wordColumn(
      'format',
      'picture format',
      choices.format,
      ({ format }) => format,
      (camera, format) => noteCamera(camera, { format }),
      { width: 180, also: ['format', 'signal', 'picture'] },
    ),
    siteWordColumn<Camera>(
      'scheme',
      'HD scheme',
      schemeWords,
      ({ scheme }) => scheme ?? notNoted,
      (camera, scheme): Written<Camera> => ({
        kind: 'row',
        row: withFields(camera, { scheme: scheme === notNoted ? undefined : (scheme as Camera['scheme']) }),
      }),
      { width: 120, also: ['scheme', 'hd family'] },
    ),
    wordColumn(
      'lineStandard',
      'line standard',
      choices.lineStandard,
      ({ lineStandard }) => lineStandard,
      (camera, value) => noteCamera(camera, { lineStandard: value as Camera['lineStandard'] }),
      { also: ['standard', 'lines'] },
    ),
    wordColumn(
      'lamps',
      'IR / white-light LEDs',
      choices.lamps,
      ({ lamps }) => lamps,
      (camera, lamps) => noteCamera(camera, { lamps: lamps as Camera['lamps'] }),
      { width: 140, also: ['lamps', 'light', 'infrared'] },
    ),
    yesNoColumn(
      'heater',
      'heater',
      ({ heater }) => heater,
      (camera, heater) => noteCamera(camera, { heater }),
    ),
    yesNoColumn(
      'motor',
      'motor',
      ({ motor }) => motor ?? false,
      (camera, motor) => noteCamera(camera, { motor: motor || undefined }),
      { also: ['drive', 'fan', 'wiper'] },
    ),
    yesNoColumn(
      'microphone',
      'microphone',
      ({ microphone }) => microphone,
      (camera, microphone) => noteCamera(camera, { microphone }),
      { width: 90, also: ['audio', 'mic'] },
    ),
    wordColumn(
      'current',
      'DC or AC',
      choices.current,
      ({ supply }) => supply.current,
      (camera, current) =>
        noteCamera(camera, { supply: { ...camera.supply, current: current as 'dc' | 'ac' } }),
      { width: 80, also: ['current', 'supply'] },
    ),
    window('minVolts', 'lowest'),
    window('maxVolts', 'highest'),
    watts('day', 'day', ['day watts', 'watts', 'power']),
    watts('night', 'night', ['night watts']),
    watts('startUp', 'start-up', ['start-up watts', 'startup']),
    numberColumn<Camera>(
      'heaterWatts',
      'of night: heater',
      { unit: 'W', least: 0, most: 500 },
      (camera) => camera.watts.heater,
      (camera, heater) => noteWatts(camera, { heater }),
      { also: ['heater watts'] },
    ),
    wordColumn(
      'sensor',
      'sensor',
      choices.sensor,
      (camera) => camera.lens?.sensor,
      (camera, sensor) =>
        noteCamera(camera, {
          lens: { ...lens(camera), sensor: sensor as NonNullable<Camera['lens']>['sensor'] },
        }),
      { width: 90 },
    ),
    numberColumn(
      'focalMm',
      'focal mm',
      { least: 1, most: 1000 },
      (camera) => camera.lens?.focalMm,
      (camera, focalMm) => noteCamera(camera, { lens: { ...lens(camera), focalMm } }),
      { also: ['focal length', 'lens', 'lens mm'] },
    ),
    numberColumn(
      'targetM',
      'target',
      { unit: 'm', least: 0.1, most: 2000 },
      ({ targetM }) => targetM,
      (camera, targetM) => noteCamera(camera, { targetM }),
      { also: ['target distance', 'distance'] },
    ),
    textColumn(
      'purpose',
      'purpose of view',
      200,
      ({ purpose }) => purpose,
      (camera, purpose) => ({ ...camera, purpose }),
      { also: ['purpose', 'must see', 'view purpose'] },
    ),
    wordColumn(
      'worthKeeping',
      'condition',
      choices.worthKeeping,
      ({ worthKeeping }) => worthKeeping,
      (camera, value) => ({ ...camera, worthKeeping: value as Camera['worthKeeping'] }),
      { also: ['keep', 'worth keeping'] },
    ),
    wordColumn(
      'target',
      'replacement camera',
      choices.target,
      ({ target }) => target,
      (camera, target) => ({ ...camera, target: target as Camera['target'] }),
      { also: ['replacement', 'successor', 'new camera'] },
    ),
    textColumn(
      'note',
      'note',
      2000,
      ({ note }) => note,
      (camera, text) => optionalText(camera, 'note', text),
      { width: 220, also: ['remark', 'remarks', 'notes'] },
    ),
  ],
  rows: (site) =>
    Object.values(site.camera)
      .sort((a, b) => a.number - b.number)
      .map((camera) => ({ id: camera.id, row: camera })),
  rowId: ({ id }) => id,
  rowAt: (id, site) => site.camera[id]!,
  name: ({ number, name }) => `${number} ${name}`,
  change: (camera) => ({ kind: 'camera', id: camera.id, set: camera }),
  start: (cells, site, mark) => {
    const [number, name, place] = [cells.get('number'), cells.get('name'), cells.get('place')];
    if (typeof number !== 'number') return { kind: 'refused', why: 'a new camera needs a number' };
    if (!name)
      return { kind: 'refused', why: `camera ${number} is new here and needs a view, such as “Turnstiles”` };
    if (!place)
      return {
        kind: 'refused',
        why: `camera ${number} is new here and needs a place; import the places first`,
      };
    const id = freeId((wanted) => wanted in site.camera, `c${String(number).padStart(2, '0')}`, mark);
    return {
      kind: 'row',
      row: placeholderCamera({ id, number, name: String(name), placeId: String(place) }, 'dc'),
    };
  },
};
