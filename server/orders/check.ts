import { notMade, sizeWithin } from "@kasten/core/hooks";
import { destinationConflicts } from "@kasten/core/orders";
import { hookOf, materialsOf, notPromised } from "@kasten/core/recipe";
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
  return undefined;
}

/** What the customer's destination forbids in these lines. */
function conflictsOf(world: World, customer: Customer, lines: LineInput[]): string[] {
  return lines.flatMap((line) => {
    const pattern = world.patterns.get(line.pattern);
    if (!pattern) return [];
    const found = destinationConflicts(customer.destination, {
      label: `${pattern.name} ${line.size}`,
      barbless: world.hooks.get(hookOf(pattern.recipe, line))?.barbless ?? false,
      materials: materialsOf(pattern.recipe, line, world.materials),
    });
    return found.map(destinationSentence);
  });
}

/**
 * An order that can be saved: a known customer, flies that can be tied, nothing that the destination forbids unless
 * somebody has read it.
 */
export async function checked(db: Db, input: OrderInput): Promise<{ world: World; customer: Customer }> {
  const world = await readWorld(db);
  const customer = (await readCustomers(db)).find((c) => c.id === input.customer);
  if (!customer) throw orderField("customer", "That customer is not known. Choose one, or add a new one first.");
  input.lines.forEach((line, i) => {
    const fault = faultOf(world, line);
    if (fault) throw orderField(`lines.${i}.${fault[0]}`, fault[1]);
  });
  const conflicts = conflictsOf(world, customer, input.lines);
  if (conflicts.length > 0 && !input.acceptsConflicts)
    throw new Problem(
      "destination-forbids",
      "The destination forbids something",
      `${conflicts.join(" ")} Change the line, or save it knowing this.`,
    );
  return { world, customer };
}
