import type { Editor } from '@tiptap/react';
import { create } from 'zustand';
import { setLettering, setParagraphs } from '../../../../core/job/edits/words';
import { findElement, flowHead } from '../../../../core/job/find';
import type { Job } from '../../../../core/job/schema';
import type { Lettering } from '../../../../core/type/style';
import { loadFonts } from '../../../bench/kit';
import { act, select, settle, useSession } from '../../../store/session';
import { fromDoc } from './doc-words';
import { takeEarlyKeys, typedBy, waitForEditor } from './early-keys';

const CLOSED = { id: undefined, editor: undefined, own: undefined };

/** Which words are open in the editor, if any; the editor comes a little later. */
export const useEditing = create<{
  id: string | undefined;
  editor: Editor | undefined;
  /** What the letters that are selected in the editor have of their own; undefined where none are. */
  own: Partial<Lettering> | undefined;
}>(() => CLOSED);

/** The gesture of typing into the editor: from the first key to the last it is one step. */
export const EDITING_WORDS = 'Edit text';

/** Opens words in the editor; those that go on from another frame, in the frame they begin in. */
export function editWords(id: string): void {
  const { history } = useSession.getState();
  const piece = history && findElement(history.job, id)?.piece;
  const head = piece ? flowHead(piece, id) : id;
  select(head);
  useEditing.setState({ ...CLOSED, id: head });
  waitForEditor(stopEditing);
}
export function stopEditing(): void {
  const { id } = useEditing.getState();
  if (id === undefined) return;
  const typed = typedBy(takeEarlyKeys());
  useEditing.setState(CLOSED);
  settle();
  // Who typed and left before the editor was there has typed over the words all the same.
  if (typed !== undefined) act(EDITING_WORDS, (job) => typedOver(job, id, typed));
}

/** Words with all their letters typed over, in the look of their first ones. */
function typedOver(job: Job, id: string, typed: string): Job {
  const found = findElement(job, id)?.element;
  if (found?.kind !== 'words') return job;
  const [{ spans = [], ...setting } = {}] = found.paragraphs;
  const { text: _text, quote: _quote, ask: _ask, ...own } = spans[0] ?? { text: '' };
  const paragraphs = typed.split('\n').map((text) => ({ ...setting, spans: text === '' ? [] : [{ ...own, text }] }));
  return setParagraphs(job, id, paragraphs);
}

/** The editor, where some of these words are selected in it. */
function editorWithSelection(id: string): Editor | undefined {
  const { id: open, editor } = useEditing.getState();
  return open === id && editor && !editor.state.selection.empty ? editor : undefined;
}

/** The selected letters with a change made to them, as a transaction that has not been carried out. */
function changed(editor: Editor, to: Partial<Lettering>) {
  const { state } = editor;
  const { from, to: end } = state.selection;
  const mark = state.schema.marks['lettering']!;
  const tr = state.tr;
  state.doc.nodesBetween(from, end, (node, at) => {
    if (!node.isInline) return;
    const own = (node.marks.find((m) => m.type === mark)?.attrs['own'] ?? {}) as Partial<Lettering>;
    tr.addMark(Math.max(at, from), Math.min(at + node.nodeSize, end), mark.create({ own: { ...own, ...to } }));
  });
  return tr;
}

/** Shows a change of lettering without making it: on the selected letters, or on the whole frame. */
export function tryLettering(id: string, to: Partial<Lettering>): (job: Job) => Job {
  const editor = editorWithSelection(id);
  return (job) =>
    editor ? setParagraphs(job, id, fromDoc(changed(editor, to).doc.toJSON())) : setLettering(job, id, to);
}

/** Changes the lettering of the selected letters, or of the whole frame; a typeface is loaded first. */
export async function changeLettering(name: string, id: string, to: Partial<Lettering>): Promise<void> {
  if (to.typeface) await loadFonts([to.typeface]);
  const editor = editorWithSelection(id);
  if (editor) editor.view.dispatch(changed(editor, to));
  else act(name, (job) => setLettering(job, id, to));
}
