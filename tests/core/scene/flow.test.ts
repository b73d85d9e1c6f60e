import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { removeElement } from '../../../core/job/edits/elements';
import { addFace } from '../../../core/job/edits/faces';
import { goOn, setWordsFrame } from '../../../core/job/edits/words';
import { findElement, flowHead } from '../../../core/job/find';
import { plainText } from '../../../core/job/look';
import { makeWords } from '../../../core/job/make';
import type { Job, Words } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsSet } from '../../../core/scene/words';
import type { Setting } from '../../../core/type/style';
import { cardWith, checkKit, kit } from '../../kit';

const SENTENCE = 'The glasshouse opens at nine, and the kettle is on by ten past. ';
const frame = (width: number, height: number) => ({ behaviour: 'fixed box' as const, width, height });

/** A letter whose words go on over three faces; the boxes are `height` points high. */
function letter(text: string, height: number, setting: Partial<Setting> = {}): Job {
  let job = cardWith([makeWords({ id: 'a', text, x: 10, y: 10, frame: frame(180, height), setting })]);
  job = addFace(addFace(job, 'card', 'p2'), 'card', 'p3');
  job = goOn(job, 'a', 'p2', 'b');
  return goOn(job, 'b', 'p3', 'c');
}
const frames = (job: Job): Words[] =>
  shownFaces(job.pieces[0]!, sourcesOf(job, kit.fonts)).flatMap((face) => face.elements) as Words[];
const linesOf = (job: Job) => frames(job).map((words) => wordsSet(words, sourcesOf(job, kit.fonts)).lines);

describe('words that go on in another frame', () => {
  const long = SENTENCE.repeat(13).trim();
  it('lose and repeat no word', () => {
    const job = letter(long, 70);
    const shown = linesOf(job);
    expect(shown.map((lines) => lines.length > 0)).toEqual([true, true, true]);
    expect(
      shown
        .flat()
        .map((line) => line.text)
        .join(' '),
    ).toBe(long);
  });
  it('break as they would in a frame of their own width', () => {
    const narrower = setWordsFrame(setWordsFrame(letter(long, 70), 'b', { width: 120 }), 'c', { height: 300 });
    for (const { width } of linesOf(narrower)[1]!) expect(width).toBeLessThanOrEqual(120);
    const words = linesOf(narrower).flat();
    expect(words.map((line) => line.text).join(' ')).toBe(long);
  });
  it('keep the look of where they begin, whatever case does to their length', () => {
    const job = letter('Straße und Gruß, '.repeat(30).trim(), 60);
    const loud = {
      ...job,
      pieces: job.pieces.map((p) => ({
        ...p,
        faces: p.faces.map((f) => ({
          ...f,
          elements: f.elements.map((e) =>
            e.id === 'a' ? { ...e, lettering: { letterCase: 'capitals' as const } } : e,
          ),
        })),
      })),
    };
    const all = linesOf(loud)
      .flat()
      .map((line) => line.text)
      .join(' ');
    expect(`${'STRASSE UND GRUSS, '.repeat(30).trim()}`.startsWith(all.slice(0, -2))).toBe(true);
    expect(frames(loud)[1]!.lettering.letterCase).toBe('capitals');
  });
  it('give a paragraph that goes on no second first-line indent and no space before it', () => {
    const job = letter(long, 70, { indent: { left: 0, right: 0, first: 20 }, before: 8 });
    const [, second] = linesOf(job);
    expect(second![0]!.x).toBe(0);
    expect(linesOf(job)[0]![0]!.x).toBe(20);
  });
  it('leave no line of a paragraph alone at the foot or the head of a frame, whatever the heights', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 110 }),
        fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 3, maxLength: 6 }),
        (height, lengths) => {
          const job = letter(lengths.map((n) => SENTENCE.repeat(n).trim()).join('\n'), height);
          const shown = frames(job).map((words) => wordsSet(words, sourcesOf(job, kit.fonts)));
          for (const { lines, hidden } of shown.slice(0, 2)) {
            const [last, next] = [lines.at(-1), hidden[0]];
            if (!last || !next || lines[0]!.paragraph === last.paragraph) continue;
            if (last.paragraph !== next.paragraph) continue;
            const stay = lines.filter((line) => line.paragraph === last.paragraph).length;
            const go = hidden.filter((line) => line.paragraph === last.paragraph).length;
            expect(Math.min(stay, go)).toBeGreaterThan(1);
          }
        },
      ),
      { numRuns: 80 },
    );
  });
  it('are hidden only where the last frame has no room', () => {
    const hidden = (job: Job) => checkPiece(job, job.pieces[0]!, checkKit).filter((f) => f.check === 'hidden-words');
    expect(hidden(letter(long, 70))).toEqual([]);
    expect(hidden(letter(long, 30)).map((f) => f.element)).toEqual(['c']);
  });
  it('close the gap when a frame in the middle is deleted', () => {
    const job = removeElement(letter(long, 70), 'b');
    expect((findElement(job, 'a')!.element as Words).next).toBe('c');
    expect(flowHead(job.pieces[0]!, 'c')).toBe('a');
    expect(() => jobSchema.parse(job)).not.toThrow();
    const alone = removeElement(removeElement(job, 'c'), 'nothing');
    expect((findElement(alone, 'a')!.element as Words).next).toBeUndefined();
    expect(plainText(findElement(alone, 'a')!.element as Words)).toBe(long);
  });
  it('in a ring, from two frames, or to nowhere are no job', () => {
    const job = letter(long, 70);
    const withNext = (id: string, next: string): unknown =>
      JSON.parse(JSON.stringify(job), (_key, value) => (value?.id === id ? { ...value, next } : value));
    expect(jobSchema.safeParse(withNext('c', 'a')).error?.message).toMatch(/come back to it/);
    expect(jobSchema.safeParse(withNext('c', 'b')).error?.message).toMatch(/from two frames/);
    expect(jobSchema.safeParse(withNext('c', 'nowhere')).error?.message).toMatch(/not in their piece/);
  });
});
