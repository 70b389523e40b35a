import { EntitySchema } from "typeorm";
import { flag, instant, int, jsonb, numeric, optional, refers, text, uuid, written } from "../database/columns";
import type { PlannedOperation } from "@kasten/core/schedule";
import type { Plan, PlanSearch } from "@kasten/contract/schedule";

/** A batch of which somebody has said who ties it, and perhaps from when on. */
export interface PlanPinRow {
  batchId: string;
  personId: string;
  at: Date | null;
  /** Several who tie it at the same time; empty where one does. */
  shares: { person: string; flies: number }[];
  setBy: string;
  setAt: Date;
}
export const planPinEntity = new EntitySchema<PlanPinRow>({
  name: "plan_pin",
  columns: {
    batchId: uuid({ primary: true, ...refers("batch") }),
    personId: uuid(refers("person")),
    at: instant(optional),
    shares: jsonb({ default: [] }),
    setBy: uuid(refers("person")),
    setAt: written(),
  },
});

/** The order of work of the last plan: the next one begins with it. One row. */
export interface PlanOrderRow {
  one: boolean;
  /** Counted on whenever the order becomes another. */
  revision: number;
  work: PlannedOperation[];
}
export const planOrderEntity = new EntitySchema<PlanOrderRow>({
  name: "plan_order",
  columns: { one: flag({ primary: true, default: true }), revision: int(), work: jsonb() },
  checks: [{ name: "plan_order_one_check", expression: "one" }],
});

/** A plan as it was published. */
export interface PublishedPlan {
  /** The instant from which its minutes count. */
  origin: string;
  work: (PlannedOperation & { batch: string; kind: string })[];
  batches: Pick<Plan["batches"][number], "id" | "number" | "patternName" | "size" | "due" | "ready" | "lateDays">[];
}
export interface PlanVersionRow {
  number: number;
  publishedAt: Date;
  personId: string;
  note: string;
  doc: PublishedPlan;
}
export const planVersionEntity = new EntitySchema<PlanVersionRow>({
  name: "plan_version",
  columns: {
    number: int({ primary: true, generated: "increment" }),
    publishedAt: written(),
    personId: uuid(refers("person")),
    note: text({ default: "" }),
    doc: jsonb(),
  },
});

/** The secret address of a person's calendar: only what it hashes to is kept. */
export interface CalendarKeyRow {
  personId: string;
  hash: string;
  madeAt: Date;
}
export const calendarKeyEntity = new EntitySchema<CalendarKeyRow>({
  name: "calendar_key",
  columns: {
    personId: uuid({ primary: true, ...refers("person") }),
    hash: text({ unique: true }),
    madeAt: written(),
  },
});

/** The last search for a better plan. One row. */
export interface PlanSearchRow extends Omit<PlanSearch, "by" | "at"> {
  one: boolean;
  personId: string;
  at: Date;
  /** Somebody wants it to end. */
  stop: boolean;
}
export const planSearchEntity = new EntitySchema<PlanSearchRow>({
  name: "plan_search",
  columns: {
    one: flag({ primary: true, default: true }),
    personId: uuid(refers("person")),
    at: written(),
    seconds: int(),
    state: text(),
    stop: flag(),
    spent: numeric({ default: 0 }),
    late: numeric(optional),
    lateBefore: numeric(optional),
    lowerBound: numeric(optional),
    outcome: jsonb(optional),
  },
  checks: [{ name: "plan_search_one_check", expression: "one" }],
});

export const scheduleEntities = [
  planPinEntity,
  planOrderEntity,
  planVersionEntity,
  calendarKeyEntity,
  planSearchEntity,
];
