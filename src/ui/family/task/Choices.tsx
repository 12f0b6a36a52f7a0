/** A choice of a few, none chosen at first. */
export function Choices({
  name,
  title,
  chosen,
  options,
}: {
  name: string;
  title: string;
  chosen: string | null;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <fieldset className="mt-4">
      <legend className="mb-1.5 text-[1.06rem] font-bold">{title}</legend>
      <div className={`gap-2 ${options.length > 2 ? 'pairs' : 'grid'}`}>
        {options.map(([value, label]) => (
          <label key={value} className="choice">
            <input type="radio" name={name} value={value} defaultChecked={chosen === value} />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

export function Tick({ name, label, ticked }: { name: string; label: string; ticked: boolean | undefined }) {
  return (
    <label className="choice">
      <input type="checkbox" name={name} defaultChecked={ticked} />
      {label}
    </label>
  );
}
