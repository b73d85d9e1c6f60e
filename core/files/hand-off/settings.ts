import { FURTHER_MARKS, type FurtherMark } from '../../scene/marks';
import type { OfficeSheet } from '../../scene/office-sheet';
import type { ShopSpec } from '../../trade/schema';
import type { PdfAsked } from '../pdf/asked';
import type { FinishingWay } from '../pdf/pages-asked';
import type { Standard } from '../pdf/standards';

/** How files for a print shop are written. Lengths in points. */
export interface HandOffSettings {
  standard: Standard;
  /** Marks to cut, fold and punch by. */
  marks: boolean;
  markStyle: ShopSpec['marks'];
  also: readonly FurtherMark[];
  words: 'text' | 'outlines';
  /** Pictures finer than `above` get `to` pixels an inch. */
  fewer: { above: number; to: number } | 'as they are';
  /** A JPEG's quality, 1 to 100. */
  packing: number | 'without loss';
  files: ShopSpec['files'];
  fileName: string;
  /** How foil, varnish, die lines and the like come with the file. */
  finishing: FinishingWay;
  office: OfficeSheet | 'its own';
}

export type SettingName = keyof HandOffSettings;

/** What a shop asks for; what its spec does not say is common practice. */
export const settingsOf = (shop: ShopSpec): HandOffSettings => ({
  standard: shop.standard,
  marks: true,
  markStyle: shop.marks,
  also: [],
  words: 'text',
  fewer: { above: shop.limits.heavy, to: shop.ppi.wanted },
  packing: 'without loss',
  files: shop.files,
  fileName: shop.fileName,
  finishing: shop.finishing ?? 'layers',
  office: 'its own',
});

/** What each setting is called, and why it matters. */
export const SETTING_WORDS: Readonly<Record<SettingName, { says: string; why: string }>> = {
  standard: {
    says: 'Standard',
    why: 'It settles what a shop’s machine may meet: PDF/X-4 keeps what is see-through, PDF/X-1a has it made solid, for old machines.',
  },
  marks: {
    says: 'Marks to cut by',
    why: 'They show the guillotine where the piece ends, and where it is folded and punched.',
  },
  markStyle: { says: 'How marks look', why: 'Marks too near the piece end up on it when the cut drifts.' },
  also: {
    says: 'Further marks',
    why: 'They help the press line up its plates and show how much ink it lays. Online shops mostly want none.',
  },
  words: {
    says: 'Text',
    why: 'As text they stay sharp and can be searched. As outlines no typeface can be lost, but they come out a little bolder.',
  },
  fewer: { says: 'Fine pictures', why: 'More pixels than a press can show only make the file heavy.' },
  packing: {
    says: 'Packing of pictures',
    why: 'Without loss each pixel stays as it is. JPEG is smaller, and blurs fine edges when its quality is low.',
  },
  files: { says: 'One file, or one a side', why: 'Some shops sort the sides of a piece by file, others by page.' },
  fileName: { says: 'Names of the files', why: 'A name that says what it is saves a question.' },
  finishing: {
    says: 'Finishing',
    why: 'Foil, varnish and die lines are no inks. As layers they stay in place over the art and say what they are; some shops want pages or files of their own.',
  },
  office: {
    says: 'Sheet',
    why: 'On an office printer’s paper the piece comes out at its size, with a line to measure.',
  },
};

/** A shop's settings with what was changed. */
export const settled = (shop: ShopSpec, changes: Partial<HandOffSettings>): HandOffSettings => ({
  ...settingsOf(shop),
  ...changes,
});

/** The further marks a sheet has room for: at the edges of an office printer's, bar and slug would be lost. */
export const marksFor = (office: HandOffSettings['office']): readonly FurtherMark[] =>
  office === 'its own' ? FURTHER_MARKS : ['registration'];

/** The settings as the writer of files takes them. */
export function pdfAsked(
  pieceId: string,
  shop: ShopSpec,
  settings: HandOffSettings,
  faces?: readonly number[],
): PdfAsked {
  const { standard, marks, markStyle, also, words, fewer, packing, office, finishing } = settings;
  return {
    pieceId,
    shop: { ...shop, marks: markStyle },
    ...(faces ? { faces } : {}),
    standard,
    marks,
    also: also.filter((mark) => marksFor(office).includes(mark)),
    words,
    // On one's own printer a foil would come out as a colour.
    finishing: office === 'its own' ? finishing : 'none',
    ...(office === 'its own' ? {} : { office }),
    pictures: {
      ...(fewer === 'as they are' ? {} : { fewer }),
      ...(packing === 'without loss' ? {} : { quality: packing }),
    },
  };
}
