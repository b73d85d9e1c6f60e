import type { FacePlates } from '../../../workers/ink-work';

/** Amounts of ink by plate at a cell, 0 to 1. */
export const amountsAt = ({ plates }: FacePlates, cell: number): Record<string, number> =>
  Object.fromEntries([...plates].map(([plate, cells]) => [plate, cells[cell] ?? 0]));

/** An amount in percent, to a tenth. */
export const percent = (amount: number): string => `${(Math.round(amount * 1000) / 10).toFixed(1)} %`;
