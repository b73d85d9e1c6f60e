import { useState } from 'react';
import { plainName } from '../../../core/files/file-names';
import { type Chosen, plannedFiles } from '../../../core/files/hand-off/plan';
import type { HandOffSettings } from '../../../core/files/hand-off/settings';
import { pieceOf } from '../../../core/job/find';
import { pressConditionOf } from '../../../core/job/press-of';
import { shopIn } from '../../../core/job/shops-of';
import type { HandedOff } from '../../../workers/write-work';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { NumberField } from '../../parts/NumberField';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { noteExport } from '../../store/kept-with';
import { keepHandOff } from '../../store/versions';
import { SettingRows } from './SettingRows';
import { SpreadRows } from './SpreadRows';

export interface Done extends HandedOff {
  zipName: string;
  /** How long each picture's file is, by its hash. */
  sizes: Readonly<Record<string, number>>;
}

/** Print-ready files as the shop of each piece wants them, or as they are changed here. */
export function ShopForm({
  chosen,
  gate,
  onDone,
}: {
  chosen: readonly Chosen[];
  gate: Gate;
  onDone(done: Done): void;
}) {
  const { job, shop } = useBench();
  const [changes, setChanges] = useState<Partial<HandOffSettings>>({});
  const [version, setVersion] = useState(1);
  const writing = useWriting();
  const files = plannedFiles(job, chosen, changes, version);
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const written = await writing.run((room, tell) => room.handOff(job, files, gate.letGo, assets, tell));
    if (!written) return;
    for (const { piece } of chosen) void noteExport(job, piece);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
    const sizes = Object.fromEntries(Object.entries(assets).map(([hash, { length }]) => [hash, length]));
    onDone({ ...written, zipName: `${plainName(job.name)}-v${version}.zip`, sizes });
  }
  const shops = new Set(chosen.flatMap(({ piece }) => pieceOf(job, piece)?.shop ?? []));
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <p className="mb-4 text-[14px]">
          Filled in for{' '}
          <b>{shops.size === 1 ? shopIn(job, [...shops][0]!).name : `${shops.size} shops, each piece for its own`}</b>
          {shops.size === 1 && `: pictures separated for ${pressConditionOf(job, shop).name.toLowerCase()}`}.
        </p>
        <SettingRows shop={shop} changes={changes} onChange={setChanges} />
        <SpreadRows chosen={chosen} />
        {/\{version\}/.test(changes.fileName ?? shop.fileName) && (
          <div className="mt-3 w-28">
            <NumberField label="Version" value={version} least={1} most={999} onChange={setVersion} />
          </div>
        )}
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        <ExportRow
          gate={gate}
          writing={writing}
          says={files.length === 1 ? 'Export PDF' : `Export ${files.length} PDFs`}
          disabled={files.length === 0}
          onWrite={() => void write()}
        />
      </div>
    </>
  );
}
