import { nanoid } from 'nanoid';
import { newPost, setEnvelope, setPost } from '../../../../core/job/edits/kinds';
import type { EnvelopeMade } from '../../../../core/job/kinds';
import type { Piece } from '../../../../core/job/schema';
import { ENVELOPES, envelopeOf } from '../../../../core/trade/envelopes';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { Pick } from '../../../parts/Pick';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { RULE_CHOICES } from './PostCard';

const SEAMS = [
  ['diagonals', 'Slanting to the middle'],
  ['sides', 'Along both sides'],
  ['middle', 'Down the middle'],
] as const;

/** Where a window is put first: by the table, or as in a DL. */
function usualWindow(piece: Piece): NonNullable<EnvelopeMade['window']> {
  const { left, bottom, width, height } = (envelopeOf(piece.width, piece.height)?.window ?? ENVELOPES[0]!.window)!;
  return { x: left, y: piece.height - bottom - height, width, height };
}

/** How a ready-made envelope is made, and whose post it goes by. */
export function EnvelopeCard({ piece }: { piece: Piece }) {
  const { unit, echo } = useBench();
  const made = piece.envelope;
  const put = (to: Partial<EnvelopeMade>): void =>
    act('How the envelope is made', (job) => setEnvelope(job, piece.id, made && { ...made, ...to }));
  function begin(): void {
    const known = envelopeOf(piece.width, piece.height);
    const flap = known?.flap ?? { edge: 'long', depth: piece.height * 0.4 };
    act('How the envelope is made', (job) => setEnvelope(job, piece.id, { flap, seams: known?.seams ?? 'sides' }));
  }
  function giveWindow(on: boolean): void {
    if (!made) return;
    const { window: _window, ...plain } = made;
    act('Window', (job) => setEnvelope(job, piece.id, on ? { ...made, window: usualWindow(piece) } : plain));
  }
  const { window } = made ?? {};
  return (
    <section aria-label="Envelope" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Envelope</h2>
      {!made && (
        <button type="button" className="btn btn-sm justify-self-start" onClick={begin}>
          Show its flap and seams
        </button>
      )}
      {made && (
        <>
          <Pick
            label="Seams"
            value={made.seams}
            options={SEAMS}
            onChange={(seams) => put({ seams: seams as EnvelopeMade['seams'] })}
          />
          <LengthField
            label={`Flap, along the ${made.flap.edge} edge`}
            unit={unit}
            echo={echo}
            value={made.flap.depth}
            least={0}
            most={piece.width}
            onChange={(depth) => put({ flap: { ...made.flap, depth } })}
          />
          <Tick checked={window !== undefined} onChange={giveWindow}>
            A window
          </Tick>
          {window && (
            <div className="grid grid-cols-2 gap-1.5">
              {(
                [
                  ['x', 'Left'],
                  ['y', 'Top'],
                  ['width', 'Width'],
                  ['height', 'Height'],
                ] as const
              ).map(([key, label]) => (
                <LengthField
                  key={key}
                  label={label}
                  unit={unit}
                  echo={echo}
                  value={window[key]}
                  least={0}
                  most={piece.width}
                  onChange={(to) => put({ window: { ...window, [key]: to } })}
                />
              ))}
            </div>
          )}
        </>
      )}
      <Pick
        label="Posted by the rules of"
        value={piece.post?.rules ?? ''}
        options={RULE_CHOICES}
        onChange={(rules) =>
          act('Postal rules', (job) =>
            setPost(
              job,
              piece.id,
              rules ? { ...newPost(piece.unit), rules, face: piece.faces[0]!.id } : undefined,
              () => nanoid(10),
            ),
          )
        }
      />
    </section>
  );
}
