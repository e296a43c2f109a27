import { useState } from 'react';
import {
  addBranch,
  CONNECTOR_FAMILIES,
  connectorFamilies,
  connectorsMate,
  connectorWords,
  freeOffsets,
  GENDERS,
  nodeNames,
  offsetOf,
  plugGoesOnto,
  portAt,
  portIn,
  portPlace,
  removeEnd,
  type Cable,
  type CableEnd,
  type Connector,
  type Graph,
} from '@wired-falcon/core';
import { useMake, useSession } from '../../session/SessionContext.tsx';

/** The ends of a cable: where each is plugged in, and what can be done with it. */
export function CableEnds({ cable, graph }: { readonly cable: Cable; readonly graph: Graph }) {
  const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
  return (
    <section aria-label="Ends" className="mt-2 border-t border-rule pt-2">
      <ul>
        {ends.map((end) => (
          <End key={end.id} cable={cable} end={end} graph={graph} mayGo={ends.length > 2} />
        ))}
      </ul>
    </section>
  );
}

interface EndProps {
  readonly cable: Cable;
  readonly end: CableEnd;
  readonly graph: Graph;
  /** More than two ends: one can be taken off, and the rest stays a cable. */
  readonly mayGo: boolean;
}

function End({ cable, end, graph, mayGo }: EndProps) {
  const make = useMake();
  const session = useSession();
  const name = nodeNames(graph, cable).get(end.id) ?? '?';
  const place = portAt(graph, end);
  const port = place?.port;
  const isInRow = place?.stretch !== undefined;
  const fits = port === undefined || connectorsMate(end.connector, port.connector);
  const takeOff = (): void => {
    const edit = removeEnd(graph, cable, end.id);
    if (edit === undefined) session.say(`Other ends of ${cable.tag} depend on ${name}. Remove those first.`);
    else make(edit);
  };
  const { at } = end;
  return (
    <li className="mb-2" data-end={name}>
      <p>
        <span className="font-semibold">{name}</span> <span className="text-[12.5px] text-ink2">{connectorWords(end.connector)}</span>
        {!fits && <span className="block text-[12.5px] text-rust">does not fit its port</span>}
      </p>
      <div className="mt-0.5 flex flex-wrap items-center gap-x-2.5 gap-y-1 text-[12.5px]">
        {at.is === 'free' ? (
          <PlugIn cable={cable} end={end} name={name} graph={graph} />
        ) : (
          <button
            type="button"
            className="underline"
            aria-label={`Unplug ${cable.tag} from ${name}`}
            onClick={() => make({ kind: 'set-cable-end', cable: cable.id, node: end.id, at: { is: 'free' }, was: at })}
          >
            Unplug
          </button>
        )}
        {isInRow && <SeatInRow cable={cable} end={end} name={name} graph={graph} />}
        <button type="button" className="underline" aria-label={`Add a branch at ${name}`} onClick={() => make(addBranch(cable, end))}>
          Add a branch
        </button>
        {mayGo && (
          <button type="button" className="underline" aria-label={`Remove the end at ${name}`} onClick={takeOff}>
            Remove
          </button>
        )}
        <PlugKind cable={cable} end={end} name={name} />
      </div>
    </li>
  );
}

/** The ports that an end can be plugged into, those that it fits first. */
function PlugIn({ cable, end, name, graph }: Omit<EndProps, 'mayGo'> & { readonly name: string }) {
  const make = useMake();
  const open = graph.items.flatMap(({ item, part }, ix) =>
    (part?.ports ?? []).flatMap((port) => {
      const whole = portIn(graph, ix, port.id);
      const [offset] = whole === undefined ? [] : freeOffsets(graph, whole, end.connector.positions);
      return offset === undefined
        ? []
        : [{ item, port, offset, key: `${item.id} ${port.id}`, fits: plugGoesOnto(end.connector, port.connector) }];
    }),
  );
  const plug = (key: string): void => {
    const chosen = open.find((place) => place.key === key);
    if (chosen === undefined) return;
    const { item, port, offset } = chosen;
    make({ kind: 'set-cable-end', cable: cable.id, node: end.id, at: portPlace(item.id, port.id, offset), was: end.at });
  };
  const group = (label: string, fits: boolean) => (
    <optgroup label={label}>
      {open
        .filter((place) => place.fits === fits)
        .map(({ item, port, key }) => (
          <option key={key} value={key}>
            {item.ref} {port.label}
          </option>
        ))}
    </optgroup>
  );
  return (
    <select
      className="field max-w-40 py-0"
      aria-label={`Plug ${name} of ${cable.tag} into`}
      value=""
      onChange={(event) => plug(event.target.value)}
    >
      <option value="">plug into ...</option>
      {group('fits', true)}
      {group('does not fit', false)}
    </select>
  );
}

