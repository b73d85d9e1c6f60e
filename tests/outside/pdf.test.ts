import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { profileFile } from '../../cli/kit';
import type { JobBundle } from '../../core/files/job-parts';
import { pageBoxes } from '../../core/files/pdf/asked';
import { verify } from '../../core/files/pdf/rules';
import { writePdf } from '../../core/files/pdf/write';
import { type Box, bottom, right } from '../../core/geometry/box';
import { addElement } from '../../core/job/edits/elements';
import { plainText } from '../../core/job/look';
import { makePicture, makeRule, makeShape, makeWords } from '../../core/job/make';
import { effectivePpi } from '../../core/picture/place';
import { shopOf } from '../../core/trade/shops';
import { cardWith, inch, kit, makePng, mm, openDemo, withPicture } from '../kit';
import { boxesOf, exportTo, folder, platesOf, run, runBytes, tidyUp } from './tools';

/** Exported files, read by tools that share no code with the writer: poppler, qpdf, Ghostscript, Little CMS. */

const PICTURE = { width: 330, height: 330 };
// A different colour in each cell, the whole cube of sRGB among them.
const cells = (x: number, y: number): number[] => {
  const n = Math.floor(y / 11) * 30 + Math.floor(x / 11);
  return [(n * 37) % 256, (n * 101) % 256, (n * 211) % 256];
};

/** A postcard of 3.66 × 5 1/8 in, an odd size, for the shop that works in inches. */
function postcard(): JobBundle {
  const made = withPicture(
    cardWith([], {
      kind: 'postcard',
      width: inch(3.66),
      height: inch(5.125),
      unit: 'in',
      shop: 'inch-mail-order',
      faces: 2,
    }),
    makePng(PICTURE.width, PICTURE.height, cells),
  );
  const elements = [
    makeShape({
      id: 'ground',
      x: inch(-0.125),
      y: inch(-0.125),
      width: inch(3.91),
      height: inch(2),
      paint: { ink: 'green', tint: 1 },
    }),
    makeShape({
      id: 'half',
      x: inch(0.5),
      y: inch(2.25),
      width: inch(1),
      height: inch(0.5),
      paint: { ink: 'green', tint: 0.5 },
    }),
    makeShape({
      id: 'spot',
      x: inch(2),
      y: inch(2.25),
      width: inch(1),
      height: inch(0.5),
      paint: { ink: 'copper', tint: 0.4 },
    }),
    makeRule({ id: 'rule', x: inch(0.5), y: inch(3), width: inch(2.5), height: 2, paint: { ink: 'copper', tint: 1 } }),
    makePicture({ id: 'picture', x: inch(0.5), y: inch(3.5), width: inch(1.1), height: inch(1.1), asset: made.hash }),
    makeWords({
      id: 'words',
      text: 'Office ﬁles: “Çrème brûlée”, naïve coöperation\nflat affluent AVATAR',
      x: inch(0.3),
      y: inch(0.3),
      lettering: { size: 11, typeface: 'cormorant-garamond/medium', paint: { ink: 'paper', tint: 1 } },
    }),
  ];
  return { job: elements.reduce((j, e) => addElement(j, 'card-1', e), made.job), assets: made.assets };
}

const CASES: Record<string, () => JobBundle> = {
  'the demo card': openDemo,
  'a postcard of an odd size in inches': postcard,
};
const files = new Map<string, { bundle: JobBundle; pdf: string }>();
beforeAll(async () => {
  for (const [name, make] of Object.entries(CASES)) {
    const bundle = make();
    files.set(name, { bundle, pdf: await exportTo(`${files.size}.pdf`, bundle) });
  }
});
afterAll(tidyUp);

/** A box in the page's coordinates: lower left origin of the media box, y up. */
const asPdf = (box: Box, media: Box): number[] => [
  box.x - media.x,
  bottom(media) - bottom(box),
  right(box) - media.x,
  bottom(media) - box.y,
];

