import Plus from 'lucide-react/icons/plus';
import { lazy, memo, Suspense, useMemo, useState } from 'react';
import type { Review } from '../../../core/checks/review';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { hasDie, heldFaces, showingMade } from '../../../core/scene/finishing';
import { type SceneSources, sourcesOf } from '../../../core/scene/sources';
import type { Kit } from '../../../workers/kit';
import { useTrouble } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';
import { GateStops } from '../../bench/gate/GateStops';
import { useGate } from '../../bench/gate/use-gate';
import { HistoryButtons } from '../../bench/HistoryButtons';
import { RoomLinks } from '../../bench/RoomLinks';
import { RoomWait } from '../../bench/RoomShell';
import { SaveState } from '../../bench/SaveState';
import { useFonts } from '../../bench/use-fonts';
import { useInSight } from '../../bench/use-in-sight';
import { useKit } from '../../bench/use-kit';
import { usePreviews } from '../../bench/use-previews';
import { useProfiles } from '../../bench/use-profiles';
import { VersionsButton } from '../../bench/versions/VersionsButton';
import { Dialog } from '../../parts/Dialog';
import { download, fileName } from '../../parts/download';
import { Lesson } from '../../parts/Lesson';
import { TopBar } from '../../parts/TopBar';
import { useJob } from '../../store/session';
import type { Exported } from '../../store/shelf';
import { PieceLabel } from './PieceLabel';
import { setPdf, setPicture } from './set-picture';
import { layTable, type Table } from './table';
import { useStatuses } from './use-statuses';
import { useWidth } from './use-width';

/** Room at the right of the table for its scroll bar, in pixels. */
const BAR = 16;

/** The whole set on a table, front and back, at one scale; how each piece stands. */
export default function PiecesRoom() {
  const { kit, failure } = useKit();
  const job = useJob();
  const profilesHere = useProfiles(job);
  const trouble = useTrouble() ?? failure;
  const ready = kit !== undefined && profilesHere;
  return (
    <div className="grid h-screen grid-rows-[auto_minmax(0,1fr)]">
      <div>
        <TopBar crumb={job && <h1 className="font-semibold text-base-content">{job.name}</h1>}>
          <SaveState />
          <RoomLinks here="pieces" />
          <HistoryButtons />
          <VersionsButton />
          {job && <SetInHand job={job} />}
          {job && <SetPictures job={job} />}
          {job && (
            <a href={`/new?job=${job.id}`} className="btn btn-primary btn-sm">
              <Plus size={15} /> New piece
            </a>
          )}
        </TopBar>
        {job && <Lesson of="pieces" />}
      </div>
      {job && ready ? (
        <WholeSet job={job} kit={kit} />
      ) : (
        <RoomWait trouble={trouble} says="Laying the pieces on the table…" />
      )}
    </div>
  );
}

function WholeSet({ job, kit }: { job: Job; kit: Kit }) {
  const [ref, width] = useWidth();
  const { reviews, exported } = useStatuses(job);
  const table = useMemo(() => layTable(job.pieces, width - BAR), [job.pieces, width]);
  const sources = useMemo(() => sourcesOf(job, kit.fonts), [job, kit]);
  const scale = Math.max(0, width - BAR) / table.width;
  return (
    <main ref={ref} className="overflow-y-auto bg-[var(--table)]" aria-label="Table">
      <ul className="relative" style={{ height: table.height * scale }}>
        {table.pieces.map((laid) => (
          <LaidPiece
            key={laid.piece.id}
            {...{ job, kit, sources, scale, laid }}
            faces={table.faces}
            review={reviews.get(laid.piece.id)}
            exported={exported?.get(laid.piece.id)}
          />
        ))}
      </ul>
    </main>
  );
}

