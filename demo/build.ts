import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { loadKit } from '../cli/kit';
import { hashOf } from '../core/files/hash';
import { readJobFile, writeJobFile } from '../core/files/job-file';
import type { JobBundle } from '../core/files/job-parts';
import { parsePath, pathBounds, transformPath } from '../core/geometry/path';
import { addAsset, addElement } from '../core/job/edits/elements';
import { addInk } from '../core/job/edits/inks';
import { addPiece, learnWord } from '../core/job/edits/job';
import { setSpread } from '../core/job/edits/pieces';
import { lookOf } from '../core/job/look';
import { makeJob, makePicture, makePiece, makeRule, makeShape, makeWords } from '../core/job/make';
import { quotedParagraphs } from '../core/job/quoted';
import type { Element, Job } from '../core/job/schema';
import { probePicture } from '../core/picture/probe';
import type { FontBook } from '../core/type/font';
import { toPoints } from '../core/units/length';
import { buildFoilCard } from './foil-card';
import { glasshouse, seeded } from './glasshouse';
import { buildHouse } from './house';
import { buildOpenDay } from './open-day';
import { buildSpring } from './spring';
import { buildStationery } from './stationery';

/** Builds the demo job, the way a person would: from the project's own edits. */

const here = (name: string): string => fileURLToPath(new URL(name, import.meta.url));
const mm = (n: number): number => toPoints(n, 'mm');

/** The mark's outline in a unit square. The file keeps its proportions; the second value is height over width. */
function fernMark(): { outline: string; ratio: number } {
  const data = /<path d="([^"]+)"/.exec(readFileSync(here('art/fern-mark.svg'), 'utf8'))![1]!;
  const path = parsePath(data);
  const { x, y, width, height } = pathBounds(path)!;
  // A thousandth is the path's precision, so the unit square is written a thousand times as large and shrunk by the parser.
  const unit = transformPath(path, [1 / width, 0, 0, 1 / height, -x / width, -y / height]);
  return { outline: pathDataFine(unit), ratio: height / width };
}
const pathDataFine = (path: ReturnType<typeof parsePath>): string =>
  path.map(([op, ...n]) => op + n.map((v) => Math.round(v * 1e5) / 1e5).join(' ')).join('');

/** The picture at 300 ppi and full size with bleed, with a little grain, as a JPEG that carries its profile. */
async function picture(widthMm: number, heightMm: number): Promise<Uint8Array> {
  const [width, height] = [widthMm, heightMm].map((side) => Math.ceil((side / 25.4) * 300)) as [number, number];
  const { data } = await sharp(Buffer.from(glasshouse(width, height)))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const random = seeded(7);
  for (let i = 0; i < data.length; i += 3) {
    const grain = (random() + random() - 1) * 7;
    for (let c = 0; c < 3; c++) data[i + c] = Math.max(0, Math.min(255, data[i + c]! + grain));
  }
  const jpeg = await sharp(data, { raw: { width, height, channels: 3 } })
    .withIccProfile('srgb')
    .withDensity(300)
    .jpeg({ quality: 90, chromaSubsampling: '4:4:4' })
    .toBuffer();
  return new Uint8Array(jpeg);
}

/** Words whose frame hangs from a baseline: designers place lines by baselines. */
function onBaseline(fonts: FontBook, baselineMm: number, given: Parameters<typeof makeWords>[0]): Element {
  const words = { ...makeWords(given), paragraphs: quotedParagraphs(given.text) };
  const { lettering } = lookOf(words, []);
  const font = fonts.font(lettering.typeface);
  return { ...words, y: mm(baselineMm) - (font.ascent / font.upem) * lettering.size };
}

