import { useMemo } from 'react';
import type { PieceAsked } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { beginPiece, type Starter, startersOf } from '../../../core/starters';
import { shopOf } from '../../../core/trade/shops';
import type { Kit } from '../../../workers/kit';
import { FaceArt } from '../../parts/FaceArt';
import { usePreviews } from '../../parts/use-previews';

/** The side that a tile's faces fit in, in CSS pixels. */
const SIDE = 128;

/** Ids of what is only looked at. */
const looking = () => {
  let n = 0;
  return () => `look-${++n}`;
};

/** Beginnings for a piece, each drawn at the size and in the house it is asked for. */
export function Gallery({
  job,
  kit,
  asked,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit;
  asked: PieceAsked;
  chosen: string | undefined;
  onChoose(id: string | undefined): void;
}) {
  const { kind, width, height, unit, shop, faces } = asked;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked is told whole by its parts; a name changes no drawing
  const begun = useMemo(
    () =>
      startersOf(kind).map((starter) => ({
        starter,
        job: beginPiece({ ...job, pieces: [] }, { ...asked, id: 'look' }, starter, looking(), kit.fonts),
      })),
    [job, kit, kind, width, height, unit, shop, faces],
  );
  const condition = useMemo(() => pressConditionOf(job, shopOf(shop)), [job, shop]);
  const previews = usePreviews(begun[0]?.job, condition);
  const press = kit.press(condition);
  return (
    <fieldset className="min-w-0">
      <legend className="heading mb-1">Begin with</legend>
      <div className="flex gap-3 overflow-x-auto rounded bg-[var(--table)] p-3">
        <Tile name="Empty" says="Nothing on it yet." chosen={chosen === undefined} onChoose={() => onChoose(undefined)}>
          <Sheet width={width} height={height} />
        </Tile>
        {begun.map(({ starter, job: made }) => {
          const piece = made.pieces[0]!;
          const sources = sourcesOf(made, kit.fonts);
          return (
            <Tile
              key={starter.id}
              name={starter.name}
              says={starter.says}
              chosen={chosen === starter.id}
              onChoose={() => onChoose(starter.id)}
            >
              {shownFaces(piece, sources)
                .slice(0, 2)
                .map((face) => (
                  <Sheet key={face.id} {...sidesOf(asFace(piece, face))}>
                    <FaceArt face={face} sources={sources} press={press} previews={previews} />
                  </Sheet>
                ))}
            </Tile>
          );
        })}
      </div>
    </fieldset>
  );
}

const sidesOf = ({ width, height }: { width: number; height: number }) => ({ width, height });

function Sheet({ width, height, children }: { width: number; height: number; children?: React.ReactNode }) {
  const scale = SIDE / Math.max(width, height);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width * scale}
      height={height * scale}
      className="shrink-0 bg-white shadow-md"
      aria-hidden="true"
    >
      {children}
    </svg>
  );
}

function Tile({
  name,
  says,
  chosen,
  onChoose,
  children,
}: Pick<Starter, 'name' | 'says'> & { chosen: boolean; onChoose(): void; children: React.ReactNode }) {
  return (
    <label className="grid shrink-0 cursor-pointer content-end gap-1.5 rounded border-2 border-transparent p-2 text-[var(--table-text)] has-checked:border-[var(--table-text)] has-focus-visible:outline-2 has-focus-visible:outline-primary">
      <input type="radio" name="starter" className="sr-only" checked={chosen} onChange={onChoose} aria-label={name} />
      <span className="flex items-end gap-1.5">{children}</span>
      <span className="font-semibold leading-4">{name}</span>
      <span className="w-0 min-w-full text-[13px] leading-4">{says}</span>
    </label>
  );
}
