import { useEffect, useState } from 'react';
import type { Art } from '../../../../core/files/art-in/art';
import { ownTypefaces } from '../../../../core/type/own-font';
import { intake } from '../../../../workers/intake';
import { useBench } from '../../../bench/bench';
import { loadFonts } from '../../../bench/kit';
import { Dialog } from '../../../parts/Dialog';
import { ArtInks } from './ArtInks';
import { type Incoming, nextDrawing } from './incoming';
import { PageChoice } from './PageChoice';

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
  useEffect(() => {
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
  }, [drawing, page, fonts]);
  const isRead = read?.page === page;
  return (
    <Dialog title={`Import ${drawing.name}`} onClose={nextDrawing} wide={drawing.kind === 'pdf'}>
      <div className={drawing.kind === 'pdf' ? 'grid grid-cols-[220px_1fr] gap-5' : ''}>
        {drawing.kind === 'pdf' && (
          <PageChoice bytes={drawing.bytes} page={page} pages={pages} onChange={(to) => setPage(to)} />
        )}
        <div>
          {problem && (
            <p role="alert" className="text-error">
              {problem}
            </p>
          )}
          {!isRead && !problem && (
            <p role="status">{drawing.kind === 'pdf' ? 'Reading the page…' : 'Reading the drawing…'}</p>
          )}
          {isRead && !problem && <ArtInks key={page} art={read.art} drawing={drawing} />}
        </div>
      </div>
    </Dialog>
  );
}
