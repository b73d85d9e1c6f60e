import ChevronDown from 'lucide-react/icons/chevron-down';
import FilePlus from 'lucide-react/icons/file-plus';
import { useEffect, useMemo, useRef, useState } from 'react';
import { plainText, typefacesIn } from '../../../../core/job/look';
import type { Words } from '../../../../core/job/schema';
import { ownTypefaces, typefaceIn } from '../../../../core/type/own-font';
import { TYPEFACES, type Typeface } from '../../../../core/type/typefaces';
import { useBench } from '../../../bench/bench';
import { fontsLoaded, loadFonts } from '../../../bench/kit';
import { addFontFile, FONT_FILES, useOwnFaces } from '../../../bench/own-fonts';
import { cssFamily } from '../../../parts/TypefaceFaces';
import { dropPreview, showPreview } from '../../../store/session';
import { changeLettering, tryLettering } from './editing';

/** Typefaces that answer to what is typed, those already in the job first. */
function look(search: string, all: readonly Typeface[], used: ReadonlySet<string>): Typeface[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter((face) =>
    words.every((w) => `${face.family} ${face.style} ${face.sort}`.toLowerCase().includes(w)),
  );
  return [...found.filter((face) => used.has(face.id)), ...found.filter((face) => !used.has(face.id))];
}

/** The typefaces, each in its own face with the user's own words; the stage shows the one that is pointed at. */
export function TypefaceList({ words, value }: { words: Words; value: string }) {
  const [open, setOpen] = useState(false);
  const { job } = useBench();
  const face = typefaceIn(value, job.fonts);
  return (
    <div className="relative mb-1.5">
      <button
        type="button"
        aria-haspopup="listbox"
        aria-expanded={open}
        aria-label={`Typeface: ${face ? `${face.family} ${face.style}` : value}`}
        className="flex w-full cursor-pointer items-center justify-between rounded border border-base-300 bg-base-100 px-3 py-2 text-left"
        onClick={() => setOpen(!open)}
      >
        <span className="truncate text-[16px]" style={{ fontFamily: `"${cssFamily(value)}"` }}>
          {face ? `${face.family} ${face.style}` : `${value} (not here)`}
        </span>
        <ChevronDown size={14} />
      </button>
      {open && <OpenList words={words} value={value} onClose={() => setOpen(false)} />}
    </div>
  );
}

function OpenList({ words, value, onClose }: { words: Words; value: string; onClose(): void }) {
  const { job } = useBench();
  const [search, setSearch] = useState('');
  // What was in use when the list was opened stays on top while it is looked through.
  const used = useRef(typefacesIn(job)).current;
  const all = useMemo(() => [...ownTypefaces(job.fonts), ...TYPEFACES], [job.fonts]);
  const faces = useMemo(() => look(search, all, used), [search, all, used]);
  useOwnFaces(job.fonts);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      faces.findIndex((face) => face.id === value),
    ),
  );
  const list = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const sample = plainText(words).replace(/\s+/g, ' ').trim().slice(0, 28) || 'Hamburg';
  const wanted = useRef<string>(undefined);

  /** Shows a typeface on the stage as soon as its file is here, unless another has been pointed at meanwhile. */
  async function show(index: number): Promise<void> {
    setAt(index);
    const face = faces[index];
    if (!face) return;
    wanted.current = face.id;
    if (!fontsLoaded([face.id])) await loadFonts([face.id]);
    if (wanted.current === face.id) showPreview(tryLettering(words.id, { typeface: face.id }));
  }
  function leave(): void {
    wanted.current = undefined;
    dropPreview();
    onClose();
  }
  function take(face: Typeface | undefined): void {
    wanted.current = undefined;
    dropPreview();
    onClose();
    if (face) void changeLettering('Typeface', words.id, { typeface: face.id });
  }
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  });

  return (
    <div className="absolute right-0 left-0 z-20 mt-1 rounded border border-base-content bg-base-100 shadow-xl">
      <input
        ref={field}
        role="combobox"
        aria-expanded="true"
        aria-controls="typeface-list"
        aria-activedescendant={faces[at] ? `typeface-${faces[at].id}` : undefined}
        aria-label="Find a typeface"
        placeholder="Find: garamond, sans, script…"
        className="bare w-full border-b border-base-300 bg-transparent px-3 py-2 outline-none"
        value={search}
        onChange={(event) => {
          setSearch(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') void show(Math.min(faces.length - 1, at + 1));
          else if (event.key === 'ArrowUp') void show(Math.max(0, at - 1));
          else if (event.key === 'Enter') take(faces[at]);
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
        aria-label="Typefaces"
        className="max-h-[420px] overflow-y-auto py-1"
      >
        {faces.map((face, i) => (
          <div
            key={face.id}
            id={`typeface-${face.id}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === at}
            className={`cursor-pointer px-3 py-1 ${i === at ? 'bg-base-300' : ''} ${i > 0 && used.has(faces[i - 1]!.id) && !used.has(face.id) ? 'border-t border-base-300' : ''}`}
            onPointerEnter={() => void show(i)}
            onPointerDown={(event) => {
              event.preventDefault();
              take(face);
            }}
          >
            <span className="block truncate text-[19px] leading-7" style={{ fontFamily: `"${cssFamily(face.id)}"` }}>
              {sample}
            </span>
            <span className="quiet block truncate text-[12px] leading-4">
              {face.family} {face.style}, {face.sort}
            </span>
          </div>
        ))}
        {faces.length === 0 && <p className="quiet px-3 py-2">No typeface is called that.</p>}
      </div>
      <AddFont />
    </div>
  );
}

/** A typeface of the user's own, from a file; it comes to the top of the list. */
function AddFont() {
  const [message, setMessage] = useState<string>();
  async function take(files: readonly File[]): Promise<void> {
    setMessage(undefined);
    dropPreview();
    for (const file of files)
      try {
        await addFontFile(file);
      } catch (error) {
        setMessage(`${file.name}: ${(error as Error).message}`);
      }
  }
  return (
    <div className="border-t border-base-300 p-2">
      <label className="btn btn-sm w-full font-normal focus-within:outline-2">
        <FilePlus size={14} /> Add a font file
        <input
          type="file"
          accept={FONT_FILES}
          multiple
          className="sr-only"
          aria-label="Font file"
          onChange={(event) => {
            void take([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </label>
      {message && (
        <p role="alert" className="mt-1.5 text-[13px] text-error">
          {message}
        </p>
      )}
    </div>
  );
}
