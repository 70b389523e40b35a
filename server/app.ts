import { randomBytes } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import compression from "compression";
import connectPgSimple from "connect-pg-simple";
import express, { type Request } from "express";
import { rateLimit } from "express-rate-limit";
import session from "express-session";
import pg from "pg";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import type { DataSource } from "typeorm";
import { z } from "zod";
import { endpoints } from "@kasten/contract/all";
import { openApiDocument } from "@kasten/contract/openapi";
import { uuidParams } from "@kasten/contract/http";
import { mayDo } from "@kasten/contract/permissions";
import { batchDetail, batchRoutes, materialsCsv } from "./batches";
import { benchRoutes } from "./bench";
import { bookRoutes } from "./book";
import { boxRoutes } from "./box";
import { buyingRoutes, onePurchase, pricesCsv, purchaseCsv, type Cheapest } from "./buying";
import { catalogueRoutes } from "./catalogue";
import { customerRoutes } from "./customers";
import { SteadyClient } from "./database/steady";
import { fileRoutes, type Files } from "./files";
import { fileBodies, smallBodies } from "./http/bodies";
import { docsPage, docsStyle } from "./http/docs";
import { registrar } from "./http/handle";
import { healthOf } from "./http/health";
import type { Live } from "./http/live";
import type { Jobs } from "./jobs";
import { Problem } from "./http/problems";
import { refuse } from "./http/refuse";
import { headers, knownHost, nonced, nonceOf, notStored, sameOrigin } from "./http/security";
import { materialRoutes } from "./materials";
import { measuringRoutes } from "./measuring";
import { orderRoutes } from "./orders";
import { outlookRoutes, type Outlook } from "./outlook";
import { purchasingRoutes } from "./purchasing";
import { patternRoutes, type TakeIn } from "./patterns";
import { calendarByKey, calendarOf, planRoutes } from "./plans";
import { sessionSecret } from "./settings";
import { setupRoutes } from "./setup";
import { SocketScale, type ScaleLink } from "./standins";
import { preparingRoutes } from "./preparing";
import { seasonRoutes } from "./seasons";
import { PATIENCE_MS } from "./source";
import { countsCsv, lotsCsv, movementsCsv, photoOf, scaleRoutes, stockRoutes } from "./stock";
import { activePersonById, teamRoutes } from "./team";

export interface AppOptions {
  source: DataSource;
  databaseUrl: string;
  live: Live;
  outlook: Outlook;
  takeIn: TakeIn;
  files: Files;
  jobs: Jobs;
  /** Finds the cheapest way to buy, beside the server. */
  cheapest: Cheapest;
  /** host:port of a scale that speaks lines; the stand-in's, or a real one's. */
  scale?: string;
  /** Whether that is the stand-in, which can be loaded from the screen. */
  standInScale?: boolean;
  log: Logger;
  version: string;
  /** Folder of the built web application, when it is served from here. */
  web?: string;
  trustProxy?: boolean;
  requestsPerMinute?: number;
  /** Names under which the server is known, beside those of the machine itself. */
  hosts?: string[];
}

const rooms = [
  teamRoutes,
  // Before the batches: /batches/sums is no batch.
  outlookRoutes,
  planRoutes,
  catalogueRoutes,
  patternRoutes,
  materialRoutes,
  measuringRoutes,
  orderRoutes,
  customerRoutes,
  purchasingRoutes,
  buyingRoutes,
  fileRoutes,
  setupRoutes,
  batchRoutes,
  preparingRoutes,
  seasonRoutes,
  stockRoutes,
  scaleRoutes,
  benchRoutes,
  boxRoutes,
  bookRoutes,
];

export async function buildApp(options: AppOptions): Promise<{ app: express.Express; close: () => Promise<void> }> {
  const { log } = options;
  const sessions = new pg.Pool({
    connectionString: options.databaseUrl,
    max: 4,
    connectionTimeoutMillis: PATIENCE_MS,
    Client: SteadyClient,
  });
  sessions.on("error", (error) => log.warn({ error: error.message }, "the session store lost the database"));
  const scale = new SocketScale(options.scale);
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", options.trustProxy ? 1 : false);
  app.use(requestLog(log), nonced, headers, knownHost(options.hosts ?? []), compressed);
  app.use("/api", notStored, rateLimited(options));
  openRoutes(app, options);
  app.use("/api", smallBodies, sameOrigin, await sessionsOf(options, sessions), fileBodies, roomRoutes(options, scale));
  if (options.web && existsSync(options.web)) serveWeb(app, options.web);
  app.use((_request, _response) => {
    throw new Problem("not-found", "Not found", "There is nothing at this address.");
  });
  app.use(refuse(log));
  return {
    app,
    close: async () => {
      scale.close();
      await sessions.end();
    },
  };
}

const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    autoLogging: { ignore: (r) => r.url === "/api/live" || r.url === "/api/scale/live" || r.url === "/api/health" },
    serializers: {
      req: (r: { method: string; url: string }) => ({ method: r.method, url: r.url }),
      res: (r: { statusCode: number }) => ({ status: r.statusCode }),
    },
  });

const compressed = compression({
  filter: (request, response) =>
    !/^\/api\/(live|scale)/.test(request.originalUrl) && compression.filter(request, response),
});

const USUAL_PER_MINUTE = 1200;
const rateLimited = ({ requestsPerMinute = USUAL_PER_MINUTE }: AppOptions): express.RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: requestsPerMinute,
    standardHeaders: "draft-8",
    legacyHeaders: false,
    handler: () => {
      throw new Problem("too-many-requests", "Too many requests", "Too many requests in a minute. Wait a little.");
    },
  });

