import { pieceOf } from '../core/job/find';
import { MOST_ORDERED } from '../core/job/order';
import { shopIn } from '../core/job/shops-of';
import { SheetError } from '../core/sheet/plan';
import { quoteItem, readQuote } from '../core/sheet/savings';
import { moneyText } from '../core/trade/money';
import { shopGiven } from './check';
import type { Command } from './command';
import { CliError, pieceAsked } from './given';
import { openJob } from './open-job';

export const quote: Command = {
  help: `quote JOB.tidyedge --piece ID [--quantity N] [--shop SHOP] [--json]   works out what a shop charges, by its price list
It prints the lines of the quote, the next quantities and what would save. The prices are those of the shop's spec: --shop takes another, by its id or as a file.`,
  options: {
    piece: { type: 'string' },
    quantity: { type: 'string' },
    shop: { type: 'string' },
    json: { type: 'boolean' },
  },
  async run(path, options) {
    const { job } = openJob(path);
    const asked = pieceAsked(job, options['piece']);
    const piece = pieceOf(job, asked.id)!;
    const given = options['shop'];
    const shop = typeof given === 'string' ? shopGiven(given) : shopIn(job, piece.shop);
    if (!shop.prices) throw new CliError(`${shop.name} has no prices in its spec.`);
    const item = quoteItem(job, piece);
    const quantity = options['quantity'] === undefined ? item.quantity : Number(options['quantity']);
    if (!Number.isInteger(quantity) || quantity < 1 || quantity > MOST_ORDERED)
      throw new CliError(`--quantity takes a whole number from 1 to ${MOST_ORDERED}.`);
    try {
      const read = readQuote(job, { ...item, quantity }, shop.prices)!;
      if (options['json']) console.log(JSON.stringify(read, null, 1));
      else {
        const { lines, sum, currency, days, up, sheets } = read.quote;
        const money = (n: number): string => moneyText(n, currency);
        for (const line of lines)
          console.log(
            `${line.what}${line.count === undefined ? '' : ` (${line.count} ${line.of})`}: ${money(line.sum)}`,
          );
        console.log(`${quantity} of ${piece.name} by ${shop.name}: ${money(sum)}, ${days} working days`);
        console.log(`${up} on a sheet, ${sheets} sheets`);
        for (const step of read.steps) console.log(`${step.quantity}: ${money(step.sum)} (${money(step.each)} each)`);
        for (const { says, saves } of read.savings) console.log(`${says}: saves ${money(saves)}`);
      }
      return 0;
    } catch (error) {
      if (error instanceof SheetError) throw new CliError(error.message);
      throw error;
    }
  },
};
