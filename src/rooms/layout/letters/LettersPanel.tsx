import { proxy } from 'comlink';
import Plus from 'lucide-react/icons/plus';
import Trash from 'lucide-react/icons/trash-2';
import { nanoid } from 'nanoid';
import { type FocusEvent, useMemo, useRef, useState } from 'react';
import { inTheOffice } from '../../../../core/files/hand-off/plan';
import { addLetter, changeLetter, removeLetter } from '../../../../core/job/edits/letters';
import { tableOfPiece } from '../../../../core/job/edits/runs';
import type { LetterText } from '../../../../core/job/letters';
import type { Face } from '../../../../core/job/schema';
import { columnInLetter } from '../../../../core/run/letter-row';
import { letterPages } from '../../../../core/scene/letter-pages';
import { localeOf } from '../../../../core/trade/countries';
import { borrowPressRoom } from '../../../../workers/press-room';
import { useBench, usePrinted } from '../../../bench/bench';
import { FaceArt } from '../../../bench/FaceArt';
import { GateStops } from '../../../bench/gate/GateStops';
import { useGate } from '../../../bench/gate/use-gate';
import { useSketch } from '../../../bench/use-sketch';
import { Dialog } from '../../../parts/Dialog';
import { fileName } from '../../../parts/download';
import { saveFiles } from '../../../parts/save-files';
import { Tick } from '../../../parts/Tick';
import { loadAssets } from '../../../store/assets';
import { binLetter } from '../../../store/bin';
import { act, settle } from '../../../store/session';
import { keepHandOff } from '../../../store/versions';

const now = (): string => new Date().toISOString();
const today = (country: string | undefined): string =>
  new Date().toLocaleDateString(localeOf(country), { day: 'numeric', month: 'long', year: 'numeric' });

/** Letters on the letterhead: written here, each kept under its name, exported with the sheet's art or without. */
export function LettersPanel({ onClose }: { onClose(): void }) {
  const { job, sheet: piece } = useBench();
  const letters = piece.letters ?? [];
  const [chosenId, setChosenId] = useState<string>();
  const [along, setAlong] = useState<ReadonlySet<string>>(new Set());
  const chosen = letters.find(({ id }) => id === chosenId) ?? letters[0];
  function begin(): void {
    const id = nanoid(10);
    const letter: LetterText = {
      id,
      name: `Letter ${letters.length + 1}`,
      changed: now(),
      recipient: '',
      date: today(job.country),
      salutation: '',
      body: '',
    };
    act('New letter', (j) => addLetter(j, piece.id, letter));
    setChosenId(id);
  }
  return (
    <Dialog
      wide
      title={`Letters on ${piece.name}`}
      onClose={() => {
        settle();
        onClose();
      }}
    >
      <div className="grid grid-cols-[190px_1fr] gap-4">
        <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-2">
          <button type="button" className="btn btn-sm btn-neutral" onClick={begin}>
            <Plus size={14} /> Write a letter
          </button>
          <ul className="grid max-h-96 gap-1 overflow-y-auto" aria-label="Letters">
            {letters.map((letter) => (
              <li key={letter.id} className="flex items-center gap-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  aria-label={`Take ${letter.name} along`}
                  checked={along.has(letter.id)}
                  onChange={() => setAlong(toggled(along, letter.id))}
                />
                <button
                  type="button"
                  aria-pressed={letter.id === chosen?.id}
                  className={`min-w-0 flex-1 cursor-pointer truncate rounded border px-2 py-1 text-left ${letter.id === chosen?.id ? 'border-base-content' : 'border-transparent hover:bg-base-200'}`}
                  onClick={() => setChosenId(letter.id)}
                >
                  {letter.name}
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  aria-label={`Delete ${letter.name}`}
                  onClick={() => {
                    void binLetter(job, piece.id, letter);
                    act('Delete a letter', (j) => removeLetter(j, piece.id, letter.id));
                  }}
                >
                  <Trash size={13} />
                </button>
              </li>
            ))}
          </ul>
          {along.size > 0 && <ChosenLetters letters={letters.filter(({ id }) => along.has(id))} />}
        </div>
        {chosen ? <Writing key={chosen.id} letter={chosen} /> : <p className="quiet">No letter yet.</p>}
      </div>
    </Dialog>
  );
}

const LINES = [
  ['name', 'Name of the letter'],
  ['date', 'Date'],
  ['salutation', 'Salutation'],
] as const;

type Field = 'recipient' | 'date' | 'salutation' | 'body';

