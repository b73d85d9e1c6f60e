import jpegUrl from '@jsquash/jpeg/codec/dec/mozjpeg_dec.wasm?url';
import jpxUrl from 'pdfjs-dist/wasm/openjpeg.wasm?url';
import { lendJpx } from '../core/packed/jpx';
import { openJpegDecoder } from '../core/picture/jpeg-decode';
import { bytesAt } from './fetch';
import { once } from './once';

/** Once it has been called, this thread can decode JPEG pictures, and fetch what decodes JPEG 2000. */
export const loadJpegDecoder = once(async () => {
  lendJpx(() => bytesAt(jpxUrl));
  openJpegDecoder(await bytesAt(jpegUrl));
});
