import { plainName } from '../../../core/files/file-names';
import { type Chosen, plannedFiles } from '../../../core/files/hand-off/plan';
import { ticketJson, ticketOf, ticketXjdf } from '../../../core/files/ticket';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { saveFile } from '../../parts/save-files';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { keepHandOff } from '../../store/versions';
import { OrderFields } from './OrderFields';

const TICKETS = [
  ['ticket.json', 'Ticket as JSON', ticketJson],
  ['ticket.xjdf', 'Ticket as XJDF', ticketXjdf],
] as const;

/** All that somebody else needs to go on with the job, in one zip; the ticket by itself. */
export function PackageForm({ chosen, gate }: { chosen: readonly Chosen[]; gate: Gate }) {
  const { job } = useBench();
  const writing = useWriting();
  const files = plannedFiles(job, chosen, {}, 1);
  const pieces = job.pieces.filter(({ id }) => chosen.some(({ piece }) => piece === id));
  const named = Object.fromEntries(
    pieces.map(({ id }) => [id, files.filter(({ piece }) => piece === id).map(({ name }) => name)]),
  );
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const bytes = await writing.run((room, tell) => room.writePackage(job, files, gate.letGo, assets, tell));
    if (!bytes) return;
    saveFile({ name: `${plainName(job.name)}-package.zip`, bytes });
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
  }
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <p className="mb-4 text-[14px]">
          One zip with the job, the files for the shop, the findings, the ticket of what is ordered, and those of your
          own typefaces that may be passed on.
        </p>
        <OrderFields chosen={chosen} />
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        <div className="flex gap-2">
          {TICKETS.map(([name, says, write]) => (
            <button
              key={name}
              type="button"
              className="btn btn-sm"
              disabled={pieces.length === 0}
              onClick={() =>
                saveFile({
                  name: `${plainName(job.name)}-${name}`,
                  bytes: new TextEncoder().encode(write(ticketOf(job, pieces, named))),
                })
              }
            >
              {says}
            </button>
          ))}
        </div>
        <ExportRow
          gate={gate}
          writing={writing}
          says="Export package"
          disabled={chosen.length === 0}
          onWrite={() => void write()}
        />
      </div>
    </>
  );
}
