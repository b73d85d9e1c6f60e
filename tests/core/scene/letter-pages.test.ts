import { describe, expect, it } from 'vitest';
import { readJob } from '../../../core/files/read-job';
import { addLetter, changeLetter, removeLetter } from '../../../core/job/edits/letters';
import type { LetterText } from '../../../core/job/letters';
import type { Words } from '../../../core/job/schema';
import { letterPages } from '../../../core/scene/letter-pages';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsFrame, wordsSet } from '../../../core/scene/words';
import { kit, mm, openDemo } from '../../kit';

const { job } = openDemo();
const piece = job.pieces.find(({ id }) => id === 'letterhead')!;
const sources = sourcesOf(job, kit.fonts);
const letter = (paragraphs: number): LetterText => ({
  id: 'l1',
  name: 'To Mrs Thornbury',
  changed: '2026-11-02T10:00:00.000Z',
  recipient: 'Mrs Adaeze Thornbury\nQuay Street',
  date: '18 February',
  salutation: 'Dear Mrs Thornbury,',
  body: Array.from(
    { length: paragraphs },
    (_, i) => `${i + 1}. ${'The long border wants dividing before the spring. '.repeat(7).trim()}`,
  ).join('\n'),
});
/** The body of a sheet: its last words. */
const bodyOf = (page: { elements: readonly { kind: string }[] }): Words => page.elements.at(-1) as Words;
const linesOf = (page: Parameters<typeof bodyOf>[0]): string[] =>
  wordsSet(bodyOf(page), sources).lines.map((line) => line.text.trim());

describe('a letter', () => {
  it('has its recipient where the window is, its date right, its body where DIN 5008 begins it', () => {
    const [page] = letterPages(piece, letter(1), job, sources, true);
    const [recipient, date, body] = page!.elements.slice(-3) as [Words, Words, Words];
    expect(recipient.x).toBeCloseTo(mm(25), 6);
    expect(recipient.y).toBeCloseTo(mm(62.7), 4);
    expect(wordsFrame(date, sources).x + wordsFrame(date, sources).width).toBeCloseTo(mm(190), 4);
    expect(body.y).toBeCloseTo(mm(103.46), 4);
  });
  it('goes on to following sheets with their own art, and loses and doubles no line', () => {
    const pages = letterPages(piece, letter(16), job, sources, true);
    expect(pages.length).toBeGreaterThan(1);
    const whole = linesOf(letterPages({ ...piece, height: mm(3000) }, letter(16), job, sources, true)[0]!);
    expect(pages.flatMap(linesOf)).toEqual(whole);
    for (const page of pages) {
      const { lines } = wordsSet(bodyOf(page), sources);
      expect(bodyOf(page).y + lines.at(-1)!.baseline).toBeLessThanOrEqual(piece.height - mm(20));
    }
    expect(pages[0]!.elements.some((e) => e.name === 'Line of business')).toBe(true);
    expect(pages[1]!.elements.some((e) => e.name === 'Line of business')).toBe(false);
    expect(pages[1]!.elements.some((e) => e.name === 'Web')).toBe(true);
  });
  it('leaves no line of a paragraph alone on a sheet', () => {
    const pages = letterPages(piece, letter(16), job, sources, true);
    for (const page of pages.slice(0, -1)) {
      const { lines } = wordsSet(bodyOf(page), sources);
      const last = lines.at(-1)!;
      const alone = last.start === 0 && wordsSet(bodyOf(page), sources).hidden[0]!.paragraph === last.paragraph;
      expect(alone).toBe(false);
    }
  });
  it('can leave the letterhead’s own art out, and never shows its sample', () => {
    const [bare] = letterPages(piece, letter(1), job, sources, false);
    expect(bare!.elements).toHaveLength(3);
    const [dressed] = letterPages(piece, letter(1), job, sources, true);
    expect(dressed!.elements.some((e) => e.sample)).toBe(false);
  });
  it('is one of several, the newest first, and kept with the job', () => {
    const older = { ...letter(1), id: 'l0', changed: '2026-11-01T10:00:00.000Z' };
    const start = (job.pieces.find(({ id }) => id === 'letterhead')!.letters ?? []).reduce(
      (j, { id }) => removeLetter(j, 'letterhead', id),
      job,
    );
    const two = addLetter(addLetter(start, 'letterhead', letter(1)), 'letterhead', older);
    const lettersOf = (j: typeof start) => j.pieces.find(({ id }) => id === 'letterhead')!.letters?.map(({ id }) => id);
    expect(lettersOf(two)).toEqual(['l1', 'l0']);
    expect(lettersOf(changeLetter(two, 'letterhead', 'l0', { changed: '2026-11-03T10:00:00.000Z' }))).toEqual([
      'l0',
      'l1',
    ]);
    expect(lettersOf(removeLetter(removeLetter(two, 'letterhead', 'l0'), 'letterhead', 'l1'))).toBeUndefined();
    expect(readJob(JSON.parse(JSON.stringify(two)))).toEqual(two);
  });
});
