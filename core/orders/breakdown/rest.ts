import { inAll, sumOf, type Breakdown, type Counted } from "./types";
import { OF_EACH, OF_WHICH } from "./words";

const THE_REST =
  /(?<=[,:;]\s*(?:(?:and|und)\s+)?|(?<!\p{L})(?:and|und|plus)\s+)(?:(?:the|all\s+the)\s+)?(?:rest|remainder|remaining(?:\s+ones)?|others)(?:\s+of\s+them)?(?!\p{L})|(?<=[,:;]\s*(?:und\s+)?|(?<!\p{L})und\s+)(?:de[rnm]\s+)?(?:rest|übrigen)(?!\p{L})/iu;

/**
 * “10 dz Copper Lodger olive, 6 dz in 14 and the rest in 16”: what is left of the first quantity is a part of it, too.
 */
export function withTheRest({ text, start, quantities }: Counted): Breakdown | undefined {
  const [total, ...told] = quantities;
  const [first, ...others] = told;
  const rest = THE_REST.exec(text);
  if (total?.flies === undefined || !first || !rest || told.some((q) => q.flies === undefined)) return undefined;
  const at: [number, number] = [start + rest.index, start + rest.index + rest[0].length];
  const left = total.flies - sumOf(told);
  const isBehindAll = told.every((q) => q.at[1] <= at[0]);
  // “2 dz each in 12 and 16, the rest in 14”: how much that leaves is known when it is known of how many.
  if (left <= 0 || !isBehindAll || OF_EACH.test(text)) return undefined;
  // “3 dz, of which 1 dz in 8 and the rest in 10”: what says that they are parts goes with the first.
  const lead = OF_WHICH.exec(text.slice(0, first.at[0] - start))?.[0].length ?? 0;
  const withLead = { ...first, at: [first.at[0] - lead, first.at[1]] as [number, number] };
  return inAll(
    quantities,
    [withLead, ...others, { at, flies: left }].map((q) => ({ ...q, isPart: true })),
  );
}
