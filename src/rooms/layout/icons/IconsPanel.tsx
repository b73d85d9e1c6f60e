import { useState } from 'react';
import { Dialog } from '../../../parts/Dialog';
import { useBench } from '../bench';
import { findIcons, type Icon } from './icons';
import { placeIcon, swapIcon } from './place-icon';

/** Icons found by a word, to be laid on the face or put in the place of the selected shape. */
export function IconsPanel({ onClose }: { onClose(): void }) {
  const bench = useBench();
  const [text, setText] = useState('');
  const found = findIcons(text);
  const shape = bench.selected?.kind === 'shape' ? bench.selected : undefined;
  const [swaps, setSwaps] = useState(shape !== undefined && (shape.name ?? '').startsWith('Icon'));
  function take(icon: Icon): void {
    void (swaps && shape ? swapIcon(icon, shape, bench) : placeIcon(icon, bench));
    onClose();
  }
  return (
    <Dialog title="Icons" onClose={onClose}>
      <input
        autoFocus
        type="search"
        className="input input-sm mb-2 w-full"
        aria-label="Look for an icon"
        placeholder="phone, mail, web, place, hours, tea…"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !found[0]) return;
          event.preventDefault();
          take(found[0]);
        }}
      />
      {shape && (
        <label className="mb-2 flex cursor-pointer items-center gap-2 text-[14px]">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={swaps}
            onChange={(event) => setSwaps(event.target.checked)}
          />
          Put it in the place of the selected shape
        </label>
      )}
      <div className="grid max-h-[52vh] grid-cols-8 gap-1 overflow-y-auto">
        {found.map((icon) => (
          <button
            key={icon.words}
            type="button"
            className="btn btn-ghost aspect-square h-auto p-0"
            aria-label={icon.name}
            title={icon.name}
            onClick={() => take(icon)}
          >
            <img
              src={`data:image/svg+xml;utf8,${encodeURIComponent(icon.svg)}`}
              alt=""
              width={22}
              height={22}
              className="in-data-[theme=tidy-dark]:invert"
            />
          </button>
        ))}
      </div>
      {found.length === 0 && <p className="quiet">No icon is found by that. Try a plainer word.</p>}
    </Dialog>
  );
}
