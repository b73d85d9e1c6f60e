import { band, footOf, headOf, type Pen, wholeSheet } from './pen';
import type { Starter } from './starter';

/** Starters of cards, plain to lively. */

const CONTACT = '{person.direct}\n{firm.phone}\n{person.mail}\n{firm.web}';
const ADDRESS = '{firm.street}, {firm.town} {firm.postcode}';

const nameSize = (pen: Pen): number => pen.of(0.085, 10, 15);
const small = (pen: Pen): number => pen.of(0.052, 7, 9);
/** Words left out of a ground want to be larger. */
const onGround = (pen: Pen): number => pen.of(0.06, 8.5, 10);

const person = (
  pen: Pen,
  face: number,
  box: { x: number; y: number; width: number },
  more: { align?: 'left' | 'centre' } = {},
): void => {
  const size = nameSize(pen);
  pen.words(face, { ...box, height: size * 1.45 }, '{person.name}', { size, role: 'heading', name: 'Name', ...more });
  pen.words(face, { ...box, y: box.y + size * 1.45, height: small(pen) * 1.8 }, '{person.title}', {
    size: small(pen) + 0.5,
    role: 'accent',
    paint: pen.paints.accent,
    name: 'Job title',
    ...more,
  });
};

const quiet: Starter = {
  id: 'card-quiet',
  kind: 'card',
  name: 'Quiet corner',
  says: 'White, the name at the top, the rest at the bottom.',
  faces: ['Front', 'Back'],
  draw(pen) {
    const { inner } = pen;
    person(pen, 0, inner);
    const size = small(pen);
    const foot = footOf(inner, size * 6.6);
    pen.words(0, { ...foot, width: inner.width * 0.74 }, `${CONTACT}\n${ADDRESS}`, {
      size,
      vertical: 'bottom',
      name: 'Contact',
    });
    const side = pen.of(0.26, 30, 64);
    pen.logo(0, { ...footOf(inner, side), x: inner.x + inner.width - side, width: side }, 'full colour', {
      x: 1,
      y: 1,
    });
    pen.logo(1, inner, 'full colour', { x: 0.5, y: 0.5 });
  },
};

const ruled: Starter = {
  id: 'card-ruled',
  kind: 'card',
  name: 'Centre line',
  says: 'Everything on one axis, a short rule between; the back in the main colour.',
  faces: ['Front', 'Back'],
  draw(pen) {
    const { inner, sheet, paints } = pen;
    const logo = pen.of(0.28, 30, 70);
    pen.logo(0, headOf(inner, logo), 'full colour', { x: 0.5, y: 0 });
    const size = nameSize(pen);
    const middle = sheet.height * (sheet.upright ? 0.46 : 0.43);
    person(pen, 0, { x: inner.x, y: middle, width: inner.width }, { align: 'centre' });
    const rule = pen.of(0.18, 20, 46);
    pen.rule(0, 'Short rule', { x: (sheet.width - rule) / 2, y: middle + size * 3, length: rule }, 0.75);
    const text = small(pen);
    pen.words(
      0,
      footOf(inner, text * (sheet.upright ? 6.6 : 4)),
      sheet.upright ? `${CONTACT}\n${ADDRESS}` : '{person.direct}  {person.mail}\n{firm.web}',
      {
        size: text,
        align: 'centre',
        vertical: 'bottom',
        name: 'Contact',
      },
    );
    pen.area(1, 'Ground', wholeSheet(pen), paints.main);
    pen.logo(1, { ...inner, y: inner.y + inner.height * 0.14, height: inner.height * 0.46 }, 'reversed', {
      x: 0.5,
      y: 0.5,
    });
    pen.words(1, footOf(inner, inner.height * 0.24), '{firm.line}', {
      size: onGround(pen),
      role: 'accent',
      paint: paints.paper,
      align: 'centre',
      vertical: 'bottom',
      name: 'Tagline',
    });
  },
};

const sideBand: Starter = {
  id: 'card-band',
  kind: 'card',
  name: 'Standing panel',
  says: 'A panel of the main colour at one side with the mark in it.',
  faces: ['Front', 'Back'],
  draw(pen) {
    const { inner, sheet, paints } = pen;
    const depth = sheet.upright ? sheet.height * 0.34 : sheet.width * 0.34;
    const strip = band(pen, sheet.upright ? 'top' : 'left', depth);
    pen.area(0, 'Panel', strip, paints.main);
    const gap = inner.x;
    const mark = sheet.upright
      ? { x: inner.x, y: inner.y, width: inner.width, height: depth - 2 * inner.y }
      : { x: inner.x, y: inner.y, width: depth - 2 * inner.x, height: inner.height };
    pen.logo(0, mark, 'reversed', { x: 0.5, y: 0.5 });
    const text = sheet.upright
      ? { ...inner, y: depth + gap, height: sheet.height - depth - gap - inner.y }
      : { ...inner, x: depth + gap, width: sheet.width - depth - gap - inner.x };
    person(pen, 0, text);
    const size = small(pen);
    pen.words(0, footOf(text, size * 6.6), `${CONTACT}\n{firm.street}\n{firm.town} {firm.postcode}`, {
      size,
      vertical: 'bottom',
      name: 'Contact',
    });
    pen.area(1, 'Ground', wholeSheet(pen), paints.light);
    pen.logo(1, { ...inner, height: inner.height * 0.6 }, 'full colour', { x: 0.5, y: 0.5 });
    pen.words(1, footOf(inner, inner.height * 0.3), '{firm.name}\n{firm.line}', {
      size: size + 1,
      role: 'accent',
      align: 'centre',
      vertical: 'bottom',
      name: 'Company',
    });
  },
};

const lively: Starter = {
  id: 'card-lively',
  kind: 'card',
  name: 'Round the corner',
  says: 'Large circles that run off the sheet, in the lighter colours.',
  faces: ['Front', 'Back'],
  draw(pen) {
    const { inner, sheet, paints } = pen;
    const across = Math.max(sheet.width, sheet.height) * 0.72;
    const circle = (x: number, y: number, d: number) => ({ x: x - d / 2, y: y - d / 2, width: d, height: d });
    const round = { form: { kind: 'ellipse' as const } };
    pen.area(0, 'Large circle', circle(sheet.width, sheet.height, across), paints.light, round);
    pen.area(
      0,
      'Small circle',
      circle(sheet.width - across * 0.08, -across * 0.02, across * 0.42),
      paints.accent,
      round,
    );
    person(pen, 0, { ...inner, width: inner.width * 0.72 });
    const size = small(pen);
    pen.words(0, { ...footOf(inner, size * 6.6), width: inner.width * 0.66 }, CONTACT, {
      size,
      vertical: 'bottom',
      name: 'Contact',
    });
    pen.area(1, 'Ground', wholeSheet(pen), paints.main);
    pen.area(
      1,
      'Circle',
      circle(sheet.width * 0.5, sheet.height * 0.5, Math.min(sheet.width, sheet.height) * 0.74),
      paints.light,
      round,
    );
    const d = Math.min(sheet.width, sheet.height) * 0.46;
    pen.logo(1, circle(sheet.width / 2, sheet.height / 2, d), 'full colour', { x: 0.5, y: 0.5 });
  },
};

export const CARDS: readonly Starter[] = [quiet, ruled, sideBand, lively];
