import { z } from "zod";
import { landmarks } from "@kasten/core/hooks";
import { materialForms, standings, stockUnits } from "@kasten/core/materials";
import {
  acts,
  attitudes,
  dressings,
  dubbedShapes,
  featherParts,
  holds,
  measures,
  moments,
  noodleThicknesses,
  reaches,
  roles,
  sectors,
  stances,
} from "@kasten/core/patterns";
import { hookModelSchema } from "../hooks";
import { done, endpoint, idParams, isoDay, none } from "../http";

const short = z.string().min(1).max(80);
const words = z.string().max(80);
const sentence = z.string().max(400);
const size = z.string().max(6);
const number = z.number().finite();
const mm = number.min(-60).max(600);
const count = z.number().int().positive().max(2000);

export const placeSchema = z.union([
  z.strictObject({ landmark: z.enum(landmarks) }),
  z.strictObject({ eyeLengths: number.min(-20).max(60) }),
  z.strictObject({ fraction: number.min(-2).max(3) }),
]);
const span = z.strictObject({ from: size, to: size });
const bySize = z.array(z.strictObject({ sizes: span.optional(), value: short })).max(30);
const length = z.union([
  z.strictObject({ mm }),
  z.strictObject({ of: z.enum(measures), times: number.min(0).max(40) }),
  z.strictObject({ reach: z.enum(reaches), pastMm: mm.optional() }),
]);
const amount = z.union([
  z.strictObject({ fibres: count }),
  z.strictObject({ spanMm: number.positive().max(200) }),
  z.strictObject({ clump: length }),
  z.strictObject({ slipWidth: length }),
  z.strictObject({ strands: count, folded: z.boolean() }),
  z.strictObject({ pieces: count }),
  z.strictObject({
    feathers: number.positive().max(200),
    paired: z.boolean().optional(),
    part: z.enum(featherParts).optional(),
  }),
  z.strictObject({ patchMm2: number.positive().max(10_000) }),
]);
const windRule = z.strictObject({
  touching: z.boolean().optional(),
  overlap: number.min(0).max(0.99).optional(),
  turns: number.positive().max(2000).optional(),
  pitch: number.positive().max(100).optional(),
});
const passes = z.number().int().min(1).max(6);
const rope = z.number().int().min(1).max(60);
const stretch = number.min(1).max(10);
const ways = z.record(short, short);
const stepChange = z.strictObject({
  amount: amount.optional(),
  shown: length.optional(),
  rule: windRule.optional(),
  passes: passes.optional(),
  stretch: stretch.optional(),
  rope: rope.optional(),
  fullness: z.tuple([length, length]).optional(),
  noodle: length.optional(),
  thickness: z.enum(noodleThicknesses).optional(),
  methods: ways.optional(),
});
const alternate = z.strictObject({
  material: short,
  effect: sentence.optional(),
  changes: z.record(short, stepChange).optional(),
  limit: sentence.optional(),
});
const componentSchema = z.strictObject({
  id: short,
  role: z.enum(roles),
  material: bySize,
  optional: z.boolean().optional(),
  asStated: sentence.optional(),
  alternates: z.array(alternate).max(20).optional(),
  bought: z.strictObject({ material: short, perFly: count }).optional(),
  makeMinutes: number.min(0).max(600).optional(),
  sharesWith: short.optional(),
  anyOf: z.strictObject({ form: z.enum(materialForms), shades: z.array(short).max(20).optional() }).optional(),
  priceCents: z.number().int().min(0).max(1_000_000).optional(),
  doubt: sentence.optional(),
});
const check = z.strictObject({ feature: sentence, when: z.enum(moments), tolerance: sentence.optional() });
const stepBase = {
  id: short,
  name: short,
  component: short.optional(),
  tieIn: z.strictObject({ at: placeSchema, wraps: count.optional(), hold: z.enum(holds).optional() }).optional(),
  skills: z.array(short).max(10).optional(),
  tools: z.array(short).max(10).optional(),
  caution: sentence.optional(),
  tiedIn: short.optional(),
  instruction: sentence.optional(),
  stated: sentence.optional(),
  spread: z.tuple([number.min(0).max(2000), number.min(0).max(2000)]).optional(),
  after: z
    .array(z.strictObject({ step: short, hard: z.boolean().optional(), because: sentence.optional() }))
    .max(20)
    .optional(),
  mayPrecede: short.optional(),
  bySize: z
    .array(z.strictObject({ sizes: span, set: stepChange }))
    .max(12)
    .optional(),
  methods: ways.optional(),
  because: sentence.optional(),
  guard: sentence.optional(),
  checks: z.array(check).max(12).optional(),
  coveredBy: short.optional(),
  doubt: sentence.optional(),
  views: z
    .array(z.strictObject({ says: z.enum(["do", "avoid"]), because: sentence, by: short.optional() }))
    .max(6)
    .optional(),
  rotary: z.strictObject({ fixedWay: sentence, minutes: number.min(0).max(60) }).optional(),
};
const zone = { from: placeSchema, to: placeSchema };
const stepSchema = z.discriminatedUnion("do", [
  z.strictObject({
    ...stepBase,
    do: z.literal("seat"),
    from: placeSchema,
    count: count.optional(),
    lashed: z.enum(["on top", "underneath"]).optional(),
    glue: short.optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("wind"),
    from: placeSchema,
    to: placeSchema.optional(),
    rule: windRule,
    passes: passes.optional(),
    stretch: stretch.optional(),
    rope: rope.optional(),
    ribbon: z.boolean().optional(),
    laid: z.strictObject(zone).optional(),
    take: z
      .discriminatedUnion("from", [
        z.strictObject({ from: z.literal("spool"), trimMm: mm }),
        z.strictObject({ from: z.literal("pieces"), pieceMm: number.positive().max(2000), gripMm: mm, trimMm: mm }),
        z.strictObject({ from: z.literal("feather") }),
        z.strictObject({
          from: z.literal("leftover"),
          startMm: number.positive().max(2000),
          leftMm: number.min(0).max(2000),
        }),
      ])
      .optional(),
    barb: z.tuple([length, length]).optional(),
    counter: z.boolean().optional(),
    carries: short.optional(),
    sweep: z.enum(["back", "square", "forward"]).optional(),
    atMost: number.positive().max(200).optional(),
    face: z.enum(["in", "out"]).optional(),
    fill: z.tuple([length, length]).optional(),
    shows: short.optional(),
    levels: z.strictObject({ butts: short.optional() }).optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("lay"),
    ...zone,
    amount,
    shown: length.optional(),
    attitude: z.enum(attitudes).optional(),
    face: z.enum(["in", "out"]).optional(),
    countedWhenWound: z.boolean().optional(),
    hanging: z.boolean().optional(),
    overTake: number.min(1).max(10).optional(),
    trimMm: mm.optional(),
    round: z.partialRecord(z.enum(sectors), z.number().int().min(1).max(99)).optional(),
    stance: z.enum(stances).optional(),
    setBy: sentence.optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("dress"),
    ...zone,
    fullness: z.tuple([length, length]).optional(),
    shape: z.enum(dubbedShapes).optional(),
    noodle: length.optional(),
    thickness: z.enum(noodleThicknesses).optional(),
    loopMm: number.positive().max(1000).optional(),
    loopLayers: z.number().int().min(1).max(20).optional(),
    loopLoad: number.positive().max(50).optional(),
    trace: z.boolean().optional(),
    brushed: z.boolean().optional(),
  }),
  z.strictObject({ ...stepBase, do: z.literal("thread") }),
  z.strictObject({
    ...stepBase,
    do: z.literal("glue"),
    at: placeSchema,
    drops: number.positive().max(20),
    openMinutes: number.min(0).max(600).optional(),
  }),
  z.strictObject({
    ...stepBase,
    do: z.literal("act"),
    act: z.enum(acts),
    at: placeSchema.optional(),
    minutes: number.min(0).max(600),
    direction: z.enum(["back", "forward"]).optional(),
  }),
  z.strictObject({ ...stepBase, do: z.literal("whip"), ...zone, turns: count }),
]);
const coat = {
  component: short,
  coats: z.number().int().min(1).max(9),
  dryMinutes: z.number().int().min(0).max(100_000),
};

