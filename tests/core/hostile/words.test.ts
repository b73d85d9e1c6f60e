import { describe, expect, it } from 'vitest';
import { readPeopleCsv } from '../../../core/files/people-csv';
import { readPeopleVcards } from '../../../core/files/people-vcard';
import { readShop, writeShop } from '../../../core/files/shop-file';
import { readSvg } from '../../../core/files/svg-in/read';
import { pathBounds } from '../../../core/geometry/path';
import { SHOPS } from '../../../core/trade/shops';
import { kit } from '../../kit';

/** Text files that grow when they are read: within bounds, or refused in words. */

const svg = (inner: string): Uint8Array =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100">${inner}</svg>`);
const read = (inner: string) => readSvg(svg(inner), kit.fonts);

/** Each group uses the one before ten times. */
const ladder = (rungs: number): string =>
  Array.from({ length: rungs }, (_, i) => `<g id="g${i + 1}">${`<use href="#g${i}" x="1"/>`.repeat(10)}</g>`).join('');

describe('a drawing', () => {
  it('that uses its parts over and over is refused', () => {
    expect(() => read(`<defs><rect id="g0" width="9" height="9"/>${ladder(12)}</defs><use href="#g12"/>`)).toThrow(
      /uses its parts more than 200000 times.*as a picture instead/,
    );
  });
  it('that uses its parts a thousand times is none of these', () => {
    const { items } = read(`<defs><rect id="g0" width="9" height="9"/>${ladder(3)}</defs><use href="#g3"/>`);
    expect(items).toHaveLength(1);
  });
  it('of drawings in drawings is read once, however deep, and cut off by each frame', () => {
    const deep = 60;
    const open = '<svg width="50" height="50">'.repeat(deep);
    const { items } = read(`${open}<rect width="80" height="20"/>${'</svg>'.repeat(deep)}`);
    const [item] = items;
    expect(item?.kind === 'area' && Math.max(...item.path.flatMap(([, x]) => x ?? 0))).toBeCloseTo(50 * 0.75, 6);
  });
  it.each([
    [
      'a clip that clips itself',
      '<clipPath id="c" clip-path="url(#c)"><rect width="5" height="5"/></clipPath><rect clip-path="url(#c)" width="9" height="9"/>',
    ],
    ['a group that uses itself', '<g id="a"><use href="#a"/><rect width="9" height="9"/></g>'],
    [
      'gradients that take after each other',
      '<linearGradient id="a" href="#b"/><linearGradient id="b" href="#a"/><rect fill="url(#a)" width="9" height="9"/><rect width="3" height="3"/>',
    ],
  ])('with %s ends', (_, inner) => {
    expect(read(inner).items.length).toBeGreaterThan(0);
  });
  it('of clips in clips in clips is read, each made once', () => {
    const rect = (i: number): string => `<rect width="9" height="9" clip-path="url(#c${i})"/>`;
    const clips = Array.from({ length: 16 }, (_, i) => `<clipPath id="c${i + 1}">${rect(i).repeat(12)}</clipPath>`);
    const { items } = read(`<clipPath id="c0"><rect width="9" height="4"/></clipPath>${clips.join('')}${rect(16)}`);
    const box = items[0]?.kind === 'area' ? pathBounds(items[0].path) : undefined;
    expect([box?.width, box?.height].map((side) => side?.toFixed(6))).toEqual(['6.750000', '3.000000']);
  });
});

describe('contact cards', () => {
  const card = (lines: string): string => `BEGIN:VCARD\r\nVERSION:2.1\r\n${lines}\r\nEND:VCARD\r\n`;
  it('of a hundred thousand soft breaks are read', () => {
    const name = `FN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:Ada=\r\n${'=\r\n'.repeat(100_000)} Quill`;
    expect(readPeopleVcards(card(name))).toMatchObject([{ name: 'Ada Quill' }]);
  });
  it('keep letters beyond ASCII, and what only looks quoted', () => {
    const name = 'FN;ENCODING=QUOTED-PRINTABLE;CHARSET=UTF-8:J=C3=BCrgen =\r\nÄsop =4 =ZZ';
    expect(readPeopleVcards(card(`${name}\r\nTITLE:100 =\r\nTEL:01632 960110`))).toMatchObject([
      { name: 'Jürgen Äsop =4 =ZZ', title: '100 =', direct: '01632 960110' },
    ]);
  });
  it('and tables far larger than any are refused', () => {
    const long = 'x'.repeat(50_000_001);
    expect(() => readPeopleVcards(long)).toThrow(/far larger/);
    expect(() => readPeopleCsv(long)).toThrow(/far larger/);
  });
});

describe('a shop’s spec', () => {
  const shop = SHOPS[0]!;
  const spec = JSON.parse(writeShop(shop));
  /** Every number in a spec, as a way to put another there. */
  const numbersIn = (at: Record<string, unknown>, path: readonly string[] = []): string[][] =>
    Object.entries(at).flatMap(([name, value]) => {
      if (typeof value === 'number') return [[...path, name]];
      return value && typeof value === 'object' ? numbersIn(value as never, [...path, name]) : [];
    });
  it.each(numbersIn(spec).map((path) => [path.join('.'), path] as const))('has bounds for %s', (_, path) => {
    for (const wrong of [1e300, -5]) {
      const other = structuredClone(spec);
      const holder = path.slice(0, -1).reduce((at, name) => at[name], other);
      holder[path.at(-1)!] = wrong;
      expect(() => readShop(JSON.stringify(other))).toThrow(/cannot be used/);
    }
  });
});
