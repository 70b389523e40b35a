import { formTold, wordsOf, type Told } from "../told";

/** “Coat the quill with one layer of resin”: what is coated, and with what. */
export const withCoat = (all: Told[]): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isOfCoat = (x: Told | undefined, before: Told | undefined): boolean =>
      x?.kind === "glue" &&
      x.verb === undefined &&
      x.role === undefined &&
      formTold(x) === "liquid" &&
      before?.verb === "finish" &&
      before.description !== undefined &&
      formTold(before) !== "liquid" &&
      Object.keys(before.said).length === 0;
    const next = all[n + 1];
    if (next && isOfCoat(next, t))
      return [
        {
          ...t,
          onto: t.description,
          description: next.description,
          said: next.said,
          ...wordsOf(t, next),
          end: next.end,
        },
      ];
    return isOfCoat(t, all[n - 1]) ? [] : [t];
  });

const cutsIt = /^\W*(?:and\s+|then\s+)*cut\s+(?:it|them|a\s+piece)?\s*(?:to\s+|about\s+)*\S/;

/** “chenille, 2 mm thick, cut it four inches long”: so long is the piece. */
export const withPiece = (all: Told[], text: string): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isPiece = (x: Told | undefined, before: Told | undefined): number | undefined => {
      const form = before && formTold(before);
      const leave = x?.verb === "act" ? x.said.leave : undefined;
      const isStrand =
        form === "chenille" || form === "wire" || form === "tinsel" || form === "yarn" || form === "stretch body";
      if (!isStrand || !leave || !("mm" in leave) || !cutsIt.test(text.slice(x?.at ?? 0))) return undefined;
      return leave.mm >= SHORTEST_PIECE ? leave.mm : undefined;
    };
    const next = all[n + 1];
    const mm = isPiece(next, t);
    if (next && mm !== undefined)
      return [{ ...t, said: { ...t.said, pieceMm: mm }, ...wordsOf(t, next), end: next.end }];
    return isPiece(t, all[n - 1]) === undefined ? [t] : [];
  });

const SHORTEST_PIECE = 30;
