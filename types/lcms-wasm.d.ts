declare module 'lcms-wasm' {
  export interface Lcms {
    HEAPU8: Uint8Array;
    _malloc(bytes: number): number;
    _free(at: number): void;
    _cmsOpenProfileFromMem(at: number, bytes: number): number;
    cmsCloseProfile(h: number): void;
    cmsCreate_sRGBProfile(): number;
    cmsCreateLab4Profile(wp?: number[] | null): number;
    cmsGetColorSpaceASCII(h: number): string | null;
    cmsGetProfileInfoASCII(h: number, info: number, lang: string, country: string): string;
    cmsCreateTransform(hin: number, inFmt: number, hout: number, outFmt: number, intent: number, flags: number): number;
    cmsCreateProofingTransform(
      hin: number,
      inFmt: number,
      hout: number,
      outFmt: number,
      proof: number,
      intent: number,
      proofIntent: number,
      flags: number,
    ): number;
    cmsDoTransform<T extends ArrayLike<number>>(
      t: number,
      input: T,
      pixels: number,
    ): Uint8Array | Uint16Array | Float32Array;
    cmsDeleteTransform(t: number): void;
  }
  export function instantiate(opts?: {
    locateFile?: (name: string) => string;
    wasmBinary?: ArrayBuffer | Uint8Array;
  }): Promise<Lcms>;
  export const TYPE_RGB_8: number, TYPE_RGBA_8: number, TYPE_CMYK_8: number, TYPE_CMYK_16: number, TYPE_Lab_DBL: number;
  export const INTENT_PERCEPTUAL: number, INTENT_RELATIVE_COLORIMETRIC: number;
  export const cmsFLAGS_BLACKPOINTCOMPENSATION: number, cmsFLAGS_SOFTPROOFING: number, cmsFLAGS_GAMUTCHECK: number;
  export const cmsInfoDescription: number;
}
