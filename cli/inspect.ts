import { findingsListed, pagesSaid, plateSaid } from '../core/files/pdf/findings-listed';
import { type Inspection, inspectPdf, type PageInspected } from '../core/files/pdf/inspect';
import type { BoxNumbers } from '../core/files/pdf/parsed/boxes';
import { SyntaxFault } from '../core/files/pdf/parsed/syntax';
import type { Standard } from '../core/files/pdf/rules';
import { shopOf } from '../core/trade/shops';
import { shopGiven } from './check';
import type { Command } from './command';
import { CliError, readGiven } from './given';
import { loadKit } from './kit';

const STANDARDS: readonly Standard[] = ['PDF/X-4', 'PDF/X-1a:2003', 'PDF/X-1a:2001'];

/** A box in both units. */
function box([x0, y0, x1, y1]: BoxNumbers, unit: number): string {
  const sides = [x1 - x0, y1 - y0].map((side) => side * unit);
  const inches = sides.map((side) => (side / 72).toFixed(3)).join(' × ');
  return `${sides.map((side) => ((side / 72) * 25.4).toFixed(2)).join(' × ')} mm (${inches} in)`;
}

const listed = (names: readonly string[]): string => names.join(', ') || 'none';

function pageLines(page: PageInspected, number: number): string[] {
  const { unit, media, crop, bleed, trim, art, turned, pictures, plates, highestInk, soft } = page;
  const boxes = (
    [
      ['media', media],
      ['crop', crop],
      ['bleed', bleed],
      ['trim', trim],
      ['art', art],
    ] as const
  ).flatMap(([name, at]) => (at ? [`${name} ${box(at, unit)}`] : []));
  const type = page.smallestType === undefined ? 'no words' : `smallest type ${page.smallestType.toFixed(1)} pt`;
  const line = page.thinnestLine === undefined ? 'no lines' : `thinnest line ${page.thinnestLine.toFixed(2)} pt`;
  return [
    `Page ${number}: ${boxes.join(', ')}${turned ? `, turned ${turned}°` : ''}${unit === 1 ? '' : `, ${unit} points a unit`}`,
    `  plates ${listed(plates.map(plateSaid))}; total ink ${Math.round(highestInk * 100)} %; ${type}; ${line}`,
    `  see-through: ${listed(soft)}; overprint: ${page.overprints ? 'yes' : 'no'}`,
    ...pictures.map(({ width, height, ppi, ppiDown, space, bits, packed, bytes }) => {
      const fine = Math.abs(ppi - ppiDown) > 1 ? `${Math.round(ppi)} × ${Math.round(ppiDown)}` : `${Math.round(ppi)}`;
      return `  picture ${width} × ${height}, ${fine} ppi, ${space}, ${bits} bits, ${packed || 'not packed'}, ${Math.ceil(bytes / 1000)} kB`;
    }),
  ];
}

const SAYS = { stop: 'error', warn: 'warning', advise: 'advice' } as const;

function lines({ version, standard, intent, producer, ...found }: Inspection): string[] {
  const { pages, pageCount, fonts, plates, finishing, rules, findings, repaired, unread } = found;
  const against = rules.filter(({ faults }) => faults.length > 0);
  return [
    `PDF ${version}, ${standard ?? 'no PDF/X'}, ${pageCount} ${pageCount === 1 ? 'page' : 'pages'}, printed for ${intent ?? 'nothing that is said'}${producer ? `, made by ${producer}` : ''}`,
    ...repaired.map((what) => `REPAIRED ${what}`),
    ...finishing.map(
      ({ name, group, type, pages: on }) => `Finishing ${name}: ${group}${type ? `, ${type}` : ''}, ${pagesSaid(on)}`,
    ),
    ...plates.map(({ name, pages: on }) => `Plate ${plateSaid(name)}: ${pagesSaid(on)}`),
    ...fonts.map(
      ({ name, kind, embedded, subset, pages: on }) =>
        `Typeface ${name || 'without a name'} (${kind}): ${embedded ? `embedded, ${subset ? 'subset' : 'whole'}` : 'NOT EMBEDDED'}, ${pagesSaid(on)}`,
    ),
    ...pages.flatMap((page, i) => pageLines(page, i + 1)),
    ...unread.map((what) => `NOT READ ${what}`),
    ...findingsListed(findings).map(({ severity, pages: on, says }) => `${SAYS[severity]}  ${pagesSaid(on)}: ${says}`),
    ...against.map(({ id, says, faults }) => `AGAINST ${id}: ${says} (${[...new Set(faults)].slice(0, 4).join('; ')})`),
    rules.length === 0
      ? 'No standard is claimed.'
      : against.length === 0
        ? `All ${rules.length} rules hold.`
        : `${against.length} of ${rules.length} rules do not hold.`,
  ];
}

export const inspect: Command = {
  help: `inspect FILE.pdf [--standard 'PDF/X-4'] [--shop SHOP] [--json]   says what is in a PDF of any make, and what a shop would find in it
The standard is the one that the file claims, unless --standard names another: ${STANDARDS.join(', ')}. --shop takes the id of a shop, or a file with its spec as JSON. Exit 1 where a rule does not hold, there is an error, or something could not be read; 2 where the file cannot be read.`,
  options: { standard: { type: 'string' }, shop: { type: 'string' }, json: { type: 'boolean' } },
  async run(path, { standard, shop, json }) {
    const known = STANDARDS.find((each) => each === standard);
    if (standard !== undefined && !known) throw new CliError(`--standard takes ${STANDARDS.join(', ')}.`);
    const bytes = readGiven(path);
    try {
      const spec = typeof shop === 'string' ? shopGiven(shop) : shopOf('metric-offset');
      const screenInks = (await loadKit()).press(spec.condition).separateAll;
      const found = await inspectPdf(bytes, spec, { standard: known, screenInks });
      console.log(json ? JSON.stringify(found, null, 2) : lines(found).join('\n'));
      const { rules, findings, unread } = found;
      const isWrong =
        rules.some(({ faults }) => faults.length > 0) || findings.some(({ severity }) => severity === 'stop');
      return isWrong || unread.length > 0 ? 1 : 0;
    } catch (error) {
      if (error instanceof SyntaxFault) throw new CliError(`${path} cannot be read: ${error.message}.`);
      throw error;
    }
  },
};
