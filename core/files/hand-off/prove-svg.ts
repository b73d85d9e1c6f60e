import type { Element } from '@xmldom/xmldom';
import type { SvgNode } from '../../devices/svg';
import type { GlyphRun } from '../../scene/device';
import type { SvgDrawing } from '../svg-file';
import { readXml } from '../xml';
import type { Row } from './comparison';
import type { ReadPng } from './prove-images';
import { refuseDiffering, unreadable } from './read-back-error';

/** One thing that a drawing shows: a path by its data, words by their letters, a picture by its size. */
interface Shown {
  kind: 'path' | 'text' | 'image';
  says: string;
}

/** What stands aside to be referred to is not shown where it stands. */
const ASIDE = ['clipPath', 'mask', 'linearGradient', 'radialGradient', 'style', 'defs'];

function readIn(element: Element, readPng: ReadPng): Shown[] {
  return [...element.childNodes].flatMap((node): Shown[] => {
    if (node.nodeType !== 1) return [];
    const child = node as Element;
    if (ASIDE.includes(child.tagName)) return [];
    if (child.tagName === 'g') return readIn(child, readPng);
    if (child.tagName === 'text') return [{ kind: 'text', says: child.textContent ?? '' }];
    if (child.tagName !== 'image') return [{ kind: 'path', says: child.getAttribute('d') ?? '' }];
    const packed = /^data:image\/png;base64,(.*)$/.exec(child.getAttribute('href') ?? '')?.[1];
    if (packed === undefined) return [{ kind: 'image', says: 'missing' }];
    const { width, height } = readPng(Uint8Array.from(atob(packed), (c) => c.charCodeAt(0)));
    return [{ kind: 'image', says: `${width} × ${height}` }];
  });
}

/** Whether all of `part` is in `whole`, in the same order. */
function isWithin(part: readonly string[], whole: readonly string[]): boolean {
  let at = 0;
  for (const each of whole) if (at < part.length && part[at] === each) at++;
  return at === part.length;
}

/** Takes what a run became off the front of what was read: its letters, and outlines where no character stands for a glyph. */
function takeRun({ text, glyphs }: GlyphRun, read: Shown[]): boolean {
  const wanted = glyphs.map(({ cluster }) => text[cluster] ?? '');
  const letters = read[0]?.kind === 'text' ? [...read.shift()!.says] : [];
  if (letters.length < wanted.length && read[0]?.kind === 'path') read.shift();
  else if (letters.length !== wanted.length) return false;
  return isWithin(letters, wanted);
}

/** Takes what is asked off the front of what was read, as long as it is that. */
function take(nodes: readonly SvgNode[], read: Shown[], sizes: SvgDrawing['sizes']): boolean {
  return nodes.every((node) => {
    if (node.kind === 'together') return take(node.nodes, read, sizes);
    if (node.kind === 'text') return takeRun(node.run, read);
    const found = read.shift();
    if (node.kind === 'path' || node.kind === 'line') return found?.kind === 'path' && found.says === node.d;
    const size = node.kind === 'tone' ? `${node.tone.width} × ${node.tone.height}` : sizes.get(node.image);
    return found?.kind === 'image' && found.says === size;
  });
}

function rowsOf({ text, elements, sizes, viewBox }: SvgDrawing, readPng: ReadPng): Row[] {
  const root = readXml(text)?.documentElement;
  if (root?.tagName !== 'svg') return [{ what: 'The file', asked: 'a drawing', read: 'no sound XML', right: false }];
  const groups = [...root.childNodes].filter(
    (node): node is Element => node.nodeType === 1 && (node as Element).tagName === 'g',
  );
  const [ids, found] = [elements.map(({ id }) => id), groups.map((group) => group.getAttribute('id'))];
  const shown = root.getAttribute('viewBox') ?? 'none';
  return [
    { what: 'Size', asked: viewBox, read: shown, right: shown === viewBox },
    { what: 'Elements', asked: `${ids.length}`, read: `${found.length}`, right: ids.join() === found.join() },
    ...elements.flatMap(({ id, nodes }, i): Row[] => {
      const group = groups[i];
      if (!group) return [];
      const read = readIn(group, readPng);
      const right = take(nodes, read, sizes) && read.length === 0;
      return [{ what: id, asked: 'its paths, words and pictures', read: right ? 'the same' : 'others', right }];
    }),
  ];
}

/** Reads a drawing again by other readers than wrote it, and gives its text. Throws ReadBackError where it is not what was asked. */
export function provenSvg(name: string, drawing: SvgDrawing, readPng: ReadPng): string {
  let rows: Row[];
  try {
    rows = rowsOf(drawing, readPng);
  } catch {
    rows = unreadable('The file', 'a drawing', 'one that cannot be read');
  }
  refuseDiffering(name, rows);
  return drawing.text;
}
