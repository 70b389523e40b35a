import { formTold, splitOff, type Told } from "../told";
import { NUMBER_WORD, readNumber } from "../text/number";

const HELD = `\\b(?:and\\s+)?(?:held|tied|bound|secured|trapped|fixed|locked|hold|bind|secure|trap)(?:\\s+(?:it|them))?(?:\\s+(?:down|in\\s+place))?\\s+(?:by|with|under)\\s+(?:about\\s+)?(\\d{1,2}|${NUMBER_WORD})\\s+(?:open\\s+|even\\s+)*(?:turns|wraps)`;
const held = new RegExp(`${HELD}\\s+of\\s+`, "u");
const heldByTurns = new RegExp(`${HELD}\\s*$`, "u");
const ribs: ReadonlySet<string | undefined> = new Set(["wire", "tinsel"]);

/** “A strip over the body, held with 6 turns” “of fine wire”: the wire behind it is what holds. */
function heldByNext(t: Told, next: Told | undefined, text: string): { cover: Told; rib: Told } | undefined {
  const turns = readNumber(heldByTurns.exec(text.slice(t.at, t.end))?.[1] ?? "");
  const isOfCover = t.description !== undefined && (t.verb === "take over" || t.role === "wing case");
  const isHolding = next?.verb === undefined && ribs.has(next && formTold(next)) && !next?.said.rule;
  if (turns === undefined || !next || !isOfCover || !isHolding || !/^\s*of\s/.test(text.slice(next.at)))
    return undefined;
  const { wraps: _wraps, tieIn, ...said } = t.said;
  const { wraps: _held, ...place } = tieIn ?? {};
  const cover: Told = { ...t, said: { ...said, ...(place.at && { tieIn: place }) } };
  const own = { verb: "hold", kind: "wind", role: undefined, part: undefined, isInherited: false } as const;
  return { cover, rib: { ...next, ...own, said: { ...next.said, amount: undefined, rule: { turns } } } };
}

/** “The shell is pulled over and held by seven turns of the mono”: what holds it is wound over it, as a rib is. */
export const withRibOver = (all: Told[], text: string): Told[] =>
  all.flatMap((t, n): Told[] => {
    const before = all[n - 1];
    const heldBefore = before && heldByNext(before, t, text);
    if (heldBefore) return [heldBefore.rib];
    const heldNext = heldByNext(t, all[n + 1], text);
    if (heldNext) return [heldNext.cover];
    const m = held.exec(text.slice(t.at, t.end));
    const turns = readNumber(m?.[1] ?? "");
    const { description } = t;
    const isOfCover = t.kind === "lay" && (t.verb === "take over" || t.role === "wing case");
    if (!m || turns === undefined || !description || !isOfCover || !ribs.has(formTold(t))) return [t];
    const begin = t.at + m.index;
    if (description.at < begin) return [t];
    const { rule: _rule, wraps: _wraps, ...said } = t.said;
    const span = { at: begin, end: t.end };
    const rib = splitOff(t, span, {
      verb: "hold",
      kind: "wind",
      role: undefined,
      part: undefined,
      said: { rule: { turns } },
    });
    const rest = t.rest.filter((r) => r.at < begin);
    return [{ ...t, description: undefined, said, rest, end: begin }, rib];
  });
