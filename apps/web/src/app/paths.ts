import type { AircraftId, CableId, PartId } from '@wired-falcon/core';

/** The pages of the power stage, in the order of their tabs. */
export const POWER_PAGES = [
  { id: 'river', title: 'River and faults' },
  { id: 'loads', title: 'Loads' },
  { id: 'mission', title: 'Mission' },
  { id: 'situations', title: 'Situations' },
  { id: 'wires', title: 'Wires and sensors' },
  { id: 'conditioning', title: 'Conditioning' },
] as const;
export type PowerPage = (typeof POWER_PAGES)[number]['id'];

/** The pages of the layout stage, in the order of their tabs. */
export const LAYOUT_PAGES = [
  { id: 'plan', title: 'Plan' },
  { id: 'antennas', title: 'Antennas and compass' },
  { id: 'range', title: 'Range' },
  { id: 'sensors', title: 'Sensors and reach' },
  { id: 'frame', title: 'Bays and routes' },
] as const;
export type LayoutPage = (typeof LAYOUT_PAGES)[number]['id'];

/** The addresses of the screens. */
export const paths = {
  hangar: () => '/',
  workshopParts: () => '/workshop/parts',
  partEditor: (id: PartId) => `/workshop/parts/${id}`,
  brief: (id: AircraftId) => `/aircraft/${id}/brief`,
  layout: (id: AircraftId) => `/aircraft/${id}/layout`,
  layoutPage: (id: AircraftId, page: LayoutPage) => `/aircraft/${id}/layout${page === 'plan' ? '' : `/${page}`}`,
  power: (id: AircraftId) => `/aircraft/${id}/power`,
  powerPage: (id: AircraftId, page: PowerPage) => `/aircraft/${id}/power${page === 'river' ? '' : `/${page}`}`,
  situation: (id: AircraftId, situation: string) => `/aircraft/${id}/power?situation=${encodeURIComponent(situation)}`,
  parts: (id: AircraftId) => `/aircraft/${id}/parts`,
  wiring: (id: AircraftId) => `/aircraft/${id}/wiring`,
  ladder: (id: AircraftId, cable: CableId) => `/aircraft/${id}/wiring/${cable}`,
  documents: (id: AircraftId) => `/aircraft/${id}/documents`,
  booklet: (id: AircraftId) => `/aircraft/${id}/documents/booklet`,
  document: (id: AircraftId, kind: string, subject: string) => `/aircraft/${id}/documents/${kind}/${subject}`,
} as const;
