import { nanoid } from 'nanoid';
import { inkBounds } from '../../../../core/devices/bounds';
import { addFace } from '../../../../core/job/edits/faces';
import { goOn, scaleWords, setRow, setWordsFrame } from '../../../../core/job/edits/words';
import { titleOf } from '../../../../core/job/find';
import type { Words } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { fittingScale } from '../../../../core/scene/fit-words';
import { wordsSet } from '../../../../core/scene/words';
import { SEPARATOR_SIGNS, SEPARATORS, type Separator } from '../../../../core/type/separators';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { act, select } from '../../../store/session';
import { setInkWidth } from './ink-width';

const BEHAVIOURS = [
  ['grows', 'Fits text'],
  ['fixed width', 'Fixed width'],
  ['fixed box', 'Fixed size'],
] as const;
const VERTICALS = ['top', 'middle', 'bottom'] as const;

/** How the frame holds its words, and what to do when it does not hold all of them. */
export function FrameCard({ words }: { words: Words }) {
  const { piece, sources, unit, echo, setFace } = useBench();
  const frame = elementFrame(words, sources);
  const { hidden, needed } = wordsSet(words, sources);
  const count = hidden.reduce((n, line) => n + line.text.split(/\s+/).filter(Boolean).length, 0);
  const change = (name: string, to: Parameters<typeof setWordsFrame>[2], place = {}): void =>
    act(name, (job) => setWordsFrame(job, words.id, to, place));
  const at = piece.faces.findIndex((f) => f.elements.some((e) => e.id === words.id));
  const nextFace = piece.faces[at + 1];
  function goOnNext(): void {
    const [faceId, frameId] = [nextFace?.id ?? nanoid(10), nanoid(10)];
    act('Continue on the next side', (job) =>
      goOn(nextFace ? job : addFace(job, piece.id, faceId), words.id, faceId, frameId),
    );
    setFace(faceId);
    select(frameId);
  }
  return (
    <section aria-label="Frame">
      <h2 className="heading mb-1.5">Frame</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="The frame"
        value={words.frame.behaviour}
        onChange={(event) => {
          const behaviour = event.target.value as Words['frame']['behaviour'];
          const anchor = behaviour === 'grows' ? words.x : frame.x;
          change('Frame', { behaviour, width: frame.width, height: frame.height }, { x: anchor });
        }}
      >
        {BEHAVIOURS.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      <select
        className="select select-sm mt-1.5 w-full text-[14px]"
        aria-label="The lines"
        value={words.row ?? ''}
        onChange={(event) =>
          act('Lines', (job) => setRow(job, words.id, (event.target.value || undefined) as Separator))
        }
      >
        <option value="">One line under another</option>
        {SEPARATOR_SIGNS.map((sign) => (
          <option key={sign} value={sign}>
            In a row, {sign} between ({SEPARATORS[sign]})
          </option>
        ))}
      </select>
      <div className="mt-1.5 grid grid-cols-2 gap-1.5">
        <LengthField
          label="Inset"
          unit={unit}
          echo={echo}
          value={words.frame.inset}
          least={0}
          most={roundIn(unit, 700, 27)}
          onChange={(inset) => change('Inset', { inset })}
        />
        {words.frame.behaviour === 'fixed box' && (
          <select
            className="select w-full text-[14px]"
            aria-label="Vertical alignment"
            value={words.frame.vertical}
            onChange={(event) => change('Vertical alignment', { vertical: event.target.value as 'top' })}
          >
            {VERTICALS.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        )}
      </div>
      <AsWideAs words={words} />
      {hidden.length > 0 && !words.next && (
        <div role="alert" className="mt-1.5 rounded bg-warning p-2 text-warning-content">
          {count === 1 ? '1 word does' : `${count} words do`} not fit, and will not print.
          <div className="mt-1.5 flex flex-wrap gap-1.5">
            <button type="button" className="btn btn-xs" onClick={() => change('Make the box fit', { height: needed })}>
              Make the box fit
            </button>
            {words.frame.behaviour === 'fixed box' && !words.path && (
              <button type="button" className="btn btn-xs" onClick={goOnNext}>
                Continue on {nextFace ? nextFace.name.toLowerCase() : 'a new side'}
              </button>
            )}
            <button
              type="button"
              className="btn btn-xs"
              onClick={() =>
                act('Make the text fit', (job) => scaleWords(job, words.id, fittingScale(words, sources), false))
              }
            >
              Make the text fit
            </button>
          </div>
        </div>
      )}
    </section>
  );
}

/** Makes the words exactly as wide as something else on the face, by their size: what prints against what prints. */
function AsWideAs({ words }: { words: Words }) {
  const { face, job, sources } = useBench();
  const own = inkBounds(words, sources);
  const others = face.elements.filter((e) => e.id !== words.id && (inkBounds(e, sources)?.width ?? 0) > 0);
  if (!own || own.width === 0 || others.length === 0) return null;
  function match(id: string): void {
    const other = others.find((e) => e.id === id);
    const wanted = other && inkBounds(other, sources);
    if (!own || !wanted) return;
    act('As wide as', (j) => setInkWidth(j, words, own, wanted.width));
  }
  return (
    <select
      className="select select-sm mt-1.5 w-full text-[14px]"
      aria-label="As wide as"
      value=""
      onChange={(event) => match(event.target.value)}
    >
      <option value="" disabled>
        By size, as wide as…
      </option>
      {others.map((e) => (
        <option key={e.id} value={e.id}>
          {titleOf(e, job.assets)}
        </option>
      ))}
    </select>
  );
}
