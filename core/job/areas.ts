import { type Box, outset, overlaps, type Point, right } from '../geometry/box';
import { boxPath, type Path, pathData } from '../geometry/path';
import { areaBox } from '../trade/area-box';
import type { PostRules } from '../trade/data-schema';
import { letterLayoutOf } from '../trade/letter-layouts';
import { postRulesOf } from '../trade/post';
import { facingClear } from '../trade/reply-mail';
import type { Source } from '../trade/schema';
import { toPoints } from '../units/length';
import { type Addressed, addressedOn } from './posted';
import type { Face, Piece } from './schema';
import { asFace } from './turned';

/** Where things may not be printed, and why. Points from the face's corner. */
export interface Area {
  id: string;
  name: string;
  /** Of paper that carries nothing, of what an office printer cannot reach, or only shown. */
  kind: 'clear' | 'unprintable' | 'shown';
  says: string;
  source: Source;
  /** What it covers, as boxes: a slanting seam is many small ones. */
  boxes: readonly Box[];
  /** What is drawn of it, as SVG path data. */
  outline: string;
  /** A flat ground that throws back at least this share of red light may lie there all the same. */
  light?: number | undefined;
}

const COMMON: Source = { kind: 'common practice' };
const outlineOf = (boxes: readonly Box[]): string => boxes.map((box) => pathData(boxPath(box))).join('');
const area = (given: Omit<Area, 'outline'> & { outline?: string }): Area => ({
  outline: outlineOf(given.boxes),
  ...given,
});

/** The four bands along the edges of a box. */
const bands = ({ x, y, width, height }: Box, by: number): Box[] => [
  { x, y, width, height: by },
  { x, y: y + height - by, width, height: by },
  { x, y: y + by, width: by, height: height - 2 * by },
  { x: x + width - by, y: y + by, width: by, height: height - 2 * by },
];

/** Between the message and the address of a card, and around the address: common practice. */
const GAP = toPoints(4, 'mm');

/** The box of the address side's line between message and address: the right half of a card is for the address. */
export function dividerAt({ width, height }: { width: number; height: number }, rules: PostRules): Box {
  const panel = rules.areas.find(({ id }) => id === 'address')?.panel ?? width / 2;
  const x = width - Math.max(panel + GAP, Math.min(width / 2, width - panel));
  return { x, y: height * 0.1, width: 0, height: height * 0.8 };
}

const movedTo = (box: Box, { x, y }: Point): Box => ({ ...box, x: box.x + x, y: box.y + y });

/** Where the open edges of a folded piece are closed: two tabs at its head, else its foot, and one at the side that opens. */
function closures({ of, folded }: Addressed, rules: PostRules): Area[] {
  if (!rules.closures || folded.length === 0) return [];
  const { tab, inset, says } = rules.closures;
  const [long, deep] = tab;
  const edge = (['top', 'bottom'] as const).find((each) => !folded.includes(each));
  const side = folded.includes('right') ? 'left' : folded.includes('left') ? 'right' : undefined;
  const y = edge === 'bottom' ? of.height - deep : 0;
  const level = (x: number): Box => ({ x, y, width: long, height: deep });
  const boxes = [
    ...(edge ? [level(inset), level(of.width - inset - long)] : []),
    ...(side
      ? [{ x: side === 'left' ? 0 : of.width - deep, y: (of.height - long) / 2, width: deep, height: long }]
      : []),
  ];
  return boxes.map((box, i) =>
    area({ id: `tab-${i + 1}`, name: 'Tab', kind: 'shown', says, source: rules.source, boxes: [movedTo(box, of)] }),
  );
}

function postAreas(addressed: Addressed, rules: PostRules, isCard: boolean, isReply: boolean): Area[] {
  const { of } = addressed;
  const made = rules.areas.map((rule) => {
    const box = areaBox(rule, of);
    // On a card the message has the left part; its address lies to the right of it.
    const from = rule.id === 'address' && isCard ? Math.max(box.x, dividerAt(of, rules).x + GAP) : box.x;
    return area({
      id: rule.id,
      name: rule.name,
      kind: 'clear',
      says: rule.says,
      source: rules.source,
      light: rule.light,
      boxes: [movedTo({ ...box, x: from, width: right(box) - from }, of)],
    });
  });
  const mark = facingClear(of.width);
  return [
    ...made,
    ...closures(addressed, rules),
    ...(isReply
      ? [
          area({
            id: 'facing-mark',
            name: 'Facing mark',
            kind: 'clear',
            says: 'Sorting machines know by its bars that this is a reply: nothing else lies here.',
            source: rules.source,
            boxes: [movedTo(mark, of)],
          }),
        ]
      : []),
  ];
}

/** Width of a glued seam, and how near to the edges of a made envelope a press can print: common practice. */
const SEAM = toPoints(12, 'mm');
const ENVELOPE_EDGE = toPoints(6, 'mm');
const SLANT_STEPS = 40;

