import { mediumWords, type Medium } from '#core/connect/topology';
import { cablesKept } from '#core/decide/runEvaluation';
import type { QuantityReading } from '#core/model/site';
import { cableLabel } from '#core/physics/cable';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { placedNames } from './placedName';

const loop = 'coax-loop-ohms';

/** The cables that were there, each with the last loop that was read of it and what becomes of it. */
function oldCables({ site, evaluation }: PaperContext): Block {
  const readings = Object.values(site.reading).filter(
    (one): one is QuantityReading => one.test === loop && !one.struck,
  );
  const kept = cablesKept(evaluation.runs);
  const rows = evaluation.runs.map(({ run, camera, lengthM, chosen }) => {
    const read = readings
      .filter(({ runId }) => runId === run.id)
      .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
      .at(-1);
    const cables = [
      ...new Set(run.segments.map(({ cable, sheet }) => sheet?.name ?? cableLabel(cable, 'mm2'))),
    ];
    return [
      camera.number,
      camera.name,
      site.place[run.headEndId]?.name ?? '',
      site.place[camera.placeId]?.name ?? '',
      cables.join(', '),
      lengthM,
      read?.value ?? null,
      chosen === null ? 'not decided' : kept.has(camera.id) ? 'stays in use' : 'not used any more',
    ];
  });
  return {
    kind: 'table',
    name: 'Cables',
    columns: [
      { label: 'Camera', unit: '' },
      { label: 'Name', share: 2 },
      { label: 'From', share: 2 },
      { label: 'To', share: 2 },
      { label: 'Cable', share: 3 },
      { label: 'Length', unit: 'm' },
      { label: 'Loop read', unit: 'Ω' },
      { label: 'After the change', share: 2 },
    ],
    rows,
  };
}

/** No camera of the old site has a way of its own over these before the change. */
const isNewWay = (medium: Medium): boolean => medium === 'fibre' || medium === 'radio';

/** Links between devices, new cables of cameras, and leads of those that are on the network already, as they are when all is done. */
function networkCables(context: PaperContext): Block[] {
  const { site } = context;
  const { devices, links, cameras } = context.network().topology;
  const placed = placedNames(site, devices);
  const state = (isThere: boolean): string => (isThere ? 'there' : 'to be laid');
  const rows = [
    ...links.map(({ name, fromId, toId, medium, lengthM, standing }) => [
      name,
      placed(fromId),
      placed(toId),
      mediumWords[medium],
      lengthM || null,
      state(standing === 'there'),
    ]),
    ...cameras
      .filter(({ runId, medium, isNewCable }) => runId === null || isNewCable || isNewWay(medium))
      .sort((a, b) => a.number - b.number)
      .map(({ cameraId, number, name, deviceId, placeId, medium, lengthM }) => [
        `${number} ${name}`,
        placed(deviceId),
        site.place[placeId]?.name ?? '',
        mediumWords[medium],
        lengthM,
        state(site.networkCamera[cameraId]?.state === 'there'),
      ]),
  ];
  if (rows.length === 0) return [];
  return [
    { kind: 'heading', level: 2, text: 'Links and leads when all is done' },
    {
      kind: 'table',
      name: 'Links and leads',
      columns: [
        { label: 'What', share: 3 },
        { label: 'From', share: 3 },
        { label: 'To', share: 3 },
        { label: 'Over', share: 2 },
        { label: 'Length', unit: 'm' },
        { label: 'State' },
      ],
      rows,
    },
  ];
}

/** Every cable as it is and as it will be: those that were there, and those of the network. */
export const cablePaper = (context: PaperContext): Paper =>
  paperOf(context, {
    id: 'cables',
    title: 'Cable schedule',
    blocks: [oldCables(context), ...networkCables(context)],
  });
