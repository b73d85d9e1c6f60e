import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decompress } from 'woff2-encoder';
import { checkPiece } from '../../../core/checks/check-piece';
import { hashOf } from '../../../core/files/hash';
import { readJobFile, writeJobFile } from '../../../core/files/job-file';
import { ExportError } from '../../../core/files/pdf/asked';
import { writePdf } from '../../../core/files/pdf/write';
import { addFont, removeFont } from '../../../core/job/edits/job';
import { makeWords } from '../../../core/job/make';
import { shopOf } from '../../../core/trade/shops';
import { embeddingOf } from '../../../core/type/embedding';
import { createFontBook, type Glyph, openFont } from '../../../core/type/font';
import { familyName, ownId, ownTypefaces } from '../../../core/type/own-font';
import { FontError, readSfnt, unpackWoff, writeSfnt } from '../../../core/type/sfnt';
import { faceBytes, fontsOfCollection, plainFont, takeFont } from '../../../core/type/take-font';
import {
  changedFont,
  collectionFile,
  INSTANCE_WEIGHTS,
  plainFile,
  variableFile,
  withEmbedding,
  woff2File,
  woffFile,
} from '../../fonts';
import { cardWith, checkKit, kit } from '../../kit';

const unpacked = (bytes: Uint8Array): Promise<Uint8Array> => plainFont(bytes, decompress);

