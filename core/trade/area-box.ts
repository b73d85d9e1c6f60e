import type { AreaRule } from './data-schema';

/** One way: from the near edge, the far edge, or between both; as long as it says, or all that is left. */
function along(near: number | undefined, far: number | undefined, size: number | undefined, whole: number) {
  const length = size ?? whole - (near ?? 0) - (far ?? 0);
  const from = near !== undefined && !(size !== undefined && far !== undefined) ? near : whole - (far ?? 0) - length;
  return { from: near === undefined && far === undefined ? 0 : from, length };
}

/** Where an area of a rule set lies on a face of that size, in points; never beyond the face. */
export function areaBox(
  { left, right, top, bottom, width, height }: AreaRule,
  face: { width: number; height: number },
) {
  const across = along(left, right, width, face.width);
  const down = along(top, bottom, height, face.height);
  const x = Math.max(0, across.from);
  const y = Math.max(0, down.from);
  return {
    x,
    y,
    width: Math.max(0, Math.min(face.width, across.from + across.length) - x),
    height: Math.max(0, Math.min(face.height, down.from + down.length) - y),
  };
}
