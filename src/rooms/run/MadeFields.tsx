import type { ReactNode } from 'react';
import { SYMBOLOGIES } from '../../../core/codes/symbologies';
import {
  ADDRESS_PARTS,
  ALPHABETS,
  CASES,
  CHECK_DIGITS,
  CONTACT_PARTS,
  DATE_FORMS,
  type Made,
  type MadeKind,
  POST_CODES,
} from '../../../core/job/table';
import { ADDRESS_FORMS } from '../../../core/trade/address-forms';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';
import { Tick } from '../../parts/Tick';

/** The fields of each kind of made column. */

export type Options = readonly (readonly [string, string])[];
type Of<K extends MadeKind> = Extract<Made, { kind: K }>;
interface FieldsProps<K extends MadeKind> {
  made: Of<K>;
  columns: Options;
  onChange(made: Of<K>): void;
}

const named = (list: readonly string[]): Options =>
  list.map((each) => [each, `${each[0]!.toUpperCase()}${each.slice(1)}`]);
const Pair = ({ children }: { children: ReactNode }) => <div className="grid grid-cols-2 gap-3">{children}</div>;

function TextIn({ label, value, onChange }: { label: string; value: string; onChange(value: string): void }) {
  return (
    <label className="grid gap-0.5">
      <span className="quiet text-[13px]">{label}</span>
      <input
        className="input input-sm w-full"
        value={value}
        maxLength={40}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

/** Which column it is made of, and in which form. */
function OfColumn<M extends Extract<Made, { of: string }>>({
  made,
  columns,
  onChange,
  children,
}: {
  made: M;
  columns: Options;
  onChange(made: M): void;
  children?: ReactNode;
}) {
  return (
    <Pair>
      <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />
      {children}
    </Pair>
  );
}

/** Parts with one of them fed by another column, or by none. */
function fed<P extends string>(parts: Partial<Record<P, string>>, part: P, key: string): Partial<Record<P, string>> {
  const { [part]: _old, ...rest } = parts;
  return (key === '' ? rest : { ...rest, [part]: key }) as Partial<Record<P, string>>;
}

/** The parts of an address or a contact card, each fed by a column. */
function Parts<P extends string>({
  names,
  parts,
  columns,
  onChange,
  children,
}: {
  names: Record<P, string>;
  parts: Partial<Record<P, string>>;
  columns: Options;
  onChange(parts: Partial<Record<P, string>>): void;
  children?: ReactNode;
}) {
  return (
    <div className="grid grid-cols-3 gap-3">
      {(Object.entries(names) as [P, string][]).map(([part, label]) => (
        <Pick
          key={part}
          label={label}
          value={parts[part] ?? ''}
          options={[['', 'None'], ...columns]}
          onChange={(key) => onChange(fed(parts, part, key))}
        />
      ))}
      {children}
    </div>
  );
}

function Joined({ made, columns, onChange }: FieldsProps<'joined'>) {
  const add = (key: string): void => onChange({ ...made, says: `${made.says}${made.says === '' ? '' : ' '}{${key}}` });
  return (
    <div className="grid gap-1">
      <label className="grid gap-0.5">
        <span className="quiet text-[13px]">Text, with columns in braces</span>
        <input
          className="input input-sm w-full"
          value={made.says}
          maxLength={2000}
          onChange={(event) => onChange({ ...made, says: event.target.value })}
        />
      </label>
      <div className="flex flex-wrap gap-1">
        {columns.map(([key, says]) => (
          <button key={key} type="button" className="btn btn-xs" onClick={() => add(key)}>
            {says}
          </button>
        ))}
      </div>
    </div>
  );
}

export function CountFields({ made, onChange }: Omit<FieldsProps<'count'>, 'columns'>) {
  return (
    <Pair>
      <TextIn label="Prefix" value={made.before} onChange={(before) => onChange({ ...made, before })} />
      <NumberField
        label="Figures"
        value={made.digits}
        least={1}
        most={20}
        onChange={(digits) => onChange({ ...made, digits })}
      />
      <NumberField
        label="From"
        value={made.first}
        least={0}
        most={999_999_999_999}
        onChange={(first) => onChange({ ...made, first })}
      />
      <NumberField
        label="Step"
        value={made.step}
        least={-1_000_000}
        most={1_000_000}
        onChange={(step) => onChange({ ...made, step })}
      />
      <Check value={made.check} onChange={(check) => onChange({ ...made, check })} />
    </Pair>
  );
}

function PostFields({ made, columns, onChange }: FieldsProps<'post'>) {
  const { street, ...rest } = made;
  const figures = (text: string, most: number): string => text.replace(/\D/g, '').slice(0, most);
  return (
    <Pair>
      <Pick
        label="Code"
        value={made.code}
        options={POST_CODES.map((code) => [code, SYMBOLOGIES[code].name])}
        onChange={(code) => onChange({ ...made, code: code as typeof made.code })}
      />
      <Pick
        label="Postcode"
        value={made.postcode}
        options={columns}
        onChange={(postcode) => onChange({ ...made, postcode })}
      />
      {made.code === 'kix' && (
        <Pick
          label="Street and house number"
          value={street ?? ''}
          options={[['', 'None'], ...columns]}
          onChange={(key) => onChange(key === '' ? rest : { ...rest, street: key })}
        />
      )}
      {made.code === 'imb' && (
        <>
          <TextIn
            label="Service, 3 figures"
            value={made.service}
            onChange={(text) => onChange({ ...made, service: figures(text, 3) })}
          />
          <TextIn
            label="Mailer ID, 6 or 9 figures"
            value={made.mailer}
            onChange={(text) => onChange({ ...made, mailer: figures(text, 9) })}
          />
        </>
      )}
    </Pair>
  );
}

type CheckDigit = (typeof CHECK_DIGITS)[number];
const Check = ({ value, onChange }: { value: CheckDigit; onChange(check: CheckDigit): void }) => (
  <Pick
    label="Check digit"
    value={value}
    options={named(CHECK_DIGITS)}
    onChange={(check) => onChange(check as CheckDigit)}
  />
);

/** The fields of a made column of any kind. */
export function MadeFields({ made, columns, onChange }: { made: Made; columns: Options; onChange(made: Made): void }) {
  const all = { columns, onChange };
  switch (made.kind) {
    case 'joined':
      return <Joined made={made} {...all} />;
    case 'number':
      return (
        <OfColumn made={made} {...all}>
          <NumberField
            label="Decimals"
            value={made.decimals}
            least={0}
            most={6}
            onChange={(decimals) => onChange({ ...made, decimals })}
          />
          <TextIn label="Before" value={made.before} onChange={(before) => onChange({ ...made, before })} />
          <TextIn label="After" value={made.after} onChange={(after) => onChange({ ...made, after })} />
          <Tick checked={made.grouped} onChange={(grouped) => onChange({ ...made, grouped })}>
            Mark thousands
          </Tick>
        </OfColumn>
      );
    case 'date':
      return (
        <OfColumn made={made} {...all}>
          <Pick
            label="Form"
            value={made.form}
            options={named(DATE_FORMS)}
            onChange={(form) => onChange({ ...made, form: form as typeof made.form })}
          />
        </OfColumn>
      );
    case 'phone':
      return (
        <OfColumn made={made} {...all}>
          <Pick
            label="Form"
            value={made.form}
            options={named(['national', 'international'])}
            onChange={(form) => onChange({ ...made, form: form as typeof made.form })}
          />
        </OfColumn>
      );
    case 'postcode':
      return <OfColumn made={made} {...all} />;
    case 'case':
      return (
        <OfColumn made={made} {...all}>
          <Pick
            label="Letters"
            value={made.to}
            options={named(CASES)}
            onChange={(to) => onChange({ ...made, to: to as typeof made.to })}
          />
        </OfColumn>
      );
    case 'count':
      return <CountFields made={made} onChange={onChange} />;
    case 'random':
      return (
        <Pair>
          <NumberField
            label="Signs"
            value={made.length}
            least={4}
            most={40}
            onChange={(length) => onChange({ ...made, length })}
          />
          <Pick
            label="Made of"
            value={made.from}
            options={named(ALPHABETS)}
            onChange={(from) => onChange({ ...made, from: from as typeof made.from })}
          />
          <NumberField
            label="Seed"
            value={made.seed}
            least={0}
            most={999_999_999}
            onChange={(seed) => onChange({ ...made, seed })}
          />
          <Check value={made.check} onChange={(check) => onChange({ ...made, check })} />
        </Pair>
      );
    case 'address':
      return (
        <Parts
          names={ADDRESS_PARTS}
          parts={made.parts}
          columns={columns}
          onChange={(parts) => onChange({ ...made, parts })}
        >
          <Pick
            label="Posted in"
            value={made.from}
            options={ADDRESS_FORMS.map(({ code, name }) => [code, name])}
            onChange={(from) => onChange({ ...made, from })}
          />
        </Parts>
      );
    case 'post':
      return <PostFields made={made} {...all} />;
    case 'contact':
      return (
        <Parts
          names={CONTACT_PARTS}
          parts={made.parts}
          columns={columns}
          onChange={(parts) => onChange({ ...made, parts })}
        />
      );
  }
}
