import type { Page } from "@playwright/test";
import { enterAs, expect, settled, test } from "./room";
import { notWhole } from "./whole";

const LONG = "Königlich-Obermühlenbacher Grundforellenfischereigenossenschaft am Äußeren Weidendamm";
const UNBROKEN = "Donaudampfschifffahrtsgesellschaftskapitänspatronenhülsenhalterung";

/** Asks the server as the page does, without a screen between. */
const send = (page: Page, method: string, path: string, body: object) =>
  page.evaluate(
    async ([m, p, b]) => {
      const headers = { "Content-Type": "application/json", "Idempotency-Key": crypto.randomUUID() };
      const reply = await fetch(`/api${p}`, { method: m, headers, body: b });
      if (!reply.ok) throw new Error(`${m} ${p}: ${await reply.text()}`);
      return (await reply.json()) as { id: string };
    },
    [method, path, JSON.stringify(body)] as const,
  );

test("names without end, an order of sixty lines and a drawer with forty lots are whole at every width", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  const destination = { noLead: true, barblessOnly: true, forbiddenSpecies: [UNBROKEN.slice(0, 60)] };
  const customer = await send(page, "POST", "/customers", {
    name: LONG.slice(0, 80),
    kind: UNBROKEN.slice(0, 40),
    rank: 2,
    policy: "original",
    destination,
    discount: 0,
    note: `${LONG} ${UNBROKEN}`,
  });
  const lines = Array.from({ length: 60 }, (_, i) => ({
    pattern: "tar-pupa",
    variant: i % 2 ? "red" : "black",
    form: "standard",
    size: i % 3 ? "14" : "16",
    flies: 12 + i,
    policy: "original",
  }));
  const due = new Date(Date.now() + 90 * 86_400_000).toISOString().slice(0, 10);
  const order = await send(page, "POST", "/orders", {
    text: `sixty lines for ${LONG}`,
    customer: customer.id,
    due,
    dueReason: UNBROKEN.slice(0, 70),
    note: UNBROKEN,
    lines,
    exception: { reason: "a race of its own" },
  });
  for (let i = 0; i < 40; i++)
    await send(page, "POST", "/stock/TH-70-OL/count-in", {
      quantity: 1_000_000 + i,
      lot: `${UNBROKEN.slice(0, 50)}-${i}`,
      dyeLot: UNBROKEN.slice(0, 40),
      note: LONG,
    });
  await send(page, "POST", "/suppliers", { name: UNBROKEN.slice(0, 70), note: LONG.repeat(2) });
  for (const screen of [
    "/orders",
    `/orders/${order.id}`,
    "/batches",
    "/stock/TH-70-OL",
    "/room?side=customers",
    "/room?side=suppliers",
    "/book",
  ]) {
    await page.goto(screen);
    await settled(page);
    expect.soft(await notWhole(page), screen).toEqual({});
  }
});
