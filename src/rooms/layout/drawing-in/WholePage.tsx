import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { pageFrame, placePage } from '../../../../core/job/edits/placed';
import { intake } from '../../../../workers/intake';
import type { WholeTaken } from '../../../../workers/intake-work';
import { useBench } from '../../../bench/bench';
import { act, select } from '../../../store/session';
import { type Incoming, nextDrawing, titleOf } from './incoming';

/** A page of a PDF that is placed as one thing: what it brings along, and what it stays. */
export function WholePage({
  drawing,
  page,
  onPages,
}: {
  drawing: Incoming;
  page: number;
  onPages(count: number): void;
}) {
  const { job, piece } = useBench();
  const [taken, setTaken] = useState<WholeTaken>();
  const [problem, setProblem] = useState<string>();
  const name = titleOf(drawing, 'Page');
  useEffect(() => {
    let isHere = true;
    setTaken(undefined);
    setProblem(undefined);
    intake()
      .takeWhole(drawing.bytes, page - 1, name)
      .then(
        (whole) => {
          if (!isHere) return;
          onPages(whole.pages);
          setTaken(whole);
        },
        (error: Error) => isHere && setProblem(error.message),
      );
    return () => {
      isHere = false;
    };
  }, [drawing, page, name, onPages]);

  function lay({ asset, ...rest }: WholeTaken): void {
    const at = pageFrame({ ...asset, page: asset.page! }, piece, drawing.at);
    const made: string[] = [];
    const newId = (): string => {
      made.push(nanoid(10));
      return made.at(-1)!;
    };
    act('Place a PDF page', (before) => placePage(before, drawing.face, { asset, ...rest }, at, newId));
    select(made.at(-1)!);
    nextDrawing();
  }

  const known = new Set(job.inks.map((ink) => ink.name));
  const added = taken ? Object.keys(taken.spots).filter((spot) => !known.has(spot)) : [];
  return (
    <div className="grid gap-3">
      {problem && (
        <p role="alert" className="text-error">
          {problem}
        </p>
      )}
      {!taken && !problem && <p role="status">Reading the page…</p>}
      {taken && (
        <>
          <p>
            {taken.asset.page!.screen
              ? ''
              : 'The page stays as it is: its words, lines and pictures, their inks and typefaces. '}
            It can be moved, turned, cropped and made larger, but not edited.
          </p>
          <p>Prints on {taken.asset.page!.plates.join(', ') || 'no plate'}.</p>
          {taken.asset.page!.screen && (
            <p className="rounded border border-warning p-2">
              Colours of a screen are left in it, and a PDF/X file cannot have those. Placed whole, it prints as a
              picture of its plates. Import its elements to keep its words as type.
            </p>
          )}
          {added.length > 0 && (
            <p className="quiet text-[13px]">
              {added.length === 1 ? 'The spot ink' : 'The spot inks'} {added.join(', ')}{' '}
              {added.length === 1 ? 'is' : 'are'} added to the job.
            </p>
          )}
        </>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={nextDrawing}>
          Cancel
        </button>
        <button type="button" className="btn btn-primary" disabled={!taken} onClick={() => taken && lay(taken)}>
          Place
        </button>
      </div>
    </div>
  );
}
