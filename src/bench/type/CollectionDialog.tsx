import { useState } from 'react';
import { Dialog } from '../../parts/Dialog';
import { type Collection, useCollection } from '../own-fonts';

/** Asks which fonts of a collection to add, wherever its file came from. */
export function CollectionDialog() {
  const { asked } = useCollection();
  return asked && <Choice key={asked.file} asked={asked} />;
}

function Choice({ asked: { file, fonts, answer } }: { asked: Collection }) {
  const [wanted, setWanted] = useState<ReadonlySet<number>>(new Set([0]));
  const count = wanted.size;
  return (
    <Dialog title="Choose the fonts to add" onClose={() => answer([])}>
      <p className="quiet mb-2">
        {file} holds {fonts.length} fonts.
      </p>
      <ul className="mb-4 grid max-h-[50vh] gap-1 overflow-y-auto" aria-label="Fonts of the file">
        {fonts.map((name, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a font of a collection is known by its place alone
          <li key={i}>
            <label className="flex cursor-pointer items-center gap-2 rounded px-1 py-1 hover:bg-base-200">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={wanted.has(i)}
                onChange={({ target: { checked } }) =>
                  setWanted((all) => new Set(checked ? [...all, i] : [...all].filter((each) => each !== i)))
                }
              />
              {name}
            </label>
          </li>
        ))}
      </ul>
      <div className="flex justify-end gap-2">
        <button type="button" className="btn btn-sm" onClick={() => answer([])}>
          Cancel
        </button>
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={count === 0}
          onClick={() => answer([...wanted].sort((a, b) => a - b))}
        >
          {count === 1 ? 'Add 1 font' : `Add ${count} fonts`}
        </button>
      </div>
    </Dialog>
  );
}
