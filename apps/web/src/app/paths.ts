import type { AircraftId, CableId, PartId } from '@wired-falcon/core';

/** The addresses of the screens. */
export const paths = {
  hangar: () => '/',
  workshopParts: () => '/workshop/parts',
  partEditor: (id: PartId) => `/workshop/parts/${id}`,
  brief: (id: AircraftId) => `/aircraft/${id}/brief`,
  power: (id: AircraftId) => `/aircraft/${id}/power`,
  parts: (id: AircraftId) => `/aircraft/${id}/parts`,
  wiring: (id: AircraftId) => `/aircraft/${id}/wiring`,
  ladder: (id: AircraftId, cable: CableId) => `/aircraft/${id}/wiring/${cable}`,
  documents: (id: AircraftId) => `/aircraft/${id}/documents`,
  booklet: (id: AircraftId) => `/aircraft/${id}/documents/booklet`,
  document: (id: AircraftId, kind: string, subject: string) => `/aircraft/${id}/documents/${kind}/${subject}`,
} as const;
