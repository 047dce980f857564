import { cableOf } from '#core/physics/cable';
import { emptySite, type Camera, type Run, type Site } from '#core/model/site';
import type { Drill } from './drill';

export const drillRunId = 'run';
const [cameraId, placeId, supplyId] = ['camera', 'place', 'supply'];

const camera = ({ place }: Drill): Camera => ({
  id: cameraId,
  number: 1,
  name: place.name,
  placeId,
  body: 'slim',
  format: 'cvbs',
  lineStandard: '625/50',
  lamps: 'infrared',
  heater: false,
  microphone: false,
  supply: { current: 'dc', window: { minVolts: 10.8, maxVolts: 13.2, from: 'typical' } },
  watts: { day: 1.6, night: 2.6, startUp: 3.5 },
  lens: { sensor: '1/3', focalMm: 4 },
  targetM: 15,
  purpose: '',
  worthKeeping: 'undecided',
  target: 'fixed-2mp',
});

function run({ line, place, power }: Drill): Run {
  const isCoax = cableOf({ cable: line.cable }).kind === 'coax';
  const leg: Run['segments'][number]['leg'] =
    power === 'local-adapter'
      ? { kind: 'none' }
      : isCoax
        ? { kind: 'cores', cable: 'power-2x18-cu', outCores: 1, backCores: 1 }
        : { kind: 'spare-pairs', outCores: 2, backCores: 2 };
  return {
    id: drillRunId,
    cameraId,
    headEndId: 'head-end',
    state: 'live',
    patchedTo: { recorderId: 'recorder', input: 1 },
    feed:
      power === 'local-adapter'
        ? { kind: 'local-adapter', current: 'dc', volts: 12, ratedAmps: 1 }
        : { kind: 'along-run', supplyId, output: 1 },
    segments: [
      {
        cable: line.cable,
        lengthM: line.lengthM,
        lengthFrom: 'drawn',
        spreadM: line.spreadM,
        environment: place.environment,
        temperatureC: 15,
        leg,
      },
    ],
    newRoute: { kind: 'open', fromPlaceId: 'head-end', lengthM: line.lengthM },
  };
}

/** What is noted of a drill, as a site of one run: everything that the learner may know, and nothing of how it really is. */
export function drillSite(drill: Drill): Site {
  const empty = emptySite('Saltmarrow Ferry Terminal', 'Ticket hall');
  const { place } = drill;
  return {
    ...empty,
    place: {
      ...empty.place,
      [placeId]: {
        id: placeId,
        name: place.name,
        role: 'area',
        environment: place.environment,
        temperatureC: 15,
        mains: drill.power === 'local-adapter',
        networkCloset: false,
        restrictions: [],
        access: { by: place.by, heightM: place.by === 'ground' ? 0 : place.by === 'ladder' ? 4 : 9 },
      },
    },
    supply: {
      [supplyId]: {
        id: supplyId,
        name: 'Hall box',
        placeId: 'head-end',
        current: 'dc',
        setVolts: 13,
        ratedAmps: 8,
        outputs: [{ number: 1, fuseAmps: 1.1 }],
      },
    },
    recorder: {
      recorder: {
        id: 'recorder',
        name: 'Hall recorder',
        placeId: 'head-end',
        inputs: 8,
        accepts: ['cvbs'],
        rules: { kind: 'fixed-hybrid', ipSlots: 2 },
        limits: { incomingMbps: 64, slotMegapixels: 6, ipCameras: 8 },
        restartMinutes: 3,
        disks: [{ terabytes: 2 }],
      },
    },
    camera: { [cameraId]: camera(drill) },
    run: { [drillRunId]: run(drill) },
  };
}
