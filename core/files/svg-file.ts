import { encode as encodePng } from 'fast-png';
import type { ColourEngine, Press } from '../colour/engine';
import { type SvgNode, svgDevice } from '../devices/svg';
import { outset } from '../geometry/box';
import type { Job, Piece } from '../job/schema';
import { decodePicture } from '../picture/decode';
import { proofPicture, type SeparatedPicture, separatePicture } from '../picture/separate';
import { drawFace } from '../scene/face';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import type { FontBook } from '../type/font';

export interface SvgKit {
  engine: ColourEngine;
  press: Press;
  fonts: FontBook;
  assets: Readonly<Record<string, Uint8Array>>;
}

/** A separated picture as the press condition shows it: a PNG in sRGB. */
export function proofPng(picture: SeparatedPicture, engine: ColourEngine, press: Press): Uint8Array {
  const { width, height, alpha } = picture;
  const rgb = proofPicture(picture, engine, press);
  if (!alpha) return encodePng({ width, height, data: rgb, channels: 3 });
  const rgba = new Uint8Array(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    rgba.set(rgb.subarray(i * 3, i * 3 + 3), i * 4);
    rgba[i * 4 + 3] = alpha[i]!;
  }
  return encodePng({ width, height, data: rgba, channels: 4 });
}

function base64(bytes: Uint8Array): string {
  let binary = '';
  for (let i = 0; i < bytes.length; i += 0x8000) binary += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(binary);
}

const num = (n: number): string => `${Math.round(n * 10_000) / 10_000}`;

function nodeText(node: SvgNode, index: string, hrefs: ReadonlyMap<string, string>): string {
  if (node.kind === 'path') return `<path d="${node.d}" fill="${node.fill}"/>`;
  if (node.kind === 'line')
    return `<path d="${node.d}" fill="none" stroke="${node.stroke}" stroke-width="${num(node.weight)}"/>`;
  const place = node.place.map(num).join(' ');
  return `<clipPath id="c${index}"><path d="${node.clip}"/></clipPath><g clip-path="url(#c${index})"><image width="1" height="1" transform="matrix(${place})" preserveAspectRatio="none" href="${hrefs.get(node.asset) ?? ''}"/></g>`;
}

/** One face (0 for the first) with its bleed as an SVG file in soft-proof colours, words as outlines; `bleed` in points. */
export function writeSvg(job: Job, piece: Piece, faceNumber: number, bleed: number, kit: SvgKit): string {
  const device = svgDevice({ inks: job.inks, screen: kit.press.screen });
  const sources = sourcesOf(job, kit.fonts);
  const face = printedFaces(piece, sources)[faceNumber];
  if (face) drawFace(face, sources, device);
  const shown = new Set(device.elements.flatMap((e) => e.nodes.flatMap((n) => (n.kind === 'image' ? [n.asset] : []))));
  const hrefs = new Map<string, string>();
  for (const hash of shown) {
    const bytes = kit.assets[hash];
    if (!bytes) continue;
    const png = proofPng(separatePicture(decodePicture(bytes), kit.engine, kit.press), kit.engine, kit.press);
    hrefs.set(hash, `data:image/png;base64,${base64(png)}`);
  }
  const page = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, bleed);
  const body = device.elements
    .map((e, i) => `<g id="${e.id}">${e.nodes.map((n, j) => nodeText(n, `${i}-${j}`, hrefs)).join('')}</g>`)
    .join('\n');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${num(page.width)}pt" height="${num(page.height)}pt" viewBox="${num(page.x)} ${num(page.y)} ${num(page.width)} ${num(page.height)}">
${body}
</svg>
`;
}
