import type { LotPage } from "@kasten/contract/stock";

/** As people say it: about so many flies, and how sure that is; nothing where no lot tells yet. */
export function fliesLeftWords(left: LotPage["fliesLeft"]): string {
  if (!left) return "";
  const [likely, low, high] = [left.likely, left.low, left.high].map(Math.round);
  const by = left.lots === 1 ? "one lot" : `${left.lots} lots`;
  return `about ${likely} (${low} to ${high}), by what ${by} tied`;
}
