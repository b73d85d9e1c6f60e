import { useState } from 'react';
import { CORNER_FORMS, type Corner } from '../../../core/geometry/forms';
import { setCorners, setForm } from '../../../core/job/edits/elements';
import type { Form, Shape } from '../../../core/job/schema';
import { useBench } from '../../bench/bench';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { act } from '../../store/session';

/** How a rectangle's corners, or a drawn form, are made. */
export function ShapeCard({ shape }: { shape: Shape }) {
  if (!shape.form) return <Corners shape={shape} />;
  return shape.form.kind === 'ellipse' ? null : <FormFields shape={shape} form={shape.form} />;
}

const PLAIN: Corner = { radius: 0, form: 'round' };
const NAMES = ['Corner top left', 'Corner top right', 'Corner bottom right', 'Corner bottom left'] as const;

/** All corners alike, or each its own. */
function Corners({ shape }: { shape: Shape }) {
  const { unit, echo } = useBench();
  const corners = shape.corners ?? [PLAIN, PLAIN, PLAIN, PLAIN];
  const alike = corners.every((c) => c.radius === corners[0].radius && c.form === corners[0].form);
  const [each, setEach] = useState(!alike);
  const most = Math.max(shape.width, shape.height);
  const change = (which: number | 'all', to: Partial<Corner>): void =>
    act('Corners', (job) =>
      setCorners(
        job,
        shape.id,
        corners.map((c, i) => (which === 'all' || which === i ? { ...c, ...to } : c)) as NonNullable<Shape['corners']>,
      ),
    );
  const fields = (which: number | 'all', label: string) => {
    const corner = corners[which === 'all' ? 0 : which]!;
    return (
      <div key={label} className="grid grid-cols-[1fr_6.5rem] gap-1.5">
        <LengthField
          label={label}
          hint="How far the corner reaches along both sides"
          unit={unit}
          echo={echo}
          value={corner.radius}
          least={0}
          most={most}
          onChange={(radius) => change(which, { radius })}
        />
        <select
          className="select h-full w-full text-[14px]"
          aria-label={`${label}: form`}
          value={corner.form}
          onChange={(event) => change(which, { form: event.target.value as Corner['form'] })}
        >
          {CORNER_FORMS.map((form) => (
            <option key={form}>{form}</option>
          ))}
        </select>
      </div>
    );
  };
  return (
    <section aria-label="Corners" className="grid gap-1.5">
      <h2 className="heading">Corners</h2>
      {each ? NAMES.map((name, i) => fields(i, name)) : fields('all', 'Corner radius')}
      <label className="flex cursor-pointer items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={each}
          onChange={(event) => {
            setEach(event.target.checked);
            if (!event.target.checked && !alike) change('all', corners[0]);
          }}
        />
        Each corner its own
      </label>
    </section>
  );
}

type Blot = Extract<Form, { kind: 'blot' }>;

function BlotFields({ form, put }: { form: Blot; put(to: Form): void }) {
  return (
    <>
      <NumberField
        label="Bulges"
        value={form.count}
        least={3}
        most={40}
        onChange={(count) => put({ ...form, count: Math.round(count) })}
      />
      <NumberField
        label="Irregular %"
        value={Math.round(form.irregularity * 100)}
        least={0}
        most={100}
        onChange={(percent) => put({ ...form, irregularity: percent / 100 })}
      />
      <NumberField
        label="Drops"
        value={form.drops}
        least={0}
        most={30}
        onChange={(drops) => put({ ...form, drops: Math.round(drops) })}
      />
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => put({ ...form, seed: Math.floor(Math.random() * 1_000_000) })}
      >
        Another one
      </button>
    </>
  );
}

function FormFields({ shape, form }: { shape: Shape; form: Exclude<Form, { kind: 'ellipse' }> }) {
  const put = (to: Form): void => act('Form', (job) => setForm(job, shape.id, to));
  const title = { star: 'Star', polygon: 'Polygon', blot: 'Blot' }[form.kind];
  return (
    <section aria-label="Form" className="grid grid-cols-2 gap-1.5">
      <h2 className="heading col-span-2">{title}</h2>
      {form.kind === 'blot' ? (
        <BlotFields form={form} put={put} />
      ) : form.kind === 'polygon' ? (
        <NumberField
          label="Sides"
          value={form.sides}
          least={3}
          most={60}
          onChange={(sides) => put({ ...form, sides: Math.round(sides) })}
        />
      ) : (
        <>
          <NumberField
            label="Points"
            value={form.points}
            least={3}
            most={60}
            onChange={(points) => put({ ...form, points: Math.round(points) })}
          />
          <NumberField
            label="Notches %"
            value={Math.round(form.depth * 100)}
            least={5}
            most={98}
            onChange={(depth) => put({ ...form, depth: depth / 100 })}
          />
        </>
      )}
    </section>
  );
}
