import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument } from '@cantoo/pdf-lib';
import { loadKit } from '../../cli/kit';
import { faceImages } from '../../core/files/face-images';
import { readJobFile } from '../../core/files/job-file';
import { writeSheets } from '../../core/files/pdf/sheet';
import { writePdf } from '../../core/files/pdf/write';
import { separatedPictures } from '../../core/files/separated';
import type { Job } from '../../core/job/schema';
import { USUAL_SHEET } from '../../core/job/sheet';
import { shopIn } from '../../core/job/shops-of';
import { ganged } from '../../core/sheet/gang';
import { itemsOf, sheetPlans } from '../../core/sheet/plan';

type Timed = (work: () => unknown) => Promise<number>;
type Report = (what: string, ours: number, reference: string, theirs: number) => void;

/** The best sheet of the demo card, both sides, against a plain route: a picture of each face put in once for each piece. */
export async function sheetsAgainstCopies(
  demo: Uint8Array,
  folder: string,
  report: Report,
  timed: Timed,
): Promise<void> {
  const { job, assets } = readJobFile(demo);
  const kit = await loadKit(assets);
  const piece = job.pieces.find(({ id }) => id === 'card')!;
  const shop = shopIn(job, piece.shop);
  const press = kit.press(shop.condition);
  const made = { ...USUAL_SHEET, gripper: 0, unprintable: 0 };
  const items = itemsOf(job, piece, made);
  const [plan] = sheetPlans(job, items, made);
  const asked = { made, items, plan: plan!, shop, standard: 'PDF/X-4' as const };
  const ours = () => writeSheets(job, asked, { ...kit, press, assets });
  const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
  const shots = faceImages(
    job,
    piece,
    shop,
    { as: 'png', faces: [0, 1], ppi: 300, trimmed: false, transparent: false },
    { ...kit, press, picture },
  );
  const copies = async (): Promise<Uint8Array> => {
    const file = await PDFDocument.create();
    const form = plan!.forms[0]!;
    for (const [side, placed] of [form.first, form.second].entries()) {
      const page = file.addPage([made.press.width, made.press.height]);
      for (const { trim } of placed)
        page.drawImage(await file.embedPng(shots[side]!.bytes), {
          x: trim.x,
          y: trim.y,
          width: trim.width,
          height: trim.height,
        });
    }
    return file.save();
  };
  report(
    `a sheet of ${plan!.up} cards, both sides`,
    await timed(ours),
    'a picture copied for each',
    await timed(copies),
  );
  const [a, b] = [await ours(), await copies()];
  const one = await writePdf(job, { pieceId: piece.id, shop, marks: true }, { ...kit, press, assets });
  console.log(
    `  file: ${kB(a)} against ${kB(b)}; one card by itself ${kB(one)}, ratio ${(a.length / one.length).toFixed(2)}`,
  );
  writeFileSync(join(folder, 'sheet.pdf'), a);
}

const kB = ({ length }: Uint8Array): string => `${Math.round(length / 1000)} kB`;

/** Six faces to PDF/X-1a, half of them with things that are see-through, against the same to PDF/X-4. */
export async function flattenedAgainstLive(demo: Uint8Array, report: Report, timed: Timed): Promise<void> {
  const { job, assets } = readJobFile(demo);
  const kit = await loadKit(assets);
  const pieces = job.pieces.filter(({ id }) => ['card', 'postcard', 'envelope-dl'].includes(id));
  const soft: Job = {
    ...job,
    pieces: pieces.map((piece) => ({
      ...piece,
      faces: piece.faces.map((face) => ({
        ...face,
        elements: face.elements.map((e, i) => (i % 3 === 2 ? { ...e, opacity: 0.7 } : e)),
      })),
    })),
  };
  const all = (standard: 'PDF/X-4' | 'PDF/X-1a:2003') => async () => {
    for (const piece of soft.pieces) {
      const shop = shopIn(soft, piece.shop);
      await writePdf(
        soft,
        { pieceId: piece.id, shop, marks: true, standard },
        { ...kit, press: kit.press(shop.condition), assets },
      );
    }
  };
  report(
    'six faces to PDF/X-1a',
    await timed(all('PDF/X-1a:2003')),
    'the same to PDF/X-4',
    await timed(all('PDF/X-4')),
  );
}

/** The search for the best sheet of five pieces that share it, against the two-second mark. */
export async function gangingInTime(report: Report, timed: Timed): Promise<void> {
  const items = [
    [241, 156],
    [419, 298],
    [298, 210],
    [180, 180],
    [120, 300],
  ].map(([width, height], i) => ({ width: width!, height: height!, quantity: 200 * (i + 1) }));
  const search = () => ganged(items, 17, { width: 870, height: 1240 }, 'any');
  report('the best sheet of five pieces', await timed(search), 'two seconds', 2000);
}
