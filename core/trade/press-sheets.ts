import { toPoints } from '../units/length';
import type { Source } from './schema';

/** A sheet as it comes to the press, upright. Points. */
export interface PressSheet {
  name: string;
  width: number;
  height: number;
  source: Source;
}

const metric = (name: string, width: number, height: number, source: Source): PressSheet => ({
  name,
  width: toPoints(width, 'mm'),
  height: toPoints(height, 'mm'),
  source,
});
const inch = (name: string, width: number, height: number): PressSheet => ({
  name,
  width: width * 72,
  height: height * 72,
  source: { kind: 'common practice' },
});
const ISO_217: Source = { kind: 'standard', name: 'ISO 217' };
const ISO_216: Source = { kind: 'standard', name: 'ISO 216' };

export const PRESS_SHEETS: readonly PressSheet[] = [
  metric('SRA3', 320, 450, ISO_217),
  metric('RA3', 305, 430, ISO_217),
  metric('SRA2', 450, 640, ISO_217),
  metric('RA2', 430, 610, ISO_217),
  metric('A4', 210, 297, ISO_216),
  metric('A3', 297, 420, ISO_216),
  inch('Letter', 8.5, 11),
  inch('Legal', 8.5, 14),
  inch('Tabloid', 11, 17),
  inch('12 × 18 in', 12, 18),
  inch('13 × 19 in', 13, 19),
];
