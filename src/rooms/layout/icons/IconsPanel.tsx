import { useState } from 'react';
import { setIcon } from '../../../../core/job/edits/words';
import { plainText } from '../../../../core/job/look';
import { useBench } from '../../../bench/bench';
import { Dialog } from '../../../parts/Dialog';
import { act } from '../../../store/session';
import { findIcons, type Icon } from './icons';
import { iconBefore, placeIcon, swapIcon } from './place-icon';

/** Icons found by a word, to be laid on the face or put in the place of the selected shape. */
export function IconsPanel({ onClose }: { onClose(): void }) {
  const bench = useBench();
  const [text, setText] = useState('');
  const found = findIcons(text);
  const shape = bench.selected?.kind === 'shape' ? bench.selected : undefined;
  const words = bench.selected?.kind === 'words' ? bench.selected : undefined;
  const lines = words ? plainText(words).split('\n') : [];
  const [line, setLine] = useState(words ? 0 : -1);
  const [swaps, setSwaps] = useState(shape !== undefined && (shape.name ?? '').startsWith('Icon'));
  function take(icon: Icon): void {
    if (words && line >= 0) void iconBefore(icon, words, line, bench);
    else void (swaps && shape ? swapIcon(icon, shape, bench) : placeIcon(icon, bench));
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
      {words && (
        <div className="mb-2 grid grid-cols-[1fr_auto] gap-1.5">
          <select
            className="select select-sm w-full text-[14px]"
            aria-label="Where it goes"
            value={line}
            onChange={(event) => setLine(Number(event.target.value))}
          >
            {lines.map((text, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a line has no other identity
              <option key={i} value={i}>
                Before “{text || 'an empty line'}”
              </option>
            ))}
            <option value={-1}>By itself</option>
          </select>
          <button
            type="button"
            className="btn btn-sm"
            disabled={!words.paragraphs[line]?.icon}
            onClick={() => {
              act('Remove icon', (job) => setIcon(job, words.id, line, undefined, 0));
              onClose();
            }}
          >
            None there
          </button>
        </div>
      )}
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
