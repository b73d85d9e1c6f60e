import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { afterAll, describe, expect, it } from 'vitest';
import type { Ink } from '../../core/colour/ink';
import { faceImages } from '../../core/files/face-images';
import { apart, exportName, plainName } from '../../core/files/file-names';
import { packageZip } from '../../core/files/package';
import { verify } from '../../core/files/pdf/rules';
import { proofPdf } from '../../core/files/proof/proof';
import { faceShots } from '../../core/files/proof/shots';
import { writeSvg } from '../../core/files/svg-file';
import { addElement } from '../../core/job/edits/elements';
import { makePicture, makeShape } from '../../core/job/make';
import type { Job, Piece } from '../../core/job/schema';
import { shopOf } from '../../core/trade/shops';
import { cardWith, kit, makePng, mm, withPicture } from '../kit';
import { exportTo, platesOf, run, tidyUp } from './tools';

/** Names that people give to inks, faces and pieces, in what leaves: none is spoilt, and none takes another's place. */
afterAll(tidyUp);

const NAMES = [
  'Grün',
  'Gr#C3n',
  '金',
  'Медь',
  'HKS 43 #2',
  'Copper (metallic)',
  'Or/Gold',
  'Ελιά',
  '#',
  'Ünïcode 100%',
];
const press = kit.press('general-coated');
const shop = shopOf('metric-offset');

/** A card with a bar in each of some spot inks. */
function inSpots(names: readonly string[]): Job {
  const job = cardWith(
    names.map((name, i) =>
      makeShape({
        id: `bar-${i}`,
        name,
        x: mm(5),
        y: mm(4 + 4 * i),
        width: mm(60),
        height: mm(3),
        paint: { ink: `spot-${i}`, tint: 1 },
      }),
    ),
  );
  const inks = names.map((name, i): Ink => ({ id: `spot-${i}`, name, kind: 'spot', cmyk: [0, 0.1 * i, 0.5, 0.1] }));
  return { ...job, inks: [...job.inks, ...inks] };
}

describe('spot inks of any name', () => {
  it.each(['PDF/X-4', 'PDF/X-1a:2001'] as const)('are in a %s file as they were named, by qpdf', async (standard) => {
    const file = await exportTo(
      `names-${standard.replace(/\W/g, '')}.pdf`,
      { job: inSpots(NAMES), assets: {} },
      { standard },
    );
    const named = run('qpdf', ['--json', file]).matchAll(/"\/Separation",\s*("(?:[^"\\]|\\.)*")/g);
    const names = [...named].map(([, name]) => (JSON.parse(name!) as string).slice(1));
    // Marks are on all plates.
    expect(new Set(names)).toEqual(new Set(['All', ...NAMES]));
    expect(run('qpdf', ['--check', file])).toMatch(/No syntax/);
  });
  it('are each a plate of its own, by Ghostscript and by the reader of our own', async () => {
    const names = NAMES.slice(0, 5);
    const file = await exportTo('names-plates.pdf', { job: inSpots(names), assets: {} }, {});
    // Four of process inks, and one for each spot.
    expect((await platesOf(file, 1, 36)).size).toBe(4 + names.length);
    const bytes = new Uint8Array(readFileSync(file));
    expect(verify(bytes, 'PDF/X-4').filter(({ faults }) => faults.length > 0)).toEqual([]);
  });
});

