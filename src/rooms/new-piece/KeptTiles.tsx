import { useLiveQuery } from 'dexie-react-hooks';
import X from 'lucide-react/icons/x';
import { useMemo } from 'react';
import { readJobFile } from '../../../core/files/job-file';
import { adoptPiece } from '../../../core/job/edits/adopt';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import type { Kind } from '../../../core/trade/schema';
import { shopOf } from '../../../core/trade/shops';
import type { Kit } from '../../../workers/kit';
import { FaceArt } from '../../parts/FaceArt';
import { useFonts } from '../../parts/use-fonts';
import { usePreviews } from '../../parts/use-previews';
import { db, type Template } from '../../store/db';
import { Sheet, Tile } from './Tile';

/** A template opened into a job: a copy, in the client's inks and with the client's details. */
export function openTemplate(job: Job, { file }: Template, name: string | undefined, newId: () => string) {
  const bundle = readJobFile(file);
  const piece = bundle.job.pieces[0]!;
  return { job: adoptPiece(job, bundle.job, piece.id, name ?? piece.name, newId), assets: bundle.assets };
}

/** The templates of a kind that have been kept, drawn as they would begin. */
export function KeptTiles({
  job,
  kit,
  kind,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit;
  kind: Kind;
  chosen: string | undefined;
  onChoose(id: string | undefined): void;
}) {
  const kept = useLiveQuery(() => db.templates.where('kind').equals(kind).toArray(), [kind]);
  return kept?.map((template) => (
    <KeptTile
      key={template.id}
      {...{ job, kit, template }}
      chosen={chosen === template.id}
      onChoose={() => onChoose(template.id)}
      onForget={() => {
        if (chosen === template.id) onChoose(undefined);
        void db.templates.delete(template.id);
      }}
    />
  ));
}

function KeptTile({
  job,
  kit,
  template,
  chosen,
  onChoose,
  onForget,
}: {
  job: Job;
  kit: Kit;
  template: Template;
  chosen: boolean;
  onChoose(): void;
  onForget(): void;
}) {
  const made = useMemo(() => {
    let n = 0;
    return openTemplate({ ...job, pieces: [] }, template, undefined, () => `kept-${++n}`).job;
  }, [job, template]);
  const here = useFonts(made);
  const piece = made.pieces[0]!;
  const condition = useMemo(() => pressConditionOf(job, shopOf(piece.shop)), [job, piece.shop]);
  const previews = usePreviews(made, condition);
  const sources = sourcesOf(made, kit.fonts);
  return (
    <div className="relative shrink-0">
      <Tile name={template.name} says="A template you have kept." chosen={chosen} onChoose={onChoose}>
        {(here ? shownFaces(piece, sources) : piece.faces).slice(0, 2).map((face) => {
          const { width, height } = asFace(piece, face);
          return (
            <Sheet key={face.id} width={width} height={height}>
              {here && <FaceArt face={face} sources={sources} press={kit.press(condition)} previews={previews} />}
            </Sheet>
          );
        })}
      </Tile>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square absolute top-1 right-1"
        aria-label={`Forget the template ${template.name}`}
        onClick={onForget}
      >
        <X size={13} />
      </button>
    </div>
  );
}
