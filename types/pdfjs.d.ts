declare module 'pdfjs-dist/image_decoders/pdf.image_decoders.mjs' {
  export class Jbig2Image {
    /** The page that the segments draw, a bit a pixel, black 1. */
    parseChunks(chunks: readonly { data: Uint8Array; start: number; end: number }[]): Uint8ClampedArray | undefined;
  }
  export const JpxImage: {
    setOptions(options: {
      useWasm: boolean;
      useWorkerFetch: boolean;
      wasmUrl: null;
      handler: { sendWithPromise(): Promise<Uint8Array> };
    }): void;
    parseImageProperties(bytes: Uint8Array): { width: number; height: number; componentsCount: number };
    decode(
      bytes: Uint8Array,
      how: { numComponents: number; isIndexedColormap: boolean },
    ): Promise<Uint8Array | Uint8ClampedArray>;
  };
  export class JpegImage {
    width: number;
    height: number;
    parse(bytes: Uint8Array): void;
    getData(how: {
      width: number;
      height: number;
      forceRGB?: boolean;
      isSourcePDF: boolean;
    }): Uint8Array | Uint8ClampedArray;
  }
}

declare module 'pdfjs-dist/legacy/build/pdf.worker.mjs';
