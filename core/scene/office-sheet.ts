import { type Box, bottom } from '../geometry/box';
import { linePath } from '../geometry/path';
import { makeWords } from '../job/make';
import { toPoints } from '../units/length';
import type { Device } from './device';
import { drawElement } from './face';
import { SERVICE_TYPEFACE } from './slug';
import type { SceneSources } from './sources';

/** The paper of an office printer: ISO 216, and ANSI/ASME Y14.1 size A. Points, upright. */
export const OFFICE_SHEETS = {
  A4: {
    name: 'A4',
    width: toPoints(210, 'mm'),
    height: toPoints(297, 'mm'),
    line: toPoints(100, 'mm'),
    says: '100 mm',
  },
  Letter: { name: 'Letter', width: 612, height: 792, line: 288, says: '4 in' },
} as const;
export type OfficeSheet = keyof typeof OFFICE_SHEETS;

/** What such a printer cannot reach along each edge, points; common practice. */
const UNPRINTABLE = toPoints(6, 'mm');
/** Room below the piece for the line that is measured. */
const FOOT = toPoints(14, 'mm');

/**
 * The sheet round a trim that lies in its middle, upright or wide, whichever holds what is drawn (points from the
 * trim's corner); undefined where it is too small for that.
 */
export function officeSheet(sheet: OfficeSheet, trim: Box, drawn: Box): Box | undefined {
  const { width, height } = OFFICE_SHEETS[sheet];
  const ways = [
    { width, height },
    { width: height, height: width },
  ];
  const fits = ways.find(
    (way) => drawn.width <= way.width - 2 * UNPRINTABLE && drawn.height + 2 * FOOT <= way.height - 2 * UNPRINTABLE,
  );
  return fits && { x: trim.x + (trim.width - fits.width) / 2, y: trim.y + (trim.height - fits.height) / 2, ...fits };
}

const BLACK = { Black: 1 };
const WEIGHT = 0.5;
const TICK = 6;

/** A line of a known length at the foot of the sheet, with what it measures: a printer that shrinks is found out by it. */
export function drawCheckLine(sheet: OfficeSheet, media: Box, sources: SceneSources, device: Device): void {
  const { line, says } = OFFICE_SHEETS[sheet];
  const y = bottom(media) - UNPRINTABLE - 5;
  const x = media.x + (media.width - line) / 2;
  const stroke = (ax: number, ay: number, bx: number, by: number): void =>
    device.strokePath(linePath({ x: ax, y: ay }, { x: bx, y: by }), { weight: WEIGHT }, BLACK);
  stroke(x, y, x + line, y);
  for (const end of [x, x + line]) stroke(end, y - TICK / 2, end, y + TICK / 2);
  const text = `This line is ${says}. If it is not, print at 100 %, not to fit the page.`;
  drawElement(
    makeWords({
      id: 'check-line',
      text,
      x: media.x + media.width / 2,
      y: y - 15,
      lettering: { typeface: SERVICE_TYPEFACE, size: 8 },
      setting: { align: 'centre' },
    }),
    sources,
    device,
  );
}
