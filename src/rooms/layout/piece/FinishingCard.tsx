import Trash from 'lucide-react/icons/trash-2';
import { nanoid } from 'nanoid';
import { DIE_SHAPES, type DieShape, dieShape } from '../../../../core/job/edits/die-shapes';
import { addElement } from '../../../../core/job/edits/elements';
import { addFinish, changeFinish, coverSide, newFinish, removeFinish } from '../../../../core/job/edits/finishing';
import { type Finish, factsOf, finishPlate } from '../../../../core/job/finishing';
import type { Job } from '../../../../core/job/schema';
import {
  FINISH_KINDS,
  FINISHES,
  type FinishKind,
  FOIL_TONES,
  FOILS,
  type FoilTone,
  SHEENS,
  type Sheen,
} from '../../../../core/trade/finishes';
import { useBench } from '../../../bench/bench';
import { openPanel } from '../../../bench/room';
import { Choice } from '../../../parts/Choice';
import { Tick } from '../../../parts/Tick';
import { Typed } from '../../../parts/Typed';
import { act, select } from '../../../store/session';

const KINDS = FINISH_KINDS.map((kind) => [kind, FINISHES[kind].name] as const);

/** What is done to the piece besides printing: foil, varnish, embossing, die lines and other lines that tools follow. */
export function FinishingCard() {
  const { piece, sheet } = useBench();
  const finishing = piece.finishing ?? [];
  const add = (kind: FinishKind): void =>
    act(`Add ${FINISHES[kind].name.toLowerCase()}`, (job) => addFinish(job, piece.id, newFinish(job, sheet, kind)));
  return (
    <section aria-label="Finishing" className="grid gap-1.5 text-base-content">
      <h2 className="heading">Finishing</h2>
      {finishing.length > 0 && (
        <ul className="grid gap-2">
          {finishing.map((finish) => (
            <FinishRow key={finish.id} finish={finish} />
          ))}
        </ul>
      )}
      <Choice
        label="Add a finish"
        value=""
        options={[['', 'Add a finish…'], ...KINDS]}
        onChange={(kind: FinishKind | '') => kind !== '' && add(kind)}
      />
      {finishing.length > 0 && (
        <button type="button" className="btn btn-sm justify-self-start" onClick={() => openPanel('light')}>
          See it in the light
        </button>
      )}
    </section>
  );
}

function FinishRow({ finish }: { finish: Finish }) {
  const { piece, sheet, face, job } = useBench();
  const facts = factsOf(finish);
  const plate = finishPlate(finish);
  const count = sheet.faces.reduce(
    (sum, { elements }) => sum + elements.filter((e) => e.finish === finish.id).length,
    0,
  );
  const change = (to: Parameters<typeof changeFinish>[3]) =>
    act('Finish', (j) => changeFinish(j, piece.id, finish.id, to));
  const isTaken = (name: string): boolean =>
    (sheet.finishing ?? []).some((each) => each.id !== finish.id && finishPlate(each) === name) ||
    job.inks.some((ink) => ink.kind === 'spot' && ink.name === name);
  function placeDie(shape: DieShape): void {
    const id = nanoid(10);
    act(DIE_SHAPES[shape].name, (j: Job) => addElement(j, face.id, dieShape(shape, piece, id, finish.id)));
    select(id);
  }
  return (
    <li className="grid gap-1.5 rounded border border-base-300 bg-base-100 p-1.5">
      <div className="flex items-center gap-1">
        <Typed
          className="input input-sm min-w-0 flex-1 text-[14px]"
          aria-label={`Name of the plate ${plate}`}
          said={plate}
          maxLength={80}
          onTake={(typed) => {
            const to = typed.trim();
            if (to !== '' && !isTaken(to)) change({ name: to === facts.name ? undefined : to });
          }}
        />
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label={`Remove ${plate}`}
          title={count > 0 ? `Remove ${plate} and the ${count} on it` : `Remove ${plate}`}
          onClick={() => act(`Remove ${plate}`, (j) => removeFinish(j, piece.id, finish.id))}
        >
          <Trash size={14} />
        </button>
      </div>
      {finish.kind === 'foil' && (
        <Choice
          label={`Colour of ${plate}`}
          value={finish.tone ?? 'gold'}
          options={FOIL_TONES.map((tone) => [tone, FOILS[tone].name] as const)}
          onChange={(tone: FoilTone) => change({ tone })}
        />
      )}
      {finish.kind === 'varnish' && (
        <Choice
          label={`Sheen of ${plate}`}
          value={finish.sheen ?? 'gloss'}
          options={Object.entries(SHEENS) as [Sheen, string][]}
          onChange={(sheen) => change({ sheen })}
        />
      )}
      {facts.mayBeWhole && (
        <Tick
          checked={finish.whole?.includes(face.id) ?? false}
          onChange={(is) => act('Cover the side', (j) => coverSide(j, piece.id, finish.id, face.id, is))}
        >
          Whole of {face.name.toLowerCase()}
        </Tick>
      )}
      {finish.kind === 'die line' && (
        <Choice
          label={`Shape of ${plate}`}
          value=""
          options={[
            ['', count > 0 ? 'Another shape…' : 'Choose a shape…'],
            ...(Object.keys(DIE_SHAPES) as DieShape[]).map((shape) => [shape, DIE_SHAPES[shape].name] as const),
          ]}
          onChange={(shape: DieShape | '') => shape !== '' && placeDie(shape)}
        />
      )}
      <p className="quiet text-[13px] leading-snug">
        {count > 0 || finish.whole?.length
          ? facts.says
          : `${facts.says} Select something on the piece, then choose ${plate} under “Prints as”.`}
      </p>
    </li>
  );
}
