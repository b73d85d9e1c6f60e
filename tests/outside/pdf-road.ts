import type { Art } from '../../core/files/art-in/art';
import { elementsOfArt } from '../../core/files/art-in/elements';
import { inkFor, newInkFor } from '../../core/files/art-in/inks';
import type { JobBundle } from '../../core/files/job-parts';
import { openPdf, type PageArt, readPageArt } from '../../core/files/pdf-in/page';
import { addArt } from '../../core/job/edits/copies';
import { addAsset } from '../../core/job/edits/elements';
import { addInk } from '../../core/job/edits/inks';
import type { Job, Paint } from '../../core/job/schema';
import { probePicture } from '../../core/picture/probe';
import { namedTypeface } from '../../core/type/named-typeface';
import { TYPEFACES } from '../../core/type/typefaces';
import { checkKit, kit } from '../kit';

/** A page of a PDF laid on a face, as the room does it, with every ink that the job has not got as a new one. */

export const artOf = (bytes: Uint8Array, page = 0): PageArt =>
  readPageArt(openPdf(bytes), page, {
    type: { styles: [], fonts: kit.fonts },
    typefaceOf: (name) => namedTypeface(name, TYPEFACES)?.id,
    plain: 'source-sans-3/regular',
  });

export function layPage(bundle: JobBundle, face: string, bytes: Uint8Array, page = 0): JobBundle & { art: PageArt } {
  const art = artOf(bytes, page);
  const piece = bundle.job.pieces.find((each) => each.faces.some(({ id }) => id === face))!;
  let job: Job = bundle.job;
  const assets = { ...bundle.assets };
  const pictures: Art['pictures'] = {};
  for (const [key, file] of Object.entries(art.files)) {
    const { type, width, height } = probePicture(file);
    const asset = { name: 'Picture', type, width, height };
    job = addAsset(job, key, asset);
    assets[key] = file;
    pictures[key] = { hash: key, asset };
  }
  const paints = new Map<string, Paint>();
  for (const [i, [key, ink]] of Object.entries(art.inks).entries()) {
    const known = inkFor(ink, job.inks, checkKit.press);
    if (!known) job = addInk(job, newInkFor(ink, `new-${i}`, job.inks, checkKit.press));
    paints.set(key, { ink: known ?? `new-${i}`, tint: 1 });
  }
  const trim = art.trim ?? { x: 0, y: 0, width: piece.width, height: piece.height };
  let n = 0;
  const { elements, groups } = elementsOfArt(
    { ...art, pictures },
    {
      paints,
      at: { x: -trim.x, y: -trim.y, width: art.width, height: art.height },
      type: { styles: [], fonts: kit.fonts },
      newId: () => `laid-${n++}`,
      name: 'Page',
    },
  );
  return { ...bundle, job: addArt(job, face, elements, groups), assets, art };
}
