import { notePlace, unseenPlace, withFireClass, type FireClass, type Place } from '#core/model/site';
import { choices } from '#core/model/labels';
import type { List } from './column';
import { numberColumn, optionalText, textColumn, wordColumn, wordsColumn, yesNoColumn } from './columns';

/** Somewhere on the site, a row each. */
export const placeList: List<Place> = {
  id: 'place',
  label: 'Places',
  one: 'place',
  keys: ['name'],
  columns: [
    textColumn(
      'name',
      'place',
      80,
      ({ name }) => name,
      (place, name) => ({ ...place, name }),
      { also: ['name', 'location', 'room', 'area'] },
    ),
    wordColumn(
      'role',
      'role',
      choices.role,
      ({ role }) => role,
      (place, role) => notePlace(place, { role: role as Place['role'] }),
      { width: 100 },
    ),
    wordColumn(
      'environment',
      'environment',
      choices.environment,
      ({ environment }) => environment,
      (place, value) => notePlace(place, { environment: value as Place['environment'] }),
      { width: 110, also: ['surroundings'] },
    ),
    numberColumn(
      'temperatureC',
      'temperature',
      { unit: '°C', least: -40, most: 90 },
      ({ temperatureC }) => temperatureC,
      (place, temperatureC) => notePlace(place, { temperatureC }),
      { also: ['temp'] },
    ),
    yesNoColumn(
      'mains',
      'mains',
      ({ mains }) => mains,
      (place, mains) => notePlace(place, { mains }),
      { also: ['mains here', 'power here'] },
    ),
    yesNoColumn(
      'networkCloset',
      'network closet',
      ({ networkCloset }) => networkCloset,
      (place, networkCloset) => notePlace(place, { networkCloset }),
      { width: 104, also: ['network', 'closet'] },
    ),
    wordColumn(
      'access',
      'reached by',
      choices.access,
      ({ access }) => access.by,
      (place, by) => notePlace(place, { access: { ...place.access, by: by as Place['access']['by'] } }),
      { also: ['access'] },
    ),
    numberColumn(
      'heightM',
      'height',
      { unit: 'm', least: 0, most: 200 },
      ({ access }) => access.heightM,
      (place, heightM) => notePlace(place, { access: { ...place.access, heightM } }),
    ),
    wordsColumn(
      'restrictions',
      'restrictions',
      choices.restriction,
      ({ restrictions }) => restrictions,
      (place, values) => notePlace(place, { restrictions: values as Place['restrictions'] }),
    ),
    wordColumn(
      'fireClass',
      'cable must be',
      choices.fireClass,
      ({ fireClass }) => fireClass ?? 'general',
      (place, value) => withFireClass(place, value as FireClass),
      { width: 104, also: ['fire class', 'fire rating'] },
    ),
    textColumn(
      'note',
      'note',
      2000,
      ({ note }) => note,
      (place, text) => optionalText(place, 'note', text),
      { width: 220, also: ['remark', 'remarks', 'notes'] },
    ),
  ],
  rows: (site) =>
    Object.values(site.place)
      .sort((a, b) => a.name.localeCompare(b.name, 'en'))
      .map((place) => ({ id: place.id, row: place })),
  rowId: ({ id }) => id,
  rowAt: (id, site) => site.place[id]!,
  name: ({ name }) => name,
  change: (place) => ({ kind: 'place', id: place.id, set: place }),
  start: (cells, site, mark) => {
    const name = String(cells.get('name') ?? '').trim();
    if (!name) return { kind: 'refused', why: 'a place needs a name' };
    return { kind: 'row', row: unseenPlace(site, name, mark) };
  },
};
