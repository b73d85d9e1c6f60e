import { mkdirSync, writeFileSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { asAsked, proveSheets } from '../core/files/hand-off/prove';
import { writeSheets } from '../core/files/pdf/sheet';
import { setOrder } from '../core/job/edits/pieces';
import { pieceOf } from '../core/job/find';
import { MOST_ORDERED, NO_ORDER } from '../core/job/order';
import { pressConditionOf } from '../core/job/press-of';
import { type SheetMade, TURNINGS, usualSheet } from '../core/job/sheet';
import { shopIn } from '../core/job/shops-of';
import { cuttingPlan, TRUE_CORNER } from '../core/sheet/cutting';
import { itemsOf, pieceFor, SheetError, sheetPlans, trimsOf } from '../core/sheet/plan';
import { PRESS_SHEETS } from '../core/trade/press-sheets';
import type { Command } from './command';
import { CliError, pieceAsked } from './given';
import { loadKit } from './kit';
import { openJob } from './open-job';
import { openReviewer, writeTicket } from './review';

/** The sheet that the job has for a piece, with what is asked for instead. */
function sheetGiven(made: SheetMade, options: Parameters<Command['run']>[1]): SheetMade {
  const { press, turning } = options;
  const found = PRESS_SHEETS.find(({ name }) => name === press);
  if (press !== undefined && !found)
    throw new CliError(`--press takes ${PRESS_SHEETS.map(({ name }) => name).join(', ')}.`);
  const turned = TURNINGS.find((each) => each === turning);
  if (turning !== undefined && !turned) throw new CliError(`--turning takes ${TURNINGS.join(', ')}.`);
  return {
    ...made,
    ...(found ? { press: { name: found.name, width: found.width, height: found.height } } : {}),
    ...(turned ? { turning: turned } : {}),
  };
}

export const sheet: Command = {
  help: `sheet JOB.tidyedge --piece ID [--quantity N] [--press SRA3] [--turning sheetwise] [--json] [--anyway] [--out FILE.pdf]   lays a piece out on press sheets
Prints the layouts, the best first, and the cuts of the first; --out writes its sheets as PDF/X, unless a piece on them has open errors; --anyway writes them all the same.`,
  options: {
    piece: { type: 'string' },
    quantity: { type: 'string' },
    press: { type: 'string' },
    turning: { type: 'string' },
    json: { type: 'boolean' },
    anyway: { type: 'boolean' },
    out: { type: 'string' },
  },
  async run(path, options) {
    const opened = openJob(path);
    const asked = pieceAsked(opened.job, options['piece']);
    const quantity = Number(options['quantity'] ?? (asked.order ?? NO_ORDER).quantity);
    if (!Number.isInteger(quantity) || quantity < 1 || quantity > MOST_ORDERED)
      throw new CliError(`--quantity takes a whole number from 1 to ${MOST_ORDERED.toLocaleString('en')}.`);
    const job = setOrder(opened.job, asked.id, { ...(asked.order ?? NO_ORDER), quantity });
    const piece = pieceOf(job, asked.id)!;
    const made = sheetGiven(piece.sheet ?? usualSheet(piece.unit), options);
    const items = itemsOf(job, piece, made);
    try {
      const plans = sheetPlans(job, items, made);
      const [best] = plans;
      const paper = { x: 0, y: 0, width: made.press.width, height: made.press.height };
      const cuts = cuttingPlan(paper, trimsOf(best!.forms[0]!));
      // The file first: a reader of the lines that has seen enough ends the program.
      if (typeof options['out'] === 'string') {
        const shop = shopIn(job, piece.shop);
        const kit = await loadKit(opened.assets);
        const going = items.map((item) => ({ ...pieceFor(job, item), faces: item.faces }));
        const letGo = openReviewer(kit, opened.assets).pass(going, options['anyway'] === true);
        const layout = { made, items, plan: best!, shop, standard: shop.standard };
        const on = { ...kit, press: kit.press(pressConditionOf(job, shop)), assets: opened.assets };
        const bytes = await writeSheets(job, layout, on);
        asAsked(basename(options['out']), proveSheets(job, layout, bytes, on));
        mkdirSync(dirname(options['out']), { recursive: true });
        writeFileSync(options['out'], bytes);
        writeTicket(job, letGo, dirname(options['out']));
      }
      if (options['json']) console.log(JSON.stringify({ press: made.press, plans, cuts }, null, 1));
      else {
        for (const { says, up, waste, sheets, cuts: count } of plans)
          console.log(`${up} up, ${sheets} sheets, ${Math.round(waste * 100)} % waste, ${count} cuts: ${says}`);
        if (cuts.length > 0) console.log(TRUE_CORNER);
        cuts.forEach(({ distance, quarter, off }, i) => {
          const gauge = ((distance / 72) * 25.4).toFixed(1);
          console.log(`  cut ${i + 1}: gauge ${gauge} mm, turned ${quarter * 90} degrees, ${off} falls off`);
        });
      }
      return 0;
    } catch (error) {
      if (error instanceof SheetError) throw new CliError(error.message);
      throw error;
    }
  },
};
