import { describe, expect, it } from 'vitest';
import { traceDevice } from '../../../core/devices/trace';
import { areaOf } from '../../../core/geometry/offset';
import { parsePath } from '../../../core/geometry/path';
import { setParagraphs } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { paragraphsOf } from '../../../core/job/look';
import { makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { drawFace, elementFrame } from '../../../core/scene/face';
import { drawCropMarks, markOffset, mediaBox } from '../../../core/scene/marks';
import { outlineOf } from '../../../core/scene/outline';
import { seenArea } from '../../../core/scene/seen-area';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsSet } from '../../../core/scene/words';
import { shopOf } from '../../../core/trade/shops';
import { cardWith, kit, makePng, mm, openDemo, withPicture } from '../../kit';

/** Two heads, 4 weights long and 3.5 wide, dashes of 4 points and gaps of 2, which reach half a weight into both heads: by hand. */
function drawnArea(length: number, weight: number): number {
  const line = length - 2 * 3.5 * weight;
  const dashes = Math.floor(line / 6) * 4 + Math.min(4, line % 6);
  return 2 * ((4 * weight * 3.5 * weight) / 2) + dashes * weight - 2 * (0.5 * weight * weight);
}

const trace = (job: Job, face = 0): string[] => {
  const device = traceDevice();
  drawFace(job.pieces[0]!.faces[face]!, sourcesOf(job, kit.fonts), device);
  return device.lines;
};

describe('a face as drawing calls', () => {
  it('draws from the bottom of the stack, in plates', () => {
    const job = cardWith([
      makeShape({ id: 'a', x: 0, y: 0, width: 10, height: 20, paint: { ink: 'copper', tint: 0.4 } }),
      makeRule({ id: 'b', x: 5, y: 5, width: 30, height: 0.5, paint: { ink: 'green', tint: 1 } }),
    ]);
    expect(trace(job)).toEqual([
      'element a',
      'fill M0 0L10 0L10 20L0 20Z {"Copper":0.4}',
      'end element',
      'element b',
      'fill M5 5L35 5L35 5.5L5 5.5Z {"Cyan":0.8,"Magenta":0.2,"Yellow":0.7,"Black":0.3}',
      'end element',
    ]);
  });

  it('names no plate that gets nothing: it would be one more to pay for', () => {
    const shape = makeShape({ id: 'a', x: 0, y: 0, width: 10, height: 20, paint: { ink: 'copper', tint: 0 } });
    expect(trace(cardWith([shape]))[1]).toBe('fill M0 0L10 0L10 20L0 20Z {}');
  });

  it('draws dashes and arrows in every fill, their outline where it is not flat', () => {
    const rule = {
      id: 'a',
      x: 0,
      y: 0,
      width: 60,
      height: 2,
      ends: 'arrows' as const,
      dash: [4, 2] as [number, number],
    };
    const split = {
      kind: 'split' as const,
      through: { x: 0.5, y: 0.5 },
      angle: 90,
      first: { ink: 'green', tint: 1 },
      second: { ink: 'copper', tint: 1 },
    };
    const job = cardWith([makeRule({ ...rule, paint: { ink: 'copper', tint: 1 } })]);
    const drawn = seenArea(job.pieces[0]!.faces[0]!.elements[0]!, sourcesOf(job, kit.fonts));
    const lines = trace(cardWith([makeRule({ ...rule, paint: split })]));
    expect(lines.filter((each) => each.startsWith('fill'))).toHaveLength(2);
    const clip = parsePath(/^clip (.*)$/.exec(lines.find((each) => each.startsWith('clip'))!)![1]!);
    // Heads and dashes lie on one another where they meet, and wind the same way round there.
    expect(areaOf(clip)).toBeCloseTo(areaOf(drawn), 2);
    expect(areaOf(drawn)).toBeCloseTo(drawnArea(60, 2), 0);
  });

  it('clips a picture to its frame and scales both its sides alike', () => {
    const { job, hash } = withPicture(
      cardWith([]),
      makePng(20, 10, () => [1, 2, 3]),
    );
    job.pieces[0]!.faces[0]!.elements.push(makePicture({ id: 'p', x: 0, y: 0, width: 10, height: 10, asset: hash }));
    expect(trace(job)).toEqual([
      'element p',
      'clip M0 0L10 0L10 10L0 10Z',
      `image ${hash} 20 10 [20,0,0,10,-5,0]`,
      'end clip',
      'end element',
    ]);
  });

  it('stretches an outline from its unit square to its frame', () => {
    const shape = makeShape({ id: 's', x: 10, y: 20, width: 30, height: 40, outline: 'M0 0L1 1Z' });
    expect(outlineOf(shape)).toEqual([['M', 10, 20], ['L', 40, 60], ['Z']]);
  });

  it('shows words as glyph runs, a run a line', () => {
    const lines = trace(cardWith([makeWords({ id: 'w', text: 'One\n\nTwo', x: 0, y: 0 })]));
    expect(lines.filter((line) => line.startsWith('glyphs')).length).toBe(2);
  });

  it('sets words again only when they change', () => {
    const job = cardWith([
      makeWords({ id: 'w', text: 'One', x: 0, y: 0 }),
      makeWords({ id: 'v', text: 'Two', x: 0, y: 30 }),
    ]);
    const words = (j: Job, id: string) => findElement(j, id)!.element as Parameters<typeof wordsSet>[0];
    const before = [
      wordsSet(words(job, 'w'), sourcesOf(job, kit.fonts)),
      wordsSet(words(job, 'v'), sourcesOf(job, kit.fonts)),
    ];
    const changed = setParagraphs(job, 'w', paragraphsOf('Other'));
    expect(wordsSet(words(changed, 'w'), sourcesOf(changed, kit.fonts))).not.toBe(before[0]);
    expect(wordsSet(words(changed, 'v'), sourcesOf(changed, kit.fonts))).toBe(before[1]);
  });

  it('is the same for the same demo face every time', () => {
    expect(trace(openDemo().job)).toEqual(trace(openDemo().job));
    expect(trace(openDemo().job, 1).some((line) => line.startsWith('image'))).toBe(true);
  });

  it('frames centred words about their anchor', () => {
    const words = makeWords({ id: 'w', text: 'Middle', x: 100, y: 10, setting: { align: 'centre' } });
    const frame = elementFrame(words, { styles: [], fonts: kit.fonts });
    expect(frame.x + frame.width / 2).toBeCloseTo(100, 9);
  });
});

