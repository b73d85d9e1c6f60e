import * as lcms from 'lcms-wasm';
import type { PressCondition } from '../trade/schema';
import { byDistinctColours } from './distinct-colours';
import type { Cmyk, Lab } from './ink';
import { keepAtMost } from './kept-transforms';
import { withNeutralBlack } from './neutral-black';
import { refineAmounts } from './refine-amounts';

/** Little CMS behind a small front: profiles are bytes, pixels are 8 bits a channel, no padding. */
export interface ColourEngine {
  describe(icc: Uint8Array): ProfileFacts;
  /**
   * A conversion between two profiles, ready to use again and again. `exact` computes each colour through the whole
   * of both profiles; `quick` goes through a coarser table, some levels off, for what is only looked at.
   * Throws ProfileError if a profile cannot be used.
   */
  converter(from: Profile, to: Profile, how: Rendering, care?: Care): Converter;
  /** What colours of a profile measure as CIE L*a*b* under D50, three numbers each, relative to its white. */
  measure(profile: Profile, pixels: Uint8Array): Float32Array;
  /** Amounts of a profile (bytes) that measure as those colours. */
  match(profile: Profile, labs: readonly Lab[], how: Rendering): Uint8Array;
}
/** Bytes of an ICC profile, or one that is known by name; Lab is CIE L*a*b* under D50. */
export type Profile = Uint8Array | 'sRGB';
export type ColourSpace = 'RGB' | 'CMYK' | 'GRAY';
export interface ProfileFacts {
  space: string;
  name: string;
}
export type Rendering = Pick<PressCondition, 'intent' | 'blackPointCompensation' | 'neutralBlack'>;
export type Care = 'exact' | 'quick';
export type Converter = (pixels: Uint8Array) => Uint8Array;
export class ProfileError extends Error {}

const CHANNELS: Record<ColourSpace, number> = { RGB: 3, CMYK: 4, GRAY: 1 };
/** L*, a* and b*. */
const LAB = 3;
export const channelsOf = (space: ColourSpace): number => CHANNELS[space];

// Little CMS's pixel format word: COLORSPACE_SH(n) | CHANNELS_SH(n) | BYTES_SH(1), for the spaces used here.
const FORMAT: Record<ColourSpace, number> = {
  RGB: lcms.TYPE_RGB_8,
  CMYK: lcms.TYPE_CMYK_8,
  GRAY: (3 << 16) | (1 << 3) | 1,
};
/** L*a*b* as three 32-bit floats: FLOAT_SH(1) | COLORSPACE_SH(PT_Lab) | CHANNELS_SH(3) | BYTES_SH(4). */
const LAB_FLOAT = (1 << 22) | (10 << 16) | (3 << 3) | 4;
/** ICC.1, 7.2.15. */
const INTENT: Record<Rendering['intent'], number> = {
  perceptual: 0,
  'relative colorimetric': 1,
  saturation: 2,
  'absolute colorimetric': 3,
};

/** Little CMS's flag to leave the pipeline as it is (cmsFLAGS_NOOPTIMIZE); its front here does not name it. */
const NO_OPTIMISATION = 0x0100;

/** Pixels converted at one go; keeps the wasm heap small for large pictures. */
const STRIP = 1 << 20;

/** From this many pixels on, each colour of an RGB picture is converted once and looked up after that. */
const MANY = 1 << 16;

/** Rounds in which amounts are brought nearer to a colour than a profile's own table has them. */
const REFINED = 3;

/** Transforms that are kept; making one reads both of its profiles. */
const MOST_TRANSFORMS = 32;

interface Transform {
  handle: number;
  /** Channels that go in, and that come out. */
  into: number;
  out: number;
}

