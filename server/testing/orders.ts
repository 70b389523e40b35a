import { linesOf, readOrder } from "@kasten/core/orders";
import {
  listBatches,
  pullBatch,
  readBatch,
  releaseBatch,
  reserveBatch,
  type Batch,
  type BatchDetail,
} from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import type { BodyOf } from "@kasten/contract/http";
import { addOrder, type Order } from "@kasten/contract/orders";
import type { Client } from "./client";

/** An order as it would be typed. */
export async function typedOrder(client: Client, text: string): Promise<BodyOf<typeof addOrder>> {
  const c = await client.ok(catalogue);
  const read = readOrder(text, {
    today: c.today,
    customers: c.customers,
    seasons: c.settings.seasons,
    numberWords: {},
    patterns: c.patterns.map((p) => ({ id: p.id, name: p.name, sizes: p.sizes, variants: p.variants, forms: p.forms })),
  });
  const lines = linesOf(read);
  return { text, customer: read.customer ?? "", due: read.due ?? "", note: "", lines };
}

export const batchesOf = async (
  client: Client,
  line: { pattern: string; size: string; variant: string },
): Promise<Batch[]> =>
  (await client.ok(listBatches, { query: { limit: 200 } })).batches.filter(
    (b) => b.pattern === line.pattern && b.size === line.size && b.variant === line.variant,
  );

/** The batch that a typed order of one line goes into. */
export async function orderedBatch(client: Client, text: string): Promise<{ order: Order; batch: Batch }> {
  const order = await client.ok(addOrder, { body: await typedOrder(client, text) });
  const batch = (await client.ok(listBatches, { query: { limit: 200 } })).batches.find((b) =>
    b.claims.some((c) => c.orderId === order.id),
  );
  if (!batch) throw new Error(`no batch for ${text}`);
  return { order, batch };
}

/** Reserves, releases and pulls all of a batch, and reads it. */
export async function pulled(client: Client, id: string): Promise<BatchDetail> {
  const params = { id };
  await client.ok(reserveBatch, { params });
  const { version, requirements } = await client.ok(readBatch, { params });
  await client.ok(releaseBatch, { params, body: { version } });
  await client.ok(pullBatch, { params, body: { keys: requirements.map((r) => r.key) } });
  return client.ok(readBatch, { params });
}
