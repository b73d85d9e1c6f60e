import X from 'lucide-react/icons/x';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { type LogoInk, takeLogo } from '../../../core/client/take-logo';
import { hexOf } from '../../../core/colour/engine';
import type { Art } from '../../../core/files/art-in/art';
import type { ArtKind } from '../../../core/files/art-in/kind';
import { makeJob } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { sourcesOf } from '../../../core/scene/sources';
import { housePaints } from '../../../core/starters/paints';
import { usualShop } from '../../../core/starters/usual';
import { intake } from '../../../workers/intake';
import type { Kit } from '../../../workers/kit';
import { ElementDrawing } from '../../bench/FaceArt';
import { loadKit } from '../../bench/kit';
import { ART_KINDS, artKindOf } from '../../parts/art-file';
import { FileChooser } from '../../parts/FileChooser';

const ROLES = { main: 'Main', accent: 'Accent', light: 'Light' } as const;
const NO_PREVIEWS = new Map();

const artOf = async (file: File, kind: ArtKind | undefined, colours: number): Promise<Art> => {
  if (!kind) return intake().traceLogo(file, colours);
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (kind === 'svg') return intake().readDrawing(bytes);
  const { art, problem } = await intake().readPage(bytes, 0, []);
  if (!art) throw new Error(problem);
  return art;
};

/** The client's logo: its drawing, and the inks that its colours have become. */
export function LogoCard({
  job,
  kit,
  onChange,
}: {
  job: Job;
  kit: Kit | undefined;
  onChange(to: (job: Job) => Job): void;
}) {
  /** The bitmap that the logo was traced from, if it was. */
  const [traced, setTraced] = useState<File>();
  const [colours, setColours] = useState<readonly LogoInk[]>([]);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string>();
  const [isReading, setReading] = useState(false);
  const logo = job.logos[0];
  const press = kit?.press(pressConditionOf(job, shopIn(job, usualShop(job))));

  async function take(next: File, most: number): Promise<void> {
    setProblem(undefined);
    setReading(true);
    try {
      const kind = await artKindOf(next);
      setTraced(kind === undefined ? next : undefined);
      const art = await artOf(next, kind, most);
      // A file may come before all is loaded.
      const here = kit ?? (await loadKit());
      // A logo that is chosen anew takes its inks along.
      const bare = { ...job, logos: [], assets: {}, inks: makeJob('new', 'New', job.changed).inks };
      const name = next.name.replace(/\.\w+$/, '').slice(0, 120) || 'Logo';
      const taken = takeLogo(bare, art, name, {
        press: here.press(pressConditionOf(job, shopIn(job, usualShop(job)))),
        fonts: here.fonts,
        newId: () => nanoid(8),
      });
      if (!taken) throw new Error('Nothing is drawn in this file. Choose another.');
      setColours(taken.colours);
      setNotes(taken.notes);
      const { inks, logos, assets } = taken.job;
      onChange((now) => ({ ...now, inks, logos, assets }));
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setReading(false);
    }
  }

  function remove(): void {
    setTraced(undefined);
    setColours([]);
    setNotes([]);
    onChange((now) => ({ ...now, logos: [], assets: {}, inks: makeJob('new', 'New', now.changed).inks }));
  }

  const paints = housePaints(job);
  const roleOf = (ink: string): string | undefined =>
    (Object.keys(ROLES) as (keyof typeof ROLES)[]).flatMap((role) => (paints[role].ink === ink ? ROLES[role] : []))[0];
  const sources = kit && sourcesOf(job, kit.fonts);
  return (
    <section
      aria-label="Logo"
      className="grid gap-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [dropped] = event.dataTransfer.files;
        if (dropped) void take(dropped, 1);
      }}
    >
      <h2 className="text-lg font-semibold">Logo and colours</h2>
      {logo && sources && press ? (
        <div className="flex items-center gap-2">
          <svg
            viewBox={`0 0 ${logo.width} ${logo.height}`}
            className="h-20 min-w-0 flex-1 bg-white p-2"
            role="img"
            aria-label={logo.name}
          >
            {logo.elements.map((element) => (
              <ElementDrawing
                key={element.id}
                element={element}
                sources={sources}
                press={press}
                previews={NO_PREVIEWS}
              />
            ))}
          </svg>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label="Remove the logo"
            onClick={remove}
          >
            <X size={15} />
          </button>
        </div>
      ) : (
        <div className="rounded border border-dashed border-base-300 p-4 text-center">
          <FileChooser
            label="Logo file"
            accept={`${ART_KINDS},.png,.jpg,.jpeg,.webp,.avif,.tif,.tiff`}
            onFile={(chosen) => void take(chosen, 1)}
          >
            Add logo…
          </FileChooser>
          <p className="quiet mt-1.5 text-[13px]">SVG or PDF, or a picture to trace; or drop it here.</p>
        </div>
      )}
      {isReading && (
        <p role="status" className="quiet text-[13px]">
          Reading the logo…
        </p>
      )}
      {problem && (
        <p role="alert" className="text-[13px] text-error">
          {problem}
        </p>
      )}
      {traced && logo && (
        <div className="rounded border border-warning p-2 text-[13px]">
          <p>
            This logo is a bitmap. It has been traced, so that it prints sharp at any size: ask the client for the
            drawing itself.
          </p>
          <div className="mt-1.5 flex gap-1.5">
            {[1, 2].map((most) => (
              <button key={most} type="button" className="btn btn-xs" onClick={() => void take(traced, most)}>
                {most === 1 ? 'Trace in one ink' : 'Trace in two inks'}
              </button>
            ))}
          </div>
        </div>
      )}
      {colours.length > 0 && (
        <ul className="grid gap-1" aria-label="Colours of the logo">
          {colours.map(({ ink, name, off, was, is }) => (
            <li key={ink} className="grid grid-cols-[20px_20px_1fr_auto] items-center gap-1.5 text-[13px]">
              <Swatch rgb={was} title="In the file" />
              <Swatch rgb={is} title="As the press prints it" />
              <span className="truncate">
                {name}
                {roleOf(ink) ? `, ${roleOf(ink)!.toLowerCase()}` : ''}
              </span>
              <span className="quiet">ΔE {off.toFixed(1)}</span>
            </li>
          ))}
        </ul>
      )}
      {notes.length > 0 && (
        <ul className="quiet list-disc pl-5 text-[13px]" aria-label="Changed on import">
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

const Swatch = ({ rgb, title }: { rgb: readonly number[]; title: string }) => (
  <span
    className="block h-5 rounded-xs border border-black/25"
    style={{ background: hexOf(rgb as [number, number, number]) }}
    title={title}
  />
);
