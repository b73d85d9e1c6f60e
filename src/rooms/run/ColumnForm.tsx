import { useState } from 'react';
import { addColumn } from '../../../core/job/edits/runs';
import {
  ADDRESS_PARTS,
  type AddressPart,
  ALPHABETS,
  CASES,
  CHECK_DIGITS,
  CONTACT_PARTS,
  type ContactPart,
  DATE_FORMS,
  type Made,
  type MadeKind,
  type Table,
} from '../../../core/job/table';
import { keyFor } from '../../../core/run/read-table';
import type { Rows } from '../../../core/run/rows';
import { ADDRESS_FORMS } from '../../../core/trade/address-forms';
import { useBench } from '../../bench/bench';
import { Dialog } from '../../parts/Dialog';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';

/** What made columns are called. */
export const MADE_NAMES: Record<MadeKind, string> = {
  joined: 'Text from columns',
  address: 'Postal address',
  contact: 'Contact card for a code',
  count: 'Serial number',
  random: 'Random code',
  number: 'Number format',
  date: 'Date format',
  phone: 'Phone format',
  postcode: 'Postcode format',
  case: 'Capitals',
};

type Options = readonly (readonly [string, string])[];
const named = (list: readonly string[]): Options =>
  list.map((each) => [each, `${each[0]!.toUpperCase()}${each.slice(1)}`]);

/** What a kind begins with, the columns guessed by their names. */
function begun(kind: MadeKind, table: Table, country: string): Made {
  const of = table.columns[0]!.key;
  const find = (pattern: RegExp): string | undefined =>
    table.columns.find(({ name, made }) => made === undefined && pattern.test(name))?.key;
  const typed = (type: string): string => table.columns.find((column) => column.type === type)?.key ?? of;
  const parts = <P extends string>(patterns: Record<P, RegExp>): Partial<Record<P, string>> =>
    Object.fromEntries(
      (Object.entries(patterns) as [P, RegExp][]).flatMap(([part, pattern]) => {
        const key = find(pattern);
        return key ? [[part, key]] : [];
      }),
    ) as Partial<Record<P, string>>;
  switch (kind) {
    case 'joined':
      return {
        kind,
        says: table.columns
          .slice(0, 2)
          .map(({ key }) => `{${key}}`)
          .join(' '),
      };
    case 'number':
      return { kind, of: typed('number'), decimals: 2, grouped: true, before: '', after: '' };
    case 'date':
      return { kind, of: typed('date'), form: 'long' };
    case 'phone':
      return { kind, of: typed('phone'), form: 'international' };
    case 'postcode':
      return { kind, of: typed('postcode') };
    case 'case':
      return { kind, of, to: 'first letters' };
    case 'count':
      return { kind, first: 1, step: 1, digits: 4, before: '', after: '', check: 'none' };
    case 'random':
      return { kind, length: 8, from: 'clear', seed: 1, before: '', check: 'mod 10' };
    case 'address':
      return {
        kind,
        from: country,
        parts: parts<AddressPart>({
          name: /^(full )?name$|recipient/i,
          company: /company|firm|organi/i,
          street: /street|address( 1| line 1)?$|road/i,
          more: /address (2|line 2)|street 2/i,
          town: /town|city|ort|place/i,
          region: /region|state|county|province/i,
          postcode: /post ?code|zip|plz/i,
          country: /country|land/i,
        }),
      };
    case 'contact':
      return {
        kind,
        parts: parts<ContactPart>({
          name: /name/i,
          firm: /company|firm/i,
          title: /title|role|position/i,
          phone: /phone|tel|mobile|direct/i,
          mail: /mail/i,
          web: /web|url|site/i,
        }),
      };
  }
}

/** A column that is made from others, or counted. */
export function ColumnForm({ table, rows, onClose }: { table: Table; rows: Rows; onClose(): void }) {
  const { job } = useBench();
  const country = job.country ?? 'GB';
  const [name, setName] = useState('');
  const [made, setMade] = useState<Made>(() => begun('joined', table, country));
  const columns: Options = table.columns.map(({ key, name: said }) => [key, said]);
  const shownName = name.trim() || MADE_NAMES[made.kind];
  const key = keyFor(shownName, new Set(table.columns.map((column) => column.key)));
  const column = { key, name: shownName, type: 'text' as const, made };
  const example = rows.numbers.slice(0, 3).map((row) => rows.made(row, made));
  return (
    <Dialog title="Add column" wide onClose={onClose}>
      <div className="grid gap-3">
        <div className="grid grid-cols-2 gap-3">
          <Pick
            label="Kind"
            value={made.kind}
            options={Object.entries(MADE_NAMES)}
            onChange={(kind) => setMade(begun(kind as MadeKind, table, country))}
          />
          <label className="grid gap-0.5">
            <span className="quiet text-[13px]">Name</span>
            <input
              className="input input-sm w-full"
              value={name}
              placeholder={MADE_NAMES[made.kind]}
              maxLength={120}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
        </div>
        <MadeFields made={made} columns={columns} onChange={setMade} />
        <div className="rounded bg-base-200 p-2 text-[13px]" role="status" aria-label="Examples">
          {example.map((said, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: examples are known by their place
            <p key={i} className="whitespace-pre-line border-base-300 border-b py-1 last:border-0">
              {said || '(empty)'}
            </p>
          ))}
        </div>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => {
              act('Add column', (now) => addColumn(now, table.id, column));
              onClose();
            }}
          >
            Add column
          </button>
        </div>
      </div>
    </Dialog>
  );
}

