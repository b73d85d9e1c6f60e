import {
  DataTexture,
  Mesh,
  MeshStandardMaterial,
  PlaneGeometry,
  RepeatWrapping,
  SRGBColorSpace,
  type Texture,
} from 'three';
import { noise } from '../../../../core/geometry/noise';
import { TABLES, type Table } from './view';

/** The table that a set lies on: its colour, and a grain that goes by its place alone. */

/** The side of the picture of its grain, in cells, and how long that is, millimetres. */
const CELLS = 512;
const LONG = 320;
/** So far that its edges are in no picture, millimetres. */
const SPAN = 20_000;

/** How strongly the grain is seen, and how many cells long it runs. */
const GRAIN: Readonly<Record<Table, { strong: number; runs: number }>> = {
  chalk: { strong: 0.03, runs: 1 },
  oak: { strong: 0.16, runs: 170 },
  felt: { strong: 0.16, runs: 2 },
  slate: { strong: 0.08, runs: 5 },
};

function grainOf(table: Table): Texture {
  const { strong, runs } = GRAIN[table];
  const colour = TABLES[table][1];
  const parts = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
  const data = new Uint8ClampedArray(4 * CELLS * CELLS);
  for (let y = 0; y < CELLS; y++) {
    // Along its run the grain goes over from one tone to the next, and at the picture's end to the first.
    const count = Math.max(1, Math.round(CELLS / runs));
    const tones = Array.from({ length: count }, (_, i) => noise(i, y));
    for (let x = 0; x < CELLS; x++) {
      const at = (x / CELLS) * count;
      const [from, to] = [tones[Math.floor(at)]!, tones[(Math.floor(at) + 1) % count]!];
      const tone = from + (to - from) * (at - Math.floor(at));
      for (let k = 0; k < 3; k++) data[4 * (y * CELLS + x) + k] = parts[k]! * (1 + strong * (tone - 0.5));
      data[4 * (y * CELLS + x) + 3] = 255;
    }
  }
  const texture = new DataTexture(data, CELLS, CELLS);
  texture.wrapS = RepeatWrapping;
  texture.wrapT = RepeatWrapping;
  texture.repeat.set(SPAN / LONG, SPAN / LONG);
  texture.generateMipmaps = true;
  texture.colorSpace = SRGBColorSpace;
  texture.anisotropy = 8;
  texture.needsUpdate = true;
  return texture;
}

export function tableOf(table: Table): Mesh {
  const made = new Mesh(
    new PlaneGeometry(SPAN, SPAN),
    new MeshStandardMaterial({ map: grainOf(table), roughness: 0.9 }),
  );
  made.rotation.x = -Math.PI / 2;
  made.receiveShadow = true;
  return made;
}

export function freeTable({ geometry, material }: Mesh): void {
  geometry.dispose();
  for (const each of [material].flat() as MeshStandardMaterial[]) {
    each.map?.dispose();
    each.dispose();
  }
}
