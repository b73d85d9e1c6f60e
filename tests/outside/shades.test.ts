import { afterAll, describe, it } from 'vitest';
import { form, page } from './page-by-hand';
import { expectPlates } from './plates-of-page';
import { tidyUp } from './tools';

afterAll(tidyUp);

/** Colours that run (ISO 32000-1, 8.7.4.5.2 to 4), written by hand and read by Ghostscript. */

const RUN = '<</FunctionType 2/Domain[0 1]/N 1/C0[0.9 0 0.1 0]/C1[0 0.8 0 0.3]>>';
const shading = (kind: number, entries: string, run = RUN): string =>
  `<</ShadingType ${kind}/ColorSpace/DeviceCMYK${entries}/Function ${run}>>`;
/** Laid over the page, and as what an area is filled with. */
const laid = (dict: string, more: readonly string[] = []): Uint8Array =>
  page('/S sh', '/Shading<</S 5 0 R>>', [dict, ...more]);
const filled = (dict: string): Uint8Array =>
  page('/Pattern cs /P scn 10 10 200 100 re f', '/Pattern<</P<</PatternType 2/Shading 5 0 R>>>>', [dict]);

const stream = (entries: string, data: string): string =>
  `<<${entries}/Length ${data.length}>>stream\n${data}\nendstream`;
const CALCULATED = stream(
  '/FunctionType 4/Domain[0 1 0 1]/Range[0 1 0 1 0 1 0 1]',
  '{2 copy mul 3 1 roll sub abs 0 exch 0.2 exch 0}',
);
const SAMPLED = stream(
  '/FunctionType 0/Domain[0 1 0 1]/Range[0 1 0 1 0 1 0 1]/Size[3 2]/BitsPerSample 8',
  Buffer.from([255, 0, 0, 0, 0, 255, 0, 0, 0, 0, 255, 40, 20, 20, 0, 200, 0, 0, 0, 0, 120, 0, 120, 0]).toString(
    'latin1',
  ),
);

describe('colours that run', () => {
  it.each([
    ['along a line, and not beyond its ends', laid(shading(2, '/Coords[60 20 150 60]'))],
    ['beyond one end', filled(shading(2, '/Coords[60 20 150 60]/Extend[false true]'))],
    ['about a middle, and no further', laid(shading(3, '/Coords[110 60 0 110 60 50]'))],
    ['in a ring', filled(shading(3, '/Coords[110 60 20 110 60 50]'))],
    ['about a hole, and everywhere beyond', filled(shading(3, '/Coords[110 60 20 110 60 50]/Extend[false true]'))],
    ['between two circles apart', laid(shading(3, '/Coords[50 60 15 160 60 40]'))],
    ['between two of one size', laid(shading(3, '/Coords[50 40 25 160 80 25]'))],
    ['from one as a cone that goes on', filled(shading(3, '/Coords[50 60 5 120 60 30]/Extend[true true]'))],
    ['within one another, off the middle', filled(shading(3, '/Coords[90 60 10 110 60 55]/Extend[true true]'))],
    ['inwards', laid(shading(3, '/Coords[160 60 40 50 60 15]/Extend[true false]'))],
  ])('%s', async (name, bytes) => {
    // Ghostscript lays them in flat steps; at their edges it fills each cell that they touch.
    await expectPlates(name, bytes, { within: 0.04, off: 0.02 });
  });

  it.each([
    ['calculated', CALCULATED],
    ['sampled', SAMPLED],
  ])('by a function of both directions, %s', async (name, run) => {
    const dict = shading(1, '/Matrix[180 30 -20 80 30 10]', '6 0 R');
    await expectPlates(name, laid(dict, [run]), { within: 0.04, off: 0.02 });
  });
});

describe('patterns lie in the space of the content that names them', () => {
  const AXIAL = '<</PatternType 2/Matrix[1 0 0 1 20 0]/Shading 7 0 R>>';
  const RADIAL = '<</PatternType 2/Shading 8 0 R>>';
  const TILES = stream(
    '/PatternType 1/PaintType 1/TilingType 1/BBox[0 0 20 20]/XStep 20/YStep 20/Matrix[1.5 0 0 1.5 7 3]/Resources<<>>',
    '0.8 0 0.2 0 k 0 0 12 12 re f',
  );
  const SHADINGS = [
    shading(2, '/Coords[10 0 150 40]/Extend[true true]'),
    shading(3, '/Coords[50 60 5 120 60 30]/Extend[false false]'),
  ];
  const PLACED = 'q 0.6 0.1 -0.1 0.6 60 15 cm /F Do Q';
  // Ghostscript puts tiles that lean in whole cells.
  const UPRIGHT = 'q 0.6 0 0 0.6 60 15 cm /F Do Q';
  const inForm = (pattern: string, placed = PLACED): Uint8Array =>
    page(placed, '/XObject<</F 5 0 R>>', [
      form('/Pattern cs /P scn 0 0 220 120 re f', '/Matrix[1 0 0 1 30 10]/Resources<</Pattern<</P 6 0 R>>>>'),
      pattern,
      ...SHADINGS,
    ]);
  const onPage = (pattern: string): Uint8Array =>
    page(`/Pattern cs /P scn ${PLACED}`, '/XObject<</F 5 0 R>>/Pattern<</P 6 0 R>>', [
      form('0 0 220 120 re f', '/Matrix[1 0 0 1 30 10]'),
      pattern,
      ...SHADINGS,
    ]);
  it.each([
    ['a gradient of a form', inForm(AXIAL)],
    ['cells of a form', inForm(RADIAL)],
    ['tiles of a form', inForm(TILES, UPRIGHT)],
    ['a gradient of the page, in a form', onPage(AXIAL)],
    ['cells of the page, in a form', onPage(RADIAL)],
    ['tiles of the page, in a form', onPage(TILES)],
  ])('%s', async (name, bytes) => {
    await expectPlates(name, bytes, { within: 0.04, off: 0.02 });
  });

  it('a fade lies in the space that holds where it is set', async () => {
    const mask = '<</ExtGState<</G<</SMask<</S/Luminosity/G 5 0 R>>>>>>>>'.slice(2, -2);
    const fading = page('q 0.6 0.1 -0.1 0.6 60 15 cm /G gs 0 0 0 1 k 0 0 220 120 re f Q', mask, [
      form(
        '/Pattern cs /P scn 0 0 220 120 re f',
        '/Group<</S/Transparency/CS/DeviceGray>>/Resources<</Pattern<</P<</PatternType 2/Shading 6 0 R>>>>>>',
      ),
      '<</ShadingType 2/ColorSpace/DeviceGray/Coords[10 0 150 40]/Extend[true true]/Function<</FunctionType 2/Domain[0 1]/N 1/C0[0]/C1[1]>>>>',
    ]);
    await expectPlates('fade', fading, { within: 0.04, off: 0.02 });
  });
});
