import type { Place } from "../../hooks";
import { wordsOf, type Told } from "../told";

const stops = /^\W*(?:and\s+|then\s+)*(?:stop|end|finish)(?:s|ping|ing)?\b/iu;

/** “Wind it forward in touching turns. Stop 6 mm short of the eye”: there the winding before ends. */
export function withStop(all: Told[], text: string): Told[] {
  const out: Told[] = [];
  for (const t of all) {
    // What is done to it while it is wound stands between.
    const n = out.findLastIndex((before) => before.kind !== "act");
    const before = out[n];
    if (before && isStopOf(t, before, text))
      out[n] = { ...before, ...wordsOf(before, t), said: { ...before.said, end: shortOf(t.said.end) } };
    else if (before && stopsWithin(t, before, text)) {
      const { end, ...said } = t.said;
      out[n] = { ...before, said: { ...before.said, end: shortOf(end) } };
      out.push({ ...t, said });
    } else out.push(t);
  }
  return out;
}

function isStopOf({ at, end, description, verb, said }: Told, before: Told, text: string): boolean {
  const isBare = description === undefined && verb === undefined && said.end !== undefined;
  if (!isBare || Object.keys(said).length > 1 || !stops.test(text.slice(at, end))) return false;
  const isWinding = before.kind === "wind" || before.kind === "dress";
  return isWinding && before.said.end === undefined && before.said.to === undefined;
}

const within = /[,;]\s*(?:and\s+|then\s+)*stop(?:s|ping)?\b/iu;
/** “…, stroking the fur back, stop 6 mm short of the eye”: the end is that of the winding. */
const stopsWithin = ({ at, end, kind, said }: Told, before: Told, text: string): boolean =>
  kind === "act" &&
  said.end !== undefined &&
  within.test(text.slice(at, end)) &&
  (before.kind === "wind" || before.kind === "dress") &&
  before.said.end === undefined &&
  before.said.to === undefined;

/** “6 mm before the eye”, for whoever comes from the bend. */
function shortOf(end: Place | undefined): Place | undefined {
  const isEye = end && "landmark" in end && end.landmark === "eye";
  return isEye && end.plus && "mm" in end.plus && end.plus.mm < 0 ? { ...end, plus: { mm: -end.plus.mm } } : end;
}
