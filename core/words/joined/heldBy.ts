import { formTold, splitOff, type Told } from "../told";
import { NUMBER_WORD, readNumber } from "../text/number";

const held = new RegExp(
  `\\b(?:and\\s+)?(?:held|tied|bound|secured|trapped|fixed|locked|hold|bind|secure|trap)(?:\\s+(?:it|them))?(?:\\s+(?:down|in\\s+place))?\\s+(?:by|with|under)\\s+(?:about\\s+)?(\\d{1,2}|${NUMBER_WORD})\\s+(?:open\\s+|even\\s+)*(?:turns|wraps)\\s+of\\s+`,
  "u",
);
const ribs: ReadonlySet<string | undefined> = new Set(["wire", "tinsel"]);

/** “The shell is pulled over and held by seven turns of the mono”: what holds it is wound over it, as a rib is. */
export const withRibOver = (all: Told[], text: string): Told[] =>
  all.flatMap((t): Told[] => {
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
