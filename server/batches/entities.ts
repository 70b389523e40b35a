import { EntitySchema } from "typeorm";
import type { PrepKind } from "@kasten/core/batches";
import type { Batch } from "@kasten/contract/batches";
import type { makeKinds, PrepHow } from "@kasten/contract/preparing";
import type { Exception } from "@kasten/contract/http";
import type { Asked } from "@kasten/core/recipe";
import type { Quantity } from "@kasten/core/units";
import {
  bigint,
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

export type BatchState = Batch["state"] | "dissolved";

export interface BatchRow {
  id: string;
  number: number;
  patternId: string;
  patternVersion: number;
  variant: string;
  form: string;
  size: string;
  state: BatchState;
  held: boolean;
  mode: Batch["mode"];
  buy: string[];
  mixLots: boolean;
  starts: number | null;
  kitId: number | null;
  minutes: number | null;
  /** What its minutes teach: who tied it, in how many minutes a fly was computed to take, in which way. */
  tiedBy: string | null;
  minutesComputed: number | null;
  way: string;
  createdAt: Date;
  finishedAt: Date | null;
  version: number;
  methods: Record<string, string>;
  leave: string[];
  use: Record<string, string>;
  /** What its lines ask, by which it was gathered. */
  asked: Asked;
  /** Ready-made parts that are taken from the drawer for it: hooks with their beads on. */
  kitParts: string[];
  exceptions: Exception[];
  /** Flies tallied and not taken back; the database counts them as tallies are written. */
  good: number;
  rejected: number;
}

export const batchEntity = new EntitySchema<BatchRow>({
  name: "batch",
  columns: {
    id: uuidKey,
    number: int({ generated: "increment", unique: true }),
    patternId: text(),
    patternVersion: int(),
    variant: text(),
    form: text(),
    size: text(),
    state: text({ default: "planned" }),
    held: flag(),
    mode: text({ default: "fly by fly" }),
    buy: jsonb({ default: [] }),
    mixLots: flag(),
    starts: int(optional),
    kitId: int({ ...optional, ...refers("place") }),
    minutes: numeric(optional),
    tiedBy: uuid({ ...optional, ...refers("person") }),
    minutesComputed: numeric(optional),
    way: text({ default: "" }),
    createdAt: written(),
    finishedAt: instant(optional),
    version,
    methods: jsonb({ default: {} }),
    leave: jsonb({ default: [] }),
    use: jsonb({ default: {} }),
    asked: jsonb({ default: {} }),
    kitParts: jsonb({ default: [] }),
    exceptions: jsonb({ default: [] }),
    good: int({ default: 0 }),
    rejected: int({ default: 0 }),
  },
  foreignKeys: [
    {
      target: "pattern_version",
      columnNames: ["patternId", "patternVersion"],
      referencedColumnNames: ["patternId", "version"],
    },
  ],
  indices: [
    { name: "batch_planned", columns: ["patternId", "size"], where: "state = 'planned'::text" },
    { name: "batch_finished", columns: ["number"], where: "state = 'finished'::text" },
    {
      name: "batch_open",
      columns: ["state"],
      where: "state <> ALL (ARRAY['finished'::text, 'dissolved'::text])",
    },
  ],
  checks: [
    {
      name: "batch_state_check",
      expression: "state IN ('planned', 'released', 'pulled', 'tying', 'finished', 'dissolved')",
    },
    { name: "batch_mode_check", expression: "mode IN ('fly by fly', 'step by step')" },
    { name: "batch_starts_check", expression: "starts > 0" },
  ],
});

export interface BatchClaimRow {
  batchId: string;
  orderLineId: string;
  flies: number;
}

export const batchClaimEntity = new EntitySchema<BatchClaimRow>({
  name: "batch_claim",
  columns: {
    batchId: uuid({ primary: true, ...refers("batch") }),
    orderLineId: uuid({ primary: true, ...refers("order_line") }),
    flies: int(),
  },
  indices: [{ name: "batch_claim_line", columns: ["orderLineId"] }],
  checks: [{ name: "batch_claim_flies_check", expression: "flies > 0" }],
});

/** What a finished batch used of a material. `computed` is empty where it teaches nothing of the yield. */
export interface BatchUseRow {
  batchId: string;
  key: string;
  component: string;
  materialCode: string;
  flies: number;
  computed: Quantity | null;
  taken: Quantity;
  used: Quantity;
  scrapped: Quantity;
  returned: Quantity;
  /** Where it did not agree with the flies tied: why. */
  why: string;
}

export const batchUseEntity = new EntitySchema<BatchUseRow>({
  name: "batch_use",
  columns: {
    batchId: uuid({ primary: true, ...refers("batch") }),
    key: text({ primary: true }),
    component: text(),
    materialCode: text(),
    flies: int(),
    computed: bigint(optional),
    taken: bigint(),
    used: bigint(),
    scrapped: bigint(),
    returned: bigint(),
    why: text({ default: "" }),
  },
  checks: [
    { name: "batch_use_flies_check", expression: "flies > 0" },
    { name: "batch_use_reconciles", expression: "taken = used + scrapped + returned" },
  ],
});

/** Preparation as it was done: for batches, or for the drawer. */
export interface PrepRunRow {
  id: string;
  kind: PrepKind | (typeof makeKinds)[number];
  title: string;
  personId: string;
  at: Date;
  /** As somebody noted them; and as they were reckoned. */
  minutes: number | null;
  reckoned: number | null;
  /** Passes of the mill, chop, bath: how it was done. */
  how: PrepHow;
  note: string;
}

export const prepRunEntity = new EntitySchema<PrepRunRow>({
  name: "prep_run",
  columns: {
    id: uuidKey,
    kind: text(),
    title: text(),
    personId: uuid(refers("person")),
    at: written(),
    minutes: { type: "double precision", ...optional },
    reckoned: { type: "double precision", ...optional },
    how: jsonb({ default: {} }),
    note: text({ default: "" }),
  },
  indices: [{ name: "prep_run_at", columns: ["at"] }],
  checks: [{ name: "prep_run_minutes_check", expression: "minutes > 0 AND reckoned > 0" }],
});

export interface BatchPrepRow {
  batchId: string;
  kind: PrepKind;
  component: string;
  personId: string;
  at: Date;
  runId: string | null;
}

export const batchPrepEntity = new EntitySchema<BatchPrepRow>({
  name: "batch_prep",
  columns: {
    batchId: uuid({ primary: true, ...refers("batch") }),
    kind: text({ primary: true }),
    component: text({ primary: true }),
    personId: uuid(refers("person")),
    at: written(),
    runId: uuid({ ...optional, ...refers("prep_run") }),
  },
});

export interface TallyRow {
  id: string;
  batchId: string;
  personId: string;
  at: Date;
  kind: "good" | "reject" | "undo";
  reason: string | null;
  loss: string | null;
  undoes: string | null;
}

/** What a bench counted: one row a fly, its id made by the device. */
export const tallyEntity = new EntitySchema<TallyRow>({
  name: "tally",
  columns: {
    id: uuid({ primary: true }),
    batchId: uuid(refers("batch")),
    personId: uuid(refers("person")),
    at: instant(),
    kind: text(),
    reason: text(optional),
    loss: text(optional),
    undoes: uuid({ ...optional, unique: true }),
  },
  indices: [{ name: "tally_batch", columns: ["batchId"] }],
  checks: [
    { name: "tally_kind_check", expression: "kind IN ('good', 'reject', 'undo')" },
    { name: "tally_check", expression: "(kind = 'undo') = (undoes IS NOT NULL)" },
    { name: "tally_check1", expression: "kind <> 'reject' OR reason IS NOT NULL" },
  ],
});

/** Good and rejected flies of a pattern's finished batches, summed as they are finished. */
export interface PatternOutcomeRow {
  patternId: string;
  good: number;
  rejected: number;
  batches: number;
}
export const patternOutcomeEntity = new EntitySchema<PatternOutcomeRow>({
  name: "pattern_outcome",
  columns: { patternId: text({ primary: true, ...refers("pattern") }), good: int(), rejected: int(), batches: int() },
});

/** What finished batches used of a component against what was computed, summed: see core's `Observed`. */
export interface ComponentOutcomeRow {
  patternId: string;
  component: string;
  weight: number;
  weighted: number;
  batches: number;
}
export const componentOutcomeEntity = new EntitySchema<ComponentOutcomeRow>({
  name: "component_outcome",
  columns: {
    patternId: text({ primary: true, ...refers("pattern") }),
    component: text({ primary: true }),
    weight: { type: "double precision" },
    weighted: { type: "double precision" },
    batches: int(),
  },
});

/** Pieces of a material that finished batches tied with and that broke or were spoiled, as somebody counted them. */
export interface MaterialOutcomeRow {
  materialCode: string;
  sound: number;
  spoilt: number;
  batches: number;
}
export const materialOutcomeEntity = new EntitySchema<MaterialOutcomeRow>({
  name: "material_outcome",
  columns: {
    materialCode: text({ primary: true, ...refers("material") }),
    sound: bigint(),
    spoilt: bigint(),
    batches: int(),
  },
});

export const batchEntities = [
  batchEntity,
  batchClaimEntity,
  batchUseEntity,
  batchPrepEntity,
  prepRunEntity,
  tallyEntity,
  patternOutcomeEntity,
  componentOutcomeEntity,
  materialOutcomeEntity,
];
