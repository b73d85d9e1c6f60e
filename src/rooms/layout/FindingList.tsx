import X from 'lucide-react/icons/x';
import { checkOf } from '../../../core/checks';
import { type Finding, findingKey, type Severity } from '../../../core/checks/check';
import { measuredAndWanted } from '../../../core/checks/measure-words';
import { findElement, titleOf } from '../../../core/job/find';
import { act, select } from '../../store/session';
import { useBench } from './bench';

const SAYS: Record<Severity, string> = { stop: 'Stop', warn: 'Warning', advise: 'Advice' };

const sentence = (text: string | undefined): string => (text ? `${text}.` : '');

/** Findings above the edge strip: what, where, measured and wanted, why it matters, and the fix where one is safe. */
export function FindingList({ findings, onClose }: { findings: readonly Finding[]; onClose(): void }) {
  const { job, piece, unit, setFace } = useBench();
  return (
    <section
      aria-label="Findings"
      className="absolute bottom-full left-3 z-10 mb-2 max-h-96 w-[480px] overflow-y-auto rounded border border-base-300 bg-base-100 text-base-content shadow-xl"
    >
      <div className="sticky top-0 flex items-center justify-between border-b border-base-300 bg-base-100 px-3 py-1.5">
        <h2 className="heading">{findings.length === 1 ? '1 finding' : `${findings.length} findings`}</h2>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label="Close the findings"
          onClick={onClose}
        >
          <X size={14} />
        </button>
      </div>
      <ul>
        {findings.map((finding) => {
          const found = findElement(job, finding.element);
          if (!found) return null;
          const check = checkOf(finding.check);
          const face = piece.faces.find((f) => f.id === finding.face);
          return (
            <li
              key={findingKey(finding)}
              className="grid grid-cols-[1fr_auto] items-start gap-3 border-b border-base-300 px-3 py-2 last:border-0"
            >
              <button
                type="button"
                className="cursor-pointer text-left"
                onClick={() => {
                  setFace(finding.face);
                  select(finding.element);
                }}
              >
                <b className="block font-semibold">
                  {titleOf(found.element, job.assets)}
                  {piece.faces.length > 1 && <span className="quiet font-normal">, {face?.name.toLowerCase()}</span>}
                </b>
                <span className="block">
                  {SAYS[finding.severity]}: {finding.problem}. {sentence(measuredAndWanted(finding, unit))}
                </span>
                <span className="quiet block text-[13px] leading-4">{finding.rule ?? check?.protects}</span>
              </button>
              <span className="grid justify-items-stretch gap-1.5">
                {[finding.fix, finding.orElse].map(
                  (fix) =>
                    fix && (
                      <button
                        key={fix.label}
                        type="button"
                        className="btn btn-sm"
                        onClick={() => act(fix.label, fix.apply)}
                      >
                        {fix.label}
                      </button>
                    ),
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
