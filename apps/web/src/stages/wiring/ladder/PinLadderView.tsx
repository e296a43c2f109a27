import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Link, useParams } from 'react-router';
import {
  asId,
  CONNECTOR_FAMILIES,
  pinNode,
  plainCable,
  quantity,
  repinEdits,
  takesSeveralCables,
  voltsAt,
  type CableId,
  type Graph,
  type PinMapPreset,
  type PortLeg,
  type PortAt,
} from '@wired-falcon/core';
import { paths } from '../../../addresses/paths.ts';
import { useSelection } from '../../../selection/SelectionContext.tsx';
import { useDesign, useGraph, useMake, useSession } from '../../../session/SessionContext.tsx';
import { usePageTitle } from '../../../ui/pageTitle.ts';
import { WIRE_PAINT } from '../../../ui/wireColours.ts';
import { pinPaint } from '../../../drawing/pinPaint.ts';
import { conductorsAt, joinEdit, partEdit, swapWithNext, toggleContact, type Side } from './ladderEdits.ts';

const ROW = 46;

/** Both ports of a cable face to face, with the conductors between; joined, parted and swapped by pointer or arrow keys. */
export function PinLadderView() {
  const { cable: cableId = '' } = useParams();
  const graph = useGraph();
  const design = useDesign();
  const { select } = useSelection();
  const id = asId<CableId>(cableId);
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  const tag = cable?.tag;
  useEffect(() => {
    if (tag !== undefined) select({ is: 'cable', cable: id });
  }, [id, tag, select]);
  usePageTitle(`${design.aircraft.name}, ${tag ?? 'cable'}`);
  const back = (
    <Link className="action" to={paths.wiring(design.aircraft.id)}>
      Back to the sheet
    </Link>
  );
  if (cable === undefined) return <p className="p-6">This cable is no longer in the aircraft. {back}</p>;
  const plain = plainCable(graph, cable);
  if (plain === undefined) {
    return (
      <div className="p-6">
        <p className="mb-3 max-w-prose">
          {cable.tag} has a free end or more than one leg. The pin ladder shows cables that run from one port to another; plug its ends in
          first.
        </p>
        {back}
      </div>
    );
  }
  return (
    <div className="px-6 py-5">
      <div className="flex items-center justify-between">
        <h2 className="text-xl font-bold">
          {cable.tag} <span className="font-normal text-ink2">pin ladder</span>
        </h2>
        {back}
      </div>
      <Presets graph={graph} plain={plain} />
      <Ladder graph={graph} plain={plain} />
      <p className="mt-3 max-w-prose text-[13px] text-ink2">
        Choose a pin, then its counterpart. Keys: arrows go along and across, Enter chooses, Delete parts, x swaps with the next pin, c
        pulls the contact from the shell or fits it. Check polarity with a meter before the cable meets a part.
      </p>
    </div>
  );
}

const PRESETS: readonly (readonly [PinMapPreset, string])[] = [
  ['meaning', 'Re-pin by meaning'],
  ['straight', 'Straight through'],
  ['mirrored', 'Mirrored'],
  ['supply-pulled', 'Supply pin pulled'],
];

function Presets({ graph, plain }: { readonly graph: Graph; readonly plain: PortLeg }) {
  const make = useMake();
  const session = useSession();
  const take = (preset: PinMapPreset, label: string): void => {
    const edits = repinEdits(graph, plain, preset);
    if (edits.length === 0) session.say(`${plain.cable.tag} already has this pin map.`);
    else make({ kind: 'batch', title: `${label}: ${plain.cable.tag}`, edits });
  };
  return (
    <div className="mt-3 flex flex-wrap gap-1.5">
      {PRESETS.map(([preset, label]) => (
        <button key={preset} type="button" className="action font-normal" onClick={() => take(preset, label)}>
          {label}
        </button>
      ))}
    </div>
  );
}

interface Chosen {
  readonly side: Side;
  readonly n: number;
}

