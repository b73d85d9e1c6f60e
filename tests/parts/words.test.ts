import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { readSizes, sizesText } from '../../src/bench/shops/sizes-text';
import { fromDoc, toDoc } from '../../src/rooms/layout/words/doc-words';
import { takeEarlyKeys, waitForEditor } from '../../src/rooms/layout/words/early-keys';
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
    expect(takeEarlyKeys()).toEqual(['A', 'b', 'Enter', 'Backspace']);
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
