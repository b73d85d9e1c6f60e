import { FIRM_KEYS, firmDetailName } from '../../../core/job/details';
import { quotedIn, setCountry, setFirmDetail } from '../../../core/job/edits/house';
import { useBench } from '../../bench/bench';
import { CountryPick } from '../../parts/CountryPick';
import { act } from '../../store/session';
import { TextField } from './TextField';

/** The facts of the firm: words quote them with the sign @, and follow when they change. */
export function FirmCard() {
  const { job } = useBench();
  return (
    <section aria-label="Company details" className="grid gap-3">
      <div>
        <h2 className="text-lg font-semibold">Company details</h2>
        <p className="quiet">
          Type <kbd className="key">@</kbd> in any text to quote one of these. Change it here, and every piece follows;
          a line whose detail is empty is left out.
        </p>
      </div>
      <div className="grid grid-cols-3 gap-x-4 gap-y-2">
        {FIRM_KEYS.map((detail) => {
          const label = firmDetailName(detail, job.country);
          const uses = quotedIn(job, `firm.${detail}`).length;
          return (
            <div key={detail}>
              <TextField
                label={label}
                value={job.firm[detail] ?? ''}
                onChange={(value) => act(label, (j) => setFirmDetail(j, detail, value))}
              />
              <span className="quiet block h-4 text-[12.5px]">
                {uses > 0 ? `quoted in ${uses === 1 ? 'one place' : `${uses} places`}` : ''}
              </span>
            </div>
          );
        })}
        <div>
          <CountryPick value={job.country} onChange={(code) => act('Client’s country', (j) => setCountry(j, code))} />
        </div>
      </div>
    </section>
  );
}
