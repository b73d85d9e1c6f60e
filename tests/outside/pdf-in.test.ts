import { readFileSync } from 'node:fs';
import { degrees, PDFDocument, PDFName, type PDFPage } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import type { Cmyk } from '../../core/colour/ink';
import type { Art } from '../../core/files/art-in/art';
import { elementsOfArt } from '../../core/files/art-in/elements';
import type { JobBundle } from '../../core/files/job-parts';
import type { FontRead } from '../../core/files/pdf/drawn/fonts';
import type { Letter } from '../../core/files/pdf-in/art-device';
import { layersOf } from '../../core/files/pdf-in/colours';
import { inLines } from '../../core/files/pdf-in/lines';
import { type PageArt, PdfArtError } from '../../core/files/pdf-in/page';
import { boxPath, pathBounds } from '../../core/geometry/path';
import { decodePicture } from '../../core/picture/decode';
import { separatePicture } from '../../core/picture/separate';
import { isDeep } from '../deep';
import { checkKit, kit, openDemo } from '../kit';
import { artOf, layPage } from './pdf-road';
import { exportTo, tidyUp, tiffsep } from './tools';
import { torture } from './torture';

afterAll(tidyUp);

/** A job whose first piece is one of its own, with empty faces. */
function emptied({ job, assets }: JobBundle): JobBundle {
  const [piece] = job.pieces;
  const faces = piece!.faces.map(({ groups: _, ...face }) => ({ ...face, elements: [] }));
  return { job: { ...job, pieces: [{ ...piece!, faces }] }, assets };
}

const pieceOf = ({ job, assets }: JobBundle, i: number): JobBundle => ({
  job: { ...job, pieces: [job.pieces[i]!] },
  assets,
});

/** How much each plate of each page differs between two files, on the mean, 0 to 1. */
async function differences(first: string, second: string): Promise<{ plate: string; mean: number }[]> {
  const of = async (pdf: string) =>
    new Map(
      (await tiffsep(pdf, ['-r600', '-dDownScaleFactor=6'])).map(({ page, name, levels }) => [
        `${page} ${name}`,
        levels,
      ]),
    );
  const [one, other] = [await of(first), await of(second)];
  return [...new Set([...one.keys(), ...other.keys()])].map((plate) => {
    const [a, b] = [one.get(plate), other.get(plate)];
    const cells = (a ?? b)!.length;
    let sum = 0;
    for (let k = 0; k < cells; k++) sum += Math.abs((a?.[k] ?? 255) - (b?.[k] ?? 255));
    return { plate, mean: sum / cells / 255 };
  });
}

/** Our own file, each of its pages imported again and written once more: plates by Ghostscript. */
async function backAgain(name: string, bundle: JobBundle) {
  const first = await exportTo(`${name}.pdf`, bundle, { marks: false });
  const bytes = new Uint8Array(readFileSync(first));
  let laid = emptied(bundle);
  const notes: string[] = [];
  for (const [i, { id }] of bundle.job.pieces[0]!.faces.entries()) {
    if (bundle.job.pieces[0]!.faces[i]!.elements.length === 0) continue;
    const next = layPage(laid, id, bytes, i);
    notes.push(...next.art.notes);
    laid = next;
  }
  const second = await exportTo(`${name}-again.pdf`, laid, { marks: false });
  const off = await differences(first, second);
  return { off, notes, elements: laid.job.pieces[0]!.faces.flatMap(({ elements }) => elements) };
}

describe('our own PDF taken in as art, against Ghostscript’s plates of the first', () => {
  const demo = openDemo();
  const pieces = demo.job.pieces.map((piece, i) => [piece.id, pieceOf(demo, i)] as const);
  const [card, ...others] = pieces;
  const all = [card!, ['torture', torture()] as const, ...(isDeep ? others : [])];
  it.each(all)('%s', async (_, bundle) => {
    const { off, notes, elements } = await backAgain(bundle.job.pieces[0]!.id, bundle);
    // Ghostscript lays letters and areas by different rules at their edges: outlines differ by that alone.
    for (const { plate, mean } of off) expect(mean, plate).toBeLessThan(0.002);
    expect(notes.filter((note) => !note.includes('are outlines'))).toEqual([]);
    expect(elements.some(({ kind }) => kind === 'words')).toBe(true);
  });
});

/** A page of its own content, in points; resources by name. */
async function page(
  content: string,
  resources: Record<string, unknown> = {},
  more: (page: PDFPage) => void = () => {},
) {
  const file = await PDFDocument.create();
  const made = file.addPage([200, 100]);
  more(made);
  const { context } = file;
  made.node.set(PDFName.of('Contents'), context.register(context.stream(content)));
  made.node.set(PDFName.of('Resources'), context.obj(resources as never));
  return new Uint8Array(await file.save());
}
const SPOT = { FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [0.1, 0.6, 0.8, 0.05], N: 1 };
const shapeNames = (art: PageArt) => art.items.map(({ kind }) => kind);

