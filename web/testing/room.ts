import { PiniaColada } from "@pinia/colada";
import { enableAutoUnmount, flushPromises, mount } from "@vue/test-utils";
import { createPinia } from "pinia";
import { afterEach, vi } from "vitest";
import type { Component } from "vue";
import { createMemoryHistory, createRouter } from "vue-router";
import type { AnyEndpoint, BodyOf, ProblemDetails, ReplyOf } from "@kasten/contract/http";

// A screen that stays mounted would still hear the keys of the next test.
enableAutoUnmount(afterEach);
let faults: unknown[] = [];
afterEach(() => {
  const [fault] = faults;
  faults = [];
  if (fault) throw fault;
});

/** What a screen asked of the server. */
export interface Asked<E extends AnyEndpoint = AnyEndpoint> {
  params: Record<string, string>;
  query: Record<string, string>;
  body: BodyOf<E>;
}
type Answer = (asked: Asked) => unknown;
class RefusedAnswer {
  constructor(readonly problem: ProblemDetails) {}
}
/** An answer that refuses. */
export const refused = (problem: ProblemDetails): never => new RefusedAnswer(problem) as never;

const patternOf = (e: AnyEndpoint): RegExp => new RegExp(`^/api${e.path.replace(/:(\w+)/g, "(?<$1>[^/]+)")}$`);

/**
 * The server as a screen sees it: what is asked must be in the contract's shape, and so must what is answered. What
 * nobody has answered for fails the test by its name.
 */
export class FakeServer {
  private readonly answers = new Map<AnyEndpoint, Answer>();
  private readonly asked: { endpoint: AnyEndpoint; what: Asked }[] = [];

  answer<E extends AnyEndpoint>(endpoint: E, reply: ReplyOf<E> | ((asked: Asked<E>) => ReplyOf<E>)): this {
    this.answers.set(endpoint, (typeof reply === "function" ? reply : () => reply) as Answer);
    return this;
  }
  /** Everything that was asked of an endpoint, in its order. */
  of<E extends AnyEndpoint>(endpoint: E): Asked<E>[] {
    return this.asked.filter((a) => a.endpoint === endpoint).map((a) => a.what as Asked<E>);
  }
  /** Stands in for the page's fetch. */
  fetch = async (address: string, init: RequestInit = {}): Promise<Response> => {
    try {
      return this.reply(address, init);
    } catch (fault) {
      // To the page this looks as if the network were away, and it tries again: the test is what must hear of it.
      faults.push(fault);
      throw fault;
    }
  };
  private reply(address: string, init: RequestInit): Response {
    const url = new URL(address, "http://room.test");
    const method = (init.method ?? "GET").toLowerCase();
    for (const [endpoint, answer] of this.answers) {
      const at = endpoint.method === method ? patternOf(endpoint).exec(url.pathname) : null;
      if (!at) continue;
      const body = endpoint.body.parse(init.body ? JSON.parse(String(init.body)) : {}) as never;
      const params = Object.fromEntries(Object.entries(at.groups ?? {}).map(([k, v]) => [k, decodeURIComponent(v)]));
      const what = { params, query: Object.fromEntries(url.searchParams), body };
      this.asked.push({ endpoint, what });
      const reply = answer(what);
      if (reply instanceof RefusedAnswer) return json(reply.problem.status, reply.problem);
      return json(200, endpoint.reply.parse(reply));
    }
    throw new Error(`Nobody answers ${method} ${url.pathname}`);
  }
}
const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

/** Mounts a screen as the application does, with a server to ask; `at` is its address. */
export async function mountIn(server: FakeServer, component: Component, props: Record<string, unknown> = {}, at = "/") {
  vi.stubGlobal("fetch", server.fetch);
  const empty = { template: "<div/>" };
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: "/:rest(.*)*", component: empty }] });
  await router.push(at);
  const screen = mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [createPinia(), PiniaColada, router] },
  });
  await settle();
  return { screen, router };
}

/** Until nothing is on its way any more: answers, what they make the screen ask, and recipes asked for together. */
export async function settle(rounds = 6): Promise<void> {
  for (let i = 0; i < rounds; i++) {
    await new Promise((resolve) => setTimeout(resolve));
    await flushPromises();
  }
}
