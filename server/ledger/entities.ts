import { EntitySchema } from "typeorm";
import type { Side } from "@kasten/core/materials";
import type { LotTraits } from "@kasten/core/stock";
import type { Quantity } from "@kasten/core/units";
import {
  bigint,
  day,
  flag,
  instant,
  int,
  jsonb,
  optional,
  refers,
  text,
  uuid,
  uuidKey,
  version,
  written,
} from "../database/columns";

export const placeKinds = ["supplier", "drawer", "kit", "bench", "flies", "scrap", "customer"] as const;
export type PlaceKind = (typeof placeKinds)[number];

export interface PlaceRow {
  id: number;
  kind: PlaceKind;
  code: string;
  name: string;
  /** A drawer in all but its look: a bobbin, on which one lot of thread, floss or wire is loaded. */
  bobbin: boolean;
  /** Where a drawer stands: its cabinet, row from the top and spot from the left; null where nobody has placed it. */
  cabinet: string;
  rowNumber: number | null;
  rowPosition: number | null;
}

export const placeEntity = new EntitySchema<PlaceRow>({
  name: "place",
  columns: {
    id: int({ primary: true, generated: "increment" }),
    kind: text(),
    code: text({ unique: true }),
    name: text(),
    bobbin: flag(),
    cabinet: text({ default: "" }),
    rowNumber: int(optional),
    rowPosition: int(optional),
  },
  checks: [
    { name: "place_spot_check", expression: "row_number > 0 AND row_position > 0" },
    { name: "place_bobbin_is_a_drawer", expression: "NOT bobbin OR kind = 'drawer'" },
    {
      name: "place_kind_check",
      expression: "kind IN ('supplier', 'drawer', 'kit', 'bench', 'flies', 'scrap', 'customer')",
    },
  ],
});

/** A lot of a material, or of finished flies: one or the other. */
export interface LotRow {
  id: string;
  code: string;
  materialCode: string | null;
  patternId: string | null;
  variant: string | null;
  form: string | null;
  size: string | null;
  dyeLot: string;
  grade: string;
  side: Side | null;
  barbFromUm: number | null;
  barbToUm: number | null;
  receivedAt: Date;
  /** What was paid for it, and for how much of it, in base units; unknown is not nought. */
  priceCents: number | null;
  priceFor: Quantity | null;
  remnant: boolean;
  batchId: string | null;
  /** As it was sold: a spool, a cape, a packet; empty where nobody said. */
  soldAs: string;
  supplierId: string | null;
  /** ISO days. */
  openedOn: string | null;
  expiresOn: string | null;
  /** Kept apart until then, and until somebody lets it go: new skins, what may carry moth. */
  apartUntil: string | null;
  origin: string;
  papers: string;
  note: string;
  /** Seen or measured on this very lot. */
  traits: LotTraits;
  /** The skin of which it is one class. */
  skinId: string | null;
  /** The line of a purchase order with which it came. */
  purchaseLineId: string | null;
  /** The run of preparation that made it. */
  runId: string | null;
  version: number;
}

export const lotEntity = new EntitySchema<LotRow>({
  name: "lot",
  columns: {
    id: uuidKey,
    code: text({ unique: true }),
    materialCode: text({ ...optional, ...refers("material") }),
    patternId: text({ ...optional, ...refers("pattern") }),
    variant: text(optional),
    form: text(optional),
    size: text(optional),
    dyeLot: text({ default: "" }),
    grade: text({ default: "" }),
    side: text(optional),
    barbFromUm: int(optional),
    barbToUm: int(optional),
    receivedAt: written(),
    priceCents: int(optional),
    priceFor: bigint(optional),
    remnant: flag(),
    batchId: uuid({ ...optional, ...refers("batch") }),
    soldAs: text({ default: "" }),
    supplierId: text({ ...optional, ...refers("supplier") }),
    openedOn: day(optional),
    expiresOn: day(optional),
    apartUntil: day(optional),
    origin: text({ default: "" }),
    papers: text({ default: "" }),
    note: text({ default: "" }),
    traits: jsonb({ default: {} }),
    skinId: uuid({ ...optional, ...refers("lot") }),
    purchaseLineId: uuid({ ...optional, ...refers("purchase_line") }),
    runId: uuid({ ...optional, ...refers("prep_run") }),
    version,
  },
  indices: [
    { name: "lot_material", columns: ["materialCode"] },
    { name: "lot_skin", columns: ["skinId"], where: "skin_id IS NOT NULL" },
    { name: "lot_run", columns: ["runId"], where: "run_id IS NOT NULL" },
    { name: "lot_flies", columns: ["patternId", "variant", "form", "size"] },
  ],
  checks: [
    { name: "lot_side_check", expression: "side IN ('left', 'right')" },
    {
      name: "lot_barb_in_order",
      expression: "barb_from_um <= barb_to_um",
    },
    { name: "lot_price_check", expression: "price_cents >= 0 AND price_for > 0" },
    { name: "lot_is_no_class_of_itself", expression: "skin_id <> id" },
    { name: "lot_is_material_or_flies", expression: "(material_code IS NULL) <> (pattern_id IS NULL)" },
  ],
});

