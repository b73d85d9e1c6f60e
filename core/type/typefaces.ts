/** One face of one family. */
export interface Typeface {
  id: string;
  family: string;
  style: string;
  /** What kind of letters: for looking through the list. */
  sort: Sort | 'your own';
}
/** One that ships: `file` is a path inside an installed package. */
export interface ShippedTypeface extends Typeface {
  file: string;
  licence: string;
}

export const SORTS = ['text serif', 'display serif', 'sans', 'slab', 'monospaced', 'script', 'Arabic'] as const;
export type Sort = (typeof SORTS)[number];

type Style = readonly [id: string, style: string, folder: string];
const STYLES = {
  regular: ['regular', 'Regular', '400Regular'],
  italic: ['italic', 'Italic', '400Regular_Italic'],
  medium: ['medium', 'Medium', '500Medium'],
  semibold: ['semibold', 'Semibold', '600SemiBold'],
  semiboldItalic: ['semibold-italic', 'Semibold Italic', '600SemiBold_Italic'],
  bold: ['bold', 'Bold', '700Bold'],
  boldItalic: ['bold-italic', 'Bold Italic', '700Bold_Italic'],
} as const satisfies Record<string, Style>;

const PLAIN_SET = ['regular', 'italic', 'bold', 'boldItalic'] as const;
const WITH_SEMIBOLD = ['regular', 'italic', 'semibold', 'bold', 'boldItalic'] as const;
const WITH_MEDIUM = ['regular', 'italic', 'medium', 'semibold', 'bold', 'boldItalic'] as const;
const UPRIGHT = ['regular', 'semibold', 'bold'] as const;

type Row = readonly [
  id: string,
  family: string,
  fileStem: string,
  sort: Sort,
  styles: readonly (keyof typeof STYLES)[],
];

/** The families that ship: open, full-featured, with real small caps and figures where the sort has them. */
const FAMILIES: readonly Row[] = [
  ['alegreya', 'Alegreya', 'Alegreya', 'text serif', WITH_MEDIUM],
  ['crimson-pro', 'Crimson Pro', 'CrimsonPro', 'text serif', WITH_SEMIBOLD],
  ['eb-garamond', 'EB Garamond', 'EBGaramond', 'text serif', WITH_MEDIUM],
  ['lora', 'Lora', 'Lora', 'text serif', PLAIN_SET],
  ['source-serif-4', 'Source Serif 4', 'SourceSerif4', 'text serif', WITH_SEMIBOLD],
  ['vollkorn', 'Vollkorn', 'Vollkorn', 'text serif', PLAIN_SET],
  ['cinzel', 'Cinzel', 'Cinzel', 'display serif', UPRIGHT],
  ['cormorant-garamond', 'Cormorant Garamond', 'CormorantGaramond', 'display serif', WITH_MEDIUM],
  ['fraunces', 'Fraunces', 'Fraunces', 'display serif', WITH_SEMIBOLD],
  ['playfair-display', 'Playfair Display', 'PlayfairDisplay', 'display serif', PLAIN_SET],
  ['alegreya-sans', 'Alegreya Sans', 'AlegreyaSans', 'sans', PLAIN_SET],
  ['fira-sans', 'Fira Sans', 'FiraSans', 'sans', WITH_SEMIBOLD],
  ['josefin-sans', 'Josefin Sans', 'JosefinSans', 'sans', WITH_SEMIBOLD],
  ['raleway', 'Raleway', 'Raleway', 'sans', WITH_SEMIBOLD],
  ['source-sans-3', 'Source Sans 3', 'SourceSans3', 'sans', WITH_SEMIBOLD],
  ['work-sans', 'Work Sans', 'WorkSans', 'sans', WITH_SEMIBOLD],
  ['bitter', 'Bitter', 'Bitter', 'slab', WITH_SEMIBOLD],
  ['zilla-slab', 'Zilla Slab', 'ZillaSlab', 'slab', WITH_SEMIBOLD],
  ['ibm-plex-mono', 'IBM Plex Mono', 'IBMPlexMono', 'monospaced', PLAIN_SET],
  ['jetbrains-mono', 'JetBrains Mono', 'JetBrainsMono', 'monospaced', PLAIN_SET],
  ['dancing-script', 'Dancing Script', 'DancingScript', 'script', UPRIGHT],
  ['great-vibes', 'Great Vibes', 'GreatVibes', 'script', ['regular']],
  ['amiri', 'Amiri', 'Amiri', 'Arabic', PLAIN_SET],
];

export const TYPEFACES: readonly ShippedTypeface[] = FAMILIES.flatMap(([id, family, stem, sort, styles]) =>
  styles.map((key): ShippedTypeface => {
    const [styleId, style, folder] = STYLES[key];
    return {
      id: `${id}/${styleId}`,
      family,
      style,
      sort,
      file: `@expo-google-fonts/${id}/${folder}/${stem}_${folder}.ttf`,
      licence: 'OFL-1.1',
    };
  }),
);

export const typefaceOf = (id: string): ShippedTypeface | undefined => TYPEFACES.find((face) => face.id === id);
