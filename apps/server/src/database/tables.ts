import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

/** An aircraft at its present version; its document is in pieces. */
export const AircraftTable = defineEntity({
  name: 'AircraftRow',
  tableName: 'aircraft',
  properties: {
    id: p.string().primary(),
    name: p.string(),
    version: p.integer(),
    schema: p.integer(),
    createdAt: p.string(),
    updatedAt: p.string(),
  },
});
export type AircraftRow = InferEntity<typeof AircraftTable>;

/** The pieces of the documents at their present versions; see documentPieces.ts. */
export const PieceTable = defineEntity({
  name: 'PieceRow',
  tableName: 'piece',
  properties: { aircraft: p.string().primary(), path: p.string().primary(), content: p.text() },
});

/** Every edit that was ever accepted, in order, with what takes it back. Rows are never changed. */
export const JournalTable = defineEntity({
  name: 'JournalRow',
  tableName: 'journal',
  properties: {
    id: p.integer().primary().autoincrement(),
    aircraft: p.string(),
    version: p.integer(),
    editId: p.string(),
    author: p.string(),
    at: p.string(),
    schema: p.integer(),
    title: p.text(),
    edit: p.text(),
    inverse: p.text(),
    undoOf: p.string().nullable(),
  },
});
export type JournalRow = InferEntity<typeof JournalTable>;

/** Part revisions that aircraft use. Immutable, by key. */
export const PartTable = defineEntity({
  name: 'PartRow',
  tableName: 'part',
  properties: { key: p.string().primary(), content: p.text() },
});

/** The revisions of the parts that the workshop made itself, by number from 1. */
export const PartRevisionTable = defineEntity({
  name: 'PartRevisionRow',
  tableName: 'part_revision',
  properties: { part: p.string().primary(), revision: p.integer().primary(), key: p.string(), at: p.string(), by: p.string() },
});

/** Dialect revisions that aircraft use, likewise. */
export const DialectTable = defineEntity({
  name: 'DialectRow',
  tableName: 'dialect',
  properties: { key: p.string().primary(), content: p.text() },
});

/** The revisions of the dialects of the workshop's own, by number from 1. */
export const DialectRevisionTable = defineEntity({
  name: 'DialectRevisionRow',
  tableName: 'dialect_revision',
  properties: { dialect: p.string().primary(), revision: p.integer().primary(), key: p.string(), at: p.string(), by: p.string() },
});

/** The compressed document every so many versions, and before a change of schema. */
export const SnapshotTable = defineEntity({
  name: 'SnapshotRow',
  tableName: 'snapshot',
  properties: {
    aircraft: p.string().primary(),
    version: p.integer().primary(),
    schema: p.integer(),
    content: p.blob(),
  },
});

/** What the hangar shows of an aircraft, kept as long as neither its version nor the checks change. */
export const SummaryTable = defineEntity({
  name: 'SummaryRow',
  tableName: 'summary',
  properties: {
    aircraft: p.string().primary(),
    version: p.integer(),
    checksVersion: p.integer(),
    items: p.integer(),
    cables: p.integer(),
    stops: p.integer(),
    mends: p.integer(),
    notes: p.integer(),
  },
});
export type SummaryRow = InferEntity<typeof SummaryTable>;

/** Dumps of controllers as they were read, compressed; `removedAt` where somebody has taken one out. */
export const DumpTable = defineEntity({
  name: 'DumpRow',
  tableName: 'dump',
  properties: {
    id: p.string().primary(),
    aircraft: p.string(),
    controller: p.string(),
    at: p.string(),
    by: p.string(),
    note: p.string(),
    lines: p.integer(),
    calibration: p.text(),
    content: p.blob(),
    removedAt: p.string().nullable(),
  },
});
export type DumpRow = InferEntity<typeof DumpTable>;

/** The fact that names the line of documents; see workshop/epoch.ts. */
export const EPOCH = 'epoch';

/** Facts of the workshop as a whole, by name. */
export const WorkshopTable = defineEntity({
  name: 'WorkshopRow',
  tableName: 'workshop',
  properties: { name: p.string().primary(), value: p.string() },
});

export const tables = [
  WorkshopTable,
  AircraftTable,
  PieceTable,
  JournalTable,
  PartTable,
  PartRevisionTable,
  DialectTable,
  DialectRevisionTable,
  SnapshotTable,
  SummaryTable,
  DumpTable,
];
