import { Type } from '@sinclair/typebox';
import { WaiverSchema } from '../model/aircraft.ts';
import { WaiverIdSchema } from '../model/ids.ts';
import { editKind, refuse } from './family.ts';

const closed = { additionalProperties: false } as const;

const addWaiver = editKind({
  kind: 'add-waiver',
  schema: Type.Object({ kind: Type.Literal('add-waiver'), waiver: WaiverSchema }, closed),
  title: (edit) => `Accept a finding: ${edit.waiver.reason}`,
  apply: ({ aircraft }, { waiver }) => {
    if (aircraft.waivers[waiver.id] !== undefined) return refuse('id-taken', 'A waiver with this id is already there.', waiver.id);
    const same = Object.values(aircraft.waivers).find((other) => other.findingKey === waiver.findingKey && other.basis === waiver.basis);
    if (same !== undefined) return refuse('nothing-to-do', 'This finding is already accepted.', same.id);
    return { aircraft: { ...aircraft, waivers: { ...aircraft.waivers, [waiver.id]: waiver } } };
  },
});

const removeWaiver = editKind({
  kind: 'remove-waiver',
  schema: Type.Object({ kind: Type.Literal('remove-waiver'), waiver: WaiverIdSchema }, closed),
  title: () => 'Withdraw an acceptance',
  apply: ({ aircraft }, edit) => {
    if (aircraft.waivers[edit.waiver] === undefined) return refuse('unknown-waiver', 'The waiver is no longer there.', edit.waiver);
    const { [edit.waiver]: _gone, ...waivers } = aircraft.waivers;
    return { aircraft: { ...aircraft, waivers } };
  },
});

export const waiverEdits = [addWaiver, removeWaiver] as const;
