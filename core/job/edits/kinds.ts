import { areaBox } from '../../trade/area-box';
import { letterLayoutOf } from '../../trade/letter-layouts';
import { postRulesOf } from '../../trade/post';
import { replyDrawn } from '../../trade/reply-mail';
import { type PieceUnit, roundIn, toPoints } from '../../units/length';
import { dividerAt } from '../areas';
import { pieceOf } from '../find';
import type { EnvelopeMade, FoldMade, LetterMade, Post } from '../kinds';
import { BLACK, makeRule, makeShape, makeWords } from '../make';
import type { Element, Face, Job, Piece } from '../schema';
import { asFace } from '../turned';
import { changePiece } from './change-piece';

/** Edits of what a piece is: its address side, its envelope, its letter, its fold, its faces on the sheet. */

/** A fact that is put, or taken away. */
const put = <K extends keyof Piece>(piece: Piece, key: K, value: Piece[K] | undefined): void => {
  if (value === undefined) delete piece[key];
  else piece[key] = value;
};

export const setEnvelope = (job: Job, pieceId: string, made: EnvelopeMade | undefined): Job =>
  changePiece(job, pieceId, (piece) => put(piece, 'envelope', made));

/** Where ticks for folding and punching stand, and how they look, points: common practice. */
const TICK = { x: toPoints(5.5, 'mm'), length: toPoints(4, 'mm'), weight: 0.35 };

/** The ticks of a letter at its left edge: one for each fold, a longer one for the punch. */
export function letterTicks(piece: Piece, letter: LetterMade, newId: () => string): Element[] {
  const layout = letterLayoutOf(letter.layout);
  if (letter.marks !== 'printed' || !layout) return [];
  const ticks = [
    ...layout.folds.map((at) => [at, 1] as const),
    ...(layout.punch ? [[layout.punch, 1.6] as const] : []),
  ];
  return ticks
    .filter(([at]) => at < piece.height)
    .map(([at, long]) => ({
      ...makeRule({
        id: newId(),
        name: long > 1 ? 'Punch tick' : 'Fold tick',
        x: TICK.x,
        y: at - TICK.weight / 2,
        width: TICK.length * long,
        height: TICK.weight,
      }),
      part: 'fold ticks' as const,
    }));
}

/** Says how a letter is laid out; its ticks are printed on the first sheet only if that is asked for. */
export const setLetter = (job: Job, pieceId: string, letter: LetterMade | undefined, newId: () => string): Job =>
  changePiece(job, pieceId, (piece) => {
    put(piece, 'letter', letter);
    for (const face of piece.faces) face.elements = face.elements.filter((e) => e.part !== 'fold ticks');
    if (letter) piece.faces[0]?.elements.push(...letterTicks(piece, letter, newId));
  });
export const setFold = (job: Job, pieceId: string, fold: FoldMade | undefined): Job =>
  changePiece(job, pieceId, (piece) => {
    // What opens upwards is read on once it is turned top to bottom, and what opens as a book left to right.
    if (Boolean(piece.fold?.level) !== Boolean(fold?.level)) piece.turns = fold?.level ? 'top–bottom' : 'left–right';
    put(piece, 'fold', fold);
  });
export const setTurns = (job: Job, pieceId: string, turns: Piece['turns']): Job =>
  changePiece(job, pieceId, (piece) => put(piece, 'turns', turns));
export const setCorner = (job: Job, pieceId: string, corner: number | undefined): Job =>
  changePiece(job, pieceId, (piece) => put(piece, 'corner', corner));
export const setThickness = (job: Job, pieceId: string, thickness: number | undefined): Job =>
  changePiece(job, pieceId, (piece) => put(piece, 'thickness', thickness));

/** How a letter is laid out until it is told otherwise: common practice. */
export const NEW_LETTER: Omit<LetterMade, 'layout'> = {
  margins: { top: toPoints(20, 'mm'), right: toPoints(20, 'mm'), bottom: toPoints(20, 'mm'), left: toPoints(25, 'mm') },
  unprintable: toPoints(5, 'mm'),
  marks: 'shown',
};

/** The same for a piece that is measured in a unit, in round figures of it. */
export const newLetter = (unit: PieceUnit): Omit<LetterMade, 'layout'> => {
  const side = roundIn(unit, 20, 3 / 4);
  return {
    ...NEW_LETTER,
    margins: { top: side, right: side, bottom: side, left: roundIn(unit, 25, 1) },
    unprintable: roundIn(unit, 5, 3 / 16),
  };
};

