import { Type } from '@sinclair/typebox';
import { sameJson } from '../model/canonicalJson.ts';
import { CONNECTOR_FAMILIES, ConnectorSchema } from '../model/connector.ts';
import { CableIdSchema, NodeIdSchema } from '../model/ids.ts';
import { blockedEnd, changeEnd } from './cableEdits.ts';
import { editKind, refuse } from './family.ts';
import { tagOf } from './lookups.ts';

const setConnector = editKind({
  kind: 'set-end-connector',
  schema: Type.Object(
    {
      kind: Type.Literal('set-end-connector'),
      cable: CableIdSchema,
      node: NodeIdSchema,
      connector: ConnectorSchema,
      was: ConnectorSchema,
    },
    { additionalProperties: false },
  ),
  title: (edit, design) =>
    `Fit ${CONNECTOR_FAMILIES[edit.connector.family].title}, ${edit.connector.positions}-way, to ${tagOf(design, edit.cable)}`,
  apply: (design, edit) =>
    changeEnd(design.aircraft, edit.cable, edit.node, (end, cable) => {
      if (!sameJson(end.connector, edit.was))
        return refuse('changed-since', `The connector at that end of ${cable.tag} was changed meanwhile.`, cable.id);
      const { positions } = edit.connector;
      const used = Object.values(cable.conductors).flatMap(({ a, b }) => [a, b].filter((at) => at.node === end.id).map((at) => at.n));
      const highest = Math.max(0, ...used);
      if (highest > positions) {
        return refuse(
          'contact-out-of-range',
          `${cable.tag} has a wire at contact ${highest} of that end; a ${positions}-way connector has none. Move the wire first.`,
          cable.id,
        );
      }
      const wider = positions > end.connector.positions ? { ...end, connector: edit.connector } : undefined;
      const blocked = wider === undefined ? undefined : blockedEnd(design, cable.id, wider, end.at);
      if (blocked !== undefined) return blocked;
      const { absent = [], ...rest } = end;
      const kept = absent.filter((n) => n <= positions);
      return { ...rest, connector: edit.connector, ...(kept.length === 0 ? {} : { absent: kept }) };
    }),
});

export const endEdits = [setConnector] as const;
