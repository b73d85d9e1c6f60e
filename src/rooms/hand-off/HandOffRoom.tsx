import { type ReactNode, useMemo, useState } from 'react';
import { goingOf } from '../../../core/files/hand-off/going';
import { lettersAsPages } from '../../../core/files/hand-off/letters';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { pieceOf } from '../../../core/job/find';
import { asFace } from '../../../core/job/turned';
import { hasDie, heldFaces, showingMade } from '../../../core/scene/finishing';
import type { Inspected } from '../../../workers/inspect-work';
import { useBench, usePrinted } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';
import { useGate } from '../../bench/gate/use-gate';
import { PieceRoom } from '../../bench/PieceRoom';
import { FileChooser } from '../../parts/FileChooser';
import { useWriting } from '../../parts/use-writing';
import { CheckedPdf } from './CheckedPdf';
import { DrawingsForm } from './DrawingsForm';
import { ImagesForm } from './ImagesForm';
import { OrderForm } from './OrderForm';
import { firstAsked, type OfficeAsked } from './office/asked';
import { OfficeForm } from './office/OfficeForm';
import { OfficeSheets } from './office/OfficeSheets';
import { PackageForm } from './PackageForm';
import { PriceForm } from './PriceForm';
import { ProofForm } from './ProofForm';
import { Results } from './Results';
import { ReviewForm } from './ReviewForm';
import { type Done, ShopForm } from './ShopForm';
import { WhatGoes } from './WhatGoes';

const FORMS = [
  ['shop', 'Print shop', 'PDF/X'],
  ['proof', 'Client proof', 'to sign'],
  ['review', 'Client review', 'to comment'],
  ['pictures', 'Images', 'PNG, TIFF'],
  ['drawings', 'SVG', 'drawings'],
  ['package', 'Job package', 'job, ticket'],
  ['price', 'Price', 'by its price list'],
  ['order', 'Order', 'at the counter'],
  ['office', 'Office printer', 'try its settings'],
] as const;
type Form = (typeof FORMS)[number][0];

/** Where a job leaves the house: what goes, to whom, as what; and what came out, read back. */
export default function HandOffRoom() {
  return (
    <PieceRoom here="hand-off" columns="grid-cols-[270px_minmax(0,1fr)_348px]" waiting="Fetching what goes…">
      <HandOff />
    </PieceRoom>
  );
}

