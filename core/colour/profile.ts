import { type ColourEngine, ProfileError } from './engine';

/** Profiles larger than this are none that a press needs. */
const MOST_BYTES = 32_000_000;
const HEADER = 128;

const CLASSES: Record<string, string> = {
  scnr: 'of a scanner or camera',
  mntr: 'of a screen',
  link: 'a device link',
  spac: 'of a colour space',
  abst: 'abstract',
  nmcl: 'of named colours',
};

export interface ProfileRead {
  name: string;
  /** The main version of ICC.1 it is written by: 2 or 4. */
  version: 2 | 4;
  /** What its characterisation tag says: the data set that it was made from (ICC.1, 9.2.15); empty where it has none. */
  characterisation: string;
}

/** More of a text than this is data, not a name. */
const MOST_TEXT = 200;

/** The head of a tag of type text. */
function textAt(bytes: Uint8Array, tag: { at: number; length: number } | undefined): string {
  if (!tag) return '';
  const text = new TextDecoder('latin1').decode(bytes.subarray(tag.at, tag.at + Math.min(tag.length, MOST_TEXT)));
  return text.startsWith('text')
    ? text
        .slice(8)
        .replace(/\0[\s\S]*$/, '')
        .trim()
    : '';
}

/** Paper is at least so much lighter than all inks on it, in L*. */
const LEAST_CONTRAST = 20;
/** Ink that a white may lay by the rounding of its tables: the shares of all plates together. */
const MOST_ON_WHITE = 0.04;

/** Refuses tables that take no ink for the darkest, or lay ink where there is to be none. A table that is broken shows here too. */
function refuseUpsideDown(bytes: Uint8Array, engine: ColourEngine): void {
  const [paper, , , solid] = engine.measure(bytes, Uint8Array.of(0, 0, 0, 0, 255, 255, 255, 255));
  if (!(paper! - solid! >= LEAST_CONTRAST))
    throw new ProfileError(
      'The tables of this profile run the wrong way: with no ink they come out as dark as with all. Ask your print shop for it again.',
    );
  const how = { intent: 'relative colorimetric', blackPointCompensation: true } as const;
  const white = engine.match(bytes, [[100, 0, 0]], how);
  const laid = white.reduce((sum, amount) => sum + amount, 0) / 255;
  if (laid > MOST_ON_WHITE)
    throw new ProfileError(
      `This profile lays ${Math.round(100 * laid)} % of ink on white: all paper would be printed on. Ask your print shop for it again.`,
    );
}

/**
 * Looks a press's profile over (ICC.1:2022, 7.2): an output profile of CMYK, version 2 or 4, that converts both ways.
 * Throws ProfileError with the reason for anything else.
 */
export function readPressProfile(bytes: Uint8Array, engine: ColourEngine): ProfileRead {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length > MOST_BYTES) throw new ProfileError('This file is too large for a colour profile (over 32 MB).');
  if (bytes.length < HEADER + 4 || word(36) !== 'acsp')
    throw new ProfileError(
      'This is no colour profile. Ask your print shop for its ICC profile, a file that ends in .icc.',
    );
  if (view.getUint32(0) > bytes.length)
    throw new ProfileError('This colour profile is cut short. Get it again from where it came from.');
  const version = bytes[8]!;
  if (version !== 2 && version !== 4)
    throw new ProfileError(`This profile is of ICC version ${version}; presses are described by version 2 or 4.`);
  const kind = word(12);
  if (kind !== 'prtr')
    throw new ProfileError(
      `This profile is ${CLASSES[kind] ?? 'of an unknown kind'}. A press needs an output profile: ask your print shop for it.`,
    );
  const space = word(16).trim();
  if (space !== 'CMYK')
    throw new ProfileError(
      `This profile is for ${space || 'unknown'} inks. The press prints from CMYK: ask for that one.`,
    );
  const tags = new Map<string, { at: number; length: number }>();
  const count = Math.min(view.getUint32(HEADER), 200);
  for (let i = 0; i < count && HEADER + 4 + 12 * (i + 1) <= bytes.length; i++) {
    const entry = HEADER + 4 + 12 * i;
    tags.set(word(entry), { at: view.getUint32(entry + 4), length: view.getUint32(entry + 8) });
  }
  if (!tags.has('A2B0') || !tags.has('B2A0'))
    throw new ProfileError('This profile cannot both separate and proof: its tables to ink or from ink are missing.');
  const { name } = engine.describe(bytes);
  refuseUpsideDown(bytes, engine);
  return { name: name.trim() || 'Unnamed profile', version, characterisation: textAt(bytes, tags.get('targ')) };
}
