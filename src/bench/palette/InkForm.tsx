import { nanoid } from 'nanoid';
import { useState } from 'react';
import { differenceWord, labDifference } from '../../../core/colour/difference';
import { hexOf, parseHex } from '../../../core/colour/engine';
import { type Cmyk, cmykText, type Ink, isSpotName, type Lab } from '../../../core/colour/ink';
import { addInk, changeInk } from '../../../core/job/edits/inks';
import { Dialog } from '../../parts/Dialog';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { ColourField, PlateSliders } from './ColourField';

/** A percent as typed, 0 to 100, as 0 to 1. */
function readPercent(text: string): number | undefined {
  const value = Number(text.trim().replace(',', '.').replace(/%$/, ''));
  return text.trim() !== '' && value >= 0 && value <= 100 ? value / 100 : undefined;
}

/** What a new ink begins as: something to move away from in any direction. */
const BEGUN: Cmyk = [0.5, 0.2, 0.3, 0.1];

const percents = (cmyk: Cmyk): string[] => cmyk.map((a) => `${Math.round(a * 1000) / 10}`);
const LAB = [
  ['L', 0, 100],
  ['a', -128, 128],
  ['b', -128, 128],
] as const;

/** Three numbers as typed, in the ranges of CIE L*a*b*. */
function readLab(texts: readonly string[]): Lab | undefined {
  const numbers = texts.map((text) =>
    text.trim() === '' ? Number.NaN : Number(text.replace(',', '.').replace('−', '-')),
  );
  return numbers.every((n, i) => n >= LAB[i]![1] && n <= LAB[i]![2]) ? (numbers as Lab) : undefined;
}
const rounded = (lab: Lab | undefined): string[] => lab?.map((n) => `${Math.round(n * 10) / 10}`) ?? ['', '', ''];

