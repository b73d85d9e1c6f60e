import { useEffect, useState } from 'react';
import { canSay, PAIRINGS, type Pairing } from '../../../core/client/pairings';
import type { Job } from '../../../core/job/schema';
import type { Kit } from '../../../workers/kit';
import { loadFonts } from '../../bench/kit';
import { cssFamily } from '../../parts/TypefaceFaces';

/** All that the client's pieces say of them. */
const lettersOf = ({ firm, people }: Job): string =>
  [...new Set([...Object.values(firm), ...people.flatMap(({ name, title }) => [name, title])].join(''))].join('');

/** Pairs of typefaces, each shown in the client's own name. */
export function PairingsCard({
  job,
  kit,
  onChoose,
}: {
  job: Job;
  kit: Kit | undefined;
  onChoose(roles: Pairing['roles']): void;
}) {
  const [, setLoaded] = useState(0);
  const letters = lettersOf(job);
  // Only letters beyond Latin 1 are missing from some of them: their fonts are loaded to be asked.
  const isPlain = /^[ -ÿ‘’“”–—€\n]*$/.test(letters);
  useEffect(() => {
    if (!isPlain)
      loadFonts(PAIRINGS.flatMap(({ roles }) => [roles.heading, roles.text])).then(
        () => setLoaded((n) => n + 1),
        () => undefined,
      );
  }, [isPlain]);
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-lg font-semibold">Typefaces</legend>
      <div className="grid grid-cols-2 gap-1.5">
        {PAIRINGS.map((pairing) => {
          const lacks = !isPlain && kit !== undefined && !canSay(pairing, letters, kit.fonts);
          return (
            <label
              key={pairing.id}
              className={`relative cursor-pointer rounded border border-base-300 bg-base-100 px-2.5 py-2 has-checked:border-base-content has-focus-visible:outline-2 has-focus-visible:outline-primary ${lacks ? 'opacity-60' : ''}`}
            >
              <input
                type="radio"
                name="pairing"
                className="sr-only"
                aria-label={pairing.name}
                checked={job.roles.heading === pairing.roles.heading && job.roles.text === pairing.roles.text}
                onChange={() => onChoose(pairing.roles)}
              />
              <span
                className="block truncate text-[19px] leading-tight"
                style={{ fontFamily: cssFamily(pairing.roles.heading) }}
              >
                {job.firm.name || 'Company'}
              </span>
              <span className="block truncate text-[13px]" style={{ fontFamily: cssFamily(pairing.roles.text) }}>
                {job.people[0]?.name || job.firm.line || 'Text and details'}
              </span>
              <span className="quiet mt-1 block text-[12px] leading-tight">
                {lacks ? 'Lacks some letters of this client’s' : pairing.name}
              </span>
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}
