import { describe, expect, it } from '@jest/globals';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { sheetToCsv } from '../../harness/documents/sheet.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { currentSheet } from './currentSheet.ts';

let made = 0;
const graph = graphOf(saltmarsh(asId<AircraftId>('saltmarsh'), () => `c${++made}`));

describe('the currents of a situation', () => {
  const sheet = currentSheet(graph, 'climb');
  const rowOf = (tag: string, pin: string) => sheet?.rows.find(([cable, a]) => cable === tag && a === pin) ?? [];

  it('have a row for every conductor of the aircraft', () => {
    const count = graph.cables.reduce((sum, cable) => sum + Object.keys(cable.conductors).length, 0);
    expect(sheet?.rows).toHaveLength(count);
  });

  it('go out on the supply wire and come back on the ground wire of the pack', () => {
    const [out, back] = [Number(rowOf('W01', '1')[6]), Number(rowOf('W01', '2')[6])];
    expect(out).toBeGreaterThan(35);
    expect(out + back).toBeCloseTo(0, 3);
  });

  it('drop what their resistance makes of them, between the voltages that stand at their ends', () => {
    for (const [, , , , , milliohm, current, dropMv, a, b] of sheet?.rows.filter(([, , , , , , amps]) => Math.abs(Number(amps)) > 0.1) ??
      []) {
      expect(Number(dropMv)).toBeCloseTo(Number(milliohm) * Number(current), 0);
      expect((Number(a) - Number(b)) * 1000).toBeCloseTo(Number(dropMv), -1);
    }
  });

  it('leave signals empty of voltage and current, and go to CSV', () => {
    const signal = sheet?.rows.find(([, , colour]) => colour === 'yellow');
    expect([signal?.[6], signal?.[8]]).toEqual(['0.0000', '']);
    if (sheet === undefined) throw new Error('There is no sheet.');
    expect(sheetToCsv(sheet).split('\r\n')).toHaveLength(sheet.rows.length + 2);
    expect(currentSheet(graph, 'nowhere')).toBeUndefined();
  });
});
