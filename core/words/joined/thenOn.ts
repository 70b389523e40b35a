import type { Place } from "../../hooks";
import { alongShank } from "../settle";
import type { Said } from "../said";
import { formTold, type Told } from "../told";

const then = /\b(?:then|followed\s+by|after\s+that)\b/;
const isOnShank = ({ kind, role }: Told): boolean =>
  (kind === "wind" || kind === "dress") && (role === undefined || role === "body");
const isPlaced = ({ from, to, begin, there, rest, around }: Said): boolean =>
  (from ?? to ?? begin ?? there ?? rest ?? around) !== undefined;
/** Where it ends towards the eye. */
function frontIn({ from, to, end }: Said): Place | undefined {
  if (!from || !to) return end;
  return alongShank(from) < alongShank(to) ? from : to;
}

/** “Then the wire in five turns” goes over what was wound before. */
const ofRibs = new Set(["wire", "tinsel", undefined]);
/** So many turns that end nowhere lie side by side, as far as they go. */
const inTurns = ({ kind, said }: Told): Said =>
  kind === "wind" && said.rule?.turns !== undefined && said.end === undefined
    ? { ...said, rule: { touching: true, turns: said.rule.turns } }
    : said;

/**
 * “Olive dubbing from the bend to halfway, then brown dubbing to the eye”, “rear half floss, then fur”: a body goes on
 * where it came to. So many
 * turns ahead of it are those at the bend: “6 turns of gold tinsel, then dub claret fur up to the eye”.
 */
export const withBodyThenOn = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told.at(-1);
    const goesOn =
      before?.description &&
      t.description &&
      isOnShank(before) &&
      isOnShank(t) &&
      (t.said.end !== undefined || !ofRibs.has(formTold(t))) &&
      !isPlaced(t.said) &&
      then.test(text.slice(before.description.end, t.description.at));
    if (!before || !goesOn) return [...told, t];
    const front = frontIn(before.said);
    if (front) return [...told, { ...t, said: { ...inTurns(t), begin: front } }];
    const { rule } = before.said;
    const isTurns = before.kind === "wind" && rule?.turns !== undefined && t.said.end !== undefined;
    if (!isTurns || isPlaced(before.said)) return [...told, t];
    const atBend: Said = { ...before.said, rule: { touching: true, turns: rule.turns }, begin: { landmark: "bend" } };
    const inFront: Place = { part: "it", end: "front" };
    return [...told.slice(0, -1), { ...before, said: atBend }, { ...t, said: { ...t.said, begin: inFront } }];
  }, []);
