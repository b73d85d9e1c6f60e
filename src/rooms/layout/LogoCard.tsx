import { nanoid } from 'nanoid';
import { inkBounds } from '../../../core/devices/bounds';
import { unionOf } from '../../../core/geometry/box';
import { groupAsLogo, keepLogo, nameGroupLogo } from '../../../core/job/edits/logos';
import { groupsAround } from '../../../core/job/groups';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';

/** What is selected as a logo of the house: kept as a new one, or known as one that is there. */
export function LogoCard() {
  const { job, shown, selection, sources } = useBench();
  const [first] = selection;
  const face = shown.find((f) => f.elements.some((e) => e.id === first?.id));
  if (!face || !first) return null;
  const common = groupsAround(face, first.group).find((group) =>
    selection.every((e) => groupsAround(face, e.group).includes(group)),
  );
  const group = face.groups?.find((g) => g.id === common);
  const logo = job.logos.find(({ id }) => id === group?.logo);
  function keep(): void {
    const box = unionOf(selection.flatMap((e) => inkBounds(e, sources) ?? []));
    if (!box || !face) return;
    const id = nanoid(8);
    const name = group?.name ?? `Logo ${job.logos.length + 1}`;
    act('Save as a logo', (j) => {
      const kept = keepLogo(j, selection, box, { id, name });
      const ids = selection.map((e) => e.id);
      return common
        ? nameGroupLogo(kept, face.id, common, id)
        : groupAsLogo(kept, face.id, ids, { group: nanoid(8), logo: id, name });
    });
  }
  return (
    <section aria-label="Logo" className="grid gap-1.5">
      <h2 className="heading">Logo</h2>
      {logo && group ? (
        <>
          <p className="quiet text-[14px]">This is “{logo.name}” of the house style.</p>
          <button
            type="button"
            className="btn btn-sm justify-self-start"
            onClick={() => act('Remove from logos', (j) => nameGroupLogo(j, face.id, group.id, undefined))}
          >
            Remove from logos
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-sm justify-self-start" onClick={keep}>
          Save as a logo
        </button>
      )}
    </section>
  );
}
