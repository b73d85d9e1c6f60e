import { scaleWords, setWordsFrame } from '../../../../core/job/edits/words';
import type { Words } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { fittingScale } from '../../../../core/scene/fit-words';
import { wordsSet } from '../../../../core/scene/words';
import { LengthField } from '../../../parts/LengthField';
import { act } from '../../../store/session';
import { useBench } from '../bench';

const BEHAVIOURS = [
  ['grows', 'Grows with its words'],
  ['fixed width', 'Fixed width'],
  ['fixed box', 'Fixed box'],
] as const;
const VERTICALS = ['top', 'middle', 'bottom'] as const;

/** How the frame holds its words, and what to do when it does not hold all of them. */
export function FrameCard({ words }: { words: Words }) {
  const { sources, unit, echo } = useBench();
  const frame = elementFrame(words, sources);
  const { hidden, needed } = wordsSet(words, sources);
  const count = hidden.reduce((n, line) => n + line.text.split(/\s+/).filter(Boolean).length, 0);
  const change = (name: string, to: Parameters<typeof setWordsFrame>[2], place = {}): void =>
    act(name, (job) => setWordsFrame(job, words.id, to, place));
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
      <div className="mt-1.5 grid grid-cols-2 gap-1.5">
        <LengthField
          label="Inset"
          unit={unit}
          echo={echo}
          value={words.frame.inset}
          refuse={(points) => (points < 0 || points > 2000 ? 'An inset is not negative.' : undefined)}
          onChange={(inset) => change('Inset', { inset })}
        />
        {words.frame.behaviour === 'fixed box' && (
          <select
            className="select w-full text-[14px]"
            aria-label="Words stand at the"
            value={words.frame.vertical}
            onChange={(event) => change('Stand', { vertical: event.target.value as 'top' })}
          >
            {VERTICALS.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        )}
      </div>
      {hidden.length > 0 && (
        <div role="alert" className="mt-1.5 rounded bg-warning p-2 text-warning-content">
          {count === 1 ? '1 word does' : `${count} words do`} not fit, and will not print.
          <div className="mt-1.5 flex flex-wrap gap-1.5">
            <button type="button" className="btn btn-xs" onClick={() => change('Make the box fit', { height: needed })}>
              Make the box fit
            </button>
            <button
              type="button"
              className="btn btn-xs"
              onClick={() =>
                act('Make the words fit', (job) => scaleWords(job, words.id, fittingScale(words, sources), false))
              }
            >
              Make the words fit
            </button>
          </div>
        </div>
      )}
    </section>
  );
}
