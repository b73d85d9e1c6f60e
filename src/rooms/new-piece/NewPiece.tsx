import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import { makeJob } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { shopIn, shopsOf } from '../../../core/job/shops-of';
import { beginPiece, STARTER_TYPEFACES, STARTERS } from '../../../core/starters';
import { beginFrom } from '../../../core/starters/from-piece';
import { nextKind, PIECE_NAMES, usualFaces, usualShop, usualSize, usualSizeIn } from '../../../core/starters/usual';
import { KINDS, type Kind } from '../../../core/trade/schema';
import { measuresOf, sizesOf } from '../../../core/trade/sizes';
import { formatLength, formatSize, type PieceUnit } from '../../../core/units/length';
import { useFonts } from '../../bench/use-fonts';
import { useKit } from '../../bench/use-kit';
import { useProfiles } from '../../bench/use-profiles';
import { asked, goTo } from '../../parts/address';
import { TopBar } from '../../parts/TopBar';
import { keepAsset } from '../../store/assets';
import { keepBundle, loadJob } from '../../store/kept-jobs';
import { openSession } from '../../store/saving';
import { act, useSession } from '../../store/session';
import { db } from '../../store/shelf';
import { Choice } from './Choice';
import { fromPiece } from './FromPieceTiles';
import { Gallery } from './Gallery';
import { atSize, openTemplate } from './KeptTiles';
import { OwnSize } from './OwnSize';
import { SizeShelf } from './SizeShelf';

interface Size {
  width: number;
  height: number;
  unit: PieceUnit;
}

const KIND_NAMES: Record<Kind, string> = {
  card: 'Card',
  letterhead: 'Letterhead',
  envelope: 'Envelope',
  postcard: 'Postcard',
  flyer: 'Flyer',
};
/** A job with a typeface for every role, so that their fonts are loaded. */
const withRoles = (job: Job): Job => ({ ...job, roles: { ...STARTER_TYPEFACES, ...job.roles } });

const turned = ({ width, height, unit }: Size): Size => ({ width: height, height: width, unit });
const isUpright = ({ width, height }: Size): boolean => height > width;

/** A piece that was begun is a step of its job, or a job of its own. */
async function keepNew(made: Job, assets: Record<string, Uint8Array>): Promise<void> {
  if (useSession.getState().history?.job.id !== made.id) return keepBundle({ job: made, assets });
  for (const [hash, bytes] of Object.entries(assets)) await keepAsset(hash, bytes);
  act('New piece', () => made);
}

