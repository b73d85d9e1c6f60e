import { useSortable } from '@dnd-kit/sortable';
import GripVertical from 'lucide-react/icons/grip-vertical';
import { useState } from 'react';
import { missOf } from '../../../core/checks/rules/out-of-gamut';
import { differenceWord } from '../../../core/colour/difference';
import { hexOf } from '../../../core/colour/engine';
import { cmykText, type Ink, platesOf, processStandIn } from '../../../core/colour/ink';
import { replaceInk } from '../../../core/job/edits/inks';
import { titleOf } from '../../../core/job/find';
import { usesInk } from '../../../core/job/paints-shown';
import { INK_LIMITS } from '../../../core/trade/ink-limits';
import { FarMark } from '../../parts/FarMark';
import { act, select } from '../../store/session';
import { useBench } from '../bench';
import { changeInkForm } from './picking';

/** Inks every job keeps. */
const KEPT = new Set(['black', 'paper']);

/** One ink: how the press prints it, what it is made of, where it is used, and what can become of it. */
export function InkRow({ ink, unused }: { ink: Ink; unused: boolean }) {
  const { job, press } = useBench();
  const [open, setOpen] = useState(false);
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform } = useSortable({ id: ink.id });
  const colour = hexOf(press.screen(processStandIn(platesOf(ink), job.inks)));
  const miss = missOf(ink, press);
  const isFar = miss !== undefined && miss > INK_LIMITS.outOfGamut;
  const says =
    ink.id === 'paper'
      ? 'no ink: the paper'
      : ink.kind === 'spot'
        ? `spot, like ${cmykText(ink.cmyk)}`
        : cmykText(ink.cmyk);
  return (
    <li
      ref={setNodeRef}
      className="border-b border-base-300"
      style={transform ? { transform: `translateY(${transform.y}px)` } : undefined}
    >
      <div className="flex items-center gap-1.5 py-1">
        <button
          type="button"
          ref={setActivatorNodeRef}
          aria-label={`Move ${ink.name}`}
          className="cursor-grab text-base-content/50"
          {...attributes}
          {...listeners}
        >
          <GripVertical size={14} />
        </button>
        <span
          className="relative size-8 shrink-0 rounded-xs border border-black/30"
          style={{ background: colour }}
          aria-hidden="true"
        >
          {isFar && <FarMark />}
        </span>
        <button
          type="button"
          aria-expanded={open}
          className="min-w-0 flex-1 cursor-pointer text-left leading-tight"
          onClick={() => setOpen(!open)}
        >
          <span className="block truncate">{ink.name}</span>
          <span className="quiet block truncate text-[13px]">
            {says}
            {unused && <b className="font-semibold text-[var(--amber)]">, not used</b>}
          </span>
        </button>
      </div>
      {open && <InkMore ink={ink} />}
    </li>
  );
}

function InkMore({ ink }: { ink: Ink }) {
  const { job, press, piece, setFace } = useBench();
  const [by, setBy] = useState('');
  const others = job.inks.filter((each) => each.id !== ink.id);
  const miss = missOf(ink, press);
  const uses = job.pieces.flatMap((each) =>
    each.faces.flatMap((face) =>
      face.elements.filter((e) => usesInk(e, ink.id, job.styles)).map((element) => ({ piece: each, face, element })),
    ),
  );
  return (
    <div className="grid gap-1.5 pb-2 pl-5 text-[14px]">
      {miss !== undefined && (
        <p className="quiet">
          Against what was asked: ΔE {miss.toFixed(1)}, {differenceWord(miss)}
        </p>
      )}
      {uses.length === 0 ? (
        <p className="quiet">Nothing uses it yet.</p>
      ) : (
        <ul aria-label={`Where ${ink.name} is used`} className="max-h-32 overflow-y-auto">
          {uses.map(({ piece: on, face, element }) => (
            <li key={element.id} className="truncate">
              {on.id === piece.id ? (
                <button
                  type="button"
                  className="cursor-pointer hover:underline"
                  onClick={() => {
                    setFace(face.id);
                    select(element.id);
                  }}
                >
                  {titleOf(element, job.assets)}, {face.name.toLowerCase()}
                </button>
              ) : (
                <span className="quiet">
                  {titleOf(element, job.assets)}, {on.name}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      {ink.id !== 'paper' && (
        <button type="button" className="btn btn-sm justify-self-start" onClick={() => changeInkForm(ink)}>
          Change it everywhere…
        </button>
      )}
      {!KEPT.has(ink.id) && (
        <div className="flex gap-1.5">
          <select
            className="select select-sm min-w-0 flex-1 text-[14px]"
            aria-label={`What takes the place of ${ink.name}`}
            value={by}
            onChange={(event) => setBy(event.target.value)}
          >
            <option value="">Delete, and use…</option>
            {others.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
          <button
            type="button"
            className="btn btn-sm"
            disabled={by === ''}
            onClick={() => act(`Merge ${ink.name}`, (j) => replaceInk(j, ink.id, by))}
          >
            Replace
          </button>
        </div>
      )}
    </div>
  );
}
