import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { packageFile } from '../../cli/kit';
import { layPiece, platesFound } from '../../core/checks/on-plates';
import { review } from '../../core/checks/review';
import { hashOf } from '../../core/files/hash';
import { readJobFile } from '../../core/files/job-file';
import { packageZip } from '../../core/files/package';
import { pieceReport } from '../../core/files/piece-report';
import { changesSince, keptOf, PROOF_PPI, proofPdf } from '../../core/files/proof/proof';
import { faceShots } from '../../core/files/proof/shots';
import { reportPdf } from '../../core/files/report-pdf';
import { separatedPictures } from '../../core/files/separated';
import { ticketJson, ticketOf, ticketXjdf } from '../../core/files/ticket';
import { moveElement } from '../../core/job/edits/elements';
import { addInk } from '../../core/job/edits/inks';
import { setOrder } from '../../core/job/edits/pieces';
import { makeShape } from '../../core/job/make';
import { migrate } from '../../core/job/migrate';
import type { Job } from '../../core/job/schema';
import { JOB_VERSION } from '../../core/job/schema';
import { typefaceOf } from '../../core/type/typefaces';
import { cardWith, kit, mm, openDemo } from '../kit';
import { folder, run, tidyUp } from './tools';

const square = makeShape({
  id: 's',
  x: mm(20),
  y: mm(20),
  width: mm(10),
  height: mm(10),
  paint: { ink: 'green', tint: 1 },
});
const ordered = (job: Job): Job =>
  setOrder(job, job.pieces[0]!.id, {
    quantity: 500,
    stock: 'Uncoated “Chalk”',
    weight: 350,
    finishing: ['rounded corners 3 mm'],
    notes: 'Pack in 100s & band',
  });
const press = kit.press('general-coated');
const shotsOf = (job: Job) =>
  faceShots(
    job,
    job.pieces[0]!,
    { ...kit, press, picture: separatedPictures(() => undefined, kit.engine, press) },
    PROOF_PPI,
  );
const FIRST = { version: 1, date: '2026-11-26T09:00:00.000Z' };

afterAll(tidyUp);

describe('a proof for the client', () => {
  const job = ordered(cardWith([square]));

  it('has a page a face and one to sign, in screen colours, with what is ordered, small enough to mail', async () => {
    const file = join(folder, 'proof.pdf');
    writeFileSync(file, await proofPdf(job, job.pieces[0]!, shotsOf(job), FIRST));
    const text = run('pdftotext', ['-layout', file, '-']);
    for (const words of [
      '85 × 55 mm',
      '500',
      'Uncoated',
      '350 g/m²',
      'rounded corners 3 mm',
      'Pack in 100s & band',
      'Signature',
      'not for print',
    ])
      expect(text).toContain(words);
    expect(run('pdftotext', ['-raw', file, '-']).replace(/\s/g, '')).toContain('NOTFORPRINT');
    expect(run('pdfinfo', [file])).toMatch(/Pages:\s+2\n/);
    expect(run('pdfimages', ['-list', file])).toMatch(/ rgb /);
    expect(run('qpdf', ['--check', file])).toMatch(/No syntax/);
  });

  it('frames what changed since the last one, and nothing where nothing did', async () => {
    const kept = keptOf(shotsOf(job), FIRST);
    expect(changesSince(shotsOf(job), kept).get('Front')).toEqual([]);
    const moved = moveElement(job, 's', { x: mm(15), y: 0 });
    const places = changesSince(shotsOf(moved), kept).get('Front')!;
    // The square was at 20 to 30 mm and is at 35 to 45: two places, from the bleed's corner, 3 mm further.
    expect(places).toHaveLength(2);
    const lefts = places.map(({ x }) => x).sort((a, b) => a - b);
    expect(Math.abs(lefts[0]! - mm(23))).toBeLessThan(mm(0.5));
    expect(Math.abs(lefts[1]! - mm(38))).toBeLessThan(mm(0.5));
    for (const { width, height } of places) {
      expect(Math.abs(width - mm(10))).toBeLessThan(mm(0.8));
      expect(Math.abs(height - mm(10))).toBeLessThan(mm(0.8));
    }
    const file = join(folder, 'second.pdf');
    writeFileSync(
      file,
      await proofPdf(moved, moved.pieces[0]!, shotsOf(moved), {
        version: 2,
        date: '2026-11-27T09:00:00.000Z',
        last: kept,
      }),
    );
    expect(run('pdftotext', [file, '-'])).toContain('2 places changed since proof 1 of 2026-11-26: framed.');
  });
});