describe.each(Object.keys(CASES))('%s', (name) => {
  const of = () => files.get(name)!;

  it('has the boxes asked for, within 0.01 pt (pdfinfo -box)', () => {
    const { bundle, pdf } = of();
    const piece = bundle.job.pieces[0]!;
    const boxes = pageBoxes(piece, shopOf(piece.shop), true);
    const pages = boxesOf(pdf);
    expect(pages.length).toBe(piece.faces.length);
    for (const page of pages)
      for (const [key, box] of [
        ['MediaBox', boxes.media],
        ['BleedBox', boxes.bleed],
        ['TrimBox', boxes.trim],
      ] as const)
        for (const [i, n] of asPdf(box, boxes.media).entries())
          expect(Math.abs(page[key]![i]! - n)).toBeLessThanOrEqual(0.01);
    // The trim is the piece, the bleed the piece and its bleed on every side.
    const [x0, y0, x1, y1] = pages[0]!['TrimBox']! as [number, number, number, number];
    expect(Math.abs(x1 - x0 - piece.width)).toBeLessThanOrEqual(0.011);
    expect(Math.abs(y1 - y0 - piece.height)).toBeLessThanOrEqual(0.011);
  });

  it('is sound (qpdf --check), version 1.6, with no object streams, scripts, forms or annotations', () => {
    const { pdf } = of();
    expect(run('qpdf', ['--check', pdf])).toContain('No syntax or stream encoding errors found');
    const raw = readFileSync(pdf, 'latin1');
    expect(raw.startsWith('%PDF-1.6')).toBe(true);
    expect(raw).not.toMatch(/\/Encrypt|\/JavaScript|\/AcroForm|\/Annots|\/OpenAction/);
  });

  it('has every typeface embedded, subset, with Unicode (pdffonts)', () => {
    const rows = run('pdffonts', [of().pdf]).trim().split('\n').slice(2);
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows) {
      expect(row).toMatch(/^[A-Z]{6}\+/);
      expect(row).toMatch(/CID TrueType\s+Identity-H\s+yes yes yes/);
    }
  });

  it('has the words typed, in order (pdftotext)', () => {
    const { bundle, pdf } = of();
    bundle.job.pieces[0]!.faces.forEach((face, i) => {
      const found = run('pdftotext', ['-raw', '-f', `${i + 1}`, '-l', `${i + 1}`, pdf, '-']).replace(/\f/g, '');
      for (const element of face.elements)
        if (element.kind === 'words')
          for (const line of plainText(element).split('\n'))
            expect(found.normalize('NFC')).toContain(line.replace('ﬁ', 'ﬁ').normalize('NFC'));
    });
  });

  it('has its pictures in CMYK at the ppi the app shows, ±1 (pdfimages -list)', () => {
    const { bundle, pdf } = of();
    const rows = run('pdfimages', ['-list', pdf])
      .trim()
      .split('\n')
      .slice(2)
      .map((row) => row.trim().split(/\s+/));
    const pictures = bundle.job.pieces[0]!.faces.flatMap((f) =>
      f.elements.flatMap((e) => (e.kind === 'picture' ? [e] : [])),
    );
    expect(rows.length).toBe(pictures.length);
    rows.forEach(([, , type, width, , color, , , , , , , xPpi, yPpi], i) => {
      const asset = bundle.job.assets[pictures[i]!.asset]!;
      const shown = effectivePpi(pictures[i]!, asset.width, asset.height);
      expect([type, color, Number(width)]).toEqual(['image', 'cmyk', asset.width]);
      expect(Math.abs(Number(xPpi) - shown)).toBeLessThanOrEqual(1);
      expect(Math.abs(Number(yPpi) - shown)).toBeLessThanOrEqual(1);
    });
  });

  it('names a registered condition, and the registry, where the profile is of one', async () => {
    const { job, assets } = openDemo();
    const press = kit.press('general-coated');
    const registered = { ...press, condition: { ...press.condition, identifier: 'FOGRA39' } };
    const asked = { pieceId: job.pieces[0]!.id, shop: shopOf('metric-offset'), marks: true };
    const bytes = await writePdf(job, asked, { ...kit, press: registered, assets });
    writeFileSync(join(folder, 'registered.pdf'), bytes);
    const text = run('qpdf', ['--json=2', '--json-stream-data=none', 'registered.pdf']);
    expect(text).toContain('"/OutputConditionIdentifier": "u:FOGRA39"');
    expect(text).toContain('"/RegistryName": "u:http://www.color.org"');
    expect(verify(bytes, 'PDF/X-4').filter(({ faults }) => faults.length > 0)).toEqual([]);
  });

  it('carries the profile as its output intent, and says PDF/X-4 in XMP; Info and XMP agree', () => {
    const { bundle, pdf } = of();
    const json = JSON.parse(run('qpdf', ['--json=2', '--json-stream-data=none', pdf])) as {
      qpdf: [unknown, Record<string, { value?: Record<string, unknown>; stream?: { dict: Record<string, unknown> } }>];
    };
    const objects = json.qpdf[1];
    const value = (ref: unknown) => objects[`obj:${ref}`]!;
    const trailer = objects['trailer']!.value!;
    const catalog = value(trailer['/Root']).value!;
    const [intentRef] = catalog['/OutputIntents'] as string[];
    const intent = value(intentRef).value!;
    expect(intent['/S']).toBe('/GTS_PDFX');
    expect(intent['/OutputConditionIdentifier']).toBe('u:Custom');
    const stream = (ref: unknown): Buffer =>
      runBytes('qpdf', ['--filtered-stream-data', `--show-object=${String(ref).split(' ')[0]}`, pdf]);
    expect(stream(intent['/DestOutputProfile']).equals(readFileSync(profileFile('general-coated.icc')))).toBe(true);
    const xmp = stream(catalog['/Metadata']).toString('utf8');
    expect(xmp).toContain('<pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>');
    // The demo's copper is spread over its green.
    const trapped = bundle.job.pieces[0]!.spread === undefined ? 'False' : 'True';
    expect(xmp).toContain(`<pdf:Trapped>${trapped}</pdf:Trapped>`);
    for (const part of [
      'xmp:CreateDate',
      'xmp:ModifyDate',
      'xmp:MetadataDate',
      'xmpMM:DocumentID',
      'xmpMM:VersionID',
      'xmpMM:RenditionClass',
    ])
      expect(xmp).toContain(`<${part}>`);
    const info = value(trailer['/Info']).value!;
    expect(info['/Trapped']).toBe(`/${trapped}`);
    const title = String(info['/Title']).replace(/^u:/, '');
    expect(xmp).toContain(`>${title.replace(/&/g, '&amp;')}</rdf:li>`);
    const created = String(info['/CreationDate']).replace(
      /^u:D:(\d{4})(\d\d)(\d\d)(\d\d)(\d\d)(\d\d)Z$/,
      '$1-$2-$3T$4:$5:$6Z',
    );
    expect(xmp).toContain(`<xmp:CreateDate>${created}</xmp:CreateDate>`);
    expect((trailer['/ID'] as string[]).length).toBe(2);
  });

  it('is the same bytes when written again', async () => {
    const { pdf } = of();
    const again = await exportTo('again.pdf', CASES[name]!());
    expect(readFileSync(again).equals(readFileSync(pdf))).toBe(true);
  });
});

