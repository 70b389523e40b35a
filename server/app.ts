import { existsSync } from "node:fs";
import { join } from "node:path";
import { randomBytes } from "node:crypto";
import compression from "compression";
import connectPgSimple from "connect-pg-simple";
import express, { type NextFunction, type Request, type Response } from "express";
import session from "express-session";
import { rateLimit } from "express-rate-limit";
import pg from "pg";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import type { DataSource } from "typeorm";
import { endpoints } from "@kasten/contract/all";
import { openApiDocument } from "@kasten/contract/openapi";
import { mayDo } from "@kasten/contract/team";
import { batchDetail, batchRoutes, materialsCsv } from "./batches";
import { benchRoutes } from "./bench";
import { bookRoutes } from "./book";
import { boxRoutes } from "./box";
import { row } from "./database/source";
import { hookRoutes } from "./hooks";
import { docsPage, docsStyle } from "./http/docs";
import { registrar } from "./http/handle";
import type { Live } from "./http/live";
import { isDatabaseAway, Problem, problemOf } from "./http/problems";
import { headers, sameOrigin, slowSignIn } from "./http/security";
import { materialRoutes } from "./materials";
import { orderRoutes } from "./orders";
import { patternRoutes } from "./patterns";
import { scheduleRoutes } from "./schedule";
import { stockRoutes } from "./stock";
import { personById, teamRoutes } from "./team";

export interface AppOptions {
  source: DataSource;
  databaseUrl: string;
  live: Live;
  log: Logger;
  version: string;
  /** Folder of the built web application, when it is served from here. */
  web?: string;
  trustProxy?: boolean;
  requestsPerMinute?: number;
}

/** Shared by all servers on one database: made at the first start, kept there, never committed. */
async function sessionSecret(source: DataSource): Promise<string> {
  await source.query("INSERT INTO setting (key, value) VALUES ('session secret', $1) ON CONFLICT DO NOTHING", [
    JSON.stringify(randomBytes(32).toString("base64url")),
  ]);
  const kept = await row<{ value: string }>(source.manager, "SELECT value FROM setting WHERE key = 'session secret'");
  return kept?.value ?? "";
}

export async function buildApp(options: AppOptions): Promise<{ app: express.Express; close: () => Promise<void> }> {
  const { source, log } = options;
  const sessions = new pg.Pool({ connectionString: options.databaseUrl, max: 4, connectionTimeoutMillis: 3000 });
  sessions.on("error", (error) => log.warn({ error: error.message }, "the session store lost the database"));
  const app = express();
  app.disable("x-powered-by");
  app.set("trust proxy", options.trustProxy ? 1 : false);
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: (r) => r.url === "/api/live" || r.url === "/api/health" },
      serializers: {
        req: (r: { method: string; url: string }) => ({ method: r.method, url: r.url }),
        res: (r: { statusCode: number }) => ({ status: r.statusCode }),
      },
    }),
  );
  app.use(headers);
  app.use(
    compression({
      filter: (request, response) => request.originalUrl !== "/api/live" && compression.filter(request, response),
    }),
  );
  app.use(
    "/api",
    rateLimit({
      windowMs: 60_000,
      limit: options.requestsPerMinute ?? 1200,
      standardHeaders: "draft-8",
      legacyHeaders: false,
      handler: () => {
        throw new Problem(
          429,
          "too-many-requests",
          "Too many requests",
          "Too many requests in a minute. Wait a little.",
        );
      },
    }),
  );
  openRoutes(app, options);
  app.use("/api", smallBodies, sameOrigin);
  const Store = connectPgSimple(session);
  app.use(
    "/api",
    session({
      store: new Store({
        pool: sessions,
        tableName: "session",
        createTableIfMissing: false,
        pruneSessionInterval: 3600,
        errorLog: (...args: unknown[]) => log.warn({ args: args.map(String) }, "session store"),
      }),
      name: "kasten",
      secret: await sessionSecret(source),
      resave: false,
      saveUninitialized: false,
      rolling: false,
      cookie: { httpOnly: true, sameSite: "strict", secure: "auto", maxAge: 14 * 24 * 3600 * 1000 },
    }),
  );
  app.use(`/api${FILES}`, signedIn, express.json({ limit: "16mb" }));
  roomRoutes(app, options);
  if (options.web && existsSync(options.web)) serveWeb(app, options.web);
  app.use((_request, _response) => {
    throw new Problem(404, "not-found", "Not found", "There is nothing at this address.");
  });
  app.use(problems(log));
  return { app, close: () => sessions.end() };
}

