import type { ShopSpec } from '../../../core/trade/schema';
import { echoUnit, roundIn } from '../../../core/units/length';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';
import { Typed } from '../../parts/Typed';
import { type Field, valueAt, withValue } from './fields';

const RANGES = {
  percent: { least: 0, most: 400, times: 100, says: '%' },
  ppi: { least: 1, most: 5000, times: 1, says: 'ppi' },
  degrees: { least: 0, most: 5, times: 1, says: '°' },
  count: { least: 0, most: 12, times: 1, says: '' },
} as const;

/** One thing that a shop asks for. */
export function SpecField({
  shop,
  field,
  fixed,
  onChange,
}: {
  shop: ShopSpec;
  field: Field;
  fixed: boolean;
  onChange(to: ShopSpec): void;
}) {
  const { label, path } = field;
  const value = valueAt(shop, path);
  const put = (to: string | number): void => onChange(withValue(shop, path, to));
  if (field.as === 'choice')
    return <Pick label={label} value={String(value)} options={field.options} disabled={fixed} onChange={put} />;
  if (field.as === 'text' || field.as === 'long text')
    return (
      <label className="grid gap-0.5">
        <span className="quiet text-[13px]">{label}</span>
        <Typed
          className="input input-sm w-full text-[14px]"
          said={String(value)}
          disabled={fixed}
          maxLength={120}
          onTake={(typed) => typed.trim() !== '' && put(typed.trim())}
        />
      </label>
    );
  if (field.as === 'length' || field.as === 'points') {
    const unit = field.as === 'points' ? 'pt' : shop.unit;
    return (
      <LengthField
        label={label}
        unit={unit}
        echo={field.as === 'points' ? 'mm' : echoUnit(shop.unit)}
        value={Number(value)}
        disabled={fixed}
        least={0}
        most={unit === 'pt' ? 1000 : roundIn(unit, 350, 13)}
        onChange={put}
      />
    );
  }
  const { least, most, times, says } = RANGES[field.as];
  return (
    <NumberField
      label={says ? `${label}, ${says}` : label}
      value={Math.round(Number(value ?? 4) * times * 100) / 100}
      least={least}
      most={most}
      disabled={fixed}
      onChange={(to) => put(to / times)}
    />
  );
}
