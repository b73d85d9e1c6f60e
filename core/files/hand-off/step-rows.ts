import { factsOf, finishPlate } from '../../job/finishing';
import type { PageAsked } from '../pdf/pages-asked';
import { layersIn } from '../pdf/parsed/layers';
import type { PdfView } from '../pdf/parsed/view';
import { STANDARD_FACTS, type Standard } from '../pdf/standards';
import type { Row } from './comparison';

/** The finishing of a file as it was asked, and the layers and their processing steps that it has. */
export function stepRows(pages: readonly PageAsked[], standard: Standard, view: PdfView): Row[] {
  const finishes = new Map(
    pages.flatMap(({ finishes: on }) => on.map(({ finish }) => [finishPlate(finish), finish] as const)),
  );
  const layers = layersIn(view);
  const hasLayers = STANDARD_FACTS[standard].seeThrough;
  if ((finishes.size === 0 || !hasLayers) && layers.length === 0) return [];
  const said = (name: string, group: string, type: string | undefined, on: readonly number[]): string =>
    `${name}: ${group}${type ? `, ${type}` : ''}, page ${on.join(' and ')}`;
  const asked = hasLayers
    ? [...finishes].map(([plate, finish]) => {
        const { group, type } = factsOf(finish);
        const on = pages.flatMap((page, i) =>
          page.finishes.some((each) => finishPlate(each.finish) === plate) ? [i + 1] : [],
        );
        return said(plate, group, type, on);
      })
    : [];
  const read = layers.map(({ name, group = 'no group', type, pages: on }) => said(name, group, type, on));
  const listed = (all: readonly string[]): string => [...all].sort().join('; ') || 'none';
  return [
    {
      what: 'Finishing (processing steps)',
      asked: listed(asked),
      read: listed(read),
      right: listed(asked) === listed(read),
    },
  ];
}
