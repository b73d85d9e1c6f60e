import { AllSelection, type EditorState, TextSelection, type Transaction } from '@tiptap/pm/state';
import { type EarlyKey, SELECT_ALL } from './early-keys';

/** What stands for something in the text that is no letter, as a quoted detail. */
const THING = '\uFFFC';
const WORD_BEFORE = /[\p{L}\p{M}\p{N}_\uFFFC]*[^\p{L}\p{M}\p{N}_\uFFFC]*$/u;
const WORD_AFTER = /^[^\p{L}\p{M}\p{N}_\uFFFC]*[\p{L}\p{M}\p{N}_\uFFFC]*/u;
const LETTER_BEFORE = /\P{M}\p{M}*$/u;
const LETTER_AFTER = /^\P{M}\p{M}*/u;

/** Where a key that moves leads from a place in the text. */
function placeAfter({ doc }: EditorState, from: number, { key, byWord }: EarlyKey): number {
  const at = doc.resolve(from);
  const text = at.parent.textBetween(0, at.parent.content.size, undefined, THING);
  const [before, after] = [text.slice(0, at.parentOffset), text.slice(at.parentOffset)];
  if (key === 'ArrowUp') return 1;
  if (key === 'ArrowDown') return doc.content.size - 1;
  if (key === 'Home') return byWord ? 1 : at.start();
  if (key === 'End') return byWord ? doc.content.size - 1 : at.end();
  // From the edge of a paragraph it goes on in the next.
  if (key === 'ArrowLeft' && before === '') return Math.max(1, from - 2);
  if (key === 'ArrowRight' && after === '') return Math.min(doc.content.size - 1, from + 2);
  const passed =
    key === 'ArrowLeft'
      ? -((byWord ? WORD_BEFORE : LETTER_BEFORE).exec(before)?.[0].length ?? 0)
      : ((byWord ? WORD_AFTER : LETTER_AFTER).exec(after)?.[0].length ?? 0);
  return from + passed;
}

function moved(state: EditorState, key: EarlyKey): Transaction {
  const { selection, tr } = state;
  const isBack = key.key === 'ArrowLeft';
  // From a selection an arrow alone leads to its edge.
  if (!selection.empty && !key.selects && !key.byWord && key.key.startsWith('Arrow')) {
    const edge = isBack || key.key === 'ArrowUp' ? selection.from : selection.to;
    return tr.setSelection(TextSelection.near(state.doc.resolve(edge), isBack ? 1 : -1));
  }
  const head = placeAfter(state, TextSelection.near(state.doc.resolve(selection.head), isBack ? -1 : 1).head, key);
  const [anchor, to] = [key.selects ? selection.anchor : head, head].map((at) => state.doc.resolve(at));
  return tr.setSelection(TextSelection.between(anchor!, to!));
}

/** Does in a text what a key does there; Enter is the editor's own. */
export function pressKey(state: EditorState, key: EarlyKey, dispatch: (transaction: Transaction) => void): void {
  const { selection, tr } = state;
  if (key.key === SELECT_ALL) dispatch(tr.setSelection(new AllSelection(state.doc)));
  else if (key.key === 'Backspace' || key.key === 'Delete') {
    if (!selection.empty) dispatch(tr.deleteSelection());
    else {
      const way = key.key === 'Backspace' ? 'ArrowLeft' : 'ArrowRight';
      const other = placeAfter(state, selection.head, { ...key, key: way });
      const [from, to] = [Math.min(other, selection.head), Math.max(other, selection.head)];
      dispatch(tr.delete(from, to));
    }
  } else if (key.key.length === 1) dispatch(tr.insertText(key.key));
  else dispatch(moved(state, key));
}
