import { DomainError } from "@kasten/core/errors";
import { composeFly } from "@kasten/core/fly";
import { nearHooks, notMade, sizeWithin } from "@kasten/core/hooks";
import { destinationConflicts } from "@kasten/core/orders";
import {
  allowedFor,
  codeOf,
  hookOf,
  isPlain,
  materialsOf,
  notPromised,
  type FlyChoice,
  type Recipe,
} from "@kasten/core/recipe";
import { destinationSentence, notPromisedWords, sentenceOf } from "@kasten/core/sentences";
import type { Customer } from "@kasten/contract/customers";
import type { BodyOf } from "@kasten/contract/http";
import type { addOrder } from "@kasten/contract/orders";
import { readCustomers } from "../customers";
import type { Db } from "../database/rows";
import { fieldProblem, Problem } from "../http/problems";
import { readWorld, type World } from "../world";

export type OrderInput = BodyOf<typeof addOrder>;
export type LineInput = OrderInput["lines"][number];

export const orderField = (path: string, detail: string): Problem =>
  fieldProblem("Something is not right in the order", path, detail);

/** What is wrong with a line, by the field that it is wrong in; undefined for a fly that can be tied. */
function faultOf(world: World, line: LineInput): [field: keyof LineInput, detail: string] | undefined {
  const pattern = world.patterns.get(line.pattern);
  if (!pattern) return ["pattern", "That pattern is not in the book."];
  const { name, recipe } = pattern;
  if (pattern.missing.length > 0) return ["pattern", `${name} cannot be promised yet: ${pattern.missing[0] ?? ""}.`];
  const [unsure] = notPromised(recipe, line, world.materials);
  if (unsure) return ["pattern", `${name} cannot be promised: ${notPromisedWords(unsure)}.`];
  if (!sizeWithin(line.size, recipe.sizes))
    return ["size", `${name} is tied in sizes ${recipe.sizes.from} to ${recipe.sizes.to}.`];
  const hook = world.hooks.get(hookOf(recipe, line));
  const sizeFault = hook && notMade(hook, line.size);
  if (sizeFault) return ["size", sentenceOf(sizeFault)];
  if (!recipe.variants.some((v) => v.id === line.variant)) return ["variant", `${name} has no such colour.`];
  if (!recipe.forms.some((f) => f.id === line.form)) return ["form", `${name} has no such weight form.`];
  const asked = faultInAsked(world, line, recipe);
  return asked === undefined ? undefined : ["asked", asked];
}

/** Why a line's choice cannot be tied, or is not the pattern's to give; undefined for the pattern's own fly. */
function faultInAsked(world: World, line: LineInput, recipe: Recipe): string | undefined {
  const asked = line.asked ?? {};
  if (isPlain(asked)) return undefined;
  const choice = { size: line.size, variant: line.variant, form: line.form };
  const stranger = Object.entries(asked.use ?? {}).find(([id, code]) => !mayTake(world, recipe, choice, id, code));
  if (stranger) return `“${stranger[1]}” may not stand in for the ${stranger[0]} of this pattern. Name it there first.`;
  const unknown = (asked.leave ?? []).find((id) => !recipe.components.some((c) => c.id === id));
  if (unknown !== undefined) return `The pattern has no part “${unknown}”.`;
  const model = world.hooks.get(hookOf(recipe, { ...choice, ...asked }));
  if (!model) return "That hook is not known here.";
  try {
    composeFly(recipe, { ...choice, ...asked }, model, world.materials);
    return undefined;
  } catch (error) {
    if (error instanceof DomainError) return sentenceOf(error);
    throw error;
  }
}

/** Whether the pattern lets a material, or a near hook, stand in for a part. */
function mayTake(world: World, recipe: Recipe, choice: FlyChoice, id: string, code: string): boolean {
  const component = recipe.components.find((c) => c.id === id);
  if (!component) return false;
  if (component.role === "hook") {
    const own = world.hooks.get(hookOf(recipe, { form: choice.form }));
    return (
      own !== undefined &&
      nearHooks(own, choice.size, world.hooks.values(), recipe.shankTolerance ?? 0).some((h) => h.id === code)
    );
  }
  const now = world.materials.get(codeOf(recipe, choice, component) ?? "");
  return (
    now !== undefined &&
    (now.code === code || allowedFor(component, now, world.materials).some((a) => a.material === code))
  );
}

/** What the customer's destination forbids in these lines. */
function conflictsOf(world: World, customer: Customer, lines: LineInput[]): string[] {
  return lines.flatMap((line) => {
    const pattern = world.patterns.get(line.pattern);
    if (!pattern) return [];
    const found = destinationConflicts(customer.destination, {
      label: `${pattern.name} ${line.size}`,
      barbless: world.hooks.get(hookOf(pattern.recipe, { ...line, ...line.asked }))?.barbless ?? false,
      materials: materialsOf(pattern.recipe, { ...line, ...line.asked }, world.materials),
    });
    return found.map(destinationSentence);
  });
}

/**
 * An order that can be saved: a known customer, flies that can be tied, nothing that the destination forbids unless
 * somebody has read it and says why.
 * @returns also what the destination forbids of it, which was let pass
 */
export async function checked(
  db: Db,
  input: OrderInput,
): Promise<{ world: World; customer: Customer; letPass: string[] }> {
  const world = await readWorld(db);
  const customer = (await readCustomers(db)).find((c) => c.id === input.customer);
  if (!customer) throw orderField("customer", "That customer is not known. Choose one, or add a new one first.");
  input.lines.forEach((line, i) => {
    const fault = faultOf(world, line);
    if (fault) throw orderField(`lines.${i}.${fault[0]}`, fault[1]);
  });
  const conflicts = [...new Set(conflictsOf(world, customer, input.lines))];
  if (conflicts.length > 0 && !input.exception)
    throw new Problem(
      "destination-forbids",
      "The destination forbids something",
      `${conflicts.join(" ")} Change the line, or say why it is sent all the same.`,
    );
  return { world, customer, letPass: conflicts };
}
