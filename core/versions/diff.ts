import { sameContent, type Component, type Recipe, type RecipeStep } from "../recipe";
import { sayPlace, sayStep, sayWanted } from "../words";

/** One thing that differs between two versions, in words. */
export interface RecipeChange {
  where: string;
  before?: string;
  after?: string;
}

/**
 * What changed from one version of a recipe to the next, in the words of the bench.
 * @param nameOf material names by code
 * @returns one entry for each thing that differs; empty for the same recipe
 */
export function changesBetween(before: Recipe, after: Recipe, nameOf: (code: string) => string): RecipeChange[] {
  return [
    ...plainChanges(before, after),
    ...componentChanges(before, after, nameOf),
    ...stepChanges(before, after),
    ...listChanges(
      "colour variant",
      before.variants.map((v): Entry => [v.id, v.name, v.swaps]),
      after.variants.map((v): Entry => [v.id, v.name, v.swaps]),
    ),
    ...listChanges(
      "weight form",
      before.forms.map((f): Entry => [f.id, f.name, [f.omit, f.swaps, f.hookModel]]),
      after.forms.map((f): Entry => [f.id, f.name, [f.omit, f.swaps, f.hookModel]]),
    ),
  ];
}

function plainChanges(before: Recipe, after: Recipe): RecipeChange[] {
  const rows: [string, (r: Recipe) => string][] = [
    ["hook", (r) => r.hookModel || "not named"],
    ["said of the hook", (r) => sayWanted(r.hookWanted ?? {}).join(", ") || "nothing"],
    ["sizes", (r) => `${r.sizes.from} to ${r.sizes.to}`],
    ["shank tolerance", (r) => `${r.shankTolerance ?? 0} steps`],
    ["finish", finishWords],
    ["minutes a fly", (r) => String(r.minutesPerFly)],
    ["price a dozen", (r) => (r.pricePerDozenCents / 100).toFixed(2)],
    [
      "prices for sizes and colours",
      (r) =>
        (r.prices ?? [])
          .map((p) =>
            [
              ...(p.sizes ? [`${p.sizes.from} to ${p.sizes.to}`] : []),
              ...(p.variant === undefined ? [] : [p.variant]),
              (p.perDozenCents / 100).toFixed(2),
            ].join(" "),
          )
          .join("; ") || "none",
    ],
    ["minutes across the dozen", (r) => `× ${r.stepByStepFactor}`],
    ["skills", (r) => r.skills.join(", ") || "none"],
    [
      "density",
      (r) =>
        [r.density ?? "not said", ...(r.densityBand?.length ? [`may be ${r.densityBand.join(" or ")}`] : [])].join(
          ", ",
        ),
    ],
    ["kept bare", (r) => (r.bare ?? []).map((b) => `${sayPlace(b.from)} to ${sayPlace(b.to)}`).join("; ") || "nothing"],
    ["wraps at one place", (r) => (r.mostWraps === undefined ? "as many as it takes" : `${r.mostWraps} at most`)],
    ["staggered", (r) => (r.stagger ? `${r.stagger.steps.join(" > ")} by ${r.stagger.leastMm} mm` : "no")],
    ["not to be", (r) => (r.avoid ?? []).join("; ") || "nothing"],
    ["queries", (r) => (r.queries ?? []).map((q) => `${q.about}: ${q.question}`).join("; ") || "none"],
    ["parents", (r) => (r.parents ?? []).map((p) => `${p.pattern} (${p.changes})`).join("; ") || "none"],
    ["showing version", (r) => (r.sample ? "yes" : "no")],
  ];
  return rows.flatMap(([where, words]) =>
    words(before) === words(after) ? [] : [{ where, before: words(before), after: words(after) }],
  );
}

function finishWords(r: Recipe): string {
  if (r.finish.state !== "given") return r.finish.state === "none" ? "none, on purpose" : "not stated";
  return [r.finish, ...(r.finish.then ?? [])]
    .map((c) => `${c.coats} × ${c.component}, ${c.dryMinutes} min`)
    .join(", then ");
}

