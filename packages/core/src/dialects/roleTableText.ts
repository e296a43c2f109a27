import type { DialectText } from '../model/dialectText.ts';
import { roleTableWords } from './roleTableWords.ts';

/*
 * How the second sample writes a configuration: sections in brackets, columns between bars, `J19 | position | auto`. All names are made up.
 */
export const roleTableText: DialectText = {
  grammar: { comments: [';'], between: '|', commands: ['[end]', 'store', 'again'] },
  header: ['; table for {board}', '; edition {version}', '; rows {contents}', '; for {aircraft}'],
  contents: { complete: 'whole', differences: 'altered' },
  sections: [
    {
      id: 'craft',
      title: 'Aircraft',
      heading: '[craft]',
      lines: [
        { id: 'shape', of: 'airframe', write: 'shape | {kind}', delivered: 'plain' },
        { id: 'number', of: 'system', write: 'number | {id}', delivered: '1' },
        { id: 'board', of: 'board', write: 'board | {lies}', delivered: 'up/fore' },
        { id: 'nose', of: 'level', write: 'nose | {pitchDeg digits 1 signed} | {set}', delivered: '+0.0 level' },
      ],
      own: [
        { id: 'made', match: 'made | {value}', class: 'identity', title: 'number of the board' },
        { id: 'flown', match: 'flown | {what} | {value}', class: 'counter', title: 'what it counts itself' },
      ],
    },
    {
      id: 'features',
      title: 'Features',
      heading: '[features]',
      lines: [
        { id: 'feature', of: 'feature', write: '{feature} | {on}', only: 'plain', delivered: 'off' },
        {
          id: 'spare-ports',
          of: 'feature',
          write: '{feature} | {on}',
          only: 'software',
          delivered: 'off',
          gives: { prerequisite: 'spare-ports', values: 'on' },
        },
      ],
    },
    {
      id: 'ports',
      title: 'Serial ports',
      heading: '[ports]',
      lines: [
        {
          id: 'port',
          of: 'port',
          write: '{port} | {role} | {baud else auto} | {inverted else plain} | {flow else free}',
          delivered: '- auto plain free',
          needs: { prerequisite: 'spare-ports', of: 'software' },
        },
      ],
    },
    {
      id: 'outputs',
      title: 'Outputs',
      heading: '[outputs]',
      lines: [
        {
          id: 'bank',
          of: 'bank',
          write: 'bank {bank} | {kind} | {rateHz else auto}',
          delivered: 'pulse 50',
          gives: { prerequisite: 'banks' },
        },
        {
          id: 'place',
          of: 'output',
          write: '{output} | {function} | {minUs else 1000}..{maxUs else 2000} | {trimUs else 1500} | {reversed else off}',
          delivered: '- 1000 2000 1500 off',
        },
      ],
    },
    {
      id: 'mix',
      title: 'Mixer',
      heading: '[mix]',
      lines: [
        {
          id: 'mix',
          of: 'mixer',
          write:
            '{output} | roll {roll digits 2 signed} | pitch {pitch digits 2 signed} | yaw {yaw digits 2 signed} | push {throttle digits 2 signed} | lift {lift digits 2 signed} | droop {flap digits 2 signed}',
        },
        { id: 'unlike', of: 'mix', write: 'share | {figure} | {share digits 2}' },
      ],
    },
    {
      id: 'levers',
      title: 'RC',
      heading: '[levers]',
      lines: [
        {
          id: 'lever',
          of: 'channel',
          write: 'lever {channel} | {use} | {leastUs}..{mostUs} | {middleUs}',
        },
        { id: 'mode', of: 'mode-range', write: 'when {channel} | {mode} | {fromUs}..{toUs}' },
      ],
    },
    {
      id: 'lost',
      title: 'Losses',
      heading: '[lost]',
      lines: [
        { id: 'sticks', of: 'loss', write: 'sticks | {action} | after {delayS digits 1 else -}' },
        { id: 'home', of: 'loss', write: 'home | {returnHeightM}' },
        { id: 'ground', of: 'ground-loss', write: 'ground | {action} | after {delayS digits 1 else -}' },
        { id: 'low-pack', of: 'low-pack', write: 'pack | {action}' },
        { id: 'low-pack-below', of: 'low-pack', write: 'pack below | {volts digits 2}' },
        { id: 'low-pack-used', of: 'low-pack', write: 'pack used | {mah}' },
      ],
    },
    {
      id: 'sense',
      title: 'Power and sensors',
      heading: '[sense]',
      lines: [
        {
          id: 'pack',
          of: 'monitor',
          write: 'pack {n} | {kind} | {voltsPerV digits 2 else -} | {ampsPerV digits 2 else -} | {capacityMah else -}',
        },
        { id: 'position', of: 'gnss', write: 'position {n} | {kind}' },
        { id: 'position-at', of: 'gnss', write: 'position {n} at | {foreMm signed} | {rightMm signed} | {downMm signed}' },
        { id: 'north', of: 'compass', write: 'north {n} | {kind}' },
        { id: 'north-lies', of: 'compass', write: 'north {n} lies | {lies}', delivered: 'up/fore' },
        { id: 'air', of: 'airspeed', write: 'air {n} | {kind}' },
        { id: 'height', of: 'rangefinder', write: 'height {n} | {kind}' },
      ],
      own: [
        {
          id: 'still',
          match: 'still | {axis} | {value}',
          class: 'calibration',
          title: 'zero of the inertial sensor',
          delivered: '0',
          todo: 'Keep the aircraft still during start-up, while it finds its zeros.',
        },
        {
          id: 'iron',
          match: 'iron {n} | {axis} | {value}',
          class: 'calibration',
          title: 'compass offsets',
          delivered: '0',
          todo: 'Calibrate each compass outdoors, away from iron and cars, with everything mounted.',
        },
        {
          id: 'calm',
          match: 'calm {n} | {value}',
          class: 'calibration',
          title: 'zero of an airspeed sensor',
          delivered: '0',
          todo: 'Shield the pitot probe from wind, and let the sensor find its zero.',
        },
      ],
    },
    {
      id: 'picture',
      title: 'Picture',
      heading: '[picture]',
      lines: [{ id: 'shown', of: 'osd', write: '{field} | {col} | {row}' }],
    },
  ],
  passEnd: ['store', 'again'],
  footer: ['[end]'],
  words: roleTableWords,
  none: { roles: '-', functions: '-', modes: 'hands', actions: 'none', armed: 'awake' },
  prerequisites: [
    { id: 'spare-ports', title: 'software ports' },
    { id: 'banks', title: 'the pulses of the bank' },
  ],
  byHand: [
    {
      id: 'still',
      when: 'before',
      text: 'Save the present configuration as a file first: everything that the table does not name returns to its default.',
    },
    {
      id: 'calibrate',
      when: 'after',
      text: 'Calibrate everything listed as calibration on this aircraft. Values of another aircraft are never loaded.',
    },
    {
      id: 'turns',
      when: 'after',
      of: 'output',
      text: 'Turn each motor alone, and compare its number and direction with the plan.',
      caution: 'Propellers off.',
    },
  ],
  pressed: {
    boards: ['WREN3'],
    steps: [
      {
        of: 'airframe',
        field: 'kind',
        button: 'SHAPE',
        presses: { plain: 1, wing: 2, vee: 3 },
        light: 'The green light blinks as many times.',
      },
      {
        of: 'output',
        field: 'reversed',
        button: 'the button beside the output',
        seconds: 3,
        presses: { off: 1, on: 2 },
        light: 'The light of the output is steady for normal, and blinks for reversed.',
      },
    ],
  },
};
