import type { Element } from '@xmldom/xmldom';
import { type Path, transformPath } from '../../geometry/path';
import { runOutline } from '../../scene/run-outline';
import { type Around, inherit, type Reading, type Style } from './reading';
import { lengthOf } from './values';

/** Words that are set as one: from where a place is given to where the next is. */
interface Chunk {
  parts: Path[];
  start: number;
  anchor: string | undefined;
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
    reading.count(text.length);
    const isBold = /bold/.test(style.get('font-weight') ?? '') || Number(style.get('font-weight')) >= 600;
    const typeface = `source-sans-3/${isBold ? 'bold' : 'regular'}`;
    const font = reading.fonts.font(typeface);
    const spacing = ((lengthOf(style.get('letter-spacing'), size, size) ?? 0) * font.upem) / size;
    const glyphs = font.shape({ text }).map((glyph) => ({ ...glyph, advance: glyph.advance + spacing }));
    chunk ??= { parts: [], start: pen.x, anchor: style.get('text-anchor') };
    chunk.parts.push(runOutline({ typeface, font, size, text, glyphs, x: pen.x, baseline: pen.y }));
    pen.x += glyphs.reduce((sum, glyph) => sum + (glyph.advance * size) / font.upem, 0);
    const family = style.get('font-family')?.split(',')[0];
    reading.note(
      `The words “${text.trim().slice(0, 40)}” are outlines in Source Sans 3${family ? ` instead of ${family}` : ''}.`,
    );
  }
  function visit(node: Element, style: Style): void {
    const size = lengthOf(style.get('font-size'), 16) ?? 16;
    place(node, size);
    for (const child of Array.from(node.childNodes)) {
      if (child.nodeType === 1 && (child as Element).localName === 'tspan') {
        const inner = inherit(reading, child as Element, style);
        if (inner.get('display') !== 'none') visit(child as Element, inner);
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