export async function createColourEngine(wasm: Uint8Array): Promise<ColourEngine> {
  // wasmBinary wins; locateFile only keeps the loader from making an address of its own.
  const cms = await lcms.instantiate({ wasmBinary: wasm, locateFile: (name) => name });

  // The package's own call puts the bytes on a stack of a few megabytes, which a large profile spoils for good.
  function openBytes(icc: Uint8Array): number {
    const at = cms._malloc(icc.byteLength);
    if (!at) throw new ProfileError('This colour profile is too large to be read.');
    try {
      cms.HEAPU8.set(icc, at);
      const handle = cms._cmsOpenProfileFromMem(at, icc.byteLength);
      if (!handle) throw new ProfileError('This colour profile is damaged and cannot be read.');
      return handle;
    } finally {
      cms._free(at);
    }
  }

  function open(profile: Profile): { handle: number; space: ColourSpace } {
    if (profile === 'sRGB') return { handle: cms.cmsCreate_sRGBProfile(), space: 'RGB' };
    const handle = openBytes(profile);
    const space = (cms.cmsGetColorSpaceASCII(handle) ?? '').trim();
    if (!(space in CHANNELS)) {
      cms.cmsCloseProfile(handle);
      throw new ProfileError(`A ${space || 'nameless'} colour profile cannot be used here; RGB, CMYK and grey can.`);
    }
    return { handle, space: space as ColourSpace };
  }

  // A profile is known by its bytes’ identity: those that ship live as long as the app.
  const ids = new WeakMap<Uint8Array, number>();
  let nextId = 0;
  const idOf = (profile: Profile): string => {
    if (profile === 'sRGB') return profile;
    if (!ids.has(profile)) ids.set(profile, nextId++);
    return `${ids.get(profile)}`;
  };
  const keep = keepAtMost<Transform>(MOST_TRANSFORMS, ({ handle }) => cms.cmsDeleteTransform(handle));

  function transformOf(from: Profile, to: Profile, how: Rendering, care: Care): Transform {
    return keep([idOf(from), idOf(to), how.intent, how.blackPointCompensation, care].join('|'), () => {
      const source = open(from);
      const target = open(to);
      const flags =
        (how.blackPointCompensation ? lcms.cmsFLAGS_BLACKPOINTCOMPENSATION : 0) |
        (care === 'exact' ? NO_OPTIMISATION : 0);
      const handle = cms.cmsCreateTransform(
        source.handle,
        FORMAT[source.space],
        target.handle,
        FORMAT[target.space],
        INTENT[how.intent],
        flags,
      );
      cms.cmsCloseProfile(source.handle);
      cms.cmsCloseProfile(target.handle);
      if (!handle) throw new ProfileError('These two colour profiles cannot be joined.');
      return { handle, into: channelsOf(source.space), out: channelsOf(target.space) };
    });
  }

  const labProfile = cms.cmsCreateLab4Profile(null);
  /** A transform between a profile and L*a*b*. */
  function labTransform(profile: Profile, way: 'to' | 'from', intent: number, flags: number): Transform {
    return keep(`${way} Lab ${idOf(profile)} ${intent} ${flags}`, () => {
      const { handle: own, space } = open(profile);
      const handle =
        way === 'to'
          ? cms.cmsCreateTransform(own, FORMAT[space], labProfile, LAB_FLOAT, intent, flags)
          : cms.cmsCreateTransform(labProfile, LAB_FLOAT, own, FORMAT[space], intent, flags);
      cms.cmsCloseProfile(own);
      if (!handle) throw new ProfileError('This colour profile says nothing of how its colours look.');
      const [into, out] = way === 'to' ? [channelsOf(space), LAB] : [LAB, channelsOf(space)];
      return { handle, into, out };
    });
  }

  return {
    describe(icc) {
      const handle = openBytes(icc);
      const facts = {
        space: (cms.cmsGetColorSpaceASCII(handle) ?? '').trim(),
        name: cms.cmsGetProfileInfoASCII(handle, lcms.cmsInfoDescription, 'en', 'US'),
      };
      cms.cmsCloseProfile(handle);
      return facts;
    },
    measure(profile, pixels) {
      const { handle, into } = labTransform(profile, 'to', INTENT['relative colorimetric'], NO_OPTIMISATION);
      return cms.cmsDoTransform(handle, pixels, pixels.length / into) as Float32Array;
    },
    match(profile, labs, how) {
      const flags = NO_OPTIMISATION | (how.blackPointCompensation ? lcms.cmsFLAGS_BLACKPOINTCOMPENSATION : 0);
      const { handle } = labTransform(profile, 'from', INTENT[how.intent], flags);
      return cms.cmsDoTransform(handle, Float32Array.from(labs.flat()), labs.length) as Uint8Array;
    },
    converter(from, to, how, care = 'exact') {
      // Two profiles that cannot be joined are told of at once.
      const { into, out } = transformOf(from, to, how, care);
      const convert: Converter = (pixels) => {
        const { handle } = transformOf(from, to, how, care);
        const count = pixels.length / into;
        const result = new Uint8Array(count * out);
        for (let at = 0; at < count; at += STRIP) {
          const end = Math.min(count, at + STRIP);
          result.set(
            cms.cmsDoTransform(handle, pixels.subarray(at * into, end * into), end - at) as Uint8Array,
            at * out,
          );
        }
        return result;
      };
      if (how.neutralBlack && to === 'sRGB' && into === CHANNELS.CMYK) return withNeutralBlack(convert);
      if (care === 'quick' || into !== CHANNELS.RGB) return convert;
      return (pixels) => (pixels.length / into < MANY ? convert(pixels) : byDistinctColours(pixels, out, convert));
    },
  };
}