/** Lines for an address, points: common practice. */
export const NEW_POST: Omit<Post, 'rules' | 'face'> = {
  lines: { count: 4, spacing: toPoints(8, 'mm'), weight: 0.5 },
  stamp: true,
  divider: true,
};
/** The same for a piece that is measured in a unit, in round figures of it. */
export const newPost = (unit: PieceUnit): Omit<Post, 'rules' | 'face'> => ({
  ...NEW_POST,
  lines: { ...NEW_POST.lines, spacing: roundIn(unit, 8, 5 / 16) },
});
const QUIET = 0.55;

/** What is printed on a reply, so that machines and clerks know it. */
function replySide(width: number, { kind, permit }: NonNullable<Post['reply']>, newId: () => string): Element[] {
  const { bars, frame, texts } = replyDrawn(kind, width, permit);
  const part = 'address side' as const;
  return [
    ...bars.map(({ name, box }): Element => ({ ...makeRule({ id: newId(), name, ...box }), part })),
    ...(frame
      ? [
          {
            ...makeShape({ id: newId(), name: 'Postage box', ...frame }),
            part,
            paint: { ink: 'paper', tint: 1 },
            stroke: { paint: BLACK, weight: 0.75 },
          },
        ]
      : []),
    ...texts.map(
      ({ name, text, box, size, isCentred }): Element => ({
        ...makeWords({
          id: newId(),
          name,
          text,
          x: box.x,
          y: box.y,
          lettering: { size },
          setting: isCentred ? { align: 'centre' } : {},
          frame: isCentred
            ? { behaviour: 'fixed box', width: box.width, height: box.height, inset: 4, vertical: 'middle' }
            : {},
        }),
        part,
      }),
    ),
  ];
}

/** What is drawn on an address side by its rules: ordinary elements that are made anew when the rules change. */
export function addressSide(piece: Piece, face: Face, post: Post, newId: () => string): Element[] {
  const rules = postRulesOf(post.rules);
  if (!rules) return [];
  const { width, height } = asFace(piece, face);
  const common = { part: 'address side' as const };
  const paint = { ink: 'black', tint: QUIET };
  const made: Element[] = [];
  if (post.reply) return replySide(width, post.reply, newId);
  const stamp = rules.areas.find((rule) => rule.stamp);
  if (post.stamp && stamp?.stamp) {
    const box = areaBox(stamp, { width, height });
    const [w, h] = stamp.stamp;
    const inset = Math.min((box.height - h) / 2, toPoints(6, 'mm'));
    made.push({
      ...makeShape({ id: newId(), name: 'Stamp', x: width - inset - w, y: inset, width: w, height: h }),
      ...common,
      paint: { ink: 'paper', tint: 1 },
      stroke: { paint, weight: 0.5 },
    });
  }
  const divider = dividerAt({ width, height }, rules);
  if (post.divider)
    made.push({ ...makeRule({ id: newId(), name: 'Divider', ...divider, width: 0.5, paint }), ...common });
  const address = rules.areas.find(({ id }) => id === 'address');
  if (address && post.lines.count > 0) {
    const box = areaBox(address, { width, height });
    const x = Math.max(box.x, divider.x + toPoints(8, 'mm'));
    const last = box.y + box.height - toPoints(2, 'mm');
    for (let i = post.lines.count - 1; i >= 0; i--) {
      const y = last - i * post.lines.spacing;
      if (y < box.y) continue;
      made.push({
        ...makeRule({
          id: newId(),
          name: 'Address line',
          x,
          y,
          width: Math.max(1, box.x + box.width - x),
          height: post.lines.weight,
          paint,
        }),
        ...common,
      });
    }
  }
  return made;
}

/** Makes a face the side that is posted, by a rule set; what the rules draw is drawn anew. */
export const setPost = (job: Job, pieceId: string, post: Post | undefined, newId: () => string): Job =>
  changePiece(job, pieceId, (piece) => {
    put(piece, 'post', post);
    for (const face of piece.faces) face.elements = face.elements.filter((e) => e.part !== 'address side');
    const face = piece.faces.find(({ id }) => id === post?.face);
    const isDrawn = piece.kind === 'postcard' || (piece.kind === 'envelope' && post?.reply);
    if (post && face && isDrawn) face.elements.push(...addressSide(piece, face, post, newId));
  });

/** Turns one face on the sheet, or lays it straight; its elements stay where they are on it. */
export const turnFace = (
  job: Job,
  pieceId: string,
  faceId: string,
  turned: Face['turned'],
  newId: () => string,
): Job => {
  const laid = changePiece(job, pieceId, (piece) => {
    const face = piece.faces.find(({ id }) => id === faceId);
    if (!face) return;
    if (turned) face.turned = turned;
    else delete face.turned;
  });
  const post = pieceOf(laid, pieceId)?.post;
  return post?.face === faceId ? setPost(laid, pieceId, post, newId) : laid;
};
