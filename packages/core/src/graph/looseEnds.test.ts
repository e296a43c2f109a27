import { describe, expect, it } from '@jest/globals';
import type { Part } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { withoutOrphans } from './withoutOrphans.ts';
import { looseEnds } from './looseEnds.ts';
import { partProblems } from './partProblems.ts';

function sample(id: string): Part {
  const found = sampleParts.find((part) => String(part.id) === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found;
}

const gnss = sample('gnss-compass-i2c');

describe('the loose ends of a part', () => {
  it.each(sampleParts.map((part) => [String(part.id), part] as const))('%s has none', (_, part) => {
    expect(looseEnds(part)).toEqual([]);
  });

  it('are a ground that leads nowhere, and signals that nobody speaks on', () => {
    const port = gnss.ports[0];
    if (port === undefined) throw new Error('There is no port.');
    const second: Part = { ...gnss, ports: [...gnss.ports, { ...port, id: 'second', label: 'second' }] };
    expect(looseEnds(second)).toEqual([
      'Pin 2 (RX) of port "second" carries no signal: no endpoint uses it.',
      'Pin 3 (TX) of port "second" carries no signal: no endpoint uses it.',
      'Pin 4 (SCL) of port "second" carries no signal: no endpoint uses it.',
      'Pin 5 (SDA) of port "second" carries no signal: no endpoint uses it.',
      'The ground pin 6 (GND) of port "second" is not connected: no element of the circuit uses it.',
    ]);
  });
});

describe('the orphans of a part', () => {
  it.each(sampleParts.map((part) => [String(part.id), part] as const))('%s has none', (_, part) => {
    expect(withoutOrphans(part)).toEqual({ part, removed: [] });
  });

  it('of a port that was taken out go with one step, and it holds together again', () => {
    const board = sample('controller-f4-wing');
    const gone: Part = { ...board, ports: board.ports.filter(({ id }) => id !== 'S4' && id !== 'out3') };
    expect(partProblems(gone).length).toBeGreaterThan(0);
    const { part, removed } = withoutOrphans(gone);
    expect(partProblems(part)).toEqual([]);
    expect(removed).toEqual(expect.arrayContaining(['endpoint "S4"', 'endpoint "out3"']));
    expect(part.board?.banks.flatMap(({ outputs }) => outputs)).not.toContain('out3');
    expect(withoutOrphans(part)).toEqual({ part, removed: [] });
  });

  it('are routes and words about settings too', () => {
    const receiver = sample('receiver-settable');
    const { part, removed } = withoutOrphans({ ...receiver, endpoints: receiver.endpoints.filter(({ id }) => id !== 'PPM') });
    expect(removed).toContain('route from "rc" to "PPM"');
    expect(partProblems(part).filter((problem) => problem.includes('PPM'))).toEqual([]);
  });
});
