import { USUAL_FRONT } from "../settle";
import { A_COUNT, readNumber } from "../text/number";
import { wordsOf, type Span, type Told } from "../told";

const overIt =
  /\bover\s+(?:an?\s+|the\s+|(?:one|two|1|2)\s+)?(?:(?:thin\s+|level\s+|flat\s+|single\s+)*(?:layers?|base|bed|underbody|foundation)\s+of\s+)?$/;

/** “Fur over the tinsel”: over what lies there by then. */
const overThe = /\bover\s+the\s+$/;
const between = (t: Told, next: Told | undefined, text: string): string =>
  text.slice(t.description?.end ?? t.end, next?.description?.at ?? t.end);

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
      ((t.kind === "wind" || (t.kind === "dress" && !overThe.test(between(t, next, text)))) &&
        next?.kind === "wind" &&
        t.description !== undefined &&
        next.description !== undefined &&
        next.verb === undefined &&
        t.role === next.role &&
        t.role === "body" &&
        overIt.test(between(t, next, text)));
    if (!isOver) return;
    // “Floss over flat silver at the rear third, rest fur”: as far as what is under it.
    const share = hasPlace(t) ? {} : placesOf(next);
    const isShared = share.from !== undefined && share.to !== undefined;
    out.splice(n, 2, next, isShared ? { ...t, said: { ...t.said, ...share } } : t);
  });
  return out;
};

const overSome = new RegExp(
  `^[^;.]*\\bover\\s+(?:an?\\s+|some\\s+|${A_COUNT}\\s+)?(?:(?:fib(?:re|er)s|hairs|strands|herls|bunch|pinch|clump|tuft)\\s+(?:of\\s+)?)?$`,
);
/** “8 strands of herl over 20 fibres of bucktail”: what lies beneath is tied in first. */
export const withOver = (all: Told[], text: string): Told[] => {
  const out = [...all];
  out.forEach((t, n) => {
    const next = out[n + 1];
    const areLaid = t.kind === "lay" && next?.kind === "lay" && t.description && next.description;
    const isOfOne = next?.verb === undefined && (next?.role === t.role || next?.isInherited === true);
    if (!next || !areLaid || !isOfOne || !overSome.test(between(t, next, text))) return;
    // “…, both to the end of the tail”
    const { shown } = next.said;
    const isOfBoth = shown && t.said.shown === undefined && /\b(?:both|all)\b/.test(text.slice(next.at, next.end));
    out.splice(n, 2, next, isOfBoth ? { ...t, said: { ...t.said, shown } } : t);
  });
  return out;
};

const hasPlace = (t: Told): boolean => Object.keys(placesOf(t)).length > 0;

const overWet =
  /\bover\s+(?:an?\s+|the\s+|some\s+|one\s+)?(?:(?:wet|fresh|tacky|thin|good|light)\s+)*(?:(?:layer|coat|bed|film|smear|drop|bit)\s+of\s+)?(?:(?:wet|fresh|tacky|thin)\s+)*$/;

/** “Laid over wet varnish”, “wound over wet varnish”. */
const byOrWith = new Set<Told["verb"]>([undefined, "finish", "wind"]);

/** “Biot, wound over a wet layer of cement, from the bend …”: the cement is there first, the rest is of the biot. */
export function withWetUnder(all: Told[], text: string): Told[] {
  const isUnder = (n: number): boolean => {
    const [t, wet] = [all[n], all[n + 1]];
    const isLaid = t?.description !== undefined && (t.kind === "wind" || t.kind === "dress");
    if (!isLaid || wet?.kind !== "glue" || !wet.description || !byOrWith.has(wet.verb)) return false;
    return overWet.test(text.slice(t.description?.end, wet.description.at));
  };
  const goesOn = (n: number): boolean => {
    const [t, more] = [all[n - 2], all[n]];
    const isBare = more?.description === undefined && more?.verb === undefined;
    return isUnder(n - 2) && isBare && more?.kind === t?.kind && more?.role === t?.role;
  };
  return all.flatMap((t, n): Told[] => {
    if (isUnder(n - 1) || goesOn(n)) return [];
    const [wet, more] = [all[n + 1], all[n + 2]];
    if (!isUnder(n) || !wet) return [t];
    const placed = { ...t, said: { ...t.said, ...placesOf(wet) } };
    const own: Told =
      more && goesOn(n + 2)
        ? { ...placed, said: { ...placed.said, ...more.said }, ...wordsOf(t, more), end: more.end }
        : placed;
    const [from, to] = [t.description?.end ?? t.at, wet.description?.at ?? t.end];
    const isOfWet = (r: Span): boolean => r.at >= from && r.end <= to;
    return [
      {
        ...wet,
        role: undefined,
        part: undefined,
        said: { ...wet.said, ...whereItLies(own), ...(wet.said.drops === undefined && { coats: 1 }) },
        rest: wet.rest.filter((r) => !isOfWet(r)),
      },
      { ...own, rest: own.rest.filter((r) => !isOfWet(r)), loose: own.loose },
    ];
  });
}
/** Under what is wound: over the body, where nobody says how far. */
function whereItLies(t: Told): Told["said"] {
  const own = placesOf(t);
  return Object.keys(own).length > 0 ? own : { from: { landmark: "bend" }, to: { fraction: USUAL_FRONT } };
}
function placesOf({ said: { from, to, begin, end, there } }: Told): Told["said"] {
  return {
    ...(from && { from }),
    ...(to && { to }),
    ...(begin && { begin }),
    ...(end && { end }),
    ...(there && { there }),
  };
}

const OVER = "(?:on\\s+top|over\\s+(?:it|them|that|these|those|the\\s+(?:first|last)))";
const layer = new RegExp(
  `^\\W*(?:with\\s+|then\\s+|and\\s+)*(?:an?(?:other)?\\s*(?:second\\s+|further\\s+)?layer\\s+of\\s+([\\w-]+)\\s+(?:(?:touching\\s+)?turns?|${OVER})|(?:another\\s+)?([\\w-]+)\\s+(?:more\\s+)?(?:(?:turns|wraps)\\s+)?${OVER})`,
);

/** “12 turns of lead, with a second layer of six over it”: six more of the same, in the same place. */
export function withLayers(all: Told[], text: string): Told[] {
  return all.map((t, n) => {
    const before = all[n - 1];
    const found = layer.exec(text.slice(t.at, t.end));
    const turns = readNumber(found?.[1] ?? found?.[2] ?? "");
    if (!before?.description || t.description || turns === undefined) return t;
    // What is wound over something else lies elsewhere.
    if (found?.[2] !== undefined && before.role !== "weight") return t;
    const { end: _end, ...where } = placesOf(before);
    return {
      ...t,
      role: before.role,
      part: before.part,
      description: before.description,
      kind: "wind",
      rest: t.rest.filter(
        (r) => !/layer|turns/.test(text.slice(r.at, r.end)) && readNumber(text.slice(r.at, r.end)) === undefined,
      ),
      said: { ...where, ...placesOf(t), rule: { turns } },
    };
  });
}
