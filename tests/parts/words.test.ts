import { getSchema } from '@tiptap/core';
import { AllSelection, EditorState } from '@tiptap/pm/state';
import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { readSizes, sizesText } from '../../src/bench/shops/sizes-text';
import { Doc, ParagraphNode, TextNode } from '../../src/rooms/layout/words/doc';
import { fromDoc, toDoc } from '../../src/rooms/layout/words/doc-words';
import {
  type EarlyKey,
  SELECT_ALL,
  takeEarlyKeys,
  typedBy,
  waitForEditor,
} from '../../src/rooms/layout/words/early-keys';
import { pressKey } from '../../src/rooms/layout/words/press-key';
import { openDemo } from '../kit';

describe('words in the editor’s own form', () => {
  const { job } = openDemo();
  const all = job.pieces.flatMap((piece) =>
    piece.faces.flatMap((face) =>
      face.elements.flatMap((e) => (e.kind === 'words' ? [[`${piece.id} ${e.id}`, e] as const] : [])),
    ),
  );
  it.each(all)('come back as they were: %s', (_, { paragraphs }) => {
    expect(fromDoc(JSON.parse(JSON.stringify(toDoc(paragraphs))))).toEqual(paragraphs);
  });
  it('keep every letter, whatever it is', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme', maxLength: 20 }), { minLength: 1, maxLength: 5 }), (lines) => {
        const paragraphs = lines.map((text) => ({ spans: text === '' ? [] : [{ text }] }));
        expect(fromDoc(toDoc(paragraphs))).toEqual(paragraphs);
      }),
    );
  });
});

describe('keys that come before the editor', () => {
  /** A window that only knows its listeners. */
  function withWindow(): (event: Partial<KeyboardEvent>) => { stopped: boolean } {
    const listeners = new Set<(event: KeyboardEvent) => void>();
    vi.stubGlobal('window', {
      addEventListener: (_: string, listener: (event: KeyboardEvent) => void) => listeners.add(listener),
      removeEventListener: (_: string, listener: (event: KeyboardEvent) => void) => listeners.delete(listener),
    });
    return (event) => {
      const told = { stopped: false };
      const stop = (): void => {
        told.stopped = true;
      };
      for (const listener of [...listeners])
        listener({
          ctrlKey: false,
          metaKey: false,
          altKey: false,
          shiftKey: false,
          isComposing: false,
          ...event,
          stopPropagation: stop,
          preventDefault: stop,
        } as KeyboardEvent);
      return told;
    };
  }
  afterEach(() => {
    waitForEditor(undefined);
    vi.unstubAllGlobals();
  });
  it('are kept in their order and reach nobody else, until the editor takes them', () => {
    const press = withWindow();
    waitForEditor(() => undefined);
    for (const key of ['A', 'b', 'Enter', 'Backspace', 'Shift', 'F5']) expect(press({ key }).stopped).toBe(true);
    expect(takeEarlyKeys().map(({ key }) => key)).toEqual(['A', 'b', 'Enter', 'Backspace']);
    expect(press({ key: 'c' }).stopped).toBe(false);
    expect(takeEarlyKeys()).toEqual([]);
  });
  it('leave by Escape, and by Enter with Control', () => {
    const press = withWindow();
    const leave = vi.fn();
    waitForEditor(leave);
    press({ key: 'Escape' });
    press({ key: 'Enter', ctrlKey: true });
    expect(leave).toHaveBeenCalledTimes(2);
  });
  it('that are commands elsewhere are neither done nor typed', () => {
    const press = withWindow();
    waitForEditor(() => undefined);
    expect(press({ key: 'd', ctrlKey: true }).stopped).toBe(true);
    expect(takeEarlyKeys()).toEqual([]);
  });
});

