import { useMemo } from 'react';
import type { PieceAsked } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { beginPiece, startersOf } from '../../../core/starters';
import type { Kit } from '../../../workers/kit';
import { usePreviews } from '../../bench/use-previews';
import { BegunFaces } from './BegunFaces';
import { FromPieceTiles } from './FromPieceTiles';
import { KeptTiles } from './KeptTiles';
import { Sheet, Tile } from './Tile';

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
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, shop)), [job, shop]);
  const previews = usePreviews(begun[0]?.job, condition);
  const press = kit.press(condition);
  return (
    <fieldset className="min-w-0">
      <legend className="heading mb-1">Begin with</legend>
      <div className="flex gap-3 overflow-x-auto rounded bg-[var(--table)] p-3">
        <Tile name="Empty" says="Nothing on it yet." chosen={chosen === undefined} onChoose={() => onChoose(undefined)}>
          <Sheet width={width} height={height} />
        </Tile>
        {begun.map(({ starter, job: made }) => (
          <Tile
            key={starter.id}
            name={starter.name}
            says={starter.says}
            chosen={chosen === starter.id}
            onChoose={() => onChoose(starter.id)}
          >
            <BegunFaces job={made} kit={kit} press={press} previews={previews} />
          </Tile>
        ))}
        <FromPieceTiles job={job} kit={kit} asked={asked} chosen={chosen} onChoose={onChoose} />
        <KeptTiles job={job} kit={kit} asked={asked} chosen={chosen} onChoose={onChoose} />
      </div>
    </fieldset>
  );
}