describe('a job ticket', () => {
  const { job } = openDemo();
  const ticket = ticketOf(
    ordered(job),
    job.pieces.slice(0, 2).map((piece, i) => (i === 0 ? ordered(job).pieces[0]! : piece)),
    {
      card: ['card.pdf'],
    },
  );
  it('says sizes, bleed, inks, stock, quantity and finishing as JSON', () => {
    expect(JSON.parse(ticketJson(ticket))).toMatchObject({
      format: 'tidyedge-ticket',
      pieces: [
        {
          width: 85,
          height: 55,
          bleed: 3,
          order: { quantity: 500, weight: 350, finishing: ['rounded corners 3 mm'] },
          faces: [{ name: 'Front' }, { name: 'Back', plates: expect.arrayContaining(['Cyan', 'Copper']) }],
          files: ['card.pdf'],
        },
        {},
      ],
    });
  });
  it('is well-formed XJDF, in points', () => {
    writeFileSync(join(folder, 'ticket.xjdf'), ticketXjdf(ticket));
    const xpath = (path: string): string => run('xmllint', ['--xpath', path, 'ticket.xjdf']).trim();
    expect(xpath('string(/*/@Version)')).toBe('2.1');
    expect(xpath('namespace-uri(/*)')).toBe('http://www.CIP4.org/JDFSchema_2_0');
    expect(xpath('string(//*[local-name()="Product"][1]/@Amount)')).toBe('500');
    expect(xpath('string(//*[local-name()="LayoutIntent"]/@FinishedDimensions)')).toBe('240.945 155.906 0');
    expect(xpath('string(//*[local-name()="SurfaceColor"][@Surface="Back"]/@ColorsUsed)')).toMatch(/Cyan .*Copper/);
    expect(xpath('string(//*[local-name()="FileSpec"]/@URL)')).toBe('card.pdf');
    expect(xpath('string(//*[local-name()="Comment"][2])')).toMatch(/^Trapped: lighter inks are spread by 0\.08 mm/);
    expect(xpath('string(//*[local-name()="Comment"][3])')).toBe('Pack in 100s & band');
  });
});

describe('a job ticket of a folded piece in inks of odd names', () => {
  const { job } = cardOf();
  const [piece] = ticketOf(job, job.pieces).pieces;
  // 297 mm in three, the tucked panel 2 mm less: two of (297 + 2) / 3 = 99.667 mm, one of 97.667 mm.
  it('is finished as it is folded, with its folds by their places', () => {
    expect(piece).toMatchObject({
      width: 297,
      finished: { width: 99.667, height: 210 },
      fold: {
        folds: [99.667, 199.333].map((at) => ({ from: 'left', at })),
        says: expect.stringContaining('99.667 + 99.667 + 97.667 mm'),
      },
    });
  });
  it('names its inks in tokens that are legal and no two the same, and what they are called', () => {
    writeFileSync(join(folder, 'odd.xjdf'), ticketXjdf(ticketOf(job, job.pieces)));
    const xpath = (path: string): string => run('xmllint', ['--xpath', path, 'odd.xjdf']).trim();
    const used = xpath('string(//*[local-name()="SurfaceColor"]/@ColorsUsed)').split(' ');
    expect(new Set(used).size).toBe(3);
    for (const token of used) expect(token).toMatch(/^[\p{L}\p{N}._:-]+$/u);
    expect(xpath('string(//*[local-name()="LayoutIntent"]/@FinishedDimensions)')).toBe('282.521 595.276 0');
    expect(xpath('count(//*[local-name()="FoldingIntent"]/*[local-name()="Fold"])')).toBe('2');
    expect(xpath('string(//*[local-name()="Resource"][*[@Separation="Tea_2"]]/*/@ActualColorName)')).toBe('Tea_2');
    expect(run('xmllint', ['--xpath', '//@ActualColorName', 'odd.xjdf'])).toContain('Tea &amp; 2');
  });
  function cardOf(): { job: Job } {
    const names = ['Tea 2', 'Tea_2', 'Tea & 2'];
    const panels = names.map((_, i) =>
      makeShape({ id: `p${i}`, x: 20 + 60 * i, y: 20, width: 40, height: 40, paint: { ink: `i${i}`, tint: 1 } }),
    );
    const flyer = cardWith(panels, { kind: 'flyer', width: mm(297), height: mm(210) });
    const folded: Job = {
      ...flyer,
      pieces: flyer.pieces.map((p) => ({ ...p, fold: { kind: 'rolled' as const, less: mm(2) } })),
    };
    const inked = names.reduce(
      (j, name, i) => addInk(j, { id: `i${i}`, name, kind: 'spot', cmyk: [0, 0.5, 0.5, 0] }),
      folded,
    );
    return { job: inked };
  }
});