describe('a font file', () => {
  it('as TTF, WOFF or WOFF2 is taken under its own names', async () => {
    expect(takeFont(await unpacked(plainFile()))).toEqual({ family: 'Zilla Slab', style: 'Regular', instances: [] });
    for (const bytes of [woffFile(), woff2File()]) {
      const { family, style } = takeFont(await unpacked(bytes));
      expect([family, style]).toEqual([expect.stringMatching(/^Bodoni Moda/), 'Regular']);
    }
  });
  it('unpacked from WOFF draws as the one from WOFF2', async () => {
    const [a, b] = [openFont(await unpacked(woffFile())), openFont(await unpacked(woff2File()))];
    const glyphs = a.shape({ text: 'Hollin & Fen' });
    expect(b.shape({ text: 'Hollin & Fen' })).toEqual(glyphs);
    for (const { id } of glyphs) expect(b.ink(id)).toEqual(a.ink(id));
  });
  it('written again has the same tables', () => {
    const sfnt = readSfnt(plainFile());
    expect(readSfnt(writeSfnt(sfnt)).tables).toEqual(new Map([...sfnt.tables].sort(([a], [b]) => (a < b ? -1 : 1))));
  });

  const lacking = (...tags: string[]): Uint8Array =>
    changedFont(plainFile(), (tables) => {
      for (const tag of tags) tables.delete(tag);
    });
  const collection = new Uint8Array(64);
  collection.set([0x74, 0x74, 0x63, 0x66]);
  const notOne: [string, () => Uint8Array, RegExp][] = [
    ['that is empty', () => new Uint8Array(), /not a font file/],
    ['that is a picture', () => new Uint8Array(100).fill(0x89), /not a font file/],
    ['that is a collection', () => collection, /collection/],
    ['that is cut short', () => plainFile().slice(0, 9000), /broken or cut short/],
    ['without a cmap', () => lacking('cmap'), /lacks the table cmap/],
    ['without outlines', () => lacking('glyf', 'loca'), /no outlines/],
    [
      'whose outlines are empty',
      () => changedFont(plainFile(), (t) => t.set('glyf', new Uint8Array(8))),
      /cannot be drawn/,
    ],
  ];
  it.each(notOne)('%s is refused in words', (_what, bytes, message) => {
    expect(() => takeFont(bytes())).toThrow(FontError);
    expect(() => takeFont(bytes())).toThrow(message);
  });
  it('of several is a file each by itself, under its own name, and draws as it did', async () => {
    const bodoni = await unpacked(woffFile());
    const collection = await unpacked(collectionFile([plainFile(), bodoni]));
    const fonts = fontsOfCollection(collection);
    expect(fonts.map(({ name }) => name)).toEqual(['Zilla Slab, Regular', expect.stringMatching(/^Bodoni Moda/)]);
    for (const [i, alone] of [plainFile(), bodoni].entries()) {
      const [font, wanted] = [openFont(fonts[i]!.file()), openFont(alone)];
      expect(takeFont(fonts[i]!.file(), kit.cutter)).toEqual(takeFont(alone));
      expect(font.shape({ text: 'Hollin' })).toEqual(wanted.shape({ text: 'Hollin' }));
      for (const { id } of wanted.shape({ text: 'Hollin' })) expect(font.ink(id)).toEqual(wanted.ink(id));
    }
    expect(fontsOfCollection(plainFile())).toEqual([]);
  });
  it('of several that is cut short, or claims more fonts than it can hold, is refused in words', () => {
    const whole = collectionFile([plainFile(), plainFile()]);
    expect(() => fontsOfCollection(whole.slice(0, whole.length - 5000))).toThrow(/broken or cut short/);
    const lying = whole.slice();
    new DataView(lying.buffer).setUint32(8, 2_000_000_000);
    expect(() => fontsOfCollection(lying)).toThrow(/broken or cut short/);
    expect(() => fontsOfCollection(collectionFile([]))).toThrow(/broken or cut short/);
  });
  it('whose pairs are kerned by an old kern table alone kerns', () => {
    const plain = changedFont(plainFile(), (tables) => void tables.delete('GPOS'));
    const [a, v] = openFont(plain).shape({ text: 'AV' });
    // OpenType specification, kern: version 0, one subtable; its version, its length, horizontal; one pair, three numbers
    // for searching, and the pair, 137 units nearer.
    const table = [0, 1, 0, 20, 1, 1, 6, 0, 0, a!.id, v!.id, -137].flatMap((n) => [(n >> 8) & 255, n & 255]);
    const font = openFont(changedFont(plain, (tables) => tables.set('kern', Uint8Array.from(table))));
    const [kerned, without] = [{}, { kern: 0 }].map((features) => font.shape({ text: 'AV', features })) as [
      Glyph[],
      Glyph[],
    ];
    // Half of the step is taken off each letter, as HarfBuzz does.
    expect(kerned).toEqual([
      { ...a, advance: a!.advance - 69 },
      { ...v, advance: v!.advance - 68, dx: -68 },
    ]);
    expect(without.map(({ advance }) => advance)).toEqual([a!.advance, v!.advance]);
  });
  it('of any script or of signs alone is taken: one glyph with ink is enough', () => {
    const whole = openFont(plainFile());
    const [sign] = whole.shape({ text: '§' });
    const signs = kit.cutter.subset(plainFile(), [sign!.id]);
    expect(openFont(signs).ink(whole.shape({ text: 'a' })[0]!.id)).toBeUndefined();
    expect(takeFont(signs, kit.cutter).family).toBe('Zilla Slab');
  });
  it('that cannot be cut down is refused when it comes, not when it leaves', () => {
    const broken = { ...kit.cutter, subset: () => new Uint8Array(40) };
    expect(() => takeFont(plainFile(), broken)).toThrow(/cannot be cut down/);
    expect(takeFont(plainFile(), kit.cutter).style).toBe('Regular');
  });
  it('that is a broken WOFF or WOFF2 is refused in words, a bomb among them', async () => {
    const short = woffFile().slice(0, 3000);
    await expect(unpacked(short)).rejects.toThrow(/broken or cut short/);
    await expect(unpacked(woff2File().slice(0, 3000))).rejects.toThrow(/cannot be unpacked/);
    const bomb = woff2File();
    new DataView(bomb.buffer).setUint32(16, 2_000_000_000);
    await expect(unpacked(bomb)).rejects.toThrow(/more than 60 MB/);
    const lying = woffFile();
    // The first table claims to unpack to more than it holds.
    const at = 44 + 12;
    new DataView(lying.buffer).setUint32(at, new DataView(lying.buffer).getUint32(at) + 1);
    expect(() => unpackWoff(lying)).toThrow(FontError);
  });
  const original = plainFile();
  it('with bytes changed anywhere is taken or refused in words, never worse', () => {
    const change = fc.tuple(fc.nat(original.length - 1), fc.nat(255));
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 40 }), (changes) => {
        const bytes = original.slice();
        for (const [at, value] of changes) bytes[at] = value;
        try {
          takeFont(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(FontError);
        }
      }),
      { numRuns: 60 },
    );
  });
});

