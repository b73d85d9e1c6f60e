import X from 'lucide-react/icons/x';
import { useState } from 'react';
import {
  addGuides,
  clearGuides,
  type GuideHome,
  guidesAround,
  guidesAtCentres,
  guidesForColumns,
  moveGuide,
  removeGuide,
} from '../../../../core/job/edits/guides';
import type { Guide } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { Dialog } from '../../../parts/Dialog';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { act } from '../../../store/session';

/** Guides by number: one at a time, or a set around the face, at its centres, or as columns. */
export function GuidesPanel({ onClose }: { onClose(): void }) {
  const { piece, face, shop, unit, echo } = useBench();
  const [forAll, setForAll] = useState(false);
  const [inset, setInset] = useState(shop.safe[piece.kind]);
  const [gutter, setGutter] = useState(shop.safe[piece.kind]);
  const [columns, setColumns] = useState(2);
  const home: GuideHome = forAll ? { piece: piece.id } : { face: face.id };
  const guides = (forAll ? piece.guides : face.guides) ?? [];
  const units = { unit, echo };
  const add = (more: readonly Guide[]): void => act('Guides', (job) => addGuides(job, home, more));
  const { width, height } = piece;
  return (
    <Dialog title="Guides" onClose={onClose}>
      <fieldset className="join mb-3" aria-label="Guides of">
        {[false, true].map((all) => (
          <button
            key={String(all)}
            type="button"
            aria-pressed={forAll === all}
            className={`btn btn-sm join-item ${forAll === all ? 'btn-neutral' : ''}`}
            onClick={() => setForAll(all)}
          >
            {all ? 'All sides' : `Only ${face.name.toLowerCase()}`}
          </button>
        ))}
      </fieldset>
      <div className="grid grid-cols-[1fr_auto] gap-2">
        <LengthField {...units} label="Inset" value={inset} onChange={setInset} />
        <button type="button" className="btn" onClick={() => add(guidesAround(width, height, inset))}>
          Around the side
        </button>
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label="Columns"
            value={columns}
            least={1}
            most={12}
            onChange={(count) => setColumns(Math.round(count))}
          />
          <LengthField {...units} label="Gutter" value={gutter} onChange={setGutter} />
        </div>
        <button
          type="button"
          className="btn"
          disabled={(width - 2 * inset - (columns - 1) * gutter) / columns <= 0}
          onClick={() => add(guidesForColumns(width, inset, columns, gutter))}
        >
          As columns
        </button>
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={() => add(guidesAtCentres(width, height))}>
          At the centres
        </button>
        <button type="button" className="btn btn-sm" onClick={() => add([{ axis: 'x', at: width / 2 }])}>
          One upright
        </button>
        <button type="button" className="btn btn-sm" onClick={() => add([{ axis: 'y', at: height / 2 }])}>
          One level
        </button>
        <button
          type="button"
          className="btn btn-sm ml-auto"
          disabled={guides.length === 0}
          onClick={() => act('Delete guides', (job) => clearGuides(job, home))}
        >
          Clear all
        </button>
      </div>
      <ul aria-label="Guides" className="mt-3 grid max-h-56 grid-cols-2 gap-2 overflow-y-auto">
        {guides.map((guide, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a guide has no identity but its place in the list
          <li key={i} className="grid grid-cols-[1fr_auto] items-center gap-1">
            <LengthField
              {...units}
              label={guide.axis === 'x' ? 'Upright at' : 'Level at'}
              value={guide.at}
              onChange={(at) => act('Guide', (job) => moveGuide(job, home, i, at))}
            />
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label="Delete this guide"
              onClick={() => act('Guide', (job) => removeGuide(job, home, i))}
            >
              <X size={13} />
            </button>
          </li>
        ))}
      </ul>
      {guides.length === 0 && <p className="quiet mt-2">None yet. They can also be dragged from the rulers.</p>}
    </Dialog>
  );
}
