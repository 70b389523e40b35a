import type { Told } from "../told";

const saysOfBoth = /,\s*(?:and\s+)?both\s+(?:(?:very|quite|fairly)\s+)*(?:thin|sparse|slim|thick|full|fat|heavy)\b/;
/** “Rear third orange, front two thirds claret, both thin”: how full the one is, the other is as well. */
export const withOfBoth = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    const next = all[n + 1];
    const isBefore = t.kind === "dress" && next?.kind === "dress" && next.role === t.role && next.verb === undefined;
    if (!isBefore || next.said.thickness === undefined || t.said.thickness !== undefined) return t;
    return saysOfBoth.test(text.slice(next.at, next.end))
      ? { ...t, said: { ...t.said, thickness: next.said.thickness } }
      : t;
  });
