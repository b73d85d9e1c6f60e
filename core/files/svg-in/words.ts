import type { Element } from '@xmldom/xmldom';
import { type Path, transformPath } from '../../geometry/path';
import { beside, placeAlong, walkAsDrawn } from '../../geometry/walk';
import type { GlyphRun } from '../../scene/device';
import { placed, runOutline } from '../../scene/run-outline';
import { outlineOfSvg } from './outlines';
import { type Around, inherit, linked, type Reading, type Style } from './reading';
import { lengthOf, transformOf } from './values';

/** Words that are set as one: from where a place is given to where the next is. */
interface Chunk {
  parts: Path[];
  start: number;
  anchor: string | undefined;
}

/** Words of one look that are set with the pen at `x`. */
function runOf(reading: Reading, text: string, style: Style, size: number, x: number, baseline: number): GlyphRun {
  reading.count(text.length);
  const isBold = /bold/.test(style.get('font-weight') ?? '') || Number(style.get('font-weight')) >= 600;
  const typeface = `source-sans-3/${isBold ? 'bold' : 'regular'}`;
  const font = reading.fonts.font(typeface);
  const spacing = ((lengthOf(style.get('letter-spacing'), size, size) ?? 0) * font.upem) / size;
  const glyphs = font.shape({ text }).map((glyph) => ({ ...glyph, advance: glyph.advance + spacing }));
  const family = style.get('font-family')?.split(',')[0];
  reading.note(
    `The text “${text.trim().slice(0, 40)}” became outlines in Source Sans 3${family ? ` instead of ${family}` : ''}.`,
  );
  return { typeface, font, size, text, glyphs, x, baseline };
}

const widthOf = ({ font, size, glyphs }: GlyphRun): number =>
  glyphs.reduce((sum, { advance }) => sum + (advance * size) / font.upem, 0);

/** The stretches of text in an element, with the style of each. */
function stretchesOf(reading: Reading, node: Element, style: Style): { text: string; style: Style }[] {
  return Array.from(node.childNodes).flatMap((child) => {
    if (child.nodeType === 3) return [{ text: (child.nodeValue ?? '').replace(/\s+/g, ' '), style }];
    if (child.nodeType !== 1 || (child as Element).localName !== 'tspan') return [];
    const inner = inherit(reading, child as Element, style);
    return inner.get('display') === 'none' ? [] : stretchesOf(reading, child as Element, inner);
  });
}

/** Words on a line (SVG 2, 11.8): each letter stands upright on the line at its own middle; one past its ends is not seen. */
function onLine(reading: Reading, element: Element, style: Style, around: Around): Path {
  const target = linked(reading, element);
  const outline = target && outlineOfSvg(target, inherit(reading, target, new Map()), around.viewport);
  if (!target || !outline) return [];
  const line = beside(walkAsDrawn(transformPath(outline, transformOf(reading.own(target).get('transform')))), 0);
  if (line.length === 0) return [];
  const runs: GlyphRun[] = [];
  let pen = lengthOf(element.getAttribute('startOffset') ?? '0', line.length) ?? 0;
  const start = pen;
  for (const each of stretchesOf(reading, element, style)) {
    const size = lengthOf(each.style.get('font-size'), 16) ?? 16;
    const text = runs.length > 0 ? each.text : each.text.trimStart();
    if (text === '') continue;
    const run = runOf(reading, text, each.style, size, pen, 0);
    runs.push(run);
    pen += widthOf(run);
  }
  const shift = ({ middle: -0.5, end: -1 }[style.get('text-anchor') ?? ''] ?? 0) * (pen - start);
  return runs.flatMap((run) => {
    const { font, size, glyphs } = run;
    const scale = size / font.upem;
    return [...placed(run)].flatMap(({ id, x, y }, i): Path => {
      const half = ((glyphs[i]?.advance ?? 0) * scale) / 2;
      const middle = run.x + x + half + shift;
      if (middle < 0 || middle > line.length) return [];
      const at = placeAlong(line, middle);
      const [cos, sin] = [Math.cos(at.angle), Math.sin(at.angle)];
      const upright = transformPath(font.outline(id), [scale, 0, 0, -scale, -half, y]);
      return transformPath(upright, [cos, sin, -sin, cos, at.x, at.y]);
    });
  });
}

/** Words as one outline, in the units of their element. */
export function textPath(reading: Reading, element: Element, outer: Style, around: Around): Path {
  const pen = { x: 0, y: 0 };
  const out: Path[] = [];
  let chunk: Chunk | undefined;

  function finish(): void {
    if (!chunk) return;
    const by = { middle: -0.5, end: -1 }[chunk.anchor ?? ''] ?? 0;
    out.push(transformPath(chunk.parts.flat(), [1, 0, 0, 1, by * (pen.x - chunk.start), 0]));
    chunk = undefined;
  }
  function place(node: Element, size: number): void {
    const { width, height } = around.viewport;
    const given = (name: string, whole: number): number | undefined => {
      const [first] = (node.getAttribute(name) ?? '').trim().split(/[\s,]+/);
      return first ? lengthOf(first, whole, size) : undefined;
    };
    const [x, y] = [given('x', width), given('y', height)];
    if (x !== undefined || y !== undefined) finish();
    pen.x = (x ?? pen.x) + (given('dx', width) ?? 0);
    pen.y = (y ?? pen.y) + (given('dy', height) ?? 0);
  }
  function set(text: string, style: Style, size: number): void {
    const run = runOf(reading, text, style, size, pen.x, pen.y);
    chunk ??= { parts: [], start: pen.x, anchor: style.get('text-anchor') };
    chunk.parts.push(runOutline(run));
    pen.x += widthOf(run);
  }
  function visit(node: Element, style: Style): void {
    const size = lengthOf(style.get('font-size'), 16) ?? 16;
    place(node, size);
    for (const child of Array.from(node.childNodes)) {
      if (child.nodeType === 1 && (child as Element).localName === 'tspan') {
        const inner = inherit(reading, child as Element, style);
        if (inner.get('display') !== 'none') visit(child as Element, inner);
      }
      if (child.nodeType === 1 && (child as Element).localName === 'textPath') {
        finish();
        out.push(onLine(reading, child as Element, inherit(reading, child as Element, style), around));
      }
      if (child.nodeType !== 3) continue;
      const raw = (child.nodeValue ?? '').replace(/\s+/g, ' ');
      const text = chunk || out.length > 0 ? raw : raw.trimStart();
      if (text !== '') set(text, style, size);
    }
  }
  visit(element, outer);
  finish();
  return out.flat();
}
