import { nanoid } from 'nanoid';
import { useState } from 'react';
import { hexOf } from '../../../core/colour/engine';
import { cmykText } from '../../../core/colour/ink';
import { outset } from '../../../core/geometry/box';
import { addInk } from '../../../core/job/edits/inks';
import { titleOf } from '../../../core/job/find';
import { elementBox } from '../../../core/scene/face';
import type { ColourFound } from '../../../workers/ink-work';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { plateRoom } from '../kit';

const COUNT = 6;

/** A few inks drawn out of a picture, the logo, or the whole face: the colours that it is mostly made of. */
export function DrawPalette() {
  const { job, piece, face, press, sources, shop } = useBench();
  const [from, setFrom] = useState('');
  const [found, setFound] = useState<{ name: string; colours: ColourFound[] }>();
  const able = face.elements.filter((e) => e.kind === 'picture' || e.logo);
  async function draw(): Promise<void> {
    const element = face.elements.find((e) => e.id === from);
    const whole = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, shop.bleed[piece.kind]);
    const area = element ? elementBox(element, sources) : whole;
    const colours = await plateRoom().coloursIn({ job, pieceId: piece.id, faceId: face.id, area, count: COUNT });
    setFound({ name: element ? titleOf(element, job.assets) : face.name, colours });
  }
  const take = (colour: ColourFound, i: number): void => {
    const taken = new Set(job.inks.map((ink) => ink.name.toLowerCase()));
    let name = `${found!.name} ${i + 1}`.slice(0, 80);
    for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${found!.name} ${i + 1} (${n})`.slice(0, 80);
    act('Add ink', (j) => addInk(j, { id: nanoid(8), name, kind: 'process', cmyk: colour.cmyk }));
  };
  return (
    <section aria-label="Draw inks out of a picture" className="grid gap-1.5">
      <h2 className="heading">Colours from a picture or the logo</h2>
      <div className="flex gap-1.5">
        <select
          className="select select-sm min-w-0 flex-1 text-[14px]"
          aria-label="What the inks are drawn out of"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        >
          <option value="">The whole side</option>
          {able.map((element) => (
            <option key={element.id} value={element.id}>
              {titleOf(element, job.assets)}
            </option>
          ))}
        </select>
        <button type="button" className="btn btn-sm" onClick={() => void draw()}>
          Find
        </button>
      </div>
      {found && (
        <ul aria-label={`Colours of ${found.name}`} className="text-[14px]">
          {found.colours.map((colour, i) => (
            <li key={colour.cmyk.join()} className="flex items-center gap-1.5 py-0.5">
              <span
                className="size-6 shrink-0 rounded-xs border border-black/30"
                style={{ background: hexOf(press.screen(colour.cmyk)) }}
                aria-hidden="true"
              />
              <span className="min-w-0 flex-1 truncate">
                {cmykText(colour.cmyk)} <span className="quiet">{Math.round(colour.share * 100)} %</span>
              </span>
              <button type="button" className="btn btn-xs" onClick={() => take(colour, i)}>
                Add
              </button>
            </li>
          ))}
          {found.colours.length === 0 && <li className="quiet">There is no ink there.</li>}
        </ul>
      )}
    </section>
  );
}