describe('the plates, as Ghostscript separates them', () => {
  const CLOSE = 0.0041; // tiffsep writes 8 bits: ±0.4 %

  it('hold the CMYK typed at named points, a spot’s tint on its own plate only', async () => {
    const { bundle, pdf } = files.get('a postcard of an odd size in inches')!;
    const { media } = pageBoxes(bundle.job.pieces[0]!, shopOf('inch-mail-order'), true);
    const plates = await platesOf(pdf, 1, 150);
    const points: [string, number, number, Record<string, number>][] = [
      ['green', 3, 1, { Cyan: 0.8, Magenta: 0.2, Yellow: 0.7, Black: 0.3, Copper: 0 }],
      ['half the green', 1, 2.5, { Cyan: 0.4, Magenta: 0.1, Yellow: 0.35, Black: 0.15, Copper: 0 }],
      ['40 % of the spot', 2.5, 2.5, { Cyan: 0, Magenta: 0, Yellow: 0, Black: 0, Copper: 0.4 }],
      ['the spot', 1.5, 3 + 1 / 72, { Cyan: 0, Magenta: 0, Yellow: 0, Black: 0, Copper: 1 }],
      ['paper', 3, 4.5, { Cyan: 0, Magenta: 0, Yellow: 0, Black: 0, Copper: 0 }],
    ];
    for (const [what, x, y, wanted] of points)
      for (const [plate, amount] of Object.entries(wanted)) {
        const found = plates.get(plate)!.at(inch(x) - media.x, inch(y) - media.y);
        expect(Math.abs(found - amount), `${what}: ${plate} ${found}`).toBeLessThanOrEqual(CLOSE);
      }
  });

  it('show the demo card’s inks where they lie', async () => {
    const { bundle, pdf } = files.get('the demo card')!;
    const { media } = pageBoxes(bundle.job.pieces[0]!, shopOf('metric-offset'), true);
    const plates = await platesOf(pdf, 1, 300);
    const read = (x: number, y: number) =>
      ['Cyan', 'Magenta', 'Yellow', 'Black', 'Copper'].map((plate) =>
        plates.get(plate)!.at(mm(x) - media.x, mm(y) - media.y),
      );
    const near = (found: number[], wanted: number[]) => {
      for (const [i, w] of wanted.entries()) expect(Math.abs(found[i]! - w)).toBeLessThanOrEqual(CLOSE);
    };
    near(read(3, 3), [0.85, 0.38, 0.72, 0.45, 0]);
    near(read(80, 50), [0.03, 0.07, 0.2, 0, 0]);
    near(read(29.4, 10), [0, 0, 0, 0, 1]);
  });

  it('hold the marks at 100 % on every plate, and nothing of them inside the bleed', async () => {
    // An empty face of a piece whose second face needs a spot: all that prints on the first is marks.
    let job = cardWith([], { faces: 2 });
    job = addElement(
      job,
      'card-2',
      makeShape({ id: 's', x: 10, y: 10, width: 50, height: 50, paint: { ink: 'copper', tint: 1 } }),
    );
    job = addElement(
      job,
      'card-1',
      makeShape({ id: 'dot', x: 10, y: 10, width: 5, height: 5, paint: { ink: 'copper', tint: 1 } }),
    );
    const pdf = await exportTo('marks.pdf', { job, assets: {} });
    const piece = job.pieces[0]!;
    const shop = shopOf(piece.shop);
    const { media, bleed } = pageBoxes(piece, shop, true);
    const dpi = 600;
    const plates = await platesOf(pdf, 1, dpi);
    expect([...plates.keys()].sort()).toEqual(['Black', 'Copper', 'Cyan', 'Magenta', 'Yellow']);
    const middle = shop.marks.offset + shop.marks.length / 2;
    for (const [name, plate] of plates) {
      const peak = (x: number, y: number): number =>
        Math.max(
          ...[-0.1, -0.05, 0, 0.05, 0.1].flatMap((d) => [
            plate.at(x - media.x + d, y - media.y),
            plate.at(x - media.x, y - media.y + d),
          ]),
        );
      for (const [x, y] of [
        [-middle, 0],
        [0, -middle],
        [piece.width + middle, 0],
        [piece.width, -middle],
        [-middle, piece.height],
        [0, piece.height + middle],
        [piece.width + middle, piece.height],
        [piece.width, piece.height + middle],
      ] as const)
        expect(peak(x, y), `${name} at ${x}, ${y}`).toBe(1);
      // Inside the bleed box only the dot prints, and only in copper.
      const px = (points: number): number => Math.round((points / 72) * dpi);
      let inked = 0;
      for (let y = px(bleed.y - media.y) + 1; y < px(bottom(bleed) - media.y) - 1; y++)
        for (let x = px(bleed.x - media.x) + 1; x < px(right(bleed) - media.x) - 1; x++)
          if (plate.ink[y * plate.width + x]! > 0) inked++;
      const dot = px(5) ** 2;
      if (name === 'Copper') expect(Math.abs(inked - dot)).toBeLessThan(0.06 * dot);
      else expect(inked).toBe(0);
    }
  });
});

