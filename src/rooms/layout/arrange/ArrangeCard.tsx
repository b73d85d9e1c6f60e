import AlignCentreY from 'lucide-react/icons/align-center-horizontal';
import AlignCentreX from 'lucide-react/icons/align-center-vertical';
import AlignBottom from 'lucide-react/icons/align-end-horizontal';
import AlignRight from 'lucide-react/icons/align-end-vertical';
import SpaceX from 'lucide-react/icons/align-horizontal-space-between';
import AlignTop from 'lucide-react/icons/align-start-horizontal';
import AlignLeft from 'lucide-react/icons/align-start-vertical';
import SpaceY from 'lucide-react/icons/align-vertical-space-between';
import { useState } from 'react';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { alignSelection, sameSize, spaceSelection, TOS, type To, useArranging } from './arranging';

const ALIGN = [
  ['left', 'Align left', AlignLeft],
  ['centre', 'Align centres', AlignCentreX],
  ['right', 'Align right', AlignRight],
  ['top', 'Align top', AlignTop],
  ['middle', 'Align middles', AlignCentreY],
  ['bottom', 'Align bottom', AlignBottom],
] as const;

/** Aligning, spacing and sizing what is selected. */
export function ArrangeCard() {
  const bench = useBench();
  const { to } = useArranging();
  const several = bench.selection.length > 1;
  const tos = several ? TOS : TOS.slice(2);
  return (
    <section aria-label="Arrange">
      <h2 className="heading mb-1.5">Align to</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="Align to"
        value={tos.includes(to) ? to : tos[0]}
        onChange={(event) => useArranging.setState({ to: event.target.value as To })}
      >
        {tos.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
      <div className="join mt-1.5 grid grid-cols-6">
        {ALIGN.map(([edge, name, Icon]) => (
          <button
            key={edge}
            type="button"
            className="btn btn-sm join-item px-0"
            aria-label={name}
            title={name}
            onClick={() => alignSelection(bench, edge)}
          >
            <Icon size={16} />
          </button>
        ))}
      </div>
      {several && <Gaps />}
      {several && (
        <div className="mt-1.5 grid grid-cols-2 gap-1.5">
          <button type="button" className="btn btn-sm" onClick={() => sameSize(bench, 'width')}>
            Same width
          </button>
          <button type="button" className="btn btn-sm" onClick={() => sameSize(bench, 'height')}>
            Same height
          </button>
        </div>
      )}
    </section>
  );
}

/** Equal gaps between the outermost two, or exact gaps from the first. */
function Gaps() {
  const bench = useBench();
  const { unit, echo } = bench;
  const [gap, setGap] = useState<number>();
  const exact = gap !== undefined;
  return (
    <div className="mt-1.5 grid grid-cols-[1fr_auto_auto] gap-1.5">
      <LengthField
        label="Gap"
        hint="Leave it, and the outermost two stay; type one, and it is exact"
        unit={unit}
        echo={echo}
        value={gap ?? 0}
        onChange={setGap}
      />
      {(
        [
          ['x', 'across', SpaceX],
          ['y', 'down', SpaceY],
        ] as const
      ).map(([axis, way, Icon]) => (
        <button
          key={axis}
          type="button"
          className="btn btn-square h-full"
          disabled={!exact && bench.selection.length < 3}
          aria-label={exact ? `Exact gaps ${way}` : `Equal gaps ${way}`}
          title={exact ? `Exact gaps ${way}` : `Equal gaps ${way}`}
          onClick={() => spaceSelection(bench, axis, gap)}
        >
          <Icon size={17} />
        </button>
      ))}
    </div>
  );
}
