import { SyntaxFault } from '../core/files/pdf/parsed/syntax';
import { type PdfFacts, readFile } from '../core/files/pdf/read-back';
import { type RuleSeen, type Standard, verify } from '../core/files/pdf/rules';
import type { Command } from './command';
import { CliError, readGiven } from './given';

const STANDARDS: readonly Standard[] = ['PDF/X-4', 'PDF/X-1a:2003', 'PDF/X-1a:2001'];

const box = ([x0, y0, x1, y1]: readonly number[]): string =>
  `${(((x1! - x0!) / 72) * 25.4).toFixed(2)} × ${(((y1! - y0!) / 72) * 25.4).toFixed(2)} mm`;

function lines(facts: PdfFacts, rules: readonly RuleSeen[]): string[] {
  const against = rules.filter(({ faults }) => faults.length > 0);
  return [
    `PDF ${facts.version}, ${facts.standard ?? 'no PDF/X'}, ${facts.pages.length} pages, printed for ${facts.intent ?? 'nothing that is said'}`,
    `Spot inks: ${facts.spots.join(', ') || 'none'}`,
    ...facts.fonts.map(({ name, embedded }) => `Typeface ${name}: ${embedded ? 'embedded' : 'NOT EMBEDDED'}`),
    ...facts.pages.flatMap(({ trim, bleed, media, pictures }, i) => [
      `Page ${i + 1}: trim ${box(trim)}, bleed ${box(bleed)}, sheet ${box(media)}`,
      ...pictures.map(
        ({ width, height, ppi, space, packed, bytes }) =>
          `  picture ${width} × ${height}, ${Math.round(ppi)} ppi, ${space}, ${packed || 'not packed'}, ${Math.ceil(bytes / 1000)} kB`,
      ),
    ]),
    ...against.map(({ id, says, faults }) => `AGAINST ${id}: ${says} (${[...new Set(faults)].slice(0, 4).join('; ')})`),
    against.length === 0
      ? `All ${rules.length} rules hold.`
      : `${against.length} of ${rules.length} rules do not hold.`,
  ];
}

export const inspect: Command = {
  help: `inspect FILE.pdf [--standard 'PDF/X-4'] [--json]   says what is in a PDF, and holds it against the rules of its standard
The standard is the one that the file names, unless --standard names another: ${STANDARDS.join(', ')}. Exit 1 where a rule does not hold.`,
  options: { standard: { type: 'string' }, json: { type: 'boolean' } },
  async run(path, { standard, json }) {
    const bytes = readGiven(path);
    try {
      const { facts } = readFile(bytes);
      const wanted = standard ?? facts.standard ?? 'PDF/X-4';
      const known = STANDARDS.find((each) => each === wanted);
      if (!known) throw new CliError(`--standard takes ${STANDARDS.join(', ')}.`);
      const rules = verify(bytes, known);
      console.log(json ? JSON.stringify({ ...facts, rules }, null, 2) : lines(facts, rules).join('\n'));
      return rules.some(({ faults }) => faults.length > 0) ? 1 : 0;
    } catch (error) {
      if (error instanceof SyntaxFault) throw new CliError(`${path} cannot be read: ${error.message}.`);
      throw error;
    }
  },
};
