import { isOutputFunction, outputKey, outputLabel, requiredFunctions, type Item, type ResolvedPart } from '@wired-falcon/core';
import { FunctionOptions } from '../../ui/FunctionOptions.tsx';
import { useDesign, useMake } from '../../session/SessionContext.tsx';

/** What each output of a controller is for. The functions that the airframe wants stand first. */
export function OutputUses({ item, part }: { readonly item: Item; readonly part: ResolvedPart }) {
  const design = useDesign();
  const make = useMake();
  const outputs = part.endpoints.filter((endpoint) => endpoint.is === 'pulse-out');
  if (part.kind !== 'controller' || outputs.length === 0) return null;
  const { aircraft } = design;
  const wanted = requiredFunctions(aircraft.airframe.kind);
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
              {outputLabel(part, output)} <span className="text-ink2">bank {output.bank}</span>
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
              <FunctionOptions kind={aircraft.airframe.kind} none="no function" />
            </select>
          </label>
        );
      })}
    </details>
  );
}
