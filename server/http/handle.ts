import type { Request, Response, Router } from "express";
import "express-session";
import type { AnyEndpoint, BodyOf, ParamsOf, QueryOf, ReplyOf } from "@kasten/contract/http";
import { mayDo, whoMay } from "@kasten/contract/permissions";
import type { Person } from "@kasten/contract/team";
import type { DataSource } from "typeorm";
import type { Db } from "../database/rows";
import { fingerprintOf, once } from "./keys";
import { Problem } from "./problems";

declare module "express-session" {
  interface SessionData {
    person?: string;
  }
}

/** What a service is given: its transaction, who asks, and the request already checked against the contract. */
export interface Call<E extends AnyEndpoint> {
  db: Db;
  /** The person signed in; services behind a permission may rely on it. */
  person: Person;
  params: ParamsOf<E>;
  query: QueryOf<E>;
  body: BodyOf<E>;
  request: Request;
}
export type Handler<E extends AnyEndpoint> = (call: Call<E>) => Promise<ReplyOf<E>>;
export type Register = <E extends AnyEndpoint>(endpoint: E, handler: Handler<E>) => void;

/** Finds the person of a session; given by the application, as this layer knows no room. */
export type FindPerson = (db: Db, id: string) => Promise<Person | undefined>;

export interface Desk {
  source: DataSource;
  findPerson: FindPerson;
}

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

async function whoAsks(desk: Desk, request: Request, endpoint: AnyEndpoint, db: Db): Promise<Person> {
  const person = request.session.person ? await desk.findPerson(db, request.session.person) : undefined;
  if (endpoint.permission === "anyone") return person ?? nobody;
  if (!person) throw new Problem("not-signed-in", "Not signed in", "Sign in first; what you typed is kept.");
  if (!mayDo(person.role, endpoint.permission))
    throw new Problem(
      "not-allowed",
      "Not allowed",
      `To ${endpoint.permission} is for ${whoMay(endpoint.permission)}. Ask them, or sign in as one of them.`,
    );
  return person;
}

/** Registers an endpoint of the contract: parse, permit, run in a transaction, reply. */
export function registrar(router: Router, desk: Desk): Register {
  return (endpoint, handler) => {
    const answer = endpoint.method === "get" ? answerRead : answerChange;
    router[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
      response.status(200).json(await answer(desk, endpoint, handler, request));
    });
  };
}

async function answerRead<E extends AnyEndpoint>(
  desk: Desk,
  endpoint: E,
  handler: Handler<E>,
  request: Request,
): Promise<unknown> {
  const db = desk.source.manager;
  const person = await whoAsks(desk, request, endpoint, db);
  return handler({ db, person, ...parsed(endpoint, request), request });
}

const MOST_KEY = 80;

async function answerChange<E extends AnyEndpoint>(
  desk: Desk,
  endpoint: E,
  handler: Handler<E>,
  request: Request,
): Promise<unknown> {
  const key = request.get("Idempotency-Key");
  if (!key || key.length > MOST_KEY)
    throw new Problem("key-missing", "No key", "A change needs an Idempotency-Key header of at most 80 characters.");
  return desk.source.transaction(async (db) => {
    const person = await whoAsks(desk, request, endpoint, db);
    const input = parsed(endpoint, request);
    const fingerprint = fingerprintOf([endpoint.id, input.params, input.body]);
    return once(db, { key: `${person.id}:${key}`, person: person.id || null, fingerprint }, () =>
      handler({ db, person, ...input, request }),
    );
  });
}

/** The parts of a request as the contract has them; a schema infers just the type that its endpoint names. */
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
