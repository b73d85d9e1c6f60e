import { useState } from 'react';
import { checkOf } from '../../../core/checks';
import { type Finding, findingKey, type Severity } from '../../../core/checks/check';
import { acceptance, canStand } from '../../../core/checks/let-stand';
import { measuredAndWanted } from '../../../core/checks/measure-words';
import { accept } from '../../../core/job/edits/accepted';
import { findElement, titleOf } from '../../../core/job/find';
import { act } from '../../store/session';
import { putAway, useSettings } from '../../store/settings';
import { useBench } from '../bench';
import { pointAt } from './pointed';

const SAYS: Record<Severity, string> = { stop: 'Error', warn: 'Warning', advise: 'Advice' };

const sentence = (text: string | undefined): string => (text ? `${text}.` : '');

/** One finding: what, measured and wanted, why it matters; mended, or let stand with a reason. */
export function FindingRow({ finding, onShow }: { finding: Finding; onShow(): void }) {
  const { job, piece, unit } = useBench();
  const [letting, setLetting] = useState(false);
  const element = findElement(job, finding.element)?.element;
  const check = checkOf(finding.check);
  const key = findingKey(finding);
  const lesson = `check-${finding.check}`;
  const isTaught = useSettings(({ taught }) => taught.includes(lesson));
  return (
    <li
      className="grid grid-cols-[1fr_auto] items-start gap-3 border-b border-base-300 px-3 py-2 last:border-0"
      onPointerEnter={() => pointAt(key)}
      onPointerLeave={() => pointAt(undefined)}
    >
      <button
        type="button"
        data-finding={key}
        className="cursor-pointer text-left"
        onClick={onShow}
        onFocus={() => pointAt(key)}
        onBlur={() => pointAt(undefined)}
      >
        <b className="block font-semibold">{element ? titleOf(element, job.assets) : 'The side'}</b>
        <span className="block">
          {SAYS[finding.severity]}: {finding.problem}. {sentence(measuredAndWanted(finding, unit))}
        </span>
        {!isTaught && <span className="quiet block text-[13px] leading-4">{finding.rule ?? check?.protects}</span>}
      </button>
      <span className="grid justify-items-stretch gap-1.5">
        {[finding.fix, finding.orElse].map(
          (fix) =>
            fix && (
              <button key={fix.label} type="button" className="btn btn-sm" onClick={() => act(fix.label, fix.apply)}>
                {fix.label}
              </button>
            ),
        )}
        {!isTaught && check && !finding.rule && (
          <button
            type="button"
            className="btn btn-ghost btn-xs font-normal"
            title="Shows the reason for this check no more"
            onClick={() => putAway(lesson)}
          >
            Got it
          </button>
        )}
        {!letting && canStand(finding) && (
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => setLetting(true)}>
            Accept…
          </button>
        )}
      </span>
      {letting && (
        <form
          className="col-span-2 flex gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            const reason = String(new FormData(event.currentTarget).get('reason') ?? '').trim();
            if (reason === '') return;
            const at = new Date().toISOString();
            act('Accept a finding', (j) => accept(j, acceptance(finding, piece.id, reason, at)));
          }}
        >
          <input
            ref={(field) => field?.focus()}
            name="reason"
            className="input input-sm flex-1"
            aria-label="Reason to accept"
            placeholder="Reason to accept"
            maxLength={400}
            onKeyDown={(event) => {
              if (event.key !== 'Escape') return;
              event.stopPropagation();
              setLetting(false);
            }}
          />
          <button type="submit" className="btn btn-sm">
            Accept
          </button>
        </form>
      )}
    </li>
  );
}
