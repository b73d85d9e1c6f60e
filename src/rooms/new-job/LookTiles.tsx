import { memo, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Face, Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { LOOKS, type Look } from '../../../core/starters';
import { beginSet, usualShop } from '../../../core/starters/usual';
import { KINDS, type Kind } from '../../../core/trade/schema';
import type { Kit } from '../../../workers/kit';
import { FaceArt } from '../../bench/FaceArt';
import { usePreviews } from '../../bench/use-previews';

/** The eight looks, each drawn as the whole set with the client's details. */
export function LookTiles({
  job,
  kit,
  chosen,
  onChoose,
}: {
  job: Job;
  kit: Kit | undefined;
  chosen: string;
  onChoose(id: string): void;
}) {
  const sets = useSets(useDeferredValue(job), kit);
  return (
    <fieldset className="min-h-0 flex-1 overflow-y-auto bg-[var(--table)] p-4">
      <legend className="sr-only">Look</legend>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(405px,100%),1fr))] gap-3">
        {LOOKS.map((look) => (
          <label
            key={look.id}
            className="relative grid cursor-pointer content-start gap-2 rounded border-2 border-transparent p-2.5 text-[var(--table-text)] has-checked:border-[var(--table-text)] has-focus-visible:outline-2 has-focus-visible:outline-primary"
          >
            <input
              type="radio"
              name="look"
              className="sr-only"
              checked={look.id === chosen}
              onChange={() => onChoose(look.id)}
              aria-label={look.name}
            />
            {kit && sets.get(look.id) ? <SetArt job={sets.get(look.id)!} kit={kit} /> : <div className="h-[178px]" />}
            <span className="leading-4">
              <b className="font-semibold">{look.name}</b> <span className="text-[13px]">{look.says}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The job with a set begun in each look; a look a task, so that typing is not held up. */
function useSets(job: Job, kit: Kit | undefined): ReadonlyMap<string, Job> {
  const [sets, setSets] = useState<ReadonlyMap<string, Job>>(new Map());
  useEffect(() => {
    if (!kit) return;
    const left = [...LOOKS];
    let wait: ReturnType<typeof setTimeout>;
    const next = (): void => {
      const look = left.shift();
      if (!look) return;
      const made = setIn(job, look, kit);
      setSets((before) => new Map(before).set(look.id, made));
      wait = setTimeout(next);
    };
    wait = setTimeout(next);
    return () => clearTimeout(wait);
  }, [job, kit]);
  return sets;
}

function setIn(job: Job, look: Look, kit: Kit): Job {
  let n = 0;
  return beginSet(job, look, KINDS, () => `${look.id}-${++n}`, kit.fonts);
}

/** How wide each kind is shown, CSS pixels: small pieces larger than their share, so that all can be read. */
const WIDTH: Readonly<Record<Kind, number>> = { card: 112, letterhead: 92, envelope: 94, postcard: 94, flyer: 76 };

const SetArt = memo(function SetArt({ job, kit }: { job: Job; kit: Kit }) {
  const condition = useMemo(() => pressConditionOf(job, shopIn(job, usualShop(job))), [job]);
  const previews = usePreviews(job, condition);
  const press = kit.press(condition);
  const sources = sourcesOf(job, kit.fonts);
  const [card, letterhead, envelope, postcard, flyer] = KINDS.map(
    (kind) => job.pieces.find((piece) => piece.kind === kind)!,
  );
  const draw = (piece: Piece, nth = 0) => {
    const face = shownFaces(piece, sources)[nth];
    return (
      face && <Art key={face.id} {...{ piece, face }} art={<FaceArt face={face} {...{ sources, press, previews }} />} />
    );
  };
  return (
    <span className="flex items-start gap-2">
      <span className="grid gap-2">
        {draw(card!)}
        {draw(card!, 1)}
      </span>
      {draw(letterhead!)}
      <span className="grid gap-2">
        {draw(postcard!)}
        {draw(envelope!)}
      </span>
      {draw(flyer!)}
    </span>
  );
});

function Art({ piece, face, art }: { piece: Piece; face: Face; art: React.ReactNode }) {
  const { width, height } = asFace(piece, face);
  const shown = WIDTH[piece.kind];
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={shown}
      height={(shown * height) / width}
      className="shrink-0 bg-white shadow-md"
      aria-hidden="true"
    >
      {art}
    </svg>
  );
}
