import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { loadKit } from '../../cli/kit';
import { hashOf } from '../../core/files/hash';
import { writePdf } from '../../core/files/pdf/write';
import { addFont } from '../../core/job/edits/job';
import { makeWords } from '../../core/job/make';
import { shopOf } from '../../core/trade/shops';
import { openFont } from '../../core/type/font';
import { ownId } from '../../core/type/own-font';
import { faceBytes, takeFont } from '../../core/type/take-font';
import {
  cff2File,
  changedFont,
  cidFile,
  INSTANCE_WEIGHTS,
  otfFile,
  plainFile,
  variableFile,
  withEmbedding,
} from '../fonts';
import { cardWith, kit, mm } from '../kit';
import { folder, type PagePixels, pageOf, run, tidyUp } from './tools';

afterAll(tidyUp);

const TEXT = 'Hollin & Fen, Little Hollin';

/** A card with words in an added font, exported. */
async function exported(name: string, bytes: Uint8Array, instance?: number, words?: 'outlines'): Promise<string> {
  const hash = hashOf(bytes);
  const typeface = ownId(hash, instance);
  const at = { id: 'w', text: TEXT, x: mm(8), y: mm(20), lettering: { typeface, size: 12 } };
  const job = addFont(cardWith([makeWords(at)]), hash, takeFont(bytes));
  const shop = shopOf('metric-offset');
  const assets = { [hash]: bytes };
  const own = await loadKit(assets);
  const asked = { pieceId: 'card', shop, marks: false, ...(words ? { words } : {}) };
  const pdf = await writePdf(job, asked, { ...own, press: own.press(shop.condition), assets });
  writeFileSync(join(folder, name), pdf);
  return join(folder, name);
}

/** pdffonts' row of the one font in a file: its type, and whether it is embedded, a subset, with Unicode. */
function fontRow(pdf: string): { type: string; embedded: string; subset: string; unicode: string } {
  const row = run('pdffonts', [pdf]).trim().split('\n')[2]!;
  const [, type, embedded, subset, unicode] = /\S+\s+(.+?)\s+Identity-H\s+(\w+)\s+(\w+)\s+(\w+)/.exec(row)!;
  return { type: type!, embedded: embedded!, subset: subset!, unicode: unicode! };
}

/** Quantity pixels differ by more than half, and lie where neither picture has an edge. */
async function differentInside(a: string, b: string): Promise<number> {
  const [one, two] = [a, b].map((pdf) => pageOf(pdf, 1, 600, '-gray')) as [PagePixels, PagePixels];
  const isFlat = (data: Buffer, i: number): boolean =>
    [1, -1, one.width, -one.width].every((d) => Math.abs((data[i + d] ?? 255) - data[i]!) < 16);
  let count = 0;
  for (let i = 0; i < one.data.length; i++)
    if (Math.abs(one.data[i]! - two.data[i]!) > 127 && isFlat(one.data, i) && isFlat(two.data, i)) count++;
  return count;
}

