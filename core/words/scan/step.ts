import { type Here, firstOf, type Step, unlessGiven, keep, hasContent } from "./here";
import { formTold, type Next } from "../told";
import type { MaterialForm } from "../../materials";
import { leftover } from "./leftover";
import { nounFirst } from "./stuff";
import { coatOfAnother, finishAhead, anotherBegins, actionBehind } from "./another";
import { toRibHere, thicknessOf, thicknessBefore, strandsBehind } from "./thickness";
import { sayingAt } from "./saying";
import { notThere, partOfStuff } from "./parts";
import { namedAt } from "./named";
import { looseAt } from "../loose";
import { preparing, strippedSide, preparingFur } from "../madeReady";
import { reasonAt } from "../lexicon/reasons";
import { verbAt } from "../verbs";
import { countedAt, bareCount } from "../counted";
import { isHackleRole, isShadedColour } from "../named";
import { setTurns } from "../clauses/wind/howOften";
import { count as countRead } from "../text/count";
import { seq, words } from "../parse";

const bracketed = /\[[^\]]*\]/y;

function inBrackets(here: Here): Next | undefined {
  bracketed.lastIndex = here.at;
  return here.text[here.at] === "[" && bracketed.exec(here.text) ? keep(here, bracketed.lastIndex) : undefined;
}

function looseHere({ told, text, at }: Here): Next | undefined {
  const end = looseAt(told, text, at);
  return end ? { told, end } : undefined;
}

function madeReady(here: Here): Next | undefined {
  const { told, text, at } = here;
  const ready =
    (hasContent(told) ? preparing(text, at) : undefined) ?? strippedSide(text, at) ?? preparingFur(text, at);
  return keep(here, ready?.end);
}

const ifWanted = words("if\\s+(?:you\\s+)?(?:like|wish|want(?:ed)?|prefer|desired)(?=\\s*(?:[,.;)]|$))");
/** “One turn of partridge if you like” is a part that may be left out; “trim it if you like” leaves none out. */
const saysOptional = ({ told, text, at }: Here): boolean => {
  const found = ifWanted(text, at);
  const isOfPart = told.kind === "lay" || told.kind === "wind" || told.kind === "dress" || told.kind === "seat";
  // What it is of is named before, or stands behind: “if you like, one turn of partridge”.
  const isNamed = told.description !== undefined || told.role !== undefined;
  return found !== undefined && isOfPart && (isNamed || /^\s*,\s*\S/.test(text.slice(found.end)));
};

const reasonHere: Step = (here) =>
  saysOptional(here)
    ? undefined
    : keep(
        here,
        reasonAt(here.text, here.at, here.to, (t, place) => verbAt(t, place) !== undefined),
      );

/** “one turn only, legs sticking out sideways”: how the barbs of what was named stand, and no other part. */
const barbsStand = words(
  "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:legs|fibres|fibers|barbs)\\s+(?:sticking|standing|pointing)\\s+(?:out\\s+)?(?:sideways|to\\s+(?:the|each|both)\\s+sides?|out(?:wards?)?)",
);
const barbsStanding: Step = (here) => keep(here, here.told.description && barbsStand(here.text, here.at)?.end);

const twice = words("(?:folded\\s+)?doubled?(?:\\s+up)?(?!\\s+(?:back|over|layers?|turns?|wraps?|pass))");
const strands = new Set<MaterialForm | undefined>(["wire", "tinsel", "floss", "yarn", "chenille", "flash", "thread"]);
/** “Rib: gold wire doubled”: two strands of it go side by side. */
const doubledStrand: Step = ({ told, text, at }) => {
  // “…, so it's double”: that is what comes of it.
  const isResult = /\b(?:so|it|it's|is|be|are|becomes)\s+$/.test(text.slice(0, at));
  const found = told.kind === "wind" && !isResult && strands.has(formTold(told)) ? twice(text, at) : undefined;
  if (!found) return undefined;
  Object.assign(told.said, { rope: 2 * (told.said.rope ?? 1), ribbon: true });
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
};

const cutBack = words(
  "(?:then\\s+|and\\s+)*(?:clipped|trimmed|cut)\\s+(?:down\\s+|back\\s+|short\\s+)?to\\s+\\d+(?:[.,]\\d+)?\\s*mm",
);
/** “Palmered in 6 turns, clipped to 4 mm”: it is cut when it is wound, and its barbs were longer. */
const clippedHackle: Step = (here) =>
  keep(here, here.told.kind === "wind" && isHackleRole(here.told.role) ? cutBack(here.text, here.at)?.end : undefined);

const soManyOf = seq(countRead, words("of(?=\\s)"));
const colourBehind = /^\s*(\p{L}+)(?:\s+(?:hackle|cock|saddle)s?)?\s*(?:[,.;]|$|then\b|and\b)/u;
/** “Hackle: three of brown, then two of grizzly”: so many turns of each. */
const turnsOfColour: Step = ({ told, text, at }) => {
  const isOpen = told.kind === "wind" && isHackleRole(told.role) && told.said.rule?.turns === undefined;
  const found = isOpen ? soManyOf(text, at) : undefined;
  if (!found || found.value[0].n < 2 || !isShadedColour(colourBehind.exec(text.slice(found.end))?.[1] ?? ""))
    return undefined;
  setTurns(told.said, found.value[0], false);
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
};

const forHook = words("(?:(?:one|an?)\\s+)?size\\s+\\d{1,2}(?:\\s+(?:feather|hackle|saddle))?");
/** “One size 12 feather”: for which hook it is; nothing is counted by that. */
const sizedFeather: Step = (here) =>
  keep(
    here,
    isHackleRole(here.told.role) || formTold(here.told) === "hackle" ? forHook(here.text, here.at)?.end : undefined,
  );

const countedHere: Step = ({ told, text, at, context }) =>
  countedAt(told, text, at, context) ?? bareCount(told, text, at);

/** What may stand at a place, in the order in which it is tried. */
const steps: readonly Step[] = [
  inBrackets,
  unlessGiven(partOfStuff, nounFirst, coatOfAnother, doubledStrand, clippedHackle),
  looseHere,
  madeReady,
  unlessGiven(reasonHere, finishAhead, anotherBegins, toRibHere, thicknessOf, thicknessBefore, strandsBehind),
  sayingAt,
  unlessGiven(barbsStanding, turnsOfColour, sizedFeather, countedHere, actionBehind, notThere, namedAt),
];

/** Reads one thing at a place into what is told. */
export const step = (here: Here): Next => firstOf(steps, here) ?? leftover(here);
