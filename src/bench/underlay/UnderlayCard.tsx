import { useState } from 'react';
import { addAsset } from '../../../core/job/edits/elements';
import { setUnderlay } from '../../../core/job/edits/faces';
import { lineUp, type Underlay } from '../../../core/job/underlay';
import { roundIn } from '../../../core/units/length';
import { intake } from '../../../workers/intake';
import { ART_KINDS } from '../../parts/art-file';
import { FileChooser } from '../../parts/FileChooser';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { readTemplate } from './read-template';

const FIELDS = [
  ['x', 'Left'],
  ['y', 'Top'],
  ['width', 'Width'],
  ['height', 'Height'],
] as const;

/** The shop's own template under the face: lined up, seen through, never printed. */
export function UnderlayCard() {
  const { piece, face, shop, unit, echo } = useBench();
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  const { underlay } = face;
  const put = (to: Partial<Underlay>): void =>
    act('Template', (job) => setUnderlay(job, piece.id, face.id, underlay && { ...underlay, ...to }));
  async function take(file: File): Promise<void> {
    try {
      const { png, size } = await readTemplate(file);
      const { hash, asset } = await intake().takeIn(new Blob([png.slice()]), file.name);
      const trim = { x: 0, y: 0, width: piece.width, height: piece.height };
      const { box, on } = lineUp(size, trim, shop.bleed[piece.kind]);
      act('Template', (job) =>
        setUnderlay(addAsset(job, hash, asset), piece.id, face.id, { asset: hash, ...box, opacity: 0.5 }),
      );
      setTold(
        on
          ? { text: `Lined up on the ${on}.`, bad: false }
          : {
              text: 'Its size is neither the trim nor trim and bleed: place it by its measures, or check the size of the piece.',
              bad: true,
            },
      );
    } catch (error) {
      setTold({ text: (error as Error).message, bad: true });
    }
  }
  return (
    <section aria-label="Template" className="grid gap-1.5 text-base-content">
      <h2 className="heading">The shop’s template</h2>
      <div className="flex flex-wrap gap-1.5">
        <FileChooser
          label="A shop’s template"
          accept={`${ART_KINDS},image/png,image/jpeg,.png,.jpg,.jpeg`}
          onFile={(file) => void take(file)}
        >
          {underlay ? 'Another…' : 'Add template…'}
        </FileChooser>
        {underlay && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => act('No template', (job) => setUnderlay(job, piece.id, face.id, undefined))}
          >
            Take it away
          </button>
        )}
      </div>
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className="text-[14px]">
          {told.text}
        </p>
      )}
      {underlay && (
        <>
          <div className="grid grid-cols-2 gap-1.5">
            {FIELDS.map(([key, label]) => (
              <LengthField
                key={key}
                label={label}
                unit={unit}
                echo={echo}
                value={underlay[key]}
                {...(key === 'x' || key === 'y' ? {} : { least: roundIn(unit, 1, 1 / 16) })}
                onChange={(to) => put({ [key]: to })}
              />
            ))}
          </div>
          <NumberField
            label="Opacity %"
            value={Math.round(underlay.opacity * 100)}
            least={5}
            most={100}
            onChange={(percent) => put({ opacity: percent / 100 })}
          />
          <Tick
            checked={underlay.over === true}
            onChange={(on) => {
              const { over: _over, ...plain } = underlay;
              act('Template', (job) => setUnderlay(job, piece.id, face.id, on ? { ...plain, over: true } : plain));
            }}
          >
            Over the work
          </Tick>
          <p className="quiet text-[13px]">
            <kbd className="key">y</kbd> hides it. It is never printed.
          </p>
        </>
      )}
    </section>
  );
}
