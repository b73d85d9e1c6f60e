import { useState } from 'react';
import type { Run } from '../../../core/job/by-row';
import { setParagraphShown } from '../../../core/job/edits/letters';
import { setRun } from '../../../core/job/edits/runs';
import type { Table } from '../../../core/job/table';
import { columnInLetter } from '../../../core/run/letter-row';
import { useBench } from '../../bench/bench';
import { Pick } from '../../parts/Pick';
import { act } from '../../store/session';
import { ConditionForm } from './ConditionForm';

/** Which of the letterhead's letters is written to each row, and the paragraphs that only some rows get. */
export function LetterOfRun({ table, run }: { table: Table; run: Run }) {
  const { sheet: piece } = useBench();
  const [open, setOpen] = useState<number>();
  const letters = piece.letters ?? [];
  if (piece.kind !== 'letterhead') return null;
  const letter = letters.find(({ id }) => id === run.letter);
  const paragraphs = (letter?.body ?? '')
    .split('\n')
    .flatMap((text, line) => (text.trim() === '' ? [] : [{ text, line }]));
  return (
    <section aria-label="Letter" className="mb-5 grid grid-cols-[minmax(0,1fr)] gap-1.5">
      <h2 className="heading">Letter</h2>
      {letters.length === 0 ? (
        <p className="text-[14px]">Write a letter in Layout to have it written to every row.</p>
      ) : (
        <Pick
          label="Written to each row"
          value={letter?.id ?? ''}
          options={[['', 'None: the sheet by itself'], ...letters.map(({ id, name }) => [id, name] as const)]}
          onChange={(id) =>
            act('Letter of the run', (now) => setRun(now, piece.id, { letter: id === '' ? undefined : id }))
          }
        />
      )}
      {letter && (
        <p className="quiet text-[13px]">
          In its words, {columnInLetter(table.columns[0]!.key)} stands for {table.columns[0]!.name}. Change the words in
          Layout.
        </p>
      )}
      {letter &&
        paragraphs.map(({ text, line }) => {
          const when = letter.shown?.find((each) => each.line === line)?.when;
          const isOpen = open === line;
          return (
            <div key={line} className="rounded border border-base-300">
              <button
                type="button"
                className="w-full px-2 py-1 text-left text-[14px]"
                aria-expanded={isOpen}
                onClick={() => setOpen(isOpen ? undefined : line)}
              >
                <span className="block truncate">{text}</span>
                <span className="quiet block text-[12.5px]">{when ? 'Only for some rows' : 'Every row'}</span>
              </button>
              {isOpen && (
                <div className="border-base-300 border-t p-2">
                  <ConditionForm
                    of={text.slice(0, 30)}
                    table={table}
                    condition={when}
                    onChange={(next) =>
                      act('Paragraph by row', (now) => setParagraphShown(now, piece.id, letter.id, line, next))
                    }
                  />
                </div>
              )}
            </div>
          );
        })}
    </section>
  );
}
