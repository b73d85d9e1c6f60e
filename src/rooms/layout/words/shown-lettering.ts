import { useEditorState } from '@tiptap/react';
import { lookOf } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import type { Lettering } from '../../../../core/type/style';
import { useBench } from '../bench';
import { useEditing } from './editing';

/** The lettering the controls show: that of the selected letters, or of the whole frame. */
export function useShownLettering(words: Words): { lettering: Lettering; ofSelection: boolean } {
  const { sources } = useBench();
  const { id, editor } = useEditing();
  const own = useEditorState({
    editor: editor ?? null,
    selector: ({ editor: now }) => {
      if (!now || now.state.selection.empty) return undefined;
      const { from } = now.state.selection;
      const mark = now.state.doc.nodeAt(from)?.marks.find((m) => m.type.name === 'lettering');
      return (mark?.attrs['own'] ?? {}) as Partial<Lettering>;
    },
  });
  const { lettering } = lookOf(words, sources.styles);
  return id === words.id && own
    ? { lettering: { ...lettering, ...own } as Lettering, ofSelection: true }
    : { lettering, ofSelection: false };
}
