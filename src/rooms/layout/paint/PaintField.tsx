import * as Popover from '@radix-ui/react-popover';
import { hexOf } from '../../../../core/colour/engine';
import { platesOf, processStandIn } from '../../../../core/colour/ink';
import { ALL_PLATES_ALLOWED, offeredInks } from '../../../../core/colour/printed-with';
import { inkOf } from '../../../../core/job/find';
import type { Paint } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { PaintChips } from '../../../bench/palette/PaintChips';
import { NumberField } from '../../../parts/NumberField';

/** An ink and its tint in one line, the swatch opening all to choose from by eye; `name` says of what. */
export function PaintField({ name, paint, onChange }: { name: string; paint: Paint; onChange(paint: Paint): void }) {
  const { job, press, piece } = useBench();
  const colour = hexOf(press.screen(processStandIn(platesOf(inkOf(job.inks, paint.ink), paint.tint), job.inks)));
  return (
    <div className="grid grid-cols-[24px_1fr_4.6rem] items-center gap-1.5">
      <Popover.Root>
        <Popover.Trigger
          className="block h-7 cursor-pointer rounded-xs border border-black/25"
          style={{ background: colour }}
          aria-label={`${name}: choose by eye`}
          title="Choose by eye"
        />
        <Popover.Portal>
          <Popover.Content
            side="left"
            sideOffset={8}
            collisionPadding={8}
            aria-label={`${name}: inks and tints`}
            data-panel
            className="z-30 w-60 rounded border border-base-300 bg-base-100 p-2 text-[14px] shadow-lg"
          >
            <PaintChips paint={paint} onChange={(to) => onChange({ ...paint, ...to })} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <select
        className="select select-sm w-full min-w-0 bg-none px-2 text-[13.5px]"
        aria-label={`${name}: ink`}
        value={paint.ink}
        onChange={(event) => onChange({ ...paint, ink: event.target.value })}
      >
        {offeredInks(piece.printedWith ?? ALL_PLATES_ALLOWED, job.inks, paint.ink).map((ink) => (
          <option key={ink.id} value={ink.id}>
            {ink.name}
          </option>
        ))}
      </select>
      <NumberField
        label="%"
        name={`${name}: tint in percent`}
        value={Math.round(paint.tint * 1000) / 10}
        least={0}
        most={100}
        onChange={(tint) => onChange({ ...paint, tint: tint / 100 })}
      />
    </div>
  );
}
