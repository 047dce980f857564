import { existsSync } from 'node:fs';
import path from 'node:path';
import Koa from 'koa';
import compress from 'koa-compress';
import helmet from 'koa-helmet';
import serve from 'koa-static';
import { accountRoutes } from './accountRoutes';
import { liveRoutes } from './liveRoutes';
import { peopleRoutes } from './peopleRoutes';
import { knowVisitor } from './visitor';
import type { Reach } from '../tls/reach';
import { drillRoutes } from './drillRoutes';
import { firmRoutes } from './firmRoutes';
import { hostRoutes } from './hostRoutes';
import type { DrillResults } from '../store/drillResults';
import type { AllowedHosts } from '../store/allowedHosts';
import { instrumentRoutes } from './instrumentRoutes';
import { deviceDoor } from './deviceDoor';
import { onlyFromHere, onlyJsonOrBytes, onlyPlainAddresses } from './guards';
import type { ServerLog } from '../log/serverLog';
import { noteFaults } from './noteFaults';
import { problemsForErrors, sendProblem } from './problemDetails';
import { pictureRoutes } from './pictureRoutes';
import { recorderRoutes } from './recorderRoutes';
import { converterRoutes } from './converterRoutes';
import { switchRoutes } from './switchRoutes';
import type { DemoDevices } from '../demoDevices';
import { customerRoutes } from './customerRoutes';
import { siteRoutes, type Kept } from './siteRoutes';

/** Everything is its own; styles are inline because the widgets write theirs at run time. */
const contentSecurityPolicy = {
  directives: {
    defaultSrc: ["'self'"],
    // The solver is WebAssembly; nothing else is compiled in the page.
    scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    workerSrc: ["'self'"],
    objectSrc: ["'none'"],
    baseUri: ["'none'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
    upgradeInsecureRequests: null,
  },
};

const yearSeconds = 365 * 24 * 3600;

/** A browser is told to come by HTTPS alone from now on, unless that rests on an authority which it may stop trusting. */
const staysSecure = ({ trustProxy, identity, authority }: Reach) =>
  (trustProxy || identity !== null) && authority === null
    ? { maxAge: yearSeconds, includeSubDomains: false }
    : false;

/** The web server: the API under /api, the built pages everywhere else. */
export function createApp(
  kept: Kept & { log: ServerLog; hosts: AllowedHosts; drills: DrillResults },
  webDir: string,
  standIns: DemoDevices,
  { reach, addresses }: { reach: Reach; addresses: readonly string[] },
): Koa {
  // Of a chain of addresses only the last was said by the proxy that is trusted; the others are whatever a visitor claims.
  const app = new Koa({ proxy: reach.trustProxy, maxIpsCount: 1 });
  const door = deviceDoor(kept.hosts.of);
  noteFaults(app, kept.log);
  app.use(helmet({ contentSecurityPolicy, strictTransportSecurity: staysSecure(reach) }));
  app.use(problemsForErrors);
  app.use(onlyFromHere(reach.names));
  app.use(onlyPlainAddresses);
  // Quickly rather than tightly: it never goes farther than this building.
  app.use(compress({ br: false, gzip: { level: 1 } }));
  app.use(async (context, next) => {
    if (context.path.startsWith('/api')) context.set('Cache-Control', 'no-store');
    await next();
  });
  app.use(onlyJsonOrBytes);
  app.use(knowVisitor(kept.accounts, reach.isShared));
  for (const routes of [
    siteRoutes(kept),
    customerRoutes(kept),
    accountRoutes(kept),
    liveRoutes(kept),
    peopleRoutes(kept.accounts, { addresses, authority: reach.authority }),
    pictureRoutes(kept),
    instrumentRoutes(standIns.tester, door),
    hostRoutes(kept),
    firmRoutes(kept),
    drillRoutes(kept),
    switchRoutes(standIns.switch, door),
    converterRoutes(standIns.converter, door),
    recorderRoutes({ ...kept, standIns: standIns.recorders, door }),
  ])
    app.use(routes.routes()).use(routes.allowedMethods());
  app.use(async (context, next) => {
    // Addresses without an ending are the application's own; it shows what belongs there.
    if (context.method === 'GET' && !context.path.startsWith('/api') && path.extname(context.path) === '')
      context.path = '/index.html';
    await next();
  });
  if (existsSync(path.join(webDir, 'index.html'))) {
    app.use(
      serve(webDir, {
        setHeaders: (response, file) =>
          response.setHeader(
            'Cache-Control',
            file.includes(`${path.sep}assets${path.sep}`)
              ? `public, max-age=${yearSeconds}, immutable`
              : 'no-cache',
          ),
      }),
    );
  } else {
    app.use(async (context, next) => {
      if (context.path === '/index.html')
        return sendProblem(context, {
          status: 404,
          title: 'Not built',
          detail: 'The pages are not built yet. Run npm run demo.',
        });
      await next();
    });
  }
  return app;
}
