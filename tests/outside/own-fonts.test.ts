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
import { INSTANCE_WEIGHTS, otfFile, plainFile, variableFile, withEmbedding } from '../fonts';
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
  it('is embedded whole where its maker wants that', async () => {
    const bytes = withEmbedding(plainFile(), 0x0104);
    const pdf = await exported('whole.pdf', bytes);
    expect(fontRow(pdf)).toEqual({ type: 'CID TrueType', embedded: 'yes', subset: 'no', unicode: 'yes' });
    expect(readFileSync(pdf).length).toBeGreaterThan(bytes.length / 3);
    expect(run('pdftotext', [pdf, '-']).trim()).toBe(TEXT);
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
