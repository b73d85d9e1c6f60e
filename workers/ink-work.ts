import type { Finding } from '../core/checks/check';
import { trimOf } from '../core/checks/check';
import { keepPlates } from '../core/checks/kept-plates';
import { platesFound } from '../core/checks/on-plates';
import type { PlateContext } from '../core/checks/plate-check';
import { surfaceOn } from '../core/checks/side-surface';
import { clustersOf } from '../core/colour/clusters';
import type { Cmyk, Lab } from '../core/colour/ink';
import { onStock } from '../core/colour/stock';
import type { Surface } from '../core/devices/light/surface';
import { cellsIn } from '../core/devices/plates/device';
import { coverageOf, highestOf, histogramOf, type WetPlace, wetPlaces } from '../core/devices/plates/readings';
import { type PlateView, processBytes, viewOf } from '../core/devices/plates/view';
import { refuseMissing } from '../core/files/refuse-missing';
import type { Box } from '../core/geometry/box';
import { pieceOf } from '../core/job/find';
import { type InkAsked, layAnew } from './lay';
import { shelfKit } from './shelf-kit';

/** The plates of a piece, laid and read off the page's thread. */

const kept = keepPlates();
let laid: { key: string; faces: Promise<PlateContext[]> } | undefined;

/** The faces of a piece on their plates; the last ones are kept. */
function facesOf(asked: InkAsked): Promise<PlateContext[]> {
  const key = `${asked.job.id} ${asked.job.changed} ${asked.pieceId}`;
  if (laid?.key !== key) laid = { key, faces: layAnew(asked, { kept }) };
  return laid.faces;
}

/** What the plates of a piece say: its most ink, and what is found on them. */
export interface InkReading {
  highest: number;
  limit: number;
  /** Plain data: the page works the fixes out. */
  findings: Finding[];
}

export async function readInks(asked: InkAsked): Promise<InkReading> {
  const faces = await facesOf(asked);
  return {
    highest: Math.max(0, ...faces.map(({ grid, totals, piece }) => highestOf(grid(), totals(), trimOf(piece)).total)),
    limit: faces[0]?.press.condition.totalInk ?? 0,
    findings: faces.flatMap(platesFound),
  };
}

/** What an overprinting element and what is below it look like together. */
export interface Mixture {
  element: string;
  box: Box;
  image: ImageData;
}

/** The mixtures on a piece's faces that a screen cannot blend by itself, and the state of the job that they belong to. */
export async function readMixtures(asked: InkAsked): Promise<{ changed: string; mixtures: Mixture[] }> {
  const faces = await facesOf(asked);
  const { engine } = await shelfKit.load();
  const mixtures = faces.flatMap(({ mixtures: laid, press, sources }) => {
    const toScreen = engine.converter(press.profile, 'sRGB', press.condition, 'quick');
    return [...laid()].flatMap(([element, grid]): Mixture[] => {
      if (grid.width === 0 || grid.height === 0) return [];
      const view = { kind: 'proof' as const, shown: [...grid.plates.keys()] };
      const image = new ImageData(viewOf(grid, view, sources.inks, toScreen), grid.width, grid.height);
      return [{ element, box: grid.box, image }];
    });
  });
  return { changed: asked.job.changed, mixtures };
}

/** The finished sides of a piece as surfaces for light, at so many cells an inch. */
export async function readSurfaces(
  asked: InkAsked & { ppi: number },
): Promise<{ face: string; name: string; surface: Surface }[]> {
  const { engine } = await shelfKit.load();
  const piece = pieceOf(asked.job, asked.pieceId);
  if (!piece) return [];
  const faces = await layAnew(asked, { ppi: asked.ppi, trimOnly: true });
  return faces.map((context) => {
    const { id, name } = context.face;
    return { face: id, name, surface: surfaceOn(piece, context, engine) };
  });
}

/** One face's plates, and all that is told of them. */
export interface FacePlates {
  box: Box;
  ppi: number;
  width: number;
  height: number;
  plates: Map<string, Float32Array>;
  coverage: Map<string, number>;
  histogram: number[];
  highest: ReturnType<typeof highestOf>;
  places: WetPlace[];
  limit: number;
}

/** A histogram's bins: ten percent each, up to 400 %. */
const STEP = 0.1;
const MOST = 4;

