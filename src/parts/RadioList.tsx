/** A choice of one, each option with what it is and why one would take it. */
export function RadioList<T extends string>(props: {
  name: string;
  says: string;
  options: readonly (readonly [T, string, string])[];
  value: T;
  onChange(value: NoInfer<T>): void;
}) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="heading mb-1">{props.says}</legend>
      {props.options.map(([id, says, why]) => (
        <label key={id} className="flex cursor-pointer items-baseline gap-2">
          <input
            type="radio"
            name={props.name}
            className="radio radio-sm"
            checked={props.value === id}
            onChange={() => props.onChange(id)}
            aria-label={says}
          />
          <span>
            {says} <span className="quiet block text-[14px]">{why}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}
