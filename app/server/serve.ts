import { randomBytes, randomUUID } from "node:crypto";
import type { Server } from "node:http";
import compression from "compression";
import express, { type Request, type Response } from "express";
import expressStaticGzip from "express-static-gzip";
import helmet from "helmet";
import onHeaders from "on-headers";
import { createRequestHandler } from "@react-router/express";
import { liveHandlers } from "./live/handlers";
import { LiveHub } from "./live/hub";
import { log } from "./log";
import { openServices } from "./open-services";
import { routeNames } from "./route-names";
import { bringsSignIn } from "./signed-cookie";
import { forOneRequest } from "./per-request";
import type { ReadyPage } from "./ready-pages";
import { refuseOdd, takeBody, withTakenBody } from "./gate";
import type { ServerBuild } from "react-router";

/** What every loader and action is given beside the request. */
export type LoadContext = {
  nonce: string;
  address: string;
  /** By which a request is found in the log. */
  requestId: string;
  /** The address as it stands in app/routes.ts: nothing of what was asked for. */
  route: string;
  /** Whether a whole page is asked for, not only its data. */
  isPage: boolean;
  /** Said by a loader whose page is the same for whoever asks, and is kept ready by this key; with its text, where that is there already. */
  ready?: { key: string; page: ReadyPage; look: string | undefined; text: string | undefined };
};

declare module "react-router" {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- the framework's way to type its context
  interface AppLoadContext extends LoadContext {}
}

/** With `proxy`, a proxy on this machine says who asks and whether it was by TLS, in the usual headers; without it they are not believed. */
export type ServeSettings = {
  port: number;
  buildFolder: string;
  baseUrl: string;
  proxy?: boolean;
  /** Folders with the assets of builds before this one. */ earlierAssets?: readonly string[];
};

/** Serves the production build on loopback. Resolves once it listens; rejects when it cannot, as when the port is in use. */
export async function serve(settings: ServeSettings): Promise<Server> {
  const build = (await import(`${settings.buildFolder}/server/index.js`)) as ServerBuild;
  // Opened here, once: what streams and what answers pages are two programs, and share these.
  const services = openServices(`${settings.buildFolder}/work.mjs`);
  const nameOf = routeNames(build.routes);
  const app = express();
  app.disable("x-powered-by");
  if (settings.proxy) app.set("trust proxy", "loopback");
  // Without a proxy nobody may say in its place by which name they asked.
  else app.use(withoutForwarded);
  app.use(refuseOdd);
  const hub = new LiveHub(services.db, services.databaseUrl);
  // Before all else: hundreds of devices ask for the time, and finding out by which route costs more than the answer.
  app.use(liveHandlers(services.db, hub));
  app.use(noted((req) => nameOf(req.path)));
  app.use(compression());
  app.use(releaseDrainListeners);
  app.use((req, res, next) => {
    Object.assign(res.locals, { nonce: randomBytes(16).toString("base64"), isPage: !req.path.endsWith(".data") });
    next();
  });
  app.use(securityHeaders(settings.baseUrl.startsWith("https:")));
  app.use(
    "/assets",
    expressStaticGzip(`${settings.buildFolder}/client/assets`, {
      enableBrotli: true,
      orderPreference: ["br"],
      serveStatic: { immutable: true, maxAge: "1y" },
    }),
  );
  // Pages of the builds before are still open somewhere, or kept on a phone, and ask for what belongs to them.
  for (const assets of settings.earlierAssets ?? [])
    app.use(
      "/assets",
      expressStaticGzip(assets, {
        enableBrotli: true,
        orderPreference: ["br"],
        serveStatic: { immutable: true, maxAge: "1y" },
      }),
    );
  app.use("/assets", nothingThere);
  // Whoever has the worker asks whether there is a newer one; an answer from between would keep them on the old.
  app.use(
    express.static(`${settings.buildFolder}/client`, {
      maxAge: "1h",
      setHeaders: (res, path) => void (path.endsWith("/sw.js") && res.setHeader("cache-control", "no-cache")),
    }),
  );
  app.use(keptNowhere);
  app.use(refuseForeignForms);
  app.use(takeBody((req) => bringsSignIn(req.get("cookie"), services.secret)));
  const handle = createRequestHandler({
    build,
    mode: "production",
    getLoadContext: (req, res) => ({
      ...(res.locals as Pick<LoadContext, "nonce" | "requestId" | "route" | "isPage">),
      address: req.ip ?? req.socket.remoteAddress ?? "",
    }),
  });
  app.all("*path", (req, res, next) => {
    // Gone before they were answered: nothing is worked out for them any more.
    const gone = new AbortController();
    res.once("close", () => void (res.writableFinished || gone.abort()));
    void forOneRequest(services, gone.signal, () => handle(withTakenBody(req, res), res, next));
  });
  return new Promise((resolve, reject) => {
    const server = app.listen(settings.port, "127.0.0.1", (error?: Error) => (error ? reject(error) : resolve(server)));
    // Longer than proxies and browsers hold a connection: one that is closed just as it is used again loses what was sent.
    server.keepAliveTimeout = 75_000;
    server.once("close", () => {
      hub.close();
      void services.work?.close();
    });
  });
}

