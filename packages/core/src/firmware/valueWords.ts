import { AIRFRAME_KINDS, isAirframeKind } from '../model/airframes.ts';
import type { Coding } from '../model/firmwareFacts.ts';
import { FLIGHT_MODES, isFlightMode } from '../model/flightModes.ts';
import { LEVEL_SCHOOLS } from '../model/firmwarePlan.ts';
import { isLossAction, LOSS_ACTIONS } from '../model/lossActions.ts';
import { isMounting, MOUNTINGS } from '../model/mounting.ts';
import { isOsdField, OSD_FIELDS } from '../model/osdFields.ts';
import { isOutputFunction, OUTPUT_FUNCTIONS } from '../model/outputFunctions.ts';
import { isPulseKind, PULSE_KINDS } from '../model/outputPlan.ts';
import { PROTOCOL_IDS } from '../model/protocolIds.ts';
import { CHANNEL_USES, isChannelUse } from '../model/rcUses.ts';
import { protocols } from '../links/protocols.ts';
import type { FactValue } from './facts/factRow.ts';

/** A value of a fact as people name it, with its unit. */
export function valueWords(coding: Coding, value: FactValue): string {
  const text = String(value);
  if (text === 'none') return coding.by === 'words' && coding.words === 'inversion' ? 'off' : 'nothing';
  switch (coding.by) {
    case 'roles':
      return PROTOCOL_IDS.some((id) => id === text) ? titleOfProtocol(text) : text;
    case 'functions':
      return isOutputFunction(text) ? OUTPUT_FUNCTIONS[text].title : text;
    case 'modes':
      return isFlightMode(text) ? FLIGHT_MODES[text].title.replace(/:.*/, '') : text;
    case 'actions':
      return isLossAction(text) ? LOSS_ACTIONS[text].title : text;
    case 'orientations':
      return isMounting(text) ? MOUNTINGS[text].title : text;
    case 'words':
      return listWords(coding.words, text);
    case 'number':
      return coding.unit === undefined ? text : `${shortNumber(value)} ${coding.unit}`;
    case 'bauds':
    case 'serial':
    case 'outputs':
    case 'banks':
    case 'text':
      return text;
  }
}

function titleOfProtocol(id: string): string {
  const known = PROTOCOL_IDS.find((one) => one === id);
  return known === undefined ? id : protocols[known].title;
}

/** As it was stated or read, without digits that arithmetic left behind. */
function shortNumber(value: FactValue): string {
  return typeof value === 'number' ? String(Number(value.toPrecision(9))) : value;
}

function listWords(list: Extract<Coding, { by: 'words' }>['words'], text: string): string {
  switch (list) {
    case 'uses':
      return isChannelUse(text) ? CHANNEL_USES[text].title : text;
    case 'airframes':
      return isAirframeKind(text) ? AIRFRAME_KINDS[text].title : text;
    case 'osd':
      return isOsdField(text) ? OSD_FIELDS[text].title : text;
    case 'pulses':
      return isPulseKind(text) ? PULSE_KINDS[text].title : text;
    case 'inversion':
      return text === 'rx' ? 'on for receiving' : 'on both ways';
    case 'levelling':
      return text === 'at-level' ? LEVEL_SCHOOLS['at-level'].title : LEVEL_SCHOOLS['as-it-flies'].title;
    case 'monitors':
    case 'sensors':
      return REACHED[text] ?? text;
    default:
      return text;
  }
}

const REACHED: Readonly<Record<string, string>> = {
  analog: 'analog input',
  i2c: 'I2C',
  can: 'CAN',
  serial: 'serial port',
  pulse: 'pulse input',
  board: 'sensor on the board',
};
