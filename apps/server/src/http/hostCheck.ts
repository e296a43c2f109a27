import type { ErrorResponse } from '@wired-falcon/contract';
import type { NextFunction, Request, Response } from 'express';

const NAMES = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Refuses what was not asked of this server by its own name (a page elsewhere that had its name turned to our address),
 * and what another page's script asks of us.
 * @param names further names that this server has on its network
 */
export function hostCheck(names: readonly string[] = []) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const port = request.socket.localPort;
    const allowed = [...NAMES, ...names].map((name) => `${name}:${port ?? ''}`);
    const host = request.headers.host ?? '';
    if (!allowed.includes(host)) {
      refuse(response, 'wrong-host', `This server answers only to its own addresses, such as http://${allowed[0] ?? ''}.`);
      return;
    }
    const { origin } = request.headers;
    if (origin !== undefined && origin !== `http://${host}`) {
      refuse(response, 'wrong-origin', 'Another site may not use this server. Open the product at its own address.');
      return;
    }
    next();
  };
}

function refuse(response: Response, code: 'wrong-host' | 'wrong-origin', message: string): void {
  const body: ErrorResponse = { code, message, details: [] };
  response.status(403).json(body);
}
