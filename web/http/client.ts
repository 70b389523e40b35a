import type { AnyEndpoint, BodyOf, ParamsOf, ProblemDetails, QueryInputOf, ReplyOf } from "@kasten/contract/http";
import { connection } from "./connection";

/** A refusal of the server, with its sentence for the person. */
export class Refusal extends Error {
  override readonly name = "Refusal";
  constructor(readonly problem: ProblemDetails) {
    super(problem.detail);
  }
}

export interface CallInput<E extends AnyEndpoint> {
  params?: ParamsOf<E>;
  query?: Partial<QueryInputOf<E>>;
  body?: BodyOf<E>;
  /** Given by whoever may repeat the very same change later; else a new one. */
  key?: string;
  /** Give up at once when the server or its database is away, instead of trying on. */
  once?: boolean;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const LONGEST_PAUSE_MS = 4000;

/** crypto.randomUUID is only there on secure addresses; a room on plain http in its own network has none. */
export function newKey(): string {
  if (typeof crypto.randomUUID === "function") return crypto.randomUUID();
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = ((b[6] ?? 0) & 0x0f) | 0x40;
  b[8] = ((b[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...b].map((x) => x.toString(16).padStart(2, "0")).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

function addressOf(endpoint: AnyEndpoint, input: CallInput<AnyEndpoint>): string {
  const params = (input.params ?? {}) as Record<string, string>;
  const path = endpoint.path.replace(/:(\w+)/g, (_all, name: string) => encodeURIComponent(params[name] ?? ""));
  const query = Object.entries((input.query ?? {}) as Record<string, unknown>).flatMap(([k, v]) =>
    v === undefined || v === null ? [] : [[k, String(v)] as [string, string]],
  );
  return `/api${path}${query.length > 0 ? `?${new URLSearchParams(query).toString()}` : ""}`;
}

/**
 * Asks the server. While the server or its database is away it waits and tries again with the same key, so that a
 * change happens once however often it is sent.
 * @throws Refusal with the server's sentence
 */
export async function call<E extends AnyEndpoint>(endpoint: E, input: CallInput<E> = {}): Promise<ReplyOf<E>> {
  const change = endpoint.method !== "get";
  const headers: Record<string, string> = change
    ? { "Idempotency-Key": input.key ?? newKey(), "Content-Type": "application/json" }
    : {};
  if (connection.leaving && !change) return new Promise(() => undefined);
  for (let tries = 0; ; tries++) {
    connection.pending++;
    const response = await fetch(addressOf(endpoint, input as CallInput<AnyEndpoint>), {
      method: endpoint.method.toUpperCase(),
      headers,
      body: change ? JSON.stringify(input.body ?? {}) : undefined,
      credentials: "same-origin",
    })
      .catch(() => undefined)
      .finally(() => connection.pending--);
    const away = response === undefined || response.status === 503 || response.status === 502;
    if (!away) {
      connection.reached();
      if (response.status === 401 && connection.leaving) return new Promise(() => undefined);
      if (response.ok) return (await response.json()) as ReplyOf<E>;
      throw new Refusal(await problemIn(response));
    }
    // Others at the same work are no outage: it is only tried again.
    if (response === undefined || !(await isBusy(response))) {
      connection.missed(response === undefined ? "server" : "database");
    }
    if (input.once)
      throw new Refusal({
        type: "away",
        title: "Away",
        status: 503,
        detail: "The server cannot be reached just now. Nothing is lost; it is tried again.",
      });
    await pause(Math.min(LONGEST_PAUSE_MS, 500 * 2 ** tries));
  }
}

async function isBusy(response: Response): Promise<boolean> {
  return response.status === 503 && (await problemIn(response)).type === "busy";
}

async function problemIn(response: Response): Promise<ProblemDetails> {
  const isProblem = response.headers.get("Content-Type")?.includes("json") ?? false;
  if (isProblem) return (await response.json()) as ProblemDetails;
  return {
    type: "unexpected",
    title: "Something went wrong",
    status: response.status,
    detail: `The server answered with ${response.status}. Try again.`,
  };
}
