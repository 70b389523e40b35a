import type { FlyChoice } from "./recipe";

/**
 * What is asked of a fly beside its pattern: parts left out, materials taken instead, ways, parts that are bought. A
 * customer's line asks it, a batch is tied by it, and both keep it.
 */
export type Asked = Pick<FlyChoice, "leave" | "use" | "methods" | "buy">;

const sorted = (table: Record<string, string> = {}): [string, string][] =>
  Object.entries(table).sort(([a], [b]) => (a < b ? -1 : 1));

/** Whether nothing is asked: the pattern's own fly. */
export const isPlain = ({ leave, use, methods, buy }: Asked): boolean =>
  (leave?.length ?? 0) + (buy?.length ?? 0) + Object.keys(use ?? {}).length + Object.keys(methods ?? {}).length === 0;

/** The same for everything that asks the same, whatever the order in which it was said; "" where nothing is asked. */
export const askedKey = (asked: Asked): string =>
  isPlain(asked)
    ? ""
    : JSON.stringify([
        [...(asked.leave ?? [])].sort(),
        sorted(asked.use),
        sorted(asked.methods),
        [...(asked.buy ?? [])].sort(),
      ]);

/**
 * The same for flies that a customer cannot tell apart: the same parts of the same materials, dressed alike. By which
 * school it was tied, and who made its parts, the finished fly does not show.
 */
export const finishedKey = ({ leave, use, methods }: Asked): string =>
  askedKey({
    leave,
    use,
    methods: Object.fromEntries(Object.entries(methods ?? {}).filter(([way]) => way.endsWith("/dressing"))),
  });

/** Only what is really asked, so that an empty table is the same as none. */
export function plainAsked({ leave, use, methods, buy }: Asked): Asked {
  return {
    ...(leave?.length && { leave: [...leave].sort() }),
    ...(buy?.length && { buy: [...buy].sort() }),
    ...(Object.keys(use ?? {}).length > 0 && { use }),
    ...(Object.keys(methods ?? {}).length > 0 && { methods }),
  };
}
