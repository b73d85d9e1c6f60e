import { nanoid } from 'nanoid';
import { useState } from 'react';
import { hexOf, parseHex } from '../../../../core/colour/engine';
import { type Cmyk, type Ink, isSpotName } from '../../../../core/colour/ink';
import { addInk, changeInk } from '../../../../core/job/edits/inks';
import { Dialog } from '../../../parts/Dialog';
import { act } from '../../../store/session';
import { useBench } from '../bench';

/** A percent as typed, 0 to 100, as 0 to 1. */
function readPercent(text: string): number | undefined {
  const value = Number(text.trim().replace(',', '.').replace(/%$/, ''));
  return text.trim() !== '' && value >= 0 && value <= 100 ? value / 100 : undefined;
}

const percents = (cmyk: Cmyk): string[] => cmyk.map((a) => `${Math.round(a * 1000) / 10}`);

/** Makes an ink from CMYK percents or from a screen colour, or changes one everywhere it is used. */
export function InkForm({ ink, onClose, onMade }: { ink: Ink | undefined; onClose(): void; onMade(id: string): void }) {
  const { job, press } = useBench();
  const [name, setName] = useState(ink?.name ?? '');
  const [kind, setKind] = useState<Ink['kind']>(ink?.kind ?? 'process');
  const [amounts, setAmounts] = useState(percents(ink?.cmyk ?? [0, 0, 0, 1]));
  const [hex, setHex] = useState('');
  const [problem, setProblem] = useState<string>();
  const read = amounts.map(readPercent);
  const cmyk = read.every((a) => a !== undefined) ? (read as Cmyk) : undefined;
  const fixed = ink?.id === 'paper';

  function takeHex(): void {
    const rgb = parseHex(hex);
    if (!rgb) {
      setProblem('A screen colour is six hexadecimal digits, like #1e4d3c.');
      return;
    }
    setProblem(undefined);
    setAmounts(percents(press.separate(rgb)));
  }

  function keep(): void {
    const called = name.trim();
    if (!cmyk) {
      setProblem('Amounts of ink are from 0 to 100 percent.');
      return;
    }
    if (called === '') {
      setProblem('Name the ink first.');
      return;
    }
    if (kind === 'spot' && !isSpotName(called)) {
      setProblem(`${called} is the name of a plate every press has. Give the spot ink its own.`);
      return;
    }
    if (job.inks.some((other) => other.id !== ink?.id && other.name.toLowerCase() === called.toLowerCase())) {
      setProblem('Another ink has that name.');
      return;
    }
    if (ink) act('Change ink', (j) => changeInk(j, ink.id, { name: called, kind, cmyk }));
    else {
      const made = nanoid(8);
      act('Add ink', (j) => addInk(j, { id: made, name: called, kind, cmyk }));
      onMade(made);
    }
    onClose();
  }

  return (
    <Dialog title={ink ? `Change ${ink.name} everywhere` : 'Add an ink'} onClose={onClose}>
      {fixed ? (
        <p>Paper is where no plate prints. It has no amounts to change.</p>
      ) : (
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <label className="block">
            <span className="heading mb-1 block">Name</span>
            <input
              className="input w-full"
              value={name}
              maxLength={80}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <fieldset className="flex gap-4">
            <legend className="heading mb-1">Printed from</legend>
            {(['process', 'spot'] as const).map((each) => (
              <label key={each} className="flex cursor-pointer items-center gap-2">
                <input
                  type="radio"
                  className="radio radio-sm"
                  name="ink-kind"
                  checked={kind === each}
                  onChange={() => setKind(each)}
                />
                {each === 'process' ? 'the four process plates' : 'a plate of its own (spot)'}
              </label>
            ))}
          </fieldset>
          <div>
            <span className="heading mb-1 block">
              {kind === 'spot' ? 'Looks like, in percent' : 'Amounts in percent'}
            </span>
            <div className="grid grid-cols-[repeat(4,1fr)_auto] gap-2">
              {['C', 'M', 'Y', 'K'].map((plate, i) => (
                <label key={plate} className="input w-full">
                  {plate}
                  <input
                    aria-label={['Cyan', 'Magenta', 'Yellow', 'Black'][i]}
                    inputMode="decimal"
                    className="text-right"
                    value={amounts[i]}
                    onChange={(event) => setAmounts(amounts.map((a, j) => (j === i ? event.target.value : a)))}
                  />
                </label>
              ))}
              <span
                className="size-10 rounded border border-base-300"
                style={{ background: cmyk ? hexOf(press.screen(cmyk)) : 'none' }}
                title="As this press prints it"
              />
            </div>
          </div>
          <div className="flex items-end gap-2">
            <label className="flex-1">
              <span className="heading mb-1 block">Or from a screen colour</span>
              <input
                className="input w-full"
                placeholder="#1e4d3c"
                value={hex}
                onChange={(event) => setHex(event.target.value)}
              />
            </label>
            <button type="button" className="btn" onClick={takeHex}>
              Convert for this press
            </button>
          </div>
          {problem && (
            <p role="alert" className="text-error">
              {problem}
            </p>
          )}
          <button type="submit" className="btn btn-primary">
            {ink ? 'Change it' : 'Add it'}
          </button>
        </form>
      )}
    </Dialog>
  );
}