/** A pattern's recipe: the open format in which patterns are written. */
export const recipeSchema = z.strictObject({
  hookModel: words,
  shankTolerance: z.number().int().min(0).max(6).optional(),
  sizes: z.strictObject({ from: size, to: size }),
  components: z.array(componentSchema).max(40),
  steps: z.array(stepSchema).max(60),
  variants: z.array(z.strictObject({ id: short, name: short, swaps: z.record(short, bySize) })).max(60),
  forms: z
    .array(
      z.strictObject({
        id: short,
        name: short,
        hookModel: words.optional(),
        omit: z.array(short).max(40),
        swaps: z.record(short, bySize).optional(),
      }),
    )
    .max(6),
  finish: z.discriminatedUnion("state", [
    z.strictObject({ state: z.literal("given"), ...coat, then: z.array(z.strictObject(coat)).max(6).optional() }),
    z.strictObject({ state: z.literal("none") }),
    z.strictObject({ state: z.literal("not stated") }),
  ]),
  minutesPerFly: z.number().nonnegative().max(1000),
  stepByStepFactor: z.number().positive().max(5),
  skills: z.array(short).max(20),
  pricePerDozenCents: z.number().int().nonnegative().max(10_000_000),
  parents: z
    .array(
      z.strictObject({
        pattern: short,
        changes: sentence,
        version: z.number().int().positive().optional(),
        inherited: z.array(short).max(60).optional(),
      }),
    )
    .max(6)
    .optional(),
  density: z.enum(dressings).optional(),
  densityBand: z.array(z.enum(dressings)).max(4).optional(),
  bare: z
    .array(z.strictObject({ ...zone, thread: z.boolean().optional(), why: sentence.optional() }))
    .max(12)
    .optional(),
  mostWraps: z.number().int().min(1).max(200).optional(),
  stagger: z.strictObject({ steps: z.array(short).min(2).max(12), leastMm: number.min(0).max(100) }).optional(),
  avoid: z.array(sentence).max(20).optional(),
  sample: z.boolean().optional(),
  queries: z
    .array(z.strictObject({ about: short, question: sentence }))
    .max(20)
    .optional(),
});

