import { OUTPUT_FUNCTIONS, outputFunctions, requiredFunctions, type AirframeKind, type OutputFunction } from '@wired-falcon/core';

interface FunctionOptionsProps {
  readonly kind: AirframeKind;
  /** What no function is called. */
  readonly none: string;
}

/** The functions that an output can have, as options of a list: those that the airframe needs stand first. */
export function FunctionOptions({ kind, none }: FunctionOptionsProps) {
  const needed = requiredFunctions(kind);
  return (
    <>
      <option value="">{none}</option>
      <Options title="The airframe needs" uses={needed} />
      <Options title="Others" uses={outputFunctions.filter((name) => !needed.includes(name))} />
    </>
  );
}

function Options({ title, uses }: { readonly title: string; readonly uses: readonly OutputFunction[] }) {
  return (
    <optgroup label={title}>
      {uses.map((use) => (
        <option key={use} value={use}>
          {OUTPUT_FUNCTIONS[use].title}
        </option>
      ))}
    </optgroup>
  );
}
