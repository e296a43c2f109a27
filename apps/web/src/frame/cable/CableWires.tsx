import {
  AWG_SIZES,
  contactTakes,
  LIMITS,
  nodeNames,
  pinAt,
  portAt,
  WIRE_COLOURS,
  type Cable,
  type Conductor,
  type Graph,
  type NodePin,
} from '@wired-falcon/core';
import { useState } from 'react';
import { useMake } from '../../session/SessionContext.tsx';
import { Swatch } from '../../ui/Swatch.tsx';

/** Every wire of a cable with its colour and gauge, as they really are. */
export function CableWires({ cable, graph }: { readonly cable: Cable; readonly graph: Graph }) {
  const conductors = Object.values(cable.conductors);
  if (conductors.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer text-[13px] font-semibold text-ink2">Wires: colour and gauge</summary>
      <ul className="mt-1.5">
        {conductors.map((conductor) => (
          <Wire key={conductor.id} cable={cable} conductor={conductor} graph={graph} />
        ))}
      </ul>
    </details>
  );
}

function Wire({ cable, conductor, graph }: { readonly cable: Cable; readonly conductor: Conductor; readonly graph: Graph }) {
  const make = useMake();
  const { colour, awg } = conductor;
  const name = `${contactName(graph, cable, conductor.a)} to ${contactName(graph, cable, conductor.b)}`;
  const tight = [conductor.a, conductor.b].some((at) => {
    const node = cable.nodes[at.node];
    return node?.is === 'end' && !contactTakes(node.connector, awg);
  });
  return (
    <li className="mt-1 grid grid-cols-[minmax(0,1fr)_76px_50px] items-center gap-1.5 text-[12.5px]">
      <span className="flex items-center gap-1.5">
        <Swatch colour={colour} /> <span className="value truncate text-[11.5px]">{name}</span>
      </span>
      <select
        className="field px-1"
        aria-label={`Colour of ${name}`}
        value={colour}
        onChange={(event) => {
          const next = WIRE_COLOURS.find((each) => each === event.target.value);
          if (next !== undefined)
            make({ kind: 'set-conductor-colour', cable: cable.id, conductor: conductor.id, colour: next, was: colour });
        }}
      >
        {WIRE_COLOURS.map((each) => (
          <option key={each} value={each}>
            {each}
          </option>
        ))}
      </select>
      <select
        className="field value px-0.5"
        aria-label={`Gauge of ${name}`}
        value={awg}
        onChange={(event) =>
          make({ kind: 'set-conductor-gauge', cable: cable.id, conductor: conductor.id, awg: Number(event.target.value), was: awg })
        }
      >
        {AWG_SIZES.map((each) => (
          <option key={each} value={each}>
            {each}
          </option>
        ))}
      </select>
      {tight && <span className="col-span-3 text-rust">AWG {awg} does not fit the contact of one of the ends.</span>}
    </li>
  );
}

function contactName(graph: Graph, cable: Cable, at: NodePin): string {
  const node = cable.nodes[at.node];
  const name = nodeNames(graph, cable).get(at.node) ?? '?';
  if (node?.is !== 'end') return name;
  const place = portAt(graph, node);
  const pin = place === undefined ? String(at.n) : `${at.n} ${pinAt(place.port, at.n)?.label ?? ''}`;
  return Object.keys(cable.legs).length === 1 ? pin : `${name} ${pin}`;
}

/** A text of a cable; the label is printed at both ends. */
export function CableText({ cable, field, title }: { readonly cable: Cable; readonly field: 'label' | 'note'; readonly title: string }) {
  const make = useMake();
  const was = cable[field] ?? '';
  const [text, setText] = useState(was);
  const save = (): void => {
    if (text.trim() !== was) make({ kind: 'set-cable-text', cable: cable.id, field, value: text.trim(), was });
  };
  return (
    <label className="mt-1.5 grid grid-cols-[92px_1fr] items-center">
      <span className="text-ink2">{title}</span>
      <input
        className="field w-full min-w-0"
        maxLength={field === 'label' ? LIMITS.labelChars : LIMITS.noteChars}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && save()}
      />
    </label>
  );
}
