import type { AircraftId, CableId, DialectId, PartId, PartKey } from '@wired-falcon/core';

/** The address of a page of an aircraft. */
export function pageAddress(aircraft: AircraftId, stage: string, path = ''): string {
  return `/aircraft/${aircraft}/${stage}${path === '' ? '' : `/${path}`}`;
}

/** The addresses that screens lead to. That each of them is a page of the registry is tested there. */
export const paths = {
  hangar: () => '/',
  workshopParts: () => '/workshop/parts',
  fromDump: () => '/workshop/from-dump',
  workshopDialects: () => '/workshop/dialects',
  dialect: (id: DialectId) => `/workshop/dialects/${id}`,
  partEditor: (id: PartId) => `/workshop/parts/${id}`,
  boards: (id: AircraftId, to?: PartKey) =>
    `${pageAddress(id, 'brief', 'boards')}${to === undefined ? '' : `?to=${encodeURIComponent(to)}`}`,
  layout: (id: AircraftId) => pageAddress(id, 'layout'),
  situation: (id: AircraftId, situation: string) => `${pageAddress(id, 'power')}?situation=${encodeURIComponent(situation)}`,
  parts: (id: AircraftId) => pageAddress(id, 'parts'),
  wiring: (id: AircraftId) => pageAddress(id, 'wiring'),
  ladder: (id: AircraftId, cable: CableId) => pageAddress(id, 'wiring', cable),
  links: (id: AircraftId) => pageAddress(id, 'links'),
  channels: (id: AircraftId) => pageAddress(id, 'links', 'channels'),
  modes: (id: AircraftId) => pageAddress(id, 'links', 'modes'),
  picture: (id: AircraftId) => pageAddress(id, 'links', 'picture'),
  brief: (id: AircraftId) => pageAddress(id, 'brief'),
  firmware: (id: AircraftId) => pageAddress(id, 'firmware'),
  readBack: (id: AircraftId) => pageAddress(id, 'firmware', 'read-back'),
  ports: (id: AircraftId) => pageAddress(id, 'links', 'ports'),
  outputs: (id: AircraftId) => pageAddress(id, 'outputs'),
  directions: (id: AircraftId) => pageAddress(id, 'outputs', 'directions'),
  linkages: (id: AircraftId, servo?: string) =>
    `${pageAddress(id, 'outputs', 'linkages')}${servo === undefined ? '' : `?servo=${encodeURIComponent(servo)}`}`,
  documents: (id: AircraftId) => pageAddress(id, 'documents'),
  booklet: (id: AircraftId) => pageAddress(id, 'documents', 'booklet'),
  document: (id: AircraftId, kind: string, subject: string) => pageAddress(id, 'documents', `${kind}/${subject}`),
} as const;
