import { setSetting } from '../../../../core/job/edits/words';
import type { Words } from '../../../../core/job/schema';
import { ON_BY_ITSELF } from '../../../../core/type/features';
import type { Lettering, Setting } from '../../../../core/type/style';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { act } from '../../../store/session';

const CASES: readonly Lettering['letterCase'][] = ['as typed', 'capitals', 'small capitals', 'lower case'];
const SPACINGS = [
  ['kerned', 'from font'],
  ['unkerned', 'none'],
  ['even', 'even'],
] as const;

/** What is set less often: tracking, shift, case, gaps, the font's features, and the paragraph's spaces. */
export function LetteringMore({
  words,
  lettering,
  setting,
  onChange,
}: {
  words: Words;
  lettering: Lettering;
  setting: Setting;
  onChange(name: string, to: Partial<Lettering>): void;
}) {
  const { sources, unit, echo } = useBench();
  const font = sources.fonts.font(lettering.typeface);
  const isOn = (tag: string): boolean => (lettering.features[tag] ?? (ON_BY_ITSELF.has(tag) ? 1 : 0)) > 0;
  const cases = CASES.filter((each) => each !== 'small capitals' || font.features.has('smcp'));
  const set = (name: string, to: Partial<Setting>): void => act(name, (job) => setSetting(job, words.id, to));
  const length = (label: string, value: number, change: (points: number) => void) => (
    <LengthField
      key={label}
      label={label}
      unit={unit}
      echo={echo}
      value={value}
      least={-roundIn(unit, 7000, 270)}
      most={roundIn(unit, 7000, 270)}
      onChange={change}
    />
  );
  const share = 'share' in setting.leading ? setting.leading.share : undefined;
  return (
    <details className="mt-1.5">
      <summary className="cursor-pointer py-1 text-[13.5px]">More: spacing, case, features, paragraph</summary>
      <div className="mt-1 grid gap-1.5 text-[14px]">
        <NumberField
          label="Tracking, ‰ of the size"
          value={lettering.tracking}
          least={-500}
          most={2000}
          step={5}
          onChange={(tracking) => onChange('Tracking', { tracking })}
        />
        <LengthField
          label="Baseline shift"
          unit="pt"
          echo="mm"
          value={lettering.shift}
          least={-1000}
          most={1000}
          onChange={(shift) => onChange('Baseline shift', { shift })}
        />
        <label className="grid grid-cols-[1fr_9rem] items-center gap-2">
          Case
          <select
            className="select select-sm"
            value={lettering.letterCase}
            onChange={(event) => onChange('Case', { letterCase: event.target.value as Lettering['letterCase'] })}
          >
            {cases.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <label className="grid grid-cols-[1fr_9rem] items-center gap-2">
          Kerning
          <select
            className="select select-sm"
            value={lettering.spacing}
            onChange={(event) => onChange('Kerning', { spacing: event.target.value as Lettering['spacing'] })}
          >
            {SPACINGS.map(([value, text]) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </select>
        </label>
        {font.features.size > 0 && (
          <fieldset className="rounded border border-base-300 p-2">
            <legend className="px-1 text-[13px]">Features of this typeface</legend>
            <div className="grid max-h-44 gap-1 overflow-y-auto">
              {[...font.features].map(([tag, name]) => (
                <label key={tag} className="flex cursor-pointer items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    checked={isOn(tag)}
                    onChange={(event) =>
                      onChange(name, { features: { ...lettering.features, [tag]: event.target.checked ? 1 : 0 } })
                    }
                  />
                  {name}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <NumberField
          label="Automatic leading, %"
          value={share === undefined ? undefined : Math.round(share * 100)}
          placeholder="exact"
          least={50}
          most={500}
          step={5}
          onChange={(percent) => set('Leading', { leading: { share: percent / 100 } })}
        />
        <div className="grid gap-1.5">
          {length('Space before', setting.before, (before) => set('Space before', { before }))}
          {length('Space after', setting.after, (after) => set('Space after', { after }))}
          {length('Indent', setting.indent.left, (left) => set('Indent', { indent: { ...setting.indent, left } }))}
          {length('First line', setting.indent.first, (first) =>
            set('First line', { indent: { ...setting.indent, first } }),
          )}
        </div>
        <Tabs setting={setting} set={set} />
      </div>
    </details>
  );
}

/** Tab stops from the frame's left side. */
function Tabs({ setting, set }: { setting: Setting; set(name: string, to: Partial<Setting>): void }) {
  const { unit, echo } = useBench();
  return (
    <div className="grid gap-1.5">
      {setting.tabs.map((tab, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a stop has no identity but its place in the row
        <div key={i} className="grid grid-cols-[1fr_6rem] gap-1.5">
          <LengthField
            label="Tab"
            unit={unit}
            echo={echo}
            value={tab.at}
            onChange={(at) => set('Tab', { tabs: setting.tabs.map((t, j) => (j === i ? { ...t, at } : t)) })}
          />
          <select
            className="select"
            aria-label="Tab aligns"
            value={tab.align}
            onChange={(event) => {
              const align = event.target.value;
              set('Tab', {
                tabs:
                  align === 'none'
                    ? setting.tabs.filter((_, j) => j !== i)
                    : setting.tabs.map((t, j) => (j === i ? { ...t, align: align as 'left' } : t)),
              });
            }}
          >
            <option>left</option>
            <option>centre</option>
            <option>right</option>
            <option value="none">remove</option>
          </select>
        </div>
      ))}
      <button
        type="button"
        className="btn btn-xs justify-self-start"
        onClick={() =>
          set('Add tab', { tabs: [...setting.tabs, { at: (setting.tabs.at(-1)?.at ?? 0) + 72, align: 'left' }] })
        }
      >
        Add a tab stop
      </button>
    </div>
  );
}