/** The seams of an envelope's back, below its flap. */
function seamBoxes(
  { width, height }: Piece,
  seams: 'diagonals' | 'sides' | 'middle',
): { boxes: Box[]; outline?: string } {
  if (seams === 'sides')
    return {
      boxes: [
        { x: 0, y: 0, width: SEAM, height },
        { x: width - SEAM, y: 0, width: SEAM, height },
      ],
    };
  if (seams === 'middle') return { boxes: [{ x: (width - SEAM) / 2, y: 0, width: SEAM, height }] };
  const half = SEAM / 2;
  // From both foot corners to the middle, where the side flaps meet.
  const boxes = [0, 1].flatMap((side) =>
    Array.from({ length: SLANT_STEPS }, (_, i): Box => {
      const share = (i + 0.5) / SLANT_STEPS;
      const x = side === 0 ? (share * width) / 2 : width - (share * width) / 2;
      return { x: x - half, y: height - share * (height / 2) - half, width: SEAM, height: SEAM };
    }),
  );
  const slant = (from: number): Path => [
    ['M', from, height - half],
    ['L', width / 2, height / 2 - half],
    ['L', width / 2, height / 2 + half],
    ['L', from, height + half],
    ['Z'],
  ];
  return { boxes, outline: pathData(slant(0)) + pathData(slant(width)) };
}

function envelopeAreas(piece: Piece, isBack: boolean): Area[] {
  const made = piece.envelope;
  const whole: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const edge = area({
    id: 'edge',
    name: 'Edge',
    kind: 'clear',
    says: 'A made envelope cannot be printed to its edges.',
    source: COMMON,
    boxes: bands(whole, ENVELOPE_EDGE),
  });
  if (!made) return [edge];
  if (!isBack)
    return made.window
      ? [
          edge,
          area({
            id: 'window',
            name: 'Window',
            kind: 'clear',
            says: 'There is no paper here.',
            source: COMMON,
            boxes: [made.window],
          }),
        ]
      : [edge];
  const { depth } = made.flap;
  const flap: Box =
    made.flap.edge === 'long' ? { ...whole, height: depth } : { ...whole, x: piece.width - depth, width: depth };
  return [
    edge,
    area({
      id: 'flap',
      name: 'Flap',
      kind: 'clear',
      says: 'The gummed flap lies over this.',
      source: COMMON,
      boxes: [flap],
    }),
    area({
      id: 'seam',
      name: 'Seam',
      kind: 'clear',
      says: 'Paper is glued on paper here: print comes out uneven.',
      source: COMMON,
      ...seamBoxes(piece, made.seams),
    }),
  ];
}

function letterAreas(piece: Piece, index: number): Area[] {
  const { letter } = piece;
  if (!letter) return [];
  const whole: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const layout = letterLayoutOf(letter.layout);
  const { top, right: r, bottom: b, left } = letter.margins;
  const text: Box = { x: left, y: top, width: piece.width - left - r, height: piece.height - top - b };
  return [
    ...(letter.unprintable > 0
      ? [
          area({
            id: 'unprintable',
            name: 'Office printer',
            kind: 'unprintable',
            says: 'An office printer leaves this white: it prints here only at the shop.',
            source: COMMON,
            boxes: bands(whole, letter.unprintable),
          }),
        ]
      : []),
    ...(layout && index === 0
      ? [
          area({
            id: 'address',
            name: 'Address field',
            kind: 'clear',
            says: 'The recipient’s address, seen through a window.',
            source: layout.source,
            boxes: [layout.field],
          }),
        ]
      : []),
    area({
      id: 'margins',
      name: 'Margins',
      kind: 'shown',
      says: 'Where the letter stands.',
      source: COMMON,
      boxes: [text],
    }),
  ];
}

/** The areas of one face, in the face's own sides. */
export function areasOf(piece: Piece, face: Face): Area[] {
  const sheet = asFace(piece, face);
  const index = Math.max(
    0,
    piece.faces.findIndex(({ id }) => id === face.id),
  );
  const rules = piece.post?.face === face.id ? postRulesOf(piece.post.rules) : undefined;
  return [
    ...(piece.kind === 'letterhead' ? letterAreas(sheet, index) : []),
    ...(piece.kind === 'envelope' ? envelopeAreas(sheet, index % 2 === 1) : []),
    ...(rules
      ? postAreas(addressedOn(piece, face), rules, piece.kind === 'postcard', piece.post?.reply !== undefined)
      : []),
  ];
}

/** Whether something reaches into an area, by more than rounding. */
export const hits = ({ boxes }: Area, ink: Box): boolean => {
  const inner = outset(ink, -0.01);
  return boxes.some((box) => overlaps(box, inner));
};
