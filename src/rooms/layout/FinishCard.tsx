import { nanoid } from 'nanoid';
import { addFinish, copyToFinish, newFinish, setFinish } from '../../../core/job/edits/finishing';
import { finishOf, finishPlate, finishSays } from '../../../core/job/finishing';
import type { Element, Job } from '../../../core/job/schema';
import { FINISH_KINDS, FINISHES, type FinishKind } from '../../../core/trade/finishes';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { act, select } from '../../store/session';

const NEW = 'new ';

/** Whether elements print, or are the form of a finish; and a finish laid over them in their own form. */
export function FinishCard({ elements }: { elements: readonly Element[] }) {
  const { piece, sheet } = useBench();
  const finishing = sheet.finishing ?? [];
  const [first] = elements;
  const isAlike = elements.every(({ finish }) => finish === first?.finish);
  const now = isAlike ? (first?.finish ?? '') : 'several';
  const here = first && finishOf(sheet, first);
  const isPicture = elements.every(({ kind }) => kind === 'picture');
  const existing = finishing.map((finish) => [finish.id, finishPlate(finish)] as const);
  const missing = FINISH_KINDS.filter((kind) => !finishing.some((finish) => finish.kind === kind)).map(
    (kind) => [`${NEW}${kind}`, `${FINISHES[kind].name}, new`] as const,
  );
  /** The job with the finish that was chosen, and its id: a new one is added first. */
  const chosen = (job: Job, value: string): { job: Job; id: string } => {
    if (!value.startsWith(NEW)) return { job, id: value };
    const made = newFinish(job, sheet, value.slice(NEW.length) as FinishKind);
    return { job: addFinish(job, piece.id, made), id: made.id };
  };
  const ids = elements.map(({ id }) => id);
  return (
    <Fold title="Finishing" inUse={elements.some(({ finish }) => finish !== undefined)}>
      {!isPicture && (
        <Choice
          label="Prints as"
          value={now}
          options={[
            ['', 'Prints in its inks'],
            ...(isAlike ? [] : [['several', 'Differs'] as const]),
            ...existing,
            ...missing,
          ]}
          onChange={(to) =>
            act('Prints as', (job) => {
              if (to === '' || to === 'several') return setFinish(job, ids, undefined);
              const { job: with_, id } = chosen(job, to);
              return setFinish(with_, ids, id);
            })
          }
        />
      )}
      {here ? (
        <p className="quiet text-[13px] leading-snug">{finishSays(here)}: its form counts, not its colour.</p>
      ) : (
        <Choice
          label="Lay a finish over it"
          value=""
          options={[['', 'Lay a finish over it…'], ...existing, ...missing]}
          onChange={(to) => {
            if (to === '') return;
            const copies = new Map(ids.map((id) => [id, nanoid(10)]));
            act('Lay a finish over', (job) => {
              const { job: with_, id } = chosen(job, to);
              return copyToFinish(with_, copies, id);
            });
            select(...copies.values());
          }}
        />
      )}
    </Fold>
  );
}
