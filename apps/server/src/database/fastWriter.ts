import type { EntityManager } from '@mikro-orm/libsql';

/** The few things of the driver's own connection that the writer of edits uses. */
interface DriverStatement {
  readonly run: (...values: readonly unknown[]) => { readonly changes: number };
  readonly get: (...values: readonly unknown[]) => unknown;
}
interface DriverConnection {
  readonly prepare: (sql: string) => DriverStatement;
  readonly exec: (sql: string) => unknown;
}

/** Runs one prepared statement with its values. @returns how many rows it changed */
export type RunStatement = (sql: string, ...values: readonly unknown[]) => number;

const preparedBy = new WeakMap<DriverConnection, Map<string, DriverStatement>>();

/**
 * Runs `work` in one transaction on the connection that the ORM holds, with prepared statements and without its query
 * builder. Only for the one place that every edit waits for: there, building and preparing the same four statements anew
 * took five times as long as running them. The connection comes from the ORM's pool of one and goes back to it, so that
 * nothing else writes meanwhile.
 */
export function writeAtOnce(em: EntityManager, work: (run: RunStatement) => void): Promise<void> {
  return withConnection(em, (connection) => transaction(connection, work));
}

/** One row by a prepared statement, for what is asked with every undo; undefined when there is none. */
export function readRow(
  em: EntityManager,
  sql: string,
  ...values: readonly unknown[]
): Promise<Readonly<Record<string, unknown>> | undefined> {
  return withConnection(em, (connection) => {
    const row = prepared(connection, sql).get(...values);
    return typeof row === 'object' && row !== null ? { ...row } : undefined;
  });
}

/** Moves what the log holds into the database file, so that the log is short when it is next read. */
export function checkpoint(em: EntityManager): Promise<void> {
  return withConnection(em, (connection) => {
    connection.exec('PRAGMA wal_checkpoint(PASSIVE)');
  });
}

/** What the ORM's query builder offers for taking its connection; it has no types for this. */
interface ConnectionPool {
  readonly acquireConnection: () => Promise<unknown>;
  readonly releaseConnection: (connection: unknown) => Promise<void>;
}

function poolOf(builder: { readonly client: ConnectionPool }): ConnectionPool {
  return builder.client;
}

async function withConnection<T>(em: EntityManager, use: (connection: DriverConnection) => T): Promise<T> {
  const pool = poolOf(em.getConnection().getKnex());
  const connection = await pool.acquireConnection();
  try {
    if (!isDriverConnection(connection)) throw new Error('The database driver does not have the connection that is expected.');
    return use(connection);
  } finally {
    await pool.releaseConnection(connection);
  }
}

function transaction(connection: DriverConnection, work: (run: RunStatement) => void): void {
  connection.exec('begin immediate');
  try {
    work((sql, ...values) => prepared(connection, sql).run(...values).changes);
    connection.exec('commit');
  } catch (error) {
    connection.exec('rollback');
    throw error;
  }
}

function prepared(connection: DriverConnection, sql: string): DriverStatement {
  const statements = preparedBy.get(connection) ?? new Map<string, DriverStatement>();
  preparedBy.set(connection, statements);
  const known = statements.get(sql);
  if (known !== undefined) return known;
  const statement = connection.prepare(sql);
  statements.set(sql, statement);
  return statement;
}

function isDriverConnection(value: unknown): value is DriverConnection {
  return typeof value === 'object' && value !== null && 'prepare' in value && 'exec' in value;
}

/** True when the database refused a row because one with its key is there. */
export function isUniqueViolation(error: unknown): boolean {
  return error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_CONSTRAINT');
}
