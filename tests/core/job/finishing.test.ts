import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pieceFacts } from '../../../core/checks/piece-facts';
import { readJob } from '../../../core/files/read-job';
import { pasteElements } from '../../../core/job/edits/copies';
import {
  addFinish,
  changeFinish,
  copyToFinish,
  coverSide,
  newFinish,
  removeFinish,
  setFinish,
} from '../../../core/job/edits/finishing';
import { finishesUsed, finishPlate } from '../../../core/job/finishing';
import type { Job } from '../../../core/job/schema';
import { jobFault } from '../../../core/job/whole';
import { printedFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { FINISH_KINDS } from '../../../core/trade/finishes';
import { finishedCard } from '../../finished';
import { cardWith, kit, openDemo } from '../../kit';

const { job, piece } = finishedCard();
const pieceIn = (j: Job) => j.pieces.find(({ id }) => id === piece.id)!;

describe('finishing of a piece', () => {
  it('can be kept and opened again', () => {
    expect(jobFault(job)).toBeUndefined();
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual(job);
  });

  it('lays no ink: plates, printed sides and their elements are those of the piece without it', () => {
    const { job: bare } = openDemo();
    expect(pieceFacts(job, piece).plates).toEqual(pieceFacts(bare, bare.pieces[0]!).plates);
    const ids = (j: Job) =>
      printedFaces(j.pieces[0]!, sourcesOf(j, kit.fonts)).map(({ elements }) => elements.map(({ id }) => id));
    expect(ids(job)).toEqual(ids(bare));
  });

  it('gives a second one of a kind, or one whose name an ink has, a name of its own', () => {
    const twice = addFinish(job, piece.id, newFinish(job, piece, 'foil'));
    expect(pieceIn(twice).finishing!.map(finishPlate)).toContain('Foil 2');
    expect(jobFault(twice)).toBeUndefined();
    const inked = { ...job, inks: [...job.inks, { ...job.inks[0]!, id: 'v', name: 'White', kind: 'spot' as const }] };
    expect(newFinish(inked, piece, 'white')).toEqual({ id: 'white', kind: 'white', name: 'White 2' });
  });

  it.each([
    ['two of one plate', (j: Job) => addFinish(j, piece.id, { id: 'other', kind: 'foil' }), /two finishes called Foil/],
    ['the name of an ink', (j: Job) => changeFinish(j, piece.id, 'foil', { name: 'Copper' }), /name of the ink Copper/],
    [
      'an element of one that is not there',
      (j: Job) => removeFinish(addFinish(j, piece.id, { id: 'gone', kind: 'glue' }), piece.id, 'gone'),
      undefined,
    ],
  ] as const)('is refused with %s', (_, edit, says) => {
    const fault = jobFault(edit(job));
    if (says) expect(fault?.message).toMatch(says);
    else expect(fault).toBeUndefined();
  });

  it('goes with what is drawn for it, and comes off whole', () => {
    const less = removeFinish(job, piece.id, 'die-line');
    expect(pieceIn(less).faces[0]!.elements.some(({ id }) => id === 'die')).toBe(false);
    expect(finishesUsed(pieceIn(less)).map(({ id }) => id)).toEqual(['foil', 'varnish', 'holes']);
    expect(finishesUsed(pieceIn(coverSide(job, piece.id, 'varnish', piece.faces[1]!.id, false))).length).toBe(3);
  });

  it('takes a picture as the form of its frame, and no picture as a form itself', () => {
    const picture = piece.faces[1]!.elements.find(({ kind }) => kind === 'picture')!;
    const over = copyToFinish(job, new Map([[picture.id, 'coat']]), 'varnish');
    const coat = pieceIn(over).faces[1]!.elements.find(({ id }) => id === 'coat')!;
    expect(coat).toMatchObject({ kind: 'shape', finish: 'varnish', x: picture.x, y: picture.y });
    expect(setFinish(job, [picture.id], 'varnish')).toEqual(job);
  });

  it('comes along when it is pasted on a piece that has none of its kind', () => {
    const other = cardWith([]);
    const both: Job = {
      ...job,
      pieces: [...job.pieces, { ...other.pieces[0]!, id: 'new', faces: [{ id: 'nf', name: 'Front', elements: [] }] }],
    };
    const die = piece.faces[0]!.elements.find(({ id }) => id === 'die')!;
    const pasted = pasteElements(both, 'nf', [die], new Map([['die', 'die2']]), { x: 0, y: 0 });
    const there = pasted.pieces.find(({ id }) => id === 'new')!;
    expect(there.finishing).toEqual([{ id: 'die-line', kind: 'die line' }]);
    expect(jobFault(pasted)).toBeUndefined();
  });

  it('stays whole under any edits of it', () => {
    const kind = fc.constantFrom(...FINISH_KINDS);
    const edit = fc.oneof(
      kind.map((k) => (j: Job) => addFinish(j, piece.id, newFinish(j, pieceIn(j), k))),
      fc.nat(9).map((n) => (j: Job) => removeFinish(j, piece.id, pieceIn(j).finishing?.[n]?.id ?? '')),
      fc.tuple(fc.nat(9), fc.nat(9)).map(([n, e]) => (j: Job) => {
        const [face] = pieceIn(j).faces;
        return setFinish(j, [face!.elements[e]?.id ?? ''], pieceIn(j).finishing?.[n]?.id);
      }),
      fc.tuple(fc.nat(9), fc.boolean()).map(
        ([n, is]) =>
          (j: Job) =>
            coverSide(j, piece.id, pieceIn(j).finishing?.[n]?.id ?? '', piece.faces[0]!.id, is),
      ),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 10 }), (edits) => {
        const after = edits.reduce((j, each) => each(j), job);
        expect(jobFault(after)).toBeUndefined();
      }),
      { numRuns: 60 },
    );
  });
});