describe('pictures', () => {
  it('hold what Little CMS’s own transicc computes from the same colours, ±1 level', () => {
    const { pdf } = files.get('a postcard of an odd size in inches')!;
    const json = JSON.parse(run('qpdf', ['--json=2', '--json-stream-data=none', pdf])) as {
      qpdf: [unknown, Record<string, { stream?: { dict: Record<string, unknown> } }>];
    };
    const [key] = Object.entries(json.qpdf[1]).find(([, o]) => o.stream?.dict['/Subtype'] === '/Image')!;
    const found = runBytes('qpdf', ['--filtered-stream-data', `--show-object=${/obj:(\d+)/.exec(key)![1]}`, pdf]);
    expect(found.length).toBe(PICTURE.width * PICTURE.height * 4);
    const middles = Array.from({ length: 900 }, (_, n) => [(n % 30) * 11 + 5, Math.floor(n / 30) * 11 + 5] as const);
    const input = middles.map(([x, y]) => cells(x, y).join(' ')).join('\n');
    const output = run(
      'transicc',
      ['-t1', '-b', '-i*sRGB', `-o${profileFile('general-coated.icc')}`, '-n', '-e'],
      `${input}\n`,
    );
    const wanted = output
      .trim()
      .split('\n')
      .map((line) => line.trim().split(/\s+/).map(Number))
      .filter((row) => row.length === 4 && row.every(Number.isFinite));
    expect(wanted.length).toBe(900);
    middles.forEach(([x, y], i) => {
      for (let c = 0; c < 4; c++)
        expect(Math.abs(found[(y * PICTURE.width + x) * 4 + c]! - wanted[i]![c]!)).toBeLessThanOrEqual(1);
    });
  });

  it('keep their transparency as a soft mask that Ghostscript prints through', async () => {
    const { job, hash, assets } = withPicture(
      cardWith([makeShape({ id: 'under', x: 0, y: 0, width: 100, height: 100, paint: { ink: 'copper', tint: 1 } })]),
      makePng(100, 100, (x) => [0, 0, 0, x < 50 ? 0 : 255]),
    );
    const pdf = await exportTo('alpha.pdf', {
      job: addElement(job, 'card-1', makePicture({ id: 'p', x: 0, y: 0, width: 100, height: 100, asset: hash })),
      assets,
    });
    expect(run('pdfimages', ['-list', pdf])).toMatch(/smask/);
    const { media } = pageBoxes(job.pieces[0]!, shopOf('metric-offset'), true);
    const plates = await platesOf(pdf, 1, 150);
    expect(plates.get('Copper')!.at(25 - media.x, 50 - media.y)).toBe(1);
    expect(plates.get('Copper')!.at(75 - media.x, 50 - media.y)).toBe(0);
    expect(plates.get('Black')!.at(75 - media.x, 50 - media.y)).toBeGreaterThan(0.7);
  });
});

