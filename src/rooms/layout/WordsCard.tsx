import AlignCentre from 'lucide-react/icons/text-align-center';
import AlignRight from 'lucide-react/icons/text-align-end';
import AlignLeft from 'lucide-react/icons/text-align-start';
import { setWordsOf } from '../../../core/job/edits/elements';
import type { Words } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { type Alignment, anchorShare } from '../../../core/type/set-words';
import { TYPEFACES } from '../../../core/type/typefaces';
import { LengthField } from '../../parts/LengthField';
import { act, settle, sketch } from '../../store/session';
import { useBench } from './bench';

const ALIGN = [
  ['left', AlignLeft],
  ['centre', AlignCentre],
  ['right', AlignRight],
] as const;

const FAMILIES = [...new Set(TYPEFACES.map((face) => face.family))];

const badSize = (points: number): string | undefined =>
  points < 1 || points > 1000 ? 'Type is from 1 to 1000 points.' : undefined;

/** The words themselves and how they are set. */
export function WordsCard({ words }: { words: Words }) {
  const { sources } = useBench();
  const change = (name: string, to: Parameters<typeof setWordsOf>[2]): void =>
    act(name, (job) => setWordsOf(job, words.id, to));
  /** Aligned otherwise, the frame stays where it is and its anchor moves. */
  function align(to: Alignment): void {
    const frame = elementFrame(words, sources.fonts);
    change('Align', { align: to, ...(words.width === null ? { x: frame.x + frame.width * anchorShare(to) } : {}) });
  }
  return (
    <section aria-label="Words">
      <h2 className="heading mb-1.5">Words</h2>
      <textarea
        id="words-text"
        aria-label="Text"
        className="textarea mb-1.5 min-h-20 w-full resize-y leading-5"
        rows={Math.min(8, words.text.split('\n').length + 1)}
        maxLength={20_000}
        value={words.text}
        onChange={(event) => sketch((job) => setWordsOf(job, words.id, { text: event.target.value }))}
        onBlur={() => settle('Type')}
      />
      <select
        className="select mb-1.5 w-full"
        aria-label="Typeface"
        value={words.typeface}
        onChange={(event) => change('Typeface', { typeface: event.target.value })}
      >
        {FAMILIES.map((family) => (
          <optgroup key={family} label={family}>
            {TYPEFACES.filter((face) => face.family === family).map((face) => (
              <option key={face.id} value={face.id}>
                {face.family} {face.style}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      <div className="grid grid-cols-2 gap-1.5">
        <LengthField
          label="Size"
          value={words.size}
          unit="pt"
          echo="mm"
          refuse={badSize}
          onChange={(size) => change('Type size', { size })}
        />
        <LeadingField words={words} onChange={(leading) => change('Leading', { leading })} />
      </div>
      <div className="mt-1.5 flex items-center justify-between">
        <fieldset className="join" aria-label="Alignment">
          {ALIGN.map(([name, Icon]) => (
            <button
              key={name}
              type="button"
              aria-pressed={words.align === name}
              aria-label={`Align ${name}`}
              className={`btn btn-sm join-item ${words.align === name ? 'btn-neutral' : ''}`}
              onClick={() => align(name)}
            >
              <Icon size={15} />
            </button>
          ))}
        </fieldset>
        {words.width !== null && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() =>
              change('Grow with words', { width: null, x: words.x + words.width! * anchorShare(words.align) })
            }
          >
            Grow with words
          </button>
        )}
      </div>
    </section>
  );
}

function LeadingField({ words, onChange }: { words: Words; onChange(leading: number): void }) {
  return (
    <LengthField
      label="Leading"
      hint="From baseline to baseline"
      value={words.size * words.leading}
      unit="pt"
      echo="mm"
      refuse={(points) =>
        points < words.size * 0.5 || points > words.size * 5
          ? 'Leading is from half the size to five times it.'
          : undefined
      }
      onChange={(points) => onChange(points / words.size)}
    />
  );
}
