import { EntitySchema } from "typeorm";
import type { Policy } from "@kasten/core/orders";
import type { Asked } from "@kasten/core/recipe";
import type { Exception } from "@kasten/contract/http";
import {
  flag,
  instant,
  int,
  jsonb,
  numeric,
  optional,
  refers,
  text,
  uuid,
  uuidKey,
  version,
  written,
} from "../database/columns";

export interface OrderRow {
  id: string;
  number: number;
  customerId: string;
  due: string;
  dueReason: string | null;
  note: string;
  text: string;
  version: number;
  createdBy: string;
  createdAt: Date;
  closedAt: Date | null;
  exception: Exception | null;
}

export const orderEntity = new EntitySchema<OrderRow>({
  name: "customer_order",
  columns: {
    id: uuidKey,
    number: int({ generated: "increment", unique: true }),
    customerId: text(refers("customer")),
    due: { type: "date" },
    dueReason: text(optional),
    note: text({ default: "" }),
    text: text({ default: "" }),
    version,
    createdBy: uuid(refers("person")),
    createdAt: written(),
    closedAt: instant(optional),
    exception: jsonb(optional),
  },
  indices: [{ name: "customer_order_open", columns: ["due", "number"], where: "closed_at IS NULL" }],
});

export interface OrderLineRow {
  id: string;
  orderId: string;
  position: number;
  patternId: string;
  variant: string;
  form: string;
  size: string;
  flies: number;
  policy: Policy | null;
  /** Its own day; empty where it is that of the order. */
  due: string | null;
  wishes: string;
  asked: Asked;
  pricePerDozenCents: number;
  cancelled: boolean;
  /** The day for which it was promised when it was written, and how probable that was held to be. */
  promisedFor: string | null;
  promisedOdds: number | null;
  /** What held it when its day passed, kept by the plan. */
  lateBy: string | null;
}

export const orderLineEntity = new EntitySchema<OrderLineRow>({
  name: "order_line",
  columns: {
    id: uuidKey,
    orderId: uuid(refers("customer_order")),
    position: int(),
    patternId: text(refers("pattern")),
    variant: text(),
    form: text(),
    size: text(),
    flies: int(),
    policy: text(optional),
    due: { type: "date", nullable: true },
    wishes: text({ default: "" }),
    asked: jsonb({ default: {} }),
    pricePerDozenCents: int({ default: 0 }),
    cancelled: flag(),
    promisedFor: { type: "date", nullable: true },
    promisedOdds: numeric(optional),
    lateBy: text(optional),
  },
  indices: [
    { name: "order_line_order", columns: ["orderId"] },
    { name: "order_line_fly", columns: ["patternId", "variant", "form", "size"], where: "NOT cancelled" },
  ],
  checks: [
    { name: "order_line_flies_check", expression: "flies > 0 AND flies <= 6000" },
    { name: "order_line_policy_check", expression: "policy IN ('original', 'alternates', 'tier')" },
  ],
});

/** An order that comes up again each year: the last one that was written of it. */
export interface StandingRow {
  orderId: string;
  /** So many days before its day. */
  aheadDays: number;
  /** How often it was passed over since. */
  passed: number;
  setBy: string;
  setAt: Date;
}
export const standingEntity = new EntitySchema<StandingRow>({
  name: "standing_order",
  columns: {
    orderId: uuid({ primary: true, ...refers("customer_order") }),
    aheadDays: int(),
    passed: int({ default: 0 }),
    setBy: uuid(refers("person")),
    setAt: written(),
  },
});

/**
 * How far a line is: boxed, put by for it, in batches that are not finished; of those, in batches that are released.
 */
export interface LineProgressRow {
  lineId: string;
  boxed: number;
  ready: number;
  inBatches: number;
  active: number;
}

export const lineProgressView = new EntitySchema<LineProgressRow>({
  name: "line_progress",
  type: "view",
  expression: `
SELECT l.id AS line_id, COALESCE(bx.n, 0) AS boxed, COALESCE(rd.n, 0) AS ready,
  COALESCE(ib.n, 0) AS in_batches, COALESCE(ib.active, 0) AS active
FROM order_line l
LEFT JOIN LATERAL (
  SELECT sum(m.quantity)::int AS n FROM movement m JOIN place t ON t.id = m.to_place
  WHERE m.order_line_id = l.id AND t.kind = 'customer') bx ON true
LEFT JOIN LATERAL (SELECT sum(r.quantity)::int AS n FROM reservation r WHERE r.order_line_id = l.id) rd ON true
LEFT JOIN LATERAL (
  SELECT sum(bc.flies)::int AS n, (sum(bc.flies) FILTER (WHERE b.state <> 'planned'))::int AS active
  FROM batch_claim bc JOIN batch b ON b.id = bc.batch_id
  WHERE bc.order_line_id = l.id AND b.state IN ('planned', 'released', 'pulled', 'tying')) ib ON true`,
  columns: {
    lineId: uuid({ primary: true }),
    boxed: int(),
    ready: int(),
    inBatches: int(),
    active: int(),
  },
});

export const orderEntities = [orderEntity, orderLineEntity, standingEntity, lineProgressView];