/** A movement of so much of a lot from one place to another. Never changed: a trigger refuses it. */
export interface MovementRow {
  id: number;
  at: Date;
  personId: string;
  reason: string;
  note: string;
  lotId: string;
  quantity: Quantity;
  fromPlace: number;
  toPlace: number;
  batchId: string | null;
  batchKey: string | null;
  orderLineId: string | null;
  parcelId: string | null;
  corrects: number | null;
}

export const movementEntity = new EntitySchema<MovementRow>({
  name: "movement",
  columns: {
    id: bigint({ primary: true, generated: "increment" }),
    at: written(),
    personId: uuid(refers("person")),
    reason: text(),
    note: text({ default: "" }),
    lotId: uuid(refers("lot")),
    quantity: bigint(),
    fromPlace: int(refers("place")),
    toPlace: int(refers("place")),
    batchId: uuid({ ...optional, ...refers("batch") }),
    batchKey: text(optional),
    orderLineId: uuid({ ...optional, ...refers("order_line") }),
    parcelId: uuid({ ...optional, ...refers("parcel") }),
    corrects: bigint({ ...optional, ...refers("movement") }),
  },
  indices: [
    { name: "movement_lot", columns: ["lotId", "id"] },
    { name: "movement_batch", columns: ["batchId"] },
    { name: "movement_line", columns: ["orderLineId"] },
  ],
  checks: [
    { name: "movement_reason_check", expression: "reason <> ''" },
    { name: "movement_moves_something", expression: "quantity > 0" },
    { name: "movement_between_two_places", expression: "from_place <> to_place" },
  ],
});

/** What of a lot is in a place: the sum of its movements, kept by a trigger and by nothing else. */
export interface BalanceRow {
  lotId: string;
  placeId: number;
  quantity: Quantity;
  reserved: Quantity;
  bounded: boolean;
  /** The most that ever lay there: kept by the trigger too. */
  most: Quantity;
}

export const balanceEntity = new EntitySchema<BalanceRow>({
  name: "balance",
  columns: {
    lotId: uuid({ primary: true, ...refers("lot") }),
    placeId: int({ primary: true, ...refers("place") }),
    quantity: bigint({ default: 0 }),
    reserved: bigint({ default: 0 }),
    bounded: { type: "boolean" },
    most: bigint({ default: 0 }),
  },
  indices: [{ name: "balance_place", columns: ["placeId"] }],
  checks: [
    { name: "balance_not_negative", expression: "NOT bounded OR quantity >= 0" },
    { name: "balance_reserved_is_there", expression: "reserved >= 0 AND reserved <= GREATEST(quantity, 0)" },
  ],
});

/** So much of a lot is put by, for a batch or for an order line. Given back and made anew, never changed. */
export interface ReservationRow {
  id: string;
  lotId: string;
  placeId: number;
  quantity: Quantity;
  batchId: string | null;
  key: string | null;
  orderLineId: string | null;
}

