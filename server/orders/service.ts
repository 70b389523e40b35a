import { normalSize } from "@kasten/core/hooks";
import { dozensText } from "@kasten/core/orders";
import { askedKey, breakAt, linePrice, plainAsked } from "@kasten/core/recipe";
import type { Customer } from "@kasten/contract/customers";
import type { Order } from "@kasten/contract/orders";
import type { Exception } from "@kasten/contract/http";
import type { Sku } from "@kasten/core/batches";
import { lockFlies, makeUp } from "../batches";
import { insert, isoInstant, locked, update, type Db } from "../database/rows";
import { notFound, refused, type Problem } from "../http/problems";
import { stale } from "../http/versions";
import { logEvent } from "../log";
import { todayIn } from "../settings";
import { nameOf } from "../team";
import type { World } from "../world";
import { checked, orderField, type LineInput, type OrderInput } from "./check";
import { orderEntity, orderLineEntity, type OrderLineRow } from "./entities";
import { orderById } from "./queries";
import { takeUp } from "./standing";

type Who = { id: string };

/** A line as its row has it. */
const lineRow = (line: LineInput, position: number): Partial<OrderLineRow> => ({
  position,
  patternId: line.pattern,
  variant: line.variant,
  form: line.form,
  size: normalSize(line.size),
  flies: line.flies,
  policy: line.policy ?? null,
  due: line.due ?? null,
  wishes: line.wishes ?? "",
  asked: plainAsked(line.asked ?? {}),
});

/** What prices of an order depend on: the room's, the customer's, and all its lines. */
interface Pricing {
  world: World;
  customer: Customer;
  lines: LineInput[];
  due: string;
}

async function insertLine(db: Db, pricing: Pricing, orderId: string, position: number, line: LineInput): Promise<void> {
  await insert(db, orderLineEntity, {
    orderId,
    ...lineRow(line, position),
    pricePerDozenCents: priceOfLine(pricing, line),
    promisedFor: line.due ?? pricing.due,
    promisedOdds: line.odds ?? null,
  });
}

/** What a dozen costs as it is asked, by size and colour, with the order's break and the customer's per cent. */
function priceOfLine({ world, customer, lines }: Pricing, line: LineInput): number {
  const recipe = world.patterns.get(line.pattern)?.recipe;
  if (!recipe) return 0;
  const flies = lines.filter((l) => l.pattern === line.pattern).reduce((sum, l) => sum + l.flies, 0);
  const { size, variant, asked } = line;
  const terms = { flies, breaks: world.settings.breaks, discount: customer.discount };
  return linePrice(recipe, { size, variant, leave: asked?.leave }, terms).perDozenCents;
}

const summary = (world: World, lines: LineInput[]): string =>
  lines.map((l) => `${dozensText(l.flies)} ${world.patterns.get(l.pattern)?.name ?? l.pattern} ${l.size}`).join(", ");

/** The order as it is after a change. */
async function now(db: Db, id: string): Promise<Order> {
  const order = await orderById(db, id);
  if (!order) throw notFound("order");
  return order;
}

/** @throws Problem invalid, at its field, for a day that has passed */
function guardDay(field: string, day: string, today: string): void {
  if (day < today) throw orderField(field, `${day} has passed. Give a day from ${today} on.`);
}

export async function saveOrder(db: Db, person: Who, input: OrderInput, at: Date = new Date()): Promise<Order> {
  const { world, customer, letPass } = await checked(db, input);
  const today = todayIn(world.settings.timeZone, at);
  guardDay("due", input.due, today);
  input.lines.forEach((l, i) => l.due !== undefined && guardDay(`lines.${i}.due`, l.due, today));
  const { due, dueReason = null, note, text } = input;
  const created = { createdBy: person.id, createdAt: at };
  const exception = await exceptionFor(db, person, letPass, input, at);
  const row = { customerId: customer.id, due, dueReason, note, text, exception, ...created };
  const made = await insert(db, orderEntity, row);
  const pricing = { world, customer, lines: input.lines, due };
  for (const [i, line] of input.lines.entries()) await insertLine(db, pricing, made.id, i, line);
  const told = `Wrote order ${made.number} for ${customer.name}: ${summary(world, input.lines)}, due ${due}`;
  await logEvent(db, person, "order", made.id, "written", told + passedWords(exception), at);
  if (input.standing !== undefined) await takeUp(db, person, input.standing, made);
  await makeUp(db, input.lines.map(skuOf));
  return now(db, made.id);
}

/** What was let pass, by whom and why; nothing where nothing had to be. */
async function exceptionFor(
  db: Db,
  person: Who,
  rules: string[],
  { exception }: OrderInput,
  at: Date,
): Promise<Exception | null> {
  if (rules.length === 0 || !exception) return null;
  return { rules, reason: exception.reason, by: await nameOf(db, person.id), at: isoInstant(at) };
}

const passedWords = (exception: Exception | null): string =>
  exception ? `. Let pass: ${exception.rules.join(" ")} Reason: ${exception.reason}` : "";

const skuOf = ({ pattern, variant, form, size }: Sku): Sku => ({ pattern, variant, form, size: normalSize(size) });

/**
 * The order, locked, in the version that the person saw; and with it the kinds of its flies, those that it had and
 * those that it will have: nobody boxes or finishes any of them meanwhile.
 */
