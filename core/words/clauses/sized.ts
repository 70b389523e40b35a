import { anyOf, map, match } from "../parse";
import { clause, type Clause, type SizedStuff } from "../said";
import { SIZES, spanIn } from "./common";

export const DIMENSION = anyOf(
  "\\d+(?:[.,]\\d+)?\\s*mm",
  '0?\\.\\d{2,3}(?:"|\\s*in(?:ch)?)?',
  '\\d\\/\\d{1,2}(?:"|\\s*in(?:ch)?)',
  "\\d{1,2}\\/0",
  "\\d{2,3}\\s*(?:denier|den|d)(?![a-z])",
  "\\d[.,]\\d(?=\\s+(?:on|for|in)\\s)",
  "(?:extra\\s+)?(?:small|fine|large|heavy)|medium|micro|mini|standard",
);
const ON = "(?:on|for|in)\\s+(?:the\\s+|an?\\s+)?(?:hook\\s+)?(?:sizes?\\s+)?";
const ONE = `(?:${DIMENSION})\\s+${ON}${SIZES}`;
const SEPARATOR = "(?:\\s*(?:,|;|and|but|or))+\\s*(?:a\\s+)?";
const listed = match(`((?:(?:${DIMENSION})\\s+)?${ON}${SIZES}(?:${SEPARATOR}${ONE})+|${ONE})`);
const one = new RegExp(`(?:(${DIMENSION})\\s+)?${ON}(${SIZES})`, "giu");
/** “on the 6s, 3 mm on 8s and 10s”: what was described, and other sizes of it on other hooks. */
export const onHooks: Clause = clause(
  "2.5 mm on 16s, 3 mm on 12s and 14s",
  map(listed, ([list = ""]) => {
    const told = [...list.matchAll(one)];
    const sized = told.flatMap(([, stuff, sizes = ""]): SizedStuff[] => {
      const span = spanIn(sizes);
      return span ? [{ sizes: span, ...(stuff !== undefined && { words: stuff }) }] : [];
    });
    return sized.length === told.length ? sized : undefined;
  }),
  (said, stuffOn) => void (said.stuffOn = stuffOn),
);
