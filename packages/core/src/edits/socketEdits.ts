import { Type } from '@sinclair/typebox';
import { sameJson } from '../model/canonicalJson.ts';
import { ItemIdSchema, SocketIdSchema } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { SocketSchema, socketProblem, socketWords } from '../model/socket.ts';
import { carriesSockets } from '../model/socketEndpoints.ts';
import { changeItem } from './changeItem.ts';
import { editKind, refuse } from './family.ts';
import { refOf } from './lookups.ts';

const orNone = Type.Union([SocketSchema, Type.Null()]);

const setSocket = editKind({
  kind: 'set-socket',
  schema: Type.Object(
    {
      kind: Type.Literal('set-socket'),
      item: ItemIdSchema,
      id: SocketIdSchema,
      /** Null: it is taken away. */
      socket: orNone,
      was: orNone,
    },
    { additionalProperties: false },
  ),
  title: (edit, design) => {
    const ref = refOf(design, edit.item);
    if (edit.socket !== null) return `${ref}: ${edit.socket.endpoint} carries ${socketWords(edit.socket)}`;
    return edit.was === null ? `Remove a socket of ${ref}` : `Remove ${socketWords(edit.was)} of ${ref}`;
  },
  apply: (design, edit) =>
    changeItem(design.aircraft, edit.item, (item) => {
      const { [edit.id]: now, ...others } = item.sockets ?? {};
      if (!sameJson(now ?? null, edit.was))
        return refuse('changed-since', `The socket of ${item.ref} was changed meanwhile. Check it, then decide.`, item.id);
      const { sockets: _all, ...rest } = item;
      if (edit.socket === null) return Object.keys(others).length === 0 ? rest : { ...rest, sockets: others };
      const { endpoint } = edit.socket;
      const part = design.parts.get(item.part);
      if (part === undefined || !carriesSockets(part, endpoint))
        return refuse('unknown-port', `${item.ref} has no "${endpoint}" that can use a network.`, item.id);
      const wrong = socketProblem(edit.socket);
      if (wrong !== undefined) return refuse('bad-shape', wrong, item.id);
      if (now === undefined && Object.keys(others).length >= LIMITS.socketsPerItem)
        return refuse('bad-shape', `An item can have ${LIMITS.socketsPerItem} sockets at most.`, item.id);
      return { ...rest, sockets: { ...others, [edit.id]: edit.socket } };
    }),
});

export const socketEdits = [setSocket] as const;