/** Over which pins of a row a plug is: it can be shifted to any that are free. */
function SeatInRow({ cable, end, name, graph }: Omit<EndProps, 'mayGo'> & { readonly name: string }) {
  const make = useMake();
  const { at } = end;
  const { positions } = end.connector;
  const whole = at.is === 'port' ? portIn(graph, graph.itemIx.get(at.item) ?? -1, at.port) : undefined;
  if (at.is !== 'port' || whole === undefined) return null;
  const free = freeOffsets(graph, whole, positions, { cable: cable.id, node: end.id });
  const shift = (offset: number): void => {
    make({ kind: 'set-cable-end', cable: cable.id, node: end.id, at: portPlace(at.item, at.port, offset), was: at });
  };
  return (
    <Choice
      label={`Pins under the plug at ${name}`}
      value={String(offsetOf(at))}
      options={free.map((offset) => [String(offset), positions === 1 ? `pin ${offset + 1}` : `pins ${offset + 1}-${offset + positions}`])}
      onChoose={(offset) => shift(Number(offset))}
    />
  );
}

/** The connector of an end: another that fits, or one that does not, since that happens. */
function PlugKind({ cable, end, name }: Pick<EndProps, 'cable' | 'end'> & { readonly name: string }) {
  const make = useMake();
  const [isOpen, setOpen] = useState(false);
  const was = end.connector;
  const fit = (connector: Connector): void => {
    make({ kind: 'set-end-connector', cable: cable.id, node: end.id, connector, was });
  };
  return (
    <>
      <button
        type="button"
        className="underline"
        aria-expanded={isOpen}
        aria-label={`Change the plug at ${name}`}
        onClick={() => setOpen(!isOpen)}
      >
        Change the plug
      </button>
      {isOpen && (
        <span className="flex w-full gap-1">
          <Choice
            label={`Family of the plug at ${name}`}
            value={was.family}
            options={connectorFamilies.map((family) => [family, CONNECTOR_FAMILIES[family].title])}
            onChoose={(family) => fit({ ...was, family })}
          />
          <Choice
            label={`Ways of the plug at ${name}`}
            value={String(was.positions)}
            options={Array.from({ length: MOST_WAYS }, (_, i) => [String(i + 1), `${i + 1}-way`])}
            onChoose={(ways) => fit({ ...was, positions: Number(ways) })}
          />
          <Choice
            label={`Kind of the plug at ${name}`}
            value={was.gender}
            options={GENDERS.map((gender) => [gender, gender])}
            onChoose={(gender) => fit({ ...was, gender })}
          />
        </span>
      )}
    </>
  );
}

/** More ways than a part of the samples has. */
const MOST_WAYS = 40;

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChoose: (value: T) => void;
}

function Choice<T extends string>({ label, value, options, onChoose }: ChoiceProps<T>) {
  return (
    <select
      className="field min-w-0 px-0.5"
      aria-label={label}
      value={value}
      onChange={(event) => {
        const chosen = options.find(([own]) => own === event.target.value);
        if (chosen !== undefined) onChoose(chosen[0]);
      }}
    >
      {options.map(([own, words]) => (
        <option key={own} value={own}>
          {words}
        </option>
      ))}
    </select>
  );
}
