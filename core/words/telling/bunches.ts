import { allBunches } from "../finish";
import type { MadeStep } from "../bench";
import type { Component, RecipeStep } from "../../recipe";
import type { Material } from "../../materials";
import { NUMBER_WORD, readNumber } from "../text/number";
import type { Reading } from "../reading";
import { scan } from "../scan";
import type { Told } from "../told";

const NTH = "(?:second|third|fourth|fifth|next)";
const BUNCHES = "(?:bunch|clump|bundle|stack|tuft)(?:e?s)?";
/** “Spin on another bunch”, “add a second and third bunch”, “two more bunches in front”. */
const more = new RegExp(
  `^\\W*(?:(?:and|then|now|next|tie|add|put|spin|flare|stack|bind|lash|pack|use|on|in|up)\\s+)*(?:(another|(?:an?|the)\\s+${NTH}(?:(\\s+(?:and|then)\\s+(?:an?\\s+|the\\s+)?)${NTH})?)|(${NUMBER_WORD}|[2-9])\\s+(?:more|further))\\s+${BUNCHES}\\b(?!\\s+of\\b)`,
  "u",
);
/** Of several bunches in one line nobody knows how much each is by then. */
const several = new RegExp(
  `\\b(?:${NUMBER_WORD}|[2-9])\\s+(?:[\\w-]+\\s+){0,3}?(?:bunches|clumps|bundles|stacks|tufts)\\b`,
  "u",
);

const isBunch = ({ step }: MadeStep): boolean =>
  step.do === "lay" && ("clump" in step.amount || "fibres" in step.amount);

type Laid = Extract<RecipeStep, { do: "lay" }>;
/** What was tied in last, once more: as long and as it stands, where `tells`, the words behind it, say no more. */
export function tiedInAgain(
  told: Told,
  {
    component,
    exact,
    last: { shown, attitude, stance },
    begin,
    tells,
    amount,
  }: {
    component: Component;
    exact: Material;
    last: Laid;
    begin: number;
    tells: Told | undefined;
    amount: Laid["amount"];
  },
): void {
  Object.assign(told, {
    kind: "lay",
    verb: "tie in",
    role: component.role,
    part: component.role,
    refers: undefined,
    description: { at: told.at, end: told.at, text: exact.name, exact },
    said: { amount, shown, ...(attitude && { attitude }), ...(stance && { stance }), ...tells?.said },
    understood: [{ at: told.at, end: begin }, ...(tells?.understood ?? [])],
    kept: tells?.kept ?? [],
    loose: tells?.loose ?? [],
    rest: tells?.rest ?? [],
  });
}

/** More bunches of what was tied in last, each as thick and as long, where nothing else is said of them. */
export function moreBunches(r: Reading, told: Told, text: string): void {
  const said = more.exec(text.slice(told.at, told.end));
  const last = r.bench.made.findLast((m) => m.step.do === "lay" && m.step.shown !== undefined);
  const component = r.bench.component(last?.step.component);
  const exact = r.bench.materialOf(component);
  if (!said || told.description || !last || last.step.do !== "lay" || !isBunch(last)) return;
  if (!component || exact?.form !== "hair" || several.test(r.plain[last.line] ?? "")) return;
  const n = said[1] === undefined ? readNumber(said[3] ?? "") : said[2] === undefined ? 1 : 2;
  const begin = told.at + said[0].length;
  const [tells, ...others] = scan(text, begin, told.end, {}, r.scanContext, "lay");
  if (n === undefined || others.length > 0 || tells?.description) return;
  tiedInAgain(told, { component, exact, last: last.step, begin, tells, amount: allBunches(last.step.amount, n) });
}
