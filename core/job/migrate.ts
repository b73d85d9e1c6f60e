import { shopOf } from '../trade/shops';
import { JOB_VERSION } from './schema';

/** Jobs as older versions wrote them; their shape is checked after the last step, so nothing is taken on trust here. */
type Loose = Record<string, unknown>;
const list = (value: unknown): Loose[] =>
  (Array.isArray(value) ? value.filter((v) => typeof v === 'object' && v !== null) : []) as Loose[];

/** Version 1 had words in one typeface and size a frame, no named styles, fonts or spelling. */
function wordsFrom1(element: Loose): Loose {
  if (element['kind'] !== 'words') return element;
  const { text, typeface, size, leading, align, width, paint, ...rest } = element;
  return {
    ...rest,
    paragraphs: String(text ?? '')
      .split('\n')
      .map((line) => ({ spans: line === '' ? [] : [{ text: line }] })),
    lettering: { typeface, size, paint },
    setting: { align, leading: { share: leading } },
    frame: {
      behaviour: width === null ? 'grows' : 'fixed width',
      width: width ?? 0,
      height: 0,
      inset: 0,
      vertical: 'top',
    },
  };
}

const from1 = (job: Loose): Loose => ({
  ...job,
  version: 2,
  styles: [],
  fonts: {},
  spelling: { language: 'en-GB', words: [] },
  pieces: list(job['pieces']).map((piece) => ({
    ...piece,
    faces: list(piece['faces']).map((face) => ({ ...face, elements: list(face['elements']).map(wordsFrom1) })),
  })),
});

/** Version 2 knew only the press conditions that ship. */
const from2 = (job: Loose): Loose => ({ ...job, version: 3, conditions: {}, pressOf: {} });

/** Version 3 had no house but its inks and styles. */
const from3 = (job: Loose): Loose => ({ ...job, version: 4, firm: {}, people: [], logos: [], roles: {} });

/** Version 4 had no shops of its own, and every finding was open. */
const from4 = (job: Loose): Loose => ({ ...job, version: 5, shops: [], accepted: [] });

/** Version 5 knew no orders. */
const from5 = (job: Loose): Loose => ({ ...job, version: 6 });

/** Version 6 had one grid by hand on a sheet, placed from the middle: where its first trim lies is worked out as it was. */
function handFrom6(piece: Loose, shops: Loose[]): Loose {
  const sheet = piece['sheet'] as Loose | undefined;
  const hand = sheet?.['hand'] as Loose | undefined;
  if (!sheet || !hand) return piece;
  const n = (from: Loose | undefined, key: string): number => Number(from?.[key] ?? 0);
  const shop = shops.find(({ id }) => id === piece['shop']) ?? (shopOf(String(piece['shop'])) as unknown as Loose);
  const bleed = sheet['bleed'] === 'trimmed' ? 0 : n(shop['bleed'] as Loose, String(piece['kind']));
  const gap = sheet['gutter'] === 'none' ? 0 : sheet['gutter'] === 'twice the bleed' ? 2 * bleed : n(sheet, 'gutter');
  const press = sheet['press'] as Loose | undefined;
  const foot = Math.max(n(sheet, 'gripper'), n(sheet, 'unprintable'));
  const tumbles = sheet['turning'] === 'work-and-tumble';
  const head = tumbles ? foot : n(sheet, 'unprintable');
  const across = n(piece, hand['turned'] ? 'height' : 'width');
  const down = n(piece, hand['turned'] ? 'width' : 'height');
  const width = n(hand, 'columns') * (across + gap) - gap;
  const height = n(hand, 'rows') * (down + gap) - gap;
  const x =
    sheet['turning'] === 'work-and-turn' ? (n(press, 'width') - gap) / 2 - width : (n(press, 'width') - width) / 2;
  const y = tumbles ? (n(press, 'height') - gap) / 2 - height : (head + n(press, 'height') - foot - height) / 2;
  const { rows, columns, turned } = hand;
  const block = { item: 0, rows, columns, turned, x: x + n(hand, 'x'), y: y + n(hand, 'y') };
  return { ...piece, sheet: { ...sheet, hand: { forms: [{ blocks: [block] }] } } };
}

const from6 = (job: Loose): Loose => ({
  ...job,
  version: 7,
  pieces: list(job['pieces']).map((piece) => handFrom6(piece, list(job['shops']))),
});

/** Version 7 knew what was accepted by how it was worded, which changes: only the rule, the element and the value are kept. */
const from7 = (job: Loose): Loose => ({
  ...job,
  version: 8,
  accepted: list(job['accepted']).map(({ problem: _wording, ...rest }) => rest),
});

/** CMYK pictures may be kept as TIFF since: nothing of an older job changes. */
const from8 = (job: Loose): Loose => ({ ...job, version: 9 });

/** A round gradient may begin off its middle since: nothing of an older job changes. */
const from9 = (job: Loose): Loose => ({ ...job, version: 10 });

/** A job may know its country, and a quoted detail may ask to be filled in since: nothing of an older job changes. */
const from10 = (job: Loose): Loose => ({ ...job, version: 11 });

/** Version 11 knew no tables. */
const from11 = (job: Loose): Loose => ({ ...job, version: 12, tables: [] });

/** A letter may be written to the rows of a table since, and labels lie on their sheets: nothing of an older job changes. */
const from12 = (job: Loose): Loose => ({ ...job, version: 13 });

/** A piece may be finished, text have a line along its letters, a shop its prices, and a client a say since: nothing of an older job changes. */
const from13 = (job: Loose): Loose => ({ ...job, version: 14 });

/** What meets may be spread since: nothing of an older job changes. */
const from14 = (job: Loose): Loose => ({ ...job, version: 15 });

/** Stock may have a colour since: nothing of an older job changes. */
const from15 = (job: Loose): Loose => ({ ...job, version: 16 });

/** Folds may lie level, cross, and make four panels since: nothing of an older job changes. */
const from16 = (job: Loose): Loose => ({ ...job, version: 17 });

/** A page of a PDF may be placed whole since: nothing of an older job changes. */
const from17 = (job: Loose): Loose => ({ ...job, version: 18 });

/** The step from each version to the next. */
const STEPS: Record<number, (job: Loose) => Loose> = {
  1: from1,
  2: from2,
  3: from3,
  4: from4,
  5: from5,
  6: from6,
  7: from7,
  8: from8,
  9: from9,
  10: from10,
  11: from11,
  12: from12,
  13: from13,
  14: from14,
  15: from15,
  16: from16,
  17: from17,
};

/** An older job brought to the present version; anything else comes back as it is. */
export function migrate(json: unknown): unknown {
  let job = json as Loose;
  for (let version = Number(job?.['version']); version < JOB_VERSION && STEPS[version]; version++)
    job = STEPS[version]!(job);
  return job;
}
