import { SIDE_LIMITS } from '../../../core/job/schema';
import { echoUnit, type PieceUnit } from '../../../core/units/length';
import { LengthField } from '../../parts/LengthField';
import { Choice } from './Choice';

interface Size {
  width: number;
  height: number;
  unit: PieceUnit;
}

/** The finished size by numbers, and the unit the piece is measured in. */
export function OwnSize({ size, onChange }: { size: Size; onChange(size: Size): void }) {
  const echo = echoUnit(size.unit);
  return (
    <div>
      <span className="heading mb-1 block">Finished size</span>
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          label="Width"
          value={size.width}
          unit={size.unit}
          echo={echo}
          least={SIDE_LIMITS.least}
          most={SIDE_LIMITS.most}
          onChange={(width) => onChange({ ...size, width })}
        />
        <LengthField
          label="Height"
          value={size.height}
          unit={size.unit}
          echo={echo}
          least={SIDE_LIMITS.least}
          most={SIDE_LIMITS.most}
          onChange={(height) => onChange({ ...size, height })}
        />
      </div>
      <p className="quiet mt-1 mb-3 text-[13px]">Type any length: 3 1/2, 88.9 mm, 1/8 in + 2 mm</p>
      <Choice
        label="Measured in"
        value={size.unit}
        options={[
          ['mm', 'Millimetres'],
          ['in', 'Inches'],
        ]}
        onChange={(unit) => onChange({ ...size, unit })}
      />
    </div>
  );
}
