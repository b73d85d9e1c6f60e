import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { paragraphsOf } from '../../../core/job/look';
import { breaksOf } from '../../../core/type/breaks';
import { evenGaps } from '../../../core/type/even-gaps';
import { styledRuns, visualOrder } from '../../../core/type/runs';
import { type FrameSetting, setWords } from '../../../core/type/set-words';
import { type Lettering, type Paragraph, PLAIN, type Setting } from '../../../core/type/style';
import { SORTS, TYPEFACES, typefaceOf } from '../../../core/type/typefaces';
import { kit } from '../../kit';

const sans = kit.fonts.font('source-sans-3/regular');
const TEN: Lettering = { ...PLAIN.lettering, size: 10 };
const GROWS: FrameSetting = { behaviour: 'grows', width: 0, height: 0, inset: 0, vertical: 'top' };
const wide = (width: number): FrameSetting => ({ ...GROWS, behaviour: 'fixed width', width });
const box = (width: number, height: number, more: Partial<FrameSetting> = {}): FrameSetting => ({
  ...GROWS,
  behaviour: 'fixed box',
  width,
  height,
  ...more,
});
const set = (words: string | Paragraph[], frame = GROWS, setting: Partial<Setting> = {}, lettering = TEN) =>
  setWords(
    {
      paragraphs: (typeof words === 'string' ? paragraphsOf(words) : words).map(({ spans, ...own }) => ({
        paragraph: { spans },
        setting: { ...PLAIN.setting, ...setting, ...own } as Setting,
      })),
      lettering,
      frame,
    },
    kit.fonts,
  );

describe('typefaces', () => {
  it('ships at least 18 families, of every sort asked for, each file of which opens', () => {
    expect(new Set(TYPEFACES.map((face) => face.family)).size).toBeGreaterThanOrEqual(18);
    for (const sort of SORTS) expect(TYPEFACES.some((face) => face.sort === sort)).toBe(true);
    expect(
      new Set(TYPEFACES.filter((face) => face.sort === 'script').map((face) => face.family)).size,
    ).toBeGreaterThanOrEqual(2);
    for (const { id } of TYPEFACES) {
      const font = kit.fonts.font(id);
      expect(font.shape({ text: 'Ag' }).every((glyph) => glyph.id > 0)).toBe(true);
      expect(font.postscriptName).toMatch(/^[A-Za-z0-9-]+$/);
    }
  });
  it('has real small capitals, oldstyle and tabular figures and named sets among them', () => {
    const garamond = kit.fonts.font('eb-garamond/regular');
    for (const tag of ['smcp', 'onum', 'tnum', 'lnum', 'ss01']) expect(garamond.features.has(tag)).toBe(true);
    expect(garamond.shape({ text: 'a', features: { smcp: 1 } })[0]!.id).not.toBe(garamond.shape({ text: 'a' })[0]!.id);
    // Under the names the font itself gives.
    const names = [...kit.fonts.font('source-sans-3/regular').features]
      .filter(([tag]) => tag.startsWith('ss'))
      .map(([, name]) => name);
    expect(names.some((name) => !name.startsWith('Stylistic set'))).toBe(true);
    expect([...kit.fonts.font('josefin-sans/regular').features.keys()]).not.toContain('smcp');
  });
  it('knows what it does not have', () => {
    expect(typefaceOf('nothing/regular')).toBeUndefined();
    expect(kit.fonts.font('great-vibes/regular').has('日'.codePointAt(0)!)).toBe(false);
  });
});

describe('shaping', () => {
  it('kerns, unless told not to', () => {
    const width = (text: string, features = {}) =>
      sans.shape({ text, features }).reduce((sum, glyph) => sum + glyph.advance, 0);
    expect(width('AV')).toBeLessThan(width('A') + width('V'));
    expect(width('AV', { kern: 0 })).toBe(width('A') + width('V'));
  });
  it('keeps what it has shaped', () => {
    expect(sans.shape({ text: 'Again' })).toBe(sans.shape({ text: 'Again' }));
  });
});

