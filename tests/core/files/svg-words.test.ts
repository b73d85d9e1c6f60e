import { describe, expect, it } from 'vitest';
import { writeSvg } from '../../../core/files/svg-file';
import { staysText } from '../../../core/files/svg-words';
import { readXml } from '../../../core/files/xml';
import { makeWords } from '../../../core/job/make';
import type { Element, Job } from '../../../core/job/schema';
import type { GlyphRun } from '../../../core/scene/device';
import { cardWith, kit, mm } from '../../kit';

const written = (elements: Element[], words: 'text' | 'outlines' = 'text'): string => {
  const job: Job = cardWith(elements);
  const press = kit.press('general-coated');
  return writeSvg(job, job.pieces[0]!, 0, mm(3), { ...kit, press, assets: {} }, words).text;
};
const words = (text: string, more: Partial<Element> = {}): Element =>
  ({ ...makeWords({ id: 'w', text, x: 40, y: 60, lettering: { size: 14 } }), ...more }) as Element;
const textsOf = (svg: string): { words: string; xs: number[] }[] =>
  [...readXml(svg)!.getElementsByTagName('text')].map((each) => ({
    words: each.textContent ?? '',
    xs: (each.getAttribute('x') ?? '').split(' ').map(Number),
  }));

describe('words of an SVG drawing', () => {
  it('are text with a place for each letter, left to right', () => {
    const [only, ...others] = textsOf(written([words('Rosemary & thyme <3')]));
    expect(others).toEqual([]);
    expect(only!.words).toBe('Rosemary & thyme <3');
    expect(only!.xs).toHaveLength(only!.words.length);
    expect(only!.xs.every((x, i, all) => i === 0 || x > all[i - 1]!)).toBe(true);
  });
  it('bring their font cut down to what is in use, once', () => {
    const svg = written([words('aaa'), { ...words('aaa', { y: 90 }), id: 'v' }]);
    const faces = svg.match(/@font-face\{font-family:words-\d;src:url\(data:font\/otf;base64,[A-Za-z0-9+/=]+\)\}/g)!;
    expect(faces).toHaveLength(1);
    expect(faces[0]!.length).toBeLessThan(written([words('Sphinx of black quartz, judge my vow')]).length / 2);
    expect(svg).toContain('SourceSans3-Regular');
  });
  it('are outlines where no character stands for a glyph by itself, as in a ligature', () => {
    const lettering = { typeface: 'alegreya/regular', size: 14 };
    const svg = written([{ ...makeWords({ id: 'w', text: 'office', x: 40, y: 60, lettering }) }]);
    const told = textsOf(svg).map(({ words: each }) => each);
    expect(told.join('')).not.toBe('office');
    expect('office'.startsWith(told.join('').charAt(0))).toBe(true);
    expect(svg).toMatch(/<path d="M[^"]+" fill/);
  });
  it('turn with their element', () => {
    const svg = written([words('Turned', { turn: 20 })]);
    expect(svg).toMatch(/<g transform="matrix\(0\.9396926\d* 0\.3420201\d*/);
    expect(textsOf(svg)[0]!.words).toBe('Turned');
  });
  it('are outlines of typefaces that may not go along, or where a gradient would turn with the letters', () => {
    const run = (embedding: string, angle?: number) => ({ font: { embedding }, angle }) as unknown as GlyphRun;
    const ink = { Black: 1 };
    const shade = { kind: 'linear', matrix: [1, 0, 0, 1, 0, 0], stops: [] } as never;
    expect(staysText(run('allowed'), ink)).toBe(true);
    expect(staysText(run('whole', 30), ink)).toBe(true);
    expect(staysText(run('forbidden'), ink)).toBe(false);
    expect(staysText(run('allowed'), shade)).toBe(true);
    expect(staysText(run('allowed', 30), shade)).toBe(false);
  });
  it('are not there at all as outlines', () => {
    const svg = written([words('Rosemary')], 'outlines');
    expect(svg).not.toContain('<text');
    expect(svg).not.toContain('@font-face');
  });
});
