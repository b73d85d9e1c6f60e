import { nanoid } from 'nanoid';
import { useState } from 'react';
import { colourDifference } from '../../../../core/colour/difference';
import { hexOf } from '../../../../core/colour/engine';
import { cmykText, type Ink } from '../../../../core/colour/ink';
import type { Art, ArtInk } from '../../../../core/files/art-in/art';
import { elementsOfArt } from '../../../../core/files/art-in/elements';
import { inkFor, newInkFor, shownArtInk, shownInk } from '../../../../core/files/art-in/inks';
import type { Box } from '../../../../core/geometry/box';
import { addArt } from '../../../../core/job/edits/copies';
import { addAsset } from '../../../../core/job/edits/elements';
import { addInk } from '../../../../core/job/edits/inks';
import { NEW_LOGO } from '../../../../core/job/edits/logos';
import { placeOnFace } from '../../../../core/job/edits/placed';
import type { Job, Paint } from '../../../../core/job/schema';
import { type Bench, useBench } from '../../../bench/bench';
import { isFree, placeForLogo, roomOn } from '../../../bench/free-place';
import { Tick } from '../../../parts/Tick';
import { act, select } from '../../../store/session';
import { type Incoming, nextDrawing, titleOf } from './incoming';

const NEW = 'new';

const nameOf = (ink: ArtInk): string =>
  ink.kind === 'screen' ? ink.hex : ink.kind === 'process' ? cmykText(ink.cmyk) : ink.name;

/** Where the art lies: a drawing has no trim of its own, and a logo that was dropped nowhere finds room. */
function placeOf({ width, height, trim }: Art, bench: Bench, drawing: Incoming, isLogo: boolean): Box {
  const own = drawing.kind === 'pdf' ? (trim ?? { x: 0, y: 0, width, height }) : undefined;
  const usual = placeOnFace({ width, height, trim: own }, bench.piece, drawing.at);
  const isRight = !isLogo || drawing.at !== undefined || isFree(roomOn(bench), usual);
  return isRight ? usual : placeForLogo(bench, { width, height, ...NEW_LOGO });
}

/** The colours of some art and the inks they are printed in; what could not be kept; then it is placed on the face. */
export function ArtInks({ art, drawing }: { art: Art; drawing: Incoming }) {
  const bench = useBench();
  const { job, press, sources } = bench;
  const all = Object.entries(art.inks);
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(all.map(([key, ink]) => [key, inkFor(ink, job.inks, press) ?? NEW])),
  );
  const [isLogo, setIsLogo] = useState(drawing.kind === 'svg');
  const made = all.filter(([key]) => chosen[key] === NEW).length;

  function lay(): void {
    let inks: readonly Ink[] = job.inks;
    const added: Ink[] = [];
    const paints = new Map<string, Paint>();
    for (const [key, ink] of all) {
      const id = chosen[key]!;
      if (id !== NEW) {
        paints.set(key, { ink: id, tint: 1 });
        continue;
      }
      const own = newInkFor(ink, nanoid(8), inks, press);
      added.push(own);
      inks = [...inks, own];
      paints.set(key, { ink: own.id, tint: 1 });
    }
    const name = titleOf(drawing, 'Drawing');
    const type = { styles: job.styles, fonts: sources.fonts };
    const laid = elementsOfArt(art, {
      paints,
      at: placeOf(art, bench, drawing, isLogo),
      type,
      newId: () => nanoid(10),
      name,
    });
    const elements = isLogo ? laid.elements.map((e) => ({ ...e, logo: true as const })) : laid.elements;
    act(`Import ${drawing.kind === 'pdf' ? 'a PDF page' : 'a drawing'}`, (before) => {
      const inked: Job = added.reduce(addInk, before);
      const pictured = Object.values(art.pictures).reduce((j, { hash, asset }) => addAsset(j, hash, asset), inked);
      return addArt(pictured, drawing.face, elements, laid.groups);
    });
    select(...elements.map((e) => e.id));
    nextDrawing();
  }

  return (
    <div className="grid gap-3">
      {all.length > 0 && (
        <>
          <p>Colours, and the inks they print in:</p>
          <ul className="grid max-h-64 gap-1.5 overflow-y-auto" aria-label="Colours">
            {all.map(([key, ink]) => (
              <InkRow
                key={key}
                ink={ink}
                chosen={chosen[key]!}
                onChange={(id) => setChosen({ ...chosen, [key]: id })}
              />
            ))}
          </ul>
          {made > 0 && (
            <p className="quiet text-[13px]">
              {made} new {made === 1 ? 'ink is' : 'inks are'} added to the job.
            </p>
          )}
        </>
      )}
      {art.notes.length > 0 && (
        <section aria-label="Changed on import" className="rounded border border-warning p-2">
          <h3 className="heading mb-1">Changed on import</h3>
          <ul className="max-h-40 list-disc overflow-y-auto pl-5 text-[14px]">
            {art.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
        </section>
      )}
      <Tick checked={isLogo} onChange={(on) => setIsLogo(on)}>
        A logo: keep it out of the edge
      </Tick>
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={nextDrawing}>
          Cancel
        </button>
        <button type="button" className="btn btn-primary" onClick={lay}>
          Place
        </button>
      </div>
    </div>
  );
}

/** A colour of the art beside the ink that prints it. */
function InkRow({ ink, chosen, onChange }: { ink: ArtInk; chosen: string; onChange(id: string): void }) {
  const { job, press } = useBench();
  const rgb = shownArtInk(ink, press);
  const asNew = newInkFor(ink, NEW, job.inks, press);
  const own = job.inks.find((each) => each.id === chosen);
  const becomes = shownInk(own ?? asNew, own ? job.inks : [...job.inks, asNew], press);
  const off = colourDifference(becomes, rgb);
  const says = nameOf(ink);
  return (
    <li className="grid grid-cols-[28px_28px_1fr_6.5rem] items-center gap-2">
      <span className="block h-7 rounded-xs border border-black/25" style={{ background: hexOf(rgb) }} title={says} />
      <span
        className="block h-7 rounded-xs border border-black/25"
        style={{ background: hexOf(becomes) }}
        title="As the press prints it"
      />
      <select
        className="select select-sm w-full text-[14px]"
        aria-label={`Ink for ${says}`}
        value={chosen}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value={NEW}>
          {asNew.kind === 'spot' ? `New spot ink ${asNew.name}` : `New ink, ${cmykText(asNew.cmyk)}`}
        </option>
        {job.inks.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      <span className="quiet text-right text-[13px]">
        ΔE {off.toFixed(1)}, {wordFor(off)}
      </span>
    </li>
  );
}

/** A difference in a plain word; the steps are common practice. */
const wordFor = (deltaE: number): string =>
  deltaE < 1 ? 'the same' : deltaE < 3 ? 'very near' : deltaE < 6 ? 'near' : deltaE < 12 ? 'off' : 'far off';
