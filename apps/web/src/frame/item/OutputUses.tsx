import {
  AIRFRAME_KINDS,
  isOutputFunction,
  OUTPUT_FUNCTIONS,
  outputFunctions,
  outputKey,
  requiredFunctions,
  type Item,
  type OutputFunction,
  type ResolvedPart,
} from '@wired-falcon/core';
import { useDesign, useMake } from '../../session/SessionContext.tsx';

/** What each output of a controller is for. The functions that the airframe wants stand first. */
export function OutputUses({ item, part }: { readonly item: Item; readonly part: ResolvedPart }) {
  const design = useDesign();
  const make = useMake();
  const outputs = part.endpoints.filter((endpoint) => endpoint.is === 'pulse-out');
  if (part.kind !== 'controller' || outputs.length === 0) return null;
  const { aircraft } = design;
  const wanted = requiredFunctions(aircraft.airframe.kind);
  const others = outputFunctions.filter((use) => !wanted.includes(use));
  const used = new Set(Object.values(aircraft.outputs).map((use) => use.function));
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">
        Outputs: {wanted.filter((use) => used.has(use)).length} of {wanted.length} functions assigned
      </summary>
      {outputs.map((output) => {
        const now = aircraft.outputs[outputKey(item.id, output.id)]?.function;
        return (
          <label key={output.id} className="mt-1.5 grid grid-cols-[92px_1fr] items-center text-[13px]">
            <span>
              {labelOf(part, output.pin)} <span className="text-ink2">bank {output.bank}</span>
            </span>
            <select
              className="field"
              value={now ?? ''}
              onChange={(event) => {
                const next = event.target.value;
                const use = isOutputFunction(next) ? next : null;
                make({ kind: 'set-output-function', item: item.id, output: output.id, function: use, was: now ?? null });
              }}
            >
              <option value="">no function</option>
              <Options title={`For a ${AIRFRAME_KINDS[aircraft.airframe.kind].title}`} uses={wanted} />
              <Options title="Others" uses={others} />
            </select>
          </label>
        );
      })}
    </details>
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

function labelOf(part: ResolvedPart, pin: string): string {
  const id = pin.slice(0, pin.lastIndexOf('.'));
  const port = part.ports.find((candidate) => candidate.id === id);
  return port === undefined
    ? id
    : port.pins.filter(({ role }) => role === 'pulse-out').length > 1
      ? (pinLabel(port, pin) ?? id)
      : port.label;
}

function pinLabel(port: ResolvedPart['ports'][number], pin: string): string | undefined {
  return port.pins.find(({ n }) => n === Number(pin.slice(pin.lastIndexOf('.') + 1)))?.label;
}
