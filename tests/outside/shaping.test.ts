import { describe, expect, it } from 'vitest';
import { packageFile } from '../../cli/kit';
import { TYPEFACES } from '../../core/type/typefaces';
import { kit } from '../kit';
import { run } from './tools';

/** Shaping against HarfBuzz's own `hb-shape`: the same glyphs, clusters, advances and offsets. */
const STRINGS = [
  'Iris Calloway',
  'AVATAR To Ty We. Yes, 1/2',
  'office fjord affluent waffle flight',
  'Crème brûlée, naïve coöperation',
  'e\u0301clair a\u0308pfel o\u0302',
  '01632 960 118 · iris@hollinandfen.example',
  '“Quoted” – and — dashed… (it’s)',
  'Ελληνικά Кириллица Tiếng Việt',
  'Hollin & Fen\u00a0Ltd',
];

describe.each(TYPEFACES.map((face) => face.id))('%s', (id) => {
  it('shapes as hb-shape does', () => {
    const font = kit.fonts.font(id);
    const file = packageFile(TYPEFACES.find((face) => face.id === id)!.file);
    for (const text of STRINGS) {
      const rows = JSON.parse(
        run('hb-shape', ['--no-glyph-names', '--output-format=json', '--utf8-clusters', file, text]),
      ) as {
        g: number;
        cl: number;
        ax: number;
        dx: number;
        dy: number;
      }[];
      // hb-shape counts clusters in bytes, the page in UTF-16 units.
      const bytesBefore = (index: number): number => new TextEncoder().encode(text.slice(0, index)).length;
      const ours = font
        .shape(text)
        .map(({ id: g, cluster, advance, dx, dy }) => ({ g, cl: bytesBefore(cluster), ax: advance, dx, dy }));
      expect(ours).toEqual(rows.map(({ g, cl, ax, dx, dy }) => ({ g, cl, ax, dx, dy })));
    }
  });
});
