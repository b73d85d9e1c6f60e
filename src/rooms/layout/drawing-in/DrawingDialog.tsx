import { useEffect, useState } from 'react';
import type { Art } from '../../../../core/files/art-in/art';
import { ownTypefaces } from '../../../../core/type/own-font';
import { intake } from '../../../../workers/intake';
import { useBench } from '../../../bench/bench';
import { loadFonts } from '../../../bench/kit';
import { Dialog } from '../../../parts/Dialog';
import { ArtInks } from './ArtInks';
import { DrawingPicture } from './DrawingPicture';
import { type Incoming, nextDrawing } from './incoming';
import { PageChoice } from './PageChoice';
import { WholePage } from './WholePage';

/** A typeface that text of a PDF is set in before it is placed. */
function typefacesOf(items: Art['items']): string[] {
  return items.flatMap((item) =>
    item.kind === 'group' ? typefacesOf(item.items) : item.kind === 'words' ? [item.typeface] : [],
  );
}

/** An SVG drawing or a page of a PDF: its inks and what could not be kept; then it is placed on the face. */
export function DrawingDialog({ drawing }: { drawing: Incoming }) {
  const { job } = useBench();
  const [page, setPage] = useState(1);
  const [read, setRead] = useState<{ page: number; art: Art }>();
  const [pages, setPages] = useState(1);
  const [problem, setProblem] = useState<string>();
  const { fonts } = job;
  const [isWhole, setWhole] = useState(false);
  useEffect(() => {
    if (isWhole) return;
    let isHere = true;
    const fromPdf = async (): Promise<Art> => {
      const { art, pages: count, problem: why } = await intake().readPage(drawing.bytes, page - 1, ownTypefaces(fonts));
      if (isHere) setPages(count);
      if (!art) throw new Error(why);
      await loadFonts(typefacesOf(art.items));
      return art;
    };
    setProblem(undefined);
    (drawing.kind === 'pdf' ? fromPdf() : intake().readDrawing(drawing.bytes)).then(
      (art) => isHere && setRead({ page, art }),
      (error: Error) => isHere && setProblem(error.message),
    );
    return () => {
      isHere = false;
    };
  }, [drawing, page, fonts, isWhole]);
  const isRead = read?.page === page;
  return (
    <Dialog title={`Import ${drawing.name}`} onClose={nextDrawing} wide>
      <div className="grid grid-cols-[220px_1fr] gap-5">
        {drawing.kind === 'pdf' ? (
          <PageChoice bytes={drawing.bytes} page={page} pages={pages} onChange={(to) => setPage(to)} />
        ) : (
          <DrawingPicture bytes={drawing.bytes} />
        )}
        <div className="grid content-start gap-3">
          {drawing.kind === 'pdf' && <Way isWhole={isWhole} onChange={setWhole} />}
          {isWhole && <WholePage drawing={drawing} page={page} onPages={setPages} />}
          {!isWhole && problem && (
            <p role="alert" className="text-error">
              {problem}
            </p>
          )}
          {!isWhole && !isRead && !problem && (
            <p role="status">{drawing.kind === 'pdf' ? 'Reading the page…' : 'Reading the drawing…'}</p>
          )}
          {!isWhole && isRead && !problem && <ArtInks key={page} art={read.art} drawing={drawing} />}
        </div>
      </div>
    </Dialog>
  );
}

/** Whether what is on a page comes in as elements that can be edited, or all of it as one thing that stays as it is. */
function Way({ isWhole, onChange }: { isWhole: boolean; onChange(isWhole: boolean): void }) {
  const ways = [
    { label: 'Elements to edit', whole: false },
    { label: 'One thing, as it is', whole: true },
  ];
  return (
    <fieldset className="join" aria-label="Import the page as">
      {ways.map(({ label, whole }) => (
        <button
          key={label}
          type="button"
          aria-pressed={isWhole === whole}
          className={`btn btn-sm join-item ${isWhole === whole ? 'btn-neutral' : ''}`}
          onClick={() => onChange(whole)}
        >
          {label}
        </button>
      ))}
    </fieldset>
  );
}
