import { destinationConflicts, dozensText } from "@kasten/core/orders";
import { normalSize, sizeWithin } from "@kasten/core/hooks";
import { hookOf, materialsOf, notPromised } from "@kasten/core/patterns";
import type { BodyOf } from "@kasten/contract/http";
import type { addOrder, Order } from "@kasten/contract/orders";
import type { Customer } from "@kasten/contract/patterns";
import type { EntityManager } from "typeorm";
import { makeUp } from "../batches";
import { row } from "../database/source";
import { logEvent } from "../http/log";
import { notFound, Problem, refused } from "../http/problems";
import { stale } from "../http/versions";
import { readCustomers, readWorld, todayIn, type World } from "../patterns";
import { orderById } from "./read";

type OrderInput = BodyOf<typeof addOrder>;
type LineInput = OrderInput["lines"][number];

const fieldProblem = (path: string, detail: string) =>
  new Problem(422, "invalid", "Something is not right in the order", detail, { errors: [{ path, detail }] });

/** Every line names a fly that can be tied; the first that does not is told by its path. */
function checkLines(world: World, lines: LineInput[]): void {
  lines.forEach((line, i) => {
    const pattern = world.patterns.get(line.pattern);
    if (!pattern) throw fieldProblem(`lines.${i}.pattern`, "That pattern is not in the book.");
    if (pattern.missing.length > 0)
      throw fieldProblem(`lines.${i}.pattern`, `${pattern.name} cannot be promised yet: ${pattern.missing[0] ?? ""}.`);
    const [unsure] = notPromised(pattern.recipe, line, world.materials);
    if (unsure) throw fieldProblem(`lines.${i}.pattern`, `${pattern.name} cannot be promised: ${unsure}.`);
    if (!sizeWithin(line.size, pattern.recipe.sizes))
      throw fieldProblem(
        `lines.${i}.size`,
        `${pattern.name} is tied in sizes ${pattern.recipe.sizes.from} to ${pattern.recipe.sizes.to}.`,
      );
    if (!pattern.recipe.variants.some((v) => v.id === line.variant))
      throw fieldProblem(`lines.${i}.variant`, `${pattern.name} has no such colour.`);
    if (!pattern.recipe.forms.some((f) => f.id === line.form))
      throw fieldProblem(`lines.${i}.form`, `${pattern.name} has no such weight form.`);
  });
}

/** What the customer's destination forbids in these lines. */
export function conflictsOf(world: World, customer: Customer, lines: LineInput[]): string[] {
  return lines.flatMap((line) => {
    const pattern = world.patterns.get(line.pattern);
    if (!pattern) return [];
    const { recipe } = pattern;
    const hook = world.hooks.get(hookOf(recipe, line));
    return destinationConflicts(customer.destination, {
      label: `${pattern.name} ${line.size}`,
      barbless: hook?.barbless ?? false,
      materials: materialsOf(recipe, line, world.materials),
    });
  });
}

async function checked(db: EntityManager, input: OrderInput): Promise<{ world: World; customer: Customer }> {
  const world = await readWorld(db);
  const customer = (await readCustomers(db)).find((c) => c.id === input.customer);
  if (!customer) throw fieldProblem("customer", "That customer is not known. Choose one, or add a new one first.");
  checkLines(world, input.lines);
  const conflicts = conflictsOf(world, customer, input.lines);
  if (conflicts.length > 0 && !input.acceptsConflicts)
    throw new Problem(
      422,
      "destination-forbids",
      "The destination forbids something",
      `${conflicts.join(" ")} Change the line, or save it knowing this.`,
    );
  return { world, customer };
}

const priceOf = (world: World, line: LineInput): number =>
  world.patterns.get(line.pattern)?.recipe.pricePerDozenCents ?? 0;

async function insertLine(
  db: EntityManager,
  world: World,
  order: string,
  position: number,
  line: LineInput,
): Promise<void> {
  await db.query(
    "INSERT INTO order_line (order_id, position, pattern_id, variant, form, size, flies, policy, price_per_dozen_cents) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)",
    [
      order,
      position,
      line.pattern,
      line.variant,
      line.form,
      normalSize(line.size),
      line.flies,
      line.policy ?? null,
      priceOf(world, line),
    ],
  );
}

const summary = (world: World, lines: LineInput[]): string =>
  lines.map((l) => `${dozensText(l.flies)} ${world.patterns.get(l.pattern)?.name ?? l.pattern} ${l.size}`).join(", ");

