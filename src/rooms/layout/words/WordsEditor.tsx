import { UndoRedo } from '@tiptap/extensions';
import { EditorContent, useEditor } from '@tiptap/react';
import X from 'lucide-react/icons/x';
import { useEffect, useRef } from 'react';
import { type Box, bottom } from '../../../../core/geometry/box';
import { setParagraphs } from '../../../../core/job/edits/words';
import { findElement } from '../../../../core/job/find';
import { lookOf } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import { cssFamily } from '../../../parts/TypefaceFaces';
import { sketch, useSession } from '../../../store/session';
import { useBench } from '../bench';
import { Doc, fromDoc, letteringMark, ParagraphNode, TextNode, toDoc } from './doc';
import { EDITING_WORDS, onReload, stopEditing, useEditing } from './editing';
import { QuoteOffers } from './QuoteOffers';
import { isQuoting, QuoteNode } from './quoting';

const WIDTH = 340;
const GAP = 14;

/** Where the panel goes: under the frame, or over it where there is no room. */
function placeBeside(
  frame: Box,
  stage: { width: number; height: number },
): { left: number; top?: number; bottom?: number } {
  const left = Math.max(8, Math.min(frame.x, stage.width - WIDTH - 8));
  return bottom(frame) + 190 < stage.height
    ? { left, top: bottom(frame) + GAP }
    : { left, bottom: Math.max(8, stage.height - frame.y + GAP) };
}

/** The words of a frame in a rich-text editor beside it; the stage follows each key. `frame` in pixels of the stage. */
export function WordsEditor({
  words,
  frame,
  stage,
}: {
  words: Words;
  frame: Box;
  stage: { width: number; height: number };
}) {
  const { sources } = useBench();
  const { lettering } = lookOf(words, sources.styles);
  const baseSize = useRef(lettering.size).current;
  const editor = useEditor({
    extensions: [Doc, ParagraphNode, TextNode, QuoteNode, letteringMark(baseSize), UndoRedo],
    content: toDoc(words.paragraphs),
    autofocus: 'all',
    editorProps: {
      attributes: {
        'aria-label': 'Text',
        class: 'bare min-h-16 max-h-64 overflow-y-auto px-3 py-2 outline-none whitespace-pre-wrap',
      },
      handleKeyDown: (_view, event) => {
        if (isQuoting()) return false;
        if (event.key === 'Escape' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) {
          // Closes the words and no more: they stay selected.
          event.stopPropagation();
          stopEditing();
          return true;
        }
        return false;
      },
    },
    onUpdate: ({ editor: now }) => sketch(EDITING_WORDS, (job) => setParagraphs(job, words.id, fromDoc(now.getJSON()))),
  });

  useEffect(() => {
    useEditing.setState({ editor });
    onReload((id) => {
      const { history, live } = useSession.getState();
      const job = live?.job ?? history?.job;
      const now = job && findElement(job, id)?.element;
      if (now?.kind === 'words') editor.commands.setContent(toDoc(now.paragraphs), { emitUpdate: false });
    });
    return () => onReload(undefined);
  }, [editor]);

  return (
    <div
      data-panel
      className="absolute z-10 rounded border border-base-content bg-white text-black shadow-xl"
      style={{ ...placeBeside(frame, stage), width: WIDTH }}
    >
      <div className="flex items-center justify-between border-b border-base-300 bg-base-200 px-2 py-0.5 text-[12.5px] text-base-content">
        Select some to change only those; @ quotes a detail
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Close the words"
          onClick={stopEditing}
        >
          <X size={13} />
        </button>
      </div>
      <EditorContent
        editor={editor}
        className="text-[17px] leading-snug"
        style={{ fontFamily: `"${cssFamily(lettering.typeface)}"` }}
      />
      <QuoteOffers />
    </div>
  );
}
