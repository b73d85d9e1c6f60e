import { addElement } from '../../core/job/edits/elements';
import { addInk } from '../../core/job/edits/inks';
import { addPiece } from '../../core/job/edits/job';
import { makeJob, makePiece, makeShape, makeWords } from '../../core/job/make';
import type { Job } from '../../core/job/schema';

const FORTY = 'Forty glyphs of plain words in every line';

/** A poster of 300 elements of 40 glyphs each, and one more to be dragged over them. */
export function crowdedJob(): Job {
  const page = makePiece({
    id: 'page',
    name: 'Crowd',
    kind: 'flyer',
    width: 842,
    height: 1191,
    unit: 'mm',
    shop: 'metric-offset',
    faces: 1,
  });
  let job = addPiece(makeJob('crowd', 'Crowd', '2026-01-01T00:00:00Z'), page);
  for (let i = 0; i < 300; i++)
    job = addElement(
      job,
      'page-1',
      makeWords({ id: `e${i}`, text: FORTY, x: 40 + 190 * (i % 4), y: 40 + 14.5 * Math.floor(i / 4) }),
    );
  const dragged = makeWords({ id: 'dragged', text: FORTY, x: 300, y: 600, lettering: { size: 24 } });
  return addElement(job, 'page-1', dragged);
}

/** A card with words, and a panel in an ink of 330 %. */
export function wetCard(): Job {
  const card = makePiece({
    id: 'card',
    name: 'Wet card',
    kind: 'card',
    width: 241,
    height: 156,
    unit: 'mm',
    shop: 'metric-offset',
    faces: 2,
  });
  let job = addPiece(makeJob('wet', 'Wet', '2026-01-01T00:00:00Z'), card);
  job = addInk(job, { id: 'wet', name: 'Wet', kind: 'process', cmyk: [0.9, 0.8, 0.9, 0.7] });
  for (let i = 0; i < 8; i++)
    job = addElement(job, 'card-1', makeWords({ id: `w${i}`, text: FORTY, x: 20, y: 20 + 14 * i }));
  return addElement(
    job,
    'card-1',
    makeShape({ id: 'wet', x: 180, y: 20, width: 50, height: 50, paint: { ink: 'wet', tint: 1 } }),
  );
}
