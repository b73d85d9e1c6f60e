import { useState } from 'react';
import { type Contact, vcard } from '../../../core/codes/contact';
import { SYMBOLOGIES, type Symbology } from '../../../core/codes/symbologies';
import { moduleWidth, symbolOf } from '../../../core/codes/symbols';
import { setCode } from '../../../core/job/edits/elements';
import type { Code } from '../../../core/job/schema';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { useTyped } from '../../parts/use-typed';
import { act } from '../../store/session';

const FIELDS = [
  ['name', 'Name'],
  ['title', 'Job title'],
  ['firm', 'Company'],
  ['phone', 'Phone'],
  ['mail', 'E-mail'],
  ['web', 'Web address'],
] as const;
const NOBODY: Contact = { name: '', firm: '', title: '', phone: '', mail: '', web: '' };

/** What a code says, and how large its smallest part prints. */
export function CodeCard({ code }: { code: Code }) {
  const { unit } = useBench();
  const [message, setMessage] = useState<string>();
  const [contact, setContact] = useState<Contact>();
  function put(to: Partial<Pick<Code, 'symbology' | 'text'>>): void {
    try {
      act('Code', (job) => setCode(job, code.id, to));
      setMessage(undefined);
      text.drop();
    } catch (error) {
      setMessage((error as Error).message);
    }
  }
  const text = useTyped({
    said: code.text,
    refuse(typed) {
      if (typed.trim() === '') return undefined;
      try {
        symbolOf(code.symbology, typed.trim());
        return undefined;
      } catch (error) {
        return (error as Error).message;
      }
    },
    onTake: (typed) => typed.trim() !== '' && put({ text: typed.trim() }),
    breaksLines: true,
  });
  return (
    <section aria-label="Code" className="grid gap-1.5">
      <h2 className="heading">Code</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="Kind of code"
        value={code.symbology}
        onChange={(event) =>
          put({ symbology: event.target.value as Symbology, ...(text.draft ? { text: text.draft } : {}) })
        }
      >
        {Object.entries(SYMBOLOGIES).map(([id, { name }]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      {/* Above the text: what is said below it comes and goes, and must not move this from under the pointer. */}
      {code.symbology === 'qrcode' && contact === undefined && (
        <button type="button" className="btn btn-xs justify-self-start" onClick={() => setContact(NOBODY)}>
          Make it a contact card
        </button>
      )}
      <textarea
        className="textarea min-h-16 w-full text-[14px]"
        aria-label="What the code says"
        maxLength={3000}
        value={text.shown}
        {...text.handlers}
      />
      {(message ?? text.message) && (
        <p role="alert" className="text-[13px] text-error">
          {message ?? text.message}
        </p>
      )}
      <p className="quiet text-[13px]">
        Smallest part {formatLength(moduleWidth(code.symbology, code.text, code), unit, unit === 'in' ? 4 : 2)}; the
        frame holds the quiet zone.
      </p>
      {contact && (
        <form
          className="grid gap-1"
          aria-label="Contact card"
          onSubmit={(event) => {
            event.preventDefault();
            put({ text: vcard(contact) });
            setContact(undefined);
          }}
        >
          {FIELDS.map(([key, label]) => (
            <input
              key={key}
              className="input input-sm w-full text-[14px]"
              aria-label={label}
              placeholder={label}
              required={key === 'name'}
              maxLength={200}
              value={contact[key]}
              onChange={(event) => setContact({ ...contact, [key]: event.target.value })}
            />
          ))}
          <button type="submit" className="btn btn-sm">
            Use it
          </button>
        </form>
      )}
    </section>
  );
}
