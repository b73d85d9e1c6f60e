import { type LayerSeen, layersIn } from '../parsed/layers';
import { type Rule, X4 } from './rule';

/** Processing steps: layers that say what is done to the sheet (ISO 19593-1:2018; its names from memory). */

/** The groups, and the types that each may have; an empty list where a group has none. */
const GROUPS: Readonly<Record<string, readonly string[]>> = {
  Structural: [
    'Cutting',
    'PartialCutting',
    'ReversePartialCutting',
    'Creasing',
    'ReverseCreasing',
    'CuttingCreasing',
    'ReverseCuttingCreasing',
    'PartialCuttingCreasing',
    'ReversePartialCuttingCreasing',
    'Drilling',
    'Gluing',
    'FoilStamping',
    'ColdFoilStamping',
    'Embossing',
    'Debossing',
    'Perforating',
    'Bleed',
    'VarnishFree',
    'InkFree',
    'InkVarnishFree',
    'Folding',
    'Punching',
    'Stapling',
  ],
  Positions: ['Hologram', 'Barcode', 'ContentArea', 'CodingMarking', 'Imprinting'],
  Braille: [],
  Legend: [],
  Dimensions: [],
  Varnish: [],
  White: [],
};

function faultsOf({ name, group, type, isShown, spaces, knocksOut }: LayerSeen): string[] {
  if (group === undefined && type === undefined) return [];
  const types = group === undefined ? undefined : GROUPS[group];
  const faults: string[] = [];
  if (!types) faults.push(`the group of the layer ${name} is ${group ?? 'not said'}`);
  else if (types.length > 0 && !types.includes(type ?? ''))
    faults.push(`the type of the layer ${name} is ${type ?? 'not said'}`);
  if (!isShown) faults.push(`the layer ${name} is not shown`);
  const inks = spaces.filter((space) => space !== 'Separation');
  if (inks.length > 0) faults.push(`the layer ${name} is painted in ${inks.join(' and ')}`);
  if (knocksOut) faults.push(`the layer ${name} takes ink away below it`);
  return faults;
}

export const STEP_RULES: readonly Rule[] = [
  {
    id: 'processing-steps',
    says: 'Layers that are processing steps say which, are shown, and overprint in a spot of their own.',
    standards: X4,
    faults: (view) => layersIn(view).flatMap(faultsOf),
  },
];
