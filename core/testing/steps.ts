import fc from "fast-check";
import type { Place } from "../hooks";
import type { MaterialForm } from "../materials";
import {
  attitudes,
  dubbedShapes,
  holds,
  measures,
  noodleThicknesses,
  reaches,
  sectors,
  stances,
  type LayAmount,
  type LengthRule,
  type RecipeStep,
  type Role,
} from "../recipe";

/** Any step that words can say, with the part and material form to which it belongs. */
export interface SaidStep {
  step: RecipeStep;
  role: Role;
  form: MaterialForm;
}

/** A number as people write one: at most two decimals. */
const figure = (min: number, max: number) =>
  fc.integer({ min: Math.round(min * 100), max: Math.round(max * 100) }).map((n) => n / 100);
const whole = (max: number) => fc.integer({ min: 1, max });
const optional = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
/** Without the fields that are not there: a step does not say what it leaves out. */
const said = <T extends object>(step: T): T =>
  Object.fromEntries(Object.entries(step).filter(([, v]) => v !== undefined)) as T;

const place: fc.Arbitrary<Place> = fc.oneof(
  fc.constantFrom("eye", "point", "barb", "bend", "intoBend").map((landmark) => ({ landmark }) as Place),
  figure(0.1, 4).map((eyeLengths) => ({ eyeLengths })),
  figure(0.05, 1).map((fraction) => ({ fraction })),
);
const measure: fc.Arbitrary<LengthRule> = fc.oneof(
  figure(0.2, 80).map((mm) => ({ mm })),
  fc.record({ of: fc.constantFrom(...measures), times: figure(0.1, 3) }),
);
const longer: fc.Arbitrary<LengthRule> = fc.record({
  of: fc.constantFrom(...measures),
  times: figure(0.1, 3),
  plus: fc.oneof(
    figure(0.5, 20).map((mm) => ({ mm })),
    fc.record({ of: fc.constantFrom(...measures), times: figure(-1, 2).filter((n) => n !== 0) }),
  ),
});
const length: fc.Arbitrary<LengthRule> = fc.oneof(
  measure,
  longer,
  fc.record({ reach: fc.constantFrom(...reaches) }),
  fc.record({ reach: fc.constantFrom(...reaches), pastMm: figure(0.5, 6) }),
  fc.record({ reach: fc.constantFrom(...reaches), share: fc.constantFrom(1 / 2, 1 / 3, 0.4) }),
);
const zone = { from: place, to: place };
const pair = fc.tuple(measure, measure);
const tieIn = optional(
  fc.record({ at: place, wraps: optional(whole(12)), hold: optional(fc.constantFrom(...holds)) }).map(said),
);
const face = optional(fc.constantFrom("in" as const, "out" as const));
const base = (role: Role) => ({
  id: fc.constant("s"),
  name: fc.constant("it"),
  component: fc.constant(role as string),
  tieIn,
});

const amount: fc.Arbitrary<LayAmount> = fc.oneof(
  whole(60).map((fibres) => ({ fibres })),
  figure(0.5, 12).map((spanMm) => ({ spanMm })),
  measure.map((clump) => ({ clump })),
  measure.map((slipWidth) => ({ slipWidth })),
  fc.record({ strands: whole(12), folded: fc.boolean() }),
  whole(9).map((pieces) => ({ pieces })),
  fc.record({ slipWidth: measure, layers: fc.integer({ min: 2, max: 9 }) }),
  whole(4).map((n) => ({ feathers: 2 * n, paired: true })),
  figure(1, 200).map((patchMm2) => ({ patchMm2 })),
);
const laid = fc
  .record({
    ...base("tail"),
    do: fc.constant("lay" as const),
    ...zone,
    amount,
    shown: optional(length),
    attitude: fc.constantFrom(...attitudes),
    face,
    hanging: optional(fc.constant(true)),
    overTake: optional(figure(1, 4)),
    stance: optional(fc.constantFrom(...stances)),
    round: optional(fc.constantFrom(...sectors).map((s) => ({ [s]: 1 }))),
  })
  .map(said);
const rule = fc.oneof(
  fc.constant({ touching: true }),
  figure(0.1, 0.9).map((overlap) => ({ overlap })),
  figure(0.5, 30).map((turns) => ({ turns })),
  figure(0.2, 6).map((pitch) => ({ pitch })),
);
const wound = fc
  .record({
    ...base("rib"),
    do: fc.constant("wind" as const),
    ...zone,
    rule,
    passes: optional(whole(4)),
    stretch: optional(figure(1, 4)),
    rope: optional(whole(9)),
    counter: optional(fc.boolean()),
    atMost: optional(figure(0.5, 9)),
    laid: optional(fc.record(zone)),
    shows: optional(fc.constantFrom("gold", "silver")),
    take: optional(
      fc.oneof(
        figure(1, 60).map((trimMm) => ({ from: "spool" as const, trimMm })),
        fc.record({
          from: fc.constant("pieces" as const),
          pieceMm: figure(20, 400),
          gripMm: figure(1, 20),
          trimMm: figure(1, 20),
        }),
        fc.record({ from: fc.constant("leftover" as const), startMm: figure(60, 200), leftMm: figure(0, 50) }),
      ),
    ),
  })
  .map(said);
const built = fc
  .record({
    ...base("thread"),
    do: fc.constant("wind" as const),
    ...zone,
    rule: fc.constant({ touching: true }),
    fill: pair,
  })
  .map(said);
const hackle = fc
  .record({
    ...base("hackle"),
    do: fc.constant("wind" as const),
    ...zone,
    rule: figure(0.5, 9).map((turns) => ({ turns })),
    barb: optional(pair),
    roundPost: optional(fc.constant(true)),
    sweep: optional(fc.constantFrom("back" as const, "square" as const, "forward" as const)),
    face,
  })
  .map(said);
const dubbed = fc
  .oneof(
    fc.record({
      ...base("body"),
      do: fc.constant("dress" as const),
      ...zone,
      noodle: measure,
      taper: optional(fc.tuple(figure(0.1, 9), figure(0.1, 9))),
      thickness: optional(fc.constantFrom(...noodleThicknesses)),
      brushed: optional(fc.constant(true)),
    }),
    fc.record({
      ...base("body"),
      do: fc.constant("dress" as const),
      ...zone,
      fullness: pair,
      shape: optional(fc.constantFrom(...dubbedShapes)),
    }),
    fc.record({
      ...base("body"),
      do: fc.constant("dress" as const),
      ...zone,
      loopMm: figure(10, 200),
      loopLayers: optional(whole(6)),
      loopLoad: figure(0.05, 3),
    }),
    fc.record({ ...base("body"), do: fc.constant("dress" as const), ...zone, trace: fc.constant(true) }),
  )
  .map(said);

const as =
  (role: Role, form: MaterialForm) =>
  (step: object): SaidStep => ({ step: step as RecipeStep, role, form });
export const anyStep: fc.Arbitrary<SaidStep> = fc.oneof(
  laid.map(as("tail", "feather fibre")),
  wound.map(as("rib", "wire")),
  built.map(as("thread", "thread")),
  hackle.map(as("hackle", "hackle")),
  dubbed.map(as("body", "dubbing")),
);

/** A body of foam that is bound along the rear 70 % of the shank. */
export const boundFoam: RecipeStep & { do: "lay" } = {
  id: "foam",
  name: "body",
  component: "body",
  do: "lay",
  amount: { strands: 1, folded: false },
  from: { fraction: 0.3 },
  to: { landmark: "bend" },
  tieIn: { at: { landmark: "bend" }, wraps: 12 },
};
