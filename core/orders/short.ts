const GERMAN =
  /(?<!\p{L})(?:gr\.|größe|gelb|grün|rot|schwarz|weiß|braun|grau|oliv|und|bitte|bis|dtzd?|stück|mai|märz|juni|oktober|dezember)(?!\p{L})/iu;

/**
 * “24 St. Meadow Hopper”: pieces, as German shops shorten them. In English it is the end of an ordinal or a saint, so
 * other words have to be German as well.
 *
 * @returns a text of the same length
 */
export const withPieces = (text: string): string =>
  GERMAN.test(text) ? text.replace(/(?<=\d\s?)St\.(?=\s+\p{L})/gu, "Stk") : text;
