import { type Label, labelOf } from './labels';

/** A pasted text as the parts that its lines are made of. */

/** A part of a line, with the label that stood before it and the whole line. */
export interface Part {
  text: string;
  label: Label | undefined;
  from: string;
}

const MOST_LINES = 400;
const LONGEST_LINE = 2000;
const MOST_LETTERS = 200;

/** What stands between two things on a line. A hyphen is one where no number goes on behind it, unless that is a postcode. */
const SEPARATORS = /\t+| ?[|•·▪◦‣] ?| [–—] | ?\/\/ | [-/] (?=[\p{L}+(]|\d{4,5} \p{L})/u;

/** Pictures that stand for labels. */
const PICTURES: readonly (readonly [RegExp, string])[] = [
  [/[☎✆📞]\uFE0F?/gu, '\tTel: '],
  [/[📱📲]\uFE0F?/gu, '\tMobile: '],
  [/📠\uFE0F?/gu, '\tFax: '],
  [/[✉📧📨]\uFE0F?/gu, '\tEmail: '],
  [/[🌐🔗]\uFE0F?/gu, '\tWeb: '],
  [/[📍🏠🏢]\uFE0F?/gu, '\tAddress: '],
];

/** Pictures that say nothing; signs of rights are none. */
const ORNAMENT = /(?![©®™])\p{Extended_Pictographic}[\uFE0F\u200D]*/gu;
/** What a mail that is answered to has before each line. */
const QUOTED = /^(?:> ?)+/;

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'", nbsp: ' ' };

/** The words of a page's source: its tags are taken away, and end lines where the page would. */
function withoutTags(text: string): string {
  if (!/<\/?(?:a|b|br|div|p|span|td|li|address|strong)\b[^>]*>/i.test(text)) return text;
  return text
    .replace(/<(script|style)\b[^>]*>[\s\S]*?<\/\1>/gi, ' ')
    .replace(/\s*\n\s*/g, ' ')
    .replace(/<(?:br|\/?(?:div|p|tr|li|ul|ol|h\d|address|table))\b[^>]*>/gi, '\n')
    .replace(/<[^<>]*>/g, ' ')
    .replace(/&(?:#(\d{1,6})|#x([\da-f]{1,5})|(\w{2,6}));/gi, (all, decimal, hex, name) => {
      const code = decimal ? Number(decimal) : hex ? Number.parseInt(hex, 16) : undefined;
      if (code !== undefined) return code > 31 && code < 0x110000 ? String.fromCodePoint(code) : ' ';
      return ENTITIES[String(name).toLowerCase()] ?? all;
    });
}

/** A text's lines, its spaces made even: three and more part what stands on either side. */
export const linesOf = (text: string): string[] =>
  PICTURES.reduce((all, [picture, label]) => all.replace(picture, label), withoutTags(text))
    .replace(ORNAMENT, ' ')
    .replace(/\r\n?|\u2028/g, '\n')
    .split('\n')
    .slice(0, MOST_LINES)
    .map((line) =>
      line
        .slice(0, LONGEST_LINE)
        .replace(QUOTED, '')
        .replace(/[ \u00a0\u2007\u202f]{3,}/g, '\t')
        .replace(/[ \u00a0\u2007\u202f]+/g, ' '),
    );

export const partsOf = (text: string): Part[] =>
  linesOf(text).flatMap((line) =>
    line.split(SEPARATORS).flatMap((part): Part[] => {
      const { label, rest } = labelOf(part);
      const bare = rest.replace(/^[\s,;>*-]+|[\s,;]+$/g, '');
      return bare === '' ? [] : [{ text: bare.slice(0, MOST_LETTERS), label, from: line.trim() }];
    }),
  );
