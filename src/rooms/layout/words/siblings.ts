import { TYPEFACES, typefaceOf } from '../../../../core/type/typefaces';

/** Whether a typeface is bold or italic, and the one of its family that differs in just that; undefined where there is none. */
export function sibling(typeface: string, quality: 'bold' | 'italic'): { on: boolean; to: string } | undefined {
  const face = typefaceOf(typeface);
  if (!face) return undefined;
  const [family, style] = face.id.split('/') as [string, string];
  const has = { bold: style.startsWith('bold'), italic: style.endsWith('italic') };
  const want = { ...has, [quality]: !has[quality] };
  const name = [want.bold ? 'bold' : '', want.italic ? 'italic' : ''].filter(Boolean).join('-') || 'regular';
  const found = TYPEFACES.find((each) => each.id === `${family}/${name}`);
  return found && { on: has[quality], to: found.id };
}
