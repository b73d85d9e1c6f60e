import { isItalic } from '../../../../core/type/families';
import { type OwnFont, ownTypefaces, typefaceIn } from '../../../../core/type/own-font';
import { TYPEFACES } from '../../../../core/type/typefaces';

const STYLE_NAMES: Record<string, readonly string[]> = {
  plain: ['Regular', 'Book', 'Roman', 'Normal'],
  bold: ['Bold'],
  italic: ['Italic', 'Oblique', 'Regular Italic'],
  'bold italic': ['Bold Italic', 'Bold Oblique'],
};

/** Whether a typeface is bold or italic, and the one of its family that differs in just that; undefined where there is none. */
export function sibling(
  typeface: string,
  quality: 'bold' | 'italic',
  ownFonts: Readonly<Record<string, OwnFont>>,
): { on: boolean; to: string } | undefined {
  const face = typefaceIn(typeface, ownFonts);
  if (!face) return undefined;
  const has = { bold: /^bold\b/i.test(face.style), italic: isItalic(face.style) };
  const want = { ...has, [quality]: !has[quality] };
  const names =
    STYLE_NAMES[[want.bold ? 'bold' : '', want.italic ? 'italic' : ''].filter(Boolean).join(' ') || 'plain']!;
  const found = [...TYPEFACES, ...ownTypefaces(ownFonts)].find(
    (each) => each.family === face.family && names.includes(each.style),
  );
  return found && { on: has[quality], to: found.id };
}
