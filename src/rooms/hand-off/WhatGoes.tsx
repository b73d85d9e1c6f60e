import { useMemo } from 'react';
import type { Chosen, ChosenLetter } from '../../../core/files/hand-off/plan';
import type { LetterText } from '../../../core/job/letters';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { letterPages } from '../../../core/scene/letter-pages';
import { formatSize } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Tick } from '../../parts/Tick';

/** Which pieces go, and of one with several faces which of those. */
export function WhatGoes({
  job,
  chosen,
  onChange,
}: {
  job: Job;
  chosen: readonly Chosen[];
  onChange(chosen: readonly Chosen[]): void;
}) {
  const put = (piece: string, faces: Chosen['faces'] | 'out', letters?: Chosen['letters']): void => {
    const others = new Map(chosen.map((each) => [each.piece, each] as const));
    if (faces === 'out') others.delete(piece);
    else others.set(piece, { piece, faces, letters });
    onChange(job.pieces.flatMap(({ id }) => others.get(id) ?? []));
  };
  return (
    <ul className="grid gap-2.5">
      {job.pieces.map((piece) => {
        const found = chosen.find((each) => each.piece === piece.id);
        const faces = found?.faces ?? piece.faces.map((_, i) => i);
        const letters = found?.letters ?? [];
        return (
          <li key={piece.id}>
            <Tick checked={found !== undefined} onChange={(on) => put(piece.id, on ? undefined : 'out')}>
              {piece.name}
            </Tick>
            <p className="quiet ml-7 text-[13px]">
              {formatSize(piece.width, piece.height, piece.unit)}, {shopIn(job, piece.shop).name}
            </p>
            {found && (piece.faces.length > 1 || (piece.letters?.length ?? 0) > 0) && (
              <div className="mt-1 ml-7 flex flex-wrap gap-x-4 gap-y-1">
                {piece.faces.map((face, i) => (
                  <Tick
                    key={face.id}
                    checked={faces.includes(i)}
                    onChange={(on) => {
                      const left = on ? [...faces, i].sort((a, b) => a - b) : faces.filter((n) => n !== i);
                      const none = left.length === 0 && letters.length === 0;
                      put(piece.id, none ? 'out' : left.length === piece.faces.length ? undefined : left, letters);
                    }}
                  >
                    {face.name}
                  </Tick>
                ))}
                {piece.letters?.map((letter) => (
                  <LetterTicks
                    key={letter.id}
                    piece={piece}
                    letter={letter}
                    chosen={letters.find(({ id }) => id === letter.id)}
                    onChange={(to) => {
                      const others = letters.filter(({ id }) => id !== letter.id);
                      put(piece.id, found.faces, to ? [...others, to] : others);
                    }}
                  />
                ))}
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** Whether a letter goes, and of one with several pages which of those. */
function LetterTicks({
  piece,
  letter,
  chosen,
  onChange,
}: {
  piece: Piece;
  letter: LetterText;
  chosen: ChosenLetter | undefined;
  onChange(chosen: ChosenLetter | undefined): void;
}) {
  const { job, sources } = useBench();
  const pages = useMemo(
    () => (chosen ? letterPages(piece, letter, job, sources, true).map((_, n) => n) : []),
    [chosen, piece, letter, job, sources],
  );
  const going = chosen?.pages ?? pages;
  const { id } = letter;
  return (
    <>
      <Tick checked={chosen !== undefined} onChange={(on) => onChange(on ? { id } : undefined)}>
        Letter: {letter.name}
      </Tick>
      {pages.length > 1 && (
        <div className="ml-7 flex basis-full flex-wrap gap-x-4 gap-y-1">
          {pages.map((n) => (
            <Tick
              key={n}
              checked={going.includes(n)}
              onChange={(on) => {
                const left = pages.filter((each) => (each === n ? on : going.includes(each)));
                onChange(left.length === 0 ? undefined : left.length === pages.length ? { id } : { id, pages: left });
              }}
            >
              {`Page ${n + 1}`}
            </Tick>
          ))}
        </div>
      )}
    </>
  );
}