describe('a page of another make, as the operators of ISO 32000-1 say', () => {
  it('keeps amounts, greys, spot inks and what lies on both at once, by names and numbers', async () => {
    const art = artOf(
      await page(
        '0.3 0.2 0 0.1 k 10 10 50 50 re f 0.6 g 70 10 20 20 re f /S cs 0.5 scn 100 10 20 20 re f /N cs 0.4 0.7 scn 130 10 20 20 re f',
        {
          ColorSpace: {
            S: ['Separation', 'Copper', 'DeviceCMYK', SPOT],
            N: ['DeviceN', ['Cyan', 'Copper'], 'DeviceCMYK', SPOT],
          },
        },
      ),
    );
    expect(
      art.items.map((item) => [item.kind, 'colour' in item && item.colour, item.kind === 'area' && item.overprints]),
    ).toEqual([
      ['area', { kind: 'flat', key: 'cmyk 0.3 0.2 0 0.1' }, undefined],
      ['area', { kind: 'flat', key: 'cmyk 0 0 0 1', tint: 0.4 }, undefined],
      ['area', { kind: 'flat', key: 'spot Copper', tint: 0.5 }, undefined],
      ['area', { kind: 'flat', key: 'cmyk 0.4 0 0 0' }, undefined],
      ['area', { kind: 'flat', key: 'spot Copper', tint: 0.7 }, true],
    ]);
    expect(art.inks['spot Copper']).toEqual({ kind: 'spot', name: 'Copper', cmyk: [0.1, 0.6, 0.8, 0.05] });
  });

  it('keeps lines as lines, areas inside a clip as they are, and cuts what a clip cuts', async () => {
    const art = artOf(
      await page('q 0 0 100 100 re W n 10 10 20 20 re f 90 10 40 20 re f 4 w 5 50 m 60 50 l S Q 5 80 m 195 80 l S'),
    );
    expect(art.items.map((item) => [item.kind, 'path' in item && pathBounds(item.path)])).toEqual([
      ['area', { x: 10, y: 70, width: 20, height: 20 }],
      ['area', { x: 90, y: 70, width: 10, height: 20 }],
      ['line', { x: 5, y: 50, width: 55, height: 0 }],
      ['line', { x: 5, y: 20, width: 190, height: 0 }],
    ]);
  });

  it.each([
    [90, { x: 10, y: 10, width: 20, height: 30 }, [100, 200]],
    [180, { x: 160, y: 10, width: 30, height: 20 }, [200, 100]],
    [270, { x: 70, y: 160, width: 20, height: 30 }, [100, 200]],
  ])('stands upright where the page is turned by %i', async (turn, box, size) => {
    const art = artOf(await page('10 10 30 20 re f', {}, (made) => made.setRotation(degrees(turn))));
    const [only] = art.items;
    expect([art.width, art.height]).toEqual(size);
    expect(only?.kind === 'area' && pathBounds(only.path)).toEqual(box);
  });

  it('is the trim and the bleed of a page that says so: its marks stay away', async () => {
    const art = artOf(
      await page('10 10 180 80 re f 2 30 4 1 re f', {}, (made) => {
        made.setTrimBox(20, 20, 160, 60);
        made.setBleedBox(12, 12, 176, 76);
      }),
    );
    expect([art.width, art.height, art.trim]).toEqual([176, 76, { x: 8, y: 8, width: 160, height: 60 }]);
    expect(shapeNames(art)).toEqual(['area']);
  });

  it('sets words whose letters are not in the file in another typeface, as wide, and says so', async () => {
    const art = artOf(
      await page('BT /F 12 Tf 20 50 Td (Tea from the urn) Tj ET', {
        Font: { F: { Type: 'Font', Subtype: 'Type1', BaseFont: 'Times-Roman' } },
      }),
    );
    expect(art.notes).toEqual([expect.stringContaining('The letters of Times-Roman are not in the file')]);
    expect(art.items).toEqual([
      expect.objectContaining({ kind: 'words', x: 20, baseline: 50, size: 12, typeface: 'source-sans-3/regular' }),
    ]);
  });

  it('tells of what it does not keep, and never without a word', async () => {
    const shading = {
      ShadingType: 3,
      ColorSpace: 'DeviceRGB',
      Coords: [40, 50, 10, 80, 50, 40],
      Function: { ...SPOT, C0: [1, 0, 0], C1: [0, 0, 1] },
    };
    const art = artOf(
      await page('/G gs 0 0 100 100 re f /P sh', { ExtGState: { G: { BM: 'Multiply' } }, Shading: { P: shading } }),
    );
    expect(art.notes.join(' ')).toContain('a blend (Multiply)');
    expect(art.notes.join(' ')).toContain('between two circles apart');
  });

  it('refuses what is no page, in words', async () => {
    expect(() => artOf(new Uint8Array([1, 2, 3]))).toThrow(/This PDF cannot be read: .* Save it again/);
    expect(() => artOf(new TextEncoder().encode('%PDF-1.7\n1 0 obj\n<</Pages 2 0 R>>\nendobj'))).toThrow(PdfArtError);
  });
});

