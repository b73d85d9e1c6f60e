import type { Piece } from '../../../../core/job/schema';
import {
  officeFaults,
  officeOutcome,
  rightSettings,
  SECOND_SIDES,
  type SecondSide,
  SIZINGS,
  type Sizing,
  USUAL_SHIFT,
} from '../../../../core/scene/office-printer';
import { OFFICE_SHEETS, type OfficeSheet } from '../../../../core/scene/office-sheet';
import { formatLength, toPoints } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { Choice } from '../../../parts/Choice';
import { LengthField } from '../../../parts/LengthField';
import { RadioList } from '../../../parts/RadioList';
import { marginOf, type OfficeAsked, pagesFor } from './asked';

const PAPERS = (Object.keys(OFFICE_SHEETS) as OfficeSheet[]).map((id) => [id, OFFICE_SHEETS[id].name] as const);
const MOST_MARGIN = toPoints(25, 'mm');

const SIZING_WHY: Readonly<Record<Sizing, string>> = {
  own: 'What is 100 mm long comes out 100 mm long.',
  smaller: 'Most printers begin with this one.',
  largest: 'Small pages grow to fill the paper.',
};
const SECOND_WHY: Readonly<Record<SecondSide, string>> = {
  none: 'The second page is left out.',
  long: 'As the pages of a book are turned.',
  short: 'As the sheets of a wall calendar are turned.',
};

/** The settings of an office printer, and what is wrong with what comes out. */
export function OfficeForm({
  piece,
  asked,
  onChange,
}: {
  piece: Piece;
  asked: OfficeAsked;
  onChange(to: OfficeAsked): void;
}) {
  const { sources, unit, echo } = useBench();
  const { on, printer } = asked;
  const pages = pagesFor(piece, sources, on);
  const put = (part: Partial<OfficeAsked['printer']>): void => onChange({ ...asked, printer: { ...printer, ...part } });
  const faults = pages.length > 0 ? officeFaults(pages, officeOutcome(pages, printer), unit) : [];
  const best = pages.length > 0 ? rightSettings(pages, printer.margin) : undefined;
  const isBest =
    best !== undefined &&
    best.paper === printer.paper &&
    best.sizing === printer.sizing &&
    best.second === printer.second;
  return (
    <div className="grid min-h-0 flex-1 content-start gap-4 overflow-y-auto p-4">
      <p className="quiet text-[14px]">
        A printer of the usual kind, tried out on the screen: nothing is sent to one. The sheets at the left are what
        comes out.
      </p>
      <section aria-label="What comes out" className="rounded border border-base-300 p-3 text-[14px]">
        {pages.length === 0 ? (
          <p>{piece.name} is larger than this sheet. Choose another, or send it on a page of its own.</p>
        ) : faults.length === 0 ? (
          <p>
            <b className="font-semibold">Right.</b> It comes out at its size, with nothing lost
            {pages.length > 1 ? ' and the back upright' : ''}.
          </p>
        ) : (
          <>
            <b className="font-semibold">{isBest ? 'As right as this page can be' : 'Not right yet'}</b>
            <ul className="mt-1 grid list-disc gap-1 pl-4">
              {faults.map((fault) => (
                <li key={fault}>{fault}</li>
              ))}
            </ul>
          </>
        )}
        {pages.length > 1 && printer.second !== 'none' && (
          <p className="quiet mt-2">
            Front and back lie up to {formatLength(USUAL_SHIFT, unit, 2)} apart: let nothing depend on both.
          </p>
        )}
      </section>
      {best && !isBest && (
        <button type="button" className="btn btn-sm btn-primary" onClick={() => onChange({ ...asked, printer: best })}>
          Use the right settings
        </button>
      )}
      {isBest && faults.length > 0 && on === 'its own' && (
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() => onChange({ ...asked, on: printer.paper })}
        >
          Lay it in the middle of {OFFICE_SHEETS[printer.paper].name}
        </button>
      )}
      <div className="grid gap-1.5">
        <h3 className="heading">Page</h3>
        <Choice
          label="Page"
          value={on}
          options={[
            ['its own', 'Cut to the piece'],
            ...PAPERS.map(([id, name]) => [id, `In the middle of ${name}`] as const),
          ]}
          onChange={(to) => onChange({ ...asked, on: to })}
        />
      </div>
      <div className="grid gap-1.5">
        <h3 className="heading">Paper</h3>
        <Choice label="Paper" value={printer.paper} options={PAPERS} onChange={(paper) => put({ paper })} />
        <LengthField
          label="Left white"
          value={printer.margin}
          unit={unit}
          echo={echo}
          onChange={(margin) => put({ margin })}
          least={0}
          most={MOST_MARGIN}
          {...(printer.margin === marginOf(piece) ? { hint: 'Common practice' } : {})}
        />
      </div>
      <RadioList
        name="office-sizing"
        says="Size"
        options={(Object.keys(SIZINGS) as Sizing[]).map((id) => [id, SIZINGS[id], SIZING_WHY[id]] as const)}
        value={printer.sizing}
        onChange={(sizing) => put({ sizing })}
      />
      {pages.length > 1 && (
        <RadioList
          name="office-second"
          says="Second page"
          options={(Object.keys(SECOND_SIDES) as SecondSide[]).map(
            (id) => [id, SECOND_SIDES[id], SECOND_WHY[id]] as const,
          )}
          value={printer.second}
          onChange={(second) => put({ second })}
        />
      )}
    </div>
  );
}