describe('crop marks', () => {
  const { marks } = shopOf('metric-offset');
  const trim = { x: 0, y: 0, width: mm(85), height: mm(55) };
  it('are eight strokes on every plate, none inside the bleed', () => {
    for (const bleed of [0, mm(3), mm(9)]) {
      const device = traceDevice();
      drawCropMarks(trim, bleed, marks, device);
      expect(device.lines.length).toBe(8);
      expect(markOffset(marks, bleed)).toBeGreaterThanOrEqual(bleed);
      for (const line of device.lines) {
        expect(line).toContain('{"All":1}');
        const [x0, y0, x1, y1] = /M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)/.exec(line)!.slice(1).map(Number) as [
          number,
          number,
          number,
          number,
        ];
        const inside = (x: number, y: number) =>
          x > -bleed + 0.001 && x < trim.width + bleed - 0.001 && y > -bleed + 0.001 && y < trim.height + bleed - 0.001;
        for (let t = 0; t <= 1; t += 0.05) expect(inside(x0 + t * (x1 - x0), y0 + t * (y1 - y0))).toBe(false);
      }
    }
  });
  it('have a sheet that holds them', () => {
    const media = mediaBox(trim, mm(3), marks);
    expect(-media.x).toBeGreaterThan(marks.offset + marks.length);
    expect(mediaBox(trim, mm(3), undefined)).toEqual({
      x: -mm(3),
      y: -mm(3),
      width: trim.width + 2 * mm(3),
      height: trim.height + 2 * mm(3),
    });
  });
});
