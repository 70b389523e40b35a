import { newMaterial, type Material, type MaterialForm } from "../materials";
import { MM_PER_INCH } from "../units";
import type { Bench } from "./bench";
import type { LineMark, Reading, RecipeLine } from "./reading";
import { remembered } from "./remembered";
import { NUMBER_WORD, readNumber } from "./text/number";
import { askUnheld, isOwnWords, takesBack, stepsNear } from "./unheld";

/**
 * A figure that was read as a word of something, and that nothing of it holds in the end: it is asked about. Two
 * clauses that meet, a part that is told of twice, a way of winding that has no use for it: wherever a figure is lost,
 * the person hears of it.
 *
 * Only whole figures are looked for, and they count as held where any step of the line's parts, or anything that the
 * recipe says of hook, finish and materials, has them in any unit or share of it: it is better to miss one than to ask
 * about what is there.
 */
export function askLostFigures({ bench, out }: Pick<Reading, "bench" | "out">): void {
  // What waits and is never wound is told of as such; how long it was cut is with it.
  const waiting = bench.waiting.flatMap((w) => (w.used || w.hangs || w.form === "stretch body" ? [] : [w.said]));
  const everywhere = figuresIn([materialsOf(bench), bench.finish, waiting]);
  const sizes = figuresIn(bench.facts.sizes);
  for (const line of out) {
    // Where something else is asked, its answer may take the figure up; what the program has said itself is held.
    if (line.kind !== "steps" || line.asks.length > 0 || isOwnWords(line)) continue;
    const said = figuresSaid(line);
    if (said.length === 0) continue;
    const held = new Set([...figuresIn(stepsNear(line, bench)), ...everywhere]);
    // Dubbing is dosed by how full it is, not by its turns.
    const isDubbed = bench.made.some((m) => m.step.do === "dress" && line.steps.includes(m.step.id));
    for (const s of said) {
      // A hook's size is no length.
      if (sizes.has(s.n) && !/^\s*(?:mm|cm)\b/.test(line.text.slice(s.end))) continue;
      if (isCommon(s) || (isDubbed && ofTurns.test(line.text.slice(s.end)))) continue;
      if (!isHeld(s, said, held)) askUnheld(line, s.at, s.end, s.mark);
    }
  }
}

const ofTurns = /^\s+(?:[a-z]+\s+)?(?:turns?|wraps?)\b/i;

interface SaidFigure {
  at: number;
  end: number;
  n: number;
  unit: string;
  /** “The first turn behind the tail, then 4 more”: they are five. */
  isMore: boolean;
  mark: LineMark;
}

