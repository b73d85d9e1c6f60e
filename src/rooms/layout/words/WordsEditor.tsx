import { UndoRedo } from '@tiptap/extensions';
import type { Editor } from '@tiptap/react';
import { EditorContent, useEditor } from '@tiptap/react';
import X from 'lucide-react/icons/x';
import { useEffect, useRef } from 'react';
import { type Box, bottom } from '../../../../core/geometry/box';
import { setParagraphs } from '../../../../core/job/edits/words';
import { findElement } from '../../../../core/job/find';
import { lookOf } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import type { Lettering, Paragraph } from '../../../../core/type/style';
import { useBench } from '../../../bench/bench';
import { useSketch } from '../../../bench/use-sketch';
import { cssFamily } from '../../../parts/TypefaceFaces';
import { jobIn, useSession } from '../../../store/session';
import { Doc, letteringMark, ParagraphNode, TextNode } from './doc';
import { fromDoc, toDoc } from './doc-words';
import { takeEarlyKeys } from './early-keys';
import { EDITING_WORDS, stopEditing, useEditing } from './editing';
import { pressKey } from './press-key';
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

/** The paragraphs of some words as the job has them now. */
function paragraphsIn(id: string): readonly Paragraph[] | undefined {
  const job = jobIn(useSession.getState());
  const found = job && findElement(job, id)?.element;
  return found?.kind === 'words' ? found.paragraphs : undefined;
}

/** What the first of the selected letters has of its own. */
function ownOfSelection({ state }: Editor): Partial<Lettering> | undefined {
  if (state.selection.empty) return undefined;
  const mark = state.doc.nodeAt(state.selection.from)?.marks.find((m) => m.type.name === 'lettering');
  return (mark?.attrs['own'] ?? {}) as Partial<Lettering>;
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
  const typing = useSketch(EDITING_WORDS, 'typing');
  // What the editor itself has put into the job, or begun with: anything else there came from elsewhere.
  const shown = useRef<readonly Paragraph[]>(words.paragraphs);
  const isOwn = useRef(false);
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
    onUpdate({ editor: now }) {
      const paragraphs = fromDoc(now.getJSON());
      isOwn.current = true;
      typing.sketch((job) => setParagraphs(job, words.id, paragraphs));
      isOwn.current = false;
      shown.current = paragraphsIn(words.id) ?? shown.current;
    },
    onTransaction: ({ editor: now }) => useEditing.setState({ own: ownOfSelection(now) }),
  });

  useEffect(() => {
    useEditing.setState({ editor });
    // Not in `onCreate`: React may have made an editor that it does not show.
    const begin = (): void => {
      editor.view.focus();
      for (const key of takeEarlyKeys())
        if (key.key === 'Enter') editor.commands.keyboardShortcut('Enter');
        else pressKey(editor.state, key, editor.view.dispatch);
    };
    if (editor.isInitialized) begin();
    else editor.on('create', begin);
    // Undo, a fix, another tab: the editor shows what the words are now, so that its next key does not bring back what they were.
    const follow = useSession.subscribe((session) => {
      const job = jobIn(session);
      if (!job || isOwn.current) return;
      const now = paragraphsIn(words.id);
      if (!now) stopEditing();
      else if (now !== shown.current) {
        shown.current = now;
        editor.commands.setContent(toDoc(now), { emitUpdate: false });
      }
    });
    return () => {
      follow();
      if (useEditing.getState().id === words.id) stopEditing();
    };
  }, [editor, words.id]);

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
          aria-label="Close the text"
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
