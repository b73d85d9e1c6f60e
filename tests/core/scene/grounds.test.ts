import { describe, expect, it } from 'vitest';
import { hexOf } from '../../../core/colour/engine';
import { processStandIn } from '../../../core/colour/ink';
import { platesDevice } from '../../../core/devices/plates/device';
import { platesAtPoint } from '../../../core/devices/plates/readings';
import { svgDevice } from '../../../core/devices/svg';
import { addInk } from '../../../core/job/edits/inks';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Element } from '../../../core/job/schema';
import { drawFace } from '../../../core/scene/face';
import { groundsOf } from '../../../core/scene/grounds';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, checkKit, kit } from '../../kit';

const panel = (id: string, ink: string, tint: number, more: Partial<Element> = {}): Element =>
  ({ ...makeShape({ id, x: 0, y: 0, width: 100, height: 60, paint: { ink, tint } }), ...more }) as Element;
const patch = (ink: string, tint: number): Element =>
  ({
    ...makeShape({ id: 'patch', x: 20, y: 20, width: 20, height: 20, paint: { ink, tint } }),
    overprint: 'overprints',
  }) as Element;
const plain = () => addInk(cardWith([]), { id: 'grey', name: 'grey', kind: 'process', cmyk: [0.2, 0, 0, 0.4] });

/** What the stage shows an element in, and what the plates hold at its middle, as one colour each. */
function both(elements: Element[]) {
  const sources = sourcesOf(plain(), kit.fonts);
  const face = { id: 'f', name: 'Front', elements };
  const svg = svgDevice({ inks: sources.inks, screen: checkKit.press.screen, grounds: groundsOf(face, sources) });
  drawFace(face, sources, svg);
  const plates = platesDevice({ box: { x: 0, y: 0, width: 100, height: 60 }, ppi: 72, picture: () => undefined });
  drawFace(face, sources, plates);
  const held = platesAtPoint(plates.grid(), { x: 30, y: 30 });
  return {
    node: svg.elements.at(-1)!.nodes[0]!,
    onPlates: hexOf(checkKit.press.screen(processStandIn(held!, sources.inks))),
  };
}

describe('what overprints on an even ground', () => {
  it.each([
    ['black on green', 'green', 1, 'black', 1],
    ['a tint of black on more black: the plate takes the new amount', 'black', 0.6, 'black', 0.4],
    ['a spot on green', 'green', 1, 'copper', 0.5],
    ['a grey of cyan and black on black', 'black', 1, 'grey', 1],
    ['black on a tint of a spot', 'copper', 0.3, 'black', 1],
  ])('%s: the stage shows what the plates hold', (_, ground, groundTint, ink, tint) => {
    const { node, onPlates } = both([panel('ground', ground, groundTint), patch(ink, tint)]);
    expect(node).toMatchObject({ kind: 'path', fill: onPlates });
  });
  it('is blended where the ground is not even', () => {
    const half = panel('half', 'copper', 1, { width: 30 });
    expect(both([panel('ground', 'green', 1), half, patch('black', 1)]).node).toMatchObject({ overprint: true });
    const seenThrough = panel('ground', 'green', 1, { opacity: 0.5 });
    expect(both([seenThrough, patch('black', 1)]).node).toMatchObject({ overprint: true });
  });
  it('takes small black words on a panel for granted, and bare paper for nothing', () => {
    const sources = sourcesOf(plain(), kit.fonts);
    const words = makeWords({ id: 'w', text: 'Hello', x: 5, y: 5 });
    const at = (elements: Element[]) => groundsOf({ elements }, sources).get('w');
    expect(at([panel('ground', 'green', 1), words])).toMatchObject({ Black: expect.any(Number) });
    expect(at([words])).toEqual({});
    expect(at([panel('ground', 'green', 1, { hidden: true }), words])).toEqual({});
  });
});
