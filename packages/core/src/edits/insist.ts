import type { Cable, Item } from '../model/aircraft.ts';
import { outputKey, travelOf } from '../model/outputPlan.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from './applyEdit.ts';
import type { Edit, SimpleEdit } from './registry.ts';

/**
 * The same edit made on what stands there now: its `was` is brought up to date. For a person who was asked and decides that
 * their value shall stand.
 * @returns undefined when the thing is gone, when the edit sets no value, or when it could still not be made
 */
export function insist(design: Design, edit: Edit): Edit | undefined {
  const again = edit.kind === 'batch' ? insistOnAll(design, edit) : edit.kind === 'undo' ? undefined : insistOnOne(design, edit);
  return again === undefined || 'refused' in applyEdit(design, again) ? undefined : again;
}

function insistOnAll(design: Design, batch: Extract<Edit, { kind: 'batch' }>): Edit | undefined {
  const edits = batch.edits.map((edit) => insistOnOne(design, edit) ?? edit);
  return { ...batch, edits };
}

function insistOnOne(design: Design, edit: SimpleEdit): SimpleEdit | undefined {
  const { aircraft } = design;
  switch (edit.kind) {
    case 'set-aircraft-name':
      return { ...edit, was: aircraft.name };
    case 'set-aircraft-note':
      return { ...edit, was: aircraft.note ?? '' };
    case 'set-airframe':
      return { ...edit, was: aircraft.airframe.kind };
    case 'set-planned-battery':
      return { ...edit, was: aircraft.plannedBattery ?? null };
    case 'set-need':
      return { ...edit, was: aircraft.needs[edit.need] ?? null };
    case 'set-dialect':
      return { ...edit, was: aircraft.dialect };
    case 'set-colour-scheme':
      return { ...edit, was: aircraft.colourScheme ?? 'by-signal' };
    case 'set-power-figure':
      return { ...edit, was: aircraft.power?.[edit.figure] ?? null };
    case 'set-own-situation':
      return { ...edit, was: aircraft.power?.situations?.[edit.id] ?? null };
    case 'set-mission':
      return { ...edit, was: [...(aircraft.power?.mission ?? [])] };
    case 'set-survives-faults':
      return { ...edit, was: aircraft.power?.survivesFaults === true };
    case 'set-frame':
      return { ...edit, was: aircraft.airframe.frame ?? null };
    case 'set-frame-number':
      return { ...edit, was: aircraft.airframe.frame?.numbers[edit.number] ?? null };
    case 'set-frame-carbon':
      return { ...edit, was: aircraft.airframe.frame?.carbon?.includes(edit.piece) === true };
    case 'set-bay':
      return { ...edit, was: aircraft.airframe.frame?.bays[edit.id] ?? null };
    case 'set-frame-point':
      return { ...edit, was: aircraft.airframe.frame?.points[edit.id] ?? null };
    case 'set-route':
      return { ...edit, was: aircraft.airframe.frame?.routes[edit.id] ?? null };
    case 'set-output-function':
      return { ...edit, was: aircraft.outputs[outputKey(edit.item, edit.output)]?.function ?? null };
    case 'hold-output':
      return { ...edit, was: aircraft.outputs[outputKey(edit.item, edit.output)]?.held === true };
    case 'set-output-travel':
      return { ...edit, was: travelOf(aircraft.outputs[outputKey(edit.item, edit.output)] ?? {}) };
    case 'set-bank': {
      const { kind, rateHz } = aircraft.banks[outputKey(edit.item, edit.bank)] ?? {};
      return { ...edit, was: kind === undefined ? null : { kind, ...(rateHz === undefined ? {} : { rateHz }) } };
    }
    case 'set-mix-figure':
      return { ...edit, was: aircraft.mixing[edit.figure] ?? null };
    case 'set-linkage':
      return { ...edit, was: aircraft.linkages[edit.item] ?? null };
    case 'set-firmware-facts': {
      const { facts } = aircraft.firmware;
      const named = Object.keys({ ...edit.was, ...edit.value });
      return { ...edit, was: Object.fromEntries(Object.entries(facts).filter(([name]) => named.includes(name))) };
    }
    case 'keep-line':
      return { ...edit, was: aircraft.firmware.kept[edit.key] ?? null };
    case 'set-read-back':
      return { ...edit, was: aircraft.firmware.read[edit.item] ?? null };
    case 'set-socket':
      return { ...edit, was: aircraft.items[edit.item]?.sockets?.[edit.id] ?? null };
    case 'set-link-flag':
      return { ...edit, was: aircraft.links[edit.link]?.[edit.flag] === true };
    case 'set-link-port':
      return { ...edit, was: aircraft.links[edit.link]?.port ?? null };
    case 'set-stream':
      return { ...edit, was: aircraft.links[edit.link]?.streams?.[edit.stream] ?? null };
    case 'set-rc-channel':
      return { ...edit, was: aircraft.rc.channels[edit.channel] ?? null };
    case 'set-rc-switch':
      return { ...edit, was: aircraft.rc.switches[edit.id] ?? null };
    case 'set-mode-range':
      return { ...edit, was: aircraft.rc.ranges[edit.id] ?? null };
    case 'set-take-over':
      return { ...edit, was: aircraft.rc.takeOvers[edit.item] ?? null };
    case 'set-osd-field':
      return { ...edit, was: aircraft.rc.osd[edit.field] ?? null };
    case 'set-radio-field':
      return { ...edit, was: aircraft.rc.radioFields[edit.field] === true };
    case 'set-seen-loss':
      return { ...edit, was: aircraft.rc.seen[edit.item] ?? null };
    case 'set-rc-figure':
      return { ...edit, was: aircraft.rc.figures[edit.figure] ?? null };
    case 'set-rc-choice':
      return { ...edit, was: aircraft.rc.choices[edit.choice] ?? null };
    case 'rename-item':
    case 'label-item':
    case 'set-item-setting':
    case 'set-sheet-side':
    case 'set-item-where':
    case 'place-item':
    case 'weigh-item':
      return insistOnItem(aircraft.items[edit.item], edit);
    case 'set-cable-text':
    case 'set-cable-end':
    case 'set-absent-contacts':
    case 'set-end-connector':
    case 'set-leg-length':
    case 'set-leg-twist':
    case 'set-leg-via':
    case 'move-conductor':
    case 'set-conductor-colour':
    case 'set-conductor-gauge':
      return insistOnCable(aircraft.cables[edit.cable], edit);
    case 'add-item':
    case 'remove-item':
    case 'add-cable':
    case 'remove-cable':
    case 'add-leg':
    case 'remove-leg':
    case 'add-conductor':
    case 'remove-conductor':
    case 'add-mate':
    case 'remove-mate':
    case 'add-bond':
    case 'remove-bond':
    case 'add-wish':
    case 'remove-wish':
    case 'adopt-part-revision':
    case 'add-waiver':
    case 'remove-waiver':
      return undefined;
  }
}

