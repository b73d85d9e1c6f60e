import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ALL_CHECKS } from '../core/checks';
import { shopFileSchema } from '../core/files/shop-file';
import { sourceWords } from '../core/trade/source-words';

/** Writes docs/checks.md and the schema of shop specs from the code that goes by them. `npm run docs`. */

const SAYS = { stop: 'stops the job', warn: 'warns', advise: 'advises' } as const;
const cell = (text: string): string => text.replaceAll('|', '\\|');

export const checksDoc = (): string =>
  [
    '# Every check',
    '',
    `There are ${ALL_CHECKS.length}. Each says what it protects from, where it comes from, and how grave it is unless the shop asks otherwise. This page is made by \`npm run docs\`.`,
    '',
    '| Check | What it protects from | Source | It | Goes by the shop’s |',
    '| --- | --- | --- | --- | --- |',
    ...[...ALL_CHECKS]
      .sort((a, b) => a.name.localeCompare(b.name, 'en'))
      .map(
        ({ id, name, protects, source, severity, limits }) =>
          `| **${cell(name)}** \`${id}\` | ${cell(protects)} | ${cell(sourceWords(source))} | ${SAYS[severity]} | ${(limits ?? []).join(', ')} |`,
      ),
    '',
  ].join('\n');

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const docs = fileURLToPath(new URL('../docs/', import.meta.url));
  writeFileSync(`${docs}checks.md`, checksDoc());
  writeFileSync(`${docs}shop-spec.schema.json`, `${JSON.stringify(shopFileSchema(), null, 2)}\n`);
}