const SESSION_MS = 14 * 24 * 3_600_000;
async function sessionsOf({ source, log }: AppOptions, pool: pg.Pool): Promise<express.RequestHandler> {
  const Store = connectPgSimple(session);
  const store = new Store({
    pool,
    tableName: "session",
    createTableIfMissing: false,
    pruneSessionInterval: 3600,
    // A cookie ends a fixed time after signing in; to lengthen its row at each request would only be writing.
    disableTouch: true,
    errorLog: (...args: unknown[]) => log.warn({ args: args.map(String) }, "session store"),
  });
  return session({
    store,
    name: "kasten",
    secret: await sessionSecret(source.manager, () => randomBytes(32).toString("base64url")),
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: { httpOnly: true, sameSite: "strict", secure: "auto", maxAge: SESSION_MS },
  });
}

/** What needs no session: health, and the description of the API. */
function openRoutes(app: express.Express, { source, outlook, version }: AppOptions): void {
  app.get("/api/health", healthOf(source, version));
  // Made when it is asked for: that takes a quarter of a second, and hardly any start needs it.
  let document: ReturnType<typeof openApiDocument> | undefined;
  app.get("/api/openapi.json", (_request, response) => void response.json((document ??= openApiDocument(version))));
  // A calendar program has no session: the address itself is the secret.
  app.get("/api/calendars/:file", async (request, response) => {
    const key = String(request.params.file).replace(/\.ics$/, "");
    response.type("text/calendar").send(await calendarByKey(source.manager, outlook, key));
  });
  app.get("/api/docs", (_request, response) => void response.type("html").send(docsPage(endpoints)));
  app.get("/api/docs.css", (_request, response) => void response.type("css").send(docsStyle));
}

function roomRoutes(options: AppOptions, scale: ScaleLink): express.Router {
  const { source, live, outlook, takeIn, files, jobs, cheapest, standInScale = false } = options;
  const api = express.Router();
  const register = registrar(api, { source, findPerson: activePersonById });
  for (const routes of rooms) routes(register, { outlook, takeIn, files, jobs, cheapest, scale, standInScale });
  const signedIn = async (request: Request): Promise<void> => {
    const person = request.session.person ? await activePersonById(source.manager, request.session.person) : undefined;
    if (!person || !mayDo(person.role, "see the room"))
      throw new Problem("not-signed-in", "Not signed in", "Sign in first.");
  };
  api.get("/live", async (request, response) => {
    await signedIn(request);
    const { session, sessionID } = request;
    live.stream(response, { person: session.person ?? "", session: sessionID, until: session.cookie.expires ?? null });
  });
  api.get("/scale/live", async (request, response) => {
    await signedIn(request);
    scale.stream(response);
  });
  api.get("/batches/:id/materials.csv", async (request, response) => {
    await signedIn(request);
    const detail = await batchDetail(source.manager, String(request.params.id));
    response.type("text/csv").attachment(`batch-${detail.number}-materials.csv`).send(materialsCsv(detail));
  });
  api.get("/lots.csv", async (request, response) => {
    await signedIn(request);
    response
      .type("text/csv")
      .attachment("lots.csv")
      .send(await lotsCsv(source.manager));
  });
  api.get("/lots/:id/photo", async (request, response) => {
    await signedIn(request);
    const { mediaType, image } = await photoOf(source.manager, uuidParams.parse(request.params).id);
    response.type(mediaType).set("Cache-Control", "private, max-age=300").send(image);
  });
  api.get("/movements.csv", async (request, response) => {
    await signedIn(request);
    const { days } = movementsQuery.parse(request.query);
    response
      .type("text/csv")
      .attachment("movements.csv")
      .send(await movementsCsv(source.manager, days));
  });
  api.get("/counts.csv", async (request, response) => {
    await signedIn(request);
    const { days } = movementsQuery.parse(request.query);
    response
      .type("text/csv")
      .attachment("counts.csv")
      .send(await countsCsv(source.manager, days));
  });
  api.get("/prices.csv", async (request, response) => {
    await signedIn(request);
    response
      .type("text/csv")
      .attachment("prices.csv")
      .send(await pricesCsv(source.manager));
  });
  api.get("/people/:id/plan.ics", async (request, response) => {
    await signedIn(request);
    const person = await activePersonById(source.manager, uuidParams.parse(request.params).id);
    if (!person) throw new Problem("not-found", "Not found", "There is nobody of that kind any more.");
    response
      .type("text/calendar")
      .attachment("plan.ics")
      .send(await calendarOf(source.manager, outlook, person));
  });
  api.get("/purchases/:id/order.csv", async (request, response) => {
    await signedIn(request);
    const purchase = await onePurchase(source.manager, uuidParams.parse(request.params).id);
    response.type("text/csv").attachment(`purchase-order-${purchase.number}.csv`).send(purchaseCsv(purchase));
  });
  return api;
}

const MOST_DAYS = 3660;
const movementsQuery = z.object({ days: z.coerce.number().int().min(1).max(MOST_DAYS).default(90) });

/** The built application: hashed files for a year, the page itself always fresh. */
function serveWeb(app: express.Express, web: string): void {
  app.use("/assets", express.static(join(web, "assets"), { immutable: true, maxAge: "1y", fallthrough: false }));
  app.use(express.static(web, { index: false }));
  const page = readFileSync(join(web, "index.html"), "utf8");
  app.get(/^\/(?!api\/).*/, (_request, response) =>
    response
      .set("Cache-Control", "no-cache")
      .type("html")
      .send(page.replace("%NONCE%", nonceOf(response))),
  );
}
