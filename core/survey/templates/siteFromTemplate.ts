import {
  addRecorder,
  addRun,
  addSupply,
  applyChanges,
  assumable,
  asKind,
  cameraKinds,
  emptySite,
  nextNumber,
  withChanges,
  type Change,
  type Site,
} from '#core/model/site';
import { siteTemplates, type SiteTemplate } from './siteTemplates';

/** What sends a picture to a recorder of today; what the real one takes is for somebody to note. */
const usualRecorder = {
  rules: 'highest-first',
  ipSlots: 0,
  bestFormat: 'hd1080',
  incomingMbps: 64,
  slotMegapixels: 5,
} as const;
const usualTransformer = { kind: 'local-adapter', current: 'ac', volts: 24, ratedAmps: 2 } as const;
const [railVolts, fuseAmps] = [12.4, 1.1];

/** The site after these changes. Templates are ours: one that does not fit is a slip in it, not in what a person typed. */
function after(site: Site, changes: readonly Change[]): Site {
  const applied = applyChanges(site, [...changes]);
  if (applied.kind === 'refused')
    throw new Error(`a template does not fit: ${applied.problems.map(({ allowed }) => allowed).join('; ')}`);
  return applied.value.site;
}

/** The place, the camera and the run of one view, with everything but their names assumed. */
function withView(
  site: Site,
  template: SiteTemplate,
  place: SiteTemplate['places'][number],
  view: SiteTemplate['places'][number]['views'][number],
  supplyId: string | null,
): Site {
  const number = nextNumber(site);
  const kind = cameraKinds.find(({ id }) => id === view.kind)!;
  // What runs on 24 V AC has its own transformer beside it in most sites.
  const isAc = kind.fields.supply.current === 'ac';
  const { changes, runId } = addRun(site, {
    number,
    name: view.name,
    placeName: place.name,
    headEndId: 'head-end',
    cable: template.cable,
    lengthM: view.lengthM,
    supplyId: isAc ? null : supplyId,
  });
  const added = after(site, changes);
  const run = added.run[runId]!;
  const camera = added.camera[run.cameraId]!;
  const at = added.place[camera.placeId]!;
  return withChanges(added, [
    {
      kind: 'place',
      id: at.id,
      set: { ...at, environment: place.environment, access: { by: 'ladder', heightM: place.heightM } },
    },
    {
      kind: 'camera',
      id: camera.id,
      set: { ...asKind(camera, kind), assumed: [...assumable] },
    },
    {
      kind: 'run',
      id: run.id,
      set: {
        ...run,
        ...(isAc ? { feed: usualTransformer } : {}),
        segments: run.segments.map((segment) => ({
          ...segment,
          environment: place.environment,
          assumed: segment.leg.kind === 'none' ? ['lengthM'] : ['lengthM', 'leg'],
        })),
      },
    },
  ]);
}

/**
 * A site as such sites usually are, to be put right on the walk: nothing of it counts as looked at but the names.
 * @returns `null` where there is no template of this id
 */
export function siteFromTemplate(id: string, name: string, headEndName: string): Site | null {
  const template = siteTemplates.find((one) => one.id === id);
  if (!template) return null;
  const views = template.places.flatMap((place) => place.views.map((view) => ({ place, view })));
  let site = emptySite(name, headEndName);
  site = after(site, [
    addRecorder(site, {
      ...usualRecorder,
      name: 'Recorder (assumed)',
      placeId: 'head-end',
      inputs: template.inputs,
    }),
  ]);
  let supplyId: string | null = null;
  if (template.power === 'box') {
    const box = addSupply(site, {
      name: 'Supply box (assumed)',
      placeId: 'head-end',
      current: 'dc',
      setVolts: railVolts,
      ratedAmps: Math.ceil(views.length * 0.6),
      outputs: views.length,
      fuseAmps,
    });
    site = after(site, [box]);
    supplyId = box.id;
  }
  for (const { place, view } of views) site = withView(site, template, place, view, supplyId);
  return site;
}
