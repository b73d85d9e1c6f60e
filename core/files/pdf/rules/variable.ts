import type { Dict } from '../parsed/syntax';
import { Ref } from '../parsed/syntax';
import type { PdfView } from '../parsed/view';
import { arrayOf, dictOf, nameOf } from '../parsed/view';
import { xmpOf } from '../parsed/xmp';
import { unless } from './rule';

/** What PDF/VT-1 asks of a file beyond PDF/X-4 (ISO 16612-2; document parts as ISO 32000-2, 14.12; from memory). */
export interface VariableRule {
  id: string;
  says: string;
  faults(view: PdfView): string[];
}

interface Part {
  dict: Dict;
  ref: number | undefined;
  parent: Dict | undefined;
  depth: number;
}

const rootOf = ({ file, catalog }: PdfView): Dict | undefined => dictOf(file, catalog.get('DPartRoot'));

/** All parts below the root, in the order of the document. */
function partsOf(view: PdfView): Part[] {
  const { file } = view;
  const top = rootOf(view)?.get('DPartRootNode');
  const found: Part[] = [];
  const walk = (value: unknown, parent: Dict | undefined, depth: number): void => {
    const dict = dictOf(file, value as never);
    if (!dict || depth > 20) return;
    found.push({ dict, ref: value instanceof Ref ? value.number : undefined, parent, depth });
    for (const list of arrayOf(file, dict.get('DParts')))
      for (const kid of arrayOf(file, list)) walk(kid, dict, depth + 1);
  };
  walk(top, undefined, 0);
  return found;
}

const leavesOf = (view: PdfView): Part[] => partsOf(view).filter(({ dict }) => dict.has('Start'));

/** The pages in order by the numbers of their objects. */
function pageNumbers({ file, catalog }: PdfView): number[] {
  const found: number[] = [];
  const walk = (value: unknown, depth: number): void => {
    const dict = dictOf(file, value as never);
    if (!dict || depth > 40) return;
    if (nameOf(file, dict.get('Type')) === 'Page') {
      if (value instanceof Ref) found.push(value.number);
      return;
    }
    for (const kid of arrayOf(file, dict.get('Kids'))) walk(kid, depth + 1);
  };
  walk(catalog.get('Pages'), 0);
  return found;
}

const numberOf = (value: unknown): number | undefined => (value instanceof Ref ? value.number : undefined);

export const VARIABLE_RULES: readonly VariableRule[] = [
  {
    id: 'vt-version',
    says: 'XMP names PDF/VT-1 and when it was last changed.',
    faults: (view) => {
      const xmp = xmpOf(view);
      return [
        ...unless(xmp.value('pdfvtid:GTS_PDFVTVersion') === 'PDF/VT-1', 'GTS_PDFVTVersion is not PDF/VT-1'),
        ...unless(
          xmp.value('pdfvtid:GTS_PDFVTModDate') === xmp.value('xmp:ModifyDate'),
          'GTS_PDFVTModDate is not the date of the last change',
        ),
      ];
    },
  },
  {
    id: 'vt-root',
    says: 'The catalog has a root of document parts, with a node and the names of its levels.',
    faults: (view) => {
      const root = rootOf(view);
      if (!root) return ['DPartRoot is missing'];
      const levels = arrayOf(view.file, root.get('NodeNameList')).length;
      const record = Number(view.file.get(root.get('RecordLevel')) ?? 0);
      return [
        ...unless(nameOf(view.file, root.get('Type')) === 'DPartRoot', 'its Type is not DPartRoot'),
        ...unless(root.get('DPartRootNode') instanceof Ref, 'DPartRootNode is not a reference'),
        ...unless(
          levels === 0 || Math.max(...partsOf(view).map(({ depth }) => depth)) < levels,
          'there are more levels than names',
        ),
        ...unless(levels === 0 || record < levels, 'RecordLevel is no level of the tree'),
      ];
    },
  },
  {
    id: 'vt-parents',
    says: 'Every part but the first names the part above it, and has either parts or pages.',
    faults: (view) =>
      partsOf(view).flatMap(({ dict, parent, ref }) => [
        ...unless(
          nameOf(view.file, dict.get('Type')) === undefined || nameOf(view.file, dict.get('Type')) === 'DPart',
          `part ${ref} is no DPart`,
        ),
        ...unless(
          parent === undefined || dictOf(view.file, dict.get('Parent')) === parent,
          `part ${ref} names another parent`,
        ),
        ...unless(dict.has('DParts') !== dict.has('Start'), `part ${ref} has both parts and pages, or neither`),
      ]),
  },
  {
    id: 'vt-pages',
    says: 'The parts hold every page once, in the order of the document, and each page names its part.',
    faults: (view) => {
      const pages = pageNumbers(view);
      const place = new Map(pages.map((number, i) => [number, i]));
      const faults: string[] = [];
      let next = 0;
      for (const { dict, ref } of leavesOf(view)) {
        const start = place.get(numberOf(dict.get('Start')) ?? -1);
        const end = dict.has('End') ? place.get(numberOf(dict.get('End')) ?? -1) : start;
        if (start === undefined || end === undefined || end < start) {
          faults.push(`part ${ref} names no page`);
          continue;
        }
        if (start !== next) faults.push(`part ${ref} does not begin where the one before it ends`);
        for (let i = start; i <= end; i++)
          if (numberOf(view.pages[i]?.get('DPart')) !== ref) faults.push(`page ${i + 1} names another part`);
        next = end + 1;
      }
      return [...faults, ...unless(next === pages.length, `${pages.length - next} pages are in no part`)];
    },
  },
  {
    id: 'vt-metadata',
    says: 'Metadata of parts are dictionaries of text, numbers, names, lists and dictionaries, with no reference out of them.',
    faults: (view) =>
      partsOf(view).flatMap(({ dict, ref }) => {
        const data = dict.get('DPM');
        return unless(
          data === undefined || dictOf(view.file, data) !== undefined,
          `the metadata of part ${ref} is no dictionary`,
        );
      }),
  },
];

/** Where a file goes against PDF/VT-1, rule by rule. */
export const heldAsVariable = (view: PdfView): { id: string; says: string; faults: string[] }[] =>
  VARIABLE_RULES.map(({ id, says, faults }) => ({ id, says, faults: faults(view) }));
