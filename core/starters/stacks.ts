import type { Box } from '../geometry/box';
import type { Person } from '../job/details';
import { quoteSays } from '../job/edits/house';
import type { Role } from '../job/house';
import { makeWords } from '../job/make';
import { quotedSpans } from '../job/quoted';
import type { Job, Paint, Words } from '../job/schema';
import { sourcesOf } from '../scene/sources';
import { wordsSet } from '../scene/words';
import type { ShopSpec } from '../trade/schema';
import { addressBreaks } from '../type/breaks';
import type { FontBook } from '../type/font';
import type { Alignment, Lettering, Paragraph } from '../type/style';
import { BLACK, type Ground, type HousePaints, PAPER, platesIn, readableOn, TYPEFACES } from './paints';

/** Text that stands together in one box: said by the client's details, and made smaller until all of it fits. */

/** One line of a stack, or more where it is long. Sizes in points, on half ones. */
export interface Said {
  text: string;
  size: number;
  role?: Role;
  paint?: 'black' | 'main' | 'accent';
  /** The space above, points. */
  before?: number;
  letterCase?: Lettering['letterCase'];
  tracking?: number;
  leading?: number;
  /** Left out where nothing smaller helps: the line with the largest number first, of two alike the lower one. */
  spare?: number;
}

export interface Stack {
  name: string;
  box: Box;
  said: readonly Said[];
  /** The same in fewer lines, for a box that has no room for the first. */
  or?: readonly Said[];
  align?: Alignment;
  vertical?: 'top' | 'middle' | 'bottom';
  on?: Ground;
}

interface Kit {
  paints: HousePaints;
  limits: ShopSpec['limits']['type'];
  person: Person | undefined;
  fonts: FontBook;
  newId: () => string;
}

/** Text is no smaller than this even where a shop would print it; points, common practice. */
const LEAST = 7;
const LEADING = { heading: 1.1, text: 1.25, accent: 1.25 } as const;
/** How many times headings, and text, are made smaller: a sixteenth of their size each. */
const TIMES = 12;
const SHARE = 1 / 16;

const half = (size: number): number => Math.round(size * 2) / 2;

/** How small each part has become: headings by so many steps, text by so many. */
interface Steps {
  heads: number;
  text: number;
}

function styled(job: Job, { paints, limits }: Kit, on: Ground, said: Said, steps: Steps): Partial<Lettering> {
  const { size, role = 'text', letterCase, tracking } = said;
  const ground = on === 'paper' ? PAPER : paints[on];
  const own = said.paint ?? (role === 'text' ? 'black' : 'main');
  const wanted: Paint[] = own === 'black' ? [BLACK] : [own === 'accent' ? paints.accent : paints.main, paints.main];
  const solid = wanted.filter(({ tint }) => tint === 1);
  const first = on === 'main' || on === 'accent' ? [PAPER, BLACK] : solid;
  const step = role === 'heading' ? steps.heads : steps.text;
  const smaller = half(size * (1 - SHARE * step));
  const paint = readableOn(job, ground, first);
  const isFine = platesIn(job, paint) === 1;
  const floor = Math.max(LEAST, isFine ? limits.warn : limits.severalInks);
  // Letters too small for an ink of several plates are printed in black, which is one.
  const isTooSmall = !isFine && paint.ink !== 'paper' && smaller < limits.severalInks;
  return {
    typeface: job.roles[role] ?? TYPEFACES[role],
    size: Math.min(half(size), Math.max(isTooSmall ? Math.max(LEAST, limits.warn) : floor, smaller)),
    paint: isTooSmall ? readableOn(job, ground, [BLACK]) : paint,
    ...(letterCase ? { letterCase } : {}),
    ...(tracking ? { tracking } : {}),
  };
}

const differing = (own: Partial<Lettering>, base: Partial<Lettering>): Partial<Lettering> =>
  Object.fromEntries(
    Object.entries(own).filter(
      ([key, value]) => JSON.stringify(value) !== JSON.stringify(base[key as keyof Lettering]),
    ),
  );

