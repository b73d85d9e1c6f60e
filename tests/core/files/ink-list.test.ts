import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ink } from '../../../core/colour/ink';
import { InkListError, readInkList, writeCxf, writeInkList } from '../../../core/files/ink-list';
import { readXml } from '../../../core/files/xml';
import { checkKit } from '../../kit';

const { press } = checkKit;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const inks: Ink[] = [
  { id: 'paper', name: 'Paper', kind: 'process', cmyk: [0, 0, 0, 0] },
  { id: 'a', name: 'Fen green', kind: 'process', cmyk: [0.85, 0.38, 0.72, 0.45] },
  { id: 'b', name: 'Copper & "co" <1>', kind: 'spot', cmyk: [0.2, 0.62, 0.78, 0.14], lab: [52.5, 32.25, 35] },
];

describe('a list of inks', () => {
  it('as JSON comes back as it was, without the paper', () => {
    expect(readInkList(bytes(writeInkList(inks)), press)).toEqual({ inks: inks.slice(1), left: [] });
  });
  it('as CxF comes back with its names, kinds, percents and measures', () => {
    const text = writeCxf(inks, press, '2026-01-02T03:04:05Z');
    expect(readXml(text)?.documentElement?.namespaceURI).toBe('http://colorexchangeformat.com/CxF3-core');
    const { inks: read, left } = readInkList(bytes(text), press);
    expect(left).toEqual([]);
    expect(read.map(({ name, kind, cmyk }) => ({ name, kind, cmyk }))).toEqual(
      inks.slice(1).map(({ name, kind, cmyk }) => ({ name, kind, cmyk })),
    );
    expect(read[1]!.lab).toEqual([52.5, 32.25, 35]);
  });
  it('with L*a*b* or sRGB only is separated for the press', () => {
    const object = (name: string, values: string) =>
      `<cc:Object Name="${name}" ObjectType="Standard"><cc:ColorValues>${values}</cc:ColorValues></cc:Object>`;
    const cxf = (objects: string) =>
      `<?xml version="1.0"?><cc:CxF xmlns:cc="http://colorexchangeformat.com/CxF3-core"><cc:Resources><cc:ObjectCollection>${objects}</cc:ObjectCollection></cc:Resources></cc:CxF>`;
    const { inks: read, left } = readInkList(
      bytes(
        cxf(
          object('Measured', '<cc:ColorCIELab><cc:L>50</cc:L><cc:A>0</cc:A><cc:B>0</cc:B></cc:ColorCIELab>') +
            object('Screen', '<cc:ColorSRGB><cc:R>0</cc:R><cc:G>128</cc:G><cc:B>96</cc:B></cc:ColorSRGB>') +
            object('Spectral', '<cc:ReflectanceSpectrum>0.1 0.2</cc:ReflectanceSpectrum>'),
        ),
      ),
      press,
    );
    expect(read.map(({ name }) => name)).toEqual(['Measured', 'Screen']);
    expect(left).toEqual(['Spectral']);
    expect(press.lab(read[0]!.cmyk)[0]).toBeCloseTo(50, -1);
    expect(read[1]!.cmyk).toEqual(press.separate([0, 128, 96]));
  });
  it.each([
    ['nothing', ''],
    ['words', 'hello'],
    ['half of JSON', '{"format":'],
    ['other JSON', '{"format":"x"}'],
    ['a spot of a process plate’s name', writeInkList([{ id: 'c', name: 'Cyan', kind: 'spot', cmyk: [1, 0, 0, 0] }])],
    ['another XML', '<svg/>'],
    ['entities', '<!DOCTYPE x [<!ENTITY a "b">]><CxF/>'],
    ['no colours', '<CxF/>'],
  ])('is refused in words: %s', (_, text) => {
    expect(() => readInkList(bytes(text), press)).toThrow(InkListError);
  });
  it('never falls over, whatever it is given', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (any) => {
        try {
          readInkList(any, press);
        } catch (error) {
          expect(error).toBeInstanceOf(InkListError);
        }
      }),
      { numRuns: 200 },
    );
  });
});