/** Makes an ink from CMYK percents, from a screen colour or from L*a*b*; or changes one everywhere it is used. */
export function InkForm({
  ink,
  from,
  onClose,
  onMade,
}: {
  ink: Ink | undefined;
  /** What a new ink begins with. */
  from?: Omit<Ink, 'id'> | undefined;
  onClose(): void;
  onMade?(id: string): void;
}) {
  const { job, press } = useBench();
  const begun = ink ?? from;
  const [name, setName] = useState(begun?.name ?? '');
  const [kind, setKind] = useState<Ink['kind']>(begun?.kind ?? 'process');
  const [amounts, setAmounts] = useState(percents(begun?.cmyk ?? BEGUN));
  const [asked, setAsked] = useState<Lab | undefined>(begun?.lab);
  const [labTexts, setLabTexts] = useState(rounded(begun?.lab));
  const [hex, setHex] = useState('');
  const [problem, setProblem] = useState<string>();
  const read = amounts.map(readPercent);
  const cmyk = read.every((a) => a !== undefined) ? (read as Cmyk) : undefined;
  const miss = asked && cmyk && labDifference(asked, press.lab(cmyk));

  function take(lab: Lab, made: Cmyk): void {
    setProblem(undefined);
    setAsked(lab);
    setLabTexts(rounded(lab));
    setAmounts(percents(made));
  }
  /** A colour of the press itself: nothing else was asked for. */
  function chooseByEye(made: Cmyk): void {
    setProblem(undefined);
    setAsked(undefined);
    setLabTexts(rounded(undefined));
    setAmounts(percents(made));
  }
  function takeHex(): void {
    const rgb = parseHex(hex);
    if (rgb) take(press.labOfScreen(rgb), press.separate(rgb));
    else setProblem('A screen colour is six hexadecimal digits, like #1e4d3c.');
  }
  function takeLab(): void {
    const lab = readLab(labTexts);
    if (lab) take(lab, press.separateLab(lab));
    else setProblem('L is from 0 to 100, a and b from −128 to 128.');
  }

  function keep(): void {
    const called = name.trim() || (cmyk ? cmykText(cmyk) : '');
    if (!cmyk) {
      setProblem('Amounts of ink are from 0 to 100 percent.');
      return;
    }
    if (kind === 'spot' && name.trim() === '') {
      setProblem('Name the spot ink first, as the shop knows it.');
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
    const made = { name: called, kind, cmyk, ...(asked ? { lab: asked } : {}) };
    if (ink) act('Change ink', (j) => changeInk(j, ink.id, made));
    else {
      const id = nanoid(8);
      act('Add ink', (j) => addInk(j, { id, ...made }));
      onMade?.(id);
    }
    onClose();
  }

  if (ink?.id === 'paper')
    return (
      <Dialog title="Paper" onClose={onClose}>
        <p>Paper is where no plate prints. It has no amounts to change.</p>
      </Dialog>
    );
  return (
    <Dialog title={ink ? `Change ${ink.name} everywhere` : 'Add an ink'} onClose={onClose} wide>
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
            placeholder={kind === 'spot' ? 'As the shop knows it' : cmyk && cmykText(cmyk)}
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
              {each === 'process' ? 'Process (CMYK)' : 'Spot'}
            </label>
          ))}
        </fieldset>
        <div className="grid grid-cols-[auto_1fr] gap-5">
          <ColourField press={press} cmyk={cmyk ?? [0, 0, 0, 0]} onChange={chooseByEye} />
          <div className="min-w-0">
            <span className="heading mb-1.5 block">{kind === 'spot' ? 'Stands in for it on screen' : 'Amounts'}</span>
            <PlateSliders
              press={press}
              cmyk={cmyk}
              texts={amounts}
              onType={(plate, text) => setAmounts(amounts.map((a, j) => (j === plate ? text : a)))}
            />
            <div className="mt-3 flex items-center gap-3">
              <span
                className="h-12 w-24 shrink-0 rounded border border-base-300"
                style={{ background: cmyk ? hexOf(press.screen(cmyk)) : 'none' }}
                title="As this press prints it"
              />
              {begun && cmyk && cmykText(begun.cmyk) !== cmykText(cmyk) && (
                <button
                  type="button"
                  className="h-12 w-12 shrink-0 cursor-pointer rounded border border-base-300"
                  style={{ background: hexOf(press.screen(begun.cmyk)) }}
                  aria-label="Back to the colour before"
                  title="Back to the colour before"
                  onClick={() => {
                    setAmounts(percents(begun.cmyk));
                    setAsked(begun.lab);
                    setLabTexts(rounded(begun.lab));
                  }}
                />
              )}
              <p className="text-[14px]" role="status">
                {cmyk && `${cmykText(cmyk)}, ${Math.round(100 * cmyk.reduce((sum, a) => sum + a, 0))} % total ink`}
                {miss !== undefined && (
                  <span className="block">
                    Against what was asked: ΔE {miss.toFixed(1)}, {differenceWord(miss)}.
                  </span>
                )}
              </p>
            </div>
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
        <div>
          <span className="heading mb-1 block">Or as measured, L*a*b* under D50</span>
          <div className="grid grid-cols-[repeat(3,1fr)_auto] gap-2">
            {LAB.map(([label], i) => (
              <label key={label} className="input w-full">
                {label}
                <input
                  aria-label={`${label}* measured`}
                  inputMode="decimal"
                  className="text-right"
                  value={labTexts[i]}
                  onChange={(event) => setLabTexts(labTexts.map((t, j) => (j === i ? event.target.value : t)))}
                />
              </label>
            ))}
            <button type="button" className="btn" onClick={takeLab}>
              Use measured colour
            </button>
          </div>
        </div>
        {problem && (
          <p role="alert" className="text-error">
            {problem}
          </p>
        )}
        <button type="submit" className="btn btn-primary">
          {ink ? 'Change ink' : 'Add ink'}
        </button>
      </form>
    </Dialog>
  );
}