export async function facePlates(asked: InkAsked & { faceId: string }): Promise<FacePlates | undefined> {
  const found = (await facesOf(asked)).find(({ face }) => face.id === asked.faceId);
  if (!found) return undefined;
  const { piece, press } = found;
  const [grid, totals] = [found.grid(), found.totals()];
  const trim = trimOf(piece);
  const limit = press.condition.totalInk;
  return {
    box: grid.box,
    ppi: grid.ppi,
    width: grid.width,
    height: grid.height,
    plates: new Map(grid.plates),
    coverage: coverageOf(grid, trim),
    histogram: histogramOf(grid, totals, trim, STEP, MOST),
    highest: highestOf(grid, totals, trim),
    places: wetPlaces(grid, totals, trim, limit),
    limit,
  };
}

/** A colour on the plates, and how much of the area has it. */
export interface ColourFound {
  cmyk: Cmyk;
  lab: Lab;
  share: number;
}

/** Samples looked at, at most. */
const MOST_SAMPLES = 20_000;

/** Further apart than this, neighbours lie on either side of an edge, and what is between them is no colour of its own. */
const EDGE = 40;
function isEdge(bytes: Uint8Array, cell: number, width: number): boolean {
  const differs = (other: number): boolean => {
    for (let c = 0; c < 4; c++) if (Math.abs(bytes[4 * cell + c]! - (bytes[4 * other + c] ?? 0)) > EDGE) return true;
    return false;
  };
  return [cell - 1, cell + 1, cell - width, cell + width].some(differs);
}

/** The few colours that an area of a face is mostly made of; bare paper is none of them. */
export async function coloursIn(
  asked: InkAsked & { faceId: string; area: Box; count: number },
): Promise<ColourFound[]> {
  const found = (await facesOf(asked)).find(({ face }) => face.id === asked.faceId);
  if (!found) return [];
  const { engine } = await shelfKit.load();
  const { press, sources } = found;
  const grid = found.grid();
  const { x0, x1, y0, y1 } = cellsIn(grid, asked.area);
  const all = processBytes(grid, [...grid.plates.keys()], sources.inks);
  const step = Math.max(1, Math.floor(((x1 - x0) * (y1 - y0)) / MOST_SAMPLES));
  const samples: number[] = [];
  for (let i = 0; i < (x1 - x0) * (y1 - y0); i += step) {
    const cell = (y0 + Math.floor(i / (x1 - x0))) * grid.width + x0 + (i % (x1 - x0));
    const bytes = all.subarray(4 * cell, 4 * cell + 4);
    if (bytes.some((amount) => amount > 5) && !isEdge(all, cell, grid.width)) samples.push(...bytes);
  }
  const labs = engine.measure(press.profile, Uint8Array.from(samples));
  return clustersOf(labs, asked.count).map(({ sample, lab, share }) => ({
    cmyk: samples.slice(4 * sample, 4 * sample + 4).map((byte) => Math.round((byte / 255) * 100) / 100) as Cmyk,
    lab,
    share,
  }));
}

/** One face as it is to be looked at, as pixels; with the paper's own tint where that is asked for. */
export async function lookAt(
  asked: InkAsked & { faceId: string; view: PlateView; paper: boolean },
): Promise<ImageData | undefined> {
  const found = (await facesOf(asked)).find(({ face }) => face.id === asked.faceId);
  if (!found) return undefined;
  const { engine } = await shelfKit.load();
  const { press, sources } = found;
  const grid = found.grid();
  const rendering = asked.paper
    ? { ...press.condition, intent: 'absolute colorimetric' as const, blackPointCompensation: false }
    : press.condition;
  const toScreen = engine.converter(press.profile, 'sRGB', rendering, 'quick');
  const rgba = viewOf(grid, asked.view, sources.inks, toScreen);
  // Plates alone are shown in grey; the stock is part of what they come to together.
  const isSeen = asked.paper && asked.view.kind === 'proof';
  return new ImageData(isSeen ? onStock(rgba, sources.stock) : rgba, grid.width, grid.height);
}

/** The faces of a piece as they are cut, at so many pixels an inch, in the colours of the press; in the piece's order. */
export async function asCut(asked: InkAsked, ppi: number): Promise<ImageData[]> {
  const faces = await layAnew(asked, { ppi, trimOnly: true });
  for (const { face, picture } of faces) refuseMissing(asked.job, [face], (image) => picture(image) !== undefined);
  const { engine } = await shelfKit.load();
  return faces.map(({ grid: laid, press, sources }) => {
    const grid = laid();
    const toScreen = engine.converter(press.profile, 'sRGB', press.condition, 'quick');
    const view = { kind: 'proof' as const, shown: [...grid.plates.keys()] };
    return new ImageData(onStock(viewOf(grid, view, sources.inks, toScreen), sources.stock), grid.width, grid.height);
  });
}
