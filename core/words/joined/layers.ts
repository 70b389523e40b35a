import { readNumber } from "../text/number";
import type { Told } from "../told";

const overIt = /\bover\s+(?:an?\s+|the\s+)?(?:(?:thin\s+|level\s+)*(?:layer|base|bed|underbody|foundation)\s+of\s+)?$/;

/** “Flat gold tinsel, over a layer of white floss”: the floss is wound first. */
export const withUnder = (all: Told[], text: string): Told[] => {
  const out = [...all];
  out.forEach((t, n) => {
    const next = out[n + 1];
    // “fur, dubbed over 8 turns of lead”: the lead is there first.
    const isOverWeight =
      (t.kind === "dress" || t.kind === "wind") &&
      next?.role === "weight" &&
      next.description !== undefined &&
      /\bover\s+(?:an?\s+|the\s+)?(?:\d+|[a-z]+)?(?:\s+(?:turns?|wraps?)\s+of)?\s*$/.test(
        text.slice(t.at, next.description.at),
      );
    const isOver =
      isOverWeight ||
      (t.kind === "wind" &&
        next?.kind === "wind" &&
        t.description !== undefined &&
        next.description !== undefined &&
        next.verb === undefined &&
        t.role === next.role &&
        t.role === "body" &&
        overIt.test(text.slice(t.description.end, next.description.at)));
    if (isOver) out.splice(n, 2, next, t);
  });
  return out;
};

const layer =
  /^\W*(?:with\s+|then\s+|and\s+)?an?(?:other)?\s*(?:second\s+)?layer\s+of\s+([\w-]+)\s+(?:touching\s+)?turns?/;

/** “12 turns of lead, with a second layer of six over it”: six more of the same, in the same place. */
export function withLayers(all: Told[], text: string): Told[] {
  return all.map((t, n) => {
    const before = all[n - 1];
    const turns = readNumber(layer.exec(text.slice(t.at, t.end))?.[1] ?? "");
    if (!before?.description || t.description || turns === undefined) return t;
    const { there, from, to, begin } = before.said;
    const where = { ...(there && { there }), ...(from && { from }), ...(to && { to }), ...(begin && { begin }) };
    return {
      ...t,
      role: before.role,
      part: before.part,
      description: before.description,
      kind: "wind",
      rest: t.rest.filter((r) => !/layer|turns/.test(text.slice(r.at, r.end))),
      said: { ...where, rule: { turns } },
    };
  });
}
