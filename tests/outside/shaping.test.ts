import { describe, expect, it } from 'vitest';
import { packageFile } from '../../cli/kit';
import { TYPEFACES } from '../../core/type/typefaces';
import { kit } from '../kit';
import { run } from './tools';

/** Shaping against HarfBuzz's own `hb-shape`: the same glyphs, clusters, advances and offsets. */

const WORDS =
  'Iris Calloway Head gardener AVATAR To Ty We Yes office fjord affluent waffle flight Crème brûlée naïve coöperation Straße Łódź Þingvellir Dvořák Ελληνικά κήπος Кириллица садовник Việt Nam nghiên cứu 01632 960 118 1/2 3/4 2026 £12.50 “Quoted” ‘single’ – — … · • & @ # % (it’s) [x] {y} e\u0301clair a\u0308pfel o\u0302'.split(
    ' ',
  );
/** 200 strings: single words, pairs and triples of them, with marks, ligatures, figures and several scripts. */
const STRINGS = Array.from({ length: 200 }, (_, i) =>
  Array.from({ length: 1 + (i % 3) }, (_unused, k) => WORDS[(i * 7 + k * 13) % WORDS.length]!).join(' '),
);
const FACES = [
  'alegreya/regular',
  'cormorant-garamond/semibold',
  'eb-garamond/italic',
  'source-sans-3/regular',
  'raleway/bold',
  'great-vibes/regular',
];
const FEATURES: Record<string, number>[] = [{}, { smcp: 1, onum: 1, liga: 0, kern: 0, ss01: 1 }];

describe.each(FACES)('%s', (id) => {
  it.each(FEATURES)('shapes 200 strings as hb-shape does, with %j', (features) => {
    const font = kit.fonts.font(id);
    const file = packageFile(TYPEFACES.find((face) => face.id === id)!.file);
    const settings = Object.entries(features)
      .map(([tag, value]) => `${tag}=${value}`)
      .join(',');
    const output = run(
      'hb-shape',
      [
        '--no-glyph-names',
        '--output-format=json',
        '--utf8-clusters',
        '--direction=ltr',
        ...(settings ? [`--features=${settings}`] : []),
        '--text-file=-',
        file,
      ],
      `${STRINGS.join('\n')}\n`,
    );
    const lines = output.trim().split('\n');
    expect(lines.length).toBe(STRINGS.length);
    STRINGS.forEach((text, i) => {
      const rows = JSON.parse(lines[i]!) as { g: number; cl: number; ax: number; dx: number; dy: number }[];
      // hb-shape counts clusters in bytes, the page in UTF-16 units.
      const bytesBefore = (index: number): number => new TextEncoder().encode(text.slice(0, index)).length;
      const ours = font
        .shape({ text, features })
        .map(({ id: g, cluster, advance, dx, dy }) => ({ g, cl: bytesBefore(cluster), ax: advance, dx, dy }));
      expect(ours).toEqual(rows.map(({ g, cl, ax, dx, dy }) => ({ g, cl, ax, dx, dy })));
    });
  });
});
