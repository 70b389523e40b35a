import { randomUUID } from "node:crypto";
import {
  listBatches,
  mergeBatches,
  readBatch,
  releaseBatch,
  reserveBatch,
  splitBatch,
  type Batch,
} from "@kasten/contract/batches";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { addOrder, cancelOrder, type Order } from "@kasten/contract/orders";
import { editPerson, listPeople, signIn as signInByPassword } from "@kasten/contract/team";
import { Client } from "../client";
import { Chance } from "./random";
import { signIn } from "./roles";

/** How often each status came, over all requests of a race. */
export type Statuses = Record<number, number>;

const count = (list: number[]): Statuses => {
  const statuses: Statuses = {};
  for (const s of list) statuses[s] = (statuses[s] ?? 0) + 1;
  return statuses;
};
const together = async (work: (() => Promise<number>)[]): Promise<Statuses> =>
  count(await Promise.all(work.map((w) => w())));
const many = (n: number): number[] => Array.from({ length: n }, (_, i) => i);
const sku = ({ pattern, variant, form, size }: Batch) => ({ pattern, variant, form, size });

function orderOf(b: Batch, customer: string, flies: number, due: string) {
  return { text: "", customer, due, note: "", lines: [{ ...sku(b), flies }], exception: { reason: "known" } };
}

export class Races {
  private constructor(
    private readonly base: string,
    private readonly owner: Client,
    private readonly chance: Chance,
    private readonly due: string,
  ) {}

  static async begin(base: string, seed: number): Promise<Races> {
    const due = new Date(Date.now() + 45 * 86_400_000).toISOString().slice(0, 10);
    return new Races(base, await signIn(new Client(base), "owner"), new Chance(seed), due);
  }

  private async planned(): Promise<Batch[]> {
    return (await this.owner.ok(listBatches, { query: { limit: 200, states: ["planned"] } })).batches;
  }

  private async customers(): Promise<string[]> {
    const reply = await (await this.owner.raw("GET", "/api/catalogue")).json();
    return (reply as { customers: { id: string }[] }).customers.map((c) => c.id);
  }

  private async ordered(b: Batch, flies: number): Promise<Order> {
    const [customer = ""] = await this.customers();
    return this.owner.ok(addOrder, { body: orderOf(b, customer, flies, this.due) });
  }

  /** So many clients that each do what comes to mind, all at once. */
  async crowd(clients: number, each: number): Promise<Statuses> {
    const batches = await this.planned();
    const customers = await this.customers();
    const statuses: number[] = [];
    const one = async (n: number): Promise<void> => {
      const chance = new Chance(this.chance.below(1e9) + n);
      const client = await signIn(new Client(this.base), chance.pick(["owner", "tier", "shop"] as const));
      for (let i = 0; i < each; i++) statuses.push(await this.something(client, chance, batches, customers));
    };
    await Promise.all(many(clients).map(one));
    return count(statuses);
  }

  private async something(client: Client, chance: Chance, batches: Batch[], customers: string[]): Promise<number> {
    const b = chance.pick(batches);
    const params = { id: b.id };
    switch (chance.below(8)) {
      case 0:
      case 1:
        return client.send(addOrder, {
          body: orderOf(b, chance.pick(customers), 12 * (1 + chance.below(5)), this.due),
        });
      case 2:
        return client.send(reserveBatch, { params });
      case 3:
        return client.send(splitBatch, { params, body: { flies: 12, version: b.version } });
      case 4: {
        const other = chance.pick(batches);
        const list = [b, other].map((x) => ({ id: x.id, version: x.version }));
        return client.send(mergeBatches, { body: { batches: list } });
      }
      case 5:
        return client.send(releaseBatch, { params, body: { version: b.version } });
      case 6: {
        const made = orderOf(b, chance.pick(customers), 24, this.due);
        const response = await client.raw("POST", "/api/orders", {
          body: JSON.stringify(made),
          headers: { "Content-Type": "application/json", "Idempotency-Key": randomUUID() },
        });
        if (response.status !== 200) return response.status;
        const { id, version } = (await response.json()) as Order;
        return client.send(cancelOrder, { params: { id }, body: { version } });
      }
      default:
        return client.send(readBatch, { params });
    }
  }

  /** Reserving, releasing or splitting a batch while the order that it is for is cancelled. */
  async againstCancel(rounds: number): Promise<Statuses> {
    const batches = await this.planned();
    const statuses: Statuses = {};
    for (let i = 0; i < rounds; i++) {
      const kind = this.chance.pick(batches);
      const order = await this.ordered(kind, 24);
      const mine = (await this.planned()).find((b) => b.claims.some((c) => c.orderId === order.id));
      if (!mine) continue;
      const params = { id: mine.id };
      const other = this.chance.pick([
        () => this.owner.send(reserveBatch, { params }),
        () => this.owner.send(releaseBatch, { params, body: { version: mine.version } }),
        () => this.owner.send(splitBatch, { params, body: { flies: 12, version: mine.version } }),
      ]);
      const { id, version } = order;
      const cancel = () => this.owner.send(cancelOrder, { params: { id }, body: { version } });
      for (const [s, n] of Object.entries(await together([other, cancel])))
        statuses[Number(s)] = (statuses[Number(s)] ?? 0) + n;
    }
    return statuses;
  }

