import { describe, expect, it } from 'vitest';
import { boundsDevice, inkBounds } from '../../../core/devices/bounds';
import { pdfDevice } from '../../../core/devices/pdf/device';
import { pdfNumber } from '../../../core/devices/pdf/numbers';
import { noUses } from '../../../core/devices/pdf/uses';
import { svgDevice } from '../../../core/devices/svg';
import { boxPath } from '../../../core/geometry/path';
import { makePicture, makeShape, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import { drawElement } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit, makePng, withPicture } from '../../kit';

const press = kit.press('general-coated');
const sources = (job = cardWith([])) => sourcesOf(job, kit.fonts);

describe('the bounds device', () => {
  it('measures the ink of words, not their frame', () => {
    const words = makeWords({ id: 'w', text: 'x', x: 0, y: 0, lettering: { size: 100 } });
    const ink = inkBounds(words, sources())!;
    const font = kit.fonts.font('source-sans-3/regular');
    const glyph = font.ink(font.shape({ text: 'x' })[0]!.id)!;
    expect(ink.height).toBeCloseTo((glyph.height * 100) / font.upem, 9);
    expect(ink.y).toBeCloseTo(((font.ascent - glyph.y - glyph.height) * 100) / font.upem, 6);
  });
  it('finds nothing for spaces', () => {
    expect(inkBounds(makeWords({ id: 'w', text: '   ', x: 0, y: 0 }), sources())).toBeUndefined();
  });
  it('counts only what a clip lets through, and half a stroke either side', () => {
    const device = boundsDevice();
    device.beginClip(boxPath({ x: 0, y: 0, width: 10, height: 10 }));
    device.fillPath(boxPath({ x: -5, y: 2, width: 8, height: 50 }), {});
    device.endClip();
    expect(device.bounds()).toEqual({ x: 0, y: 2, width: 3, height: 8 });
    const strokes = boundsDevice();
    strokes.strokePath(
      [
        ['M', 0, 0],
        ['L', 10, 0],
      ],
      { weight: 2 },
      {},
    );
    // Butt cap reach no further than the line.
    expect(strokes.bounds()).toEqual({ x: 0, y: -1, width: 10, height: 2 });
  });
});

describe('the svg device', () => {
  const draw = (element: Element, job = cardWith([])) => {
    const device = svgDevice({ inks: job.inks, screen: press.screen });
    drawElement(element, sources(job), device);
    return device.elements;
  };
  it('makes one path an element, however many lines of words', () => {
    const [drawn] = draw(makeWords({ id: 'w', text: 'Two\nlines', x: 0, y: 0 }));
    expect(drawn!.nodes.length).toBe(1);
    expect(drawn!.id).toBe('w');
  });
  it('shows inks as the press does', () => {
    const [node] = draw(makeShape({ id: 's', x: 0, y: 0, width: 1, height: 1, paint: { ink: 'paper', tint: 1 } }))[0]!
      .nodes;
    expect(node).toMatchObject({ kind: 'path', fill: '#ffffff' });
  });
  it('keeps a picture’s clip with it', () => {
    const { job, hash } = withPicture(
      cardWith([]),
      makePng(20, 10, () => [1, 2, 3]),
    );
    const [node] = draw(makePicture({ id: 'p', x: 1, y: 2, width: 10, height: 10, asset: hash }), job)[0]!.nodes;
    expect(node).toMatchObject({ kind: 'together', clip: 'M1 2L11 2L11 12L1 12Z', nodes: [{ kind: 'image' }] });
  });
});

describe('the pdf device', () => {
  const page = () => {
    const uses = noUses();
    return { uses, device: pdfDevice({ x: -10, y: -10, width: 120, height: 120 }, uses) };
  };
  it('turns the face over once: y grows upwards in the file', () => {
    const { device } = page();
    device.fillPath([['M', 0, 0], ['L', 100, 0], ['Z']], { Cyan: 1 });
    expect(device.content()).toBe('1 0 0 0 k\n10 110 m\n110 110 l\nh\nf\n');
  });
  it('writes process inks as DeviceCMYK, a spot and All as separations', () => {
    const { device, uses } = page();
    device.fillPath([], { Copper: 0.4 });
    device.strokePath([], { weight: 0.25 }, { All: 1 });
    device.fillPath([], { Copper: 1 });
    expect(device.content()).toMatch(/\/S1 cs 0.4 scn[\s\S]*\/S2 CS 1 SCN\n0.25 w[\s\S]*\/S1 cs 1 scn/);
    expect([...uses.plates]).toEqual([
      ['Copper', 'S1'],
      ['All', 'S2'],
    ]);
  });
  it('mixes a spot ink with others in a space of just those plates', () => {
    const { device, uses } = page();
    device.fillPath([], { Copper: 1, Cyan: 0.5 });
    device.fillPath([], { Cyan: 0.2, Copper: 0.3 });
    expect(device.content()).toContain('/N1 cs 0.5 1 scn');
    expect(device.content()).toContain('/N1 cs 0.2 0.3 scn');
    expect([...uses.mixtures.values()]).toHaveLength(1);
  });
  it('says what a glyph stands for once, and uses ActualText where it stands for something else', () => {
    const { device, uses } = page();
    const run = (text: string) => {
      const font = kit.fonts.font('cormorant-garamond/regular');
      return {
        typeface: 'cormorant-garamond/regular',
        font,
        size: 10,
        text,
        glyphs: font.shape({ text }),
        x: 0,
        baseline: 0,
      };
    };
    // é and e with a combining acute are drawn with the same glyph.
    device.showGlyphs(run('aéb'), { Black: 1 });
    expect(device.content()).not.toContain('ActualText');
    device.showGlyphs(run('ae\u0301b'), { Black: 1 });
    expect(device.content()).toContain('/ActualText <FEFF00650301>');
    expect([...uses.fonts.values()][0]!.glyphs.size).toBe(3);
  });
  it.each([
    [0.1 + 0.2, '0.3'],
    [-0.00001, '0'],
    [12, '12'],
    [1 / 3, '0.3333'],
    [100.5, '100.5'],
  ])('writes %d as %s', (n, text) => {
    expect(pdfNumber(n)).toBe(text);
  });
});
