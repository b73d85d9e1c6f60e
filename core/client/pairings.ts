import type { Role } from '../job/house';
import type { FontBook } from '../type/font';

/** Typefaces that go well together: one for headings and names, one for text; the accent is of one of the two families. */
export interface Pairing {
  id: string;
  name: string;
  /** What it is like, in a few words. */
  says: string;
  roles: Readonly<Record<Role, string>>;
}

const pair = (id: string, name: string, says: string, heading: string, text: string, accent: string): Pairing => ({
  id,
  name,
  says,
  roles: { heading, text, accent },
});

/** Ours, by eye: they differ in more than one thing, and the text face is sturdy at 7 pt. */
export const PAIRINGS: readonly Pairing[] = [
  pair(
    'source',
    'Source Serif and Source Sans',
    'Sober, at ease',
    'source-serif-4/semibold',
    'source-sans-3/regular',
    'source-serif-4/italic',
  ),
  pair(
    'playfair',
    'Playfair Display and Source Sans',
    'Elegant, high contrast',
    'playfair-display/bold',
    'source-sans-3/regular',
    'playfair-display/italic',
  ),
  pair(
    'garamond',
    'EB Garamond and Alegreya Sans',
    'Bookish, warm',
    'eb-garamond/semibold',
    'alegreya-sans/regular',
    'eb-garamond/italic',
  ),
  pair(
    'cormorant',
    'Cormorant Garamond and Fira Sans',
    'Fine, old and new',
    'cormorant-garamond/bold',
    'fira-sans/regular',
    'cormorant-garamond/italic',
  ),
  pair(
    'fraunces',
    'Fraunces and Work Sans',
    'Soft, friendly',
    'fraunces/semibold',
    'work-sans/regular',
    'fraunces/italic',
  ),
  pair(
    'josefin',
    'Josefin Sans and Lora',
    'Geometric, with a book face',
    'josefin-sans/semibold',
    'lora/regular',
    'lora/italic',
  ),
  pair(
    'raleway',
    'Raleway and Crimson Pro',
    'Light and literary',
    'raleway/semibold',
    'crimson-pro/regular',
    'crimson-pro/italic',
  ),
  pair(
    'zilla',
    'Zilla Slab and Source Sans',
    'Square-shouldered, plain',
    'zilla-slab/semibold',
    'source-sans-3/regular',
    'zilla-slab/italic',
  ),
  pair(
    'bitter',
    'Bitter and Fira Sans',
    'Sturdy, down to earth',
    'bitter/semibold',
    'fira-sans/regular',
    'bitter/italic',
  ),
  pair(
    'cinzel',
    'Cinzel and Alegreya Sans',
    'Inscription capitals',
    'cinzel/semibold',
    'alegreya-sans/regular',
    'alegreya-sans/italic',
  ),
  pair('vollkorn', 'Vollkorn and Work Sans', 'Dark, hearty', 'vollkorn/bold', 'work-sans/regular', 'vollkorn/italic'),
  pair('work', 'Work Sans alone', 'One family, two weights', 'work-sans/bold', 'work-sans/regular', 'work-sans/italic'),
];

/** Whether both typefaces of a pairing, loaded already, have every letter of some text. */
export const canSay = ({ roles }: Pairing, text: string, fonts: FontBook): boolean =>
  [roles.heading, roles.text].every((id) => {
    if (!fonts.has(id)) return true;
    const font = fonts.font(id);
    return [...text].every((letter) => /\s/.test(letter) || font.has(letter.codePointAt(0)!));
  });
