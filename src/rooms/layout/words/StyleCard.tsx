import { nanoid } from 'nanoid';
import { useState } from 'react';
import { changeStyle, copyLook, keepStyle, setStyle } from '../../../../core/job/edits/words';
import { findElement } from '../../../../core/job/find';
import { lookOf } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { act } from '../../../store/session';

// The words whose look was taken last; a job is edited in one room at a time.
let takenFrom: string | undefined;

/** Named styles of the house, and looks carried from one frame to another. */
export function StyleCard({ words }: { words: Words }) {
  const { job } = useBench();
  const [naming, setNaming] = useState<string>();
  const [, refresh] = useState(0);
  const style = job.styles.find((each) => each.id === words.style);
  const differs = Object.keys(words.lettering).length + Object.keys(words.setting).length > 0;
  const source = takenFrom && takenFrom !== words.id && findElement(job, takenFrom) ? takenFrom : undefined;

  function keep(): void {
    const name = naming?.trim();
    if (!name) return;
    act('Save as a style', (j) => keepStyle(j, words.id, name, nanoid(8)));
    setNaming(undefined);
  }

  return (
    <section aria-label="Style">
      <h2 className="heading mb-1.5">Style</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="Named style"
        value={words.style ?? ''}
        onChange={(event) => act('Style', (j) => setStyle(j, words.id, event.target.value || undefined))}
      >
        <option value="">No named style</option>
        {job.styles.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {naming === undefined ? (
          <button type="button" className="btn btn-xs" onClick={() => setNaming('')}>
            Save as a style
          </button>
        ) : (
          <form
            className="flex w-full gap-1.5"
            onSubmit={(event) => {
              event.preventDefault();
              keep();
            }}
          >
            <input
              ref={(field) => field?.focus()}
              className="input input-sm flex-1"
              aria-label="Name of the style"
              placeholder="contact line"
              value={naming}
              maxLength={80}
              onChange={(event) => setNaming(event.target.value)}
            />
            <button type="submit" className="btn btn-sm">
              Keep
            </button>
          </form>
        )}
        {style && differs && (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() =>
              act('Change the style', (j) =>
                setStyle(changeStyle(j, style.id, lookOf(words, j.styles)), words.id, style.id),
              )
            }
          >
            Change “{style.name}” to this
          </button>
        )}
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => {
            takenFrom = words.id;
            refresh((n) => n + 1);
          }}
        >
          Copy style
        </button>
        {source && (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => act('Paste style', (j) => copyLook(j, source, words.id))}
          >
            Paste style
          </button>
        )}
      </div>
    </section>
  );
}