describe('what is written', () => {
  it('cuts art off at the bleed, so that nothing lies under the marks', async () => {
    const pdf = await exportTo('over.pdf', {
      job: cardWith([makeShape({ id: 's', x: -500, y: -500, width: 2000, height: 2000 })]),
      assets: {},
    });
    const { media, bleed } = pageBoxes(cardWith([]).pieces[0]!, shopOf('metric-offset'), true);
    const black = (await platesOf(pdf, 1, 150)).get('Black')!;
    expect(black.at(bleed.x - media.x - 3, 80 - media.y)).toBe(0);
    expect(black.at(bleed.x - media.x + 3, 80 - media.y)).toBe(1);
  });
  it('is only the faces asked for, without marks where none are asked', async () => {
    const pdf = await exportTo('back.pdf', openDemo(), { faces: [1], marks: false });
    const [page, ...more] = boxesOf(pdf);
    expect(more).toEqual([]);
    expect(page!['MediaBox']).toEqual(page!['BleedBox']);
    expect(run('pdftotext', [pdf, '-'])).toContain('Tea garden');
    await expect(exportTo('none.pdf', openDemo(), { faces: [7] })).rejects.toThrow(/choose from 1 to 2/);
  });
  it('needs its pictures', async () => {
    await expect(exportTo('missing.pdf', { job: openDemo().job, assets: {} })).rejects.toThrow(/Glasshouse.*missing/);
  });
});

it('says words on a circle as words, though each letter stands at its own angle (pdftotext)', async () => {
  const flyer = await exportTo('flyer.pdf', openDemo(), { pieceId: 'open-day', faces: [1] });
  expect(run('pdftotext', [flyer, '-']).replace(/\s+/g, ' ')).toContain('Hollin & Fen · tea garden and plant nursery');
});