// OpenType specification, OS/2 table, fsType: bits 0 to 3 usage, 8 no subsetting, 9 bitmaps only.
it.each([
  [0x0000, 'allowed'],
  [0x0004, 'allowed'],
  [0x0008, 'allowed'],
  [0x0002, 'forbidden'],
  [0x0006, 'allowed'],
  [0x0102, 'forbidden'],
  [0x0104, 'whole'],
  [0x0200, 'forbidden'],
] as const)('fsType %i means embedding is %s', (fsType, embedding) => {
  expect(embeddingOf(fsType)).toBe(embedding);
  expect(openFont(withEmbedding(plainFile(), fsType)).embedding).toBe(embedding);
});

describe('a variable font', () => {
  it('offers its named instances, each a plain font of its own', async () => {
    const bytes = await variableFile();
    const font = takeFont(bytes);
    expect(font.instances.map(({ at }) => at)).toEqual(INSTANCE_WEIGHTS.map((wght) => ({ wght })));
    const faces = ownTypefaces({ abc: font });
    expect(faces.map(({ id, style }) => [id, style])).toEqual([
      ['own/abc/0', font.instances[0]!.name],
      ['own/abc/1', font.instances[1]!.name],
    ]);
    const [light, bold] = [0, 1].map((i) => openFont(faceBytes(bytes, i, kit.cutter)));
    expect(light!.table('fvar')).toBeUndefined();
    const n = light!.shape({ text: 'n' })[0]!.id;
    expect(bold!.advance(n)).not.toBe(light!.advance(n));
    expect(bold!.ink(n)).not.toEqual(light!.ink(n));
  });
  it('without named instances is taken as it is by default', async () => {
    const bare = changedFont(await variableFile(), (tables) => {
      const fvar = tables.get('fvar')!;
      new DataView(fvar.buffer, fvar.byteOffset).setUint16(12, 0);
    });
    expect(takeFont(bare).instances).toEqual([]);
    expect(openFont(faceBytes(bare, undefined, kit.cutter)).table('fvar')).toBeUndefined();
  });
});

describe('a job with fonts of its own', () => {
  const bytes = plainFile();
  const hash = hashOf(bytes);
  const words = makeWords({ id: 'w', text: 'Slab', x: 40, y: 40, lettering: { typeface: ownId(hash) } });
  const job = addFont(cardWith([words]), hash, takeFont(bytes));
  const bundle = { job, assets: { [hash]: bytes } };
  const file = writeJobFile(bundle);

  it('carries them in its file, byte for byte', () => {
    const back = readJobFile(file);
    expect(back.job.fonts).toEqual(job.fonts);
    expect(back.assets[hash]).toEqual(bytes);
    expect(writeJobFile(back)).toEqual(file);
    expect(familyName(ownId(hash), back.job.fonts)).toBe('Zilla Slab');
  });
  it('is not saved without them', () => {
    expect(() => writeJobFile({ job, assets: {} })).toThrow(/font Zilla Slab is missing/);
  });
  it('names a font that was taken away', () => {
    const without = removeFont(job, hash);
    const found = checkPiece(without, without.pieces[0]!, checkKit);
    expect(found.map((f) => f.check)).toContain('missing-typeface');
  });

  const closedBytes = withEmbedding(bytes, 2);
  const closedHash = hashOf(closedBytes);
  const closedJob = addFont(
    cardWith([{ ...words, lettering: { typeface: ownId(closedHash) } }]),
    closedHash,
    takeFont(closedBytes),
  );
  const fonts = createFontBook((id) => (id === ownId(closedHash) ? closedBytes : undefined));
  it('says that a font may not be embedded, and does not export it', async () => {
    const [finding] = checkPiece(closedJob, closedJob.pieces[0]!, { ...checkKit, fonts }).filter(
      (f) => f.check === 'not-embeddable',
    );
    expect(finding).toMatchObject({ severity: 'stop', element: 'w' });
    expect(finding!.problem).toMatch(/Zilla Slab/);
    const shop = shopOf('metric-offset');
    const asked = { pieceId: 'card', shop, marks: true };
    const press = kit.press(shop.condition);
    const attempt = writePdf(closedJob, asked, { ...kit, fonts, press, assets: {} });
    await expect(attempt).rejects.toThrow(ExportError);
    await expect(attempt).rejects.toThrow(/does not let it go/);
  });
});
