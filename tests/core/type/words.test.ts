import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setWords } from '../../../core/type/set-words';
import { TYPEFACES, typefaceOf } from '../../../core/type/typefaces';
import { kit } from '../../kit';

const sans = kit.fonts.font('source-sans-3/regular');
const base = { text: '', size: 10, leading: 1.2, align: 'left', width: null } as const;

describe('typefaces', () => {
  it('ships three families, every file of which opens', () => {
    expect(new Set(TYPEFACES.map((face) => face.family)).size).toBe(3);
    for (const { id } of TYPEFACES) {
      const font = kit.fonts.font(id);
      expect(font.shape('Ag').every((glyph) => glyph.id > 0)).toBe(true);
      expect(font.postscriptName).toMatch(/^[A-Za-z0-9-]+$/);
    }
  });
  it('says which typeface is missing', () => {
    expect(typefaceOf('nothing/regular')).toBeUndefined();
    expect(() => kit.fonts.font('nothing/regular')).toThrow(/nothing\/regular/);
  });
});

describe('setting words', () => {
  it('kerns: AV together is narrower than A and V apart', () => {
    const width = (text: string): number => sans.shape(text).reduce((sum, glyph) => sum + glyph.advance, 0);
    expect(width('AV')).toBeLessThan(width('A') + width('V'));
  });

  it('makes ligatures where the font has them', () => {
    const cormorant = kit.fonts.font('cormorant-garamond/regular');
    expect(cormorant.shape('ffi').length).toBeLessThan(3);
  });

  it('puts the first baseline one ascent below the top, the next ones a leading apart', () => {
    const { lines, frame } = setWords({ ...base, text: 'One\nTwo\nThree' }, sans);
    expect(lines.map((line) => line.text)).toEqual(['One', 'Two', 'Three']);
    expect(lines[0]!.baseline).toBeCloseTo((sans.ascent / sans.upem) * 10, 9);
    expect(lines[2]!.baseline - lines[1]!.baseline).toBeCloseTo(12, 9);
    expect(frame.height).toBeCloseTo(((sans.ascent - sans.descent) / sans.upem) * 10 + 24, 9);
  });

  it('grows about its anchor: left edge, middle or right edge', () => {
    const at = (align: 'left' | 'centre' | 'right') => setWords({ ...base, text: 'A wide line\nless', align }, sans);
    expect(at('left').frame.x).toBeCloseTo(0, 12);
    expect(at('right').frame.x).toBeCloseTo(-at('right').frame.width, 9);
    const centred = at('centre');
    expect(centred.frame.x).toBeCloseTo(-centred.frame.width / 2, 9);
    for (const { x, width } of centred.lines) expect(x + width / 2).toBeCloseTo(0, 9);
    for (const { x, width } of at('right').lines) expect(x + width).toBeCloseTo(0, 9);
  });

  it('breaks at spaces and hyphens so that no line is wider than the frame, unless one word is', () => {
    const words = fc.array(fc.stringMatching(/^[a-z]{1,9}(-[a-z]{1,5})?$/), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(words, fc.integer({ min: 40, max: 200 }), (list, width) => {
        const { lines } = setWords({ ...base, text: list.join(' '), width }, sans);
        expect(
          lines
            .map((line) => line.text)
            .join(' ')
            .replace(/- /g, '-'),
        ).toBe(list.join(' '));
        for (const line of lines) if (/\S[\s-]\S/.test(line.text)) expect(line.width).toBeLessThanOrEqual(width + 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('keeps empty lines and empty words', () => {
    expect(setWords({ ...base, text: 'a\n\nb' }, sans).lines.length).toBe(3);
    expect(setWords({ ...base, text: '' }, sans).frame.width).toBe(0);
  });
});
