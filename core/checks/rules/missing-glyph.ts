import { setParagraphs } from '../../job/edits/words';
import { flowHead } from '../../job/find';
import { lookOf, setParagraphsOf } from '../../job/look';
import type { Words } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { SceneSources } from '../../scene/sources';
import { familyName } from '../../type/own-font';
import { TYPEFACES } from '../../type/typefaces';
import type { Check, Fix } from '../check';

/** Characters that are never drawn themselves: controls, marks of direction, joiners, selectors. */
const UNDRAWN = /\p{Cc}|\p{Cf}|\p{Variation_Selector}|\u2028/u;

/** The characters of some words that their typeface has no glyph for, with that typeface. */
function missing(words: Words, { styles, fonts }: SceneSources): Map<string, string> {
  const { lettering } = lookOf(words, styles);
  const out = new Map<string, string>();
  for (const { text, typeface = lettering.typeface } of setParagraphsOf(words).flatMap((p) => p.spans)) {
    const font = fonts.font(typeface);
    for (const character of text.normalize('NFC'))
      if (!UNDRAWN.test(character) && !font.has(character.codePointAt(0)!)) out.set(character, typeface);
  }
  return out;
}

/** A shipped family that has all that is lacking, in the style the words are in where it has that. */
function fixWith(words: Words, lacking: ReadonlyMap<string, string>, { styles, fonts }: SceneSources): { fix?: Fix } {
  const [, style] = lookOf(words, styles).lettering.typeface.split('/');
  const wanted = TYPEFACES.filter((face) => face.id.endsWith(`/${style}`)).concat(
    TYPEFACES.filter((face) => face.id.endsWith('/regular')),
  );
  const face = wanted.find(
    ({ id }) => fonts.has(id) && [...lacking.keys()].every((c) => fonts.font(id).has(c.codePointAt(0)!)),
  );
  if (!face) return {};
  const replaced = new Set(lacking.values());
  return {
    fix: {
      label: `Set that text in ${face.family}`,
      apply: (job) =>
        setParagraphs(
          job,
          words.id,
          words.paragraphs.map((p) => ({
            ...p,
            spans: p.spans.map((span) =>
              replaced.has(span.typeface ?? lookOf(words, styles).lettering.typeface)
                ? { ...span, typeface: face.id }
                : span,
            ),
          })),
        ),
    },
  };
}

export const missingGlyph: Check = {
  id: 'missing-glyph',
  name: 'A character the typeface lacks',
  protects: 'A letter without a glyph prints as an empty box.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: ({ piece, face, sources }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const lacking = missing(element, sources);
      if (lacking.size === 0) return [];
      const families = [...new Set([...lacking.values()].map((id) => familyName(id, sources.ownFonts)))];
      return [
        {
          check: 'missing-glyph',
          severity: 'stop',
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          of: [...lacking.keys()].join(''),
          problem: `${families.join(', ')} has no ${[...lacking.keys()].map((c) => `“${c}”`).join(', ')}`,
          measured: { value: lacking.size, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
          // Words that go on from another frame are mended there.
          ...(flowHead(piece, element.id) === element.id ? fixWith(element, lacking, sources) : {}),
        },
      ];
    }),
};
