import { describe, expect, it } from 'vitest';
import { lettersAsPages } from '../../../core/files/hand-off/letters';
import { pictureSizes } from '../../../core/files/hand-off/picture-sizes';
import { plannedFiles } from '../../../core/files/hand-off/plan';
import { prove } from '../../../core/files/hand-off/prove';
import { SETTING_WORDS, settingsOf } from '../../../core/files/hand-off/settings';
import { readFile } from '../../../core/files/pdf/read-back';
import { writePdf } from '../../../core/files/pdf/write';
import { setShop } from '../../../core/job/edits/job';
import { makePicture, makeShape } from '../../../core/job/make';
import { SHOPS } from '../../../core/trade/shops';
import { cardWith, kit, makePng, openDemo, withPicture } from '../../kit';

const { job } = openDemo();

describe('what a choice of pieces becomes', () => {
  it('one file a piece, named as its shop asks', () => {
    const names = plannedFiles(job, [{ piece: 'card' }, { piece: 'letterhead' }], {}, 1).map(({ name }) => name);
    expect(names).toEqual([
      'hollin-and-fen-business-card-iris-calloway-85x55mm.pdf',
      'hollin-and-fen-letterhead-210x297mm.pdf',
    ]);
  });
  it('one a face where the shop wants that, or is told so, or only the faces that are chosen', () => {
    expect(plannedFiles(job, [{ piece: 'postcard-us' }], {}, 1)).toHaveLength(2);
    const each = plannedFiles(job, [{ piece: 'card' }], { files: 'one a face' }, 1);
    expect(each.map(({ name, asked }) => [name.slice(-10), asked.faces])).toEqual([
      ['-front.pdf', [0]],
      ['m-back.pdf', [1]],
    ]);
    const [back] = plannedFiles(job, [{ piece: 'card', faces: [1] }], {}, 1);
    expect(back!.asked.faces).toEqual([1]);
  });
  it('letters go together in a file of their own, without marks or bleed', () => {
    const letters = job.pieces.find(({ id }) => id === 'letterhead')!.letters!.map(({ id }) => ({ id }));
    const files = plannedFiles(job, [{ piece: 'letterhead', faces: [], letters }], {}, 1);
    expect(files.map(({ name, letters: ids, asked }) => [name, ids, asked.marks, asked.shop.bleed.letterhead])).toEqual(
      [['hollin-and-fen-letterhead-letters.pdf', letters, false, 0]],
    );
    const pages = lettersAsPages(job, 'letterhead', letters, kit.fonts)!;
    expect(pages.piece.faces.length).toBeGreaterThanOrEqual(letters.length);
    const whole = lettersAsPages(job, 'letterhead', [letters[0]!], kit.fonts)!.piece.faces;
    const [first] = lettersAsPages(job, 'letterhead', [{ ...letters[0]!, pages: [0] }], kit.fonts)!.piece.faces;
    expect(first).toEqual(whole[0]);
    expect(lettersAsPages(job, 'letterhead', [{ ...letters[0]!, pages: [7] }], kit.fonts)!.piece.faces).toEqual([]);
    expect(pages.job.pieces.find(({ id }) => id === 'card')).toBe(job.pieces.find(({ id }) => id === 'card'));
  });
  it('of an office printer’s paper have no bar and no slug at the edges that it leaves white', () => {
    const also = ['registration', 'colour bar', 'slug'] as const;
    const of = (office: 'A4' | 'its own') => plannedFiles(job, [{ piece: 'card' }], { also, office }, 1)[0]!.asked.also;
    expect(of('A4')).toEqual(['registration']);
    expect(of('its own')).toEqual(also);
  });
  it('with its version, and never two of one name', () => {
    const pieces = [{ piece: 'card' }, { piece: 'letterhead' }];
    expect(plannedFiles(job, pieces, { fileName: '{client}-{version}' }, 7).map(({ name }) => name)).toEqual([
      'hollin-and-fen-v7.pdf',
      'hollin-and-fen-v7-2.pdf',
    ]);
  });
  it('each by its own shop, but for what was changed; what is gone is left out', () => {
    const mixed = setShop(job, 'letterhead', 'letterpress');
    const files = plannedFiles(
      mixed,
      [{ piece: 'card' }, { piece: 'letterhead' }, { piece: 'gone' }],
      { words: 'outlines' },
      1,
    );
    expect(files.map(({ asked }) => [asked.standard, asked.words])).toEqual([
      ['PDF/X-4', 'outlines'],
      ['PDF/X-1a:2003', 'outlines'],
    ]);
  });
  it('every setting comes from each shop and has a reason', () => {
    for (const shop of SHOPS) expect(Object.keys(settingsOf(shop)).sort()).toEqual(Object.keys(SETTING_WORDS).sort());
    for (const { why } of Object.values(SETTING_WORDS)) expect(why).toMatch(/\.$/);
  });
});