export type Rgb = [red: number, green: number, blue: number];

const bytes = (amounts: readonly number[]): Uint8Array => Uint8Array.from(amounts, (a) => Math.round(a * 255));

/** A press: how ink looks on a screen, and how screen colours become ink. */
export interface Press {
  condition: PressCondition;
  profile: Uint8Array;
  /** sRGB bytes of what the press condition makes of these amounts (0 to 1). */
  screen(cmyk: Cmyk): Rgb;
  /** Amounts of ink (0 to 1, whole percent) for an sRGB colour of bytes. */
  separate(rgb: Rgb): Cmyk;
  /** The same for many: bytes of sRGB in, of cyan, magenta, yellow and black out. */
  separateAll(rgb: Uint8Array): Uint8Array;
  /** What these amounts measure on paper, relative to it. */
  lab(cmyk: Cmyk): Lab;
  /** Amounts of ink (0 to 1, whole percent) that come nearest to a colour. */
  separateLab(lab: Lab): Cmyk;
  /** What a screen colour measures. */
  labOfScreen(rgb: Rgb): Lab;
  /** What comes nearest to each of many colours on this press, darks as dark as they are asked for. */
  nearest(labs: readonly Lab[]): Printable[];
}

/** A colour that a press prints: amounts 0 to 1, what they measure, and how they look on a screen. */
export interface Printable {
  cmyk: Cmyk;
  lab: Lab;
  rgb: Rgb;
}

/** A press condition brought to life with its profile's bytes. */
export function createPress(engine: ColourEngine, condition: PressCondition, profile: Uint8Array): Press {
  const toScreen = engine.converter(profile, 'sRGB', condition);
  const toPress = engine.converter('sRGB', profile, condition);
  const shown = new Map<string, Rgb>();
  const measured = new Map<string, Lab>();
  const percents = (amounts: Uint8Array): Cmyk => Array.from(amounts, (b) => Math.round((b / 255) * 100) / 100) as Cmyk;
  return {
    condition,
    profile,
    screen(cmyk) {
      const key = cmyk.join();
      const found = shown.get(key) ?? (Array.from(toScreen(bytes(cmyk))) as Rgb);
      shown.set(key, found);
      return found;
    },
    separateAll: toPress,
    separate: (rgb) => percents(toPress(Uint8Array.from(rgb))),
    lab(cmyk) {
      const key = cmyk.join();
      const found = measured.get(key) ?? (Array.from(engine.measure(profile, bytes(cmyk))) as Lab);
      measured.set(key, found);
      return found;
    },
    separateLab: (lab) => percents(engine.match(profile, [lab], condition)),
    labOfScreen: (rgb) => Array.from(engine.measure('sRGB', Uint8Array.from(rgb))) as Lab,
    nearest(labs) {
      if (labs.length === 0) return [];
      const how = { intent: 'relative colorimetric', blackPointCompensation: false } as const;
      const measure = (of: Uint8Array): Float32Array => engine.measure(profile, of);
      const { amounts, labs: measures } = refineAmounts(measure, labs, engine.match(profile, labs, how), REFINED);
      const screens = toScreen(amounts);
      return labs.map((_, i) => ({
        cmyk: percents(amounts.subarray(4 * i, 4 * i + 4)),
        lab: Array.from(measures.subarray(3 * i, 3 * i + 3)) as Lab,
        rgb: Array.from(screens.subarray(3 * i, 3 * i + 3)) as Rgb,
      }));
    },
  };
}

/** `#1e4d3c`, `1e4d3c` or `#abc` as bytes; undefined for anything else. IEC 61966-2-1 names the colour space. */
export function parseHex(text: string): Rgb | undefined {
  const digits = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(text.trim())?.[1];
  if (!digits) return undefined;
  const six = digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits;
  return [0, 2, 4].map((i) => Number.parseInt(six.slice(i, i + 2), 16)) as Rgb;
}
export const hexOf = (rgb: Rgb): string => `#${rgb.map((b) => b.toString(16).padStart(2, '0')).join('')}`;
