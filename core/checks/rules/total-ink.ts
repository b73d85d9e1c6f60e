import { isFlat } from '../../colour/fill';
import { cmykText, processStandIn } from '../../colour/ink';
import { totalInk as sumOf, underInkLimit } from '../../colour/total-ink';
import { inkBounds } from '../../devices/bounds';
import { platesAtPoint, type WetPlace, wetPlaces } from '../../devices/plates/readings';
import { changeInk, setInkLimit } from '../../job/edits/inks';
import { paintsShown } from '../../job/paints-shown';
import type { Element } from '../../job/schema';
import { INK_LIMITS } from '../../trade/ink-limits';
import { type Finding, type Fix, trimOf } from '../check';
import type { FixContext, PlateCheck, PlateContext } from '../plate-check';

/** The topmost thing whose ink lies at a point. */
const topAt = ({ face, sources }: PlateContext, { x, y }: WetPlace['at']): Element | undefined =>
  face.elements.findLast((element) => {
    const ink = inkBounds(element, sources);
    return ink && x >= ink.x && y >= ink.y && x <= ink.x + ink.width && y <= ink.y + ink.height;
  });

/** Separates the colour again that is too wet: an ink of the job, or a picture. */
function drier(element: Element, { amounts, wanted }: Finding, { sources, press }: FixContext): Fix | undefined {
  const limit = wanted.value;
  if (element.kind === 'picture') {
    if (element.inks || sources.assets[element.asset]?.page) return undefined;
    const wettest = amounts && underInkLimit(processStandIn(amounts, sources.inks), limit, press);
    const said = wettest ? ` (ΔE ${wettest.deltaE.toFixed(1)} where it is wettest)` : '';
    return {
      label: `Separate it again under ${Math.round(limit * 100)} %${said}`,
      apply: (job) => setInkLimit(job, element.id, limit),
    };
  }
  const flat = element.kind !== 'shape' || isFlat(element.paint);
  const wet = paintsShown(element, sources.styles)
    .flatMap(({ ink }) => sources.inks.filter(({ id, kind }) => id === ink && kind === 'process'))
    .find(({ cmyk }) => sumOf(cmyk) > limit + 1e-6);
  if (!wet || !flat) return undefined;
  const { cmyk, deltaE } = underInkLimit(wet.cmyk, limit, press);
  return {
    label: `Print ${wet.name} as ${cmykText(cmyk)} (ΔE ${deltaE.toFixed(1)})`,
    apply: (job) => changeInk(job, wet.id, { cmyk }),
  };
}

const told = (area: number): string => (area >= 10 ? `${Math.round(area)}` : area.toFixed(1));

export const totalInk: PlateCheck = {
  id: 'total-ink',
  name: 'Total ink above the limit',
  protects: 'Too much ink does not dry: it sets off on the next sheet and rubs.',
  source: {
    kind: 'from memory',
    name: 'ISO 12647-2:2013, and the data sets FOGRA39 (330 %), FOGRA51 and 52 (300 %); the limit is the press condition’s',
  },
  severity: 'stop',
  limits: ['condition', 'limits'],
  mend: drier,
  run(context) {
    const { face, piece, press, shop } = context;
    const limit = Math.min(press.condition.totalInk, shop.limits.totalInk ?? press.condition.totalInk);
    // Most faces are told dry without laying them.
    if (context.mostInk() <= limit) return [];
    const grid = context.grid();
    const places = wetPlaces(grid, context.totals(), trimOf(piece), limit).filter(
      ({ area }) => area >= INK_LIMITS.wetPlace,
    );
    const byElement = new Map<Element, WetPlace[]>();
    for (const place of places) {
      const element = topAt(context, place.at);
      if (element) byElement.set(element, [...(byElement.get(element) ?? []), place]);
    }
    return [...byElement].map(([element, wet]): Finding => {
      const worst = wet.reduce((a, b) => (b.total > a.total ? b : a));
      const area = wet.reduce((sum, each) => sum + each.area, 0);
      return {
        check: 'total-ink',
        severity: 'stop',
        face: face.id,
        element: element.id,
        place: wet[0]!.box,
        problem: `Too much ink on ${told(area)} mm²${wet.length > 1 ? ` in ${wet.length} places` : ''}`,
        amounts: platesAtPoint(grid, worst.at),
        measured: { value: worst.total, kind: 'ink' },
        wanted: { value: limit, kind: 'ink' },
      };
    });
  },
};
