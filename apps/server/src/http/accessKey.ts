import { createHash, timingSafeEqual } from 'node:crypto';
import type { ErrorResponse } from '@wired-falcon/contract';
import { parse } from 'cookie';
import express, { type NextFunction, type Request, type Response } from 'express';
import { RateLimiterMemory } from 'rate-limiter-flexible';

const COOKIE = 'wired-falcon-access';
/** Where the key is handed in. */
const ADDRESS = '/access';
/** So many wrong keys from one address, and it waits. */
const MOST_TRIES = 10;
const FORGET_S = 60;

/**
 * Asks everyone for the workshop's key: a browser by a page and then a cookie, a program by `Authorization: Bearer`. What the
 * cookie holds is a hash, so that the key itself does not lie about.
 */
export function accessKeyCheck(key: string) {
  const token = createHash('sha256').update(`wired-falcon ${key}`).digest('hex');
  const wrongKeys = new RateLimiterMemory({ points: MOST_TRIES, duration: FORGET_S });
  const form = express.urlencoded({ extended: false, limit: '4kb' });
  return (request: Request, response: Response, next: NextFunction): void => {
    const isHandedIn = request.path === ADDRESS && request.method === 'POST';
    if (!isHandedIn) {
      if (isSame(cookieIn(request), token) || isSame(bearerIn(request), key)) next();
      else ask(request, response);
      return;
    }
    void handIn(request, response);
  };

  async function handIn(request: Request, response: Response): Promise<void> {
    const from = request.socket.remoteAddress ?? '';
    const wrong = (await wrongKeys.get(from))?.consumedPoints ?? 0;
    if (wrong >= MOST_TRIES)
      return turnDown(request, response, 429, 'too-many-tries', 'Too many wrong keys. Wait a minute, then try again.');
    form(request, response, () => {
      if (isSame(keyIn(request.body), key)) {
        void wrongKeys.delete(from);
        response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: 180 * 24 * 3600 * 1000 });
        if (wantsJson(request)) response.status(204).end();
        else response.redirect(303, '/');
        return;
      }
      void wrongKeys.penalty(from);
      turnDown(request, response, 401, 'no-access', 'That is not the access key of this workshop.');
    });
  }
}

/** True when a page of the product asks by script, and not a person by a form. */
function wantsJson(request: Request): boolean {
  return (request.headers.accept ?? '').includes('application/json');
}

function turnDown(request: Request, response: Response, status: number, code: ErrorResponse['code'], sentence: string): void {
  if (!wantsJson(request)) return page(response, status, sentence);
  const body: ErrorResponse = { code, message: sentence, details: [] };
  response.status(status).json(body);
}

function isSame(given: string | undefined, wanted: string): boolean {
  if (given === undefined) return false;
  const [a, b] = [given, wanted].map((text) => createHash('sha256').update(text).digest());
  return a !== undefined && b !== undefined && timingSafeEqual(a, b);
}

function cookieIn(request: Request): string | undefined {
  return parse(request.headers.cookie ?? '')[COOKIE];
}

function bearerIn(request: Request): string | undefined {
  return /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1];
}

function keyIn(body: unknown): string | undefined {
  return typeof body === 'object' && body !== null && 'key' in body && typeof body.key === 'string' ? body.key : undefined;
}

function ask(request: Request, response: Response): void {
  if (request.path.startsWith('/api/')) {
    const body: ErrorResponse = {
      code: 'no-access',
      message: 'This workshop needs its access key.',
      details: [],
    };
    response.status(401).json(body);
    return;
  }
  page(response, 401, '');
}

/** A page of its own, without a script: nothing of the product goes out before the key came in. */
function page(response: Response, status: number, sentence: string): void {
  response.status(status).type('html').send(`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Wired Falcon, access</title>
<style>body{font:15px sans-serif;background:#f4f1ea;color:#1c2530;margin:3rem}input,button{font:inherit;padding:.3rem .6rem}p.wrong{color:#a8431b}</style></head>
<body><h1>Wired Falcon</h1><p>This workshop needs its access key.</p>${sentence === '' ? '' : `<p class="wrong" role="alert">${sentence}</p>`}
<form method="post" action="${ADDRESS}"><label>Access key <input name="key" type="password" autocomplete="current-password" autofocus required></label> <button>Open</button></form>
</body></html>
`);
}
