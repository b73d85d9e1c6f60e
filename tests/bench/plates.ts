import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { loadKit } from '../../cli/kit';
import { platesDevice } from '../../core/devices/plates/device';
import { cellsAnInch } from '../../core/devices/plates/pictures';
import { hashOf } from '../../core/files/hash';
import { writePdf } from '../../core/files/pdf/write';
import { separatedPictures } from '../../core/files/separated';
import { outset } from '../../core/geometry/box';
import { addAsset, addElement, restack } from '../../core/job/edits/elements';
import { makePicture } from '../../core/job/make';
import { drawFace } from '../../core/scene/face';
import { sourcesOf } from '../../core/scene/sources';
import { shopOf } from '../../core/trade/shops';
import { toPoints } from '../../core/units/length';
import { glasshouse } from '../../demo/glasshouse';
import { letterJob } from './letter';

type Timed = (work: () => unknown) => Promise<number>;
type Report = (what: string, ours: number, reference: string, theirs: number) => void;

const mm = (n: number): number => toPoints(n, 'mm');

/** An A4 letter with sixty other elements on a picture that fills the face at 300 ppi. */
async function crowdedLetter() {
  const photo = new Uint8Array(
    await sharp(Buffer.from(glasshouse(2552, 3579)))
      .jpeg({ quality: 90 })
      .toBuffer(),
  );
  const hash = hashOf(photo);
  let job = addAsset(letterJob(), hash, { name: 'Photo', type: 'image/jpeg', width: 2552, height: 3579 });
  const piece = job.pieces[0]!;
  const ground = {
    id: 'ground',
    asset: hash,
    x: mm(-3),
    y: mm(-3),
    width: piece.width + mm(6),
    height: piece.height + mm(6),
  };
  job = restack(addElement(job, piece.faces[0]!.id, makePicture(ground)), 'ground', 0);
  const assets: Record<string, Uint8Array> = { [hash]: photo };
  return { job, assets };
}

/** The plates of an A4 face at 150 ppi, against Ghostscript's of the exported file. Pictures are separated before, for both. */
export async function platesAgainstGhostscript(folder: string, report: Report, timed: Timed): Promise<void> {
  const { job, assets } = await crowdedLetter();
  const kit = await loadKit();
  const piece = job.pieces[0]!;
  const shop = shopOf(piece.shop);
  const press = kit.press(shop.condition);
  const pdf = join(folder, 'letter.pdf');
  writeFileSync(
    pdf,
    await writePdf(job, { pieceId: piece.id, shop, marks: false, faces: [0] }, { ...kit, press, assets }),
  );
  const box = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, shop.bleed[piece.kind]);
  const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
  const sources = sourcesOf(job, kit.fonts);
  const ours = await timed(() => {
    const device = platesDevice({ box, ppi: cellsAnInch(box), picture });
    drawFace(piece.faces[0]!, sources, device);
    device.grid();
  });
  for (const [says, how] of [
    ['drawn at 600 and made smaller by four', ['-r600', '-dDownScaleFactor=4']],
    ['drawn at 150, edges in steps', ['-r150']],
  ] as const) {
    const theirs = await timed(() =>
      execFileSync('gs', [
        '-q',
        '-dSAFER',
        '-dBATCH',
        '-dNOPAUSE',
        '-sDEVICE=tiffsep',
        ...how,
        '-o',
        join(folder, 'p%d.tif'),
        pdf,
      ]),
    );
    report('plates of an A4 face at 150 ppi', ours, `Ghostscript’s tiffsep, ${says}`, theirs);
  }
}