function MadeFields({ made, columns, onChange }: { made: Made; columns: Options; onChange(made: Made): void }) {
  const none: Options = [['', 'None'], ...columns];
  switch (made.kind) {
    case 'joined':
      return (
        <div className="grid gap-1">
          <label className="grid gap-0.5">
            <span className="quiet text-[13px]">Text, with columns in braces</span>
            <input
              className="input input-sm w-full"
              value={made.says}
              onChange={(event) => onChange({ ...made, says: event.target.value })}
            />
          </label>
          <div className="flex flex-wrap gap-1">
            {columns.map(([key, says]) => (
              <button
                key={key}
                type="button"
                className="btn btn-xs"
                onClick={() => onChange({ ...made, says: `${made.says}${made.says === '' ? '' : ' '}{${key}}` })}
              >
                {says}
              </button>
            ))}
          </div>
        </div>
      );
    case 'number':
      return (
        <div className="grid grid-cols-2 gap-3">
          <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />
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
        </div>
      );
    case 'date':
      return (
        <div className="grid grid-cols-2 gap-3">
          <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />
          <Pick
            label="Form"
            value={made.form}
            options={named(DATE_FORMS)}
            onChange={(form) => onChange({ ...made, form: form as typeof made.form })}
          />
        </div>
      );
    case 'phone':
      return (
        <div className="grid grid-cols-2 gap-3">
          <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />
          <Pick
            label="Form"
            value={made.form}
            options={named(['national', 'international'])}
            onChange={(form) => onChange({ ...made, form: form as typeof made.form })}
          />
        </div>
      );
    case 'postcode':
      return <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />;
    case 'case':
      return (
        <div className="grid grid-cols-2 gap-3">
          <Pick label="Column" value={made.of} options={columns} onChange={(of) => onChange({ ...made, of })} />
          <Pick
            label="Letters"
            value={made.to}
            options={named(CASES)}
            onChange={(to) => onChange({ ...made, to: to as typeof made.to })}
          />
        </div>
      );
    case 'count':
      return (
        <div className="grid grid-cols-2 gap-3">
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
          <Pick
            label="Check digit"
            value={made.check}
            options={named(CHECK_DIGITS)}
            onChange={(check) => onChange({ ...made, check: check as typeof made.check })}
          />
        </div>
      );
    case 'random':
      return (
        <div className="grid grid-cols-2 gap-3">
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
          <Pick
            label="Check digit"
            value={made.check}
            options={named(CHECK_DIGITS)}
            onChange={(check) => onChange({ ...made, check: check as typeof made.check })}
          />
        </div>
      );
    case 'address':
      return (
        <div className="grid grid-cols-3 gap-3">
          {(Object.entries(ADDRESS_PARTS) as [AddressPart, string][]).map(([part, label]) => (
            <Pick
              key={part}
              label={label}
              value={made.parts[part] ?? ''}
              options={none}
              onChange={(key) => onChange({ ...made, parts: without(made.parts, part, key) })}
            />
          ))}
          <Pick
            label="Posted in"
            value={made.from}
            options={ADDRESS_FORMS.map(({ code, name }) => [code, name])}
            onChange={(from) => onChange({ ...made, from })}
          />
        </div>
      );
    case 'contact':
      return (
        <div className="grid grid-cols-3 gap-3">
          {(Object.entries(CONTACT_PARTS) as [ContactPart, string][]).map(([part, label]) => (
            <Pick
              key={part}
              label={label}
              value={made.parts[part] ?? ''}
              options={none}
              onChange={(key) => onChange({ ...made, parts: without(made.parts, part, key) })}
            />
          ))}
        </div>
      );
  }
}

/** Parts with one of them fed by another column, or by none. */
function without<P extends string>(
  parts: Partial<Record<P, string>>,
  part: P,
  key: string,
): Partial<Record<P, string>> {
  const { [part]: _old, ...rest } = parts;
  return (key === '' ? rest : { ...rest, [part]: key }) as Partial<Record<P, string>>;
}

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
