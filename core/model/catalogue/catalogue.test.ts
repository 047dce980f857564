import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { applyChanges, productSchema, type Change, type Product, type Site } from '#core/model/site';
import { saltmarrowSite } from '../site/testSite';
import {
  cameraFor,
  catalogueOf,
  genericProducts,
  parseDistances,
  distancesText,
  priceGaps,
  priceListOf,
  productOf,
  readPriceList,
} from '.';

const site = saltmarrowSite();
const withProduct = (...products: Product[]): Site => ({
  ...site,
  product: Object.fromEntries(products.map((product) => [product.id, product])),
});
const converter = productOf(catalogueOf(site), 'coax-converter', 'converter');
const after = (changes: readonly Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};

describe('the catalogue', () => {
  it('has each generic row once, every one as the schema of products has it and priced above nothing', () => {
    expect(z.array(productSchema).parse(genericProducts)).toEqual(genericProducts);
    expect(new Set(genericProducts.map(({ id }) => id)).size).toBe(genericProducts.length);
    expect(
      priceGaps(
        site,
        genericProducts.map(({ id }) => id),
      ),
    ).toEqual([]);
  });
  it('a site’s own row takes the place of the generic one, and others stand beside it', () => {
    const own = withProduct(
      { ...converter, each: 60 },
      { ...converter, id: 'long-reach', name: 'Long reach' },
    );
    expect(productOf(catalogueOf(own), 'coax-converter', 'converter').each).toBe(60);
    expect(productOf(catalogueOf(own), 'long-reach', 'converter').name).toBe('Long reach');
    expect(catalogueOf(own)).toBe(catalogueOf(own));
  });
  it('a row of another kind under a generic id does not take its place', () => {
    expect(
      productOf(
        catalogueOf(withProduct({ id: 'coax-converter', kind: 'rate', name: 'x', each: 1, from: 'typical' })),
        'coax-converter',
        'converter',
      ).each,
    ).toBe(95);
  });
  it('a view gets the model that was picked for it, of the signal that is asked for', () => {
    const model: Product = {
      ...productOf(catalogueOf(site), 'ip-fixed-4mp', 'camera'),
      id: 'own',
      name: 'Own',
      watts: 4,
    };
    const catalogue = catalogueOf(withProduct(model));
    expect(cameraFor(catalogue, { modelId: 'own', target: 'fixed-8mp' }, 'ip').watts).toBe(4);
    expect(cameraFor(catalogue, { modelId: 'own', target: 'fixed-8mp' }, 'hd').id).toBe('hd-fixed-8mp');
    expect(cameraFor(catalogue, { target: 'fixed-2mp' }, 'ip').id).toBe('ip-fixed-2mp');
  });
  it('a price that is missing or nothing is said in words with the way out', () => {
    const gaps = priceGaps(
      withProduct(
        { ...converter, each: null },
        { id: 'labour', kind: 'rate', name: 'Labour', each: 0, from: 'typical' },
      ),
      ['coax-converter', 'swap-ip-camera'],
    );
    expect(gaps).toMatchObject([
      {
        productId: 'coax-converter',
        kind: 'missing',
        message: expect.stringMatching(/has no price.*Set its price/) as string,
      },
      {
        productId: 'labour',
        kind: 'zero',
        message: expect.stringMatching(/costs nothing.*Set its price/) as string,
      },
    ]);
  });
});

describe('a price list', () => {
  it('comes in again as it went out', () =>
    expect(readPriceList(site, priceListOf(site))).toEqual({
      changes: [],
      problems: [],
      unchanged: genericProducts.length,
    }));
  it('changes what it says and leaves the rest', () => {
    const { changes } = readPriceList(site, [
      { id: 'coax-converter', each: '80,50' },
      { id: 'swap-ip-camera', hours: '2', 'dark hours': '0.5' },
    ]);
    const at = catalogueOf(after(changes));
    expect(productOf(at, 'coax-converter', 'converter')).toEqual({ ...converter, each: 80.5 });
    expect(productOf(at, 'swap-ip-camera', 'task')).toMatchObject({
      hours: 2,
      darkHours: 0.5,
      name: 'Swap to an IP camera',
    });
  });
  it('an empty price takes it away, and a row with a new id is the site’s own', () => {
    const { changes } = readPriceList(site, [
      { id: 'balun', each: '' },
      {
        id: 'camera-x',
        kind: 'camera',
        name: 'Camera X',
        each: '210',
        serves: 'fixed-4mp',
        signal: 'ip',
        megapixels: '4',
        watts: '6.2',
        'lamp watts': '2',
        'heater watts': '0',
        'Mb/s': '5',
      },
    ]);
    const at = catalogueOf(after(changes));
    expect(productOf(at, 'balun', 'part').each).toBeNull();
    expect(productOf(at, 'camera-x', 'camera')).toMatchObject({ watts: 6.2, mbps: 5, from: 'data-sheet' });
  });
  it.each([
    [{ id: 'balun', each: 'cheap' }, /row 2/, /figure under “each”/],
    [{ id: 'balun', each: '-3' }, /row 2, each/, /0/],
    [{ id: 'thing', kind: 'toy' }, /row 2/, /a kind: camera/],
    [{ id: 'coax-converter', distances: 'far' }, /row 2/, /100 m: 90 Mb/],
    [{ id: 'coax-converter', distances: '300 m: 60 Mb/s, 20 W; 100 m: 90 Mb/s, 28 W' }, /row 2/, /rise/],
  ])('%j is refused with its row', (row, path, allowed) => {
    const { problems, changes } = readPriceList(site, [row]);
    expect(changes).toEqual([]);
    expect(problems[0]?.path).toMatch(path);
    expect(problems[0]?.allowed).toMatch(allowed);
  });
  it('a distance table is read as it is written, with or without units', () => {
    const rows = [
      { lengthM: 100, mbps: 90, watts: 28 },
      { lengthM: 300, mbps: 60.5, watts: 20 },
    ];
    expect(parseDistances(distancesText(rows))).toEqual(rows);
    expect(parseDistances('100 90 28\n300, 60.5, 20')).toEqual(rows);
    expect(parseDistances('100 m')).toBeNull();
    expect(parseDistances('')).toEqual([]);
  });
});
