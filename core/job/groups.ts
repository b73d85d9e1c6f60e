import type { Element, Face, Group } from './schema';

/** Groups of a face: who lies in which. An element or group names the innermost group it lies in. */

const groupsOf = (face: Pick<Face, 'groups'>): readonly Group[] => face.groups ?? [];

/** The groups that something lies in, from the innermost out. */
export function groupsAround(face: Pick<Face, 'groups'>, group: string | undefined): string[] {
  const byId = new Map(groupsOf(face).map((each) => [each.id, each.group]));
  const out: string[] = [];
  for (let at = group; at && !out.includes(at); at = byId.get(at)) out.push(at);
  return out;
}

/** The elements of a group and of the groups in it, in stack order. */
export const membersOf = (face: Face, group: string): Element[] =>
  face.elements.filter((element) => groupsAround(face, element.group).includes(group));

/** What is picked up together with an element: a group, or the element alone. */
export type Unit = { group: string } | { element: string };

/**
 * The unit that an element belongs to for one who works inside the group `within`, or outside all groups where that is
 * left out. An element that is not inside counts as if nothing was entered.
 */
export function unitOf(face: Pick<Face, 'groups'>, element: Pick<Element, 'id' | 'group'>, within?: string): Unit {
  const around = groupsAround(face, element.group);
  const at = within ? around.indexOf(within) : around.length;
  const outer = around[(at < 0 ? around.length : at) - 1];
  return outer ? { group: outer } : { element: element.id };
}

const keyOf = (unit: Unit): string => ('group' in unit ? `g ${unit.group}` : `e ${unit.element}`);

/** Elements by the units that they belong to, in the order they are given. */
export function unitsOf(
  face: Pick<Face, 'groups'>,
  elements: readonly Element[],
  within?: string,
): { unit: Unit; elements: Element[] }[] {
  const units = new Map<string, { unit: Unit; elements: Element[] }>();
  for (const element of elements) {
    const unit = unitOf(face, element, within);
    const known = units.get(keyOf(unit)) ?? { unit, elements: [] };
    known.elements.push(element);
    units.set(keyOf(unit), known);
  }
  return [...units.values()];
}

/** The ids of all that is picked up with an element. */
export function pickedWith(face: Face, element: Element, within?: string): string[] {
  const unit = unitOf(face, element, within);
  return 'group' in unit ? membersOf(face, unit.group).map((e) => e.id) : [element.id];
}

/** Takes away groups that nothing lies in any more. */
export function pruneGroups(face: Face): void {
  const used = (): Set<string> =>
    new Set([...face.elements, ...(face.groups ?? [])].flatMap(({ group }) => (group ? [group] : [])));
  for (let kept = used(); face.groups?.some((g) => !kept.has(g.id)); kept = used())
    face.groups = face.groups.filter((g) => kept.has(g.id));
  if (face.groups?.length === 0) delete face.groups;
}
