import { PDFDocument } from '@cantoo/pdf-lib';
import type { loadKit } from '../../cli/kit';
import { readJobFile } from '../../core/files/job-file';
import { writePdf } from '../../core/files/pdf/write';
import { addTable, setByRow } from '../../core/job/edits/runs';
import { pieceOf } from '../../core/job/find';
import { pressConditionOf } from '../../core/job/press-of';
import type { Job } from '../../core/job/schema';
import { shopIn } from '../../core/job/shops-of';
import type { Table } from '../../core/job/table';
import { checkRun } from '../../core/run/check-run';
import { pieceForRow, rowPlan } from '../../core/run/row-piece';
import { type Cells, rowsOf } from '../../core/run/rows';
import { assembler } from '../../core/run/write/assemble';
import { openRun } from '../../core/run/write/rows';
import { sourcesOf } from '../../core/scene/sources';

type Kit = Awaited<ReturnType<typeof loadKit>>;
type Report = (what: string, ours: number, reference: string, theirs: number) => void;

const GIVEN = ['Ada', 'Bram', 'Cleo', 'Edith', 'Greta', 'Hugh', 'Imke', 'Lowri', 'Mabel', 'Nils', 'Oona', 'Rosalind'];
const FAMILY = [
  'Ashby',
  'Calder',
  'Dunne',
  'Featherstonehaugh',
  'Hartley',
  'Jessop',
  'Marchbank',
  'Nye',
  'Pryce',
  'Quill',
];

const cellsFor = (count: number): Cells =>
  Array.from({ length: count }, (_, i) => [
    `${GIVEN[i % 12]} ${FAMILY[(i * 7) % 10]}`,
    `Grafter ${i % 50}`,
    `01632 96${`${i % 10_000}`.padStart(4, '0')}`,
    `p${i}@hollinandfen.example`,
  ]);

/** The demo's staff card for so many rows: two sides, a picture that all share, a code with an address of its own a row. */
function staffFor(job: Job, count: number) {
  const cells = cellsFor(count);
  const read = ['name', 'title', 'phone', 'email'].map((key, at) => ({ key, name: key, type: 'text' as const, at }));
  const table: Table = {
    id: 'staff',
    name: 'Staff',
    source: { kind: 'file', file: '0'.repeat(64), name: 'staff.csv' },
    rows: count,
    added: 0,
    columns: [
      ...read,
      {
        key: 'address',
        name: 'Address',
        type: 'text',
        made: { kind: 'joined', says: 'https://hollinandfen.example/{email}' },
      },
    ],
    cells: {},
    removed: [],
    pictures: {},
  };
  const made = setByRow(addTable(job, table), 's-code', { from: 'address' });
  const rows = rowsOf(table, { people: [], firm: job.firm, country: 'GB', file: cells });
  return { job: made, rows, piece: pieceOf(made, 'staff')! };
}

/** How fast a run is written and checked, beside drawing every row's pages anew into one file. */
export async function runsAgainstPlain(
  demo: Uint8Array,
  kit: Kit,
  report: Report,
  count = 2000,
  plainly = 24,
): Promise<void> {
  const { job: spring, assets } = readJobFile(demo);
  const { job, rows, piece } = staffFor(spring, count);
  const shop = shopIn(job, piece.shop);
  const on = { ...kit, press: kit.press(pressConditionOf(job, shop)), assets };
  const asked = { pieceId: piece.id, shop, marks: true, standard: 'PDF/X-4' as const };

  let start = performance.now();
  const writer = openRun(job, asked, rows, on);
  let bytes = 0;
  const file = assembler(writer.frame, (chunk) => {
    bytes += chunk.length;
  });
  for (const row of rows.numbers) file.add(writer.payload(row));
  file.end();
  const ours = performance.now() - start;

  start = performance.now();
  const plan = rowPlan(job, piece, rows, sourcesOf(job, kit.fonts));
  const whole = await PDFDocument.create();
  for (const row of rows.numbers.slice(0, plainly)) {
    const one = { ...job, pieces: job.pieces.map((each) => (each.id === piece.id ? pieceForRow(plan, row) : each)) };
    const page = await PDFDocument.load(await writePdf(one, asked, on));
    for (const copy of await whole.copyPages(page, page.getPageIndices())) whole.addPage(copy);
  }
  const plainBytes = (await whole.save()).length;
  const theirs = ((performance.now() - start) * count) / plainly;

  report(
    `${count} cards of two sides for as many rows`,
    ours,
    'every page drawn anew and put together by pdf-lib',
    theirs,
  );
  console.log(
    `  ${Math.round((count / ours) * 1000)} pieces a second, ${Math.round((bytes - writer.frame.shared.length) / count)} bytes a piece beside ${Math.round(writer.frame.shared.length / 1000)} kB shared; size to the plain route's ${(bytes / count / (plainBytes / plainly)).toFixed(3)}`,
  );

  start = performance.now();
  const { checked, classes } = await checkRun(plan, rows.numbers, { fonts: kit.fonts, press: on.press });
  const all = performance.now() - start;
  console.log(
    `  all ${count} rows checked in ${all.toFixed(0)} ms: ${classes} classes, ${checked} faces looked at whole`,
  );
}
