import type { Face } from '../../../core/job/schema';

/** Which faces are written; nothing to choose of a piece with one. */
export function FaceChoice({
  faces,
  chosen,
  onChange,
}: {
  faces: readonly Face[];
  chosen: readonly number[];
  onChange(chosen: readonly number[]): void;
}) {
  if (faces.length === 1) return null;
  return faces.map((face, i) => (
    <label key={face.id} className="flex cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={chosen.includes(i)}
        onChange={(event) =>
          onChange(event.target.checked ? [...chosen, i].sort((a, b) => a - b) : chosen.filter((n) => n !== i))
        }
      />
      {face.name}
    </label>
  ));
}