export type RecipeData = z.infer<typeof recipeSchema>;

/** Changed only together with docs/schema: a reader of an older version is told which one it needs. */
export const PATTERN_FORMAT = 1;
/** A pattern as it is written to a file. */
export const patternFileSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, "Small letters, digits and hyphens, at most 60"),
  name: short,
  style: short,
  origin: z.string().max(200).optional(),
  species: z.string().max(200).optional(),
  recipe: recipeSchema,
});
export type PatternFile = z.infer<typeof patternFileSchema>;

/** What lists, filters and orders need of a pattern; the recipe itself is read apart. */
export const patternEntrySchema = z.object({
  id: z.string(),
  name: z.string(),
  style: z.string(),
  origin: z.string(),
  species: z.string(),
  version: z.number().int(),
  hookModel: z.string(),
  sizes: z.object({ from: z.string(), to: z.string() }),
  variants: z.array(z.object({ id: z.string(), name: z.string() })),
  forms: z.array(z.object({ id: z.string(), name: z.string() })),
  minutesPerFly: z.number(),
  pricePerDozenCents: z.number().int(),
  skills: z.array(z.string()),
  sample: z.boolean(),
  /** Every material that some size, colour or form of it may take, by code. */
  materials: z.array(z.string()),
  /** What it still lacks; empty when it may be tied. */
  missing: z.array(z.string()),
});
export type PatternEntry = z.infer<typeof patternEntrySchema>;

