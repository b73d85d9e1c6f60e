import type { JobBundle } from '../core/files/job-parts';
import { addElement } from '../core/job/edits/elements';
import { addFinish, copyToFinish, coverSide, newFinish } from '../core/job/edits/finishing';
import { makeShape } from '../core/job/make';
import type { Job, Piece } from '../core/job/schema';
import { mm, openDemo } from './kit';

/** The demo's card with finishing: foil on its first text, the back varnished whole, a scooped die line and a hole. */
export function finishedCard(): JobBundle & { piece: Piece } {
  const { job: demo, assets } = openDemo();
  const { id, faces, width, height } = demo.pieces[0]!;
  const pieceOf = (job: Job): Piece => job.pieces[0]!;
  const kinds = ['foil', 'varnish', 'die line', 'holes'] as const;
  let job = kinds.reduce((j, kind) => addFinish(j, id, newFinish(j, pieceOf(j), kind)), demo);
  const [front, back] = faces;
  const words = front!.elements.find(({ kind }) => kind === 'words')!;
  job = copyToFinish(job, new Map([[words.id, 'foiled']]), 'foil');
  job = coverSide(job, id, 'varnish', back!.id, true);
  const corner = { radius: mm(4), form: 'scooped' as const };
  job = addElement(job, front!.id, {
    ...makeShape({ id: 'die', x: 0, y: 0, width, height }),
    corners: [corner, corner, corner, corner],
    finish: 'die-line',
  });
  job = addElement(job, front!.id, {
    ...makeShape({ id: 'hole', x: mm(5), y: mm(5), width: mm(5), height: mm(5) }),
    form: { kind: 'ellipse' },
    finish: 'holes',
  });
  return { job, assets, piece: pieceOf(job) };
}
