import { useLiveQuery } from 'dexie-react-hooks';
import X from 'lucide-react/icons/x';
import { useMemo } from 'react';
import { readJobFile } from '../../../core/files/job-file';
import { adoptPiece } from '../../../core/job/edits/adopt';
import type { PieceAsked } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { resizePiece } from '../../../core/starters/refit';
import type { Kit } from '../../../workers/kit';
import { useFonts } from '../../bench/use-fonts';
import { usePreviews } from '../../bench/use-previews';
import { binTemplate } from '../../store/bin';
import { db, type Template } from '../../store/shelf';
import { BegunFaces } from './BegunFaces';
import { Tile } from './Tile';

/** A template opened into a job: a copy, in the client's inks and with the client's details, at its own size. */
export function openTemplate(job: Job, { file }: Template, name: string | undefined, newId: () => string) {
  const bundle = readJobFile(file);
  const piece = bundle.job.pieces[0]!;
  return { job: adoptPiece(job, bundle.job, piece.id, name ?? piece.name, newId), assets: bundle.assets };
}

/** The piece that has just been opened, at the size and for the shop that are asked for. */
export const atSize = (job: Job, asked: PieceAsked, newId: () => string, { fonts }: Kit): Job => {
  const { width, height, unit, shop } = asked;
  return resizePiece(job, job.pieces.at(-1)!.id, { width, height, unit, shop }, newId, fonts);
};

/** The templates of a kind that have been kept, drawn as they would begin. */
export function KeptTiles({
  job,
  kit,
  asked,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit;
  asked: PieceAsked;
  chosen: string | undefined;
  onChoose(id: string | undefined): void;
}) {
  const { kind } = asked;
  const kept = useLiveQuery(() => db.templates.where('kind').equals(kind).toArray(), [kind]);
  return kept?.map((template) => (
    <KeptTile
      key={template.id}
      {...{ job, kit, asked, template }}
      chosen={chosen === template.id}
      onChoose={() => onChoose(template.id)}
      onForget={() => {
        if (chosen === template.id) onChoose(undefined);
        void binTemplate(template);
      }}
    />
  ));
}

function KeptTile({
  job,
  kit,
  asked,
  template,
  chosen,
  onChoose,
  onForget,
}: {
  job: Job;
  kit: Kit;
  asked: PieceAsked;
  template: Template;
  chosen: boolean;
  onChoose(): void;
  onForget(): void;
}) {
  const opened = useMemo(() => {
    let n = 0;
    return openTemplate({ ...job, pieces: [] }, template, undefined, () => `kept-${++n}`).job;
  }, [job, template]);
  const here = useFonts(opened);
  const { width, height, unit, shop } = asked;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked is told whole by its parts
  const made = useMemo(() => {
    let n = 0;
    return here ? atSize(opened, asked, () => `sized-${++n}`, kit) : opened;
  }, [here, opened, kit, width, height, unit, shop]);
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, shop)), [job, shop]);
  const previews = usePreviews(made, condition);
  return (
    <div className="relative shrink-0">
      <Tile name={template.name} says="A template you have kept." chosen={chosen} onChoose={onChoose}>
        <BegunFaces job={made} kit={kit} press={kit.press(condition)} previews={previews} isReady={here} />
      </Tile>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square absolute top-1 right-1"
        aria-label={`Delete the template ${template.name}`}
        onClick={onForget}
      >
        <X size={13} />
      </button>
    </div>
  );
}
