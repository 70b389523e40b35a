import { createHash } from "node:crypto";
import type { Request, Response, Router } from "express";
import "express-session";
import type { AnyEndpoint, BodyOf, ParamsOf, QueryOf, ReplyOf } from "@kasten/contract/http";
import { mayDo, whoMay, type Person } from "@kasten/contract/team";
import type { DataSource, EntityManager } from "typeorm";
import { row } from "../database/source";
import { personById } from "../team";
import { Problem } from "./problems";

declare module "express-session" {
  interface SessionData {
    person?: string;
  }
}

/** What a service is given: its transaction, who asks, and the request already checked against the contract. */
export interface Call<E extends AnyEndpoint> {
  db: EntityManager;
  /** The person signed in; services behind a permission may rely on it. */
  person: Person;
  params: ParamsOf<E>;
  query: QueryOf<E>;
  body: BodyOf<E>;
  request: Request;
}
export type Handler<E extends AnyEndpoint> = (call: Call<E>) => Promise<ReplyOf<E>>;
export type Register = <E extends AnyEndpoint>(endpoint: E, handler: Handler<E>) => void;

const nobody: Person = {
  id: "",
  login: "",
  name: "",
  role: "shop",
  skills: [],
  hours: [],
  pace: 1,
  handed: "right",
  numberWords: {},
  methods: {},
  version: 0,
};

async function whoAsks(request: Request, endpoint: AnyEndpoint, db: EntityManager): Promise<Person> {
  const person = request.session.person ? await personById(db, request.session.person) : undefined;
  if (endpoint.permission === "anyone") return person ?? nobody;
  if (!person) throw new Problem(401, "not-signed-in", "Not signed in", "Sign in first; what you typed is kept.");
  if (!mayDo(person.role, endpoint.permission))
    throw new Problem(
      403,
      "not-allowed",
      "Not allowed",
      `To ${endpoint.permission} is for ${whoMay(endpoint.permission)}. Ask them, or sign in as one of them.`,
    );
  return person;
}

/** Registers an endpoint of the contract: parse, permit, run in a transaction, reply. */
export function registrar(router: Router, source: DataSource): Register {
  return (endpoint, handler) => {
    router[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
      const read = endpoint.method === "get";
      const reply = read
        ? await answerRead(source, endpoint, handler, request)
        : await answerChange(source, endpoint, handler, request);
      response.status(200).json(reply);
    });
  };
}

async function answerRead<E extends AnyEndpoint>(
  source: DataSource,
  endpoint: E,
  handler: Handler<E>,
  request: Request,
): Promise<unknown> {
  const db = source.manager;
  const person = await whoAsks(request, endpoint, db);
  return handler({ db, person, ...parsed(endpoint, request), request });
}

/**
 * A change happens once for its key: the key is kept in the same transaction as the change, so that a repeat waits for the
 * first and is given the first one's reply.
 */
async function answerChange<E extends AnyEndpoint>(
  source: DataSource,
  endpoint: E,
  handler: Handler<E>,
  request: Request,
): Promise<unknown> {
  const key = request.get("Idempotency-Key");
  if (!key || key.length > 80)
    throw new Problem(
      400,
      "key-missing",
      "No key",
      "A change needs an Idempotency-Key header of at most 80 characters.",
    );
  return source.transaction(async (db) => {
    const person = await whoAsks(request, endpoint, db);
    const input = parsed(endpoint, request);
    const keptKey = `${person.id}:${key}`;
    const fingerprint = createHash("sha256")
      .update(JSON.stringify([endpoint.id, input.params, input.body]))
      .digest("hex");
    const fresh = await row<{ key: string }>(
      db,
      "INSERT INTO request_key (key, person_id, fingerprint) VALUES ($1, NULLIF($2, '')::uuid, $3) ON CONFLICT DO NOTHING RETURNING key",
      [keptKey, person.id, fingerprint],
    );
    if (!fresh) return repeated(db, keptKey, fingerprint);
    const reply = await handler({ db, person, ...input, request });
    await db.query("UPDATE request_key SET status = 200, reply = $2 WHERE key = $1", [keptKey, JSON.stringify(reply)]);
    return reply;
  });
}

async function repeated(db: EntityManager, key: string, fingerprint: string): Promise<unknown> {
  const kept = await row<{ fingerprint: string; reply: unknown }>(
    db,
    "SELECT fingerprint, reply FROM request_key WHERE key = $1",
    [key],
  );
  if (kept?.fingerprint !== fingerprint)
    throw new Problem(
      422,
      "key-reused",
      "Key used before",
      "This Idempotency-Key was used for another change. Use a new one.",
    );
  return kept.reply;
}

function parsed<E extends AnyEndpoint>(
  endpoint: E,
  request: Request,
): { params: ParamsOf<E>; query: QueryOf<E>; body: BodyOf<E> } {
  return {
    params: endpoint.params.parse(request.params) as ParamsOf<E>,
    query: endpoint.query.parse(request.query) as QueryOf<E>,
    body: endpoint.body.parse(request.body ?? {}) as BodyOf<E>,
  };
}
