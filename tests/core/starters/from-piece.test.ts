import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { readJob } from '../../../core/files/read-job';
import { pieceOf } from '../../../core/job/find';
import type { Job, Piece } from '../../../core/job/schema';
import { elementBox } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { beginFrom } from '../../../core/starters/from-piece';
import { resizePiece } from '../../../core/starters/refit';
import type { Kind } from '../../../core/trade/schema';
import { checkKit, kit, mm, openDemo } from '../../kit';

const { job } = openDemo();
const ids = () => {
  let n = 0;
  return () => `from${++n}`;
};
const begun = (from: string, kind: Kind, width: number, height: number): { job: Job; piece: Piece } => {
  const asked = { id: 'new', name: 'New', kind, width: mm(width), height: mm(height), unit: 'mm' as const };
  const made = beginFrom(job, { ...asked, shop: 'metric-offset', faces: 2 }, pieceOf(job, from)!, ids(), kit.fonts);
  return { job: made, piece: pieceOf(made, 'new')! };
};
const quotes = ({ faces }: Piece): string[] =>
  faces.flatMap(({ elements }) =>
    elements.flatMap((e) =>
      e.kind === 'words' ? e.paragraphs.flatMap(({ spans }) => spans.flatMap(({ quote }) => quote ?? [])) : [],
    ),
  );

describe('a piece begun from another', () => {
  it('carries the firm’s details and not a person’s to another kind', () => {
    const { piece } = begun('card', 'postcard', 148, 105);
    expect(quotes(piece).some((quote) => quote.startsWith('firm.'))).toBe(true);
    expect(quotes(piece).some((quote) => quote.startsWith('person.'))).toBe(false);
  });
  it('carries all there is to the same kind, and leaves the other as it was', () => {
    const { job: after, piece } = begun('card', 'card', 90, 50);
    const card = pieceOf(job, 'card')!;
    expect(piece.faces.map(({ elements }) => elements.length)).toEqual(card.faces.map((f) => f.elements.length));
    expect(pieceOf(after, 'card')).toEqual(card);
  });
  it('keeps coloured grounds and pale inks off letterheads and envelopes', () => {
    for (const kind of ['letterhead', 'envelope'] as const) {
      const { piece } = begun('card', kind, kind === 'letterhead' ? 210 : 220, kind === 'letterhead' ? 297 : 110);
      const [front] = piece.faces;
      expect(front!.elements.length).toBeGreaterThan(0);
      for (const each of front!.elements)
        if (each.kind === 'shape') {
          expect(each.width * each.height).toBeLessThan(0.2 * piece.width * piece.height);
          expect('ink' in each.paint && each.paint.ink).not.toBe('paper');
        }
    }
  });
  it('is a job that can be kept and opened, on any kind', () => {
    for (const from of job.pieces)
      for (const [kind, width, height] of [
        ['card', 85, 55],
        ['letterhead', 210, 297],
        ['envelope', 220, 110],
        ['postcard', 148, 105],
        ['flyer', 99, 210],
      ] as const) {
        const made = begun(from.id, kind, width, height).job;
        expect(() => readJob(JSON.parse(JSON.stringify(made))), `${from.id} to ${kind}`).not.toThrow();
      }
  });
  it('has nothing in areas that are kept clear', () => {
    for (const [from, kind, width, height] of [
      ['card', 'envelope', 220, 110],
      ['letterhead', 'postcard', 148, 105],
    ] as const) {
      const { job: made, piece } = begun(from, kind, width, height);
      expect(checkPiece(made, piece, checkKit).filter(({ check }) => check === 'keep-clear')).toEqual([]);
    }
  });
});

describe('a piece made another size', () => {
  const sized = (id: string, width: number, height: number): { job: Job; piece: Piece } => {
    const { unit, shop } = pieceOf(job, id)!;
    const made = resizePiece(job, id, { width: mm(width), height: mm(height), unit, shop }, ids(), kit.fonts);
    return { job: made, piece: pieceOf(made, id)! };
  };
  it('changes nothing at the same size', () => {
    const { width, height, unit, shop } = pieceOf(job, 'open-day')!;
    expect(resizePiece(job, 'open-day', { width, height, unit, shop }, ids(), kit.fonts)).toEqual(job);
  });
  it('still has its backgrounds past every edge, by as much', () => {
    const past = (of: Job, piece: Piece): number[] => {
      const sources = sourcesOf(of, kit.fonts);
      return piece.faces.map((face) => {
        const boxes = face.elements.filter((e) => e.kind === 'picture').map((e) => elementBox(e, sources));
        return Math.min(0, ...boxes.map(({ x }) => x));
      });
    };
    const { job: made, piece } = sized('postcard', 210, 148);
    const was = past(job, pieceOf(job, 'postcard')!);
    for (const [i, each] of past(made, piece).entries()) expect(each).toBeCloseTo(was[i]!, 6);
    expect(checkPiece(made, piece, checkKit).filter(({ check }) => check === 'short-of-bleed')).toEqual([]);
  });
  it('scales drawings alike both ways', () => {
    const { job: made, piece } = sized('card', 55, 85);
    const sources = sourcesOf(made, kit.fonts);
    const before = sourcesOf(job, kit.fonts);
    const groups = new Set(piece.faces[0]!.elements.flatMap(({ group }) => group ?? []));
    for (const element of piece.faces[0]!.elements) {
      if (element.kind !== 'shape' || !groups.has(element.group ?? '')) continue;
      const was = pieceOf(job, 'card')!.faces[0]!.elements.find(({ id }) => id === element.id)!;
      const [a, b] = [elementBox(was, before), elementBox(element, sources)];
      expect(b.width / a.width).toBeCloseTo(b.height / a.height, 4);
    }
  });
});
