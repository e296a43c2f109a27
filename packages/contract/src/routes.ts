import type { AircraftId, DialectId, PartId } from '@wired-falcon/core';

/** The addresses of the API, declared once for the server and for whoever calls it. */
export const API_PREFIX = 'api';

export const routes = {
  health: () => `/${API_PREFIX}/health`,
  hangar: () => `/${API_PREFIX}/aircraft`,
  aircraft: (id: AircraftId, author: string) => `/${API_PREFIX}/aircraft/${id}?author=${encodeURIComponent(author)}`,
  edits: (id: AircraftId) => `/${API_PREFIX}/aircraft/${id}/edits`,
  editsSince: (id: AircraftId, epoch: string, since: number) =>
    `/${API_PREFIX}/aircraft/${id}/edits?epoch=${encodeURIComponent(epoch)}&since=${since}`,
  arrived: (id: AircraftId) => `/${API_PREFIX}/aircraft/${id}/edits/arrived`,
  position: (id: AircraftId, version: number) => `/${API_PREFIX}/aircraft/${id}/positions/${version}`,
  access: () => '/access',
  document: (id: AircraftId, kind: string, subject: string) =>
    `/${API_PREFIX}/aircraft/${id}/documents/${encodeURIComponent(kind)}/${encodeURIComponent(subject)}`,
  exportFile: (id: AircraftId) => `/${API_PREFIX}/aircraft/${id}/export`,
  dumps: (id: AircraftId) => `/${API_PREFIX}/aircraft/${id}/dumps`,
  dump: (id: AircraftId, dump: string) => `/${API_PREFIX}/aircraft/${id}/dumps/${dump}`,
  dumpRemoved: (id: AircraftId, dump: string) => `/${API_PREFIX}/aircraft/${id}/dumps/${dump}/removed`,
  parts: () => `/${API_PREFIX}/parts`,
  partRevisions: (id: PartId) => `/${API_PREFIX}/parts/${id}/revisions`,
  dialects: () => `/${API_PREFIX}/dialects`,
  dialectRevisions: (id: DialectId) => `/${API_PREFIX}/dialects/${id}/revisions`,
  importFile: () => `/${API_PREFIX}/aircraft/import`,
} as const;

/** Every answer of this product names its epoch in this header: what lacks it was answered by something else. */
export const EPOCH_HEADER = 'wired-falcon-epoch';

/** Limits of what crosses the wire, in bytes. */
export const BODY_LIMITS = { edits: 2_000_000, importFile: 20_000_000 } as const;
