import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { elementsOfArt } from '../../../core/files/art-in/elements';
import { readPeopleCsv } from '../../../core/files/people-csv';
import { readPeopleVcards } from '../../../core/files/people-vcard';
import { readJob } from '../../../core/files/read-job';
import { readSvg } from '../../../core/files/svg-in/read';
import { addElement } from '../../../core/job/edits/elements';
import { takePeople } from '../../../core/job/edits/house';
import { addInk } from '../../../core/job/edits/inks';
import { addLetter } from '../../../core/job/edits/letters';
import type { Job } from '../../../core/job/schema';
import { jobFault } from '../../../core/job/whole';
import { isDeep } from '../../deep';
import { cardWith, kit, openDemo } from '../../kit';

/** Whatever a file says, the job that takes it either opens again or is refused in words before it is one. */

const demo = openDemo().job;
const counted = (letter: string): (() => string) => {
  let n = 0;
  return () => `${letter}${n++}`;
};

function opensOrIsRefused(job: Job): void {
  const fault = jobFault(job);
  if (fault) return;
  expect(() => readJob(JSON.parse(JSON.stringify(job)))).not.toThrow();
}

/** What a reader makes of a text; undefined where it refuses it in words. */
function readOrRefused<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    expect((error as Error).message.length).toBeGreaterThan(10);
    expect((error as Error).message).not.toMatch(/undefined|is not a function|Cannot read/);
    return undefined;
  }
}

const text = fc.oneof(
  fc.string({ maxLength: 40 }),
  fc.string({ unit: 'grapheme', maxLength: 20 }),
  fc.constantFrom('', ' ', 'x'.repeat(400), 'a\nb', '"', ',', '\u0000', '=1+1', '\u202e', 'N;M'),
);

