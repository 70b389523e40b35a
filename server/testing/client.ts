import { randomUUID } from "node:crypto";
import { problemSchema, type AnyEndpoint, type ParamsOf, type ProblemDetails } from "@kasten/contract/http";
import type { QueryOf, ReplyOf } from "@kasten/contract/http";
import type { z } from "zod";

export interface Sent<E extends AnyEndpoint> {
  params?: ParamsOf<E>;
  query?: Partial<QueryOf<E>>;
  /** As it is sent, before the contract reads it: defaults may be left out. */
  body?: z.input<E["body"]>;
  key?: string;
  headers?: Record<string, string>;
}

/** A client as a browser would be: it keeps its cookie and sends a key with every change. */
export class Client {
  cookie = "";
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

  private async ask<E extends AnyEndpoint>(e: E, s: Sent<E>): Promise<{ status: number; json: unknown }> {
    const params = new Map(Object.entries(s.params ?? {}));
    const path = e.path.replace(/:(\w+)/g, (_all, name: string) => String(params.get(name) ?? ""));
    const query = new URLSearchParams(
      Object.entries(s.query ?? {}).map(([k, v]): [string, string] => [k, String(v)]),
    ).toString();
    const change = e.method !== "get";
    const response = await this.raw(e.method.toUpperCase(), `/api${path}${query && `?${query}`}`, {
      ...(change && { body: JSON.stringify(s.body ?? {}) }),
      headers: {
        ...(change && { "Content-Type": "application/json", "Idempotency-Key": s.key ?? randomUUID() }),
        ...s.headers,
      },
    });
    return { status: response.status, json: await response.json() };
  }

  /** The refusal of what must not succeed, as the contract has it. */
  async refused<E extends AnyEndpoint>(e: E, s: Sent<E> = {}): Promise<ProblemDetails> {
    const { status, json } = await this.ask(e, s);
    if (status === 200) throw new Error(`${e.id} was not refused: ${JSON.stringify(json).slice(0, 400)}`);
    const problem = problemSchema.parse(json);
    if (problem.status !== status) throw new Error(`${e.id}: status ${status}, but the problem says ${problem.status}`);
    return problem;
  }

  /** The reply of what must succeed, just as the contract has it: nothing more, nothing less. */
  async ok<E extends AnyEndpoint>(e: E, s: Sent<E> = {}): Promise<ReplyOf<E>> {
    const { status, json } = await this.ask(e, s);
    if (status !== 200) throw new Error(`${e.id}: ${status} ${problemSchema.parse(json).detail}`);
    const read = e.reply.safeParse(json);
    if (!read.success) throw new Error(`${e.id} answers otherwise than the contract says: ${read.error.message}`);
    return read.data as ReplyOf<E>;
  }

  /** Whether it succeeds or not. */
  async send<E extends AnyEndpoint>(e: E, s: Sent<E> = {}): Promise<number> {
    return (await this.ask(e, s)).status;
  }
}