/** A piece where it lies, all its faces, as its own press prints it; its label below. Drawn anew only for its own sake. */
const LaidPiece = memo(function LaidPiece({
  job,
  kit,
  sources,
  scale,
  laid: { piece, x, y, width, height },
  faces,
  review,
  exported,
}: {
  job: Job;
  kit: Kit;
  sources: SceneSources;
  scale: number;
  laid: Table['pieces'][number];
  faces: Table['faces'];
  review: Review | undefined;
  exported: Exported | undefined;
}) {
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, piece.shop)), [job, piece.shop]);
  const [ref, inSight] = useInSight<HTMLLIElement>();
  const alone = useMemo(() => (inSight ? [piece] : []), [inSight, piece]);
  const previews = usePreviews(job, condition, alone);
  const fontsHere = useFonts(job, alone);
  const isDrawn = inSight && fontsHere;
  const shown = useMemo(() => showingMade(sources, piece), [sources, piece]);
  const printed = useMemo(() => (isDrawn ? heldFaces(piece, sources) : []), [isDrawn, piece, sources]);
  const press = kit.press(condition);
  return (
    <li aria-label={piece.name} ref={ref}>
      <a
        href={`/layout?job=${job.id}&piece=${piece.id}`}
        aria-label={`Open ${piece.name}`}
        className="group absolute block"
        style={{ left: x * scale, top: y * scale, width: width * scale, height: height * scale }}
      >
        {faces
          .filter((each) => each.piece === piece)
          .map((each) => (
            <svg
              key={each.face.id}
              role="img"
              aria-label={`${piece.name}, ${each.face.name}`}
              viewBox={`0 0 ${each.width} ${each.height}`}
              className={`absolute ${hasDie(piece) ? 'drop-shadow-md' : 'shadow-md'} group-hover:outline-2 group-hover:outline-primary`}
              style={{
                left: (each.x - x) * scale,
                top: 0,
                width: each.width * scale,
                height: each.height * scale,
              }}
            >
              {isDrawn ? (
                <FaceArt
                  face={printed.find(({ id }) => id === each.face.id) ?? each.face}
                  sources={shown}
                  held={piece}
                  press={press}
                  previews={previews}
                />
              ) : (
                <rect width="100%" height="100%" fill="#fff" />
              )}
            </svg>
          ))}
      </a>
      <div className="absolute" style={{ left: x * scale, top: (y + height) * scale + 6, width: width * scale }}>
        <PieceLabel job={job} piece={piece} review={review} exported={exported} />
      </div>
    </li>
  );
});

const InHandDialog = lazy(() => import('./in-hand/InHandDialog').then((at) => ({ default: at.InHandDialog })));

/** The set as it will lie on somebody's table. */
function SetInHand({ job }: { job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => setOpen(true)}>
        In the hand…
      </button>
      {open && (
        <Suspense>
          <InHandDialog job={job} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

/** The set as a picture for the client. */
function SetPictures({ job }: { job: Job }) {
  const [going, setGoing] = useState<number>();
  const [problem, setProblem] = useState<string>();
  const [asking, setAsking] = useState(false);
  const gate = useGate(useMemo(() => job.pieces.map((piece) => ({ job, piece })), [job]));
  async function make(as: 'png' | 'pdf'): Promise<void> {
    setProblem(undefined);
    try {
      const table = layTable(job.pieces);
      const picture = await setPicture(job, table, setGoing);
      const name = `${fileName(job.name)}-set`;
      if (as === 'png') download(new Uint8Array(await picture.arrayBuffer()), `${name}.png`, 'image/png');
      else download(await setPdf(picture, table, job.name), `${name}.pdf`, 'application/pdf');
    } catch (error) {
      setProblem(`The picture could not be made: ${(error as Error).message}`);
    }
    setGoing(undefined);
  }
  return (
    <>
      {problem && (
        <span role="alert" className="text-[14px] text-error">
          {problem}
        </span>
      )}
      <span className="quiet text-[14px]">
        {going === undefined ? 'The set as a picture' : `${Math.round(going * 100)} %`}
      </span>
      <div className="join">
        {(['png', 'pdf'] as const).map((as) => (
          <button
            key={as}
            type="button"
            className="btn btn-sm join-item"
            disabled={going !== undefined || gate.checking > 0}
            onClick={() => (gate.open ? void make(as) : setAsking(true))}
          >
            {as.toUpperCase()}
          </button>
        ))}
      </div>
      {asking && (
        <Dialog title="Export the set as a picture" onClose={() => setAsking(false)}>
          <div className="grid gap-4">
            <GateStops gate={gate} />
            <div className="flex gap-2">
              {(['png', 'pdf'] as const).map((as) => (
                <button
                  key={as}
                  type="button"
                  className="btn btn-primary"
                  disabled={!gate.open}
                  onClick={() => {
                    setAsking(false);
                    void make(as);
                  }}
                >
                  Export {as.toUpperCase()}
                </button>
              ))}
            </div>
          </div>
        </Dialog>
      )}
    </>
  );
}
