import { effectivePpi } from '../../picture/place';
import type { Check, CheckContext, Finding, Severity } from '../check';
import { isLineArt } from '../pictures-on';

function look({ face, shop, sources }: CheckContext): Finding[] {
  const { wanted, warn, stop } = shop.ppi;
  const severityOf = (ppi: number): Severity => (ppi < stop ? 'stop' : ppi < warn ? 'warn' : 'advise');
  return face.elements.flatMap((element): Finding[] => {
    const asset = element.kind === 'picture' ? sources.assets[element.asset] : undefined;
    if (element.kind !== 'picture' || !asset || asset.page || isLineArt(asset)) return [];
    const ppi = effectivePpi(element, asset.width, asset.height);
    // Whole pixels an inch, as the trade counts them: 299.6 is 300.
    if (Math.round(ppi) >= wanted) return [];
    return [
      {
        check: 'low-ppi',
        severity: severityOf(ppi),
        face: face.id,
        element: element.id,
        place: { x: element.x, y: element.y, width: element.width, height: element.height },
        problem: ppi < stop ? 'Will print blurred' : ppi < warn ? 'Will print soft' : 'A little short of sharp',
        measured: { value: ppi, kind: 'ppi' },
        wanted: { value: wanted, kind: 'ppi' },
      },
    ];
  });
}

export const lowPpi: Check = {
  id: 'low-ppi',
  name: 'Picture below the wanted ppi',
  protects: 'A picture with too few pixels for its printed size comes out soft or in steps.',
  source: {
    kind: 'from memory',
    name: 'Ghent Workgroup, sheet-fed specification: 150 and 225 ppi; 300 ppi is common practice',
  },
  severity: 'warn',
  limits: ['ppi'],
  run: look,
};
