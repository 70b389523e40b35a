import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { randomUUID } from "node:crypto";
import pino from "pino";
import type { DataSource } from "typeorm";
import type { AnyEndpoint, BodyOf, ParamsOf, ProblemDetails, QueryOf, ReplyOf } from "@kasten/contract/http";
import { me, signInDemo, type Role } from "@kasten/contract/team";
import { buildApp } from "../app";
import { openDatabase } from "../database/source";
import { Live } from "../http/live";
import { loadFolder } from "../import";
import { demoFolder } from "./demo";

export interface Sent<E extends AnyEndpoint> {
  params?: ParamsOf<E>;
  query?: Partial<QueryOf<E>>;
  body?: BodyOf<E>;
  key?: string;
  headers?: Record<string, string>;
}

/** A client as a browser would be: it keeps its cookie and sends a key with every change. */
export class Client {
  private cookie = "";
  constructor(readonly base: string) {}

  async raw(
    method: string,
    path: string,
    init: { body?: string; headers?: Record<string, string> } = {},
  ): Promise<Response> {
    const response = await fetch(this.base + path, {
      method,
      body: init.body,
      headers: { ...(this.cookie && { Cookie: this.cookie }), ...init.headers },
    });
    const set = response.headers.getSetCookie()[0];
    if (set) this.cookie = set.split(";")[0] ?? "";
    return response;
  }

  async send<E extends AnyEndpoint>(
    e: E,
    s: Sent<E> = {},
  ): Promise<{ status: number; reply: ReplyOf<E>; problem: ProblemDetails }> {
    const path = e.path.replace(/:(\w+)/g, (_all, name: string) => (s.params as Record<string, string>)[name] ?? "");
    const query = new URLSearchParams(
      Object.entries((s.query ?? {}) as Record<string, unknown>).map(([k, v]): [string, string] => [k, String(v)]),
    ).toString();
    const change = e.method !== "get";
    const response = await this.raw(e.method.toUpperCase(), `/api${path}${query && `?${query}`}`, {
      ...(change && { body: JSON.stringify(s.body ?? {}) }),
      headers: {
        ...(change && { "Content-Type": "application/json", "Idempotency-Key": s.key ?? randomUUID() }),
        ...s.headers,
      },
    });
    const json = (await response.json()) as never;
    return { status: response.status, reply: json, problem: json };
  }

  /** The reply of what must succeed. */
  async ok<E extends AnyEndpoint>(e: E, s: Sent<E> = {}): Promise<ReplyOf<E>> {
    const { status, reply, problem } = await this.send(e, s);
    if (status !== 200) throw new Error(`${e.id}: ${status} ${problem.detail}`);
    return reply;
  }
}

export interface TestRoom {
  base: string;
  source: DataSource;
  signedIn: (role: Role) => Promise<Client>;
  stop: () => Promise<void>;
}

/** The demo room on a database, behind a real port. */
export async function openTestRoom(url: string, { demo = true, requestsPerMinute = 100_000 } = {}): Promise<TestRoom> {
  const source = await openDatabase(url);
  if (demo) await source.transaction((db) => loadFolder(db, demoFolder, new Date()));
  const log = pino({ level: "silent" });
  const live = new Live(url, log);
  await live.open();
  const { app, close } = await buildApp({ source, databaseUrl: url, live, log, version: "test", requestsPerMinute });
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    base,
    source,
    signedIn: async (role) => {
      const client = new Client(base);
      const { demo: people } = await client.ok(me);
      const person = people.find((p) => p.role === role);
      if (!person) throw new Error(`nobody is a ${role}`);
      await client.ok(signInDemo, { body: { person: person.id } });
      return client;
    },
    stop: async () => {
      await live.close();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await close();
      await source.destroy();
    },
  };
}

/** A fresh database beside the given one, on the same server. */
export async function freshDatabase(source: DataSource, url: string, name: string): Promise<string> {
  await source.query(`CREATE DATABASE ${name}`);
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.href;
}