describe('files of faces and plates', () => {
  const job = inSpots(['金', '銀', 'Grün', 'grun']);
  const piece = job.pieces[0]!;
  const twoFaces = (names: readonly [string, string]): Job => ({
    ...job,
    pieces: [
      {
        ...piece,
        faces: names.map((name, i) => ({
          ...piece.faces[0]!,
          id: `f${i}`,
          name,
          elements: i === 0 ? piece.faces[0]!.elements : [],
        })),
      },
    ] as Job['pieces'],
  });
  it.each([
    ['表', '裏'],
    ['Πρόσοψη', 'Πίσω'],
    ['Front!', 'front?'],
  ] as const)('of faces called %s and %s are apart, as are those of each plate', (...names) => {
    const two = twoFaces(names);
    const asked = { as: 'tiff', faces: [0, 1], ppi: 36, trimmed: true, transparent: false } as const;
    const files = faceImages(two, two.pieces[0]!, shop, asked, { ...kit, press, picture: () => undefined });
    expect(files).toHaveLength(2 + 4);
    expect(new Set(files.map(({ name }) => name.toLowerCase())).size).toBe(files.length);
    expect(files.map(({ name }) => name).join()).toContain('金');
  });
  it('are apart in a package, with their findings', async () => {
    const called = (id: string, name: string): Piece => ({
      ...piece,
      id,
      name,
      faces: piece.faces.map((face) => ({ ...face, id: `${id}-${face.id}`, elements: [] })),
    });
    const both: Job = { ...job, pieces: [called('one', '名片'), called('again', '名刺'), called('third', '名刺')] };
    const report = { json: '{}', pdf: new Uint8Array(3) };
    const zip = packageZip(both, both.pieces, {
      files: both.pieces.map(({ id }) => ({ name: 'same.pdf', piece: id, bytes: new Uint8Array(5) })),
      reports: both.pieces.map(({ name }) => ({ piece: name, ...report })),
      assets: {},
      fontOf: () => undefined,
    });
    const names = Object.keys(unzipSync(zip));
    expect(names.filter((name) => name.startsWith('print/'))).toHaveLength(3);
    expect(names.filter((name) => name.startsWith('findings/'))).toHaveLength(6);
  });
});

describe('names of files', () => {
  it('keep letters of any script, and Latin ones without accents', () => {
    expect(
      ['Hollin & Fen', 'Café Zoë', 'Ελιά', '金 名刺', 'Визитка №1', 'Đặng', '한글 명함', '?!'].map(plainName),
    ).toEqual(['hollin-and-fen', 'cafe-zoe', 'ελιά', '金-名刺', 'визитка-no1', 'đang', '한글-명함', '']);
  });
  it('are apart whatever they were, and fit every file system', () => {
    const names = fc.array(fc.string({ unit: 'grapheme', maxLength: 300 }), { maxLength: 12 });
    const job = cardWith([]);
    fc.assert(
      fc.property(names, (all) => {
        const files = all.map((name) => ({
          name: `${exportName('{client}-{piece}', { ...job, name }, job.pieces[0]!)}.pdf`,
        }));
        const named = apart(files).map(({ name }) => name);
        expect(new Set(named.map((name) => name.toLowerCase())).size).toBe(all.length);
        for (const name of named) {
          expect(Buffer.byteLength(name)).toBeLessThan(255);
          expect(name).toMatch(/^[^/\\:*?"<>|]+\.pdf$/u);
        }
      }),
    );
  });
});

describe('what lacks a picture does not leave', () => {
  const { job, hash } = withPicture(
    cardWith([]),
    makePng(16, 16, () => [9, 9, 9]),
  );
  const there = addElement(job, 'card-1', makePicture({ id: 'p', x: 0, y: 0, width: 40, height: 40, asset: hash }));
  const piece = there.pieces[0]!;
  const none = { ...kit, press, picture: () => undefined };
  const words = /The picture .+ is missing\. Import it again, then export\./;
  it.each(['png', 'tiff'] as const)('as %s', (as) => {
    const asked = { as, faces: [0], ppi: 36, trimmed: true, transparent: false };
    expect(() => faceImages(there, piece, shop, asked, none)).toThrow(words);
  });
  it('as a drawing, or a proof', async () => {
    expect(() => writeSvg(there, piece, 0, 0, { ...kit, press, assets: {} })).toThrow(words);
    expect(() => faceShots(there, piece, none, 72)).toThrow(words);
    // One whose pictures are there does.
    const shots = faceShots(cardWith([]), cardWith([]).pieces[0]!, none, 36);
    expect(
      (
        await proofPdf(cardWith([]), cardWith([]).pieces[0]!, shots, {
          version: 1,
          date: '2026-01-01T00:00:00Z',
          last: undefined,
        })
      ).length,
    ).toBeGreaterThan(500);
  });
});
