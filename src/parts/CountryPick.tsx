import { COUNTRIES } from '../../core/trade/countries';
import { Pick } from './Pick';

const OPTIONS = COUNTRIES.map(({ code, name }) => [code, name] as const);

/** Where the client is, by its code; a job may not say. */
export function CountryPick({ value, onChange }: { value: string | undefined; onChange(code: string): void }) {
  return (
    <Pick
      label="Client’s country"
      value={value ?? ''}
      options={value ? OPTIONS : [['', 'Not set'], ...OPTIONS]}
      onChange={onChange}
    />
  );
}
