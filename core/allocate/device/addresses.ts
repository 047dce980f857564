import { planAddresses } from '#core/shared/network';
import type { RecorderState } from '#core/allocate/recorder';
import { withChanges, type Change, type Site } from '#core/model/site';
import { keptRanges, takenAddresses, type Addressed } from '#core/model/addresses';

/** The changes that give an address to every network camera of a recorder that has none, past all that are taken; none without the recorder's own. */
export function givenAddresses(site: Addressed, { recorder, slots }: RecorderState): Change[] {
  const { network } = recorder;
  if (!network) return [];
  const without = slots
    .flatMap(({ occupants }) => occupants.map(({ need }) => need))
    .filter(({ signal, cameraId }) => signal.kind === 'ip' && !site.networkConfig[cameraId]?.address);
  const taken = takenAddresses(site).keys();
  const planned = planAddresses(
    network,
    without.map(({ number }) => number),
    taken,
    keptRanges(site),
  );
  return without.flatMap(({ cameraId }, k): Change[] => {
    const address = planned[k];
    return address
      ? [
          {
            kind: 'networkConfig',
            id: cameraId,
            set: { ...site.networkConfig[cameraId], id: cameraId, address },
          },
        ]
      : [];
  });
}

/** The same for every recorder, one after the other, so that no address is given twice. */
export function allGivenAddresses(site: Site, recorders: readonly RecorderState[]): Change[] {
  let draft = site;
  return recorders.flatMap((recorder) => {
    const changes = givenAddresses(draft, recorder);
    draft = withChanges(draft, changes);
    return changes;
  });
}
