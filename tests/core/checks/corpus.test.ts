import { describe, expect, it } from 'vitest';
import { CHECKS } from '../../../core/checks';
import type { Finding } from '../../../core/checks/check';
import { checkPiece } from '../../../core/checks/check-piece';
import { measuredAndWanted } from '../../../core/checks/measure-words';
import { TAGS, tagWords } from '../../../core/checks/tag-words';
import { traceDevice } from '../../../core/devices/trace';
import { readJob } from '../../../core/files/read-job';
import type { Job } from '../../../core/job/schema';
import { drawElement } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { checkKit, kit } from '../../kit';
import { EDGES } from './corpus/edges';
import { FINISHING } from './corpus/finishing';
import { INKS } from './corpus/inks';
import { KINDS } from './corpus/kinds';
import { PICTURES } from './corpus/pictures';
import { WORDS } from './corpus/words';

/** Small jobs with one fault each, and the same jobs without it. */
const CORPUS = [...EDGES, ...PICTURES, ...WORDS, ...INKS, ...KINDS, ...FINISHING];

/** Faults that only a person can mend; all others are mended by a press of a button. */
// biome-ignore format: a list of words
const BY_HAND = new Set([
  'frame-near-trim', 'size-not-offered', 'corner-cut', 'empty-face', 'low-ppi', 'heavy-picture',
  'line-art-ppi', 'upscaled-picture', 'stretched-picture', 'rgb-picture', 'jpeg-quality', 'small-type',
  'missing-glyph', 'placeholder-words', 'long-lines', 'empty-detail', 'code-small', 'out-of-gamut',
  'shop-plates', 'transparent-picture', 'hidden-left', 'sample-left', 'covered', 'keep-clear',
  'placed-colours', 'placed-detail', 'post-size', 'across-fold', 'unprintable-margin', 'logo-small', 'logo-crowded', 'logo-altered',
  'die-cuts', 'die-bleed', 'die-form', 'tool-through', 'finish-close', 'finish-edge',
  'varnish-register', 'glue-covered', 'white-under', 'logo-versions', 'near-piece-sizes', 'dense-fold', 'solid-by-fold', 'fold-score', 'laser-letterhead',
]);
const ALSO_BY_HAND = new Set([
  'a turned background with bare paper at two corners',
  'a background whose own corners are round',
  'a soft shadow for a shop without transparency',
  'a word in its quiet zone',
]);

const found = (job: Job): Finding[] => checkPiece(job, job.pieces[0]!, checkKit);
const told = (findings: readonly Finding[]): string[] => findings.map(({ check, problem }) => `${check}: ${problem}`);

/** What every element of the card draws, by its id. */
function traces(job: Job): Map<string, string> {
  const sources = sourcesOf(job, kit.fonts);
  return new Map(
    job.pieces[0]!.faces.flatMap(({ elements }) =>
      elements.map((element): [string, string] => {
        const device = traceDevice();
        drawElement(element, sources, device);
        return [element.id, device.lines.join('\n')];
      }),
    ),
  );
}

describe.each(CORPUS)('$check: $says', ({ check, says, faulty, twin }) => {
  it('is found, alone', () => {
    const findings = found(faulty);
    expect(
      findings.some((each) => each.check === check),
      told(findings).join('; '),
    ).toBe(true);
    expect(told(findings.filter((each) => each.check !== check))).toEqual([]);
  });
  it.each(['mm', 'in'] as const)('is told in words and numbers that make sense in %s', (unit) => {
    for (const finding of found(faulty)) {
      const { measured, wanted } = finding;
      const numbers = measuredAndWanted(finding, unit) ?? '';
      const tag = tagWords(finding, unit);
      expect(`${numbers}; ${tag}`).not.toMatch(/\b(needs|at most|of|max) 0(?![.\d])|-\d|NaN|undefined/);
      // A limit from above is never called a need, nor one from below a maximum.
      if (/, needs /.test(numbers)) expect(measured.value).toBeLessThanOrEqual(wanted.value);
      if (/, at most /.test(numbers)) expect(measured.value).toBeGreaterThan(wanted.value);
      expect(tag.startsWith(TAGS[check]!), tag).toBe(true);
      expect(tag.length).toBeLessThanOrEqual(48);
    }
  });
  it('is not found in its twin', () => {
    expect(told(found(twin))).toEqual([]);
    expect(() => readJob(JSON.parse(JSON.stringify(twin)))).not.toThrow();
  });
  it('is mended by its fix, where it has one, and nothing else changes', () => {
    const findings = found(faulty).filter((each) => each.fix);
    const isByHand = BY_HAND.has(check) || ALSO_BY_HAND.has(says);
    expect(findings.some((each) => each.check === check)).toBe(!isByHand);
    if (findings.length === 0) return;
    const after = findings.reduce((job, { fix }) => fix!.apply(job), faulty);
    expect(told(found(after).filter((each) => each.check === check))).toEqual([]);
    const touched = new Set(findings.map(({ element }) => element));
    const [before, now] = [traces(faulty), traces(after)];
    for (const [id, lines] of before) if (!touched.has(id)) expect(now.get(id), id).toBe(lines);
  });
});

describe('the corpus', () => {
  it('has 200 faults, each with its twin, of most checks there are', () => {
    expect(CORPUS.length).toBeGreaterThanOrEqual(200);
    const covered = new Set(CORPUS.map(({ check }) => check));
    const missing = CHECKS.map(({ id }) => id).filter((id) => !covered.has(id));
    // Tried beside their own tests, which need fonts, windows, faces and lines of their own.
    expect(missing.sort()).toEqual(
      [
        'back-turn',
        'behind-window',
        'missing-picture',
        'missing-typeface',
        'not-embeddable',
        'past-line',
        'size-mixture',
        'typeface-mixture',
      ].sort(),
    );
  });
});
