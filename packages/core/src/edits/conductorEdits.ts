import { Type } from '@sinclair/typebox';
import { AwgSchema, ColourSchema, ConductorSchema, NodePinSchema, type Cable, type Conductor } from '../model/aircraft.ts';
import { CableIdSchema, ConductorIdSchema, type ConductorId } from '../model/ids.ts';
import { changeCable, outsideContact } from './cableEdits.ts';
import { editKind, refuse, type Outcome, type Refused } from './family.ts';
import { tagOf } from './lookups.ts';

const closed = { additionalProperties: false } as const;

const addConductor = editKind({
  kind: 'add-conductor',
  schema: Type.Object({ kind: Type.Literal('add-conductor'), cable: CableIdSchema, conductor: ConductorSchema }, closed),
  title: (edit, design) => `${tagOf(design, edit.cable)}: connect pin ${edit.conductor.a.n} to pin ${edit.conductor.b.n}`,
  apply: ({ aircraft }, edit) =>
    changeCable(aircraft, edit.cable, (cable) => {
      const { conductor } = edit;
      if (cable.conductors[conductor.id] !== undefined)
        return refuse('id-taken', `${cable.tag} already has a conductor with this id.`, conductor.id);
      const leg = cable.legs[conductor.leg];
      if (leg === undefined) return refuse('unknown-leg', `${cable.tag} no longer has that leg.`, conductor.leg);
      if (conductor.a.node !== leg.a || conductor.b.node !== leg.b) {
        return refuse('unknown-node', `The conductor does not run from one end of the leg of ${cable.tag} to the other.`, conductor.id);
      }
      const same = Object.values(cable.conductors).find((other) => samePins(other, conductor));
      if (same !== undefined) return refuse('nothing-to-do', `${cable.tag} already connects these two pins.`, same.id);
      const outside = outsideContact(cable, conductor.a) ?? outsideContact(cable, conductor.b);
      return outside ?? { ...cable, conductors: { ...cable.conductors, [conductor.id]: conductor } };
    }),
});

function samePins(x: Conductor, y: Conductor): boolean {
  return x.leg === y.leg && x.a.n === y.a.n && x.b.n === y.b.n;
}

const removeConductor = editKind({
  kind: 'remove-conductor',
  schema: Type.Object({ kind: Type.Literal('remove-conductor'), cable: CableIdSchema, conductor: ConductorIdSchema }, closed),
  title: (edit, design) => {
    const conductor = design.aircraft.cables[edit.cable]?.conductors[edit.conductor];
    const pins = conductor === undefined ? 'a conductor' : `pin ${conductor.a.n} from pin ${conductor.b.n}`;
    return `${tagOf(design, edit.cable)}: disconnect ${pins}`;
  },
  apply: ({ aircraft }, edit) =>
    changeCable(aircraft, edit.cable, (cable) => {
      if (cable.conductors[edit.conductor] === undefined) return goneFrom(cable, edit.conductor);
      const { [edit.conductor]: _gone, ...conductors } = cable.conductors;
      return { ...cable, conductors };
    }),
});

const moveConductor = editKind({
  kind: 'move-conductor',
  schema: Type.Object(
    {
      kind: Type.Literal('move-conductor'),
      cable: CableIdSchema,
      conductor: ConductorIdSchema,
      end: Type.Union([Type.Literal('a'), Type.Literal('b')]),
      to: NodePinSchema,
      was: NodePinSchema,
    },
    closed,
  ),
  title: (edit, design) => `${tagOf(design, edit.cable)}: move pin ${edit.was.n} to pin ${edit.to.n}`,
  apply: ({ aircraft }, edit) =>
    changeConductor(aircraft, edit.cable, edit.conductor, (conductor, cable) => {
      const now = conductor[edit.end];
      if (now.node !== edit.was.node || now.n !== edit.was.n) {
        return refuse('changed-since', `That conductor of ${cable.tag} was moved to pin ${now.n} meanwhile.`, conductor.id);
      }
      if (edit.to.node !== now.node)
        return refuse('unknown-node', `A conductor of ${cable.tag} stays in its leg; make a new one instead.`, conductor.id);
      return outsideContact(cable, edit.to) ?? { ...conductor, [edit.end]: edit.to };
    }),
});

const setColour = editKind({
  kind: 'set-conductor-colour',
  schema: Type.Object(
    {
      kind: Type.Literal('set-conductor-colour'),
      cable: CableIdSchema,
      conductor: ConductorIdSchema,
      colour: ColourSchema,
      was: ColourSchema,
    },
    closed,
  ),
  title: (edit, design) => `${tagOf(design, edit.cable)}: ${edit.was} wire to ${edit.colour}`,
  apply: ({ aircraft }, edit) =>
    changeConductor(aircraft, edit.cable, edit.conductor, (conductor, cable) =>
      conductor.colour === edit.was
        ? { ...conductor, colour: edit.colour }
        : refuse('changed-since', `That wire of ${cable.tag} was changed to ${conductor.colour} meanwhile.`, conductor.id),
    ),
});

const setGauge = editKind({
  kind: 'set-conductor-gauge',
  schema: Type.Object(
    { kind: Type.Literal('set-conductor-gauge'), cable: CableIdSchema, conductor: ConductorIdSchema, awg: AwgSchema, was: AwgSchema },
    closed,
  ),
  title: (edit, design) => `${tagOf(design, edit.cable)}: AWG ${edit.was} to AWG ${edit.awg}`,
  apply: ({ aircraft }, edit) =>
    changeConductor(aircraft, edit.cable, edit.conductor, (conductor, cable) =>
      conductor.awg === edit.was
        ? { ...conductor, awg: edit.awg }
        : refuse('changed-since', `That wire of ${cable.tag} was changed to AWG ${conductor.awg} meanwhile.`, conductor.id),
    ),
});

function goneFrom(cable: Cable, conductor: ConductorId): Refused {
  return refuse('unknown-conductor', `${cable.tag} no longer has that conductor.`, conductor);
}

function changeConductor(
  aircraft: Parameters<typeof changeCable>[0],
  cableId: Cable['id'],
  id: ConductorId,
  change: (conductor: Conductor, cable: Cable) => Conductor | Refused,
): Outcome {
  return changeCable(aircraft, cableId, (cable) => {
    const conductor = cable.conductors[id];
    if (conductor === undefined) return goneFrom(cable, id);
    const changed = change(conductor, cable);
    return 'refused' in changed ? changed : { ...cable, conductors: { ...cable.conductors, [id]: changed } };
  });
}

export const conductorEdits = [addConductor, removeConductor, moveConductor, setColour, setGauge] as const;
