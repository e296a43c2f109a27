import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { defineConfig } from '@mikro-orm/libsql';
import { Migrator } from '@mikro-orm/migrations';
import { migrations } from './migrations.ts';
import { tables } from './tables.ts';

interface PragmaConnection {
  readonly exec: (sql: string) => unknown;
}

/**
 * The options of the database: one SQLite file, WAL, foreign keys on, and `synchronous = FULL`, so that a commit that
 * was acknowledged is on the disk.
 */
export function ormOptions(databaseFile: string) {
  mkdirSync(dirname(databaseFile), { recursive: true });
  return defineConfig({
    dbName: databaseFile,
    entities: tables,
    extensions: [Migrator],
    migrations: { migrationsList: migrations, silent: true, snapshot: false, transactional: true },
    discovery: { warnWhenNoEntities: true },
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: PragmaConnection, done: (error: Error | null, connection: PragmaConnection) => void) => {
        connection.exec('PRAGMA journal_mode = WAL');
        connection.exec('PRAGMA synchronous = FULL');
        connection.exec('PRAGMA foreign_keys = ON');
        // Moving the log into the file stalls whoever waits for a commit, so it is done when all is quiet (see CommitGroup);
        // this bounds the log at about 16 MB when it never is.
        connection.exec('PRAGMA wal_autocheckpoint = 4000');
        connection.exec('PRAGMA busy_timeout = 5000');
        done(null, connection);
      },
    },
    allowGlobalContext: false,
  });
}
