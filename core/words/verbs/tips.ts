import type { LengthRule } from "../../recipe";
import type { Telling, Waiting } from "../bench";
import type { LineHead } from "../head";
import type { Said } from "../said";
import type { Told } from "../told";
import { NUMBER_WORD, readNumber } from "../text/number";
import { make } from "./making";

const asLegs = /\b(?:as|for|to\s+(?:form|make))\s+(?:the\s+)?legs\b|^\s*legs\b/;
const areTips = /\b(?:tips?|butts?|ends)\b/;
const aSide = new RegExp(
  `\\b(\\d+|${NUMBER_WORD})\\s+(?:of\\s+(?:the|these|them)\\s+)?(?:tips?\\s+|butts?\\s+|fib(?:re|er)s?\\s+)?(?:back\\s+)?(?:on\\s+|to\\s+|at\\s+|along\\s+|down\\s+)?(?:each|either|both|a|per)\\s+sides?\\b`,
  "u",
);
const saidOfTips = new RegExp(
  `^(?:(?:the|of|on|each|either|side|tips?|butts?|ends?|wing|case|cover|fibres?|and|a|split|divide|back|remaining|\\d+|${NUMBER_WORD})\\s*)+$`,
  "u",
);
/** “Fold three fibres back along each side for legs”: they can be none but those of the cover. */
const areFoldedBack = /\b(?:fold|pull|bring|tie|bend|stroke)\b[^.;]*\bfib(?:re|er)s\b[^.;]*\bback\b/;
/** “The tips of the wing case fibres” are no stuff of their own. */
const isOfCover =
  /^(?:the\s+)?(?:wing\s+)?(?:case|cover)(?:\s+(?:fib(?:re|er)s?|barbs?|tips?|butts?|ends?|material))*$/i;
/** Legs of fibres are so long where nobody says how long: as usual, in gapes. */
const USUAL: LengthRule = { of: "gape", times: 1.2 };

/**
 * “Fold back three tips on each side for legs”: the tips of the bundle that was pulled over. They are counted once,
 * with it, and make it so much longer.
 * @returns false where no tips of such a bundle are meant
 */
export function legsOfTips(t: Telling): boolean {
  const { bench, line } = t;
  const words = t.text.slice(t.told.at, t.told.end);
  const last = bench.made[bench.made.length - 1];
  const areThere = last?.line === line.number && bench.component(last.step.component)?.role === "legs";
  // “Split the tips and bind them back as legs”: they are.
  if (areThere && !t.told.description && asLegs.test(words)) return true;
  const isOther = t.told.description && !isOfCover.test(t.told.description.text.trim());
  if (isOther || !(areTips.test(words) || areFoldedBack.test(words) || /\band\s+legs\b/.test(words))) return false;
  if (t.told.role !== "legs" && !asLegs.test(t.text)) return false;
  const bundle = bench.waiting.findLast(isBundle);
  const fibres = bundle && fibresOf(t, bundle);
  if (!bundle || fibres === undefined) return false;
  if (!bundle.used) {
    bench.later.push({ after: ["thorax"], make: () => void (bundle.used && foldBack(t, bundle, fibres)) });
    line.notes.push("the tips of the cover, folded back when it is pulled over");
  } else foldBack(t, bundle, fibres);
  const isSaid = (r: { at: number; end: number }): boolean => saidOfTips.test(t.text.slice(r.at, r.end));
  t.told.understood.push(...t.told.rest.filter(isSaid));
  t.told.rest = t.told.rest.filter((r) => !isSaid(r));
  return true;
}

/** “Wing case: 8 fibres, tips folded back as legs”: the cover, and what its tips become. */
export function coverAndLegs(told: Told, head: LineHead, text: string): [Told, Told] | undefined {
  if (head.role !== "wing case" || !told.description || !told.said.amount) return undefined;
  const isNamedSo = /\band\s+legs$/.test(head.part ?? "");
  if (!isNamedSo && !(asLegs.test(text) && areTips.test(text))) return undefined;
  const { amount, shown, barb, round: _round, attitude: _attitude, perSide: _perSide, ...said } = told.said;
  const cover: Told = { ...told, role: "wing case", part: "wing case", said: { ...said, amount }, rest: [] };
  const legs: Said = { ...(shown && { shown }), ...(barb && { barb }) };
  return [cover, { ...told, role: "legs", part: "legs", description: undefined, said: legs, at: 0, end: text.length }];
}

const isBundle = (w: Waiting): boolean =>
  w.role === "wing case" && (w.form === "feather fibre" || w.form === "herl" || w.form === "hackle");

function fibresOf({ bench }: Telling, bundle: Waiting): number | undefined {
  const step = bench.made.find((m) => m.step.id === bundle.step)?.step;
  return step?.do === "lay" && step.amount && "fibres" in step.amount ? step.amount.fibres : undefined;
}

function foldBack(t: Telling, bundle: Waiting, fibres: number): void {
  const { bench } = t;
  const { said } = t.told;
  const over = bench.made.findLast((m) => m.step.do === "lay" && m.step.tiedIn === bundle.step);
  if (over?.step.do !== "lay") return;
  const stated = readNumber(aSide.exec(t.text)?.[1] ?? "");
  const each = Math.max(1, Math.min(stated ?? Math.floor(fibres / 2), Math.floor(fibres / 2)));
  if (stated === undefined) t.line.assumed.push(`${each} tips on each side`);
  if (stated !== undefined && stated > each)
    t.line.asks.push({
      at: [t.told.at, t.told.end],
      sentence: `Only ${fibres} fibres were tied in: ${each} tips a side. Tie in more, or fold back fewer.`,
      answers: [],
    });
  const shown = said.shown ?? said.leave ?? said.barb?.[1] ?? USUAL;
  // What lies back as legs stays free of the bundle that is held here.
  over.step = { ...over.step, free: shown };
  const material = bench.materialOf(bench.component(bundle.component));
  const component = bench.componentFor("legs", material, "legs");
  const { from, tieIn } = over.step;
  make(
    t,
    "lay",
    {
      amount: { fibres: each * 2 },
      shown,
      round: { near: 1, far: 1 },
      attitude: "back",
      countedWhenWound: true,
      tiedIn: bundle.step,
      tieIn: { ...tieIn, at: tieIn?.at ?? from },
    },
    { component, role: "legs", form: bundle.form },
    { name: "legs" },
  );
}