describe('frames', () => {
  it('put the first baseline one ascent below the top, the next ones a leading apart', () => {
    const { lines, frame } = set('One\nTwo\nThree');
    expect(lines.map((line) => line.text)).toEqual(['One', 'Two', 'Three']);
    expect(lines[0]!.baseline).toBeCloseTo((sans.ascent / sans.upem) * 10, 9);
    expect(lines[2]!.baseline - lines[1]!.baseline).toBeCloseTo(12, 9);
    expect(frame.height).toBeCloseTo(((sans.ascent - sans.descent) / sans.upem) * 10 + 24, 9);
  });

  it('grow about their anchor: left edge, middle or right edge', () => {
    const at = (align: Setting['align']) => set('A wide line\nless', GROWS, { align });
    expect(at('left').frame.x).toBeCloseTo(0, 12);
    expect(at('right').frame.x).toBeCloseTo(-at('right').frame.width, 9);
    for (const { x, width } of at('centre').lines) expect(x + width / 2).toBeCloseTo(0, 9);
    for (const { x, width } of at('right').lines) expect(x + width).toBeCloseTo(0, 9);
  });

  it('leave an inset on every side', () => {
    const plain = set('Words');
    const inset = set('Words', { ...GROWS, inset: 5 });
    expect(inset.frame.width - plain.frame.width).toBeCloseTo(10, 9);
    expect(inset.lines[0]!.baseline - plain.lines[0]!.baseline).toBeCloseTo(5, 9);
  });

  it('of a fixed size hide what does not fit, and say how much room all would need', () => {
    const { lines, hidden, needed } = set('One\nTwo\nThree\nFour', box(100, 30));
    expect([lines.length, hidden.map((line) => line.text)]).toEqual([2, ['Three', 'Four']]);
    expect(set('One\nTwo\nThree\nFour', box(100, needed)).hidden).toEqual([]);
    expect(set('One\nTwo\nThree\nFour', box(100, needed - 0.1)).hidden.length).toBe(1);
  });

  it('of a fixed size stand words at the top, the middle or the bottom', () => {
    const at = (vertical: FrameSetting['vertical']) => set('One', box(100, 100, { vertical })).lines[0]!.baseline;
    const { needed } = set('One');
    expect(at('bottom') - at('top')).toBeCloseTo(100 - needed, 9);
    expect(at('middle') - at('top')).toBeCloseTo((100 - needed) / 2, 9);
  });
});