const componentWords = (c: Component, nameOf: (code: string) => string): string =>
  c.material.map((m) => `${m.sizes ? `${m.sizes.from}–${m.sizes.to}: ` : ""}${nameOf(m.value)}`).join(", ") ||
  "nothing yet";

function componentChanges(before: Recipe, after: Recipe, nameOf: (code: string) => string): RecipeChange[] {
  const was = new Map(before.components.map((c) => [c.id, c]));
  const is = new Map(after.components.map((c) => [c.id, c]));
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id): RecipeChange[] => {
    const [a, b] = [was.get(id), is.get(id)];
    if (a && b && sameContent(a, b)) return [];
    const where = `${(b ?? a)?.role ?? id}, material`;
    const [before, after] = [a && componentWords(a, nameOf), b && componentWords(b, nameOf)];
    return [
      before === after && a && b
        ? { where: `${b.role}, how it may be replaced or left out`, before: besides(a), after: besides(b) }
        : { where, before, after },
    ];
  });
}

const besides = (c: Component): string =>
  [
    c.optional ? "may be left out" : "",
    c.priceCents ? `adds ${(c.priceCents / 100).toFixed(2)}` : "",
    c.anyOf ? `any ${c.anyOf.form}${c.anyOf.shades ? ` in ${c.anyOf.shades.join(", ")}` : ""}` : "",
    c.area ? `from the ${c.area}` : "",
    c.doubt ? `in doubt: ${c.doubt}` : "",
    (c.alternates ?? []).length > 0 ? `or ${(c.alternates ?? []).map((a) => a.material).join(", ")}` : "",
    c.asStated ? `“${c.asStated}”` : "",
    c.bought ? "may be bought" : "",
  ]
    .filter(Boolean)
    .join("; ") || "always";

function stepChanges(before: Recipe, after: Recipe): RecipeChange[] {
  const was = new Map(before.steps.map((s) => [s.id, s]));
  const is = new Map(after.steps.map((s) => [s.id, s]));
  const changes = [...new Set([...was.keys(), ...is.keys()])].flatMap((id): RecipeChange[] => {
    const [a, b] = [was.get(id), is.get(id)];
    if (a && b && sameContent(a, b)) return [];
    const where = `step “${(b ?? a)?.name ?? id}”`;
    if (!a || !b) return [{ where, before: a && sayStep(a), after: b && sayStep(b) }];
    const [x, y] = [sayStep(a), sayStep(b)];
    return x === y
      ? [{ where: `${where}, notes`, before: notes(a, b), after: notes(b, a) }]
      : [{ where, before: x, after: y }];
  });
  const common = (list: RecipeStep[]) => list.filter((s) => was.has(s.id) && is.has(s.id)).map((s) => s.id);
  if (!sameContent(common(before.steps), common(after.steps)))
    changes.push({
      where: "order of the steps",
      before: before.steps.map((s) => s.name).join(", "),
      after: after.steps.map((s) => s.name).join(", "),
    });
  return changes;
}

/** What one step says that the other says otherwise, beside its quantities. */
function notes(step: RecipeStep, other: RecipeStep): string {
  const others = new Map<string, unknown>(Object.entries(other));
  const rest = Object.entries(step).filter(([k, v]) => !sameContent(v, others.get(k)));
  return rest.map(([k, v]) => `${k}: ${typeof v === "string" ? v : JSON.stringify(v)}`).join("; ") || "as before";
}

/** An entry of a list: its id, its name, and everything else of it. */
type Entry = [id: string, name: string, rest: unknown];

function listChanges(what: string, before: Entry[], after: Entry[]): RecipeChange[] {
  const was = new Map(before.map((x) => [x[0], x]));
  const is = new Map(after.map((x) => [x[0], x]));
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id): RecipeChange[] => {
    const [a, b] = [was.get(id), is.get(id)];
    if (sameContent(a, b)) return [];
    return [{ where: what, before: a?.[1], after: b && a && a[1] === b[1] ? `${b[1]}, with other parts` : b?.[1] }];
  });
}
