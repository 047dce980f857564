import {
  changesBetween,
  removeNetworkCamera,
  removeRunAndCamera,
  removeThing,
  withChanges,
  withoutSegment,
  type Change,
  type Removal,
  type Site,
} from '#core/model/site';
import { withoutAddress } from './addresses';
import type { ListId } from './lists';

/** What goes with one row, or what keeps it. Cameras go with their run. */
function removalOf(site: Site, id: ListId, rowId: string): Removal {
  const [factId = '', index = '0'] = rowId.split('/');
  switch (id) {
    case 'place':
      return removeThing(site, 'place', factId);
    case 'segment': {
      const run = site.run[factId]!;
      const set = withoutSegment(run, Number(index));
      return set === run
        ? { kind: 'in-use', by: [`run ${site.camera[run.cameraId]?.number}, whose only segment it is`] }
        : { kind: 'changes', changes: [{ kind: 'run', id: factId, set }] };
    }
    case 'address':
      return { kind: 'changes', changes: withoutAddress(site, rowId) };
    case 'camera':
    case 'run': {
      const run =
        id === 'run' ? site.run[factId] : Object.values(site.run).find(({ cameraId }) => cameraId === factId);
      return run ? removeRunAndCamera(site, run.id) : removeNetworkCamera(site, factId);
    }
  }
}

/** The changes that take rows away, all or none; or what keeps one of them. */
export function removeRows(
  site: Site,
  id: ListId,
  rowIds: readonly string[],
): { kind: 'changes'; changes: Change[] } | { kind: 'refused'; why: string } {
  // From the last to the first, so that segments that go do not move those that still have to.
  const fromTheEnd = [...rowIds].sort((a, b) => b.localeCompare(a, 'en', { numeric: true }));
  let draft = site;
  for (const rowId of fromTheEnd) {
    const removal = removalOf(draft, id, rowId);
    if (removal.kind === 'in-use')
      return { kind: 'refused', why: `Still needed by ${removal.by.join(', ')}. Nothing was removed.` };
    draft = withChanges(draft, removal.changes);
  }
  return { kind: 'changes', changes: changesBetween(site, draft) };
}