describe('paragraphs', () => {
  it('break so that no line is wider than the frame, unless one word is; nothing is lost', () => {
    const words = fc.array(fc.stringMatching(/^[a-z]{1,9}(-[a-z]{1,5})?$/), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(words, fc.integer({ min: 40, max: 200 }), (list, width) => {
        const { lines } = set(list.join(' '), wide(width));
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

  it('fill the width when justified, but for the last line', () => {
    const { lines } = set('Some words that go on for quite a while and then a little longer than that', wide(120), {
      align: 'justified',
    });
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines.slice(0, -1)) expect(line.width).toBeCloseTo(120, 6);
    expect(lines.at(-1)!.width).toBeLessThan(119);
    const last = lines[0]!.runs.at(-1)!;
    expect(last.x + last.width).toBeCloseTo(120, 6);
  });

  it('take indents, spaces and exact leading', () => {
    const { lines } = set(
      [
        {
          spans: [{ text: 'first words that go on to a second line of it' }],
          indent: { left: 10, right: 0, first: 5 },
        },
        { spans: [{ text: 'after' }], before: 7 },
      ],
      wide(120),
      { leading: { points: 14 }, after: 3 },
    );
    expect(lines[0]!.x).toBeCloseTo(15, 9);
    expect(lines[1]!.x).toBeCloseTo(10, 9);
    expect(lines[1]!.baseline - lines[0]!.baseline).toBeCloseTo(14, 9);
    expect(lines.at(-1)!.baseline - lines.at(-2)!.baseline).toBeCloseTo(14 + 3 + 7, 9);
  });

  it('set tabs from the left, about their middle and to the right', () => {
    const tabs: Setting['tabs'] = [
      { at: 50, align: 'left' },
      { at: 100, align: 'centre' },
      { at: 200, align: 'right' },
    ];
    const [line] = set('a\tbb\tccc\tdddd', wide(300), { tabs }).lines;
    const [, b, c, d] = line!.runs;
    expect(b!.x).toBeCloseTo(50, 9);
    expect(c!.x + c!.width / 2).toBeCloseTo(100, 9);
    expect(d!.x + d!.width).toBeCloseTo(200, 9);
  });

  it('mix looks in a line; the largest sets the leading', () => {
    const { lines } = set([
      { spans: [{ text: 'Spring ', size: 21, paint: { ink: 'green', tint: 1 } }, { text: 'opening' }] },
      { spans: [{ text: 'details', size: 12 }] },
    ]);
    expect(lines[0]!.runs.map((run) => run.lettering.size)).toEqual([21, 10]);
    expect(lines[1]!.baseline - lines[0]!.baseline).toBeCloseTo(14.4, 9);
    expect(lines[0]!.baseline).toBeCloseTo((sans.ascent / sans.upem) * 21, 9);
  });

  it('track letters, but not past the end of a line', () => {
    const plain = set('Words').frame.width;
    const tracked = set('Words', GROWS, {}, { ...TEN, tracking: 100 }).frame.width;
    expect(tracked - plain).toBeCloseTo(4 * 1, 6);
  });

  it('change case for the page', () => {
    expect(set('Grüße', GROWS, {}, { ...TEN, letterCase: 'capitals' }).lines[0]!.text).toBe('GRÜSSE');
    expect(set('LOUD', GROWS, {}, { ...TEN, letterCase: 'lower case' }).lines[0]!.text).toBe('loud');
  });
});

describe('even gaps', () => {
  it('bring the gaps of an uneven pair closer to those of two stems', () => {
    const shaped = sans.shape({ text: 'AVAT', features: { kern: 0 } });
    const even = evenGaps(shaped, sans);
    expect(even[0]!.advance).toBeLessThan(shaped[0]!.advance);
    expect(even.map((glyph) => glyph.id)).toEqual(shaped.map((glyph) => glyph.id));
    const stems = sans.shape({ text: 'nn', features: { kern: 0 } });
    expect(evenGaps(stems, sans)[0]!.advance).toBe(stems[0]!.advance);
  });
});

describe('line breaking', () => {
  const parts = (text: string): string[] => {
    const stops = breaksOf(text).map((b) => b.at);
    return stops.map((stop, i) => text.slice(stops[i - 1] ?? 0, stop));
  };
  it('follows Unicode (UAX #14): spaces, hyphens, no-break spaces, dashes, ideographs', () => {
    expect(parts('one two-three')).toEqual(['one ', 'two-', 'three']);
    expect(parts('10\u00a0mm wide')).toEqual(['10\u00a0mm ', 'wide']);
    expect(parts('日本語')).toEqual(['日', '本', '語']);
    expect(breaksOf('a\u2028b')[0]).toEqual({ at: 2, required: true });
  });
  it.each([
    'iris@hollin-fen.example',
    'https://hollin-fen.example/open-day/2026',
    'www.hollin-fen.example',
    '+44 1632 960 118',
    '(01632) 960-118',
    'hollin-fen.example/a-b',
  ])('does not break %s', (text) => {
    expect(parts(`see ${text} now`)).toEqual(['see ', `${text} `, 'now']);
  });
});

describe('scripts and directions', () => {
  it('part where the script changes, so that each is shaped as its own', () => {
    expect(styledRuns({ spans: [{ text: 'Fen Ελλ 12 Жук' }] }, TEN).runs.map(({ start, end }) => [start, end])).toEqual(
      [
        [0, 4],
        [4, 11],
        [11, 14],
      ],
    );
  });
  // UAX #9: a Latin word in Hebrew text keeps its order, the rest runs the other way.
  it('stand from left to right as Unicode’s bidirectional rules order them', () => {
    const styled = styledRuns({ spans: [{ text: 'אבג abc דהו' }] }, TEN);
    expect(styled.rightToLeft).toBe(true);
    expect(
      visualOrder(styled.runs)
        .map((run) => styled.text.slice(run.start, run.end).trim())
        .filter(Boolean),
    ).toEqual(['דהו', 'abc', 'אבג']);
    const latin = styledRuns({ spans: [{ text: 'see שלום now' }] }, TEN);
    expect(
      visualOrder(latin.runs)
        .map((run) => latin.text.slice(run.start, run.end).trim())
        .filter(Boolean),
    ).toEqual(['see', 'שלום', 'now']);
  });
  it('align words that read right to left at the right by themselves', () => {
    const arabic = { ...TEN, typeface: 'amiri/regular' };
    const { lines } = set('مشتل وحديقة شاي', wide(200), {}, arabic);
    expect(lines[0]!.x + lines[0]!.width).toBeCloseTo(200, 6);
    const glyphs = lines[0]!.runs[0]!.glyphs;
    expect(glyphs[0]!.cluster).toBeGreaterThan(glyphs.at(-1)!.cluster);
  });
});
