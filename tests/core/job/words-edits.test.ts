import { describe, expect, it } from 'vitest';
import { readJob } from '../../../core/files/read-job';
import { setPaint } from '../../../core/job/edits/elements';
import {
  changeStyle,
  copyLook,
  keepStyle,
  scaleWords,
  setLettering,
  setParagraphs,
  setSetting,
  setStyle,
  tidySpans,
} from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { letteringsOf, lookOf, plainText, typefacesIn } from '../../../core/job/look';
import { makeWords } from '../../../core/job/make';
import { JOB_VERSION, type Job, type Words } from '../../../core/job/schema';
import { fittingScale } from '../../../core/scene/fit-words';
import { wordsSet } from '../../../core/scene/words';
import { cardWith, kit } from '../../kit';

const start = (): Job =>
  cardWith([
    makeWords({ id: 'a', text: 'Two words\nand more', x: 0, y: 0, lettering: { size: 10 } }),
    makeWords({ id: 'b', text: 'Another', x: 0, y: 50 }),
  ]);
const words = (job: Job, id = 'a'): Words => findElement(job, id)!.element as Words;
const look = (job: Job, id = 'a') => lookOf(words(job, id), job.styles);
const mixed = (): Job =>
  setParagraphs(start(), 'a', [
    {
      spans: [
        { text: 'Two ', size: 20 },
        { text: 'words', paint: { ink: 'green', tint: 1 } },
      ],
    },
  ]);

describe('words', () => {
  it('join spans of one look and drop empty ones', () => {
    expect(
      tidySpans([{ text: 'a' }, { text: '' }, { text: 'b' }, { text: 'c', size: 9 }, { text: 'd', size: 9 }]),
    ).toEqual([{ text: 'ab' }, { text: 'cd', size: 9 }]);
  });
  it('change as a whole: spans that differed follow, and join again', () => {
    const job = setPaint(setLettering(mixed(), 'a', { size: 12 }), 'a', { ink: 'copper', tint: 1 });
    expect(words(job).paragraphs).toEqual([{ spans: [{ text: 'Two words' }] }]);
    expect(letteringsOf(words(job), []).map((l) => [l.size, l.paint.ink])).toEqual([[12, 'copper']]);
  });
  it('set paragraphs that differed follow too', () => {
    const job = setParagraphs(start(), 'a', [{ spans: [{ text: 'x' }], align: 'right' }]);
    expect(words(setSetting(job, 'a', { align: 'centre' })).paragraphs[0]).toEqual({ spans: [{ text: 'x' }] });
  });
  it('scale alike: sizes, leading, spaces, and the frame if asked', () => {
    const base = setSetting(mixed(), 'a', { leading: { points: 14 }, before: 3, tabs: [{ at: 40, align: 'right' }] });
    const job = scaleWords(base, 'a', 2);
    expect(words(job).paragraphs[0]!.spans[0]!.size).toBe(40);
    expect(look(job)).toMatchObject({
      lettering: { size: 20 },
      setting: { leading: { points: 28 }, before: 6, tabs: [{ at: 80, align: 'right' }] },
    });
    expect(words(scaleWords(base, 'a', 2, false)).frame).toEqual(words(base).frame);
  });
  it('name their typefaces', () => {
    const job = setParagraphs(start(), 'a', [{ spans: [{ text: 'x', typeface: 'lora/bold' }] }]);
    expect([...typefacesIn(job)].sort()).toEqual(['lora/bold', 'source-sans-3/regular']);
  });
  it('can be made small enough for their box, and no smaller', () => {
    const sources = { styles: [], fonts: kit.fonts };
    const boxed = makeWords({
      id: 'c',
      text: 'Some words that go on for a while and a while more',
      x: 0,
      y: 0,
      lettering: { size: 12 },
      frame: { behaviour: 'fixed box', width: 100, height: 40 },
    });
    expect(wordsSet(boxed, sources).hidden.length).toBeGreaterThan(0);
    const scale = fittingScale(boxed, sources);
    const job = cardWith([boxed]);
    expect(wordsSet(words(scaleWords(job, 'c', scale, false), 'c'), sources).hidden).toEqual([]);
    expect(wordsSet(words(scaleWords(job, 'c', scale + 0.002, false), 'c'), sources).hidden.length).toBeGreaterThan(0);
  });
});

describe('named styles', () => {
  const styled = (): Job =>
    setStyle(keepStyle(setLettering(start(), 'a', { size: 7.5 }), 'a', 'contact line', 'contact'), 'b', 'contact');
  it('are kept from words and given to others', () => {
    const job = styled();
    expect(words(job)).toMatchObject({ style: 'contact', lettering: {}, setting: {} });
    expect(look(job, 'b')).toEqual(look(job));
  });
  it('change once for all the words in them', () => {
    const job = changeStyle(styled(), 'contact', { lettering: { size: 8 } });
    expect([look(job).lettering.size, look(job, 'b').lettering.size]).toEqual([8, 8]);
  });
  it('leave the words as they look when they are taken off', () => {
    const before = look(styled());
    const job = setStyle(styled(), 'a', undefined);
    expect(words(job).style).toBeUndefined();
    expect(look(job)).toEqual(before);
  });
  it('go with a look that is copied', () => {
    const job = copyLook(setLettering(styled(), 'a', { tracking: 20 }), 'a', 'b');
    expect(words(job, 'b')).toMatchObject({ style: 'contact', lettering: { tracking: 20 } });
  });
});

describe('a job of file version 1', () => {
  const old = {
    format: 'tidyedge',
    version: 1,
    id: 'old',
    name: 'Old',
    changed: '2026-01-01T00:00:00Z',
    inks: [{ id: 'black', name: 'Black', kind: 'process', cmyk: [0, 0, 0, 1] }],
    assets: {},
    pieces: [
      {
        id: 'p',
        name: 'P',
        kind: 'card',
        width: 240,
        height: 150,
        unit: 'mm',
        shop: 'metric-offset',
        faces: [
          {
            id: 'f',
            name: 'Front',
            elements: [
              {
                kind: 'words',
                id: 'w',
                text: 'One\n\nTwo',
                x: 20,
                y: 20,
                typeface: 'alegreya/bold',
                size: 11,
                leading: 1.3,
                align: 'centre',
                width: null,
                paint: { ink: 'black', tint: 0.5 },
              },
              {
                kind: 'words',
                id: 'v',
                text: 'Wide',
                x: 20,
                y: 60,
                typeface: 'alegreya/bold',
                size: 11,
                leading: 1.2,
                align: 'left',
                width: 90,
                paint: { ink: 'black', tint: 1 },
              },
            ],
          },
        ],
      },
    ],
  };
  it('opens with its words as they were', () => {
    const job = readJob(structuredClone(old));
    expect(job.version).toBe(JOB_VERSION);
    expect(plainText(words(job, 'w'))).toBe('One\n\nTwo');
    expect(look(job, 'w')).toMatchObject({
      lettering: { typeface: 'alegreya/bold', size: 11, paint: { ink: 'black', tint: 0.5 } },
      setting: { align: 'centre', leading: { share: 1.3 } },
    });
    expect(words(job, 'w').frame.behaviour).toBe('grows');
    expect(words(job, 'v').frame).toMatchObject({ behaviour: 'fixed width', width: 90 });
  });
  it('is still refused where it is broken', () => {
    expect(() => readJob({ ...structuredClone(old), inks: [] })).toThrow(/broken/);
    expect(() => readJob({ ...structuredClone(old), pieces: 'none' })).not.toThrow(TypeError);
  });
});