describe('pictures of a page', () => {
  const grain = Buffer.from(Array.from({ length: 40 * 20 * 4 }, (_, i) => (i * 37) % 256));
  async function pictured(place: string, dict: Record<string, unknown>, data: Buffer): Promise<PageArt> {
    const file = await PDFDocument.create();
    const made = file.addPage([200, 100]);
    const { context } = file;
    const stream = context.register(
      context.stream(data, {
        Type: 'XObject',
        Subtype: 'Image',
        Width: 40,
        Height: 20,
        BitsPerComponent: 8,
        ...dict,
      } as never),
    );
    made.node.set(PDFName.of('Contents'), context.register(context.stream(`q ${place} cm /I Do Q`)));
    made.node.set(PDFName.of('Resources'), context.obj({ XObject: { I: stream } } as never));
    return artOf(new Uint8Array(await file.save()));
  }
  const pixels = async (art: PageArt) =>
    sharp(Object.values(art.files)[0]!).raw().toBuffer({ resolveWithObject: true });

  it('keep the numbers of CMYK, by sharp’s reading of them', async () => {
    const art = await pictured('80 0 0 40 10 10', { ColorSpace: 'DeviceCMYK' }, grain);
    const file = sharp(Object.values(art.files)[0]!).pipelineColourspace('cmyk').toColourspace('cmyk');
    const { data, info } = await file.raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height, info.channels]).toEqual([40, 20, 4]);
    expect(Buffer.compare(data, grain)).toBe(0);
  });

  it('in one spot ink are greys in that ink', async () => {
    const art = await pictured(
      '80 0 0 40 10 10',
      { ColorSpace: ['Separation', 'Copper', 'DeviceCMYK', SPOT] },
      grain.subarray(0, 800),
    );
    expect(art.items).toEqual([expect.objectContaining({ kind: 'picture', ink: { key: 'spot Copper' } })]);
    const pixels = decodePicture(Object.values(art.files)[0]!);
    const { plates, amounts } = separatePicture(pixels, kit.engine, checkKit.press, { inks: [{ Copper: 1 }] });
    expect(plates).toEqual(['Copper']);
    expect(Math.max(...amounts.map((amount, i) => Math.abs(amount - grain[i]!)))).toBeLessThanOrEqual(2);
  });

  it('that are stretched have their pixels made even', async () => {
    const { info } = await pixels(
      await pictured('80 0 0 80 10 10', { ColorSpace: 'DeviceRGB' }, grain.subarray(0, 2400)),
    );
    expect([info.width, info.height]).toEqual([40, 40]);
  });

  it('that are turned and mirrored stand as they stood', async () => {
    const art = await pictured('0 40 80 0 10 10', { ColorSpace: 'DeviceRGB' }, grain.subarray(0, 2400));
    const [picture] = elementsOfArt(
      { ...art, pictures: { ...only(art) } },
      {
        paints: new Map(),
        at: { x: 0, y: 0, width: 200, height: 100 },
        type: { styles: [], fonts: kit.fonts },
        newId: () => 'p',
        name: 'Page',
      },
    ).elements;
    expect(picture).toMatchObject({ kind: 'picture', width: 40, height: 80, x: 30, y: 30, turn: -90, flip: 'down' });
  });

  const only = (art: PageArt): Art['pictures'] =>
    Object.fromEntries(
      Object.keys(art.files).map((key) => [
        key,
        { hash: key, asset: { name: 'p', type: 'image/png', width: 40, height: 20 } },
      ]),
    );
});

describe('what is made of what a page draws', () => {
  it('keeps the stops at which only what is seen through runs', () => {
    const list = { inks: {}, standIn: () => [0, 0, 0, 1] as Cmyk };
    const run = { kind: 'linear', matrix: [1, 0, 0, 1, 0, 0] } as const;
    const stops = [0, 0.5, 1].map((at) => ({ at, plates: { Black: 1 } }));
    const amounts = [0, 1, 0].map((amount, i) => ({ at: i / 2, amount }));
    const [colour] = layersOf(list, { ...run, stops }, { ...run, stops: amounts });
    expect(colour?.kind === 'linear' && colour.stops.map(({ alpha }) => alpha)).toEqual([0, 1, 0]);
  });
  it('takes letters along a curve, said as a whole with the first of them, for one thing', () => {
    const font = { name: 'Lora', embedded: true } as FontRead;
    const letter = (text: string, angle: number): Letter => ({
      kind: 'letter',
      seen: {
        font,
        glyph: 1,
        text,
        x: angle,
        y: angle,
        size: 10,
        angle,
        advance: 5,
        colour: { Black: 1 },
        overprints: false,
        seen: true,
      },
      area: {
        kind: 'area',
        name: undefined,
        opacity: 1,
        path: boxPath({ x: angle, y: 0, width: 4, height: 4 }),
        colour: { kind: 'flat', key: 'k' },
      },
    });
    const sources = {
      type: { styles: [], fonts: kit.fonts },
      typefaceOf: () => undefined,
      plain: 'x',
      note: () => undefined,
    };
    const items = inLines([letter('Round the bend', 0), letter('', 20), letter('', 40)], sources);
    expect(items).toMatchObject([{ kind: 'area', name: 'Round the bend' }]);
  });
});
