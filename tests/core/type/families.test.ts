import { describe, expect, it } from 'vitest';
import { familiesOf, isItalic, nearestStyle, weightOf } from '../../../core/type/families';
import { TYPEFACES } from '../../../core/type/typefaces';

const family = (name: string) => familiesOf(TYPEFACES).find((each) => each.name === name)!;

describe('families', () => {
  it('hold each typeface once, under its own name', () => {
    const families = familiesOf(TYPEFACES);
    expect(new Set(families.map(({ name }) => name)).size).toBe(families.length);
    expect(families.flatMap(({ faces }) => faces)).toHaveLength(TYPEFACES.length);
    for (const { name, faces } of families) expect(faces.every((face) => face.family === name)).toBe(true);
  });
  it.each([
    ['Regular', 400, false],
    ['Semibold Italic', 600, true],
    ['ExtraBold', 800, false],
    ['Extra Light Oblique', 200, true],
    ['Demi Bold', 600, false],
    ['Black', 900, false],
  ])('know the weight and slope of %s', (style, weight, italic) => {
    expect([weightOf(style), isItalic(style)]).toEqual([weight, italic]);
  });
  it.each([
    ['Alegreya', 'Semibold', 'Semibold'],
    ['Lora', 'Semibold', 'Bold'],
    ['Great Vibes', 'Bold Italic', 'Regular'],
    ['Raleway', 'Medium Italic', 'Italic'],
  ])('%s in %s is its %s', (name, style, nearest) => {
    expect(nearestStyle(family(name).faces, style)?.style).toBe(nearest);
  });
  it('have no nearest style where they are empty', () => {
    expect(nearestStyle([], 'Regular')).toBeUndefined();
  });
});
