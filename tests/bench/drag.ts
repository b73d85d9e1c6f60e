import { addElement } from '../../core/job/edits/elements';
import { addPiece } from '../../core/job/edits/job';
import { makeJob, makePiece, makeWords } from '../../core/job/make';
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
