import { familyOf } from '#core/model/slotRules';
import { inNetwork, rangesText } from '#core/shared/network';
import type { GearKind, HookUp } from '../equipment';
import type { Kind, Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** Where supplies stand, and their outputs. */
export function checkSupplies(scope: ReferenceScope, found: Found): void {
  for (const supply of scope.facts('supply')) {
    found.known('place', supply.placeId, at('supply', supply.id, 'placeId'));
    unique(
      supply.outputs,
      (output) => String(output.number),
      (output) => found.add(at('supply', supply.id, 'outputs'), output.number, 'each output number once'),
    );
  }
}

/** A rack or a feed that something says it hangs on has to be that. */
function checkHookUp(site: Site, kind: Kind, id: string, hookUp: HookUp | undefined, found: Found): void {
  const is = (field: 'rackId' | 'fedById', kindsOfGear: readonly GearKind[], allowed: string): void => {
    const other = hookUp?.[field];
    if (other === undefined) return;
    const gear = site.equipment[other]?.gear.kind;
    if (other === id || !gear || !kindsOfGear.includes(gear))
      found.add(at(kind, id, `hookUp.${field}`), other, allowed);
  };
  is('rackId', ['rack'], 'the id of a rack of this site');
  is('fedById', ['circuit', 'ups'], 'the id of a mains circuit or another UPS of this site');
}

/** What recorders, supplies and equipment hang on and hold, and what a recorder has inputs for. */
export function checkHeadEnd(site: Site, scope: ReferenceScope, found: Found): void {
  for (const recorder of scope.facts('recorder')) {
    const { id, inputs } = recorder;
    found.known('place', recorder.placeId, at('recorder', id, 'placeId'));
    checkHookUp(site, 'recorder', id, recorder.hookUp, found);
    if (!familyOf(recorder).takesCoax && inputs > 0)
      found.add(at('recorder', id, 'inputs'), inputs, '0 inputs on a recorder for network cameras only');
    for (const input of [...(recorder.ipInputs ?? []), ...(recorder.forced ?? []).map((one) => one.input)]) {
      if (input > inputs)
        found.add(
          at('recorder', id, 'inputs'),
          inputs,
          `at least ${input} inputs: that one is set to a use of its own`,
        );
    }
    const { network } = recorder;
    for (const range of network?.kept ?? [])
      if (!inNetwork(range.from, network!) || !inNetwork(range.to, network!))
        found.add(
          at('recorder', id, 'network.kept'),
          rangesText([range]),
          `addresses of ${network!.address}/${network!.prefixBits}: ${rangesText([range])} would be kept outside it`,
        );
    const mismatch = familyOf(recorder).mismatch?.(recorder);
    if (mismatch) found.add(at('recorder', id, mismatch.path), inputs, mismatch.allowed);
  }
  for (const supply of scope.facts('supply')) checkHookUp(site, 'supply', supply.id, supply.hookUp, found);
  for (const equipment of scope.facts('equipment')) {
    found.known('place', equipment.placeId, at('equipment', equipment.id, 'placeId'));
    checkHookUp(site, 'equipment', equipment.id, equipment.hookUp, found);
    if (equipment.gear.kind !== 'monitor') continue;
    const { recorderId, matrixId, tiles = [] } = equipment.gear;
    if (matrixId !== undefined && recorderId !== undefined)
      found.add(at('equipment', equipment.id, 'gear.matrixId'), matrixId, 'a recorder or a matrix, not both');
    else if (matrixId !== undefined && site.equipment[matrixId]?.gear.kind !== 'matrix')
      found.add(at('equipment', equipment.id, 'gear.matrixId'), matrixId, 'a matrix that is noted');
    if (recorderId !== undefined)
      found.known('recorder', recorderId, at('equipment', equipment.id, 'gear.recorderId'));
    for (const id of tiles) found.known('camera', id, at('equipment', equipment.id, 'gear.tiles'));
  }
}
