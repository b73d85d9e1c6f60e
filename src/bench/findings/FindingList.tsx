import X from 'lucide-react/icons/x';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { type Finding, findingKey } from '../../../core/checks/check';
import { openAgain } from '../../../core/job/edits/accepted';
import { findElement, titleOf } from '../../../core/job/find';
import { act, select } from '../../store/session';
import { useBench, useFound } from '../bench';
import { openPanel } from '../room';
import { FindingRow } from './FindingRow';
import { MendAll } from './MendAll';
import { ReportButtons } from './ReportButtons';

/** Findings above the edge strip, face by face; Enter goes from one to the next. */
export function FindingList({
  findings,
  all,
  onClose,
}: {
  findings: readonly Finding[];
  all: boolean;
  onClose(): void;
}) {
  const { piece, setFace } = useBench();
  const { standing, unread } = useFound();
  const [mending, setMending] = useState(false);
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => list.current?.querySelector<HTMLElement>('[data-finding]')?.focus(), []);
  const show = (finding: Finding): void => {
    setFace(finding.face);
    select(finding.element);
  };
  /** Shows the one that has the focus, and takes it to the next. */
  function walk(event: KeyboardEvent): void {
    const at = (event.target as HTMLElement).dataset['finding'];
    if (event.key !== 'Enter' || at === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const rows = [...(list.current?.querySelectorAll<HTMLElement>('[data-finding]') ?? [])];
    const finding = findings.find((each) => findingKey(each) === at);
    if (finding) show(finding);
    const next = rows[(rows.findIndex((row) => row.dataset['finding'] === at) + 1) % rows.length];
    next?.focus();
  }
  const faces = piece.faces
    .map((face) => ({ face, found: findings.filter((finding) => finding.face === face.id) }))
    .filter(({ found }) => found.length > 0);
  const mendable = findings.filter(({ fix }) => fix).length;
  return (
    <section
      aria-label="Findings"
      className="absolute bottom-full left-3 z-10 mb-2 max-h-[66vh] w-[500px] overflow-y-auto rounded border border-base-300 bg-base-100 text-base-content shadow-xl"
    >
      <div className="sticky top-0 z-10 grid gap-1.5 border-b border-base-300 bg-base-100 px-3 py-1.5">
        <div className="flex items-center justify-between">
          <h2 className="heading">{findings.length === 1 ? '1 finding' : `${findings.length} findings`}</h2>
          <span className="flex items-center gap-1">
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => openPanel('checks')}>
              All checks
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label="Close the findings"
              onClick={onClose}
            >
              <X size={14} />
            </button>
          </span>
        </div>
        {all && (
          <div className="flex flex-wrap items-center gap-1.5">
            {mendable > 0 && (
              <button type="button" className="btn btn-xs btn-neutral" onClick={() => setMending(true)}>
                Fix all: {mendable}
              </button>
            )}
            <ReportButtons />
          </div>
        )}
      </div>
      {all && unread.length > 0 && (
        <ul aria-label="Not checked" className="border-b border-base-300 bg-warning px-3 py-2 text-warning-content">
          {unread.map(({ face, says }) => (
            <li key={`${face} ${says}`}>{says}</li>
          ))}
        </ul>
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: only its buttons take keys */}
      <div ref={list} onKeyDown={walk}>
        {faces.map(({ face, found }) => (
          <section key={face.id} aria-label={`What is found on ${face.name}`}>
            {piece.faces.length > 1 && <h3 className="heading bg-base-200 px-3 py-1">{face.name}</h3>}
            <ul>
              {found.map((finding) => (
                <FindingRow key={findingKey(finding)} finding={finding} onShow={() => show(finding)} />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {all && standing.length > 0 && <Standing />}
      {mending && <MendAll onClose={() => setMending(false)} />}
    </section>
  );
}

/** What has been let stand, and why. */
function Standing() {
  const { job } = useBench();
  const { standing } = useFound();
  return (
    <section aria-label="Accepted">
      <h3 className="heading bg-base-200 px-3 py-1">Accepted</h3>
      <ul>
        {standing.map(({ finding, accepted }) => {
          const element = findElement(job, finding.element)?.element;
          return (
            <li
              key={findingKey(finding)}
              className="grid grid-cols-[1fr_auto] gap-3 border-b border-base-300 px-3 py-2"
            >
              <span>
                <b className="font-semibold">{element ? titleOf(element, job.assets) : 'The side'}</b>:{' '}
                {finding.problem}
                <span className="quiet block text-[13px]">
                  {accepted.reason} ({accepted.at.slice(0, 10)})
                </span>
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                onClick={() => act('Reopen a finding', (j) => openAgain(j, accepted))}
              >
                Reopen
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
