import { describe, expect, it } from 'vitest';
import { loadSpeller } from '../../../cli/kit';
import { checkPiece } from '../../../core/checks/check-piece';
import { misspeltIn, spellingFindings, wordsToSpell } from '../../../core/checks/rules/spelling';
import { inkBounds } from '../../../core/devices/bounds';
import { findElement } from '../../../core/job/find';
import { plainText } from '../../../core/job/look';
import { makeWords } from '../../../core/job/make';
import type { Element, Words } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import { type Language, spellableWords } from '../../../core/type/spelling';
import { cardWith, checkKit, kit, mm } from '../../kit';

const line = (id: string, x: number, y: number, text = 'Hollin', size = 9): Words =>
  makeWords({ id, text, x: mm(x), y: mm(y), lettering: { size } });
const almost = (elements: Element[]) => {
  const job = cardWith(elements);
  return { job, found: checkPiece(job, job.pieces[0]!, checkKit).filter((f) => f.check === 'almost-aligned') };
};

describe('words that almost line up', () => {
  it('are found and moved into line', () => {
    const { job, found } = almost([line('a', 10, 10), line('b', 10.3, 20)]);
    expect(found).toMatchObject([{ element: 'b', severity: 'advise' }]);
    expect(found[0]!.measured.value).toBeCloseTo(mm(0.3), 6);
    const mended = findElement(found[0]!.fix!.apply(job), 'b')!.element;
    expect(mended.x).toBeCloseTo(mm(10), 9);
  });
  it.each([
    ['line up by their frames', [line('a', 10, 10), line('b', 10, 20, 'Tea', 18)]],
    ['are a clear step apart', [line('a', 10, 10), line('b', 10.8, 20)]],
    ['line up with one of several', [line('a', 10, 10), line('b', 10.3, 20), line('c', 10.3, 30)].slice(1)],
  ])('are not found where they %s', (_how, elements) => {
    expect(almost(elements).found).toEqual([]);
  });
  it('are not found where what is seen of them lines up though their frames do not', () => {
    const sources = sourcesOf(cardWith([]), kit.fonts);
    const [a, b] = [line('a', 10, 10, 'Hollin'), line('b', 10, 20, 'Jug', 30)];
    const off = inkBounds(a, sources)!.x - inkBounds(b, sources)!.x;
    expect(Math.abs(off)).toBeGreaterThan(0.05);
    expect(almost([a, { ...b, x: b.x + off }]).found).toEqual([]);
  });
});

describe('spelling', () => {
  const speller = (language: Language) => loadSpeller(language);
  const [british, american] = [speller('en-GB'), speller('en-US')];
  const findingsOf = (text: string, words: string[] = []) => {
    const made = cardWith([makeWords({ id: 'w', text, x: mm(10), y: mm(10) })]);
    const job = { ...made, spelling: { language: 'en-GB' as const, words } };
    const [piece] = job.pieces;
    const misspelt = misspeltIn(wordsToSpell(piece!, job.spelling), british);
    return { job, found: spellingFindings(piece!, job.spelling, misspelt, sourcesOf(job, kit.fonts)) };
  };

  it.each(['colour', 'theatre', 'organise', 'jewellery', 'greyhound'])('%s is right in British English', (word) => {
    expect(british.correct(word)).toBe(true);
  });
  it.each(['color', 'theater', 'organize', 'jewelry', 'gray'])('%s is right in American English', (word) => {
    expect(american.correct(word)).toBe(true);
  });
  it('each refuses the other’s own', () => {
    expect(british.correct('jewelry')).toBe(false);
    expect(american.correct('jewellery')).toBe(false);
  });
  it('leaves out addresses, numbers, codes and other scripts', () => {
    const text = 'Tea at iris@hollinandfen.example, www.hollinandfen.example or 01632 960 118, LH4 2QT, Αθήνα, A4';
    expect(spellableWords(text)).toEqual(['Tea']);
    expect(spellableWords('The gardener’s ‘own’ tea')).toEqual(['The', 'gardener', 'own', 'tea']);
  });
  it('names the word and what was perhaps meant, and changes it', () => {
    const { job, found } = findingsOf('Head gardner, and gardner again');
    expect(found).toHaveLength(1);
    expect(found[0]!.problem).toMatch(/“gardner”.*gardener/);
    expect(found[0]!.fix!.label).toBe('Change to gardener');
    const mended = findElement(found[0]!.fix!.apply(job), 'w')!.element as Words;
    expect(plainText(mended)).toBe('Head gardener, and gardener again');
  });
  it('keeps to the job’s own words, which a finding adds to', () => {
    const { job, found } = findingsOf('Calloway');
    expect(found.map((f) => f.orElse!.label)).toEqual(['Keep Calloway']);
    expect(found[0]!.orElse!.apply(job).spelling.words).toEqual(['Calloway']);
    expect(findingsOf('Calloway', ['Calloway']).found).toEqual([]);
  });
});
