import { describe, expect, it } from '@jest/globals';
import { demoAircraft } from '../../demo/demoAircraft.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { bench, FC } from '../../test/checkCases/build.ts';
import { countingIds, itemOf, made } from '../../test/designs.ts';
import type { Design } from '../../model/design.ts';
import type { SettingValue } from '../../model/setting.ts';
import { companionSheets } from './companionSheets.ts';
import { radioSheets } from './radioSheets.ts';

function demo(id: string, prefix = id): Design {
  const found = demoAircraft.find((one) => one.id === id);
  if (found === undefined) throw new Error(`There is no ${id}.`);
  return found.build(asId<AircraftId>(id), countingIds(prefix));
}

function set(design: Design, ref: string, setting: string, value: SettingValue): Design {
  const { id, settings } = itemOf(design, ref);
  return made(design, { kind: 'set-item-setting', item: id, setting, value, was: settings[setting] ?? null });
}

const textsOf = (design: Design, title: RegExp): readonly string[] =>
  companionSheets(graphOf(design)).flatMap(({ steps }) => steps.filter((step) => title.test(step.title)).map(({ text }) => text));

describe('the sheet of a companion', () => {
  const saltmarsh = demo('saltmarsh');

  it('has the device, the baud and the far end of each port that leads to the controller', () => {
    expect(textsOf(saltmarsh, /^Serial device/)).toEqual(['Device /dev/ttyS1. 921600 baud. It connects to FC1 link B.']);
    const slower = set(saltmarsh, 'FC1', 'B.baud', 115_200);
    expect(textsOf(slower, /^Serial device/)[0]).toContain('FC1 link B has 115200 baud: set both to the same rate.');
  });

  it('says to switch the console off as long as it is on', () => {
    const one = bench(FC, 'companion-small-5v');
    one.wire('CC1 header', 'FC1 S1');
    expect(textsOf(one.design, /^Console/)[0]).toMatch(/^Switch the login console off/);
    expect(textsOf(set(one.design, 'CC1', 'UART1.console', false), /^Console/)[0]).toMatch(/^The login console is off/);
    // The second port has none.
    expect(textsOf(saltmarsh, /^Console/)).toEqual([]);
  });

  it('is a file with the same bytes, whatever the ids, in which each value stands once', () => {
    for (const { id } of demoAircraft) {
      const [one, other] = [demo(id), demo(id, 'other')].map((design) => companionSheets(graphOf(design)).map(({ file }) => file));
      expect(one).toEqual(other);
    }
    const [sheet] = companionSheets(graphOf(saltmarsh));
    expect(sheet?.file).toContain('[serial UART2]\npath = /dev/ttyS1\nspeed = 921600\nconnects to = FC1 link B\n');
    expect(sheet?.file).toContain('[start]\nwith the computer = yes\n');
  });

  it('rests on what it names: each step has a reason', () => {
    for (const { id } of demoAircraft)
      for (const { steps } of [...companionSheets(graphOf(demo(id))), ...radioSheets(graphOf(demo(id)))])
        expect(steps.filter(({ from }) => from.length === 0)).toEqual([]);
  });
});

describe('the sheets of radios', () => {
  it('are there for both ends of a link, and name each other', () => {
    const sheets = radioSheets(graphOf(demo('saltmarsh')));
    const [air, ground] = sheets;
    expect(sheets.length).toBeGreaterThan(1);
    expect(air?.file).toContain(`received by = ${ground?.ref ?? ''}`);
    expect(ground?.file).toContain(`received by = ${air?.ref ?? ''}`);
  });

  it('change with what is set on the radio, and say how it is set', () => {
    const design = demo('saltmarsh');
    const [sheet] = radioSheets(graphOf(design));
    const baud = sheet?.steps.find(({ title }) => / baud$/.test(title));
    expect(baud?.text).toMatch(/^57600 baud\. In the /);
  });

  it('have the ways over the network of radios with an address', () => {
    const files = demoAircraft.flatMap(({ id }) => radioSheets(graphOf(demo(id))).map(({ file }) => file));
    expect(files.some((file) => /\[route 1\]\ncarries = /.test(file))).toBe(true);
  });
});
