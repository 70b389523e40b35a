import type { Doubt, ReadLine, ReadOrder, Understood } from "./types";

/** A day as it was found in the text. */
export interface SaidDay {
  day: string;
  reason?: string;
  at: [number, number];
  words: string;
}

/** A statement of the text, with the lines that it made. */
export interface Statement {
  at: [number, number];
  /** Indices of the first of its lines, and of the one past its last. */
  lines: [number, number];
}

/**
 * For what each day was said: one day is that of the whole order; of several, those that stand with flies are theirs,
 * and what stands alone holds for the others.
 *
 * @param said in any order @param statements those that made lines
 * @returns what is understood, and what contradicts; sets `due` of the order and of its lines
 */
export function settleDays(
  order: ReadOrder,
  said: readonly SaidDay[],
  statements: readonly Statement[],
): { understood: Understood[]; doubts: Doubt[] } {
  const days = [...said].sort((a, b) => a.at[0] - b.at[0]);
  const understood = days.map((d): Understood => ({
    field: "due",
    at: d.at,
    label: d.reason === undefined ? d.day : `${d.reason}, ${d.day}`,
  }));
  if (new Set(days.map((d) => d.day)).size <= 1) {
    const [first] = days;
    const named = days.find((d) => d.reason !== undefined);
    if (first) order.due = first.day;
    if (named) order.dueReason = named.reason;
    return { understood, doubts: [] };
  }
  const doubts = ofSeveral(order, days, statements);
  const asked = new Set(doubts.map((d) => d.at[0]));
  return { understood: understood.filter((u) => !asked.has(u.at[0])), doubts };
}

function ofSeveral(order: ReadOrder, days: SaidDay[], statements: readonly Statement[]): Doubt[] {
  const doubts: Doubt[] = [];
  const another = (d: SaidDay, before: string): number =>
    doubts.push({
      field: "due",
      code: "ANOTHER_DAY",
      details: { words: d.words, day: before },
      at: d.at,
      candidates: [],
    });
  for (const d of days) {
    const lines = linesOfDay(d, days, order.lines, statements);
    const taken = lines?.find((l) => l.due !== undefined && l.due !== d.day)?.due;
    if (lines === undefined) {
      if (order.due !== undefined && order.due !== d.day) another(d, order.due);
      else Object.assign(order, { due: d.day, ...(d.reason !== undefined && { dueReason: d.reason }) });
    } else if (taken !== undefined || lines.length === 0) another(d, taken ?? days[0]?.day ?? "");
    else for (const l of lines) l.due = d.day;
  }
  settleOrder(order);
  return doubts;
}

/**
 * Where every line has a day of its own, the order is due with the first of them; a line of the order's day needs none.
 */
function settleOrder(order: ReadOrder): void {
  if (order.due === undefined && order.lines.every((l) => l.due !== undefined))
    order.due = order.lines.flatMap((l) => l.due ?? []).sort()[0];
  for (const l of order.lines) if (l.due === order.due) delete l.due;
}

/**
 * The lines that a day stands with: within its statement those after the day before it, or, where the statement begins
 * with a day, those up to the next. Undefined for a day that stands alone.
 */
function linesOfDay(
  day: SaidDay,
  days: readonly SaidDay[],
  lines: readonly ReadLine[],
  statements: readonly Statement[],
): ReadLine[] | undefined {
  const within = statements.find((s) => s.at[0] <= day.at[0] && day.at[1] <= s.at[1] && s.lines[1] > s.lines[0]);
  if (!within) return undefined;
  const own = lines.slice(...within.lines);
  const others = days.filter((d) => within.at[0] <= d.at[0] && d.at[1] <= within.at[1]);
  const i = others.indexOf(day);
  const leads = (others[0]?.at[0] ?? 0) < Math.min(...own.map(beginOf));
  const [from, to] = leads
    ? [day.at[0], others[i + 1]?.at[0] ?? Infinity]
    : [others[i - 1]?.at[0] ?? -Infinity, day.at[0]];
  return own.filter((l) => beginOf(l) >= from && beginOf(l) < to);
}

/** Where the words of a line begin: at its number, else at its name; of several sizes with the first. */
function beginOf(line: ReadLine): number {
  const named = line.understood.filter((u) => u.field === "quantity" || u.field === "pattern").map((u) => u.at[0]);
  return named.length > 0 ? Math.min(...named) : line.at[0];
}
