import type { Writing } from '../../parts/use-writing';
import { WriteRow } from '../../parts/WriteRow';
import { GateStops } from './GateStops';
import type { Gate } from './use-gate';

/** What stops an export, and the button that writes once nothing does. */
export function ExportRow({
  gate,
  writing,
  says,
  disabled = false,
  onWrite,
}: {
  gate: Gate;
  writing: Writing;
  says: string;
  disabled?: boolean;
  onWrite(): void;
}) {
  return (
    <>
      <GateStops gate={gate} />
      <WriteRow writing={writing} says={says} disabled={disabled || !gate.open} onWrite={onWrite} />
    </>
  );
}
