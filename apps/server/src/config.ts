import { resolve } from 'node:path';

/** What the server is started with. */
export interface ServerConfig {
  /** Address to listen on: this machine only, unless there is an access key. */
  readonly host: string;
  /** Names, beside those of this machine itself, by which others may call it. */
  readonly names: readonly string[];
  /** What everyone has to know who uses the workshop; undefined on a workshop of this machine alone. */
  readonly accessKey: string | undefined;
  /** 0: any free port. */
  readonly port: number;
  /** The database file. */
  readonly databaseFile: string;
  /** The built web application, or undefined to serve the API alone. */
  readonly webRoot: string | undefined;
  /** Load the demo aircraft when the workshop is empty. */
  readonly demo: boolean;
  /** The compiled `importing/importWorker`, which reads files in a thread of its own. */
  readonly importWorker: string;
}

const LOOPBACK = ['127.0.0.1', '::1', 'localhost'];
/** The shortest access key. */
const LEAST_KEY = 16;
export const DEFAULT_PORT = 4780;

/**
 * Reads the configuration from environment variables.
 * @throws a sentence when a value makes no sense, or when it would listen beyond this machine without a key
 */
export function configFrom(environment: NodeJS.ProcessEnv): Omit<ServerConfig, 'importWorker'> {
  const host = environment['WF_HOST'] ?? '127.0.0.1';
  const accessKey = environment['WF_ACCESS_KEY'];
  if (accessKey !== undefined && accessKey.length < LEAST_KEY) {
    throw new Error(`WF_ACCESS_KEY is too short. Use at least ${LEAST_KEY} characters that nobody can guess.`);
  }
  if (!LOOPBACK.includes(host) && accessKey === undefined) {
    throw new Error(
      `WF_HOST is "${host}", which others can reach. Set WF_ACCESS_KEY too, to a key of at least ${LEAST_KEY} characters, or leave WF_HOST out to listen on this machine only.`,
    );
  }
  const names = (environment['WF_NAMES'] ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  const port = Number(environment['WF_PORT'] ?? DEFAULT_PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`WF_PORT is "${environment['WF_PORT'] ?? ''}". It should be a port number, such as ${DEFAULT_PORT}.`);
  }
  const ownAddress = LOOPBACK.includes(host) || host === '0.0.0.0' || host === '::' ? [] : [host];
  return {
    host,
    names: [...ownAddress, ...names],
    accessKey,
    port,
    databaseFile: resolve(environment['WF_DATA'] ?? 'data', 'workshop.db'),
    webRoot: environment['WF_WEB'] === undefined ? undefined : resolve(environment['WF_WEB']),
    demo: environment['WF_DEMO'] === '1',
  };
}
