import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import {
  clearContact,
  CONNECTOR_FAMILIES,
  contactJoins,
  joinContacts,
  nodeNames,
  swapContacts,
  takesSeveralCables,
  toggleContact,
  wiresAt,
  type Cable,
  type CableEnd,
  type ContactJoin,
  type Edit,
  type Graph,
} from '@wired-falcon/core';
import { useMake, useSession } from '../../../session/SessionContext.tsx';
import { WIRE_PAINT } from '../../../ui/wireColours.ts';
import { Rung } from './Rung.tsx';
import { rungsOf, type Side } from './rungsOf.ts';

const ROW = 46;
const BETWEEN = 252;

interface Chosen {
  readonly side: Side;
  readonly n: number;
}

interface LadderProps {
  readonly graph: Graph;
  readonly cable: Cable;
  readonly ends: Readonly<Record<Side, CableEnd>>;
  readonly heads: Readonly<Record<Side, ReactNode>>;
  /** Puts the next end opposite. */
  readonly onNext: () => void;
}

/** The contacts of two ends in physical order, and the wires between them. */
export function Ladder({ graph, cable, ends, heads, onNext }: LadderProps) {
  const make = useMake();
  const session = useSession();
  const [chosen, setChosen] = useState<Chosen>();
  const [cursor, setCursor] = useState<Chosen>({ side: 'a', n: 1 });
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const rungs = { a: rungsOf(graph, cable, ends.a, ends.b), b: rungsOf(graph, cable, ends.b, ends.a) };
  const rows = Math.max(rungs.a.length, rungs.b.length);
  const act = (edit: Edit | undefined, otherwise: string): void => {
    if (edit === undefined) session.say(otherwise);
    else make(edit);
  };
  const choose = (at: Chosen): void => {
    if (chosen === undefined || chosen.side === at.side) return setChosen(chosen?.n === at.n && chosen.side === at.side ? undefined : at);
    const edit = joinContacts(graph, cable, { end: ends[chosen.side], n: chosen.n }, { end: ends[at.side], n: at.n });
    act(edit, `Pins ${chosen.n} and ${at.n} are already connected.`);
    setChosen(undefined);
  };
  const goTo = (at: Chosen): void => {
    setCursor(at);
    buttons.current.get(`${at.side}${at.n}`)?.focus();
  };
  const disconnect = ({ side, n }: Chosen): void =>
    act(clearContact(graph, cable, { node: ends[side].id, n }), `Pin ${n} is not connected.`);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target instanceof HTMLSelectElement) return;
    const { side, n } = cursor;
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => goTo({ side, n: Math.min(n + 1, rungs[side].length) }),
      ArrowUp: () => goTo({ side, n: Math.max(n - 1, 1) }),
      ArrowLeft: () => goTo({ side: 'a', n: Math.min(n, rungs.a.length) }),
      ArrowRight: () => goTo({ side: 'b', n: Math.min(n, rungs.b.length) }),
      Delete: () => disconnect(cursor),
      x: () => act(swapContacts(cable, ends[side], n), `There is nothing to swap at pins ${n} and ${n + 1}.`),
      c: () => make(toggleContact(cable, ends[side], n)),
      o: onNext,
      Escape: () => setChosen(undefined),
    };
    const key = keys[event.key];
    if (key === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    key();
  };
  const column = (side: Side) =>
    rungs[side].map((rung) => {
      const at = { side, n: rung.n };
      return (
        <li key={rung.n} style={{ height: ROW }} className={`flex items-center gap-2 ${side === 'a' ? 'flex-row-reverse' : ''}`}>
          <Rung
            rung={rung}
            side={side}
            isChosen={chosen?.side === side && chosen.n === rung.n}
            isCurrent={cursor.side === side && cursor.n === rung.n}
            hold={(element) => {
              if (element === null) buttons.current.delete(`${side}${rung.n}`);
              else buttons.current.set(`${side}${rung.n}`, element);
            }}
            onFocus={() => setCursor(at)}
            onChoose={() => choose(at)}
          />
          {!takesSeveralCables(ends[side].connector) && rung.n <= ends[side].connector.positions && (
            <button
              type="button"
              className="text-[12px] text-ink2 underline"
              aria-label={`${rung.isPulled ? 'Fit' : 'Pull'} contact ${rung.n} of ${rung.place}`}
              onClick={() => make(toggleContact(cable, ends[side], rung.n))}
            >
              {rung.isPulled ? 'fit' : 'pull'}
            </button>
          )}
          {wiresAt(cable, { node: ends[side].id, n: rung.n }).length > 0 && side === 'b' && (
            <button
              type="button"
              className="text-[12px] text-ink2 underline"
              aria-label={`Disconnect pin ${rung.n} of ${rung.place}`}
              onClick={() => disconnect(at)}
            >
              disconnect
            </button>
          )}
        </li>
      );
    });
  return (
    <div className="mt-4 grid w-fit grid-cols-[minmax(220px,auto)_260px_minmax(240px,auto)]" onKeyDown={onKeyDown} data-testid="ladder">
      <Head end={ends.a} align="right">
        {heads.a}
      </Head>
      <span />
      <Head end={ends.b} align="left">
        {heads.b}
      </Head>
      <ul>{column('a')}</ul>
      <svg width={BETWEEN + 8} height={rows * ROW} role="img" aria-label={joinWords(graph, cable, ends)} className="px-1">
        {contactJoins(cable, ends.a, ends.b).map((join) => (
          <Wires key={`${join.a} ${join.b}`} join={join} ends={ends} />
        ))}
      </svg>
      <ul>{column('b')}</ul>
    </div>
  );
}

/** The wire of a join, with a dot where it is spliced on its way. */
function Wires({ join, ends }: { readonly join: ContactJoin; readonly ends: LadderProps['ends'] }) {
  const [first] = join.wires;
  if (first === undefined) return null;
  const line = { x1: 0, x2: BETWEEN, y1: (join.a - 0.5) * ROW, y2: (join.b - 0.5) * ROW };
  const isOpen = ends.a.absent?.includes(join.a) === true || ends.b.absent?.includes(join.b) === true;
  return (
    <g opacity={isOpen ? 0.35 : 1}>
      <line {...line} stroke="#1c2530" strokeWidth="6" />
      <line {...line} stroke={WIRE_PAINT[first.colour]} strokeWidth="4" />
      {join.wires.length > 1 && (
        <circle cx={BETWEEN / 2} cy={(line.y1 + line.y2) / 2} r="6" fill="#fbf9f4" stroke="#1c2530" strokeWidth="2" />
      )}
    </g>
  );
}

/** What the drawing shows, in words. */
function joinWords(graph: Graph, cable: Cable, { a, b }: LadderProps['ends']): string {
  const names = nodeNames(graph, cable);
  const joins = contactJoins(cable, a, b).map((join) => `${join.a} to ${join.b}${join.wires.length > 1 ? ' by a splice' : ''}`);
  const between = `between ${names.get(a.id) ?? ''} and ${names.get(b.id) ?? ''}`;
  return joins.length === 0 ? `No wires ${between}` : `Wires ${between}: ${joins.join(', ')}`;
}

function Head({
  end: { connector },
  align,
  children,
}: {
  readonly end: CableEnd;
  readonly align: 'left' | 'right';
  readonly children: ReactNode;
}) {
  return (
    <div className={align === 'right' ? 'text-right' : ''}>
      {children}
      <p className="text-[12.5px] text-ink2">
        {CONNECTOR_FAMILIES[connector.family].title}, {connector.positions}-way {connector.gender}
      </p>
    </div>
  );
}
