import path from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Change, SiteFile } from '#core/model/site';
import { cleanSvg } from '../../server/files/cleanSvg';
import { startServer, type RunningServer } from '../../server/startServer';
import { demo, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let server: RunningServer;
let api: string;
beforeAll(async () => {
  server = await startServer({
    port: 0,
    dataDir: newFolder(),
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
  });
  api = `${server.address}/api`;
});
afterAll(() => server.close());

interface Kept {
  fileId: string;
  mediaType: string;
  widthPx: number;
  heightPx: number;
  remarks: string[];
  detail: string;
}
const send = async (use: string, bytes: Uint8Array | string) => {
  const answer = await fetch(`${api}/pictures?for=${use}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: typeof bytes === 'string' ? bytes : new Uint8Array(bytes),
  });
  return { status: answer.status, ...((await answer.json()) as Kept) };
};
const fetched = async (id: string) => Buffer.from(await (await fetch(`${api}/pictures/${id}`)).arrayBuffer());
const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#c2a070' } });
const svg = (inside: string, head = 'viewBox="0 0 400 300"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${inside}</svg>`;

describe('a photo', () => {
  it('is kept without its location, upright, and no larger than is of use', async () => {
    const photo = await plain(3200, 1600)
      .jpeg()
      .withExif({
        IFD0: { Make: 'Invented', Orientation: '6' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
      })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect((await sharp(photo).metadata()).exif).toBeDefined();
    const kept = await send('photo', photo);
    expect(kept).toMatchObject({
      status: 201,
      mediaType: 'image/jpeg',
      widthPx: 1200,
      heightPx: 2400,
      remarks: [],
    });
    const { exif, orientation, width } = await sharp(await fetched(kept.fileId)).metadata();
    expect([exif, orientation, width]).toEqual([undefined, undefined, 1200]);
  });
  it('is told by what is in it, not by its name', async () => {
    expect(await send('photo', await plain(10, 10).webp().toBuffer())).toMatchObject({
      status: 422,
      detail: expect.stringContaining('JPEG or PNG'),
    });
    expect(await send('photo', svg('<path d="M0 0"/>'))).toMatchObject({ status: 422 });
    expect(await send('photo', Buffer.from('\0\0\0\x18ftypheic....'))).toMatchObject({
      status: 422,
      detail: expect.stringContaining('HEIC'),
    });
    expect(await send('photo', (await plain(600, 600).jpeg().toBuffer()).subarray(0, 500))).toMatchObject({
      status: 422,
      detail: expect.stringContaining('damaged'),
    });
    expect(await send('photo', '')).toMatchObject({ status: 422, detail: expect.stringContaining('empty') });
    expect(await send('poster', 'x')).toMatchObject({ status: 400 });
  });
  it('has a limit, and a form of another site cannot send one', async () => {
    expect(await send('photo', new Uint8Array(20_000_001))).toMatchObject({
      status: 413,
      detail: expect.stringContaining('20 MB'),
    });
    expect(
      (
        await fetch(`${api}/pictures?for=photo`, {
          method: 'POST',
          headers: { 'content-type': 'text/plain' },
          body: 'x',
        })
      ).status,
    ).toBe(415);
    expect(
      (
        await fetch(`${api}/pictures?for=photo`, {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream', origin: 'http://elsewhere.example' },
          body: 'x',
        })
      ).status,
    ).toBe(403);
  });
});

describe('a drawing', () => {
  it('of 30 megapixels is made smaller, and that is said', async () => {
    const kept = await send('drawing', await plain(6000, 5000).png().toBuffer());
    expect(kept).toMatchObject({
      status: 201,
      mediaType: 'image/png',
      remarks: [expect.stringMatching(/30 megapixels; it was made smaller, to 4381 by 3651/)],
    });
    expect(kept.widthPx * kept.heightPx).toBeLessThanOrEqual(16_000_000);
  }, 60_000);
  it('as SVG can neither run nor load anything, and what was left out is named', async () => {
    const kept = await send(
      'drawing',
      svg(`
      <script>alert(1)</script><rect x="1" y="1" width="9" height="9" onload="alert(2)" style="fill:#eee"/>
      <image href="http://elsewhere.example/x.png" width="9" height="9"/><image xlink:href="data:image/png;base64,AAAA" width="9" height="9"/>
      <foreignObject><iframe src="http://elsewhere.example"/></foreignObject><style>@import "http://elsewhere.example/x.css";</style>
      <a href="javascript:alert(3)"><text x="5" y="5">Kiosk &amp; café</text></a><path d="M0 0h9" style="fill:url(http://elsewhere.example/f.svg#x)"/><use href="other.svg#x"/>
      <animate attributeName="href" to="javascript:alert(4)"/>`),
    );
    expect(kept).toMatchObject({ status: 201, mediaType: 'image/svg+xml', widthPx: 400, heightPx: 300 });
    for (const what of [
      'script',
      'onload',
      'foreignObject',
      'a link out of the drawing',
      'a style sheet that loads something',
      'animate',
    ])
      expect(kept.remarks[0]).toContain(what);
    const text = (await fetched(kept.fileId)).toString();
    expect(text).not.toMatch(/script|onload|elsewhere|iframe|animate|@import/);
    expect(text).toContain('Kiosk &amp; café');
    expect(text).toContain('data:image/png;base64,AAAA');
    const headers = (await fetch(`${api}/pictures/${kept.fileId}`)).headers;
    expect([headers.get('content-security-policy'), headers.get('x-content-type-options')]).toEqual([
      expect.stringContaining("default-src 'none'"),
      'nosniff',
    ]);
  });
  it.each([
    ['an SVG cut short', svg('<g>').slice(0, -8), 'not well-formed'],
    [
      'an entity bomb',
      `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${svg('<text>&b;</text>')}`,
      'not well-formed',
    ],
    ['an SVG without a size', svg('<g/>', ''), 'how large it is'],
    ['a page', '<html><body><svg xmlns="http://www.w3.org/2000/svg"/></body></html>', 'not an SVG'],
    ['a PDF', '%PDF-1.7 ...', 'PNG, JPEG or SVG'],
    ['a ZIP', 'PK\x03\x04......', 'PNG, JPEG or SVG'],
  ])('%s is refused in words', async (_what, bytes, says) =>
    expect(await send('drawing', bytes)).toMatchObject({
      status: 422,
      detail: expect.stringContaining(says),
    }),
  );
  it('copies of copies do not grow without bound', () => {
    const bomb = svg(
      `<defs><g id="a"><path d="M0 0h1"/></g><g id="b"><use href="#a"/><use href="#a"/></g><g id="c"><use href="#b"/><use href="#b"/></g></defs><use href="#c"/>`,
    );
    const clean = cleanSvg(bomb);
    expect(clean).toMatchObject({ kind: 'clean', leftOut: ['a copy of copies'] });
    expect(clean.kind === 'clean' && clean.svg.match(/<use/g)?.length).toBe(2);
  });
  it('that is clean comes out the same again', () => {
    const text = fc.string({ unit: fc.constantFrom('a', '<', '&', '"', "'", 'é', ' ', ']]>', '\n') });
    fc.assert(
      fc.property(
        text,
        fc.constantFrom('rect', 'script', 'path', 'g', 'style', 'text', 'iframe'),
        (words, name) => {
          const escaped = words
            .replace(/&/g, '&amp;')
            .replace(/</g, '&lt;')
            .replace(/>/g, '&gt;')
            .replace(/"/g, '&quot;');
          const once = cleanSvg(svg(`<${name} id="${escaped}" onclick="x">${escaped}</${name}>`));
          if (once.kind === 'refused') throw new Error(once.why);
          const twice = cleanSvg(once.svg);
          expect(twice).toEqual({ ...once, leftOut: [] });
        },
      ),
    );
  });
});

describe('pictures and their sites', () => {
  const drawingOf = (picture: Kept): Change => ({
    kind: 'drawing',
    id: 'quay-plan',
    set: {
      id: 'quay-plan',
      name: 'Quay plan',
      fileId: picture.fileId,
      mediaType: 'image/svg+xml',
      widthPx: picture.widthPx,
      heightPx: picture.heightPx,
    },
  });
  const edit = async (site: string, changes: Change[]) => {
    const { version } = (await (await fetch(`${api}/sites/${site}`)).json()) as { version: number };
    return post(`${api}/sites/${site}/edits`, {
      id: crypto.randomUUID(),
      site,
      baseVersion: version,
      label: 'x',
      operation: { kind: 'do' },
      by: 'R. Tolland',
      changes,
    });
  };
  it('a fact can only name a picture that is kept', async () => {
    const answer = await edit(siteId, [
      drawingOf({ fileId: 'f'.repeat(64), widthPx: 9, heightPx: 9 } as Kept),
    ]);
    expect(answer.status).toBe(422);
    expect(await answer.text()).toContain('a picture that was uploaded');
    expect((await fetch(`${api}/pictures/${'f'.repeat(64)}`)).status).toBe(404);
    expect((await fetch(`${api}/pictures/..%2F..%2Fneotrope.sqlite`)).status).toBe(404);
  });
  it('a site file carries its pictures, and another server takes them in', async () => {
    const kept = await send('drawing', svg('<rect x="1" y="1" width="300" height="200"/>'));
    expect((await edit(siteId, [drawingOf(kept)])).status).toBe(200);
    const file = (await (await fetch(`${api}/sites/${siteId}/file`)).json()) as SiteFile;
    expect(file.files.map(({ id }) => id)).toContain(kept.fileId);
    const other = await startServer({
      port: 0,
      dataDir: newFolder(),
      webDir: path.join(root, 'dist'),
      demoFile,
      reset: false,
    });
    try {
      const { id } = (await (await post(`${other.address}/api/sites/import`, file)).json()) as { id: string };
      expect(await (await fetch(`${other.address}/api/sites/${id}/file`)).json()).toEqual(file);
      expect((await fetch(`${other.address}/api/pictures/${kept.fileId}`)).status).toBe(200);
      const without = await post(`${other.address}/api/sites/import`, {
        ...file,
        drawings: file.drawings.map((drawing) => ({ ...drawing, fileId: 'e'.repeat(64) })),
      });
      expect([without.status, await without.text()]).toEqual([
        422,
        expect.stringContaining('the picture that'),
      ]);
    } finally {
      await other.close();
    }
  });
  it('one that was tampered with in the file comes in clean, and the facts follow it', async () => {
    const file = (await (await fetch(`${api}/sites/${siteId}/file`)).json()) as SiteFile;
    const evil = svg('<script>alert(1)</script><rect x="1" y="1" width="300" height="200"/>');
    const files = file.files.map((one) =>
      one.id === file.drawings.at(-1)!.fileId
        ? { ...one, base64: Buffer.from(evil).toString('base64') }
        : one,
    );
    const { id } = (await (await post(`${api}/sites/import`, { ...file, files })).json()) as { id: string };
    const back = (await (await fetch(`${api}/sites/${id}/file`)).json()) as SiteFile;
    expect(
      Buffer.from(
        back.files.find((one) => one.id === back.drawings.at(-1)!.fileId)!.base64,
        'base64',
      ).toString(),
    ).not.toContain('script');
  });
});

describe('several sites', () => {
  interface Summary {
    id: string;
    name: string;
    version: number;
    archivedAt: string | null;
  }
  const sites = async () => ((await (await fetch(`${api}/sites`)).json()) as { sites: Summary[] }).sites;
  it('a copy has everything but the log, under its own name', async () => {
    const copy = (await (
      await post(`${api}/sites/${siteId}/duplicate`, { name: 'Saltmarrow, second offer' })
    ).json()) as Summary;
    expect(copy).toMatchObject({ id: 'saltmarrow-second-offer', version: 0 });
    const [one, two] = await Promise.all(
      [siteId, copy.id].map(
        async (id) => (await (await fetch(`${api}/sites/${id}/file`)).json()) as SiteFile,
      ),
    );
    expect({ ...two!, about: one!.about }).toEqual(one);
    expect((await post(`${api}/sites/atlantis/duplicate`, { name: 'x' })).status).toBe(404);
    expect((await post(`${api}/sites/${siteId}/duplicate`, {})).status).toBe(400);
  });
  it('is put out of the way and back, and loses nothing by it', async () => {
    const before = await (await fetch(`${api}/sites/${siteId}`)).json();
    expect(
      (await (await post(`${api}/sites/${siteId}/archive`, { archived: true })).json()) as Summary,
    ).toMatchObject({ archivedAt: expect.any(String) });
    expect((await sites()).find(({ id }) => id === siteId)?.archivedAt).toBeTruthy();
    await post(`${api}/sites/${siteId}/archive`, { archived: false });
    expect((await sites()).find(({ id }) => id === siteId)?.archivedAt).toBeNull();
    expect(await (await fetch(`${api}/sites/${siteId}`)).json()).toEqual(before);
    expect((await post(`${api}/sites/atlantis/archive`, { archived: true })).status).toBe(404);
  });
  it('the demo can be had anew, as it ships', async () => {
    const fresh = (await (await post(`${api}/sites/demo`, {})).json()) as Summary;
    expect(fresh.name).toBe('Saltmarrow Ferry Terminal');
    expect(await (await fetch(`${api}/sites/${fresh.id}/file`)).json()).toEqual(demo());
  });
});
