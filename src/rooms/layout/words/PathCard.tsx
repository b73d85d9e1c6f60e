import { nearestAt, walkPath } from '../../../../core/geometry/walk';
import { setWordsPath } from '../../../../core/job/edits/words';
import { findElement, titleOf } from '../../../../core/job/find';
import { lookOf } from '../../../../core/job/look';
import type { Words, WordsPath } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { lineOf } from '../../../../core/scene/follow';
import { anchorShare } from '../../../../core/type/set-words';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { act } from '../../../store/session';

const CIRCUMFERENCE = 2 * Math.PI;
const degrees = (start: number, radius: number): number => (start / radius / CIRCUMFERENCE) * 360;

/** The line words stand on: none, a circle of their own, or the outline of something else on the face. */
export function PathCard({ words: shown }: { words: Words }) {
  const { job, face, sources } = useBench();
  // The shown words carry the line they follow; the kept ones say what they follow.
  const words = findElement(job, shown.id)?.element as Words;
  const { path } = words;
  const others = face.elements.filter((e) => e.kind !== 'words');
  const put = (name: string, to: WordsPath | undefined): void => act(name, (j) => setWordsPath(j, words.id, to));
  function choose(what: string): void {
    const share = anchorShare(lookOf(words, sources.styles).setting.align);
    const same = { start: 0, side: 'outside', backwards: false, lift: 1, ...path } as const;
    if (what === '') put('Remove from path', undefined);
    else if (what === 'circle') {
      // A circle that a half turn of the words fits, their middle at the top: they are read at once.
      const { width } = elementFrame(shown, sources);
      const radius = Math.max(20, width / Math.PI);
      put('On a circle', { ...same, start: (share - 0.5) * width, along: { kind: 'circle', radius } });
    } else {
      const other = others.find((e) => e.id === what);
      if (!other) return;
      // They land where the line is nearest to where they were.
      const frame = elementFrame(shown, sources);
      const at = { x: frame.x + share * frame.width, y: frame.y + frame.height / 2 };
      const start = nearestAt(walkPath(lineOf(other)), at);
      put('On an outline', { ...same, start, along: { kind: 'element', id: what } });
    }
  }
  return (
    <section aria-label="Text on path">
      <h2 className="heading mb-1.5">Text on path</h2>
      <select
        className="select select-sm w-full text-[14px]"
        aria-label="Path"
        value={path?.along.kind === 'element' ? path.along.id : (path?.along.kind ?? '')}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">None: straight lines</option>
        <option value="circle">A circle or arc</option>
        {path?.along.kind === 'outline' && <option value="outline">A line of their own</option>}
        {others.map((e) => (
          <option key={e.id} value={e.id}>
            Along {titleOf(e, job.assets)}
          </option>
        ))}
      </select>
      {path && <PathFields path={path} onChange={(to) => put('Text on path', { ...path, ...to })} />}
    </section>
  );
}

function PathFields({ path, onChange }: { path: WordsPath; onChange(to: Partial<WordsPath>): void }) {
  const { unit, echo } = useBench();
  const { along, start, lift, side, backwards } = path;
  const units = { unit, echo };
  return (
    <div className="mt-1.5 grid grid-cols-2 gap-1.5">
      {along.kind === 'circle' && (
        <>
          <LengthField
            {...units}
            label="Radius"
            value={along.radius}
            least={roundIn(unit, 0.5, 0.02)}
            most={roundIn(unit, 7000, 270)}
            onChange={(radius) => onChange({ along: { ...along, radius }, start: (start * radius) / along.radius })}
          />
          <NumberField
            label="At °"
            name="Where on the circle, in degrees from the top"
            value={Math.round(degrees(start, along.radius) * 100) / 100}
            least={-360}
            most={360}
            step={5}
            onChange={(at) => onChange({ start: (at / 360) * CIRCUMFERENCE * along.radius })}
          />
        </>
      )}
      {along.kind !== 'circle' && (
        <LengthField
          {...units}
          label="Start"
          hint="Along the line from where it begins"
          value={start}
          onChange={(to) => onChange({ start: to })}
        />
      )}
      <LengthField
        {...units}
        label="Offset"
        hint="Between the line and the letters"
        value={lift}
        least={-roundIn(unit, 700, 27)}
        most={roundIn(unit, 700, 27)}
        onChange={(to) => onChange({ lift: to })}
      />
      <select
        className="select w-full pr-6 pl-2 text-[13px]"
        aria-label="Side of the line"
        value={side}
        onChange={(event) => {
          const to = event.target.value as WordsPath['side'];
          // Inside, words are read with their heads to the middle, until they are turned.
          onChange({ side: to, backwards: to === 'inside' });
        }}
      >
        <option value="outside">on the outside</option>
        <option value="inside">on the inside</option>
      </select>
      <select
        className="select w-full pr-6 pl-2 text-[13px]"
        aria-label="Direction along the line"
        value={backwards ? 'backwards' : 'forwards'}
        onChange={(event) => onChange({ backwards: event.target.value === 'backwards' })}
      >
        <option value="forwards">{along.kind === 'circle' ? 'clockwise' : 'forwards'}</option>
        <option value="backwards">{along.kind === 'circle' ? 'anticlockwise' : 'backwards'}</option>
      </select>
    </div>
  );
}