describe('a package', () => {
  it('has the job, the files, the findings and both tickets, and the job opens again', () => {
    const bundle = openDemo();
    const zip = packageZip(bundle.job, bundle.job.pieces.slice(0, 1), {
      files: [{ name: 'card.pdf', piece: 'card', bytes: new Uint8Array([37, 80]) }],
      reports: [{ piece: 'Card', json: '{}', pdf: new Uint8Array([37, 80, 68, 70]) }],
      assets: bundle.assets,
      fontOf: () => undefined,
    });
    const files = unzipSync(zip);
    expect(Object.keys(files).sort()).toEqual([
      'findings/card.json',
      'findings/card.pdf',
      'hollin-and-fen.tidyedge',
      'print/card.pdf',
      'ticket.json',
      'ticket.xjdf',
    ]);
    expect(readJobFile(files['hollin-and-fen.tidyedge']!).job).toEqual(bundle.job);
  });
  it('tells of each piece what is found, on the plates too, with a picture of each place', async () => {
    const heavy = { ink: 'black', tint: 1 };
    const wet = { id: 'wet', name: 'Wet', kind: 'process', cmyk: [1, 1, 1, 1] } as const;
    const job = addInk(
      cardWith([
        makeShape({ id: 'short', x: -2, y: 20, width: 60, height: 40, paint: heavy }),
        makeShape({ id: 'pool', x: 80, y: 40, width: 90, height: 60, paint: { ink: 'wet', tint: 1 } }),
      ]),
      { ...wet, cmyk: [...wet.cmyk] },
    );
    const press = kit.press('general-coated');
    const plates = layPiece(job, job.pieces[0]!, { ...kit, press }, { picture: () => undefined }).flatMap(platesFound);
    const stands = review(job, job.pieces[0]!, { ...kit, press, plates, misspelt: new Map() });
    const { report, pictures } = pieceReport(job, job.pieces[0]!, stands, {
      ...kit,
      press,
      picture: () => undefined,
    });
    expect(report.rows.map(({ check }) => check)).toEqual(expect.arrayContaining(['short-of-bleed', 'total-ink']));
    expect(pictures.size).toBe(report.rows.length);
    for (const [row, png] of pictures) {
      const { width, height } = await sharp(png).metadata();
      expect(Math.abs(width! / height! - (row.place.width + 36) / (row.place.height + 36))).toBeLessThan(2);
    }
    const file = join(folder, 'report.pdf');
    writeFileSync(file, await reportPdf(report, pictures));
    expect(run('pdftotext', ['-layout', file, '-'])).toContain('Art short of the bleed');
    expect(run('pdfimages', ['-list', file]).trim().split('\n')).toHaveLength(2 + report.rows.length);
  });
  it('leaves out typefaces that may not be passed on, and names them', () => {
    const bundle = openDemo();
    const fontFile = (id: string): Uint8Array => new Uint8Array(readFileSync(packageFile(typefaceOf(id)!.file)));
    const [may, mayNot] = [fontFile('source-sans-3/regular'), fontFile('source-sans-3/bold')];
    const [open, closed] = [hashOf(may), hashOf(mayNot)];
    const fonts = {
      [open]: { family: 'Open', style: 'Regular', instances: [] },
      [closed]: { family: 'Closed', style: 'Bold', instances: [] },
    };
    const zip = packageZip({ ...bundle.job, fonts }, [], {
      files: [],
      reports: [],
      assets: { ...bundle.assets, [open]: may, [closed]: mayNot },
      fontOf: (hash) =>
        ({ embedding: hash === open ? 'subset' : 'forbidden', postscriptName: hash === open ? 'F-a' : 'F-b' }) as never,
    });
    const files = unzipSync(zip);
    expect(Object.keys(files)).toContain('fonts/f-a.ttf');
    expect(Object.keys(files)).not.toContain('fonts/f-b.ttf');
    expect(new TextDecoder().decode(files['left-out.txt'])).toContain('Closed Bold');
  });
});

it('a job of version 5 is brought up without an order', () => {
  const { job } = openDemo();
  expect(migrate({ ...job, version: 5 })).toMatchObject({ version: JOB_VERSION, name: job.name });
});
