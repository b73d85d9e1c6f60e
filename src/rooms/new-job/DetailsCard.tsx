import { useEffect, useRef, useState } from 'react';
import { FIRM_KEYS, type FirmDetail, firmDetailName, PERSON_DETAILS, PERSON_KEYS } from '../../../core/job/details';
import { intake } from '../../../workers/intake';
import { type Draft, setDetail, setPerson, withDetails } from './draft';

/** Details a client always has come first; the others are shown once they are known, or asked for. */
const USUAL: readonly FirmDetail[] = ['name', 'line', 'street', 'town', 'region', 'postcode', 'phone', 'mail', 'web'];
const WIDE: ReadonlySet<string> = new Set(['firm.name', 'firm.line', 'firm.street', 'firm.registration']);
/** Long enough after the last key for a paste or a line to be whole. */
const PAUSE = 250;

/** Anything that holds a client's details, and what was read from it, to be corrected at once. */
export function DetailsCard({ draft, onChange }: { draft: Draft; onChange(to: (now: Draft) => Draft): void }) {
  const [text, setText] = useState('');
  const [isAll, setAll] = useState(false);
  const [problem, setProblem] = useState<string>();
  const { job, read, unread, isCountryChosen } = draft;
  const country = useRef(job.country);
  country.current = job.country;
  const chosen = isCountryChosen ? job.country : undefined;

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new way of telling the draft changes nothing that is read
  useEffect(() => {
    if (text.trim() === '') return;
    let isHere = true;
    const wait = setTimeout(
      () =>
        intake()
          .readDetails(text, country.current, isCountryChosen)
          .then(
            (found) => {
              if (!isHere) return;
              setProblem(undefined);
              onChange((now) => withDetails(now, found));
            },
            (error: Error) => isHere && setProblem(error.message),
          ),
      PAUSE,
    );
    return () => {
      isHere = false;
      clearTimeout(wait);
    };
  }, [text, chosen]);

  const person = job.people[0];
  const firm = FIRM_KEYS.filter((detail) => isAll || USUAL.includes(detail) || job.firm[detail]);
  return (
    <section aria-label="Client details" className="grid gap-3">
      <h2 className="text-lg font-semibold">Client details</h2>
      <label className="grid gap-1">
        <span className="quiet text-[13px]">
          Paste an email signature, a letterhead’s text, an imprint or contact cards
        </span>
        <textarea
          className="textarea min-h-24 w-full text-[14px] leading-snug"
          rows={4}
          value={text}
          placeholder={'Name, company\nStreet, town, postcode\nPhone, email, web'}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      {problem && (
        <p role="alert" className="text-[13px] text-error">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-2 gap-x-2 gap-y-1.5">
        {firm.map((detail) => (
          <Field
            key={detail}
            label={firmDetailName(detail, job.country)}
            value={job.firm[detail] ?? ''}
            from={read[`firm.${detail}`]?.from}
            wide={WIDE.has(`firm.${detail}`)}
            onChange={(value) => onChange((now) => ({ ...now, job: setDetail(now.job, detail, value) }))}
          />
        ))}
        {PERSON_KEYS.map((detail) => (
          <Field
            key={detail}
            label={PERSON_DETAILS[detail]}
            value={person?.[detail] ?? ''}
            from={read[`person.${detail}`]?.from}
            onChange={(value) => onChange((now) => ({ ...now, job: setPerson(now.job, detail, value) }))}
          />
        ))}
      </div>
      {!isAll && (
        <button type="button" className="btn btn-ghost btn-xs justify-self-start" onClick={() => setAll(true)}>
          More details
        </button>
      )}
      {job.people.length > 1 && (
        <p className="quiet text-[13px]">
          {job.people.length} people: {job.people.map(({ name }) => name).join(', ')}.
        </p>
      )}
      {unread.length > 0 && (
        <p className="quiet text-[13px]">Not used: {unread.map((line) => `“${line}”`).join(', ')}</p>
      )}
    </section>
  );
}

function Field({
  label,
  value,
  from,
  wide = false,
  onChange,
}: {
  label: string;
  value: string;
  from?: string | undefined;
  wide?: boolean;
  onChange(value: string): void;
}) {
  // What was read says so only where it is not the whole line itself.
  const told = from && from !== value ? from : undefined;
  return (
    <label className={`grid content-start gap-0.5 ${wide ? 'col-span-2' : ''}`}>
      <span className="quiet text-[13px]">{label}</span>
      <input
        className="input input-sm w-full text-[14px]"
        value={value}
        maxLength={200}
        onChange={(event) => onChange(event.target.value)}
      />
      {told && (
        <span className="quiet truncate text-[12px]" title={told}>
          from “{told}”
        </span>
      )}
    </label>
  );
}
