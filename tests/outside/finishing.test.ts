import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { platesDevice } from '../../core/devices/plates/device';
import { prove, proveSheets } from '../../core/files/hand-off/prove';
import { inspectPdf } from '../../core/files/pdf/inspect';
import { verify } from '../../core/files/pdf/rules';
import { writeSheets } from '../../core/files/pdf/sheet';
import { ticketOf, ticketXjdf } from '../../core/files/ticket';
import { USUAL_SHEET } from '../../core/job/sheet';
import { drawFinish, finishedFaces } from '../../core/scene/finishing';
import { sourcesOf } from '../../core/scene/sources';
import { itemsOf, sheetPlans } from '../../core/sheet/plan';
import { shopOf } from '../../core/trade/shops';
import { finishedCard } from '../finished';
import { kit } from '../kit';
import { exportTo, folder, run, tidyUp, tiffsep } from './tools';

/** Finishing in files, as tools that share nothing with the app see it: qpdf for its layers, Ghostscript for its plates. */

const bundle = finishedCard();
const { job, piece, assets } = bundle;
const shop = shopOf(piece.shop);
const PPI = 100;
const on = { ...kit, press: kit.press(shop.condition), assets };
/** Processing steps by the names of their layers, as qpdf lists the objects of a file. */
function stepsBy(path: string): Record<string, string> {
  const { qpdf } = JSON.parse(run('qpdf', ['--json', path])) as {
    qpdf: [unknown, Record<string, { value?: unknown }>];
  };
  const groups = Object.values(qpdf[1]).flatMap(({ value }) => {
    const dict = value as Record<string, unknown> | undefined;
    return dict && dict['/Type'] === '/OCG' ? [dict] : [];
  });
  return Object.fromEntries(
    groups.map((group) => {
      const step = group['/GTS_Metadata'] as Record<string, string>;
      const says = [step['/GTS_ProcStepsGroup'], step['/GTS_ProcStepsType']].filter(Boolean).join(' ');
      return [String(group['/Name']).replace(/^u:/, ''), says];
    }),
  );
}
const platesSeen = async (path: string) =>
  new Map((await tiffsep(path, [`-r${PPI}`])).map((plate) => [`${plate.page} ${plate.name}`, plate] as const));