export async function saveOrder(
  db: EntityManager,
  person: { id: string },
  input: OrderInput,
  at: Date = new Date(),
): Promise<Order> {
  const { world, customer } = await checked(db, input);
  const today = todayIn(world.settings.timeZone, at);
  if (input.due < today) throw fieldProblem("due", `${input.due} has passed. Give a day from ${today} on.`);
  const made = await row<{ id: string; number: number }>(
    db,
    "INSERT INTO customer_order (customer_id, due, due_reason, note, text, created_by, created_at) VALUES ($1, $2, $3, $4, $5, $6, $7) RETURNING id, number",
    [input.customer, input.due, input.dueReason ?? null, input.note, input.text, person.id, at],
  );
  if (!made) throw new Error("order was not inserted");
  for (const [i, line] of input.lines.entries()) await insertLine(db, world, made.id, i, line);
  await logEvent(
    db,
    person,
    "order",
    made.id,
    "written",
    `Wrote order ${made.number} for ${customer.name}: ${summary(world, input.lines)}, due ${input.due}`,
    at,
  );
  await makeUp(db);
  return (await orderById(db, made.id)) as Order;
}

export async function changeOrder(
  db: EntityManager,
  person: { id: string },
  id: string,
  input: OrderInput & { version: number },
): Promise<Order> {
  await db.query("SELECT 1 FROM customer_order WHERE id = $1 FOR UPDATE", [id]);
  const before = await orderById(db, id);
  if (!before) throw notFound("order");
  if (before.closedAt) throw refused("This order is closed. Write a new one.");
  if (before.version !== input.version) throw staleOrder(before, input);
  const { world } = await checked(db, input);
  await writeLines(db, world, before, input.lines);
  await db.query(
    "UPDATE customer_order SET customer_id = $2, due = $3, due_reason = $4, note = $5, text = $6, version = version + 1 WHERE id = $1",
    [id, input.customer, input.due, input.dueReason ?? null, input.note, input.text],
  );
  await logEvent(
    db,
    person,
    "order",
    id,
    "changed",
    `Changed order ${before.number}: ${summary(world, input.lines)}, due ${input.due}`,
  );
  await makeUp(db);
  return (await orderById(db, id)) as Order;
}

/** What the other person's version says, against what was sent. */
function staleOrder(before: Order, input: OrderInput): Problem {
  const text = (lines: { flies: number; pattern: string; size: string; variant: string }[]) =>
    lines.map((l) => `${dozensText(l.flies)} ${l.pattern} ${l.size} ${l.variant}`).join("; ");
  return stale(before.version, { ...before, lines: text(before.lines) }, { ...input, lines: text(input.lines) }, [
    "customer",
    "due",
    "note",
    "lines",
  ]);
}

async function writeLines(db: EntityManager, world: World, before: Order, lines: LineInput[]): Promise<void> {
  for (const was of before.lines) {
    const now = lines.find((l) => l.id === was.id);
    const begun = was.boxed + was.ready > 0 || was.inBatches > 0;
    const sameFly =
      now?.pattern === was.pattern && now.size === was.size && now.variant === was.variant && now.form === was.form;
    if (now && now.flies < was.boxed)
      throw refused(
        `${was.boxed} flies of ${was.patternName} ${was.size} are boxed already; the line cannot be smaller.`,
      );
    if ((!now || !sameFly) && was.boxed > 0)
      throw refused(`${was.patternName} ${was.size} is partly boxed already. Keep the line, and add another.`);
    if (!now) await db.query("UPDATE order_line SET cancelled = true WHERE id = $1", [was.id]);
    else if (!sameFly && begun) {
      await db.query("UPDATE order_line SET cancelled = true WHERE id = $1", [was.id]);
      await insertLine(db, world, before.id, lines.indexOf(now), now);
    } else
      await db.query(
        "UPDATE order_line SET position = $2, pattern_id = $3, variant = $4, form = $5, size = $6, flies = $7, policy = $8 WHERE id = $1",
        [
          was.id,
          lines.indexOf(now),
          now.pattern,
          now.variant,
          now.form,
          normalSize(now.size),
          now.flies,
          now.policy ?? null,
        ],
      );
  }
  for (const [i, line] of lines.entries())
    if (!line.id || !before.lines.some((l) => l.id === line.id)) await insertLine(db, world, before.id, i, line);
}

export async function cancelRest(
  db: EntityManager,
  person: { id: string },
  id: string,
  version: number,
): Promise<void> {
  const before = await orderById(db, id);
  if (!before) throw notFound("order");
  if (before.version !== version) throw stale(before.version, before, { version }, ["due"]);
  for (const l of before.lines) {
    if (l.boxed === 0) await db.query("UPDATE order_line SET cancelled = true WHERE id = $1", [l.id]);
    else await db.query("UPDATE order_line SET flies = $2 WHERE id = $1", [l.id, l.boxed]);
  }
  await logEvent(db, person, "order", id, "cancelled", `Cancelled what was not boxed of order ${before.number}`);
  await makeUp(db);
  await db.query("UPDATE customer_order SET version = version + 1, closed_at = now() WHERE id = $1", [id]);
}