export const reservationEntity = new EntitySchema<ReservationRow>({
  name: "reservation",
  columns: {
    id: uuidKey,
    lotId: uuid(refers("lot")),
    placeId: int(refers("place")),
    quantity: bigint(),
    batchId: uuid({ ...optional, ...refers("batch") }),
    key: text(optional),
    orderLineId: uuid({ ...optional, ...refers("order_line") }),
  },
  indices: [
    { name: "reservation_batch", columns: ["batchId"] },
    { name: "reservation_line", columns: ["orderLineId"] },
  ],
  checks: [
    { name: "reservation_quantity_check", expression: "quantity > 0" },
    { name: "reservation_for_one", expression: "(batch_id IS NULL) <> (order_line_id IS NULL)" },
  ],
});

export const countWays = ["counted", "weighed", "looked at"] as const;
export type CountWay = (typeof countWays)[number];

/** What somebody counted of a lot in a place, how, and how sure that is. */
export interface StockCountRow {
  id: number;
  at: Date;
  personId: string;
  lotId: string;
  placeId: number;
  counted: Quantity;
  /** What the ledger held at that moment. */
  expected: Quantity;
  /** Two standard deviations of a weighing; nothing where it was counted by hand. */
  plusMinus: Quantity;
  how: CountWay;
  note: string;
}

export const stockCountEntity = new EntitySchema<StockCountRow>({
  name: "stock_count",
  columns: {
    id: bigint({ primary: true, generated: "increment" }),
    at: written(),
    personId: uuid(refers("person")),
    lotId: uuid(refers("lot")),
    placeId: int(refers("place")),
    counted: bigint(),
    expected: bigint(),
    plusMinus: bigint({ default: 0 }),
    how: text(),
    note: text({ default: "" }),
  },
  indices: [{ name: "stock_count_lot", columns: ["lotId", "id"] }],
  checks: [
    { name: "stock_count_not_negative", expression: "counted >= 0 AND plus_minus >= 0" },
    { name: "stock_count_how_check", expression: "how IN ('counted', 'weighed', 'looked at')" },
  ],
});

/** A walk along the cabinet, counting everything; one is open at a time. */
export interface StockTakeRow {
  id: string;
  startedAt: Date;
  personId: string;
  blind: boolean;
  doneAt: Date | null;
}

export const stockTakeEntity = new EntitySchema<StockTakeRow>({
  name: "stock_take",
  columns: {
    id: uuidKey,
    startedAt: written(),
    personId: uuid(refers("person")),
    blind: flag(),
    doneAt: instant(optional),
  },
});

/** What was counted of a lot in a place during a stock-take, and what the ledger held at that moment. */
export interface StockTakeCountRow {
  takeId: string;
  lotId: string;
  placeId: number;
  at: Date;
  personId: string;
  counted: Quantity;
  expected: Quantity;
  plusMinus: Quantity;
  how: CountWay;
  note: string;
}

export const stockTakeCountEntity = new EntitySchema<StockTakeCountRow>({
  name: "stock_take_count",
  columns: {
    takeId: uuid({ primary: true, ...refers("stock_take") }),
    lotId: uuid({ primary: true, ...refers("lot") }),
    placeId: int({ primary: true, ...refers("place") }),
    at: written(),
    personId: uuid(refers("person")),
    counted: bigint(),
    expected: bigint(),
    plusMinus: bigint({ default: 0 }),
    how: text(),
    note: text({ default: "" }),
  },
  checks: [{ name: "stock_take_count_not_negative", expression: "counted >= 0 AND plus_minus >= 0" }],
});

/** A picture of a lot, as somebody took it. */
export interface LotPhotoRow {
  lotId: string;
  at: Date;
  personId: string;
  mediaType: string;
  image: Buffer;
}

export const lotPhotoEntity = new EntitySchema<LotPhotoRow>({
  name: "lot_photo",
  columns: {
    lotId: uuid({ primary: true, ...refers("lot") }),
    at: written(),
    personId: uuid(refers("person")),
    mediaType: text(),
    image: { type: "bytea" },
  },
});

export const ledgerEntities = [
  placeEntity,
  lotEntity,
  movementEntity,
  balanceEntity,
  reservationEntity,
  stockCountEntity,
  stockTakeEntity,
  stockTakeCountEntity,
  lotPhotoEntity,
];

/** Which fly: pattern, colour, weight form and size. */
export interface FlyKind {
  pattern: string;
  variant: string;
  form: string;
  size: string;
}