const figure = new RegExp(
  `(?<![\\p{L}\\d.,/#°-])(?:(\\d+(?:[.,]\\d+)?)(?![\\d/°]|[.,]\\d|'?s\\b|\\s*(?:deg|st\\b|nd\\b|rd\\b|th\\b))|(${NUMBER_WORD})(?![\\p{L}-]))(?:\\s*(%|per\\s?cent|cm|centi|in\\b|inch|"|thou))?`,
  "giu",
);
/** What counts lines, sizes, eights and points is no amount; of “three quarters” and “3½” the figure is another. */
const ofNothing =
  /^\s*(?:[-.)x:½¼¾⅓⅔]|\d\s*\/|and\s+an?\s+(?:half|quarter)\b|(?:figures?|eights?|halves|thirds?|quarters?|fifths?|sixths?|eighths?|tenths?)\b)|(?:figures?(?:[\s-]+of)?|(?:size|sizes|no|nr|step|wing|part|layer|way|way\s+no)\.?)\s*$|\d\/0\s*(?:or|,|\/|=|\()\s*$/iu;
/** A pair has two, and so has each side; nobody counts one. Of less than one it is told in shares and words. */
const FEWEST = 3;
const isCommon = ({ n }: SaidFigure): boolean => n < 1 || (Number.isInteger(n) && n < FEWEST);

const more = /^\s+(?:more|others)\b/i;

const figuresAt = remembered((text) => [...text.matchAll(figure)]);
/** The figures of a line that were understood. */
function figuresSaid({ text, marks }: RecipeLine): SaidFigure[] {
  const known = marks.filter((m) => m.kind === "known");
  // “Three fibres, no, make it four”: what is taken back nothing has to hold.
  const back = marks.filter((m) => m.kind !== "known" && takesBack.test(text.slice(m.at[0], m.at[1])));
  const lead = /^\s*\[?\d{1,2}(?::[0-5]\d)*\b/.exec(text)?.[0].length ?? 0;
  return figuresAt(text).flatMap((m) => {
    const at = m.index;
    const end = at + (m[1] ?? m[2] ?? "").length;
    const n = readNumber((m[1] ?? m[2] ?? "").toLowerCase());
    const mark = known.find((k) => k.at[0] <= at && k.at[1] >= end);
    const isOther =
      marks.some((k) => k.kind !== "known" && k.at[0] < end && k.at[1] > at) ||
      ofNothing.test(text.slice(end)) ||
      ofNothing.test(text.slice(Math.max(0, at - 12), at)) ||
      at < lead ||
      back.some((m) => m.at[0] >= end);
    return mark === undefined || n === undefined || isOther
      ? []
      : [{ at, end, n, unit: (m[3] ?? "").toLowerCase(), isMore: more.test(text.slice(end)), mark }];
  });
}

/** The names of what the fly is of, and the figures in which what was described differs from others of its form. */
const materialsOf = ({ components, materials, newMaterials }: Bench): unknown[] =>
  components.flatMap((c) =>
    c.material.flatMap(({ value }) => {
      const known = materials.get(value);
      const described = known ? undefined : newMaterials.find((m) => m.code === value);
      return described ? [described.name, ...figuresSaidOf(described)] : [known?.name];
    }),
  );
const nominalOf = new Map<MaterialForm, ReadonlySet<number>>();
/** What its form has by itself nobody has said. */
function figuresSaidOf(m: Material): number[] {
  const nominal = nominalOf.get(m.form) ?? figuresIn(newMaterial("", "", m.form));
  nominalOf.set(m.form, nominal);
  return [...figuresIn(m)].filter((n) => !nominal.has(n));
}

/** What one figure may have become: halves and doubles of pairs, shares, what is left of a whole, bunches together. */
function isHeld({ n, unit, isMore }: SaidFigure, said: SaidFigure[], held: ReadonlySet<number>): boolean {
  const per = millimetresIn(unit);
  const isShare = unit === "%" || unit.startsWith("per");
  const shapes = isShare ? [n, n / 100, 1 - n / 100] : [n * per, n, n / 2, 2 * n, 12 * n, ...(isMore ? [n + 1] : [])];
  if (shapes.some((x) => held.has(x) || held.has(Number(x.toPrecision(4))))) return true;
  // “8 turns, then 4 under the eyes”, “two bunches 3 mm thick”.
  const isBeside = (other: SaidFigure): boolean =>
    other.n !== n && [n + other.n, Math.abs(n - other.n), n * other.n].some((x) => held.has(x));
  return said.some(isBeside) || isOfBunches(n, said, held);
}
/** So many bunches of which each is so thick make one, whose section is that of all. */
const MOST_BUNCHES = 6;
function isOfBunches(n: number, said: SaidFigure[], held: ReadonlySet<number>): boolean {
  const others = said.map((other) => other.n);
  const often = [2, 3, ...others].filter((k) => k <= MOST_BUNCHES);
  return (
    often.some((k) => hasNear(held, n * Math.sqrt(k))) ||
    (n <= MOST_BUNCHES && others.some((thick) => thick !== n && hasNear(held, thick * Math.sqrt(n))))
  );
}

const millimetresIn = (unit: string): number =>
  unit === "" ? 1 : unit.startsWith("c") ? 10 : unit === "thou" ? MM_PER_INCH / 1000 : MM_PER_INCH;

function figuresIn(of: unknown, found = new Set<number>()): Set<number> {
  if (typeof of === "number") found.add(Math.abs(of));
  else if (typeof of === "string")
    for (const m of of.matchAll(/\d+(?:[.,]\d+)?/g)) found.add(Number(m[0].replace(",", ".")));
  else if (typeof of === "object" && of !== null) for (const more of Object.values(of)) figuresIn(more, found);
  return found;
}
/** Figures that were worked out are rounded to three digits. */
const ROUNDED = 0.005;
function hasNear(found: ReadonlySet<number>, n: number): boolean {
  for (const f of found) if (Math.abs(f - n) <= ROUNDED * n) return true;
  return false;
}