  /** The same ready flies boxed by many, lines in either order, while the parcel is sent. */
  async boxing(times: number): Promise<Statuses> {
    const { customers } = await this.owner.ok(listBox);
    const lines = customers.flatMap((c) => c.lines).filter((l) => l.ready > 0);
    const wanted = lines.map((l) => ({ line: l.line, flies: 1 }));
    if (wanted.length === 0) return {};
    const box = (turned: boolean) => () =>
      this.owner.send(boxFlies, { body: { lines: turned ? [...wanted].reverse() : wanted } });
    const parcels = (r: ReplyOf<typeof listBox>) => r.customers.flatMap((c) => (c.parcel ? [c.parcel.id] : []));
    const open = parcels(await this.owner.ok(listBox));
    const send = open.map((id) => () => this.owner.send(sendParcel, { params: { id } }));
    return together([...many(times).map((i) => box(i % 2 === 1)), ...send]);
  }

  /** One person changed by so many at once: one of them is the first. */
  async person(times: number): Promise<Statuses> {
    const [p] = (await this.owner.ok(listPeople)).people;
    if (!p) return {};
    const { id, login: _login, endedAt: _ended, ...rest } = p;
    return together(
      many(times).map(
        (i) => () => this.owner.send(editPerson, { params: { id }, body: { ...rest, pace: 1 + i / 100 } }),
      ),
    );
  }

  /** So many guesses of a password at once: tried ones are refused by 401, the others are not tried. */
  async guesses(times: number): Promise<Statuses> {
    const login = (await this.owner.ok(listPeople)).people[1]?.login ?? "";
    return together(
      many(times).map(
        (i) => () => new Client(this.base).send(signInByPassword, { body: { login, password: `guess ${i}` } }),
      ),
    );
  }
}

/** What must hold whatever has happened, as statements that find what does not. */
export const invariants: Record<string, string> = {
  "a balance is the sum of its movements": `
    SELECT b.lot_id FROM balance b WHERE b.quantity <> COALESCE((SELECT sum(CASE WHEN m.to_place = b.place_id
      THEN m.quantity ELSE -m.quantity END) FROM movement m
      WHERE m.lot_id = b.lot_id AND b.place_id IN (m.from_place, m.to_place)), 0)`,
  "what is reserved is the sum of its reservations": `
    SELECT b.lot_id FROM balance b WHERE b.reserved <> COALESCE((SELECT sum(r.quantity) FROM reservation r
      WHERE r.lot_id = b.lot_id AND r.place_id = b.place_id), 0)`,
  "a dissolved batch has nothing put by, and claims nothing": `
    SELECT b.id FROM batch b WHERE b.state = 'dissolved' AND (EXISTS (SELECT 1 FROM reservation r
      WHERE r.batch_id = b.id) OR EXISTS (SELECT 1 FROM batch_claim c WHERE c.batch_id = b.id))`,
  "an open batch is for somebody": `
    SELECT b.id FROM batch b WHERE b.state = 'planned' AND NOT EXISTS (SELECT 1 FROM batch_claim c WHERE c.batch_id = b.id)`,
  "no line is tied or boxed more than was ordered": `
    SELECT l.id FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN line_progress p ON p.line_id = l.id
    WHERE o.closed_at IS NULL AND NOT l.cancelled AND p.boxed + p.ready + p.in_batches > l.flies`,
  "every line that is open is made for": `
    SELECT l.id FROM order_line l JOIN customer_order o ON o.id = l.order_id JOIN line_progress p ON p.line_id = l.id
    WHERE o.closed_at IS NULL AND NOT l.cancelled AND p.boxed + p.ready + p.in_batches < l.flies`,
  "nothing went into a parcel that had been sent": `
    SELECT m.id FROM movement m JOIN parcel p ON p.id = m.parcel_id WHERE p.sent_at IS NOT NULL AND m.at > p.sent_at`,
  "tallies are counted": `
    SELECT b.id FROM batch b WHERE (b.good, b.rejected) <> (SELECT count(*) FILTER (WHERE t.kind = 'good'),
      count(*) FILTER (WHERE t.kind = 'reject') FROM tally t WHERE t.batch_id = b.id AND t.kind <> 'undo'
      AND NOT EXISTS (SELECT 1 FROM tally u WHERE u.undoes = t.id))`,
  "there is an owner": `SELECT 1 WHERE NOT EXISTS (SELECT 1 FROM person WHERE role = 'owner' AND ended_at IS NULL)`,
};
