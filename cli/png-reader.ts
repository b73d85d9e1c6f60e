import { readFileSync } from 'node:fs';
import type { ReadPng } from '../core/files/hand-off/prove-images';
import { packageFile } from './kit';

/** What the decoder makes of a picture; browsers have it. */
class Pixels {
  constructor(
    readonly data: Uint8ClampedArray,
    readonly width: number,
    readonly height: number,
  ) {}
}

/** Another decoder of PNGs than the one pictures are drawn with. */
export async function openPngReader(): Promise<ReadPng> {
  Object.assign(globalThis, { ImageData: globalThis.ImageData ?? Pixels });
  const { decode, initSync } = await import('@jsquash/png/codec/pkg/squoosh_png.js');
  initSync(readFileSync(packageFile('@jsquash/png/codec/pkg/squoosh_png_bg.wasm')));
  return decode;
}