/** Figures that something is divided by, figures that may be nothing, and shares that leave something over. */
const above = number.positive();
const atLeastNone = number.min(0);
const share = number.min(0).max(0.99);
const strand = z.strictObject({
  section: z.enum(["round", "oval", "flat"]).optional(),
  width: above,
  thickness: above,
  core: atLeastNone.optional(),
  density: above.optional(),
  lineDensity: above.optional(),
});
/** What the computation needs of a material. */
export const materialSchema = z.strictObject({
  code: z.string(),
  name: z.string(),
  form: z.enum(materialForms),
  unit: z.enum(stockUnits),
  colour: z.string().optional(),
  colourName: z.string().optional(),
  measured: z.boolean(),
  lead: z.boolean(),
  controlledSpecies: z.string().optional(),
  caution: z.string().optional(),
  strand: strand.optional(),
  dubbing: z.strictObject({ density: above, lineDensity: above, loss: share.optional() }).optional(),
  part: z
    .strictObject({
      diameter: above,
      length: above,
      mass: atLeastNone,
      bore: above.optional(),
      cavityMm: atLeastNone.optional(),
    })
    .optional(),
  thread: z
    .strictObject({
      denier: above,
      fibre: z.enum(["polyester", "nylon", "gel-spun"]),
      aspect: z.enum(["asItComes", "flat", "corded"]).optional(),
    })
    .optional(),
  feather: z
    .strictObject({
      usable: above,
      grip: atLeastNone,
      perMm: atLeastNone,
      span: atLeastNone,
      sides: z.number().int().min(1).max(2),
      unusable: share,
    })
    .optional(),
  pieceMm: above.optional(),
  hair: z.strictObject({ density: above }).optional(),
  hide: z.strictObject({ areaMm2: above, loss: share }).optional(),
  qualities: z
    .strictObject({ mobility: number.optional(), strength: number.optional(), floats: number.optional() })
    .optional(),
  liquid: z
    .strictObject({ kind: z.enum(["lacquer", "resin", "glue"]), body: z.enum(["thin", "gel"]).optional() })
    .optional(),
  fliesPerPacket: number.positive().max(5000).optional(),
  prepLoss: z.strictObject({ share: number.min(0).max(0.95), what: z.string().max(80) }).optional(),
  faces: z
    .array(z.strictObject({ name: short, colour: z.string() }))
    .max(2)
    .optional(),
  gauge: z.string().max(20).optional(),
  standing: z.enum(standings).optional(),
  blend: z.strictObject({ parts: z.record(z.string(), above), leastChargeMg: atLeastNone }).optional(),
  hook: z.strictObject({ model: z.string(), size: z.string() }).optional(),
});

export const destinationSchema = z.object({
  noLead: z.boolean(),
  barblessOnly: z.boolean(),
  forbiddenSpecies: z.array(z.string()),
});
export const policies = ["original", "alternates", "tier"] as const;
export const customerSchema = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  rank: z.number().int(),
  policy: z.enum(policies),
  destination: destinationSchema,
  note: z.string(),
});
export type Customer = z.infer<typeof customerSchema>;

export const settingsSchema = z.object({
  shop: z.string(),
  timeZone: z.string(),
  serviceLevel: z.number(),
  tray: z.number().int(),
  windowDays: z.number().int(),
  restPerHour: z.number().int(),
  seasons: z.array(z.object({ name: z.string(), date: isoDay })),
  changeOver: z.object({ pattern: z.number(), thread: z.number(), hook: z.number() }),
  rackPlaces: z.number().int(),
  finishingPlaces: z.number().int(),
  stationsDown: z.array(z.string()),
});
export type Settings = z.infer<typeof settingsSchema>;

