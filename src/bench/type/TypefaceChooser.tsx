import ChevronDown from 'lucide-react/icons/chevron-down';
import { useEffect, useMemo, useRef, useState } from 'react';
import { typefacesIn } from '../../../core/job/look';
import { type Family, familiesOf, nearestStyle } from '../../../core/type/families';
import { ownTypefaces, typefaceIn } from '../../../core/type/own-font';
import { TYPEFACES, type Typeface } from '../../../core/type/typefaces';
import { cssFamily } from '../../parts/TypefaceFaces';
import { dropPreview, type Edit, showPreview } from '../../store/session';
import { useBench } from '../bench';
import { fontsLoaded, loadFonts } from '../kit';
import { useOwnFaces } from '../own-fonts';
import { AddFont } from './AddFont';

interface Chooser {
  /** What the typeface is for, as it is read aloud. */
  label: string;
  /** The id of the one that is chosen; empty where none is. */
  value: string;
  /** Words to show each family in. */
  sample: string;
  /** Takes a typeface whose font is loaded. */
  onChoose(typeface: string): void;
  /** The edit that shows a typeface without choosing it, where there is something to see it on. */
  tried?(typeface: string): Edit;
}

/** A family, in its own letters, and which of its styles: the same wherever a typeface is chosen. */
export function TypefaceChooser(chooser: Chooser) {
  const { label, value, onChoose } = chooser;
  const [open, setOpen] = useState(false);
  const { job } = useBench();
  const all = useMemo(() => [...ownTypefaces(job.fonts), ...TYPEFACES], [job.fonts]);
  const face = typefaceIn(value, job.fonts);
  const styles = all.filter((each) => each.family === face?.family);
  const name = face?.family ?? (value === '' ? 'Choose a typeface' : `${value} (not here)`);
  async function choose(typeface: string): Promise<void> {
    await loadFonts([typeface]);
    onChoose(typeface);
  }
  return (
    <div className="relative grid grid-cols-[minmax(0,1fr)_6.6rem] gap-1.5">
      <button
        type="button"
        aria-haspopup="listbox"
        aria-expanded={open}
        aria-label={`${label}: ${name}`}
        className="flex h-9 min-w-0 cursor-pointer items-center justify-between gap-1 rounded border border-base-300 bg-base-100 px-2 text-left"
        onClick={() => setOpen(!open)}
      >
        <span
          className="truncate text-[15.5px]"
          title={name}
          style={face ? { fontFamily: `"${cssFamily(value)}"` } : undefined}
        >
          {name}
        </span>
        <ChevronDown size={14} className="shrink-0" />
      </button>
      <select
        className="select h-9 w-full min-w-0 px-2 text-[13.5px]"
        aria-label={`${label}: style`}
        value={value}
        disabled={styles.length < 2}
        onChange={(event) => void choose(event.target.value)}
      >
        {styles.map((each) => (
          <option key={each.id} value={each.id}>
            {each.style}
          </option>
        ))}
        {styles.length === 0 && <option value={value}>Style</option>}
      </select>
      {open && (
        <OpenList
          {...chooser}
          all={all}
          style={face?.style ?? 'Regular'}
          onChoose={(typeface) => void choose(typeface)}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}

/** A family with the face that stands for it, and whether its style was searched for. */
type Row = Family & { face: Typeface; asked: boolean };

/** Families with a face that answers to what is typed, those that are used already first. */
function look(search: string, all: readonly Typeface[], used: ReadonlySet<string>, style: string): Row[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const answers = (face: Typeface): boolean =>
    // Bold is not Semibold: a word is found by its beginning.
    words.every((w) => ` ${face.family} ${face.style} ${face.sort}`.toLowerCase().includes(` ${w}`));
  const rows = familiesOf(all).flatMap((family): Row[] => {
    const face = nearestStyle(family.faces.filter(answers), style);
    return face ? [{ ...family, face, asked: face !== nearestStyle(family.faces, style) }] : [];
  });
  const isUsed = ({ name }: Row): boolean => used.has(name);
  return [...rows.filter(isUsed), ...rows.filter((row) => !isUsed(row))];
}

function OpenList({
  label,
  value,
  sample,
  all,
  style,
  tried,
  onChoose,
  onClose,
}: Chooser & { all: readonly Typeface[]; style: string; onClose(): void }) {
  const { job } = useBench();
  const [search, setSearch] = useState('');
  // What was in use when the list was opened stays on top while it is looked through.
  const used = useRef(
    new Set([...typefacesIn(job), value].flatMap((id) => typefaceIn(id, job.fonts)?.family ?? [])),
  ).current;
  const rows = useMemo(() => look(search, all, used, style), [search, all, used, style]);
  useOwnFaces(job.fonts);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      rows.findIndex(({ faces }) => faces.some(({ id }) => id === value)),
    ),
  );
  const list = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const wanted = useRef<string>(undefined);

  /** Shows a typeface on the stage as soon as its file is here, unless another has been pointed at meanwhile. */
  async function show(index: number): Promise<void> {
    setAt(index);
    const id = rows[index]?.face.id;
    if (!id || !tried) return;
    wanted.current = id;
    if (!fontsLoaded([id])) await loadFonts([id]);
    if (wanted.current === id) showPreview(tried(id));
  }
  function leave(): void {
    wanted.current = undefined;
    dropPreview();
    onClose();
  }
  function take(row: Row | undefined): void {
    leave();
    if (row) onChoose(row.face.id);
  }
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  });

  return (
    <div className="absolute top-full right-0 left-0 z-20 mt-1 rounded border border-base-content bg-base-100 shadow-xl">
      <input
        ref={field}
        role="combobox"
        aria-expanded="true"
        aria-controls="typeface-list"
        aria-activedescendant={rows[at] ? `typeface-${rows[at].face.id}` : undefined}
        aria-label="Find a typeface"
        placeholder="Find: garamond, sans, script…"
        className="bare w-full border-b border-base-300 bg-transparent px-3 py-2 outline-none"
        value={search}
        onChange={(event) => {
          setSearch(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') void show(Math.min(rows.length - 1, at + 1));
          else if (event.key === 'ArrowUp') void show(Math.max(0, at - 1));
          else if (event.key === 'Enter') take(rows[at]);
          else if (event.key === 'Escape') leave();
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
        onBlur={(event) => {
          if (!event.currentTarget.parentElement?.contains(event.relatedTarget)) leave();
        }}
      />
      <div
        ref={list}
        id="typeface-list"
        role="listbox"
        aria-label={`${label}: families`}
        className="max-h-[420px] overflow-y-auto py-1"
      >
        {rows.map((row, i) => (
          <div
            key={row.name}
            id={`typeface-${row.face.id}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === at}
            className={`cursor-pointer px-3 py-1 ${i === at ? 'bg-base-300' : ''} ${i > 0 && used.has(rows[i - 1]!.name) && !used.has(row.name) ? 'border-t border-base-300' : ''}`}
            onPointerEnter={() => void show(i)}
            onPointerDown={(event) => {
              event.preventDefault();
              take(row);
            }}
          >
            <span
              className="block truncate text-[19px] leading-7"
              style={{ fontFamily: `"${cssFamily(row.face.id)}"` }}
            >
              {sample}
            </span>
            <span className="quiet block truncate text-[12px] leading-4">
              {row.name}
              {(row.asked || row.faces.length === 1) && ` ${row.face.style}`}, {row.sort}
              {row.faces.length > 1 && `, ${row.faces.length} styles`}
            </span>
          </div>
        ))}
        {rows.length === 0 && <p className="quiet px-3 py-2">No typeface is called that.</p>}
      </div>
      <AddFont />
    </div>
  );
}
