import { hire, type Room, type TimeLimit } from './hire';
import type { Rooms } from './rooms.worker';
import { start } from './start';

const LARGE_ONES = 30_000;
const tooLong = (what: string, instead: string): TimeLimit => ({
  within: LARGE_ONES,
  words: `${what} takes too long to be looked over. ${instead}`,
});

let shared: Room<Rooms['intake']> | undefined;
/** The worker that looks over files that come from outside. */
export function intake(): Room<Rooms['intake']> {
  shared ??= hire<Rooms['intake']>(() => start('intake'), {
    limits: {
      readDrawing: {
        within: 5000,
        words: 'This drawing takes too long to read. Simplify it in its program, or import it as a picture instead.',
      },
      traceLogo: tooLong('This picture', 'Trace it in a drawing program, and add it as an SVG or PDF.'),
      readPage: tooLong('This page', 'Export only what is needed of it, or import it as a picture instead.'),
      takeWhole: tooLong('This page', 'Export only what is needed of it, or import it as a picture instead.'),
      pageOfHash: tooLong('This file', 'Export only the page that was placed.'),
      takeIn: tooLong('This picture', 'Save it again from its program, with fewer pixels.'),
      fontsInFile: tooLong('This font', 'Get it again from where it came from.'),
      takeInFont: tooLong('This font', 'Get it again from where it came from.'),
      takeInProfile: tooLong('This profile', 'Get it again from the print shop.'),
      takeTable: tooLong('This table', 'Save it as CSV, with only the columns that are needed.'),
      readPeople: tooLong('This list of people', 'Save it as CSV, with only the columns that are needed.'),
      readInks: tooLong('This list of inks', 'Get it again from where it came from.'),
      readShopFile: tooLong('This shop’s spec', 'Get it again from the print shop.'),
      readReplyFile: tooLong('This reply', 'Ask the client for it again.'),
      openJobFile: tooLong('This job file', 'Ask for it to be saved again.'),
    },
  }).room;
  return shared;
}
