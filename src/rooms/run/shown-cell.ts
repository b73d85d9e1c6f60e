import type { Column } from '../../../core/job/table';

/** A cell on one line, as it is read in the table: of a contact card, whose it is. */
export const shownCell = ({ made }: Column, said: string): string =>
  made?.kind === 'contact' ? (/^FN:(.*)$/m.exec(said)?.[1]?.trim() ?? '') : said.replace(/\s*\r?\n\s*/g, ', ');
