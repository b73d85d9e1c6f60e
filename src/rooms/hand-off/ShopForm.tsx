import { useMemo, useState } from 'react';
import { asShopAsks, checkPiece } from '../../../core/checks';
import { type Finding, findingKey } from '../../../core/checks/check';
import { letStand } from '../../../core/checks/let-stand';
import { plainName } from '../../../core/files/file-names';
import { type Chosen, plannedFiles } from '../../../core/files/hand-off/plan';
import type { HandOffSettings } from '../../../core/files/hand-off/settings';
import { findElement, pieceOf, titleOf } from '../../../core/job/find';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import type { Written } from '../../../workers/write-work';
import { useBench, useFound } from '../../bench/bench';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { useWriting } from '../../parts/use-writing';
import { WriteRow } from '../../parts/WriteRow';
import { loadAssets } from '../../store/assets';
import { noteExport } from '../../store/kept-with';
import { keepHandOff } from '../../store/versions';
import { SettingRows } from './SettingRows';

export interface Done {
  files: readonly Written[];
  zipName: string;
  /** How long each picture's file is, by its hash. */
  sizes: Readonly<Record<string, number>>;
}

/** The open findings of the chosen pieces that a shop would stop at; those of this room's piece are known in full. */
function useStops(chosen: readonly Chosen[]): readonly Finding[] {
  const { job, sheet, sources, press } = useBench();
  const { findings } = useFound();
  return useMemo(
    () =>
      chosen.flatMap(({ piece: id }) => {
        if (id === sheet.id) return findings.filter(({ severity }) => severity === 'stop');
        const piece = pieceOf(job, id);
        if (!piece) return [];
        const shop = shopIn(job, piece.shop);
        const found = asShopAsks(checkPiece(job, piece, { fonts: sources.fonts, press }, shop), shop);
        return letStand(found, job, piece).open.filter(({ severity }) => severity === 'stop');
      }),
    [chosen, job, sheet.id, sources.fonts, press, findings],
  );
}

/** Print-ready files as the shop of each piece wants them, or as they are changed here. */
export function ShopForm({ chosen, onDone }: { chosen: readonly Chosen[]; onDone(done: Done): void }) {
  const { job, shop } = useBench();
  const [changes, setChanges] = useState<Partial<HandOffSettings>>({});
  const [version, setVersion] = useState(1);
  const [sure, setSure] = useState(false);
  const writing = useWriting();
  const stops = useStops(chosen);
  const files = plannedFiles(job, chosen, changes, version);
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const written = await writing.run((room, tell) => room.handOff(job, files, assets, tell));
    if (!written) return;
    for (const { piece } of chosen) void noteExport(job, piece);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
    const sizes = Object.fromEntries(Object.entries(assets).map(([hash, { length }]) => [hash, length]));
    onDone({ files: written, zipName: `${plainName(job.name)}-v${version}.zip`, sizes });
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
        {/\{version\}/.test(changes.fileName ?? shop.fileName) && (
          <div className="mt-3 w-28">
            <NumberField label="Version" value={version} least={1} most={999} onChange={setVersion} />
          </div>
        )}
      </div>
      <div className="grid gap-3 border-base-300 border-t p-4">
        {stops.length > 0 && <Stops job={job} stops={stops} sure={sure} onSure={setSure} />}
        <WriteRow
          writing={writing}
          says={files.length === 1 ? 'Write the file' : `Write ${files.length} files`}
          disabled={files.length === 0 || (stops.length > 0 && !sure)}
          onWrite={() => void write()}
        />
      </div>
    </>
  );
}

function Stops({
  job,
  stops,
  sure,
  onSure,
}: {
  job: Job;
  stops: readonly Finding[];
  sure: boolean;
  onSure(sure: boolean): void;
}) {
  return (
    <div className="rounded bg-warning p-3 text-[14px] text-warning-content">
      <b className="font-semibold">
        {stops.length === 1 ? 'One thing' : `${stops.length} things`} a shop would stop at:
      </b>
      <ul className="my-1 max-h-28 list-disc overflow-y-auto pl-5">
        {stops.map((finding) => {
          const found = findElement(job, finding.element);
          return (
            <li key={findingKey(finding)}>
              {found && titleOf(found.element, job.assets)}: {finding.problem.toLowerCase()}
            </li>
          );
        })}
      </ul>
      <Tick checked={sure} onChange={onSure}>
        Write it all the same
      </Tick>
    </div>
  );
}
