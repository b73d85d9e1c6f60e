import { useState } from 'react';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { withReply } from '../../../core/files/review/reply';
import type { Approval } from '../../../core/job/comments';
import { pieceOf } from '../../../core/job/find';
import { intake } from '../../../workers/intake';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { FileChooser } from '../../parts/FileChooser';
import { saveFiles } from '../../parts/save-files';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { act } from '../../store/session';
import { keepHandOff } from '../../store/versions';

/** A page for the client to look at and comment on, and the reply that comes back. */
export function ReviewForm({ chosen, gate }: { chosen: readonly Chosen[]; gate: Gate }) {
  const { job, sources } = useBench();
  const writing = useWriting();
  const [told, setTold] = useState<string>();
  const [problem, setProblem] = useState<string>();
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const written = await writing.run((room, tell) => room.writeReview(job, chosen, gate.letGo, assets, tell));
    if (!written) return;
    saveFiles([written.page, ...written.beside], `${written.page.name.replace(/\.html$/, '')}.zip`);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
  }
  async function take(file: File): Promise<void> {
    setTold(undefined);
    setProblem(undefined);
    try {
      const reply = await intake().readReplyFile(file);
      // Tried before it becomes a step: a reply to another job says so here.
      withReply(job, reply, sources);
      act('Client reply', (now) => withReply(now, reply, sources));
      const count = reply.comments.length;
      setTold(
        `From ${reply.from}: ${count} ${count === 1 ? 'comment' : 'comments'}. They stand at their places in Layout.`,
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto p-4 text-[14px]">
        <p className="mb-4">
          One page to mail: the client turns the pieces over, comments at a place, and says yes or no. It needs no
          server and no account.
        </p>
        <h3 className="heading mb-1">Reply</h3>
        <FileChooser
          label="Reply to a review"
          accept=".tidyreply,application/json"
          className="btn btn-sm"
          onFile={(file) => void take(file)}
        >
          Open a reply…
        </FileChooser>
        {told && (
          <p role="status" className="mt-2">
            {told}
          </p>
        )}
        {problem && (
          <p role="alert" className="mt-2 text-error">
            {problem}
          </p>
        )}
        <Answers approvals={job.approvals ?? []} />
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        <ExportRow
          gate={gate}
          writing={writing}
          says="Export review page"
          disabled={chosen.length === 0}
          onWrite={() => void write()}
        />
      </div>
    </>
  );
}

/** Who has said yes or no to what, the newest first, and whether the job has changed since. */
function Answers({ approvals }: { approvals: readonly Approval[] }) {
  const { job } = useBench();
  if (approvals.length === 0) return null;
  return (
    <>
      <h3 className="heading mt-4 mb-1">Answers</h3>
      <ul className="grid gap-2" aria-label="Answers of the client">
        {approvals.toReversed().map(({ piece, isYes, from, date, of, note }) => (
          <li key={`${piece} ${from} ${date}`} className="rounded border border-base-300 p-2">
            <b className="font-semibold">{isYes ? 'Yes' : 'No'}</b>,{' '}
            {pieceOf(job, piece)?.name ?? 'a piece that is gone'}
            <span className="quiet block text-[13px]">
              {from}, {date.slice(0, 10)}
              {of === job.changed ? '' : ' · the job has changed since'}
            </span>
            {note && <span className="block">{note}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
