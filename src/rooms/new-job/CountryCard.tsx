import type { Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { countryOf } from '../../../core/trade/countries';
import { postRulesOf } from '../../../core/trade/post';
import { CountryPick } from '../../parts/CountryPick';

/** Where the client is: units, usual sizes, postal rules, the order of an address and the dictionary follow. */
export function CountryCard({ job, onChoose }: { job: Job; onChoose(code: string): void }) {
  const country = countryOf(job.country)!;
  return (
    <section aria-label="Country" className="grid gap-2">
      <h2 className="text-lg font-semibold">Country</h2>
      <CountryPick value={country.code} onChange={onChoose} />
      <p className="quiet text-[13px]">
        {country.unit === 'in' ? 'Inches' : 'Millimetres'}, {country.sizes.letterhead} and {country.sizes.envelope},{' '}
        {postRulesOf(country.post)?.name ?? country.post}, shop spec {shopIn(job, country.shop).name}.
      </p>
    </section>
  );
}
