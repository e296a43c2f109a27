import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { matchRoutes } from 'react-router';
import { asId, stages as stageIds, type AircraftId, type CableId, type DialectId, type PartId } from '@wired-falcon/core';
import { paths } from '../addresses/paths.ts';
import { screensOf } from '../addresses/screens.ts';
import { stages } from '../stages/index.ts';
import { workshopPages } from '../workshop/index.ts';
import { routesOf } from './routes.tsx';

const registry = { stages, workshop: workshopPages };
const aircraft = asId<AircraftId>('reedbed');
const routes = routesOf(registry, null);

/** The route that an address leads to, in words; undefined where it leads nowhere. */
function routeAt(address: string): string | undefined {
  const { pathname } = new URL(address, 'http://localhost');
  const found = matchRoutes(routes, pathname) ?? [];
  const path = found.flatMap(({ route }) => route.path ?? []).join('/');
  return path === '*' ? undefined : path;
}

describe('the registry of stages', () => {
  it('names every folder of stages/ once', () => {
    const folders = readdirSync(join(process.cwd(), 'apps/web/src/stages'), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map(({ name }) => name);
    expect(stages.map(({ id }) => id).sort()).toEqual(folders.sort());
  });

  it('has each stage of the work in working order, each page and key once', () => {
    const ofTheWork = stages.map(({ id }) => id).filter((id) => stageIds.some((stage) => stage === id));
    expect(ofTheWork).toEqual(stageIds.filter((id) => ofTheWork.includes(id)));
    const words = screensOf(registry, aircraft).map((screen) => screen.words);
    expect(words).toEqual([...new Set(words)]);
    const keys = stages.flatMap(({ opensWith }) => opensWith ?? []);
    expect(keys).toEqual([...new Set(keys)]);
    for (const { id, pages } of stages) expect([id, pages[0]?.path]).toEqual([id, '']);
  });

  it('has a page for each screen that can be gone to', () => {
    for (const { words, to } of screensOf(registry, aircraft)) expect([words, routeAt(to)]).toEqual([words, expect.any(String)]);
  });

  it('has a page for each address that screens lead to', () => {
    const addresses: Readonly<Record<keyof typeof paths, string>> = {
      hangar: paths.hangar(),
      workshopParts: paths.workshopParts(),
      workshopDialects: paths.workshopDialects(),
      dialect: paths.dialect(asId<DialectId>('d')),
      partEditor: paths.partEditor(asId<PartId>('p')),
      boards: paths.boards(aircraft),
      layout: paths.layout(aircraft),
      situation: paths.situation(aircraft, 'servo jammed'),
      parts: paths.parts(aircraft),
      wiring: paths.wiring(aircraft),
      ladder: paths.ladder(aircraft, asId<CableId>('c')),
      links: paths.links(aircraft),
      channels: paths.channels(aircraft),
      modes: paths.modes(aircraft),
      ports: paths.ports(aircraft),
      outputs: paths.outputs(aircraft),
      linkages: paths.linkages(aircraft, 'SRV1'),
      fromDump: paths.fromDump(),
      picture: paths.picture(aircraft),
      brief: paths.brief(aircraft),
      firmware: paths.firmware(aircraft),
      readBack: paths.readBack(aircraft),
      directions: paths.directions(aircraft),
      documents: paths.documents(aircraft),
      booklet: paths.booklet(aircraft),
      document: paths.document(aircraft, 'labels', 'aircraft'),
    };
    expect(Object.fromEntries(Object.entries(addresses).map(([name, address]) => [name, routeAt(address)]))).toEqual({
      hangar: '/',
      workshopParts: '/workshop/parts',
      workshopDialects: '/workshop/dialects',
      dialect: '/workshop/dialects/:id',
      partEditor: '/workshop/parts/:id',
      boards: '/aircraft/:id/brief/boards',
      layout: '/aircraft/:id/layout',
      situation: '/aircraft/:id/power',
      parts: '/aircraft/:id/parts',
      fromDump: '/workshop/from-dump',
      brief: '/aircraft/:id/brief',
      picture: '/aircraft/:id/links/picture',
      firmware: '/aircraft/:id/firmware',
      readBack: '/aircraft/:id/firmware/read-back',
      links: '/aircraft/:id/links',
      channels: '/aircraft/:id/links/channels',
      modes: '/aircraft/:id/links/modes',
      ports: '/aircraft/:id/links/ports',
      outputs: '/aircraft/:id/outputs',
      linkages: '/aircraft/:id/outputs/linkages',
      directions: '/aircraft/:id/outputs/directions',
      wiring: '/aircraft/:id/wiring',
      ladder: '/aircraft/:id/wiring/:cable',
      documents: '/aircraft/:id/documents',
      booklet: '/aircraft/:id/documents/booklet',
      document: '/aircraft/:id/documents/:kind/:subject',
    });
    expect(routeAt('/aircraft/reedbed/nowhere')).toBeUndefined();
  });
});
