/** One face of one family, as shipped: `file` is a path inside an installed package. */
export interface Typeface {
  id: string;
  family: string;
  style: string;
  file: string;
  licence: string;
}

type Style = [id: string, style: string, folder: string];
const family = (id: string, name: string, fileStem: string, styles: Style[]): Typeface[] =>
  styles.map(([styleId, style, folder]) => ({
    id: `${id}/${styleId}`,
    family: name,
    style,
    file: `@expo-google-fonts/${id}/${folder}/${fileStem}_${folder}.ttf`,
    licence: 'OFL-1.1',
  }));

const REGULAR: Style = ['regular', 'Regular', '400Regular'];
const ITALIC: Style = ['italic', 'Italic', '400Regular_Italic'];
const MEDIUM: Style = ['medium', 'Medium', '500Medium'];
const SEMIBOLD: Style = ['semibold', 'Semibold', '600SemiBold'];
const BOLD: Style = ['bold', 'Bold', '700Bold'];

/** The typefaces that ship: a display serif, a text serif and a sans. */
export const TYPEFACES: readonly Typeface[] = [
  ...family('cormorant-garamond', 'Cormorant Garamond', 'CormorantGaramond', [REGULAR, MEDIUM, SEMIBOLD, BOLD, ITALIC]),
  ...family('alegreya', 'Alegreya', 'Alegreya', [REGULAR, MEDIUM, BOLD, ITALIC]),
  ...family('source-sans-3', 'Source Sans 3', 'SourceSans3', [REGULAR, SEMIBOLD, BOLD, ITALIC]),
];

export const typefaceOf = (id: string): Typeface | undefined => TYPEFACES.find((face) => face.id === id);
