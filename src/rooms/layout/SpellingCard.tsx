import X from 'lucide-react/icons/x';
import { forgetWord, setLanguage } from '../../../core/job/edits/job';
import { LANGUAGES, type Spelling } from '../../../core/type/spelling';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';

/** The language a job is spelt in, and the words of its own that no dictionary knows. */
export function SpellingCard() {
  const { language, words } = useBench().job.spelling;
  return (
    <section aria-label="Spelling" className="mt-2 grid gap-1.5 text-base-content">
      <h2 className="heading">Spelling</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="Language"
        value={language}
        onChange={(event) => {
          const to = event.target.value as Spelling['language'];
          act('Language', (job) => setLanguage(job, to));
        }}
      >
        {Object.entries(LANGUAGES).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        <option value="none">Not checked</option>
      </select>
      {words.length > 0 && (
        <ul className="flex flex-wrap gap-1.5" aria-label="Words of this job">
          {words.map((word) => (
            <li key={word} className="flex items-center rounded border border-base-300 pl-2 text-[13px]">
              {word}
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`Remove ${word} from the list`}
                onClick={() => act('Remove a word', (job) => forgetWord(job, word))}
              >
                <X size={12} />
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
