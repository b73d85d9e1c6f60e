import type { Box } from '../geometry/box';
import { band, footOf, headOf, type Pen, wholeSheet } from './pen';
import type { Starter } from './starter';

/** Starters of postcards and flyers: one thing said large. The words to come are found by a check until they have come. */

const HEADLINE = 'New text, set large';
const MORE = 'New text: when, where and what it costs.';
const CONTACT = '{firm.phone}\n{firm.web}\n{firm.street}, {firm.town} {firm.postcode}';

const FACES: Readonly<Record<'postcard' | 'flyer', readonly [string, string]>> = {
  postcard: ['Picture side', 'Address side'],
  flyer: ['Front', 'Back'],
};

const large = (pen: Pen): number => pen.of(0.11, 20, 54);
const text = (pen: Pen): number => pen.of(0.036, 9, 14);

/** The other side: of a postcard the message beside the address, of a flyer the details. */
function otherSide(pen: Pen, free: Box): void {
  const size = Math.min(text(pen), free.height / 16);
  const mark = Math.min(pen.of(0.16, 24, 80), free.height * 0.3);
  pen.logo(1, headOf(free, mark), 'full colour', { x: 0, y: 0 });
  const foot = footOf(free, size * 5.2);
  const below = free.y + mark + size;
  pen.words(1, { ...free, y: below, height: foot.y - below - size }, MORE, { size, leading: 1.4, name: 'Message' });
  pen.words(1, foot, CONTACT, { size: Math.max(7.5, size - 1.5), vertical: 'bottom', leading: 1.35, name: 'Contact' });
}

type Kinds = 'postcard' | 'flyer';
const make = (kind: Kinds, id: string, name: string, says: string, draw: (pen: Pen) => void): Starter => ({
  id: `${kind}-${id}`,
  kind,
  name,
  says,
  faces: FACES[kind],
  draw,
  back: otherSide,
});

const plain = (pen: Pen): void => {
  const { inner } = pen;
  pen.words(0, { ...inner, height: inner.height * 0.62 }, HEADLINE, {
    size: large(pen),
    role: 'heading',
    leading: 1.05,
    name: 'Headline',
  });
  pen.words(0, footOf({ ...inner, width: inner.width * 0.7 }, text(pen) * 4.4), MORE, {
    size: text(pen),
    vertical: 'bottom',
    leading: 1.35,
    name: 'More',
  });
  const mark = pen.of(0.16, 30, 72);
  pen.logo(0, { ...footOf(inner, mark), x: inner.x + inner.width - mark, width: mark }, 'full colour', { x: 1, y: 1 });
};

const full = (pen: Pen): void => {
  const { inner, paints } = pen;
  pen.area(0, 'Ground', wholeSheet(pen), paints.main);
  pen.logo(0, headOf(inner, pen.of(0.22, 40, 110)), 'reversed', { x: 0.5, y: 0 });
  pen.words(0, { ...inner, y: inner.y + inner.height * 0.36, height: inner.height * 0.4 }, HEADLINE, {
    size: large(pen),
    role: 'heading',
    paint: paints.paper,
    align: 'centre',
    vertical: 'middle',
    leading: 1.05,
    name: 'Headline',
  });
  pen.words(0, footOf(inner, text(pen) * 4.4), MORE, {
    size: text(pen),
    paint: paints.paper,
    align: 'centre',
    vertical: 'bottom',
    leading: 1.35,
    name: 'More',
  });
};

const footed = (pen: Pen): void => {
  const { inner, sheet, paints } = pen;
  const depth = sheet.height * 0.36;
  pen.area(0, 'Ground', wholeSheet(pen), paints.light);
  pen.area(0, 'Foot', band(pen, 'foot', depth), paints.main);
  pen.area(0, 'Edge', { ...band(pen, 'foot', depth), height: Math.max(1.5, sheet.height * 0.008) }, paints.accent);
  const top = { ...inner, height: sheet.height - depth - inner.y - text(pen) };
  pen.logo(0, top, 'full colour', { x: 0.5, y: 0.5 });
  const foot = { ...inner, y: sheet.height - depth + text(pen), height: depth - text(pen) - inner.y };
  pen.words(0, { ...foot, height: foot.height * 0.62 }, HEADLINE, {
    size: large(pen) * 0.72,
    role: 'heading',
    paint: paints.paper,
    leading: 1.05,
    name: 'Headline',
  });
  pen.words(0, footOf(foot, text(pen) * 2.8), MORE, {
    size: text(pen),
    paint: paints.paper,
    vertical: 'bottom',
    leading: 1.3,
    name: 'More',
  });
};

const rings = (pen: Pen): void => {
  const { inner, sheet, paints } = pen;
  const d = Math.min(sheet.width, sheet.height);
  const ring = (x: number, y: number, by: number) => ({ x: x - by / 2, y: y - by / 2, width: by, height: by });
  const round = { form: { kind: 'ellipse' as const } };
  pen.area(0, 'Ground', wholeSheet(pen), paints.light);
  pen.area(0, 'Outer ring', ring(sheet.width - d * 0.1, d * 0.1, d * 1.3), paints.main, round);
  pen.area(0, 'Inner ring', ring(sheet.width - d * 0.1, d * 0.1, d * 0.9), paints.accent, round);
  pen.area(0, 'Middle', ring(sheet.width - d * 0.1, d * 0.1, d * 0.48), paints.light, round);
  pen.words(0, footOf({ ...inner, width: inner.width * (sheet.upright ? 1 : 0.62) }, inner.height * 0.42), HEADLINE, {
    size: large(pen) * 0.8,
    role: 'heading',
    vertical: 'bottom',
    leading: 1.05,
    name: 'Headline',
  });
};

const MANNERS: readonly [id: string, name: string, says: string, draw: (pen: Pen) => void][] = [
  ['plain', 'Plainly said', 'White, one large line, the mark in the corner.', plain],
  ['full', 'Full ground', 'The whole side in the main colour, everything on the middle axis.', full],
  ['footed', 'On firm ground', 'The mark on a light ground, the words on a dark foot.', footed],
  ['rings', 'Rings', 'Large rings that run off the sheet.', rings],
];

const all = (kind: Kinds): Starter[] => MANNERS.map(([id, name, says, draw]) => make(kind, id, name, says, draw));
export const POSTCARDS: readonly Starter[] = all('postcard');
export const FLYERS: readonly Starter[] = all('flyer');