function Ladder({ graph, plain }: { readonly graph: Graph; readonly plain: PortLeg }) {
  const make = useMake();
  const session = useSession();
  const [chosen, setChosen] = useState<Chosen>();
  const [cursor, setCursor] = useState<Chosen>({ side: 'a', n: 1 });
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const rows = Math.max(plain.a.port.pins.length, plain.b.port.pins.length);
  const choose = (at: Chosen): void => {
    if (chosen === undefined || chosen.side === at.side) return setChosen(chosen?.n === at.n && chosen.side === at.side ? undefined : at);
    make(joinEdit(graph, plain, chosen, at.n));
    setChosen(undefined);
  };
  const goTo = (at: Chosen): void => {
    setCursor(at);
    buttons.current.get(`${at.side}${at.n}`)?.focus();
  };
  const act = (edit: ReturnType<typeof partEdit>, otherwise: string): void => {
    if (edit === undefined) session.say(otherwise);
    else make(edit);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const { side, n } = cursor;
    const pins = side === 'a' ? plain.a.port.pins.length : plain.b.port.pins.length;
    const other: Side = side === 'a' ? 'b' : 'a';
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => goTo({ side, n: Math.min(n + 1, pins) }),
      ArrowUp: () => goTo({ side, n: Math.max(n - 1, 1) }),
      ArrowLeft: () => goTo({ side: 'a', n: Math.min(n, plain.a.port.pins.length) }),
      ArrowRight: () => goTo({ side: 'b', n: Math.min(n, plain.b.port.pins.length) }),
      Delete: () => act(partEdit(plain, side, n), `Pin ${n} is not joined to anything.`),
      x: () => act(swapWithNext(plain, side, n), `There is nothing to swap at pins ${n} and ${n + 1}.`),
      c: () => act(toggleContact(plain, side, n), ''),
      Escape: () => setChosen(undefined),
    };
    const key = keys[event.key];
    if (key === undefined || event.ctrlKey || event.metaKey || event.altKey || other === side) return;
    event.preventDefault();
    event.stopPropagation();
    key();
  };
  const column = (side: Side, at: PortAt) =>
    at.port.pins.map((pin) => {
      const key = `${side}${pin.n}`;
      const end = side === 'a' ? plain.endA : plain.endB;
      const isPulled = end.absent?.includes(pin.n) === true;
      const node = pinNode(graph, at.itemId, at.port.id, pin.n);
      const volts = node === undefined ? undefined : voltsAt(graph, node);
      const isChosen = chosen?.side === side && chosen.n === pin.n;
      return (
        <li key={key} style={{ height: ROW }} className={`flex items-center gap-2 ${side === 'a' ? 'flex-row-reverse' : ''}`}>
          <button
            type="button"
            ref={(element) => {
              if (element === null) buttons.current.delete(key);
              else buttons.current.set(key, element);
            }}
            tabIndex={cursor.side === side && cursor.n === pin.n ? 0 : -1}
            aria-pressed={isChosen}
            aria-label={`Pin ${pin.n} ${pin.label} of ${at.ref} ${at.port.label}${isPulled ? ', contact pulled' : ''}`}
            data-ladder={`${at.ref}.${pin.n}`}
            className={`flex h-8 w-[150px] items-center gap-2 border px-2 ${side === 'a' ? 'flex-row-reverse' : ''} ${isChosen ? 'border-2 border-rust bg-white' : 'border-ink bg-sheet'}`}
            onFocus={() => setCursor({ side, n: pin.n })}
            onClick={() => choose({ side, n: pin.n })}
          >
            <svg width="12" height="12" aria-hidden="true">
              <circle
                cx="6"
                cy="6"
                r="5"
                fill={isPulled ? 'none' : pinPaint(pin)}
                stroke="#1c2530"
                strokeDasharray={isPulled ? '2 2' : undefined}
              />
            </svg>
            <span className="value">{pin.n}</span>
            <span className="value font-medium">{pin.label}</span>
            <span className="value grow text-right text-ink2">{volts === undefined ? '' : quantity(volts, 'V')}</span>
          </button>
          {!takesSeveralCables(end.connector) && (
            <button type="button" className="text-[12px] text-ink2 underline" onClick={() => make(toggleContact(plain, side, pin.n))}>
              {isPulled ? 'fit' : 'pull'}
            </button>
          )}
          {conductorsAt(plain, side, pin.n).length > 0 && side === 'b' && (
            <button
              type="button"
              className="text-[12px] text-ink2 underline"
              aria-label={`Part pin ${pin.n} of ${at.ref}`}
              onClick={() => act(partEdit(plain, side, pin.n), '')}
            >
              part
            </button>
          )}
        </li>
      );
    });
  return (
    <div className="mt-4 grid w-fit grid-cols-[220px_260px_240px]" onKeyDown={onKeyDown} data-testid="ladder">
      <PortHead at={plain.a} align="right" />
      <span />
      <PortHead at={plain.b} align="left" />
      <ul>{column('a', plain.a)}</ul>
      <svg width="260" height={rows * ROW} aria-hidden="true" className="px-1">
        {plain.conductors.map((conductor) => {
          const line = { x1: 0, x2: 252, y1: (conductor.a.n - 0.5) * ROW, y2: (conductor.b.n - 0.5) * ROW };
          const isOpen = plain.endA.absent?.includes(conductor.a.n) === true || plain.endB.absent?.includes(conductor.b.n) === true;
          return (
            <g key={conductor.id} opacity={isOpen ? 0.35 : 1}>
              <line {...line} stroke="#1c2530" strokeWidth="6" />
              <line {...line} stroke={WIRE_PAINT[conductor.colour]} strokeWidth="4" />
            </g>
          );
        })}
      </svg>
      <ul>{column('b', plain.b)}</ul>
    </div>
  );
}

function PortHead({ at, align }: { readonly at: PortAt; readonly align: 'left' | 'right' }) {
  const { connector } = at.port;
  return (
    <div className={align === 'right' ? 'text-right' : ''}>
      <p className="font-bold">
        {at.ref} {at.port.label}
      </p>
      <p className="text-[12.5px] text-ink2">
        {CONNECTOR_FAMILIES[connector.family].title}, {connector.positions}-way {connector.gender}
      </p>
    </div>
  );
}