/** From a kind and a finished size to an empty piece. */
export default function NewPiece() {
  const [job, setJob] = useState<Job>();
  // What is chosen before the job is here would be lost to what the job is used to.
  const [isOpening, setOpening] = useState(() => Boolean(asked('job')));
  const [jobName, setJobName] = useState('');
  const [kind, setKind] = useState<Kind>('card');
  const [size, setSize] = useState<Size>(() => measuresOf(sizesOf('card')[0]!));
  const [faces, setFaces] = useState(2);
  const [shop, setShop] = useState('metric-offset');
  const [name, setName] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const [starter, setStarter] = useState<string>();
  const { kit } = useKit();
  // A client who is new has no house yet: what starters are drawn in is that of an empty job.
  const house = useMemo(() => withRoles(job ?? makeJob('new', 'New', new Date(0).toISOString())), [job]);
  const fontsHere = useFonts(house);
  const profilesHere = useProfiles(house);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the job is loaded once, as the room is entered
  useEffect(() => {
    const id = asked('job');
    if (id)
      loadJob(id).then(
        (loaded) => {
          setJob(loaded);
          setOpening(false);
          if (!loaded) return;
          setShop(usualShop(loaded));
          begin(nextKind(loaded), loaded);
        },
        (error: Error) => {
          setOpening(false);
          setProblem(error.message);
        },
      );
  }, []);

  /** A kind in the size that is usual where the client is, in the look of what the job has already. */
  function begin(next: Kind, of: Job | undefined): void {
    setKind(next);
    setSize(of ? usualSizeIn(of, next) : usualSize(next, undefined));
    setFaces(usualFaces(next));
    setStarter(of?.look ? `${next}-${of.look}` : undefined);
  }

  const pieceName = name ?? PIECE_NAMES[kind];
  const spec = shopIn(house, shop);

  async function make(): Promise<void> {
    const client = job?.name ?? jobName.trim();
    if (client === '') {
      setProblem('Name the job first: usually the client’s name.');
      document.getElementById('job-name')?.focus();
      return;
    }
    if (pieceName.trim() === '') {
      setProblem('Name the piece first.');
      return;
    }
    const now = new Date().toISOString();
    if (!kit) return;
    // The client may have been worked on in another tab since this room was opened.
    if (job) await openSession(job.id);
    const base = (job && useSession.getState().history?.job) ?? makeJob(nanoid(12), client, now);
    const newId = (): string => nanoid(10);
    const piece = { id: nanoid(8), name: pieceName.trim(), kind, ...size, shop, faces };
    const template = starter ? await db.templates.get(starter) : undefined;
    if (template) {
      const opened = openTemplate(base, template, name?.trim() || undefined, newId);
      const made = atSize(opened.job, piece, newId, kit);
      await keepNew({ ...made, changed: now }, opened.assets);
      goTo(`/layout?job=${base.id}&piece=${made.pieces.at(-1)!.id}`);
      return;
    }
    const source = base.pieces.find(({ id }) => starter === fromPiece(id));
    const begin = STARTERS.find((each) => each.id === starter);
    const made = source
      ? beginFrom(base, piece, source, newId, kit.fonts)
      : beginPiece(base, piece, begin, newId, kit.fonts);
    await keepNew({ ...made, changed: now }, {});
    goTo(`/layout?job=${base.id}&piece=${piece.id}`);
  }

  return (
    <div className="flex h-screen flex-col">
      <TopBar
        crumb={
          <span className="flex gap-1">
            {job ? `${job.name} / ` : ''}
            <h1 className="font-semibold text-base-content">New piece</h1>
          </span>
        }
      />
      <main className="flex min-h-0 flex-1">
        {isOpening && (
          <p role="status" className="quiet p-6">
            Opening the job…
          </p>
        )}
        <form
          hidden={isOpening}
          className="grid min-h-0 min-w-0 flex-1 grid-cols-[1fr_320px]"
          onSubmit={(event) => {
            event.preventDefault();
            void make();
          }}
        >
          <section className="flex min-h-0 min-w-0 flex-col gap-4 p-6 pb-4" aria-label="Kind and size">
            <Choice
              label="Kind"
              value={kind}
              options={KINDS.map((k) => [k, KIND_NAMES[k]] as const)}
              onChange={(next) => begin(next, job)}
            />
            <SizeShelf kind={kind} upright={isUpright(size)} size={size} onChoose={setSize} />
            {kit && fontsHere && profilesHere && (
              <Gallery
                job={house}
                kit={kit}
                asked={{ id: 'new', name: pieceName, kind, ...size, shop, faces }}
                chosen={starter}
                onChoose={setStarter}
              />
            )}
          </section>
          <aside className="flex flex-col gap-4 overflow-y-auto border-l border-base-300 bg-base-200 p-5">
            {job ? (
              <p>
                <span className="heading mb-1 block">Job</span>
                <b className="font-semibold">{job.name}</b>
              </p>
            ) : (
              <label className="block">
                <span className="heading mb-1 block">Job</span>
                <input
                  id="job-name"
                  className="input w-full"
                  placeholder="The client’s name"
                  value={jobName}
                  maxLength={120}
                  onChange={(event) => {
                    setJobName(event.target.value);
                    setProblem(undefined);
                  }}
                />
              </label>
            )}
            <label className="block">
              <span className="heading mb-1 block">Piece</span>
              <input
                className="input w-full"
                value={pieceName}
                maxLength={120}
                onChange={(event) => {
                  setName(event.target.value);
                  setProblem(undefined);
                }}
              />
            </label>
            <OwnSize size={size} onChange={setSize} />
            <Choice
              label="Orientation"
              value={isUpright(size) ? 'upright' : 'wide'}
              options={[
                ['wide', 'Landscape'],
                ['upright', 'Portrait'],
              ]}
              onChange={(way) => {
                if ((way === 'upright') !== isUpright(size)) setSize(turned(size));
              }}
            />
            <Choice
              label="Sides"
              value={faces}
              options={[
                [1, 'One'],
                [2, 'Front and back'],
                [4, 'Four pages'],
              ]}
              onChange={setFaces}
            />
            <Choice
              label="Shop spec"
              value={shop}
              options={shopsOf(house).map((s) => [s.id, s.name] as const)}
              onChange={setShop}
            />
            <p className="quiet text-[13px]">
              {spec.bleed[kind] > 0 ? `Bleed ${formatLength(spec.bleed[kind], spec.unit)}` : 'No bleed'}, safe zone{' '}
              {formatLength(spec.safe[kind], spec.unit)}, pictures {spec.ppi.wanted} ppi.
            </p>
            <div className="mt-auto">
              {problem && (
                <p role="alert" className="mb-2 text-[13px] text-error">
                  {problem}
                </p>
              )}
              <button type="submit" className="btn btn-primary w-full">
                Create piece, {formatSize(size.width, size.height, size.unit)}
              </button>
            </div>
          </aside>
        </form>
      </main>
    </div>
  );
}
