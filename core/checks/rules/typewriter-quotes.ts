import { typingCheck } from '../plain-words';

/** Straight marks turned to those of print: an opening one after nothing, space or a bracket. Feet and inches stay. */
export const printersQuotes = (text: string): string =>
  text
    .replace(/(^|[\s([–—])"(?=\S)/g, '$1“')
    .replace(/(?<![\d])"/g, '”')
    .replace(/(^|[\s([–—])'(?=\S)/g, '$1‘')
    .replace(/(?<![\d])'/g, '’');

export const typewriterQuotes = typingCheck(
  {
    id: 'typewriter-quotes',
    name: 'Typewriter quotes',
    protects: 'Straight marks are those of a typewriter: in print they look like a slip.',
  },
  /(?<!\d)["']/g,
  'Has straight quotation marks',
  'Use printers’ quotes',
  printersQuotes,
);