describe('what was asked beside what the file says', () => {
  const bundle = withPicture(
    cardWith([makeShape({ id: 's', x: 20, y: 20, width: 40, height: 20, paint: { ink: 'copper', tint: 0.5 } })]),
    makePng(300, 300, (x, y) => [x % 256, y % 256, 90]),
  );
  const piece = bundle.job.pieces[0]!;
  const elements = [
    ...piece.faces[0]!.elements,
    makePicture({ id: 'p', x: 80, y: 30, width: 36, height: 36, asset: bundle.hash }),
  ];
  const dressed = { ...bundle.job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] };
  const [file] = plannedFiles(dressed, [{ piece: piece.id }], { standard: 'PDF/X-1a:2001', also: ['slug'] }, 1);
  const written = async (asked = file!.asked) => {
    const press = kit.press('general-coated');
    const bytes = await writePdf(dressed, asked, { ...kit, press, assets: bundle.assets });
    return { bytes, facts: readFile(bytes).facts };
  };
  const rowsFor = async (asked = file!.asked) => {
    const { bytes } = await written();
    const press = kit.press('general-coated');
    return prove(dressed, asked, bytes, { ...kit, press, assets: bundle.assets }).rows;
  };
  it('agrees line by line: pictures as fine as they were made, the spot, the standard and its rules', async () => {
    const rows = await rowsFor();
    expect(rows.filter(({ right }) => !right)).toEqual([]);
    const said = Object.fromEntries(rows.map(({ what, read }) => [what, read]));
    // 300 pixels on half an inch are 600 an inch; the shop wants 300.
    expect(said).toMatchObject({
      Standard: 'PDF/X-1a:2001',
      'PDF version': '1.3',
      'Spot inks': 'Copper',
      'Front: pictures, ppi': '300',
      'Front: colours of pictures': 'DeviceCMYK',
    });
  });
  it('tells of each picture how large it came and how large it lies in the file', async () => {
    const { facts } = await written();
    const sizes = { [bundle.hash]: bundle.assets[bundle.hash]!.length };
    const [size, ...others] = pictureSizes(dressed, dressed.pieces[0]!, file!.asked, facts, sizes)!;
    expect(others).toEqual([]);
    expect(size).toMatchObject({
      asset: bundle.hash,
      before: { width: 300, height: 300, bytes: bundle.assets[bundle.hash]!.length },
      after: { width: 150, height: 150, packed: 'FlateDecode' },
    });
    expect(size!.after.ppi).toBeCloseTo(300, 0);
    const without = { ...facts, pages: facts.pages.map((page) => ({ ...page, pictures: [] })) };
    expect(pictureSizes(dressed, dressed.pieces[0]!, file!.asked, without, sizes)).toBeUndefined();
  });
  it.each([
    ['Standard', { standard: 'PDF/X-4' }],
    ['Rules of PDF/X-4', { standard: 'PDF/X-4' }],
    ['Front: sheet', { also: [] }],
    ['Front: pictures, ppi', { pictures: {} }],
    ['Typefaces', { words: 'outlines' }],
  ] as const)('%s differs where something else was asked', async (what, change) => {
    const rows = await rowsFor({ ...file!.asked, ...change } as NonNullable<typeof file>['asked']);
    expect(rows.find((row) => row.what === what)?.right).toBe(false);
  });
});