/** What needs no session: health, and the description of the API. */
function openRoutes(app: express.Express, { source, version }: AppOptions): void {
  app.get("/api/health", async (_request, response) => {
    try {
      const last = await row<{ name: string }>(source.manager, "SELECT name FROM migrations ORDER BY id DESC LIMIT 1");
      response.json({ ok: true, database: "up", version, migration: last?.name ?? "" });
    } catch (error) {
      if (!isDatabaseAway(error)) throw error;
      response.status(503).json({ ok: false, database: "away", version, migration: "" });
    }
  });
  const document = openApiDocument(version);
  app.get("/api/openapi.json", (_request, response) => void response.json(document));
  app.get("/api/docs", (_request, response) => void response.type("html").send(docsPage(endpoints)));
  app.get("/api/docs.css", (_request, response) => void response.type("css").send(docsStyle));
}

function roomRoutes(app: express.Express, options: AppOptions): void {
  const { source, live } = options;
  const api = express.Router();
  api.post("/session", slowSignIn(source));
  const register = registrar(api, source);
  for (const routes of [
    teamRoutes,
    patternRoutes,
    hookRoutes,
    orderRoutes,
    batchRoutes,
    materialRoutes,
    stockRoutes,
    scheduleRoutes,
    benchRoutes,
    boxRoutes,
    bookRoutes,
  ])
    routes(register);
  const signedIn = async (request: Request): Promise<void> => {
    const person = request.session.person ? await personById(source.manager, request.session.person) : undefined;
    if (!person || !mayDo(person.role, "see the room"))
      throw new Problem(401, "not-signed-in", "Not signed in", "Sign in first.");
  };
  api.get("/live", async (request, response) => {
    await signedIn(request);
    live.stream(request, response);
  });
  api.get("/batches/:id/materials.csv", async (request, response) => {
    await signedIn(request);
    const detail = await batchDetail(source.manager, String(request.params.id));
    response.type("text/csv").attachment(`batch-${detail.number}-materials.csv`).send(materialsCsv(detail));
  });
  app.use("/api", api);
}

/** The built application: hashed files for a year, the page itself always fresh. */
function serveWeb(app: express.Express, web: string): void {
  app.use("/assets", express.static(join(web, "assets"), { immutable: true, maxAge: "1y" }));
  app.use(express.static(web, { index: false }));
  app.get(/^\/(?!api\/).*/, (_request, response) =>
    response.set("Cache-Control", "no-cache").sendFile(join(web, "index.html")),
  );
}

const problems =
  (log: Logger) =>
  (error: unknown, request: Request, response: Response, _next: NextFunction): void => {
    const known = problemOf(error) ?? bodyProblem(error);
    if (!known)
      (request.log ?? log).error(
        { error: error instanceof Error ? { message: error.message, stack: error.stack } : error },
        "unexpected",
      );
    const details = known ?? {
      type: "unexpected",
      title: "Something went wrong",
      status: 500,
      detail: "Something went wrong on the server. What you typed is kept; try again, and tell the owner if it stays.",
    };
    if (response.headersSent) return void response.end();
    response.status(details.status).type("application/problem+json").send(JSON.stringify(details));
  };

const FILES = "/patterns/file";
const small = express.json({ limit: "512kb" });
/** What is sent is small; only a book of patterns is a file, and that is read once it is known who sends it. */
const smallBodies: express.RequestHandler = (request, response, next) =>
  request.path === FILES ? next() : small(request, response, next);
const signedIn: express.RequestHandler = (request, _response, next) => {
  if (!request.session.person)
    throw new Problem(401, "not-signed-in", "Not signed in", "Sign in first; the file is still where it was.");
  next();
};

/** Errors of the JSON reader: too large, or not JSON. */
function bodyProblem(error: unknown) {
  const type = (error as { type?: string }).type;
  if (type === "entity.too.large")
    return {
      type: "too-large",
      title: "Too large",
      status: 413,
      detail: "That is more than one request may carry: 512 kB, or 16 MB for a file of patterns. Send it in parts.",
    };
  if (type === "entity.parse.failed")
    return { type: "not-json", title: "Not JSON", status: 400, detail: "The request is not valid JSON." };
  return undefined;
}
