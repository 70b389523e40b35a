const GERMAN =
  /(?<!\p{L})(?:gr\.|größe|gelb|grün|rot|schwarz|weiß|braun|grau|oliv|und|bitte|bis|dtzd?|stück|mai|märz|juni|oktober|dezember)(?!\p{L})/iu;

/**
 * “24 St. Meadow Hopper”, “rot u. schwarz”: pieces and “und”, as German shops shorten them. In English a “St.” is the
 * end of an ordinal or a saint, so other words have to be German as well.
 *
 * @returns a text of the same length
 */
export const withoutShort = (text: string): string =>
  GERMAN.test(text) ? text.replace(/(?<=\d\s?)St\.(?=\s+\p{L})/gu, "Stk").replace(/(?<=\s)u\.(?=\s)/gu, "& ") : text;

/**
 * “(14 olive: 2 dz; 16 olive: 3 dz)”: what stands within one pair of brackets is one list.
 *
 * @returns a text of the same length
 */
export const withLists = (text: string): string =>
  text.replace(/\([^()\n]*;[^()\n]*\)/gu, (inside) => inside.replaceAll(";", ","));