function wordsOf(job: Job, kit: Kit, stack: Stack, said: readonly Said[], steps: Steps): Words {
  const { name, box, align = 'left', vertical = 'top', on = 'paper' } = stack;
  // What most of it looks like is how the whole looks: the last line, in a stack of a name and its details.
  const base = styled(job, kit, on, said.at(-1)!, steps);
  const leading = (line: Said): number => line.leading ?? LEADING[line.role ?? 'text'];
  const usual = leading(said.at(-1)!);
  const paragraphs = said.map((line, i): Paragraph => {
    const own = differing(styled(job, kit, on, line, steps), base);
    return {
      spans: quotedSpans(line.text).map((span) => ({
        ...span,
        ...(span.quote ? { text: quoteSays(span, job, kit.person) } : {}),
        ...own,
      })),
      ...(line.before && i > 0 ? { before: line.before } : {}),
      ...(leading(line) === usual ? {} : { leading: { share: leading(line) } }),
    };
  });
  const words = makeWords({
    id: kit.newId(),
    name,
    text: '',
    x: box.x,
    y: box.y,
    lettering: base,
    setting: { align, leading: { share: usual } },
    frame: { behaviour: 'fixed box', width: box.width, height: box.height, vertical },
  });
  return { ...words, paragraphs };
}

/** Whether all of some words show, no line longer than the box is wide; `whole` where no address may be broken either. */
function fits(words: Words, job: Job, fonts: FontBook, whole: boolean): boolean {
  const { lines, hidden } = wordsSet(words, sourcesOf(job, fonts));
  if (hidden.length > 0 || lines.some(({ width }) => width > words.frame.width + 0.01)) return false;
  return (
    !whole ||
    lines.every(({ paragraph, start }) => {
      const text = words.paragraphs[paragraph]!.spans.map((span) => span.text).join('');
      return !addressBreaks(text).includes(start);
    })
  );
}

const ALL_STEPS = Array.from({ length: TIMES + 1 }, (_, i) => i);

/** The first steps at which something fits: headings become smaller before text does. */
function firstSteps(fitsAt: (steps: Steps) => boolean): Steps | undefined {
  if (!fitsAt({ heads: TIMES, text: TIMES })) return undefined;
  const text = ALL_STEPS.find((step) => fitsAt({ heads: TIMES, text: step }))!;
  return { text, heads: ALL_STEPS.find((step) => fitsAt({ heads: step, text }))! };
}

/** What is tried for a stack by turns: all of it, in fewer lines, with addresses broken, and with ever less of it. */
function triesOf({ said, or }: Stack): { said: readonly Said[]; whole: boolean }[] {
  const full = or ? [said, or] : [said];
  const less: (readonly Said[])[] = [];
  for (let last = full.at(-1)!; ; last = less.at(-1)!) {
    const most = Math.max(...last.map(({ spare = 0 }) => spare));
    if (most <= 0) break;
    const at = last.findLastIndex(({ spare }) => spare === most);
    less.push(last.filter((_, i) => i !== at));
  }
  return [
    ...full.map((lines) => ({ said: lines, whole: true })),
    ...full.map((lines) => ({ said: lines, whole: false })),
    ...less.map((lines) => ({ said: lines, whole: false })),
  ];
}

/** Sets stacks that are seen together: the text of all of them is one size, as large as the fullest of them allows. */
export function setStacks(job: Job, stacks: readonly Stack[], kit: Kit): { words?: Words; needed: number }[] {
  const quiet = { ...kit, newId: () => 'measured' };
  const tries = stacks.map((stack) => {
    const fitsAt = (said: readonly Said[], whole: boolean) => (steps: Steps) =>
      fits(wordsOf(job, quiet, stack, said, steps), job, kit.fonts, whole);
    if (stack.said.length === 0) return { stack, said: stack.said, text: 0, fitsAt };
    const ways = triesOf(stack);
    for (const { said, whole } of ways) {
      const steps = firstSteps(fitsAt(said, whole));
      if (steps) return { stack, said, text: steps.text, fitsAt };
    }
    return { stack, said: ways.at(-1)!.said, text: TIMES, fitsAt };
  });
  const text = Math.max(...tries.map((each) => each.text));
  return tries.map(({ stack, said, fitsAt }) => {
    if (said.length === 0) return { needed: 0 };
    const fitting = (whole: boolean) => ALL_STEPS.find((heads) => fitsAt(said, whole)({ heads, text }));
    const words = wordsOf(job, kit, stack, said, { heads: fitting(true) ?? fitting(false) ?? TIMES, text });
    return { words, needed: wordsSet(words, sourcesOf(job, kit.fonts)).needed };
  });
}