describe('finishing in a file', () => {
  afterAll(tidyUp);

  it('is layers that qpdf lists as processing steps (ISO 19593-1), and the rules of PDF/X-4 hold', async () => {
    const path = await exportTo('layers.pdf', bundle, { pieceId: piece.id, marks: false });
    expect(stepsBy(path)).toEqual({
      Foil: '/Structural /FoilStamping',
      Varnish: '/Varnish',
      'Die line': '/Structural /Cutting',
      'Punch holes': '/Structural /Punching',
    });
    run('qpdf', ['--check', path]);
  });

  it('leaves every plate of ink as it is without it, and has plates of its own, as Ghostscript lays them', async () => {
    const asked = { pieceId: piece.id, marks: false };
    const without = await platesSeen(await exportTo('none.pdf', bundle, { ...asked, finishing: 'none' }));
    const seen = await platesSeen(await exportTo('with.pdf', bundle, asked));
    for (const [key, { levels }] of without)
      expect(Buffer.compare(Buffer.from(seen.get(key)!.levels), Buffer.from(levels)), key).toBe(0);
    const more = [...seen.keys()].filter((key) => !without.has(key));
    expect(more.sort()).toEqual(['1 Die line', '1 Foil', '1 Punch holes', '2 Varnish']);
    // Where the app shows a finish is where its plate is.
    const bleed = shop.bleed[piece.kind];
    const box = { x: -bleed, y: -bleed, width: piece.width + 2 * bleed, height: piece.height + 2 * bleed };
    for (const { face, n, finishes } of finishedFaces(piece, sourcesOf(job, kit.fonts)))
      for (const each of finishes) {
        const device = platesDevice({ box, ppi: PPI, picture: () => undefined });
        drawFinish(each, { width: piece.width, height: piece.height }, sourcesOf(job, kit.fonts), device);
        const [[plate, ours]] = [...device.grid().plates] as [[string, Float32Array]];
        const theirs = seen.get(`${n + 1} ${plate}`)!;
        const coverage = (values: ArrayLike<number>, of: (v: number) => number): number =>
          Array.from(values).reduce((sum, v) => sum + of(v), 0) / values.length;
        const [a, b] = [coverage(ours, (v) => v), coverage(theirs.levels, (v) => (255 - v) / 255)];
        expect(a, `${face.name} ${plate}`).toBeGreaterThan(0);
        // Thin lines are drawn at least a pixel wide there; areas agree closely.
        expect(Math.abs(a - b), `${face.name} ${plate}`).toBeLessThan(
          plate === 'Foil' || plate === 'Varnish' ? 0.004 : 0.02,
        );
      }
  });

  it.each([
    ['PDF/X-4', 'pages', 6],
    ['PDF/X-1a:2003', 'layers', 6],
    ['PDF/X-4', 'files', 2],
  ] as const)('%s with finishing as %s has %i pages, each proven', async (standard, finishing, pages) => {
    const asked = { pieceId: piece.id, shop, marks: true, standard, finishing };
    const path = await exportTo('pages.pdf', bundle, asked);
    const proof = prove(job, asked, new Uint8Array(readFileSync(path)), on);
    expect(proof.facts.pages.length).toBe(pages);
    expect(proof.rows.filter(({ right }) => !right)).toEqual([]);
    expect(proof.rules.filter(({ faults }) => faults.length > 0)).toEqual([]);
  });

  it('is told apart from inks when any file is looked into', async () => {
    const path = await exportTo('seen.pdf', bundle, { pieceId: piece.id, marks: true });
    const seen = await inspectPdf(new Uint8Array(readFileSync(path)), {
      ...shop,
      plates: { process: 'four', spots: 1 },
    });
    expect(seen.finishing.map(({ name, pages }) => [name, pages])).toEqual([
      ['Foil', [1]],
      ['Die line', [1]],
      ['Punch holes', [1]],
      ['Varnish', [2]],
    ]);
    expect(seen.plates.map(({ name }) => name)).toEqual(['Cyan', 'Magenta', 'Yellow', 'Black', 'All', 'Copper']);
    // A foil over the darkest ink is no ink more, and no spot beyond the one that this shop prints.
    expect(seen.findings.map(({ check }) => check)).not.toContain('total-ink');
    expect(seen.findings.map(({ check }) => check)).not.toContain('shop-plates');
  });

  it('is found missing when a file is held against what was asked', async () => {
    const asked = { pieceId: piece.id, shop, marks: true };
    const path = await exportTo('bare.pdf', bundle, { ...asked, finishing: 'none' });
    const proof = prove(job, asked, new Uint8Array(readFileSync(path)), on);
    expect(proof.rows.filter(({ right }) => !right).map(({ what }) => what)).toContain('Finishing (processing steps)');
  });

  it('lies on press sheets in its layers, under its own plates', async () => {
    const made = USUAL_SHEET;
    const items = itemsOf(job, piece, made);
    const [plan] = sheetPlans(job, items, made);
    const asked = { made, items, plan: plan!, shop, standard: 'PDF/X-4' as const };
    const bytes = await writeSheets(job, asked, on);
    const path = join(folder, 'sheet.pdf');
    writeFileSync(path, bytes);
    expect(Object.keys(stepsBy(path)).sort()).toEqual(['Die line', 'Foil', 'Punch holes', 'Varnish']);
    expect(verify(bytes, 'PDF/X-4').filter(({ faults }) => faults.length > 0)).toEqual([]);
    expect(proveSheets(job, asked, bytes, on).rows.filter(({ right }) => !right)).toEqual([]);
  });

  it('is listed in the ticket, with its plate and sides', () => {
    const ticket = ticketOf(job, [piece]);
    expect(ticket.pieces[0]!.finishing).toEqual([
      { kind: 'foil', says: 'Foil, gold', plate: 'Foil', step: 'Structural, FoilStamping', sides: ['Front'] },
      { kind: 'varnish', says: 'Varnish, gloss', plate: 'Varnish', step: 'Varnish', sides: ['Back'] },
      { kind: 'die line', says: 'Die line', plate: 'Die line', step: 'Structural, Cutting', sides: ['Front'] },
      { kind: 'holes', says: 'Punch holes', plate: 'Punch holes', step: 'Structural, Punching', sides: ['Front'] },
    ]);
    expect(ticketXjdf(ticket)).toContain('Foil, gold, on Front: the plate Foil');
  });
});
