import { ALL_PLATES_ALLOWED, offeredInks } from '../../../core/colour/printed-with';
import { setInkLimit, setOverprint, setPictureInks, setReseparate } from '../../../core/job/edits/inks';
import type { Element, Paint, Picture } from '../../../core/job/schema';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';
import { PaintField } from './paint/PaintField';

const WAYS = [
  ['usual', 'Default'],
  ['overprints', 'Overprint'],
  ['knocks out', 'Knock out'],
] as const;

/** How something prints: over the inks below it or left out of them; a picture in which inks. */
export function PrintCard({ element }: { element: Element }) {
  const { job: whole } = useBench();
  // A page of a PDF keeps its own.
  const hasInks = element.kind === 'picture' && !whole.assets[element.asset]?.page;
  const pictured = element.kind === 'picture' && (element.inks ?? element.reseparate ?? element.inkLimit) !== undefined;
  return (
    <Fold title="How it prints" inUse={element.overprint !== undefined || pictured}>
      <Choice
        label="Overprint"
        value={element.overprint ?? 'usual'}
        options={WAYS}
        onChange={(to) => act('Overprint', (job) => setOverprint(job, [element.id], to === 'usual' ? undefined : to))}
      />
      {element.kind === 'words' && (
        <p className="quiet text-[13px]">By default, black text below 12 pt overprints; everything else knocks out.</p>
      )}
      {hasInks && <PictureInks picture={element} />}
    </Fold>
  );
}

type Inks = 'black' | 'process' | 'one' | 'two';
const INKS = [
  ['black', 'In black alone'],
  ['process', 'In the four process inks'],
  ['one', 'Monotone'],
  ['two', 'Duotone'],
] as const;

function PictureInks({ picture }: { picture: Picture }) {
  const { job, piece } = useBench();
  const { inks } = picture;
  const { space, bits } = job.assets[picture.asset] ?? {};
  const isGrey = space === 'GRAY';
  // Line art is black alone, or in an ink of its own: four plates would soften its edges.
  const options = INKS.filter(([id]) => (isGrey ? bits !== 1 || id !== 'process' : id !== 'black'));
  const offered = offeredInks(piece.printedWith ?? ALL_PLATES_ALLOWED, job.inks).filter((ink) => ink.id !== 'paper');
  const usual: Inks = isGrey && !picture.reseparate ? 'black' : 'process';
  const now: Inks = inks === undefined ? usual : inks.length === 1 ? 'one' : 'two';
  const put = (to: Paint[] | undefined, inFour = false): void =>
    act('Inks of the picture', (j) => {
      const inked = setPictureInks(j, picture.id, to);
      return isGrey ? setReseparate(inked, picture.id, inFour) : inked;
    });
  function choose(to: Inks): void {
    const first = inks?.[0] ?? { ink: offered[0]?.id ?? 'black', tint: 1 };
    const second = inks?.[1] ?? { ink: offered.find((ink) => ink.id !== first.ink)?.id ?? 'black', tint: 0.5 };
    if (to === 'black' || to === 'process') put(undefined, to === 'process');
    else put(to === 'one' ? [first] : [first, second]);
  }
  const isCmyk = space === 'CMYK';
  return (
    <>
      <Choice label="Inks of the picture" value={now} options={options} onChange={choose} />
      {inks?.map((paint, i) => (
        <PaintField
          // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second ink
          key={i}
          name={i === 0 ? 'First ink' : 'Second ink'}
          paint={paint}
          onChange={(to) => put(inks.map((each, k) => (k === i ? to : each)))}
        />
      ))}
      {isCmyk && !inks && (
        <Tick
          checked={picture.reseparate === true}
          onChange={(on) => act('Convert again for this press', (j) => setReseparate(j, picture.id, on))}
        >
          Convert again for this press
        </Tick>
      )}
      {picture.inkLimit !== undefined && (
        <button
          type="button"
          className="btn btn-sm justify-self-start"
          onClick={() => act('Ink limit', (j) => setInkLimit(j, picture.id, undefined))}
        >
          Kept under {Math.round(picture.inkLimit * 100)} %: take that off
        </button>
      )}
    </>
  );
}