/** All that reading an order and drawing a fly need. */
export const catalogueSchema = z.object({
  today: isoDay,
  settings: settingsSchema,
  patterns: z.array(patternEntrySchema),
  materials: z.array(materialSchema),
  hooks: z.array(hookModelSchema),
  customers: z.array(customerSchema),
});
export const catalogue = endpoint({
  id: "catalogue",
  method: "get",
  path: "/catalogue",
  summary: "Patterns, materials, hooks, customers and settings",
  room: "patterns",
  permission: "see the room",
  params: none,
  query: none,
  body: none,
  reply: catalogueSchema,
});

/** A file of patterns: with the blends and other materials that they use, so that another room can tie them. */
export const patternBookSchema = z.strictObject({
  format: z.literal("kasten-patterns"),
  version: z.literal(PATTERN_FORMAT),
  patterns: z.array(patternFileSchema).min(1).max(2000),
  materials: z.array(materialSchema).max(2000).optional(),
});
export type PatternBook = z.infer<typeof patternBookSchema>;

const base = { room: "patterns", params: none, query: none, body: none };
const idList = z
  .string()
  .max(6000)
  .transform((text) => text.split(",").filter(Boolean))
  .pipe(z.array(z.string().max(80)).max(60));
export const readRecipes = endpoint({
  ...base,
  id: "readRecipes",
  method: "get",
  path: "/patterns/recipes",
  summary: "Recipes, as pattern or pattern@version, by comma",
  permission: "see the room",
  query: z.object({ of: idList }),
  reply: z.object({
    recipes: z.array(
      z.object({ id: z.string(), version: z.number().int(), current: z.boolean(), recipe: recipeSchema }),
    ),
  }),
});
export const patternVersions = endpoint({
  ...base,
  id: "patternVersions",
  method: "get",
  path: "/patterns/:id/versions",
  summary: "The versions of a pattern, newest first, and the batches that are bound to each",
  permission: "see the room",
  params: idParams,
  reply: z.object({
    versions: z.array(
      z.object({
        version: z.number().int(),
        at: z.string(),
        person: z.string().nullable(),
        note: z.string(),
        batches: z.array(z.number().int()),
      }),
    ),
  }),
});
export const savePattern = endpoint({
  ...base,
  id: "savePattern",
  method: "put",
  path: "/patterns/:id",
  summary: "Save a pattern as a new version; base is the version it was made from, 0 for a new pattern",
  permission: "write patterns",
  params: idParams,
  body: z.object({ base: z.number().int().min(0), note: z.string().max(400), pattern: patternFileSchema }),
  reply: z.object({ version: z.number().int(), missing: z.array(z.string()) }),
});
export const exportPatterns = endpoint({
  ...base,
  id: "exportPatterns",
  method: "get",
  path: "/patterns/file",
  summary: "Patterns as an open file, with the materials that they use",
  permission: "see the room",
  query: z.object({ of: idList }),
  reply: patternBookSchema,
});
export const importPatterns = endpoint({
  ...base,
  id: "importPatterns",
  method: "post",
  path: "/patterns/file",
  summary: "Take in a file of patterns: all of it, or nothing",
  permission: "write patterns",
  body: patternBookSchema,
  reply: z.object({
    added: z.array(z.string()),
    renewed: z.array(z.string()),
    same: z.array(z.string()),
    materials: z.array(z.string()),
  }),
});
export const saveMaterial = endpoint({
  ...base,
  id: "saveMaterial",
  method: "put",
  path: "/materials/:id",
  summary: "Add a material to the cabinet, or change what is known of it",
  permission: "write patterns",
  params: idParams,
  body: z.strictObject({
    material: materialSchema,
    /** Code of its drawer; a new material without one waits to be given one. */ drawer: z.string().max(20).optional(),
  }),
  reply: done,
});
export const patternEndpoints = [
  catalogue,
  readRecipes,
  patternVersions,
  savePattern,
  exportPatterns,
  importPatterns,
  saveMaterial,
];
