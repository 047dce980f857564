import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { OptionKind } from '#core/model/site';
import { saltmarrowSite } from '../../../core/model/site/testSite';
import { boxWidth, dashesOf, inSight, rowHeight, treeLayout, type TreeLayout } from './treeLayout';

const demo = saltmarrowSite();
const options: Record<string, OptionKind> = {
  c01: 'ip-coax-unit',
  c02: 'ip-coax-unit',
  c08: 'ip-coax-pair',
  c18: 'new-category',
  c23: 'wireless',
  c24: 'wireless',
};
const site = {
  ...demo,
  choice: Object.fromEntries(
    Object.entries(options).map(([id, option]) => [
      id,
      { id, option, at: '2026-04-01T09:00:00Z', by: 'R. Tolland' },
    ]),
  ),
};
const { topology, devices } = networkAt(site, evaluateSite(site), { kind: 'after' });
const loads = new Map(devices.map(({ deviceId, loads: of }) => [deviceId, of.length]));
const layout = (folded: (key: string) => boolean = () => false): TreeLayout =>
  treeLayout(topology, (id) => loads.get(id) ?? 0, folded);

describe('the tree', () => {
  it('shows every device and every camera once, and nothing over anything else', () => {
    const { devices: placed, rows, height } = layout();
    expect(placed.map(({ device }) => device.id).sort()).toEqual(topology.devices.map(({ id }) => id).sort());
    const cameras = rows.flatMap((row) => (row.kind === 'camera' ? [row.camera.cameraId] : []));
    expect([...cameras].sort()).toEqual(topology.cameras.map(({ cameraId }) => cameraId).sort());
    for (const a of placed)
      for (const b of placed)
        if (a !== b && a.x === b.x) expect(a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(true);
    rows.slice(1).forEach((row, index) => expect(row.y - rows[index]!.y).toBeGreaterThanOrEqual(rowHeight));
    for (const { y, height: own } of placed) expect(y + own).toBeLessThanOrEqual(height);
  });
  it('draws a stroke for every link and every camera, from box to row', () => {
    const { strokes } = layout();
    expect(strokes.filter(({ of }) => of.kind === 'link')).toHaveLength(topology.links.length);
    expect(strokes.filter(({ of }) => of.kind === 'camera')).toHaveLength(
      topology.cameras.filter(({ deviceId }) => deviceId !== null).length,
    );
    for (const { path } of strokes) expect(path).not.toMatch(/NaN|undefined/);
    expect(boxWidth).toBeGreaterThan(0);
  });
  it('folded has a line for each place, and is shorter', () => {
    const folded = layout(() => true);
    expect(folded.rows.every(({ kind }) => kind === 'place')).toBe(true);
    const counted = folded.rows.reduce((sum, row) => sum + (row.kind === 'place' ? row.count : 0), 0);
    expect(counted).toBe(topology.cameras.length);
    expect(folded.rows.length).toBeLessThan(layout().rows.length);
  });
  it('in parts shows everything that reaches into each part, and all of it over all parts', () => {
    const whole = layout();
    const seen = new Set<string>();
    for (let top = 0; top < whole.height; top += 150) {
      const part = inSight(whole, top, top + 150);
      for (const { device } of part.devices) seen.add(device.id);
      for (const { key } of [...part.rows, ...part.strokes]) seen.add(key);
      for (const { y } of part.rows) expect(y + rowHeight >= top && y <= top + 150).toBe(true);
      expect(part.height).toBe(whole.height);
    }
    const all = [
      ...whole.devices.map(({ device }) => device.id),
      ...[...whole.rows, ...whole.strokes].map(({ key }) => key),
    ];
    expect(seen).toEqual(new Set(all));
  });
  it('has each line and each stroke under a key of its own, also where two recorders share a device', () => {
    const [first, ...others] = topology.cameras;
    const split = { ...topology, cameras: [{ ...first!, recorderId: 'marshalling-recorder' }, ...others] };
    for (const folded of [false, true]) {
      const { rows, strokes } = treeLayout(
        split,
        () => 0,
        () => folded,
      );
      for (const keys of [rows.map(({ key }) => key), strokes.map(({ key }) => key)])
        expect(new Set(keys).size).toBe(keys.length);
    }
  });
  it('draws a stroke without dashes where nobody could read them', () => {
    expect(dashesOf({ top: 0, bottom: 300 }, '4 2')).toBe('4 2');
    expect(dashesOf({ top: 0, bottom: 9000 }, '4 2')).toBeUndefined();
    expect(dashesOf({ top: 0, bottom: 300 }, '')).toBeUndefined();
  });
});
