import { Mark, Node } from '@tiptap/core';
import type { Lettering } from '../../../../core/type/style';
import { cssFamily } from '../../../parts/TypefaceFaces';

/** Words as the rich-text editor holds them: paragraphs with their own setting, letters with their own lettering. */

const hidden = { default: {}, rendered: false };

export const Doc = Node.create({ name: 'doc', topNode: true, content: 'paragraph+' });
export const TextNode = Node.create({ name: 'text', group: 'inline' });
export const ParagraphNode = Node.create({
  name: 'paragraph',
  group: 'block',
  content: 'inline*',
  addAttributes: () => ({ setting: hidden }),
  parseHTML: () => [{ tag: 'p' }],
  renderHTML: ({ HTMLAttributes }) => ['p', HTMLAttributes, 0],
});

/** In the editor a size is shown relative to the frame's own, within what is comfortable to read. */
const shownSize = (size: number | undefined, base: number): string | undefined =>
  size === undefined ? undefined : `${Math.max(0.7, Math.min(2, size / base))}em`;

export const letteringMark = (baseSize: number) =>
  Mark.create({
    name: 'lettering',
    inclusive: true,
    addAttributes: () => ({ own: hidden }),
    parseHTML: () => [{ tag: 'span[data-lettering]' }],
    renderHTML: ({ mark, HTMLAttributes }) => {
      const own = mark.attrs['own'] as Partial<Lettering>;
      const style = [
        own.typeface && `font-family:"${cssFamily(own.typeface)}"`,
        shownSize(own.size, baseSize) && `font-size:${shownSize(own.size, baseSize)}`,
        own.underline && 'text-decoration:underline',
        own.letterCase === 'capitals' && 'text-transform:uppercase',
        own.letterCase === 'small capitals' && 'font-variant-caps:small-caps',
      ].filter(Boolean);
      return ['span', { ...HTMLAttributes, 'data-lettering': '', style: style.join(';') }, 0];
    },
  });
