import Upload from 'lucide-react/icons/upload';
import { useState } from 'react';
import type { Lab } from '../../../core/colour/ink';
import {
  addCondition,
  changeCondition,
  removeCondition,
  setNeutralBlack,
  setPressOf,
} from '../../../core/job/edits/press';
import { conditionsOf } from '../../../core/job/press-of';
import { REGISTERED } from '../../../core/trade/registered-conditions';
import { INTENTS } from '../../../core/trade/schema';
import { withMinus } from '../../../core/units/length';
import { intake } from '../../../workers/intake';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { FileChooser } from '../../parts/FileChooser';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { keepAsset } from '../../store/assets';
import { act } from '../../store/session';

const NONE = 'none';

/** What this profile's black measures, and what of it is shown. */
function blackSays([lightness, a, b]: Lab, isNeutral: boolean): string {
  const [l, x, y] = [lightness, a, b].map((value) => withMinus((Math.round(value * 10) / 10).toFixed(1)));
  const measures = `Its black measures L* ${l}, a* ${x}, b* ${y}`;
  return isNeutral
    ? `${measures}. On screens, in proofs and in pictures it is shown without that tinge; print files stay as they are.`
    : `${measures}, and is shown so.`;
}

/** The press condition that the shop prints this job with: one that ships, or the shop's own profile. */
export function PressCard() {
  const { job, shop, press } = useBench();
  const { condition } = press;
  const own = job.conditions[condition.id];
  const [problem, setProblem] = useState<string>();
  async function load(chosen: File): Promise<void> {
    try {
      const bytes = new Uint8Array(await chosen.arrayBuffer());
      const { hash, condition: read } = await intake().takeInProfile(bytes);
      await keepAsset(hash, bytes);
      setProblem(undefined);
      act('Import ICC profile', (j) => setPressOf(addCondition(j, hash, read), shop.id, hash));
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  const change = (to: Parameters<typeof changeCondition>[2]): void =>
    act('Press condition', (j) => changeCondition(j, condition.id, to));
  return (
    <section aria-label="Press condition" className="grid gap-1.5">
      <h2 className="heading">Press condition of {shop.name}</h2>
      <Choice
        label="Press condition"
        value={condition.id}
        options={conditionsOf(job).map(({ id, name }) => [id, name] as const)}
        onChange={(id) => act('Press condition', (j) => setPressOf(j, shop.id, id === shop.condition ? undefined : id))}
      />
      <FileChooser label="The shop’s profile" accept=".icc,.icm" onFile={(chosen) => void load(chosen)}>
        <Upload size={14} /> Import ICC profile…
      </FileChooser>
      <Tick checked={job.neutralBlack === true} onChange={(on) => act('Neutral black', (j) => setNeutralBlack(j, on))}>
        Show black as neutral grey
      </Tick>
      <p className="quiet text-[14px]">{blackSays(press.lab([0, 0, 0, 1]), job.neutralBlack === true)}</p>
      {problem && (
        <p role="alert" className="text-[14px] text-error">
          {problem}
        </p>
      )}
      {own && (
        <>
          <Choice label="Intent" value={own.intent} options={INTENTS} onChange={(intent) => change({ intent })} />
          <Tick
            checked={own.blackPointCompensation}
            onChange={(blackPointCompensation) => change({ blackPointCompensation })}
          >
            Black-point compensation
          </Tick>
          <Choice
            label="Registered condition"
            value={own.registered ?? NONE}
            options={[
              [NONE, 'None: not registered'],
              ...REGISTERED.map(({ name, prints }) => [name, `${name}, ${prints}`] as const),
            ]}
            onChange={(name) => change({ registered: name === NONE ? undefined : name })}
          />
          <NumberField
            label="Total ink up to %"
            value={Math.round(own.totalInk * 100)}
            least={100}
            most={400}
            onChange={(percent) => change({ totalInk: percent / 100 })}
          />
          <button
            type="button"
            className="btn btn-sm justify-self-start"
            onClick={() => act('Remove the profile', (j) => removeCondition(j, condition.id))}
          >
            Remove this profile
          </button>
        </>
      )}
    </section>
  );
}
