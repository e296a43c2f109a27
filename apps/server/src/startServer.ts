import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { MikroORM } from '@mikro-orm/core';
import type { INestApplicationContext, NestApplicationOptions } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import { NestExpressApplication } from '@nestjs/platform-express';
import { API_PREFIX, BODY_LIMITS, routes } from '@wired-falcon/contract';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { AppModule } from './app.module.ts';
import type { ServerConfig } from './config.ts';
import { accessKeyCheck } from './http/accessKey.ts';
import { bodyCheck } from './http/bodyCheck.ts';
import { epochHeader } from './http/epochHeader.ts';
import { ErrorFilter } from './http/errorFilter.ts';
import { hostCheck } from './http/hostCheck.ts';
import { serveOpenApi } from './http/openApi.ts';
import { validationPipe } from './http/validation.ts';
import { AircraftImport } from './importing/aircraftImport.ts';
import { holdWorkshop } from './keeping/inUse.ts';
import { Epoch } from './workshop/epoch.ts';
import { DemoLoader } from './workshop/demoLoader.ts';
import { Library } from './workshop/library.ts';

export interface RunningServer {
  readonly url: string;
  /** Loads what the first requests would have to wait for. */
  readonly warmUp: () => void;
  readonly close: () => Promise<void>;
}

/** Brings the database up to date, loads the demo if asked to, and listens. */
export async function startServer(config: ServerConfig): Promise<RunningServer> {
  const options: NestApplicationOptions = { logger: ['error', 'warn'], bodyParser: false, abortOnError: false };
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), options);
  // Answers of the API are never asked for again by their tag; it would be computed for each.
  app.set('etag', false);
  app.use(epochHeader(app.get(Epoch)));
  app.use(hostCheck(config.names));
  app.use(securityHeaders());
  if (config.accessKey !== undefined) app.use(accessKeyCheck(config.accessKey));
  app.use(routes.importFile(), express.raw({ limit: BODY_LIMITS.importFile, type: () => true }));
  app.use(express.json({ limit: BODY_LIMITS.edits }));
  app.use(bodyCheck());
  app.setGlobalPrefix(API_PREFIX);
  app.useGlobalPipes(validationPipe());
  app.useGlobalFilters(new ErrorFilter());
  serveOpenApi(app);
  if (config.webRoot !== undefined) serveWeb(app, config.webRoot);
  await openWorkshop(app);
  if (config.demo) await app.get(DemoLoader).load();
  // Longer than any client keeps a silent connection, so that none is closed under a request that is on its way.
  app.getHttpServer().keepAliveTimeout = 75_000;
  await app.listen(config.port, config.host);
  const release = holdWorkshop(config.databaseFile);
  const close = async (): Promise<void> => {
    await app.close();
    release();
  };
  return { url: await addressOf(app), warmUp: () => app.get(AircraftImport).warmUp(), close };
}

/** Brings the database up to date and reads what every request needs of it. */
export async function openWorkshop(app: INestApplicationContext): Promise<void> {
  const orm = app.get(MikroORM);
  await orm.migrator.up();
  await app.get(Epoch).load();
  await app.get(Library).load(orm.em.fork());
}

async function addressOf(app: NestExpressApplication): Promise<string> {
  const url = await app.getUrl();
  return url.replace('[::1]', '127.0.0.1');
}

function securityHeaders() {
  return helmet({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
    // Not "no-referrer": with that a browser does not say where a form comes from, and the key could not be handed in by one.
    referrerPolicy: { policy: 'same-origin' },
  });
}

/** The web application; every address that is not the API's is its first page. */
function serveWeb(app: NestExpressApplication, webRoot: string): void {
  const page = join(webRoot, 'index.html');
  if (!existsSync(page)) throw new Error(`The web application is not built: there is no ${page}. Run "npm run build" first.`);
  const web = express.Router();
  web.use('/assets', express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y' }));
  web.use(express.static(webRoot, { index: false }));
  web.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method === 'GET') response.sendFile(page);
    else next();
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.path.startsWith(`/${API_PREFIX}/`)) next();
    else web(request, response, next);
  });
}
