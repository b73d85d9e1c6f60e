import { toPoints } from '../units/length';

/**
 * Sheets of labels as they are sold by the size of a label: common practice, from memory. All lie in the middle of their
 * sheet; lengths in points.
 */
export interface LabelSheet {
  /** What is told of it beside its size. */
  paper: 'A4' | 'Letter';
  sheet: { width: number; height: number };
  columns: number;
  rows: number;
  label: { width: number; height: number };
  gap: { x: number; y: number };
}

const sold =
  (paper: LabelSheet['paper'], unit: 'mm' | 'in', across: number, down: number) =>
  (columns: number, rows: number, width: number, height: number, gap = 0): LabelSheet => ({
    paper,
    sheet: { width: toPoints(across, unit), height: toPoints(down, unit) },
    columns,
    rows,
    label: { width: toPoints(width, unit), height: toPoints(height, unit) },
    gap: { x: toPoints(gap, unit), y: 0 },
  });
const metric = sold('A4', 'mm', 210, 297);
const inches = sold('Letter', 'in', 8.5, 11);

export const LABEL_SHEETS: readonly LabelSheet[] = [
  metric(5, 13, 38.1, 21.2, 2.5),
  metric(4, 10, 48.5, 25.4),
  metric(3, 8, 63.5, 33.9, 2.54),
  metric(3, 7, 63.5, 38.1, 2.54),
  metric(3, 8, 70, 36),
  metric(2, 7, 99.1, 38.1, 2.5),
  metric(2, 4, 99.1, 67.7, 2.5),
  metric(2, 2, 99.1, 139, 2.5),
  inches(4, 20, 1.75, 0.5, 0.3),
  inches(3, 10, 2.625, 1, 0.125),
  inches(2, 10, 4, 1, 0.1875),
  inches(2, 7, 4, 1.3333, 0.1875),
  inches(2, 5, 4, 2, 0.1875),
  inches(2, 3, 4, 3.3333, 0.1875),
];