describe('people', () => {
  it('of any table', () => {
    const head = fc.constantFrom('Name', 'Job title', 'Email', 'Phone', 'Vorname', 'Nachname', 'Other', '');
    fc.assert(
      fc.property(
        fc.array(head, { minLength: 1, maxLength: 6 }),
        fc.array(fc.array(text, { maxLength: 7 }), { maxLength: 6 }),
        (heads, rows) => {
          const csv = [heads, ...rows].map((row) => row.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(','));
          const people = readOrRefused(() => readPeopleCsv(csv.join('\r\n')));
          if (people) opensOrIsRefused(takePeople(demo, people, counted('n')));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('of any contact cards', () => {
    const line = fc.tuple(
      fc.constantFrom('FN', 'N', 'TITLE', 'TEL', 'EMAIL', 'ORG', 'X-ANY', 'item1.TEL;TYPE=CELL'),
      text,
    );
    fc.assert(
      fc.property(fc.array(fc.array(line, { maxLength: 7 }), { maxLength: 4 }), (cards) => {
        const vcards = cards.map((lines) =>
          ['BEGIN:VCARD', 'VERSION:3.0', ...lines.map(([name, value]) => `${name}:${value}`), 'END:VCARD'].join('\r\n'),
        );
        const people = readOrRefused(() => readPeopleVcards(vcards.join('\r\n')));
        if (people) opensOrIsRefused(takePeople(demo, people, counted('n')));
      }),
      { numRuns: 150 },
    );
  });
});

describe('a drawing', () => {
  const number = fc.oneof(
    fc.integer({ min: -500, max: 500 }).map(String),
    fc.constantFrom('0', '1e-9', '4000', '1e9', '-1e400', 'NaN', '', '50%', '3mm'),
  );
  const colour = fc.constantFrom(
    'red',
    '#123',
    'rgb(300,-5,0)',
    'none',
    'url(#g)',
    'currentColor',
    'hsl(1e9 50% 50%)',
    '',
  );
  const common = fc.record({
    fill: colour,
    stroke: colour,
    'stroke-width': number,
    'stroke-dasharray': fc.array(number, { maxLength: 3 }).map((all) => all.join(' ')),
    opacity: number,
    transform: fc.constantFrom('', 'scale(0)', 'scale(1e9)', 'rotate(33)', 'matrix(1 2 2 4 0 0)', 'skewX(90)'),
    id: text.map((name) => name.replace(/[^\p{L}\p{N} ]/gu, '')),
  });
  const element = fc
    .tuple(
      fc.constantFrom('rect', 'circle', 'ellipse', 'line', 'path', 'text', 'polygon'),
      common,
      fc.tuple(number, number, number, number),
    )
    .map(([name, attributes, [a, b, c, d]]) => {
      const own = {
        rect: `x="${a}" y="${b}" width="${c}" height="${d}" rx="${a}"`,
        circle: `cx="${a}" cy="${b}" r="${c}"`,
        ellipse: `cx="${a}" cy="${b}" rx="${c}" ry="${d}"`,
        line: `x1="${a}" y1="${b}" x2="${c}" y2="${d}"`,
        path: `d="M${a} ${b}L${c} ${d}C${a} ${a} ${b} ${c} ${d} ${d}Z"`,
        text: `x="${a}" y="${b}" font-size="${c}"`,
        polygon: `points="${a},${b} ${c},${d} 5,5"`,
      }[name];
      const all = Object.entries(attributes).map(([key, value]) => `${key}="${value}"`);
      return `<${name} ${own} ${all.join(' ')}>${name === 'text' ? 'Words' : ''}</${name}>`;
    });
  const stop = fc.tuple(
    number,
    colour.filter((c) => c !== 'url(#g)'),
    number,
  );

  it('of a line of millions of dashes has it whole, and says so', () => {
    const line = '<line x1="0" y1="0" x2="90000" y2="40" stroke="red" stroke-width="2" stroke-dasharray="0.1 0.1"/>';
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="80">${line}</svg>`;
    expect(readSvg(new TextEncoder().encode(svg), kit.fonts).notes).toContain(
      'A line of very many dashes is drawn whole.',
    );
  });

  it('of something that never ends leaves it out, and says so', () => {
    const shapes =
      '<circle r="1e9" stroke="red"/><rect width="9" height="9" transform="skewX(90)"/><rect width="5" height="5"/>';
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="80">${shapes}</svg>`;
    const { items, notes } = readSvg(new TextEncoder().encode(svg), kit.fonts);
    expect(items).toHaveLength(1);
    expect(notes).toContain('Something that is dozens of metres across is left out.');
  });

  it('of any numbers', () => {
    fc.assert(
      fc.property(
        fc.array(element, { maxLength: 6 }),
        fc.array(stop, { maxLength: 5 }),
        fc.tuple(number, number, number, number),
        (elements, stops, [w, h, x, y]) => {
          const gradient = stops.map(
            ([at, of, cover]) => `<stop offset="${at}" stop-color="${of}" stop-opacity="${cover}"/>`,
          );
          const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="${x} ${y} 100 80"><linearGradient id="g" x1="${x}" x2="${y}">${gradient.join('')}</linearGradient>${elements.join('')}</svg>`;
          const art = readOrRefused(() => readSvg(new TextEncoder().encode(svg), kit.fonts));
          if (!art) return;
          let job = cardWith([]);
          for (const key of Object.keys(art.inks))
            job = addInk(job, { id: `i${key}`, name: `Ink ${key}`, kind: 'process', cmyk: [0, 0, 0, 1] });
          const { elements: laid } = elementsOfArt(art, {
            paints: new Map(Object.keys(art.inks).map((key) => [key, { ink: `i${key}`, tint: 1 }])),
            at: { x: 10, y: 10, width: art.width, height: art.height },
            type: { styles: [], fonts: kit.fonts },
            newId: counted('e'),
            name: 'Drawing',
          });
          const face = job.pieces[0]!.faces[0]!.id;
          opensOrIsRefused(laid.reduce((before, each) => addElement(before, face, each), job));
        },
      ),
      // Any drawing, when there is time for what takes long; else always the same few.
      isDeep ? { numRuns: 300 } : { numRuns: 60, seed: 11 },
    );
  });
});

describe('a letter', () => {
  it('of any words', () => {
    fc.assert(
      fc.property(fc.record({ name: text, recipient: text, date: text, salutation: text, body: text }), (letter) =>
        opensOrIsRefused(addLetter(demo, 'letterhead', { id: 'x', changed: demo.changed, ...letter })),
      ),
      { numRuns: 100 },
    );
  });
});
