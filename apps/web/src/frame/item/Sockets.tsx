import { useId, useState } from 'react';
import {
  asId,
  signalTitle,
  SOCKET_ROLES,
  socketEndpoints,
  socketProblem,
  socketWords,
  TRANSPORTS,
  withFreshIds,
  type Item,
  type ResolvedPart,
  type Socket,
  type SocketId,
} from '@wired-falcon/core';
import { makeId } from '../../session/author.ts';
import { useMake } from '../../session/SessionContext.tsx';

/** What carries the bytes of an item over a network: its sockets, each changed and taken away here, and a form for another one. */
export function Sockets({ item, part }: { readonly item: Item; readonly part: ResolvedPart }) {
  const make = useMake();
  const endpoints = socketEndpoints(part);
  const [open, setOpen] = useState<'none' | 'new' | SocketId>('none');
  if (endpoints.length === 0) return null;
  const sockets = Object.entries(item.sockets ?? {});
  const save = (id: SocketId | undefined, socket: Socket, was: Socket | null): void => {
    const edit = { kind: 'set-socket', item: item.id, id: id ?? asId<SocketId>('?1'), socket, was } as const;
    make(id === undefined ? withFreshIds(edit, makeId) : edit);
    setOpen('none');
  };
  return (
    <section aria-label="Sockets" className="mt-3 text-[12.5px]">
      <h3 className="font-semibold">Sockets</h3>
      <ul>
        {sockets.map(([key, socket]) => {
          const id = asId<SocketId>(key);
          const words = `${signalTitle(part, socket.endpoint)}: ${socketWords(socket)}`;
          return (
            <li key={key} className="mt-0.5">
              <span className="value">{words}</span>{' '}
              <button type="button" className="underline" aria-label={`Change ${words}`} onClick={() => setOpen(open === id ? 'none' : id)}>
                Change
              </button>{' '}
              <button
                type="button"
                className="underline"
                aria-label={`Remove ${words}`}
                onClick={() => make({ kind: 'set-socket', item: item.id, id, socket: null, was: socket })}
              >
                Remove
              </button>
              {open === id && <SocketForm key={id} part={part} first={socket} onSave={(next, was) => save(id, next, was)} />}
            </li>
          );
        })}
      </ul>
      {open === 'new' ? (
        <SocketForm part={part} first={undefined} onSave={(next) => save(undefined, next, null)} />
      ) : (
        <button type="button" className="action mt-1" onClick={() => setOpen('new')}>
          Add a socket
        </button>
      )}
    </section>
  );
}

interface SocketFormProps {
  readonly part: ResolvedPart;
  readonly first: Socket | undefined;
  /** Told the new socket, and what stood there when the form was opened: a colleague may have changed it meanwhile. */
  readonly onSave: (socket: Socket, was: Socket | null) => void;
}

/** What was typed stays as it is until it makes a socket. */
function SocketForm({ part, first, onSave }: SocketFormProps) {
  const id = useId();
  const [was] = useState(first ?? null);
  const endpoints = socketEndpoints(part);
  const [endpoint, setEndpoint] = useState(first?.endpoint ?? endpoints[0] ?? '');
  const [transport, setTransport] = useState<Socket['transport']>(first?.transport ?? 'udp');
  const [role, setRole] = useState<Socket['role']>(first?.role ?? 'client');
  const [localPort, setLocalPort] = useState(first?.localPort === undefined ? '' : String(first.localPort));
  const [address, setAddress] = useState(first?.remote?.address ?? '');
  const [port, setPort] = useState(first?.remote === undefined ? '' : String(first.remote.port));
  const [problem, setProblem] = useState<string>();
  const submit = (): void => {
    const socket = socketFrom({ endpoint, transport, role, localPort, address, port });
    const wrong = typeof socket === 'string' ? socket : socketProblem(socket);
    setProblem(wrong);
    if (wrong === undefined && typeof socket !== 'string') onSave(socket, was);
  };
  return (
    <form
      aria-label={first === undefined ? 'New socket' : 'Change the socket'}
      className="mt-1 grid grid-cols-[92px_minmax(0,1fr)] items-center gap-y-1 border-l-2 border-rule pl-2"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <label htmlFor={`${id}-endpoint`}>Data of</label>
      <select id={`${id}-endpoint`} className="field" value={endpoint} onChange={(event) => setEndpoint(event.target.value)}>
        {endpoints.map((one) => (
          <option key={one} value={one}>
            {signalTitle(part, one)}
          </option>
        ))}
      </select>
      <label htmlFor={`${id}-transport`}>Transport</label>
      <select
        id={`${id}-transport`}
        className="field"
        value={transport}
        onChange={(event) => setTransport(event.target.value === 'tcp' ? 'tcp' : 'udp')}
      >
        {Object.entries(TRANSPORTS).map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
      <label htmlFor={`${id}-role`}>Role</label>
      <select
        id={`${id}-role`}
        className="field"
        value={role}
        onChange={(event) => setRole(event.target.value === 'server' ? 'server' : event.target.value === 'peer' ? 'peer' : 'client')}
      >
        {Object.entries(SOCKET_ROLES).map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
      {role !== 'client' && (
        <>
          <label htmlFor={`${id}-local`}>Own port</label>
          <input
            id={`${id}-local`}
            className="field value"
            inputMode="numeric"
            value={localPort}
            onChange={(event) => setLocalPort(event.target.value)}
          />
        </>
      )}
      {role !== 'server' && (
        <>
          <label htmlFor={`${id}-address`}>To address</label>
          <input id={`${id}-address`} className="field value" value={address} onChange={(event) => setAddress(event.target.value)} />
          <label htmlFor={`${id}-port`}>To port</label>
          <input
            id={`${id}-port`}
            className="field value"
            inputMode="numeric"
            value={port}
            onChange={(event) => setPort(event.target.value)}
          />
        </>
      )}
      {problem !== undefined && (
        <p role="alert" className="col-span-2 text-rust">
          {problem}
        </p>
      )}
      <button type="submit" className="action col-span-2 justify-self-start">
        {first === undefined ? 'Add it' : 'Change it'}
      </button>
    </form>
  );
}

interface Typed {
  readonly endpoint: string;
  readonly transport: Socket['transport'];
  readonly role: Socket['role'];
  readonly localPort: string;
  readonly address: string;
  readonly port: string;
}

/** The socket that was typed, or a sentence about what is no number. */
function socketFrom({ endpoint, transport, role, localPort, address, port }: Typed): Socket | string {
  const own = role === 'client' ? undefined : wholeNumber(localPort);
  const to = role === 'server' ? undefined : wholeNumber(port);
  if (own === 'wrong') return `"${localPort}" is not a port: enter a whole number from 1 to 65535.`;
  if (to === 'wrong') return `"${port}" is not a port: enter a whole number from 1 to 65535.`;
  const remote = role === 'server' || (to === undefined && address.trim() === '') ? undefined : { address: address.trim(), port: to ?? 0 };
  return { endpoint, transport, role, ...(own === undefined ? {} : { localPort: own }), ...(remote === undefined ? {} : { remote }) };
}

function wholeNumber(text: string): number | undefined | 'wrong' {
  const trimmed = text.trim();
  if (trimmed === '') return undefined;
  return /^-?\d{1,6}$/.test(trimmed) ? Number(trimmed) : 'wrong';
}
