import { boardNamed } from '../dialects/boardOf.ts';
import { AIRFRAME_KINDS, airframeKinds } from '../model/airframes.ts';
import { LIMITED, type Dialect, type DialectRefusal, type NamedCode } from '../model/dialect.ts';
import { FLIGHT_MODES, flightModes } from '../model/flightModes.ts';
import { LOSS_ACTIONS, lossActions } from '../model/lossActions.ts';
import { MOUNTINGS, mountings } from '../model/mounting.ts';
import { naturalOrder } from '../model/naturalOrder.ts';
import { OUTPUT_FUNCTIONS, outputFunctions } from '../model/outputFunctions.ts';
import { PROTOCOL_IDS, type ProtocolId } from '../model/protocolIds.ts';
import { RC_CHOICES } from '../model/rcWords.ts';
import { stated } from '../text/numbers.ts';
import { protocols } from './protocols.ts';

/** One table of a dialect, in words. */
export interface DialectTable {
  readonly id: string;
  readonly title: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Everything that a dialect says, as tables: its boards, then its codes, then its rules. Codes are in natural order of what they stand for. */
export function dialectTables(dialect: Dialect): readonly DialectTable[] {
  return [...boardTables(dialect), ...codeTables(dialect), rules(dialect)].map(withoutEmptyColumns);
}

function withoutEmptyColumns({ columns, rows, ...table }: DialectTable): DialectTable {
  const isKept = columns.map((_, i) => rows.length === 0 || rows.some((cells) => (cells[i] ?? '') !== ''));
  const kept = (cells: readonly string[]): string[] => cells.filter((_, i) => isKept[i]);
  return { ...table, columns: kept(columns), rows: rows.map(kept) };
}

function boardTables(dialect: Dialect): DialectTable[] {
  return Object.keys(dialect.boards)
    .sort(naturalOrder)
    .map((target) => {
      const { title = '', serial = {}, outputs = {}, reserved = {} } = boardNamed(dialect, target) ?? {};
      const kept = airframeKinds.flatMap((kind) => {
        const some = reserved[kind];
        return some === undefined ? [] : [[`reserved for motors: ${AIRFRAME_KINDS[kind].title}`, some.join(' '), '']];
      });
      return {
        id: `board-${target}`,
        title: `Board ${target}: ${title}`,
        columns: ['Kind', 'On the board', 'Firmware index'],
        rows: [
          ...Object.entries(serial).map(([endpoint, code]) => ['serial port', endpoint, code]),
          ...Object.entries(outputs).map(([endpoint, code]) => ['output', endpoint, code]),
          ...kept,
        ],
      };
    });
}

function codeTables({ roles, bauds, functions, orientations, modes, motors }: Dialect): DialectTable[] {
  const codes = <K extends string>(keys: readonly K[], table: Readonly<Partial<Record<K, NamedCode>>>, titleOf: (key: K) => string) =>
    keys.flatMap((key) => {
      const entry = table[key];
      return entry === undefined ? [] : [[titleOf(key), entry.code, entry.name ?? '']];
    });
  return [
    {
      id: 'roles',
      title: 'Protocols of serial ports',
      columns: ['Protocol', 'Code', 'Name', 'Fixed baud rate'],
      rows: PROTOCOL_IDS.flatMap((id: ProtocolId) => {
        const role = roles[id];
        return role === undefined ? [] : [[protocols[id].title, role.code, role.name ?? '', String(role.fixedBaud ?? '')]];
      }),
    },
    {
      id: 'bauds',
      title: 'Baud rates',
      columns: ['Baud', 'Code'],
      rows: Object.entries(bauds)
        .sort(([a], [b]) => Number(a) - Number(b))
        .map(([baud, code]) => [baud, code]),
    },
    {
      id: 'functions',
      title: 'Output functions',
      columns: ['Function', 'Code', 'Name'],
      rows: codes(outputFunctions, functions, (key) => OUTPUT_FUNCTIONS[key].title),
    },
    {
      id: 'motors',
      title: 'Lift motors, seen from above',
      columns: ['Airframe', 'Motor', 'Position', 'Turns'],
      rows: airframeKinds.flatMap((kind) =>
        (motors[kind] ?? []).map(({ place, turns }, i) => [AIRFRAME_KINDS[kind].title, String(i + 1), place.replace('-', ' '), turns]),
      ),
    },
    {
      id: 'modes',
      title: 'Flight modes',
      columns: ['Mode', 'Code', 'Name'],
      rows: codes(flightModes, modes, (key) => FLIGHT_MODES[key].title),
    },
    {
      id: 'orientations',
      title: 'Board orientation',
      columns: ['Board', 'Code', 'Name'],
      rows: codes(mountings, orientations, (key) => MOUNTINGS[key].title),
    },
  ];
}

function rules({ pitchRisesOn, rcScaleUs, frameScale, modeSlotsUs, failsafe, limits, refusals }: Dialect): DialectTable {
  return {
    id: 'rules',
    title: 'Sticks, limits and refusals',
    columns: ['About', 'Value', 'In words'],
    rows: [
      ['pitch channel', pitchRisesOn, `It rises when the stick is ${pitchRisesOn === 'pull' ? 'pulled' : 'pushed'}.`],
      ['RC scale', `${rcScaleUs.least} ${rcScaleUs.middle} ${rcScaleUs.most} us`, 'Full one way, centre, full the other way.'],
      ...(frameScale === undefined
        ? []
        : [['scale of SBUS and CRSF', scaleWords(frameScale), 'Values of a frame, and the pulse widths the firmware maps them to.']]),
      ...(modeSlotsUs === undefined
        ? []
        : [
            [
              'mode slots',
              `${modeSlotsUs.join(' ')} us`,
              `${modeSlotsUs.length + 1} slots on one channel, with these pulse widths between them.`,
            ],
          ]),
      ...(failsafe === undefined ? [] : failsafeRows(failsafe)),
      ...limits.map(({ of, most, sentence }) => [LIMITED[of].title, String(most), sentence]),
      ...refusals.map((refusal) => [subjectOf(refusal), '', refusal.sentence]),
    ],
  };
}

function scaleWords({ low, high }: NonNullable<Dialect['frameScale']>): string {
  return `${low.value}: ${low.us} us, ${high.value}: ${high.us} us`;
}

function failsafeRows({ delayS, actions, backBy, throttleUs }: NonNullable<Dialect['failsafe']>): string[][] {
  return [
    ['loss of signal', stated(delayS, 's'), 'Time to the first action, if not set.'],
    ['control returns', backBy, RC_CHOICES.back.values[backBy] ?? ''],
    ...(throttleUs === undefined ? [] : [['throttle threshold', `${throttleUs} us`, 'A throttle below this counts as loss of signal.']]),
    ...lossActions.flatMap((action) => {
      const entry = actions[action];
      return entry === undefined
        ? []
        : [['action on loss', entry.code, `${LOSS_ACTIONS[action].title}${entry.name === undefined ? '' : `, ${entry.name}`}`]];
    }),
  ];
}

function subjectOf(refusal: DialectRefusal): string {
  switch (refusal.is) {
    case 'not-by-software':
    case 'once':
      return protocols[refusal.role].title;
    case 'not-together':
      return `${protocols[refusal.role].title} and ${protocols[refusal.with].title}`;
    case 'only-on':
      return `${OUTPUT_FUNCTIONS[refusal.function].title}: ${refusal.outputs.join(' ')}`;
  }
}
