import type { InkListRead } from '../core/files/ink-list';
import { PeopleFileError, type PersonRead } from '../core/files/people';
import { type Encoding, readText } from '../core/files/text-in';
import type { Reply } from '../core/job/comments';
import type { PressCondition, ShopSpec } from '../core/trade/schema';
import { kit } from './intake-work';

/** Lists that come from outside as files: people, inks, a shop's spec, a client's reply. Each throws with words for the user. */

/** A file larger than this is no list, and is not read, in bytes. */
const MOST_BYTES = 20_000_000;
const MOST_OF_PEOPLE = 8_000_000;
const refuseLarge = ({ size }: Blob, what: string): void => {
  if (size > MOST_BYTES) throw new Error(`This file is too large for ${what} (over 20 MB). Choose another one.`);
};

/** People of a file, and how its letters were read; `isSure` is false where they may be others. */
export interface PeopleRead {
  people: PersonRead[];
  encoding: Encoding;
  isSure: boolean;
}

export async function readPeople(file: Blob, name: string, said?: Encoding): Promise<PeopleRead> {
  if (file.size > MOST_OF_PEOPLE)
    throw new PeopleFileError('This file is too large for a list of people. Save them without their pictures.');
  const bytes = new Uint8Array(await file.arrayBuffer());
  const { isSpreadsheet, readTable } = await import('../core/run/read-table');
  if (isSpreadsheet(bytes)) {
    const { cells } = await readTable(bytes, { header: false });
    const people = (await import('../core/files/people-table')).peopleOfRows(cells);
    return { people, encoding: 'utf-8', isSure: true };
  }
  const { text, encoding, isSure } = readText(bytes, said);
  const isCard = /\.(vcf|vcard)$/i.test(name) || /^BEGIN:VCARD/i.test(text);
  const people = isCard
    ? (await import('../core/files/people-vcard')).readPeopleVcards(text)
    : (await import('../core/files/people-csv')).readPeopleCsv(text);
  return { people, encoding, isSure };
}

/** Inks of a list, those without amounts as a press has them. */
export async function readInks(file: Blob, condition: PressCondition): Promise<InkListRead> {
  refuseLarge(file, 'a list of inks');
  const { press } = await kit.load();
  await kit.loadProfiles([condition.id]);
  const { readInkList } = await import('../core/files/ink-list');
  return readInkList(new Uint8Array(await file.arrayBuffer()), press(condition));
}

export async function readShopFile(file: Blob): Promise<ShopSpec> {
  refuseLarge(file, 'a shop’s spec');
  return (await import('../core/files/shop-file')).readShop(await file.text());
}

export async function readReplyFile(file: Blob): Promise<Reply> {
  refuseLarge(file, 'a reply');
  return (await import('../core/files/review/reply')).readReply(await file.text());
}
