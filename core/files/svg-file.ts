import { encode as encodePng } from 'fast-png';
import type { ColourEngine, Press } from '../colour/engine';
import type { Ink } from '../colour/ink';
import { penAttributes, type SvgElement, type SvgNode, type SvgPaint, type SvgShade, svgDevice } from '../devices/svg';
import { pngUrl, tonePng } from '../devices/tone-png';
import { type Box, outset } from '../geometry/box';
import type { Matrix } from '../geometry/matrix';
import type { Job, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import { woven } from '../picture/keep';
import { proofPicture, type SeparatedPicture } from '../picture/separate';
import { drawFace } from '../scene/face';
import { groundsOf } from '../scene/grounds';
import { imagesIn } from '../scene/images';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import type { FontBook } from '../type/font';
import type { FontCutter } from '../type/subset';
import { refuseMissing } from './refuse-missing';
import { separatedFile } from './separated';
import { fontFaces, type SvgFonts, staysText, wordsText } from './svg-words';

/** How words stand in an SVG file: as the outlines of their letters, or as text with what it needs of its fonts. */
export type SvgWords = 'outlines' | 'text';

export interface SvgKit {
  engine: ColourEngine;
  press: Press;
  fonts: FontBook;
  assets: Readonly<Record<string, Uint8Array>>;
  /** Cuts down the fonts of words that stay text. */
  cutter: FontCutter;
}

/** A separated picture as the press condition shows it: a PNG in sRGB. */
export function proofPng(
  picture: SeparatedPicture,
  engine: ColourEngine,
  press: Press,
  inks: readonly Ink[],
): Uint8Array {
  const { width, height, alpha } = picture;
  const rgb = proofPicture(picture, engine, press, inks);
  if (!alpha) return encodePng({ width, height, data: rgb, channels: 3 });
  return encodePng({ width, height, data: woven(rgb, alpha), channels: 4 });
}

const num = (n: number): string => `${Math.round(n * 10_000) / 10_000}`;

/** What nodes refer to: pictures by key, and the fonts of words that stay words. */
interface Referred {
  hrefs: ReadonlyMap<string, string>;
  fonts: SvgFonts;
}

/** Writes nodes as SVG text. Gradients, clips and masks are named from `prefix` on, and stand before what uses them. */
function nodesText(nodes: readonly SvgNode[], prefix: string, referred: Referred): string {
  return nodes.map((node, i) => nodeText(node, `${prefix}-${i}`, referred)).join('');
}

const matrixText = (matrix: Matrix): string => `matrix(${matrix.map(num).join(' ')})`;

function shadeText({ kind, matrix, focus, stops }: SvgShade, id: string): string {
  const from = focus ? ` fx="${num(focus.x)}" fy="${num(focus.y)}"` : '';
  const axis = kind === 'linear' ? 'x1="0" y1="0" x2="1" y2="0"' : `cx="0" cy="0" r="1"${from}`;
  const inner = stops
    .map(
      ({ at, colour, opacity }) =>
        `<stop offset="${num(at)}" stop-color="${colour}"${opacity === undefined ? '' : ` stop-opacity="${num(opacity)}"`}/>`,
    )
    .join('');
  // A matrix that brings a small space to points keeps more than four places.
  const transform = `matrix(${matrix.map((n) => Number(n.toPrecision(9))).join(' ')})`;
  return `<${kind}Gradient id="${id}" gradientUnits="userSpaceOnUse" ${axis} gradientTransform="${transform}">${inner}</${kind}Gradient>`;
}

function painted(paint: SvgPaint, id: string): { before: string; value: string } {
  return typeof paint === 'string'
    ? { before: '', value: paint }
    : { before: shadeText(paint, id), value: `url(#${id})` };
}

const imageText = (href: string, place: Matrix): string =>
  `<image width="1" height="1" transform="${matrixText(place)}" preserveAspectRatio="none" href="${href}"/>`;

function nodeText(node: SvgNode, name: string, referred: Referred): string {
  if (node.kind === 'path') {
    const { before, value } = painted(node.fill, `p${name}`);
    return `${before}<path d="${node.d}" fill="${value}"/>`;
  }
  if (node.kind === 'line') {
    const { before, value } = painted(node.stroke, `p${name}`);
    const pen = Object.entries(penAttributes(node.pen)).map(([key, text]) => `${key}="${text}"`);
    return `${before}<path d="${node.d}" fill="none" stroke="${value}" ${pen.join(' ')}/>`;
  }
  if (node.kind === 'text') {
    const { before, value } = painted(node.fill, `p${name}`);
    return before + wordsText(node.run, value, referred.fonts);
  }
  if (node.kind === 'image') return imageText(referred.hrefs.get(node.image) ?? '', node.place);
  if (node.kind === 'tone') return imageText(tonePng(node.tone, node.colour), node.place);
  const clip = node.clip === undefined ? '' : `<clipPath id="c${name}"><path d="${node.clip}"/></clipPath>`;
  const fade = node.fade
    ? `${shadeText(node.fade, `f${name}`)}<mask id="m${name}" maskUnits="userSpaceOnUse" x="-30000" y="-30000" width="60000" height="60000"><rect x="-30000" y="-30000" width="60000" height="60000" fill="url(#f${name})"/></mask>`
    : '';
  const attributes = [
    clip ? ` clip-path="url(#c${name})"` : '',
    fade ? ` mask="url(#m${name})"` : '',
    node.opacity === undefined ? '' : ` opacity="${num(node.opacity)}"`,
    // A screen has no plates: inks that lie over one another darken as filters do.
    node.overprint ? ' style="mix-blend-mode:multiply"' : '',
  ];
  return `${clip}${fade}<g${attributes.join('')}>${nodesText(node.nodes, name, referred)}</g>`;
}

const viewBoxOf = ({ x, y, width, height }: Box): string => [x, y, width, height].map(num).join(' ');

/** What has been drawn as the text of an SVG file that shows `page` of it, points; with a cutter for the fonts of its words. */
export function svgText(
  elements: readonly SvgElement[],
  page: Box,
  hrefs: ReadonlyMap<string, string>,
  cutter?: FontCutter,
): string {
  const fonts: SvgFonts = new Map();
  const body = elements.map((e, i) => `<g id="${e.id}">${nodesText(e.nodes, `${i}`, { hrefs, fonts })}</g>`).join('\n');
  const faces = cutter ? fontFaces(fonts, cutter) : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${num(page.width)}pt" height="${num(page.height)}pt" viewBox="${viewBoxOf(page)}">
${faces}${body}
</svg>
`;
}

/** A drawing as the text of its file, and what it was made of. */
export interface SvgDrawing {
  text: string;
  elements: readonly SvgElement[];
  /** How many pixels each picture has, by its key. */
  sizes: ReadonlyMap<string, string>;
  viewBox: string;
}

/** One face (0 for the first) with its bleed as an SVG file in soft-proof colours; `bleed` in points. */
export function writeSvg(
  job: Job,
  piece: Piece,
  faceNumber: number,
  bleed: number,
  kit: SvgKit,
  words: SvgWords = 'outlines',
): SvgDrawing {
  const sources = sourcesOf(job, kit.fonts);
  const face = printedFaces(piece, sources)[faceNumber];
  const grounds = face && groundsOf(face, sources);
  const device = svgDevice({
    inks: job.inks,
    screen: kit.press.screen,
    ...(grounds ? { grounds } : {}),
    ...(words === 'text' ? { asText: staysText } : {}),
  });
  if (face) drawFace(face, sources, device);
  refuseMissing(job, face ? [face] : [], ({ asset }) => kit.assets[asset] !== undefined);
  const hrefs = new Map<string, string>();
  const sizes = new Map<string, string>();
  for (const [key, image] of imagesIn(face ? [face] : [], sources)) {
    const picture = separatedFile(kit.assets[image.asset]!, image, kit.engine, kit.press);
    hrefs.set(key, pngUrl(proofPng(picture, kit.engine, kit.press, job.inks)));
    sizes.set(key, `${picture.width} × ${picture.height}`);
  }
  const { width, height } = face ? asFace(piece, face) : piece;
  const page = outset({ x: 0, y: 0, width, height }, bleed);
  const text = svgText(device.elements, page, hrefs, kit.cutter);
  return { text, elements: device.elements, sizes, viewBox: viewBoxOf(page) };
}