function withoutForwarded(req: Request, _: Response, next: () => void): void {
  delete req.headers["x-forwarded-host"];
  next();
}

/** No page has an address among the assets. */
function nothingThere(_: Request, res: Response): void {
  res.status(404).type("text").send("There is no such file.");
}

/** Gives each request a number of its own, and notes how it was answered. */
function noted(nameOf: (req: Request) => string) {
  return (req: Request, res: Response, next: () => void): void => {
    const [requestId, route, begun] = [randomUUID(), nameOf(req), performance.now()];
    Object.assign(res.locals, { requestId, route });
    res.set("x-request-id", requestId);
    res.once("finish", () => {
      const line = {
        id: requestId,
        method: req.method.slice(0, 10),
        route,
        status: res.statusCode,
        ms: Math.round(performance.now() - begun),
      };
      if (res.statusCode >= 500) log.error(line, "answered with a failure");
      else log.info(line, "answered");
    });
    next();
  };
}

/**
 * The compression hands listeners for “drain” on to its own stream, but not their removal, so that they would pile up
 * over a large page. Adding one returns the stream it went to; removal is passed on to the same.
 */
function releaseDrainListeners(_: Request, res: Response, next: () => void): void {
  const emitter: NodeJS.EventEmitter = res;
  const on = emitter.on.bind(emitter);
  const off = emitter.off.bind(emitter);
  let stream: NodeJS.EventEmitter | undefined;
  emitter.on = (type, listener) => {
    const target = on(type, listener);
    if (type === "drain" && target !== emitter) stream = target;
    return emitter;
  };
  emitter.off = emitter.removeListener = (type, listener) => {
    if (type === "drain") stream?.off(type, listener);
    return off(type, listener);
  };
  next();
}

function securityHeaders(secure: boolean) {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The solver's WebAssembly runs in a worker, whose own file brings its policy: pages themselves may not compile any.
        scriptSrc: [
          "'self'",
          (req, res) =>
            isAsset(req as unknown as Request)
              ? "'wasm-unsafe-eval'"
              : `'nonce-${String((res as unknown as Response).locals["nonce"])}'`,
        ],
        // Drag and drop and the charts place things by inline style.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", "data:"],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // To other sites nothing; to ours, or browsers would send forms of a page without its script as nobody’s.
    referrerPolicy: { policy: "same-origin" },
    strictTransportSecurity: secure ? undefined : false,
  });
}

const isAsset = (req: Request): boolean => (req.url ?? "").startsWith("/assets/");

/** Nothing that is worked out for someone is kept by what is between them and us, nor found by a search. */
function keptNowhere(_: Request, res: Response, next: () => void): void {
  res.set("x-robots-tag", "noindex, nofollow");
  onHeaders(res, () => {
    if (!res.hasHeader("cache-control")) res.setHeader("cache-control", "no-store");
  });
  next();
}

/** A form or script of another site cannot change anything here: its origin is not ours. */
function refuseForeignForms(req: Request, res: Response, next: () => void): void {
  const origin = req.get("origin");
  const safe = req.method === "GET" || req.method === "HEAD";
  const site = req.get("sec-fetch-site");
  const foreign =
    origin !== undefined && origin !== "null"
      ? hostOf(origin) !== req.host
      : site === "cross-site" || site === "same-site";
  if (safe || !foreign) next();
  else res.status(403).type("text").send("This came from another site and was not carried out.");
}

function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return "";
  }
}