async function lockedOrder(
  db: Db,
  id: string,
  lines: LineInput[],
  isStale: (before: Order) => Problem | undefined,
): Promise<Order> {
  await locked(db, orderEntity, { id });
  const seen = await orderById(db, id);
  if (!seen) throw notFound("order");
  await lockFlies(db, [...seen.lines, ...lines].map(skuOf));
  const before = await orderById(db, id);
  if (!before) throw notFound("order");
  if (before.closedAt) throw refused("This order is closed. Write a new one.");
  const problem = isStale(before);
  if (problem) throw problem;
  return before;
}

export async function changeOrder(
  db: Db,
  person: Who,
  id: string,
  input: OrderInput & { version: number },
): Promise<Order> {
  const { world, customer: known, letPass } = await checked(db, input);
  const before = await lockedOrder(db, id, input.lines, (o) =>
    o.version === input.version ? undefined : staleOrder(o, input),
  );
  await writeLines(db, { world, customer: known, lines: input.lines, due: input.due }, before);
  const { customer: customerId, due, dueReason = null, note, text, version } = input;
  const exception = await exceptionFor(db, person, letPass, input, new Date());
  await update(db, orderEntity, { id, version }, { customerId, due, dueReason, note, text, exception });
  const told = `Changed order ${before.number}: ${summary(world, input.lines)}, due ${due}`;
  await logEvent(db, person, "order", id, "changed", told + passedWords(exception));
  await makeUp(db, [...before.lines, ...input.lines].map(skuOf));
  return now(db, id);
}

/** What the other person's version says, against what was sent. */
function staleOrder(before: Order, input: OrderInput): Problem {
  const text = (lines: { flies: number; pattern: string; size: string; variant: string }[]) =>
    lines.map((l) => `${dozensText(l.flies)} ${l.pattern} ${l.size} ${l.variant}`).join("; ");
  const [theirs, yours] = [
    { ...before, lines: text(before.lines) },
    { ...input, lines: text(input.lines) },
  ];
  return stale(before.version, theirs, yours, ["customer", "due", "note", "lines"]);
}

const cancelLine = (db: Db, id: string) => update(db, orderLineEntity, { id }, { cancelled: true });

async function writeLines(db: Db, pricing: Pricing, before: Order): Promise<void> {
  const { lines } = pricing;
  for (const was of before.lines) {
    const at = lines.findIndex((l) => l.id === was.id);
    const line = lines[at];
    guardBoxed(was, line);
    const begun = was.boxed + was.ready > 0 || was.inBatches > 0;
    if (!line) await cancelLine(db, was.id);
    else if (!(isSameFly(was, line) && isAskedAlike(was, line)) && begun) {
      await cancelLine(db, was.id);
      await insertLine(db, pricing, before.id, at, line);
    } else
      await update(
        db,
        orderLineEntity,
        { id: was.id },
        { ...lineRow(line, at), ...repriced(pricing, before, was, line) },
      );
  }
  for (const [i, line] of lines.entries())
    if (!line.id || !before.lines.some((l) => l.id === line.id)) await insertLine(db, pricing, before.id, i, line);
}

const isSameFly = (a: Order["lines"][number], b: LineInput): boolean =>
  a.pattern === b.pattern && a.size === b.size && a.variant === b.variant && a.form === b.form;

/** The line asks the same as before, so that what is tied for it may stay. */
const isAskedAlike = (a: Order["lines"][number], b: LineInput): boolean =>
  askedKey(a.asked) === askedKey(b.asked ?? {});

/** A price that was agreed stays as long as the same fly is asked, and the order reaches the same break. */
function repriced(
  pricing: Pricing,
  before: Order,
  was: Order["lines"][number],
  line: LineInput,
): Partial<OrderLineRow> {
  const fliesOf = (lines: { pattern: string; flies: number }[]) =>
    lines.filter((l) => l.pattern === line.pattern).reduce((sum, l) => sum + l.flies, 0);
  const percentAt = (flies: number) => breakAt(flies, pricing.world.settings.breaks)?.percent ?? 0;
  const isSameBreak = percentAt(fliesOf(before.lines)) === percentAt(fliesOf(pricing.lines));
  const isAgreed = isSameFly(was, line) && isAskedAlike(was, line) && isSameBreak;
  return isAgreed ? {} : { pricePerDozenCents: priceOfLine(pricing, line) };
}

/** What is boxed already stays: the line may not shrink below it, become another fly, or go. */
function guardBoxed(was: Order["lines"][number], line: LineInput | undefined): void {
  if (was.boxed === 0) return;
  if (!line || !isSameFly(was, line) || !isAskedAlike(was, line))
    throw refused(`${was.patternName} ${was.size} is partly boxed already. Keep the line, and add another.`);
  if (line.flies < was.boxed)
    throw refused(
      `${was.boxed} flies of ${was.patternName} ${was.size} are boxed already; the line cannot be smaller.`,
    );
}

export async function cancelRest(db: Db, person: Who, id: string, version: number): Promise<void> {
  const before = await lockedOrder(db, id, [], (o) =>
    o.version === version ? undefined : stale(o.version, o, { version }, ["due"]),
  );
  for (const l of before.lines) {
    if (l.boxed === 0) await cancelLine(db, l.id);
    else await update(db, orderLineEntity, { id: l.id }, { flies: l.boxed });
  }
  await logEvent(db, person, "order", id, "cancelled", `Cancelled what was not boxed of order ${before.number}`);
  await makeUp(db, before.lines.map(skuOf));
  await update(db, orderEntity, { id, version }, { closedAt: new Date() });
}
