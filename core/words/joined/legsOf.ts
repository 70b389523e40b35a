import { formTold, wordsOf, type Told } from "../told";

const isLegsAlone =
  /^(?:the\s+)?(?:(?:knotted|jointed|bent|long|short|thin|thick|single|splayed|ready-?made)\s+)*(?:legs?|antennae|feelers)$/;
const begunByOf = /\bof\s+(?:[a-z-]+\s+){0,3}?$/;

/** “2 legs of soft fibre each side”: legs are what they are for, and what stands behind is what they are of. */
export const withLegsOf = (all: Told[], text: string): Told[] =>
  withLegsCounted(all).flatMap((t, n): Told[] => {
    const isOf = (x: Told | undefined, of: Told | undefined): boolean =>
      x?.kind === "lay" &&
      of?.kind === "lay" &&
      isLegsAlone.test(x.description?.text.trim().toLowerCase() ?? "") &&
      of.verb === undefined &&
      (of.role === undefined || of.role === x.role) &&
      of.description !== undefined &&
      begunByOf.test(text.slice(x.description?.end ?? 0, of.description.at));
    const next = all[n + 1];
    if (isOf(all[n - 1], t)) return [];
    if (!next || !isOf(t, next)) return [t];
    return [{ ...t, ...next, at: t.at, role: "legs", part: "legs", said: legs(t, next), ...wordsOf(t, next) }];
  });

/** So many of them, in what the stuff comes in. */
function legs({ said: { amount, ...more } }: Told, of: Told): Told["said"] {
  const { amount: one, ...said } = of.said;
  if (!amount || !("strands" in amount)) return { ...more, ...of.said, ...(amount && { amount }) };
  const form = formTold(of);
  const isFibre = form === "feather fibre" || form === "hair" || (one && "fibres" in one);
  return { ...more, ...said, amount: isFibre ? { fibres: amount.strands } : amount };
}

/** “Pheasant tail, 4 fibres knotted together, one leg each side”: so many legs, each of so many fibres. */
const withLegsCounted = (all: Told[]): Told[] =>
  all.flatMap((t, n): Told[] => {
    const areLegs = (x: Told | undefined, of: Told | undefined): boolean =>
      x?.role === "legs" &&
      x.verb === undefined &&
      of?.role === "legs" &&
      of.description !== undefined &&
      of.said.amount !== undefined &&
      "fibres" in of.said.amount &&
      isLegsAlone.test(x.description?.text.trim().toLowerCase() ?? "");
    const next = all[n + 1];
    if (areLegs(t, all[n - 1])) return [];
    if (!next || !areLegs(next, t)) return [t];
    const { amount: each, ...said } = next.said;
    const { amount } = t.said;
    const many = each && "strands" in each ? each.strands : 1;
    const own = amount && "fibres" in amount ? { amount: { fibres: amount.fibres * many } } : {};
    return [{ ...t, said: { ...t.said, ...said, ...own }, ...wordsOf(t, next), end: next.end }];
  });
