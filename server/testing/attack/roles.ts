import type { AnyEndpoint } from "@kasten/contract/http";
import { endpoints } from "@kasten/contract/all";
import { mayDo, roles, type Role } from "@kasten/contract/permissions";
import { me } from "@kasten/contract/team";
import { Client } from "../client";

export interface RolesReport {
  cells: number;
  /** "role endpoint: status", where somebody got in who may not, or was kept out who may. */
  wrong: string[];
}

const someId = "00000000-0000-4000-8000-000000000000";
/** Health answers everybody, and is no endpoint of the router. */
const asked = endpoints.filter((e) => e.id !== "health");

async function statusOf(client: Client, e: AnyEndpoint): Promise<{ status: number; type: string }> {
  const path = e.path.replace(/:\w+/g, someId);
  const response = await client.raw(e.method.toUpperCase(), `/api${path}`, {
    ...(e.method !== "get" && { body: "{}" }),
    headers: { "Content-Type": "application/json", "Idempotency-Key": crypto.randomUUID() },
  });
  const reply = (await response.json()) as { type?: string };
  return { status: response.status, type: reply.type ?? "" };
}

/** Every request of the contract by everybody: who may is let through to what is wrong with an empty request. */
export async function roleMatrix(base: string): Promise<RolesReport> {
  const report: RolesReport = { cells: 0, wrong: [] };
  const enter = async (role: Role | undefined): Promise<Client> => {
    const client = new Client(base);
    return role ? signIn(client, role) : client;
  };
  for (const role of [undefined, ...roles]) {
    let client = await enter(role);
    for (const e of asked) {
      const wanted = expected(e, role);
      let reply = await statusOf(client, e);
      // One before it may have ended the session: what counts is what somebody is told who has just signed in.
      if (gotOf(reply.type) !== wanted) {
        client = await enter(role);
        reply = await statusOf(client, e);
      }
      report.cells++;
      const { status, type } = reply;
      if (wanted !== gotOf(type) || status >= 500)
        report.wrong.push(`${role ?? "stranger"} ${e.id}: ${status} ${type}`);
    }
  }
  return report;
}

const gotOf = (type: string): "stranger" | "not allowed" | "through" =>
  type === "not-signed-in" ? "stranger" : type === "not-allowed" ? "not allowed" : "through";

function expected(e: AnyEndpoint, role: Role | undefined): "stranger" | "not allowed" | "through" {
  if (e.permission === "anyone") return "through";
  if (!role) return "stranger";
  return mayDo(role, e.permission) ? "through" : "not allowed";
}

export async function signIn(client: Client, role: Role): Promise<Client> {
  const { demo } = await client.ok(me);
  const person = demo.find((p) => p.role === role);
  await client.raw("POST", "/api/session/demo", {
    body: JSON.stringify({ person: person?.id ?? "" }),
    headers: { "Content-Type": "application/json" },
  });
  return client;
}
