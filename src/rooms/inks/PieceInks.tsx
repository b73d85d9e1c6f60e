import { useState } from 'react';
import { ALL_PLATES_ALLOWED, type PrintedWith, plateOfInk } from '../../../core/colour/printed-with';
import { setPrintedWith } from '../../../core/job/edits/inks';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { act } from '../../store/session';
import { FewerInks } from './FewerInks';

const WAYS = ['four-colour', 'four-colour and spots', 'two inks', 'one ink'] as const;

/** What the piece is printed with. */
export function PieceInks() {
  const { job, piece } = useBench();
  const with_ = piece.printedWith ?? ALL_PLATES_ALLOWED;
  // An ink that takes several plates is not one ink to a press.
  const single = job.inks.filter((ink) => plateOfInk(ink) !== undefined);
  const put = (to: PrintedWith): void => act('Printed with', (j) => setPrintedWith(j, piece.id, to));
  const first = single.find((ink) => ink.kind === 'spot') ?? single[0];
  const second = single.find((ink) => ink.id !== first?.id);
  function choose(plates: (typeof WAYS)[number]): void {
    if (plates === 'four-colour' || plates === 'four-colour and spots') put({ plates });
    else if (plates === 'one ink' && first) put({ plates, inks: [first.id] });
    else if (plates === 'two inks' && first && second) put({ plates, inks: [first.id, second.id] });
  }
  const [isFewer, setFewer] = useState(false);
  const own = with_.plates === 'two inks' || with_.plates === 'one ink' ? with_ : undefined;
  return (
    <section aria-label="Printed with" className="grid gap-1.5">
      <h2 className="heading">This piece is printed with</h2>
      <Choice
        label="Printed with"
        value={with_.plates}
        options={WAYS.filter((way) => way !== 'two inks' || second !== undefined)}
        onChange={choose}
      />
      <button type="button" className="btn btn-sm justify-self-start" onClick={() => setFewer(true)}>
        Fewer inks…
      </button>
      {isFewer && <FewerInks onClose={() => setFewer(false)} />}
      {own?.inks.map((id, i) => (
        <Choice
          // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second ink
          key={i}
          label={i === 0 ? 'The first ink' : 'The second ink'}
          value={id}
          options={single
            .filter((ink) => ink.id === id || !own.inks.includes(ink.id))
            .map((ink) => [ink.id, ink.name] as const)}
          onChange={(to) => put({ ...own, inks: own.inks.map((each, k) => (k === i ? to : each)) })}
        />
      ))}
    </section>
  );
}