export async function buildDemo(): Promise<JobBundle> {
  const { fonts } = await loadKit();
  const glass = await picture(91, 61);
  const hash = hashOf(glass);
  const { width, height } = probePicture(glass);
  const fern = fernMark();

  let job: Job = makeJob('hollin-and-fen', 'Hollin & Fen', '2026-11-02T09:00:00.000Z');
  job = addInk(job, { id: 'fen', name: 'Fen green', kind: 'process', cmyk: [0.85, 0.38, 0.72, 0.45] });
  job = addInk(job, { id: 'oat', name: 'Oat', kind: 'process', cmyk: [0.03, 0.07, 0.2, 0] });
  job = addInk(job, { id: 'copper', name: 'Copper', kind: 'spot', cmyk: [0.2, 0.62, 0.78, 0.14] });
  job = addPiece(
    job,
    makePiece({
      id: 'card',
      name: 'Business card, Iris Calloway',
      kind: 'card',
      width: mm(85),
      height: mm(55),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 2,
    }),
  );
  job = addAsset(job, hash, { name: 'Glasshouse, morning', type: 'image/jpeg', width, height });
  const wide = await picture(159, 111);
  const wideHash = hashOf(wide);
  const { width: wideWidth, height: wideHeight } = probePicture(wide);
  job = addAsset(job, wideHash, { name: 'Glasshouse, wide', type: 'image/jpeg', width: wideWidth, height: wideHeight });

  const put = (face: string, element: Element): void => {
    job = addElement(job, face, element);
  };
  const paint = (ink: string, tint = 1) => ({ ink, tint });
  const left = mm(35);

  put(
    'card-1',
    makeShape({
      id: 'paper-panel',
      name: 'Oat ground',
      x: mm(-3),
      y: mm(-3),
      width: mm(91),
      height: mm(61),
      paint: paint('oat'),
    }),
  );
  put(
    'card-1',
    makeShape({
      id: 'fen-panel',
      name: 'Fen panel',
      x: mm(-3),
      y: mm(-3),
      width: mm(32),
      height: mm(61),
      paint: paint('fen'),
    }),
  );
  put(
    'card-1',
    makeRule({
      id: 'copper-strip',
      name: 'Copper strip',
      x: mm(29),
      y: mm(-3),
      width: mm(0.8),
      height: mm(61),
      paint: paint('copper'),
    }),
  );
  const markWidth = mm(17.5);
  put(
    'card-1',
    makeShape({
      id: 'fern',
      name: 'Fern mark',
      logo: true,
      outline: fern.outline,
      x: mm(14.6) - markWidth / 2,
      y: mm(27.5) - (markWidth * fern.ratio) / 2,
      width: markWidth,
      height: markWidth * fern.ratio,
      paint: paint('oat'),
    }),
  );
  put(
    'card-1',
    onBaseline(fonts, 16.8, {
      id: 'name',
      text: '{person.name}',
      x: left,
      y: 0,
      lettering: { typeface: 'cormorant-garamond/semibold', size: 18, paint: paint('fen') },
    }),
  );
  put(
    'card-1',
    onBaseline(fonts, 21.6, {
      id: 'title',
      text: '{person.title}',
      x: left,
      y: 0,
      lettering: { typeface: 'source-sans-3/regular', size: 8.5, paint: paint('copper') },
    }),
  );
  put(
    'card-1',
    makeRule({
      id: 'hair',
      name: 'Short rule',
      x: left,
      y: mm(34.6),
      width: mm(12),
      height: 0.5,
      paint: paint('copper'),
    }),
  );
  put(
    'card-1',
    onBaseline(fonts, 39.8, {
      id: 'contact',
      text: '{person.direct}\n{person.mail}\n{firm.street}, {firm.town} {firm.postcode}',
      x: left,
      y: 0,
      lettering: { typeface: 'source-sans-3/regular', size: 8, paint: paint('fen') },
      setting: { leading: { share: 1.3 } },
    }),
  );

  put(
    'card-2',
    makePicture({
      id: 'glass',
      name: 'Glasshouse, morning',
      asset: hash,
      x: mm(-3),
      y: mm(-3),
      width: mm(91),
      height: mm(61),
    }),
  );
  put(
    'card-2',
    makeShape({
      id: 'plaque',
      name: 'Oat plaque',
      x: mm(-3),
      y: mm(-3),
      width: mm(91),
      height: mm(17.5),
      paint: paint('oat'),
    }),
  );
  put(
    'card-2',
    makeRule({
      id: 'plaque-edge',
      name: 'Copper edge',
      x: mm(-3),
      y: mm(14.5),
      width: mm(91),
      height: mm(0.8),
      paint: paint('copper'),
    }),
  );
  put(
    'card-2',
    centred(fonts, 8.8, {
      id: 'firm',
      text: '{firm.name}',
      lettering: { typeface: 'cormorant-garamond/semibold', size: 17, paint: paint('fen') },
    }),
  );
  put(
    'card-2',
    centred(fonts, 12.6, {
      id: 'line',
      text: '{firm.line}',
      lettering: { typeface: 'cormorant-garamond/italic', size: 8.5, paint: paint('fen') },
    }),
  );
  const open = await picture(313, 112);
  const openHash = hashOf(open);
  const { width: openWidth, height: openHeight } = probePicture(open);
  job = addAsset(job, openHash, { name: 'Glasshouse, open', type: 'image/jpeg', width: openWidth, height: openHeight });
  job = buildOpenDay(job, fern, wideHash);
  job = buildHouse(buildStationery(job, { fern, picture: wideHash, panorama: openHash }), fern);
  for (const word of [
    'Hollin',
    'Calloway',
    'Adaeze',
    'Thornbury',
    'Maltings',
    'Hellebores',
    'snakeshead',
    'fritillaries',
  ])
    job = learnWord(job, word);
  job = buildFoilCard(job);
  // Where copper meets green.
  for (const id of ['card', 'postcard', 'postcard-us', 'year', 'foil-card']) job = setSpread(job, id, mm(0.08));
  return { job, assets: { [hash]: glass, [wideHash]: wide, [openHash]: open } };

  function centred(
    book: FontBook,
    baselineMm: number,
    given: Omit<Parameters<typeof makeWords>[0], 'x' | 'y'>,
  ): Element {
    return onBaseline(book, baselineMm, { ...given, setting: { align: 'centre' }, x: mm(42.5), y: 0 });
  }
}

// Read back as any job is, so that a slip here is told of here.
const demo = await buildDemo();
for (const [name, bundle] of [
  ['hollin-and-fen', demo],
  ['spring-runs', buildSpring(demo)],
] as const) {
  const file = writeJobFile(bundle);
  readJobFile(file);
  writeFileSync(here(`${name}.tidyedge`), file);
}
