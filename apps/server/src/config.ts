import { resolve } from 'node:path';

/** What the server is started with. */
export interface ServerConfig {
  /** Loopback address to listen on. */
  readonly host: string;
  /** 0: any free port. */
  readonly port: number;
  /** The database file. */
  readonly databaseFile: string;
  /** The built web application, or undefined to serve the API alone. */
  readonly webRoot: string | undefined;
  /** Load the demo aircraft when the workshop is empty. */
  readonly demo: boolean;
}

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];
export const DEFAULT_PORT = 4780;

/**
 * Reads the configuration from environment variables.
 * @throws a sentence when a value makes no sense, or when it would listen beyond this machine
 */
export function configFrom(environment: NodeJS.ProcessEnv): ServerConfig {
  const host = environment['WF_HOST'] ?? '127.0.0.1';
  if (!LOOPBACK.includes(host)) {
    throw new Error(`WF_HOST is "${host}". This version listens on this machine only: leave WF_HOST out, or use 127.0.0.1.`);
  }
  const port = Number(environment['WF_PORT'] ?? DEFAULT_PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`WF_PORT is "${environment['WF_PORT'] ?? ''}". It should be a port number, such as ${DEFAULT_PORT}.`);
  }
  return {
    host,
    port,
    databaseFile: resolve(environment['WF_DATA'] ?? 'data', 'workshop.db'),
    webRoot: environment['WF_WEB'] === undefined ? undefined : resolve(environment['WF_WEB']),
    demo: environment['WF_DEMO'] === '1',
  };
}