describe('an added font in the exported file', () => {
  it('with CFF outlines is embedded as such, found as text, and prints as its outlines do', async () => {
    const pdf = await exported('cff.pdf', otfFile());
    expect(fontRow(pdf)).toEqual({ type: 'CID Type 0C', embedded: 'yes', subset: 'yes', unicode: 'yes' });
    expect(run('pdftotext', [pdf, '-']).trim()).toBe(TEXT);
    expect(await differentInside(pdf, await exported('cff-outlines.pdf', otfFile(), undefined, 'outlines'))).toBe(0);
    run('qpdf', ['--check', pdf]);
    // Ghostscript reads it without a complaint.
    expect(run('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=inkcov', '-o', '-', pdf])).not.toMatch(/error|warning/i);
  });
  it.each([
    ['names its glyphs by CIDs', 'cid', () => cidFile(otfFile())],
    ['is made of quadratic curves and names its glyphs by CIDs', 'quadratic', () => cidFile(plainFile())],
    ['has CFF2 outlines', 'cff2', () => cff2File(otfFile())],
    ['names its glyphs by CIDs and goes in whole', 'cid-whole', () => withEmbedding(cidFile(otfFile()), 0x0104)],
  ])('that %s is text all the same, as its outlines print', async (_what, name, make) => {
    const bytes = make();
    const pdf = await exported(`${name}.pdf`, bytes);
    expect(fontRow(pdf)).toMatchObject({ type: 'CID Type 0C', embedded: 'yes', unicode: 'yes' });
    expect(run('pdftotext', [pdf, '-']).trim()).toBe(TEXT);
    expect(await differentInside(pdf, await exported(`${name}-outlines.pdf`, bytes, undefined, 'outlines'))).toBe(0);
    run('qpdf', ['--check', pdf]);
    expect(run('gs', ['-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=inkcov', '-o', '-', pdf])).not.toMatch(/error|warning/i);
  });
  it('is embedded whole where its maker wants that', async () => {
    const bytes = withEmbedding(plainFile(), 0x0104);
    const pdf = await exported('whole.pdf', bytes);
    expect(fontRow(pdf)).toEqual({ type: 'CID TrueType', embedded: 'yes', subset: 'no', unicode: 'yes' });
    expect(readFileSync(pdf).length).toBeGreaterThan(bytes.length / 3);
    expect(run('pdftotext', [pdf, '-']).trim()).toBe(TEXT);
  });
  it('that keeps its kerning in an old table kerns as hb-shape has it', () => {
    const plain = changedFont(plainFile(), (tables) => void tables.delete('GPOS'));
    const { shape } = openFont(plain);
    // Every pair of neighbours in the text, each by a step of its own; odd and even, nearer and farther.
    const ids = shape({ text: TEXT }).map(({ id }) => id);
    const steps = new Map(ids.slice(1).map((right, i) => [(ids[i]! << 16) | right, 31 * (i % 7) - 90]));
    const rows = [...steps].sort(([a], [b]) => a - b).flatMap(([pair, step]) => [pair >> 16, pair & 0xffff, step]);
    const table = [0, 1, 0, 14 + 2 * rows.length, 1, steps.size, 0, 0, 0, ...rows];
    const bytes = changedFont(plain, (tables) =>
      tables.set('kern', Uint8Array.from(table.flatMap((n) => [(n >> 8) & 255, n & 255]))),
    );
    const path = join(folder, 'kern.ttf');
    writeFileSync(path, bytes);
    const args = ['--no-glyph-names', '--output-format=json', path, TEXT];
    const wanted = JSON.parse(run('hb-shape', args)) as { g: number; ax: number; dx: number }[];
    expect(
      openFont(bytes)
        .shape({ text: TEXT })
        .map(({ id, advance, dx }) => [id, advance, dx]),
    ).toEqual(wanted.map(({ g, ax, dx }) => [g, ax, dx]));
  });
  it('at a named instance is as wide as hb-shape says the variable font is there', async () => {
    const bytes = await variableFile();
    const path = join(folder, 'variable.ttf');
    writeFileSync(path, bytes);
    for (const [i, wght] of INSTANCE_WEIGHTS.entries()) {
      const args = [`--variations=wght=${wght}`, '--no-glyph-names', '--output-format=json', path, TEXT];
      const wanted = (JSON.parse(run('hb-shape', args)) as { g: number; ax: number }[]).map(({ g, ax }) => [g, ax]);
      const font = openFont(faceBytes(bytes, i, kit.cutter));
      expect(font.shape({ text: TEXT }).map(({ id, advance }) => [id, advance])).toEqual(wanted);
    }
    const pdf = await exported('variable.pdf', bytes, 1);
    expect(fontRow(pdf)).toMatchObject({ type: 'CID TrueType', embedded: 'yes', subset: 'yes' });
    expect(await differentInside(pdf, await exported('variable-outlines.pdf', bytes, 1, 'outlines'))).toBe(0);
  });
});