type ItemEdit = Extract<
  SimpleEdit,
  { kind: 'rename-item' | 'label-item' | 'set-item-setting' | 'set-sheet-side' | 'set-item-where' | 'place-item' | 'weigh-item' }
>;

function insistOnItem(item: Item | undefined, edit: ItemEdit): SimpleEdit | undefined {
  if (item === undefined) return undefined;
  switch (edit.kind) {
    case 'rename-item':
      return { ...edit, was: item.ref };
    case 'label-item':
      return { ...edit, was: item.label ?? '' };
    case 'set-item-setting':
      return { ...edit, was: item.settings[edit.setting] ?? null };
    case 'set-sheet-side':
      return { ...edit, was: item.sheetSide ?? 'auto' };
    case 'set-item-where':
      return { ...edit, was: item.where };
    case 'place-item':
      return { ...edit, was: item.place ?? null };
    case 'weigh-item':
      return { ...edit, was: item.weighedG ?? null };
  }
}

type CableEdit = Extract<
  SimpleEdit,
  {
    kind:
      | 'set-cable-text'
      | 'set-cable-end'
      | 'set-absent-contacts'
      | 'set-end-connector'
      | 'set-leg-length'
      | 'set-leg-twist'
      | 'set-leg-via'
      | 'move-conductor'
      | 'set-conductor-colour'
      | 'set-conductor-gauge';
  }
>;

function insistOnCable(cable: Cable | undefined, edit: CableEdit): SimpleEdit | undefined {
  if (cable === undefined) return undefined;
  switch (edit.kind) {
    case 'set-cable-text':
      return { ...edit, was: cable[edit.field] ?? '' };
    case 'set-leg-length':
      return { ...edit, was: cable.legs[edit.leg]?.typedLengthMm ?? null };
    case 'set-leg-twist':
      return { ...edit, was: cable.legs[edit.leg]?.twistMm ?? null };
    case 'set-leg-via':
      return { ...edit, was: cable.legs[edit.leg]?.via ?? null };
    case 'set-cable-end':
    case 'set-absent-contacts':
    case 'set-end-connector': {
      const node = cable.nodes[edit.node];
      if (node?.is !== 'end') return undefined;
      if (edit.kind === 'set-cable-end') return { ...edit, was: node.at };
      return edit.kind === 'set-absent-contacts' ? { ...edit, was: [...(node.absent ?? [])] } : { ...edit, was: node.connector };
    }
    case 'move-conductor':
    case 'set-conductor-colour':
    case 'set-conductor-gauge': {
      const conductor = cable.conductors[edit.conductor];
      if (conductor === undefined) return undefined;
      if (edit.kind === 'move-conductor') return { ...edit, was: conductor[edit.end] };
      return edit.kind === 'set-conductor-colour' ? { ...edit, was: conductor.colour } : { ...edit, was: conductor.awg };
    }
  }
}
