import type { Typeface } from './typefaces';

/** A family of typefaces: its weights and slopes under one name. */
export interface Family {
  name: string;
  sort: Typeface['sort'];
  /** In the order they are listed, upright before italic where they were. */
  faces: readonly Typeface[];
}

/** Typefaces under their families, each family where its first face is. */
export function familiesOf(faces: readonly Typeface[]): Family[] {
  const families = new Map<string, Family & { faces: Typeface[] }>();
  for (const face of faces) {
    const known = families.get(face.family) ?? { name: face.family, sort: face.sort, faces: [] };
    known.faces.push(face);
    families.set(face.family, known);
  }
  return [...families.values()];
}

/** Weights by the names that CSS Fonts (Level 4, 2.2.2) lists for them, the longer names first. */
const WEIGHTS: readonly (readonly [name: RegExp, weight: number])[] = [
  [/thin|hairline/i, 100],
  [/(extra|ultra)[ -]?light/i, 200],
  [/(semi|demi)[ -]?bold/i, 600],
  [/(extra|ultra)[ -]?bold/i, 800],
  [/light/i, 300],
  [/medium/i, 500],
  [/black|heavy/i, 900],
  [/bold/i, 700],
];
const REGULAR = 400;

/** The weight that a style is named for, 100 to 900. */
export const weightOf = (style: string): number => WEIGHTS.find(([name]) => name.test(style))?.[1] ?? REGULAR;
export const isItalic = (style: string): boolean => /italic|oblique/i.test(style);

/** A slope that differs is further off than any weight. */
const SLOPE = 1000;

/** The face of a family, or of some faces of it, that is most like a style; the first of those that are. */
export function nearestStyle(faces: readonly Typeface[], style: string): Typeface | undefined {
  const far = (face: Typeface): number =>
    face.style === style
      ? -1
      : Math.abs(weightOf(face.style) - weightOf(style)) + (isItalic(face.style) === isItalic(style) ? 0 : SLOPE);
  return faces.reduce<Typeface | undefined>((best, face) => (best && far(best) <= far(face) ? best : face), undefined);
}
