import { type Here, firstOf, type Step, unlessGiven, keep, hasContent } from "./here";
import type { Next } from "../told";
import { leftover } from "./leftover";
import { nounFirst } from "./stuff";
import { coatOfAnother, finishAhead, anotherBegins, actionBehind } from "./another";
import { toRibHere, thicknessOf, thicknessBefore, strandsBehind } from "./thickness";
import { sayingAt } from "./saying";
import { notThere } from "./parts";
import { namedAt } from "./named";
import { looseAt } from "../loose";
import { preparing, strippedSide, preparingFur } from "../madeReady";
import { reasonAt } from "../lexicon/reasons";
import { verbAt } from "../verbs";
import { countedAt, bareCount } from "../counted";
import { words } from "../parse";

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

const reasonHere: Step = (here) =>
  keep(
    here,
    reasonAt(here.text, here.at, here.to, (t, place) => verbAt(t, place) !== undefined),
  );

/** “one turn only, legs sticking out sideways”: how the barbs of what was named stand, and no other part. */
const barbsStand = words(
  "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:legs|fibres|fibers|barbs)\\s+(?:sticking|standing|pointing)\\s+(?:out\\s+)?(?:sideways|to\\s+(?:the|each|both)\\s+sides?|out(?:wards?)?)",
);
const barbsStanding: Step = (here) => keep(here, here.told.description && barbsStand(here.text, here.at)?.end);

const countedHere: Step = ({ told, text, at, context }) =>
  countedAt(told, text, at, context) ?? bareCount(told, text, at);

/** What may stand at a place, in the order in which it is tried. */
const steps: readonly Step[] = [
  inBrackets,
  unlessGiven(nounFirst, coatOfAnother),
  looseHere,
  madeReady,
  unlessGiven(reasonHere, finishAhead, anotherBegins, toRibHere, thicknessOf, thicknessBefore, strandsBehind),
  sayingAt,
  unlessGiven(barbsStanding, countedHere, actionBehind, notThere, namedAt),
];

/** Reads one thing at a place into what is told. */
export const step = (here: Here): Next => firstOf(steps, here) ?? leftover(here);
