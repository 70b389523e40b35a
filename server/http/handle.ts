import type { Request, Response, Router } from "express";
import "express-session";
import type { AnyEndpoint, BodyOf, ParamsOf, QueryOf, ReplyOf } from "@kasten/contract/http";
import { mayDo, whoMay } from "@kasten/contract/permissions";
import type { Person } from "@kasten/contract/team";
import type { DataSource } from "typeorm";
import type { Db } from "../database/rows";
import { fingerprintOf, once } from "./keys";
import { retried } from "./retry";
import { guardTexts } from "./texts";
import { notFound, Problem } from "./problems";

declare module "express-session" {
  interface SessionData {
    person?: string;
  }
}

/** A reply that is kept as the JSON that is sent: it is neither read nor written anew. */
export interface Ready<Reply> {
  json: string;
  /** Only said, never there: what the text holds. */
  holds?: Reply;
}
const readyReplies = new WeakSet<object>();
export function ready<Reply>(json: string): Ready<Reply> {
  const reply: Ready<Reply> = { json };
  readyReplies.add(reply);
  return reply;
}
const isReady = (reply: unknown): reply is Ready<unknown> =>
  typeof reply === "object" && reply !== null && readyReplies.has(reply);

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
/** A call with what was prepared for it before its transaction began. */
export type Handler<E extends AnyEndpoint, P = undefined> = (
  call: Call<E> & { prepared: P },
) => Promise<ReplyOf<E> | Ready<ReplyOf<E>>>;
/** What takes long and needs no transaction, such as a password's hash: done once the person is known to be allowed. */
export type Prepare<E extends AnyEndpoint, P> = (call: Omit<Call<E>, "request">) => Promise<P>;
export interface Register {
  <E extends AnyEndpoint>(endpoint: E, handler: Handler<E>): void;
  prepared: <E extends AnyEndpoint, P>(endpoint: E, prepare: Prepare<E, P>, handler: Handler<E, P>) => void;
  /** A change whose body is too large to be read here: it goes on as it came, to whoever does it. */
  handedOn: <E extends AnyEndpoint>(endpoint: E, handOn: (change: TextChange) => Promise<ReplyOf<E>>) => void;
}

/** A change of somebody who may make it, with its body still as text. */
export interface TextChange {
  person: string;
  key: string;
  text: string;
}

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
  endedAt: null,
  absences: [],
  extraHours: [],
  learns: false,
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
  const open = <E extends AnyEndpoint, P>(ask: Ask<E, P>): void => {
    const { endpoint } = ask;
    const answer = endpoint.method === "get" || endpoint.keyless ? answerOutside : answerChange;
    router[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
      const reply = await answer(ask, request);
      if (isReady(reply)) response.status(200).type("json").send(reply.json);
      else response.status(200).json(reply);
    });
  };
  const nothing = () => Promise.resolve(undefined);
  return Object.assign(
    <E extends AnyEndpoint>(endpoint: E, handler: Handler<E>) => open({ desk, endpoint, handler, prepare: nothing }),
    {
      prepared: <E extends AnyEndpoint, P>(endpoint: E, prepare: Prepare<E, P>, handler: Handler<E, P>) =>
        open({ desk, endpoint, handler, prepare }),
      handedOn: <E extends AnyEndpoint>(endpoint: E, handOn: (change: TextChange) => Promise<ReplyOf<E>>) =>
        router[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
          const key = keyOf(request);
          const { id } = await whoAsks(desk, request, endpoint, desk.source.manager);
          const text = Buffer.isBuffer(request.body) ? request.body.toString("utf8") : "";
          response.status(200).json(await handOn({ person: id, key, text }));
        }),
    },
  );
}

/** An endpoint with what answers it. */
interface Ask<E extends AnyEndpoint, P> {
  desk: Desk;
  endpoint: E;
  handler: Handler<E, P>;
  prepare: Prepare<E, P>;
}

/** A read, or a change that opens its own transactions. */
async function answerOutside<E extends AnyEndpoint, P>(ask: Ask<E, P>, request: Request): Promise<unknown> {
  const { desk, endpoint, handler, prepare } = ask;
  const db = desk.source.manager;
  const person = await whoAsks(desk, request, endpoint, db);
  const call = { db, person, ...parsed(endpoint, request) };
  return handler({ ...call, request, prepared: await prepare(call) });
}

const aKey = /^[\x21-\x7e]{1,80}$/;
function keyOf(request: Request): string {
  const key = request.get("Idempotency-Key") ?? "";
  if (!aKey.test(key))
    throw new Problem("key-missing", "No key", "A change needs an Idempotency-Key header of 1 to 80 plain characters.");
  return key;
}

/** The body of a request from its text, as the contract has it. */
export function bodyFromText<E extends AnyEndpoint>(endpoint: E, text: string): BodyOf<E> {
  const sent = readJson(text);
  guardTexts(sent);
  return endpoint.body.parse(sent) as BodyOf<E>;
}

/** Makes a change from its text, once for its key: as it is made of a request, in whatever program. */
export async function changeFromText<E extends AnyEndpoint>(
  source: DataSource,
  endpoint: E,
  { person, key, text }: TextChange,
  change: (db: Db, body: BodyOf<E>) => Promise<ReplyOf<E>>,
): Promise<ReplyOf<E>> {
  const body = bodyFromText(endpoint, text);
  const fingerprint = fingerprintOf([endpoint.id, {}, body]);
  return retried(() =>
    source.transaction(
      (db) => once(db, { key: `${person}:${key}`, person, fingerprint }, () => change(db, body)) as Promise<ReplyOf<E>>,
    ),
  );
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new Problem("not-json", "Not JSON", "The file is not valid JSON.");
  }
}

async function answerChange<E extends AnyEndpoint, P>(ask: Ask<E, P>, request: Request): Promise<unknown> {
  const { desk, endpoint, handler, prepare } = ask;
  const key = keyOf(request);
  const outside = desk.source.manager;
  const asks = await whoAsks(desk, request, endpoint, outside);
  const input = parsed(endpoint, request);
  const prepared = await prepare({ db: outside, person: asks, ...input });
  const fingerprint = fingerprintOf([endpoint.id, input.params, input.body]);
  return retried(() =>
    desk.source.transaction(async (db) => {
      const person = await whoAsks(desk, request, endpoint, db);
      return once(db, { key: `${person.id}:${key}`, person: person.id || null, fingerprint }, () =>
        handler({ db, person, ...input, request, prepared }),
      );
    }),
  );
}

/** The parts of a request as the contract has them; a schema infers just the type that its endpoint names. */
function parsed<E extends AnyEndpoint>(
  endpoint: E,
  request: Request,
): { params: ParamsOf<E>; query: QueryOf<E>; body: BodyOf<E> } {
  guardTexts(request.params);
  guardTexts(request.query);
  guardTexts(request.body);
  const address = endpoint.params.safeParse(request.params);
  // Who looks for what no address can name finds nothing: there is no field to put right.
  if (!address.success && endpoint.method === "get") throw notFound("page");
  if (!address.success) throw address.error;
  return {
    params: address.data as ParamsOf<E>,
    query: endpoint.query.parse(request.query) as QueryOf<E>,
    body: endpoint.body.parse(request.body ?? {}) as BodyOf<E>,
  };
}
