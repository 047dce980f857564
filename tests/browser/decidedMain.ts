// Writes the demo with its best plan adopted and every camera on a slot, as a site file with its pictures. With the id of a camera, every check of
// that one is made and holds, and an offer is on record: as a site is when its customer comes to sign.
import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { giveOffer, offerOf } from '#core/decide/offer';
import { evaluateSite, signOffOf } from '#core/evaluate';
import {
  readForAcceptance,
  toSiteFile,
  withChanges,
  type AcceptanceFound,
  type AttachedFile,
  type Site,
} from '#core/model/site';
import type { CheckState } from '#core/signoff/acceptance';
import { decidedDemo } from '../../bench/sites';

function sound({ limit, predicted }: CheckState): AcceptanceFound {
  switch (limit.kind) {
    case 'seen':
      return { kind: 'seen', isSo: true };
    case 'words':
      return { kind: 'words', words: 'J. Holm, harbour office' };
    case 'soak':
      return { kind: 'soak', hours: limit.hours, lostPercent: 0, drops: 0, gapMinutes: 0 };
    case 'figure':
      return { kind: 'figure', value: predicted?.value ?? limit.least ?? limit.most ?? 1 };
  }
}

function readyToSign(site: Site, cameraId: string): Site {
  const evaluation = evaluateSite(site);
  const of = { kind: 'camera', id: cameraId } as const;
  const doing = { at: '2026-05-04T09:00:00Z', by: 'K. Ridley' };
  const checks = signOffOf(site, evaluation).things.find((thing) => thing.of.id === cameraId)!.checks;
  const readings = checks.map((check) =>
    readForAcceptance(
      { of, check: check.check, found: sound(check), instrument: 'Bench meter 1' },
      doing,
      'ridle',
    ),
  );
  const given = giveOffer(site, offerOf(site, evaluation.runs), {
    preparedBy: 'R. Tolland',
    isFinal: false,
    saying: '',
    at: new Date().toISOString(),
    by: 'R. Tolland',
    mark: 'tolla',
  });
  if (!given.ok) throw new Error(given.problems.join(' '));
  return withChanges(site, [...readings, given.change]);
}

const demo = new URL('../../demo/saltmarrow.neotrope.json', import.meta.url);
const { files } = JSON.parse(readFileSync(demo, 'utf8')) as { files: AttachedFile[] };
const decided = decidedDemo(await loadHighs());
const [, , cameraId] = process.argv;
process.stdout.write(JSON.stringify(toSiteFile(cameraId ? readyToSign(decided, cameraId) : decided, files)));
