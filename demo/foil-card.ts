import { offsetPath } from '../core/geometry/offset';
import { addFinish, changeFinish, coverSide, setFinish } from '../core/job/edits/finishing';
import { setCorner } from '../core/job/edits/kinds';
import { setOutline } from '../core/job/edits/outlines';
import { copyOfPiece, setOrder } from '../core/job/edits/pieces';
import type { Job, Shape } from '../core/job/schema';
import { outlineThere } from '../core/scene/finishing';
import { toPoints } from '../core/units/length';

/** The card once more for the head gardener's best clients: its fern in copper foil, its picture varnished, its corners round. */
export function buildFoilCard(start: Job): Job {
  const card = start.pieces.find(({ id }) => id === 'card')!;
  let n = 0;
  const copy = { ...copyOfPiece(card, 'Business card, copper foil', () => `foil-card-${++n}`), id: 'foil-card' };
  let job: Job = { ...start, pieces: [...start.pieces, copy] };
  const [front, back] = copy.faces;
  const fern = front!.elements.find((e): e is Shape => e.kind === 'shape' && e.name === 'Fern mark')!;
  job = addFinish(job, copy.id, { id: 'foil', kind: 'foil' });
  job = changeFinish(job, copy.id, 'foil', { tone: 'copper' });
  job = setFinish(job, [fern.id], 'foil');
  // The tips of its leaves are finer than a die can hold.
  job = setOutline(job, fern.id, offsetPath(outlineThere(fern), toPoints(0.05, 'mm'), 'round'));
  job = addFinish(job, copy.id, { id: 'varnish', kind: 'varnish' });
  job = coverSide(job, copy.id, 'varnish', back!.id, true);
  job = setCorner(job, copy.id, toPoints(3, 'mm'));
  return setOrder(job, copy.id, { quantity: 250, stock: 'Uncoated board', weight: 350, finishing: [], notes: '' });
}
