import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';

/**
 * Serves the built application and nothing else.
 * The headers ask for nothing that plain HTTP on a home network cannot give: no HTTPS is forced,
 * and what browsers keep to secure origins is not asked for.
 * @param folder where the built application lies
 * @throws Error when it is not there
 */
export function application(folder: string): Express {
  const page = join(folder, 'index.html');
  if (!existsSync(page)) throw new Error(`the application is not built: ${page} is missing`);
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // The interface library writes its styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  );
  app.use(compression());
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false }));
  // Every other address is a page of the application, which has a page of its own for those that lead nowhere.
  app.get(/.*/, (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
  app.use(refuse);
  return app;
}

/** What cannot be served is answered in a few words, never with a path of this machine. */
const refuse: ErrorRequestHandler = (error: { status?: number }, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const status = error.status !== undefined && error.status >= 400 && error.status < 500 ? error.status : 500;
  response
    .status(status)
    .type('text/plain')
    .send(status === 404 ? 'There is no such file.\n' : 'That cannot be served.\n');
};
