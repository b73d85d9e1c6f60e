import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { asOnePlate, proposeInks, withInks } from '../../../core/client/fewer-inks';
import { differenceWord } from '../../../core/colour/difference';
import { hexOf } from '../../../core/colour/engine';
import type { Ink } from '../../../core/colour/ink';
import { shownInk } from '../../../core/files/art-in/inks';
import { pieceOf } from '../../../core/job/find';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Paint } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { heldFaces, showingMade } from '../../../core/scene/finishing';
import { sourcesOf } from '../../../core/scene/sources';
import { useBench } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';
import { usePreviews } from '../../bench/use-previews';
import { Choice } from '../../parts/Choice';
import { Dialog } from '../../parts/Dialog';
import { act } from '../../store/session';

const COUNTS = [
  ['2', 'Two inks'],
  ['1', 'One ink'],
] as const;

/** A piece before and after it is brought to one or two inks; nothing is changed until it is asked for. */
export function FewerInks({ onClose }: { onClose(): void }) {
  const { job, piece, press } = useBench();
  const [count, setCount] = useState<'1' | '2'>('2');
  const [chosen, setChosen] = useState<readonly (string | undefined)[]>([]);
  const newId = (): string => nanoid(8);
  const proposed = useMemo(
    () => proposeInks(job, piece, count === '1' ? 1 : 2, press, () => nanoid(8)),
    [job, piece, count, press],
  );
  // Every ink could be a plate of its own; those proposed are ready as such.
  const offers = useMemo(() => {
    const ready = proposed?.inks ?? [];
    const rest = job.inks.filter(
      ({ id, name }) => id !== 'paper' && !ready.some((ink) => ink.id === id || ink.name.startsWith(name)),
    );
    return [...ready, ...rest.map((ink) => asOnePlate(ink, job.inks, () => nanoid(8)))];
  }, [job, proposed]);
  const inks = useMemo(
    () => (proposed?.inks ?? []).map((ink, i): Ink => offers.find(({ id }) => id === chosen[i]) ?? ink),
    [proposed, offers, chosen],
  );
  const after = useMemo(
    () => (inks.length > 0 ? withInks(job, piece.id, inks, press, () => nanoid(10)) : undefined),
    [job, piece, inks, press],
  );
  const changes = [...(after?.changes ?? [])].sort((a, b) => b.deltaE - a.deltaE);

  function apply(): void {
    act(inks.length === 1 ? 'Print with one ink' : 'Print with two inks', (before) =>
      pieceOf(before, piece.id) ? withInks(before, piece.id, inks, press, newId).job : before,
    );
    onClose();
  }

  return (
    <Dialog title={`Fewer inks for ${piece.name}`} onClose={onClose} wide>
      <div className="grid gap-4">
        <div className="grid grid-cols-3 items-end gap-3">
          <Choice label="Print with" value={count} options={COUNTS} onChange={(to) => setCount(to)} />
          {inks.map((ink, i) => (
            <Choice
              // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second ink
              key={i}
              label={i === 0 ? 'First ink' : 'Second ink'}
              value={ink.id}
              options={offers
                .filter(({ id }) => id === ink.id || !inks.some((each) => each.id === id))
                .map(({ id, name }) => [id, name] as const)}
              onChange={(id) => setChosen(inks.map((each, k) => (k === i ? id : (chosen[k] ?? each.id))))}
            />
          ))}
        </div>
        {!after && <p>Nothing on this piece is printed in an ink.</p>}
        {after && (
          <>
            <div className="grid grid-cols-2 gap-4 rounded bg-[var(--table)] p-3 text-[var(--table-text)]">
              <Sides job={job} title="Now" />
              <Sides job={after.job} title={`With ${inks.map(({ name }) => name).join(' and ')}`} />
            </div>
            {changes.length > 0 && (
              <ul className="grid max-h-48 grid-cols-2 gap-x-6 gap-y-1 overflow-y-auto" aria-label="What changes">
                {changes.map(({ from, to, deltaE }) => (
                  <li key={`${from.ink} ${from.tint} ${to.tint}`} className="flex items-center gap-2 text-[13px]">
                    <Swatch job={job} paint={from} />
                    <Swatch job={after.job} paint={to} />
                    <span className="truncate">
                      {said(from, job)} → {said(to, after.job)}
                    </span>
                    <span className="quiet ml-auto shrink-0">
                      ΔE {deltaE.toFixed(1)}, {differenceWord(deltaE)}
                    </span>
                  </li>
                ))}
              </ul>
            )}
            <p className="quiet text-[13px]">
              Pictures print their greys in {inks.length === 1 ? 'this ink' : 'these inks'}; logos get a version of
              their own. Other pieces stay as they are.
            </p>
          </>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-primary" disabled={!after} onClick={apply}>
            {inks.length === 1 ? 'Print with one ink' : 'Print with two inks'}
          </button>
        </div>
      </div>
    </Dialog>
  );
}

const said = ({ ink, tint }: Paint, { inks }: Job): string =>
  `${inks.find(({ id }) => id === ink)?.name ?? ink}${tint === 1 ? '' : ` ${Math.round(tint * 100)} %`}`;

function Swatch({ job, paint }: { job: Job; paint: Paint }) {
  const { press } = useBench();
  const ink = job.inks.find(({ id }) => id === paint.ink);
  const rgb =
    ink && shownInk({ ...ink, cmyk: ink.cmyk.map((amount) => amount * paint.tint) as Ink['cmyk'] }, job.inks, press);
  return (
    <span
      className="block size-5 shrink-0 rounded-xs border border-black/25"
      style={rgb ? { background: hexOf(rgb) } : undefined}
    />
  );
}

/** The first two sides of the piece, as a job has it. */
function Sides({ job, title }: { job: Job; title: string }) {
  const { piece, press, shop, sources: here } = useBench();
  const condition = useMemo(() => pressConditionOf(job, shop), [job, shop]);
  const previews = usePreviews(job, condition);
  const sources = useMemo(() => showingMade(sourcesOf(job, here.fonts), piece), [job, here.fonts, piece]);
  const shown = pieceOf(job, piece.id);
  if (!shown) return null;
  return (
    <figure className="grid content-start gap-1.5">
      <figcaption className="text-[13px]">{title}</figcaption>
      <div className="flex flex-wrap gap-2">
        {heldFaces(shown, sources)
          .slice(0, 2)
          .map((face) => {
            const { width, height } = asFace(shown, face);
            const scale = 150 / Math.max(width, height);
            return (
              <svg
                key={face.id}
                viewBox={`0 0 ${width} ${height}`}
                width={width * scale}
                height={height * scale}
                className="bg-white shadow-md"
                role="img"
                aria-label={`${face.name}, ${title}`}
              >
                <FaceArt face={face} sources={sources} press={press} previews={previews} />
              </svg>
            );
          })}
      </div>
    </figure>
  );
}
