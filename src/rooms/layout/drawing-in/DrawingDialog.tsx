import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { colourDifference } from '../../../../core/colour/difference';
import { hexOf, parseHex, type Rgb } from '../../../../core/colour/engine';
import { cmykText, type Ink, platesOf, processStandIn } from '../../../../core/colour/ink';
import type { SvgArt } from '../../../../core/files/svg-in/art';
import { elementsOfArt } from '../../../../core/files/svg-in/elements';
import { addArt } from '../../../../core/job/edits/copies';
import { addInk } from '../../../../core/job/edits/inks';
import type { Paint } from '../../../../core/job/schema';
import { intake } from '../../../../workers/intake';
import { useBench } from '../../../bench/bench';
import { Dialog } from '../../../parts/Dialog';
import { Tick } from '../../../parts/Tick';
import { act, select } from '../../../store/session';
import { type Incoming, nextDrawing } from './incoming';

/** An ink of the house this near to a colour of the drawing is what was meant: CIEDE2000. */
const NEAR = 5;
const NEW = 'new';
/** Screen levels up to which a colour is black, and from which it is white. */
const [DARKEST, LIGHTEST] = [24, 252];

const close = nextDrawing;

/** The colours of a drawing and the inks they are printed in; what could not be kept; then it is laid on the face. */
export function DrawingDialog({ drawing }: { drawing: Incoming }) {
  const [art, setArt] = useState<SvgArt>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    let isHere = true;
    intake()
      .readDrawing(drawing.bytes)
      .then(
        (read) => isHere && setArt(read),
        (error: Error) => isHere && setProblem(error.message),
      );
    return () => {
      isHere = false;
    };
  }, [drawing]);
  return (
    <Dialog title={`Take in ${drawing.name}`} onClose={close}>
      {problem && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
      {!art && !problem && <p role="status">Reading the drawing…</p>}
      {art && <Inks art={art} drawing={drawing} />}
    </Dialog>
  );
}

function Inks({ art, drawing }: { art: SvgArt; drawing: Incoming }) {
  const { job, press, piece } = useBench();
  const shown = (ink: Ink): Rgb => press.screen(processStandIn(platesOf(ink), job.inks));
  const nearest = (hex: string): string => {
    const rgb = parseHex(hex)!;
    // Plain black and white mean the black plate and the paper, whatever else would come nearer.
    if (Math.max(...rgb) <= DARKEST) return job.inks.find((ink) => ink.id === 'black')?.id ?? NEW;
    if (Math.min(...rgb) >= LIGHTEST) return job.inks.find((ink) => ink.id === 'paper')?.id ?? NEW;
    const [best] = job.inks
      .map((ink) => ({ id: ink.id, off: colourDifference(shown(ink), rgb) }))
      .sort((a, b) => a.off - b.off);
    return best && best.off <= NEAR ? best.id : NEW;
  };
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(art.colours.map((hex) => [hex, nearest(hex)])),
  );
  const [isLogo, setIsLogo] = useState(true);

  function lay(): void {
    const made: Ink[] = [];
    const paints = new Map<string, Paint>(
      art.colours.map((hex) => {
        const id = chosen[hex]!;
        if (id !== NEW) return [hex, { ink: id, tint: 1 }];
        const ink: Ink = {
          id: nanoid(8),
          name: nameOf(hex, made),
          kind: 'process',
          cmyk: press.separate(parseHex(hex)!),
        };
        made.push(ink);
        return [hex, { ink: ink.id, tint: 1 }];
      }),
    );
    // As large as it is, unless the face is smaller.
    const scale = Math.min(1, (0.9 * piece.width) / art.width, (0.9 * piece.height) / art.height);
    const [width, height] = [art.width * scale, art.height * scale];
    const middle = drawing.at ?? { x: piece.width / 2, y: piece.height / 2 };
    const at = { x: middle.x - width / 2, y: middle.y - height / 2, width, height };
    const name = drawing.name.replace(/\.svg$/i, '').slice(0, 120) || 'Drawing';
    const laid = elementsOfArt(art, { paints, at, newId: () => nanoid(10), name });
    const elements = isLogo ? laid.elements.map((e) => ({ ...e, logo: true as const })) : laid.elements;
    act('Take in a drawing', (j) => addArt(made.reduce(addInk, j), drawing.face, elements, laid.groups));
    select(...elements.map((e) => e.id));
    close();
  }
  const nameOf = (hex: string, made: readonly Ink[]): string => {
    const taken = new Set([...job.inks, ...made].map((ink) => ink.name.toLowerCase()));
    const name = `Drawing ${hex}`;
    for (let n = 2; ; n++) {
      const tried = n === 2 ? name : `${name} ${n}`;
      if (!taken.has(tried.toLowerCase())) return tried;
    }
  };
  return (
    <div className="grid gap-3">
      <p>Its colours, and the inks they are printed in:</p>
      <ul className="grid max-h-64 gap-1.5 overflow-y-auto" aria-label="Colours of the drawing">
        {art.colours.map((hex) => {
          const id = chosen[hex]!;
          const rgb = parseHex(hex)!;
          const asNew = press.separate(rgb);
          const ink = job.inks.find((each) => each.id === id);
          const becomes = ink ? shown(ink) : press.screen(asNew);
          return (
            <li key={hex} className="grid grid-cols-[28px_28px_1fr_6.5rem] items-center gap-2">
              <span className="block h-7 rounded-xs border border-black/25" style={{ background: hex }} title={hex} />
              <span
                className="block h-7 rounded-xs border border-black/25"
                style={{ background: hexOf(becomes) }}
                title="As the press prints it"
              />
              <select
                className="select select-sm w-full text-[14px]"
                aria-label={`Ink for ${hex}`}
                value={id}
                onChange={(event) => setChosen({ ...chosen, [hex]: event.target.value })}
              >
                <option value={NEW}>A new ink, {cmykText(asNew)}</option>
                {job.inks.map((each) => (
                  <option key={each.id} value={each.id}>
                    {each.name}
                  </option>
                ))}
              </select>
              <span className="quiet text-right text-[13px]">
                ΔE {colourDifference(becomes, rgb).toFixed(1)}, {wordFor(colourDifference(becomes, rgb))}
              </span>
            </li>
          );
        })}
      </ul>
      {art.notes.length > 0 && (
        <section aria-label="What could not be kept" className="rounded border border-warning p-2">
          <h3 className="heading mb-1">What could not be kept</h3>
          <ul className="list-disc pl-5 text-[14px]">
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
        <button type="button" className="btn" onClick={close}>
          Leave it
        </button>
        <button type="button" className="btn btn-primary" onClick={lay}>
          Lay it on the face
        </button>
      </div>
    </div>
  );
}

/** A difference in a plain word; the steps are common practice. */
const wordFor = (deltaE: number): string =>
  deltaE < 1 ? 'the same' : deltaE < 3 ? 'very near' : deltaE < 6 ? 'near' : deltaE < 12 ? 'off' : 'far off';
