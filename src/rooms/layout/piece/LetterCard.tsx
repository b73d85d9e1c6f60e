import { nanoid } from 'nanoid';
import { removeElements } from '../../../../core/job/edits/elements';
import { newLetter, setLetter } from '../../../../core/job/edits/kinds';
import type { LetterMade } from '../../../../core/job/kinds';
import type { Piece } from '../../../../core/job/schema';
import { STARTER_TYPEFACES } from '../../../../core/starters';
import { addSampleLetter } from '../../../../core/starters/sample-letter';
import { LETTER_LAYOUTS } from '../../../../core/trade/letter-layouts';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { loadFonts } from '../../../bench/kit';
import { openPanel } from '../../../bench/room';
import { LengthField } from '../../../parts/LengthField';
import { Pick } from '../../../parts/Pick';
import { act } from '../../../store/session';

const newId = (): string => nanoid(10);

const LAYOUTS = [
  ['', 'Not said'],
  ...LETTER_LAYOUTS.map(({ id, name }) => [id, name] as const),
  ['none', 'None'],
] as const;

const MARGINS = [
  ['top', 'Top'],
  ['right', 'Right'],
  ['bottom', 'Bottom'],
  ['left', 'Left'],
] as const;

/** How a letter is laid out on the sheet: its margins, its address field and folds, and what an office printer leaves. */
export function LetterCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const { letter } = piece;
  const samples = piece.faces.flatMap(({ elements }) => elements.flatMap(({ id, sample }) => (sample ? [id] : [])));
  const put = (to: Partial<LetterMade>): void =>
    act('Letter', (job) => setLetter(job, piece.id, letter && { ...letter, ...to }, newId));
  return (
    <section aria-label="Letter" className="grid gap-1.5 text-base-content">
      <div className="flex items-center justify-between">
        <h2 className="heading">Letter</h2>
        <button type="button" className="btn btn-xs" onClick={() => openPanel('letters')}>
          Letters…
        </button>
      </div>
      <Pick
        label="Address field and folds"
        value={letter?.layout ?? ''}
        options={LAYOUTS}
        onChange={(layout) =>
          act('Letter', (job) =>
            setLetter(job, piece.id, layout ? { ...newLetter(piece.unit), ...letter, layout } : undefined, newId),
          )
        }
      />
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={async () => {
          if (samples.length > 0) return act('Sample letter', (job) => removeElements(job, samples));
          await loadFonts([STARTER_TYPEFACES.text]);
          act('Sample letter', (job) => addSampleLetter(job, piece.id, newId));
        }}
      >
        {samples.length > 0 ? 'Remove the sample letter' : 'Show a sample letter'}
      </button>
      {letter && (
        <>
          <span className="quiet text-[13px]">Margins</span>
          <div className="grid grid-cols-2 gap-1.5">
            {MARGINS.map(([edge, label]) => (
              <LengthField
                key={edge}
                label={label}
                unit={unit}
                echo={echo}
                value={letter.margins[edge]}
                least={0}
                most={piece.width / 2}
                onChange={(to) => put({ margins: { ...letter.margins, [edge]: to } })}
              />
            ))}
          </div>
          <LengthField
            label="Office printer leaves"
            unit={unit}
            echo={echo}
            value={letter.unprintable}
            least={0}
            most={roundIn(unit, 20, 3 / 4)}
            onChange={(unprintable) => put({ unprintable })}
          />
          <Pick
            label="Fold and punch marks"
            value={letter.marks}
            options={[
              ['printed', 'Printed'],
              ['shown', 'Only shown here'],
              ['none', 'None'],
            ]}
            onChange={(marks) => put({ marks: marks as LetterMade['marks'] })}
          />
        </>
      )}
    </section>
  );
}