function HandOff() {
  const { job, sheet, shop, sources } = useBench();
  const [form, setForm] = useState<Form>('shop');
  const [chosen, setChosen] = useState<readonly Chosen[]>([{ piece: sheet.id }]);
  const [done, setDone] = useState<Done>();
  const { fonts } = sources;
  const going = useMemo(() => {
    // Only files for the shop have letters in them.
    const sent = form === 'shop' || form === 'package' ? chosen : chosen.map(({ letters: _letters, ...rest }) => rest);
    return goingOf(job, sent, fonts);
  }, [job, chosen, fonts, form]);
  const gate = useGate(going);
  const checking = useWriting();
  const [checked, setChecked] = useState<Inspected>();
  async function check(file: File, by = shop): Promise<void> {
    const found = await checking.run((room, tell) => room.inspectFile(file, file.name, by, tell));
    if (found) setChecked(found);
  }
  const tried = pieceOf(job, chosen[0]?.piece ?? '');
  const [office, setOffice] = useState<{ piece: string; asked: OfficeAsked }>();
  const officeAsked = tried && (office?.piece === tried.id ? office.asked : firstAsked(tried, sources));
  const forms: Readonly<Record<Form, ReactNode>> = {
    shop: <ShopForm chosen={chosen} gate={gate} onDone={setDone} />,
    proof: <ProofForm chosen={chosen} gate={gate} />,
    review: <ReviewForm chosen={chosen} gate={gate} />,
    pictures: <ImagesForm chosen={chosen} gate={gate} />,
    drawings: <DrawingsForm chosen={chosen} gate={gate} />,
    package: <PackageForm chosen={chosen} gate={gate} />,
    order: <OrderForm chosen={chosen} gate={gate} onPages={(file, by) => void check(file, by)} />,
    price: <PriceForm chosen={chosen} />,
    office: tried && officeAsked && (
      <OfficeForm piece={tried} asked={officeAsked} onChange={(asked) => setOffice({ piece: tried.id, asked })} />
    ),
  };
  return (
    <>
      <aside className="overflow-y-auto border-base-300 border-r bg-base-100 p-4" aria-label="What goes">
        <h2 className="heading mb-2">As</h2>
        <div className="mb-5 grid gap-1" role="tablist" aria-label="What is written">
          {FORMS.map(([id, says, what]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={form === id}
              aria-label={says}
              className={`btn btn-sm justify-between ${form === id ? 'btn-neutral' : 'btn-ghost'}`}
              onClick={() => {
                setForm(id);
                setDone(undefined);
                setChecked(undefined);
              }}
            >
              {says} <span className="font-normal text-[13px] opacity-75">{what}</span>
            </button>
          ))}
        </div>
        <h2 className="heading mb-2">Another file</h2>
        <div className="mb-5 grid gap-2">
          <FileChooser label="A PDF to check" accept="application/pdf,.pdf" onFile={(file) => void check(file)}>
            Check a PDF…
          </FileChooser>
          <p className="quiet text-[13px]">Any PDF, held against {shop.name}. It can be dropped on the table, too.</p>
          {checking.progress && (
            <p role="status" className="flex items-center gap-2 text-[14px]">
              <span className="grid min-w-0 flex-1 gap-1">
                <span className="truncate">{checking.progress.what}…</span>
                <progress
                  className="progress progress-primary"
                  value={checking.progress.done}
                  max={1}
                  aria-label="Reading the file"
                />
              </span>
              <button type="button" className="btn btn-xs" onClick={checking.stop}>
                Cancel
              </button>
            </p>
          )}
          {checking.problem && (
            <p role="alert" className="rounded border border-error p-2 text-[14px] text-error">
              {checking.problem}
            </p>
          )}
        </div>
        <h2 className="heading mb-2">What goes</h2>
        <WhatGoes
          job={job}
          chosen={chosen}
          onChange={(to) => {
            setChosen(to);
            setDone(undefined);
          }}
        />
      </aside>
      <main
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by the keyboard.
        tabIndex={0}
        className="overflow-y-auto bg-base-200 p-5"
        onDragOver={(event) => {
          if (event.dataTransfer.types.includes('Files')) event.preventDefault();
        }}
        onDrop={(event) => {
          const [file] = event.dataTransfer.files;
          if (!file) return;
          event.preventDefault();
          void check(file);
        }}
      >
        {checked ? (
          <CheckedPdf checked={checked} onBack={() => setChecked(undefined)} />
        ) : done ? (
          <Results job={job} {...done} onBack={() => setDone(undefined)} />
        ) : form === 'office' && tried && officeAsked ? (
          <OfficeSheets piece={tried} asked={officeAsked} />
        ) : (
          <ChosenFaces chosen={chosen} />
        )}
      </main>
      <aside className="flex min-h-0 flex-col border-base-300 border-l bg-base-100" aria-label="How it is written">
        {forms[form]}
      </aside>
    </>
  );
}

/** The faces that go, as they are. */
function ChosenFaces({ chosen }: { chosen: readonly Chosen[] }) {
  const { job, sources, press } = useBench();
  const { previews } = usePrinted();
  if (chosen.length === 0) return <p className="quiet">Tick a piece at the left.</p>;
  return (
    <div className="flex flex-wrap items-end justify-center gap-8 pt-6">
      {chosen.flatMap(({ piece: id, faces, letters }) => {
        const piece = pieceOf(job, id);
        if (!piece) return [];
        const written = letters?.length ? lettersAsPages(job, id, letters, sources.fonts)?.piece.faces : undefined;
        return [...heldFaces(piece, sources).filter((_, i) => !faces || faces.includes(i)), ...(written ?? [])].map(
          (face) => {
            const { width, height } = asFace(piece, face);
            return (
              <figure key={`${id} ${face.id}`} className="grid gap-1.5">
                <svg
                  role="img"
                  aria-label={`${piece.name}, ${face.name}`}
                  viewBox={`0 0 ${width} ${height}`}
                  className={hasDie(piece) ? 'drop-shadow-md' : 'bg-white shadow-md'}
                  style={{ width: `min(${Math.min(460, width * 1.5)}px, ${(42 * width) / height}vh)` }}
                >
                  <FaceArt
                    face={face}
                    sources={showingMade(sources, piece)}
                    press={press}
                    previews={previews}
                    held={piece}
                  />
                </svg>
                <figcaption className="quiet text-center text-[13px]">
                  {piece.name}, {face.name}
                </figcaption>
              </figure>
            );
          },
        );
      })}
    </div>
  );
}
