import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Change, SiteFile } from '#core/model/site';
import { cleanSvg } from '../../server/files/cleanSvg';
import { reimportPicture } from '../../server/files/takePicture';
import { startServer, type RunningServer } from '../../server/startServer';
import { placeFor } from './placeUnderTest';
import { demo, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let server: RunningServer;
let api: string;
beforeAll(async () => {
  server = await startServer({
    port: 0,
    ...(await placeFor(newFolder())),
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
      detail: expect.stringContaining('JPEG, PNG or HEIC'),
    });
    expect(await send('photo', svg('<path d="M0 0"/>'))).toMatchObject({ status: 422 });
    expect(await send('photo', Buffer.from('\0\0\0\x18ftypheic....'))).toMatchObject({
      status: 422,
      detail: expect.stringContaining('HEIC photo is damaged'),
    });
    expect(await send('photo', (await plain(600, 600).jpeg().toBuffer()).subarray(0, 500))).toMatchObject({
      status: 422,
      detail: expect.stringContaining('damaged'),
    });
    expect(await send('photo', '')).toMatchObject({ status: 422, detail: expect.stringContaining('empty') });
    expect(await send('poster', 'x')).toMatchObject({ status: 400 });
  });
  it('comes from a phone as HEIC, and is kept as a JPEG that every browser shows', async () => {
    const heic = readFileSync(path.join(import.meta.dirname, 'pictures', 'bracket.heic'));
    const kept = await send('photo', heic);
    expect(kept).toMatchObject({ status: 201, mediaType: 'image/jpeg', widthPx: 96, heightPx: 64 });
    const { data } = await sharp(await fetched(kept.fileId))
      .raw()
      .toBuffer({ resolveWithObject: true });
    // The blue field in its corner, and the brown around it.
    const at = (x: number, y: number) => [...data.subarray(3 * (y * 96 + x), 3 * (y * 96 + x) + 3)];
    const near = (found: number[], wanted: number[]) =>
      found.forEach((value, k) => expect(Math.abs(value - wanted[k]!)).toBeLessThan(24));
    near(at(20, 20), [0x20, 0x40, 0x60]);
    near(at(70, 50), [0xb0, 0x80, 0x50]);
    expect(await send('photo', heic.subarray(0, 500))).toMatchObject({ status: 422 });
  });
  it('of more megapixels than any phone takes is refused before it is decoded', async () => {
    const heic = readFileSync(path.join(import.meta.dirname, 'pictures', 'flat-63mp.heic'));
    expect(await send('photo', heic)).toMatchObject({
      status: 422,
      detail: expect.stringContaining('63 megapixels'),
    });
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
      <image href="http://elsewhere.example/x.png" width="9" height="9"/><image xlink:href="data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==" width="9" height="9"/>
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
    expect(text).toContain(
      'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==',
    );
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
  it.each<[string, string]>([
    [
      'copies of copies of copies',
      Array.from(
        { length: 8 },
        (_, level) =>
          `<g id="g${level}">${level === 0 ? '<path d="M0 0h1"/>' : `<use href="#g${level - 1}"/>`.repeat(10)}</g>`,
      ).join(''),
    ],
    ['a copy of itself', '<g id="a"><use href="#a"/></g><use href="#a"/>'],
    [
      'patterns filled with patterns',
      Array.from(
        { length: 8 },
        (_, level) =>
          `<pattern id="p${level}">${`<rect width="1" height="1" fill="url(#p${level - 1})"/>`.repeat(10)}</pattern>`,
      ).join('') + '<rect width="9" height="9" fill="url(#p7)"/>',
    ],
    [
      'a mask on each of a thousand',
      `<mask id="m">${'<path d="M0 0h1"/>'.repeat(1000)}</mask>${'<path d="M0 0h1" mask="url(#m)"/>'.repeat(1000)}`,
    ],
    [
      'a style that masks all of them',
      `<style>path { mask: url(#m) }</style><mask id="m">${'<rect width="1" height="1"/>'.repeat(1000)}</mask>${'<path d="M0 0h1"/>'.repeat(1000)}`,
    ],
  ])('that draws without bound by %s is refused', (_, inside) => {
    const clean = cleanSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${inside}</svg>`);
    expect(clean).toMatchObject({
      kind: 'refused',
      why: expect.stringMatching(/again and again, or itself/) as string,
    });
  });
  it('of copies of copies that stay few is as it was', () => {
    const plan =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g id="door"><path d="M0 0h1"/></g><g id="room"><use href="#door"/></g><use href="#room"/><use href="#room"/></svg>';
    const clean = cleanSvg(plan);
    expect(clean).toMatchObject({ kind: 'clean', leftOut: [] });
    expect(clean.kind === 'clean' && clean.svg.match(/<use/g)?.length).toBe(3);
  });
  it('nested without end is refused as quickly as it is read', () => {
    const deep = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${'<script>'.repeat(40_000)}`;
    expect(cleanSvg(deep)).toMatchObject({ kind: 'refused', why: expect.stringContaining('deep') as string });
  });
  it.each([
    ['image-set', 'background: image-set("http://elsewhere/x.png" 1x)'],
    ['an image without url', 'background: image("http://elsewhere/x.png")'],
    ['a split url', 'background: u\\72l(http://elsewhere/x.png)'],
    ['a font', '@font-face { src: url(http://elsewhere/x.woff) }'],
  ])('loads nothing by a style: %s', (_, style) => {
    const clean = cleanSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><style>.a { ${style} }</style><path class="a" d="M0 0h1" style="${style.replaceAll('"', "'")}"/></svg>`,
    );
    expect(clean.kind === 'clean' && clean.svg).not.toMatch(/elsewhere/);
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
  const pictureFields = ({ fileId, mediaType, widthPx, heightPx }: Kept) =>
    ({ fileId, mediaType, widthPx, heightPx }) as {
      fileId: string;
      mediaType: 'image/svg+xml';
      widthPx: number;
      heightPx: number;
    };
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
    const mark = await send('drawing', svg('<rect x="1" y="1" width="90" height="30"/>'));
    const { about } = (await (await fetch(`${api}/sites/${siteId}/file`)).json()) as SiteFile;
    const firm = { name: 'Installers', address: '', logo: pictureFields(mark) };
    const noted: Change = { kind: 'about', id: 'about', set: { ...about, firm } };
    expect((await edit(siteId, [drawingOf(kept), noted])).status).toBe(200);
    const text = await (await fetch(`${api}/sites/${siteId}/file`)).text();
    const file = JSON.parse(text) as SiteFile;
    expect(text).toBe(`${JSON.stringify(file, null, 1)}\n`);
    expect(file.files.map(({ id }) => id)).toEqual(expect.arrayContaining([kept.fileId, mark.fileId]));
    const other = await startServer({
      port: 0,
      ...(await placeFor(newFolder())),
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

describe('a picture out of a site file', () => {
  const pixels = { create: { width: 40, height: 30, channels: 3 as const, background: '#407080' } };
  const secret = 'IFD0 of a phone: 54.1 N 0.2 W';
  const withExif = (type: 'png' | 'jpeg') =>
    sharp(pixels)
      .withExif({ IFD0: { Copyright: secret } })
      [type]()
      .toBuffer();
  const bare = (type: 'png' | 'jpeg') => sharp(pixels)[type]().toBuffer();
  it.each(['png', 'jpeg'] as const)('that is nothing but its pixels stays as it is: %s', async (type) => {
    const taken = await reimportPicture(await bare(type));
    expect(taken.kind === 'taken' && taken.picture.bytes.equals(await bare(type))).toBe(true);
  });
  it.each(['png', 'jpeg'] as const)(
    'with words in it, or anything behind its end, is drawn anew: %s',
    async (type) => {
      for (const bytes of [
        await withExif(type),
        Buffer.concat([await bare(type), Buffer.from(`<script>${secret}</script>`)]),
      ]) {
        expect(bytes.includes(secret)).toBe(true);
        const taken = await reimportPicture(bytes);
        if (taken.kind === 'refused') throw new Error(taken.why);
        expect(taken.picture.bytes.includes(secret)).toBe(false);
        expect([taken.picture.widthPx, taken.picture.heightPx]).toEqual([40, 30]);
      }
    },
  );
  it.each(['png', 'jpeg'] as const)('that was cut short is refused: %s', async (type) => {
    const noise = Buffer.from(Array.from({ length: 120 * 90 * 3 }, (_, k) => (k * 7919) % 251));
    const whole = await sharp(noise, { raw: { width: 120, height: 90, channels: 3 } })
      [type]()
      .toBuffer();
    for (const share of [0.3, 0.7, 0.98])
      expect(await reimportPicture(whole.subarray(0, Math.floor(whole.length * share)))).toMatchObject({
        kind: 'refused',
      });
  });
  it('within a drawing loses what its camera wrote into it', async () => {
    const photo = await withExif('jpeg');
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><image width="9" height="9" href="data:image/jpeg;base64,${photo.toString('base64')}"/></svg>`;
    const taken = await reimportPicture(Buffer.from(drawing));
    if (taken.kind === 'refused') throw new Error(taken.why);
    const [, inside] = /base64,([^"]+)/.exec(taken.picture.bytes.toString('utf8'))!;
    expect(Buffer.from(inside!, 'base64').includes(secret)).toBe(false);
    // What has come out comes out the same again.
    const again = await reimportPicture(taken.picture.bytes);
    expect(again.kind === 'taken' && again.picture.bytes.equals(taken.picture.bytes)).toBe(true);
  });
});