describe('what early keys do in the words', () => {
  const key = (name: string, how: Partial<EarlyKey> = {}): EarlyKey => ({
    key: name,
    byWord: false,
    selects: false,
    ...how,
  });
  const typed = (text: string): EarlyKey[] => [...text].map((letter) => key(letter));
  const schema = getSchema([Doc, ParagraphNode, TextNode]);
  /** Words that are open, all selected, after some keys: the text, and what is selected of it. */
  function endsAs(text: string, keys: readonly EarlyKey[]): [string, string] {
    const doc = schema.nodeFromJSON(
      toDoc(text.split('\n').map((line) => ({ spans: line === '' ? [] : [{ text: line }] }))),
    );
    let state = EditorState.create({ doc, selection: new AllSelection(doc) });
    for (const each of keys) pressKey(state, each, (transaction) => (state = state.apply(transaction)));
    const { from, to } = state.selection;
    return [state.doc.textBetween(0, state.doc.content.size, '\n'), state.doc.textBetween(from, to, '\n')];
  }
  const [words, selects] = [{ byWord: true }, { selects: true }];
  it.each<[string, EarlyKey[], [string, string]]>([
    ['typing takes the place of all', typed('Ada'), ['Ada', '']],
    [
      'the last word is selected',
      [...typed('Iris Calloway'), key('ArrowLeft', { ...words, ...selects })],
      ['Iris Calloway', 'Calloway'],
    ],
    [
      'two words back, one forth',
      [
        ...typed('a bc de'),
        key('ArrowLeft', words),
        key('ArrowLeft', words),
        key('ArrowRight', { ...words, ...selects }),
      ],
      ['a bc de', 'bc'],
    ],
    ['from the end on', [key('ArrowRight'), ...typed('!')], ['Old words!', '']],
    ['from the beginning', [key('ArrowLeft'), ...typed('My ')], ['My Old words', '']],
    ['all again', [...typed('x'), key(SELECT_ALL), ...typed('y')], ['y', '']],
    ['letters taken back', [...typed('abc'), key('Backspace'), key('ArrowLeft'), key('Delete')], ['a', '']],
    ['a word taken back', [...typed('one two'), key('Backspace', words)], ['one ', '']],
    ['to the edges of a line', [...typed('mid'), key('Home'), ...typed('<'), key('End'), ...typed('>')], ['<mid>', '']],
    ['letters with their accents', [...typed('e'), key('\u0301'), key('ArrowLeft', selects)], ['e\u0301', 'e\u0301']],
  ])('%s', (_, keys, told) => {
    expect(endsAs('Old words', keys)).toEqual(told);
  });
  it('over the edge of a paragraph', () => {
    expect(endsAs('ab\ncd', [key('ArrowRight'), key('Home'), key('ArrowLeft'), ...typed('!')])[0]).toBe('ab!\ncd');
    expect(endsAs('ab\ncd', [key('ArrowUp'), key('End'), key('ArrowRight'), ...typed('!')])[0]).toBe('ab\n!cd');
    expect(endsAs('ab\ncd', [key('ArrowUp'), key('End'), key('Delete')])[0]).toBe('abcd');
  });
  it('never break the words, whatever they are', () => {
    const names = [
      'ArrowLeft',
      'ArrowRight',
      'ArrowUp',
      'ArrowDown',
      'Home',
      'End',
      'Backspace',
      'Delete',
      SELECT_ALL,
      'x',
      ' ',
    ];
    const any = fc.record({ key: fc.constantFrom(...names), byWord: fc.boolean(), selects: fc.boolean() });
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: 'grapheme', maxLength: 6 }), { minLength: 1, maxLength: 3 }),
        fc.array(any, { maxLength: 20 }),
        (lines, keys) => {
          expect(() => endsAs(lines.join('\n'), keys)).not.toThrow();
        },
      ),
    );
  });
  it('count as typing where the editor never came, moving alone does not', () => {
    expect(typedBy([...typed('ab'), key('Backspace'), key('ArrowLeft'), key('Enter'), ...typed('c')])).toBe('a\nc');
    expect(typedBy([key('ArrowLeft'), key(SELECT_ALL)])).toBeUndefined();
  });
});

describe('a shop’s sizes as lines of text', () => {
  it.each(['mm', 'in'] as const)('come back as they were typed, in %s', (unit) => {
    const read = readSizes('Standard card: 85 × 55\nSquare: 2 1/2 in x 2 1/2 in', unit);
    if ('message' in read) throw new Error(read.message);
    expect(read.sizes.map(({ name }) => name)).toEqual(['Standard card', 'Square']);
    expect(read.sizes[1]!.width).toBeCloseTo(180, 6);
    const again = readSizes(sizesText(read.sizes, unit), unit);
    if ('message' in again) throw new Error(again.message);
    for (const [i, { width, height }] of again.sizes.entries()) {
      expect(width).toBeCloseTo(read.sizes[i]!.width, 0);
      expect(height).toBeCloseTo(read.sizes[i]!.height, 0);
    }
  });
  it.each(['Card: 85', 'Card: 0 × 55', 'Card: wide × tall', '-3 × 4'])('%s is none, and is named', (line) => {
    expect(readSizes(line, 'mm')).toEqual({ message: expect.stringContaining(line) });
  });
});
