import { PiniaColada } from "@pinia/colada";
import { DOMWrapper, flushPromises, mount, type VueWrapper } from "@vue/test-utils";
import { createPinia } from "pinia";
import { vi } from "vitest";
import { defineComponent, h, type Component } from "vue";
import { createMemoryHistory, createRouter } from "vue-router";
import type { TextQuestion } from "../editor";
import { faults } from "./faults";
import type { AnyEndpoint, BodyOf, ProblemDetails, ReplyOf } from "@kasten/contract/http";

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
  /** Every answer waits for it: a server that takes its time. */
  held?: Promise<unknown>;
  /** Stands in for the page's fetch. */
  fetch = async (address: string, init: RequestInit = {}): Promise<Response> => {
    try {
      if (this.held) await this.held;
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

/** Stands in for the editor, which needs a browser that lays out: a field, and its questions with their answers. */
const plainEditor = defineComponent({
  props: {
    modelValue: { type: String, required: true },
    questions: { type: Array as () => TextQuestion[], required: true },
  },
  emits: ["update:modelValue", "send", "cursor"],
  setup: (props, { emit }) => {
    const say = (text: string): void => emit("update:modelValue", text);
    const answered = ([from, to]: [number, number], text: string): string =>
      props.modelValue.slice(0, from) + text + props.modelValue.slice(to);
    return () =>
      h("div", [
        h("textarea", {
          value: props.modelValue,
          onInput: (e: Event) => say((e.target as HTMLTextAreaElement).value),
        }),
        ...props.questions.flatMap((q) => [
          h("p", q.sentence),
          ...q.answers.map((a) => h("button", { type: "button", onClick: () => say(answered(q.at, a.text)) }, a.label)),
        ]),
      ]);
  },
});

/** The field that a label names, wherever the label stands. */
export function fieldOf(screen: VueWrapper, label: string): DOMWrapper<HTMLInputElement> {
  const labels = screen.findAll<HTMLLabelElement>("label").filter((l) => l.text().trim() === label);
  const [found] = labels.flatMap((l) => {
    const named = l.element.htmlFor ? screen.element.ownerDocument.getElementById(l.element.htmlFor) : null;
    const within = l.element.querySelector("input, textarea");
    const field = named ?? within;
    return field ? [new DOMWrapper(field as HTMLInputElement)] : [];
  });
  if (!found) throw new Error(`No field is called ${label}`);
  return found;
}

/** Chooses from a list that opens beside its button, by its label. */
export async function choose(screen: VueWrapper, label: string, option: string): Promise<void> {
  const button = screen.findAll("[aria-haspopup=listbox]").find((b) => {
    const id = b.attributes("aria-labelledby")?.split(" ")[0] ?? "";
    return screen.element.ownerDocument.getElementById(id)?.textContent?.trim() === label;
  });
  if (!button) throw new Error(`No list is called ${label}`);
  await button.trigger("click");
  await settle();
  const found = screen.findAll("[role=option]").find((o) => o.text().trim() === option);
  if (!found) throw new Error(`${label} has no ${option}`);
  await found.trigger("click");
  await settle();
}

/** Mounts a screen as the application does, with a server to ask; `at` is its address. */
export async function mountIn(server: FakeServer, component: Component, props: Record<string, unknown> = {}, at = "/") {
  vi.stubGlobal("fetch", server.fetch);
  const empty = { template: "<div/>" };
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: "/:rest(.*)*", component: empty }] });
  await router.push(at);
  const screen = mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [createPinia(), PiniaColada, router], stubs: { CodeEditor: plainEditor } },
  });
  await settle();
  return { screen, router };
}

/** Until what is checked or looked for is there: as long as it may take where the machine has other things to do. */
export const soon = <T>(found: () => T): Promise<T> => vi.waitFor(found, 15_000);

/** Until nothing is on its way any more: answers, what they make the screen ask, and recipes asked for together. */
export async function settle(rounds = 6): Promise<void> {
  for (let i = 0; i < rounds; i++) {
    await new Promise((resolve) => setTimeout(resolve));
    // Parts of a screen that come when they are needed.
    await vi.dynamicImportSettled();
    await flushPromises();
  }
}
