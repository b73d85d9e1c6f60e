import type { PressCondition } from './schema';

/**
 * Press conditions that ship with the app. Neither profile is a standard printing condition, so
 * neither carries a characterisation data set's name.
 */
export const CONDITIONS: readonly PressCondition[] = [
  {
    id: 'general-coated',
    name: 'General coated (proof measurements)',
    profile: 'general-coated.icc',
    identifier: 'Custom',
    intent: 'relative colorimetric',
    blackPointCompensation: true,
    totalInk: 3,
    source: {
      kind: 'common practice',
      name: 'made from measurements of a coated proof, published in the public domain',
    },
  },
  {
    id: 'estimated-uncoated',
    name: 'Uncoated, estimated',
    profile: 'estimated-uncoated.icc',
    identifier: 'Custom',
    intent: 'relative colorimetric',
    blackPointCompensation: true,
    totalInk: 2.8,
    source: { kind: 'common practice', name: 'a model with chosen aim values, not measured' },
  },
];

/** The press condition of that id; an unknown id is an error of the data. */
export function conditionOf(id: string): PressCondition {
  const found = CONDITIONS.find((condition) => condition.id === id);
  if (!found) throw new Error(`No press condition is called ${id}.`);
  return found;
}
