import { lettersOf } from "../letters";
import type { Telling, Waiting } from "../bench";
import type { Said } from "../said";
import { formTold } from "../told";
import { isWoundOn, nameOf, strandsThatWait } from "./forTag";
import { make } from "./making";

const asTag =
  /\b(?:as|for|to\s+(?:make|form)|mak(?:e|es|ing)|form(?:s|ing)?|giv(?:e|es|ing)|build(?:ing)?)\s+(?:an?\s+|the\s+|your\s+)?(?:small\s+|short\s+|little\s+|neat\s+)*(?:tag|tip)\b/;
/** The strand that waits, where a line winds so many turns of it for a tag. */
function strandOf({ told, text, bench }: Telling): Waiting | undefined {
  if (told.said.rule?.turns === undefined || !asTag.test(text.slice(told.at, told.end))) return undefined;
  const waiting = strandsThatWait(bench);
  if (!told.description) return waiting.at(-1);
  const called = lettersOf(told.description.text);
  const own = waiting.filter((w) => w.form === formTold(told));
  // “Of the flat”, where oval waits beside it.
  return own.findLast((w) => called.every((word) => nameOf(w, bench).includes(word))) ?? onlyOne(own);
}
const onlyOne = <T>(all: readonly T[]): T | undefined => (all.length === 1 ? all[0] : undefined);

/**
 * “Tie in flat gold and wind three turns as a tag”: behind all else; the strand goes on as the rib where a later line
 * winds it.
 */
export function windsTag(t: Telling): boolean {
  const { told, bench } = t;
  const waiting = strandOf(t);
  const component = bench.component(waiting?.component);
  if (!waiting || !component) return false;
  const isAlone = strandsThatWait(bench).length === 1;
  const goesOn = isWoundOn(nameOf(waiting, bench), waiting.form, bench.toldLater(), isAlone);
  waiting.used = !goesOn;
  const { there, passes } = told.said;
  const said: Said = {
    ...(!goesOn && waiting.said),
    rule: { turns: told.said.rule?.turns },
    ...(there && { there }),
    ...(passes !== undefined && { passes }),
  };
  make(t, "wind", said, { component, role: "tag", form: waiting.form }, { name: "tag", tiedIn: waiting });
  return true;
}
