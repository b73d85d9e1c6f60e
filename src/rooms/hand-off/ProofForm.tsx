import { plainName } from '../../../core/files/file-names';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { saveFiles } from '../../parts/save-files';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { keepProof, lastProof } from '../../store/kept-with';
import { keepHandOff } from '../../store/versions';
import { OrderFields } from './OrderFields';

/** A proof of each piece for the client to sign, with what changed since the last one. */
export function ProofForm({ chosen, gate }: { chosen: readonly Chosen[]; gate: Gate }) {
  const { job } = useBench();
  const writing = useWriting();
  async function write(): Promise<void> {
    const asked = await Promise.all(chosen.map(async ({ piece }) => ({ piece, last: await lastProof(job, piece) })));
    const assets = await loadAssets(job);
    const date = new Date().toISOString();
    const written = await writing.run((room, tell) => room.writeProofs(job, asked, date, gate.letGo, assets, tell));
    if (!written) return;
    saveFiles([...written.proofs, ...written.beside], `${plainName(job.name)}-proofs.zip`);
    for (const { piece, kept } of written.proofs) void keepProof(job, piece, kept);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
  }
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <p className="mb-4 text-[14px]">
          Each side as it will be cut and with its edges, in screen colours, with “not for print” across it and a box to
          sign. What changed since the last proof is framed.
        </p>
        <OrderFields chosen={chosen} />
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        <ExportRow
          gate={gate}
          writing={writing}
          says={chosen.length === 1 ? 'Export proof' : `Export ${chosen.length} proofs`}
          disabled={chosen.length === 0}
          onWrite={() => void write()}
        />
      </div>
    </>
  );
}