function Writing({ letter }: { letter: LetterText }) {
  const { job, sheet: piece, sources } = useBench();
  const [art, setArt] = useState(true);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const writing = useSketch('Write a letter', 'typing');
  const write = (to: Partial<LetterText>): void => {
    if (to.name === '') return;
    const { shown: _shown, ...words } = letter;
    writing.sketch((j) => changeLetter(j, piece.id, letter.id, { ...words, ...to, changed: now() }));
  };
  const table = tableOfPiece(job, piece);
  // Where the caret was last, in the field that it was in: a column is quoted there.
  const caret = useRef<{ field: Field; at: number }>({ field: 'body', at: letter.body.length });
  const noted = (field: Field) => ({
    onBlur: (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      caret.current = { field, at: event.currentTarget.selectionStart ?? 0 };
    },
  });
  function quote(key: string): void {
    const { field, at } = caret.current;
    const said = columnInLetter(key);
    write({ [field]: `${letter[field].slice(0, at)}${said}${letter[field].slice(at)}` });
    caret.current = { field, at: at + said.length };
  }
  const pages = useMemo(() => letterPages(piece, letter, job, sources, art), [piece, letter, job, sources, art]);
  return (
    <div className="grid gap-2">
      <div className="grid grid-cols-3 gap-2">
        {LINES.map(([key, label]) => (
          <label key={key} className="grid gap-0.5">
            <span className="quiet text-[13px]">{label}</span>
            <input
              className="input input-sm w-full"
              value={letter[key]}
              maxLength={key === 'name' ? 120 : 400}
              onChange={(event) => write({ [key]: event.target.value })}
              {...(key === 'name' ? {} : noted(key))}
            />
          </label>
        ))}
      </div>
      <label className="grid gap-0.5">
        <span className="quiet text-[13px]">Recipient</span>
        <textarea
          className="textarea textarea-sm w-full"
          rows={3}
          maxLength={2000}
          value={letter.recipient}
          onChange={(event) => write({ recipient: event.target.value })}
          {...noted('recipient')}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="quiet text-[13px]">The letter, a paragraph a line</span>
        <textarea
          className="textarea textarea-sm w-full"
          rows={7}
          maxLength={60_000}
          value={letter.body}
          onChange={(event) => write({ body: event.target.value })}
          {...noted('body')}
        />
      </label>
      {table && (
        <p className="flex flex-wrap items-center gap-1.5 text-[13px]">
          <span className="quiet">Columns of {table.name}:</span>
          {table.columns.map(({ key, name }) => (
            <button
              key={key}
              type="button"
              className="btn btn-xs"
              title={columnInLetter(key)}
              onClick={() => quote(key)}
            >
              {name}
            </button>
          ))}
        </p>
      )}
      <ul className="flex gap-3 overflow-x-auto rounded bg-[var(--table)] p-3" aria-label="Pages">
        {pages.map((page, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a page has no other identity
          <Page key={i} page={page} number={i + 1} off={left.has(i)} onToggle={() => setLeft(toggled(left, i))} />
        ))}
      </ul>
      <div className="flex items-center justify-between">
        <Tick checked={art} onChange={setArt}>
          With the letterhead’s own art
        </Tick>
        <ExportPages name={letter.name} pages={pages.filter((_, i) => !left.has(i))} />
      </div>
    </div>
  );
}

function toggled<T>(set: ReadonlySet<T>, value: T): ReadonlySet<T> {
  const next = new Set(set);
  if (!next.delete(value)) next.add(value);
  return next;
}

function Page({ page, number, off, onToggle }: { page: Face; number: number; off: boolean; onToggle(): void }) {
  const { sheet, sources, press } = useBench();
  const { previews } = usePrinted();
  const { width, height } = sheet;
  return (
    <li className={`grid shrink-0 gap-1 text-[var(--table-text)] ${off ? 'opacity-40' : ''}`}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={130}
        height={(130 * height) / width}
        role="img"
        aria-label={`Page ${number}`}
      >
        <FaceArt face={page} sources={sources} press={press} previews={previews} />
      </svg>
      <Tick checked={!off} onChange={onToggle}>
        Page {number}
      </Tick>
    </li>
  );
}

/** Several letters in one file, each on its own sheets, in the order of the list. */
function ChosenLetters({ letters }: { letters: readonly LetterText[] }) {
  const { job, sheet: piece, sources } = useBench();
  const [art, setArt] = useState(true);
  const pages = letters.flatMap((letter) => letterPages(piece, letter, job, sources, art));
  return (
    <section aria-label="Chosen letters" className="grid gap-1.5 border-t border-base-300 pt-2">
      <span className="quiet text-[13px]">
        {letters.length === 1 ? 'One letter' : `${letters.length} letters`} together
      </span>
      <Tick checked={art} onChange={setArt}>
        With the art
      </Tick>
      <ExportPages name={`${piece.name}, letters`} pages={pages} />
    </section>
  );
}

function ExportPages({ name, pages }: { name: string; pages: readonly Face[] }) {
  const { job, sheet, shop } = useBench();
  const [problem, setProblem] = useState<string>();
  const [going, setGoing] = useState(false);
  // An office printer has neither bleed nor crop marks.
  const office = useMemo(() => inTheOffice(shop, sheet.kind), [shop, sheet.kind]);
  const printed = useMemo(() => {
    const piece = { ...sheet, name, faces: [...pages] };
    return { job: { ...job, pieces: job.pieces.map((each) => (each.id === sheet.id ? piece : each)) }, piece };
  }, [job, sheet, name, pages]);
  const gate = useGate(pages.length > 0 ? [{ ...printed, shop: office }] : []);
  async function write(): Promise<void> {
    setGoing(true);
    setProblem(undefined);
    const { room, dismiss, giveBack } = borrowPressRoom();
    try {
      const asked = { pieceId: sheet.id, shop: office, marks: false, words: 'text' as const };
      const file = { name: `${fileName(name)}.pdf`, piece: sheet.id, asked };
      const { files, beside } = await room.handOff(
        printed.job,
        [file],
        gate.letGo,
        await loadAssets(job),
        proxy(() => {}),
      );
      saveFiles([...files, ...beside], `${fileName(name)}.zip`);
      void keepHandOff(job, [sheet.id]);
      giveBack();
    } catch (error) {
      setProblem((error as Error).message);
      dismiss();
    }
    setGoing(false);
  }
  return (
    <span className="flex flex-wrap items-center gap-3">
      <GateStops gate={gate} />
      {problem && (
        <span role="alert" className="text-[14px] text-error">
          {problem}
        </span>
      )}
      <button
        type="button"
        className="btn btn-sm btn-primary"
        disabled={going || pages.length === 0 || !gate.open}
        onClick={() => void write()}
      >
        {going ? 'Writing…' : `PDF of ${pages.length === 1 ? 'one page' : `${pages.length} pages`}`}
      </button>
    </span>
  );
}
