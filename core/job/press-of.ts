import { CONDITIONS, conditionOf } from '../trade/conditions';
import type { PressCondition, ShopSpec } from '../trade/schema';
import type { Job } from './schema';

/** How a profile's file is named for the condition made from it. */
const fileOf = (hash: string): string => `${hash}.icc`;

/** All press conditions that a shop of this job can print with: those that ship, and those of loaded profiles. */
export const conditionsOf = ({ conditions }: Pick<Job, 'conditions'>): PressCondition[] => [
  ...CONDITIONS,
  ...Object.entries(conditions).map(
    ([id, { registered, ...own }]): PressCondition => ({
      id,
      ...own,
      profile: fileOf(id),
      identifier: registered ?? 'Custom',
      source: { kind: 'common practice', name: 'a profile of your own' },
    }),
  ),
];

/** The condition that a shop prints this job with: its spec's own, unless the job says another; looked at as the job says. */
export function pressConditionOf(
  job: Pick<Job, 'conditions' | 'pressOf' | 'neutralBlack'>,
  shop: ShopSpec,
): PressCondition {
  const wanted = job.pressOf[shop.id];
  const condition = conditionsOf(job).find(({ id }) => id === wanted) ?? conditionOf(shop.condition);
  return job.neutralBlack ? { ...condition, neutralBlack: true } : condition;
}
