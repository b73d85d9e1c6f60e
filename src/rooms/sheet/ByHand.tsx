import Plus from 'lucide-react/icons/plus';
import Trash from 'lucide-react/icons/trash-2';
import type { ReactNode } from 'react';
import { setSheet } from '../../../core/job/edits/pieces';
import type { SheetBlock, SheetByHand, SheetMade } from '../../../core/job/sheet';
import { itemsOf } from '../../../core/sheet/plan';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';

const MOST = 100;

type LengthOf = (
  label: string,
  value: number,
  onChange: (points: number) => void,
  least?: number,
  most?: number,
) => ReactNode;

/** A layout that is put together by hand: blocks of rows and columns, each where it is put. */
export function ByHand({ made, hand, length }: { made: SheetMade; hand: SheetByHand; length: LengthOf }) {
  const { job, sheet: piece } = useBench();
  const items = itemsOf(job, piece, made);
  const put = (forms: SheetByHand['forms']): void =>
    act('Edit layout', (now) => setSheet(now, piece.id, { ...made, hand: { forms } }));
  const putForm = (at: number, form: SheetByHand['forms'][number]): void =>
    put(hand.forms.map((each, i) => (i === at ? form : each)));
  function leave(): void {
    const { hand: _left, ...rest } = made;
    act('Choose layout', (now) => setSheet(now, piece.id, rest));
  }
  return (
    <section className="grid gap-3" aria-label="Layout by hand">
      <h2 className="heading">Layout by hand</h2>
      {hand.forms.map((form, at) => {
        const blocks = (to: SheetBlock[]): void => putForm(at, { ...form, blocks: to });
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a form is known by its number
          <div key={at} className="grid gap-3">
            {hand.forms.length > 1 && (
              <NumberField
                label={`Sheets of form ${at + 1}`}
                value={form.run ?? 1}
                least={1}
                most={10_000_000}
                onChange={(run) => putForm(at, { ...form, run: Math.round(run) })}
              />
            )}
            {form.blocks.map((block, i) => (
              <BlockFields
                // biome-ignore lint/suspicious/noArrayIndexKey: a block is known by its number
                key={i}
                says={`Block ${i + 1}`}
                block={block}
                names={items.map((item) => item.piece.name)}
                length={length}
                onChange={(to) => blocks(form.blocks.map((each, n) => (n === i ? to : each)))}
                {...(form.blocks.length > 1 ? { onRemove: () => blocks(form.blocks.filter((_, n) => n !== i)) } : {})}
              />
            ))}
            <button
              type="button"
              className="btn btn-sm justify-self-start"
              onClick={() => blocks([...form.blocks, { ...form.blocks.at(-1)!, rows: 1, columns: 1 }])}
            >
              <Plus size={16} /> Another block
            </button>
          </div>
        );
      })}
      <button type="button" className="btn btn-sm justify-self-start" onClick={leave}>
        Reset layout
      </button>
    </section>
  );
}

function BlockFields(props: {
  says: string;
  block: SheetBlock;
  names: readonly string[];
  length: LengthOf;
  onChange(block: SheetBlock): void;
  onRemove?(): void;
}) {
  const { says, block, names, length, onRemove } = props;
  const change = (part: Partial<SheetBlock>): void => props.onChange({ ...block, ...part });
  return (
    <fieldset aria-label={says} className="grid gap-2 rounded border border-base-300 p-2">
      <div className="flex items-center justify-between">
        <b className="text-[14px] font-semibold">{says}</b>
        {onRemove && (
          <button type="button" className="btn btn-ghost btn-xs" aria-label={`Remove ${says}`} onClick={onRemove}>
            <Trash size={16} />
          </button>
        )}
      </div>
      {names.length > 1 && (
        <Choice
          label="Piece"
          value={`${block.item}`}
          options={names.map((name, i) => [`${i}`, name] as const)}
          onChange={(item) => change({ item: Number(item) })}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Columns"
          value={block.columns}
          least={1}
          most={MOST}
          onChange={(columns) => change({ columns: Math.round(columns) })}
        />
        <NumberField
          label="Rows"
          value={block.rows}
          least={1}
          most={MOST}
          onChange={(rows) => change({ rows: Math.round(rows) })}
        />
        {length('Left', block.x, (x) => change({ x }), -8000, 8000)}
        {length('Head', block.y, (y) => change({ y }), -8000, 8000)}
      </div>
      <Tick checked={block.turned} onChange={(turned) => change({ turned })}>
        Turned
      </Tick>
    </fieldset>
  );
}
