/** “10, 12 and 14”, “8-10-12”: several sizes in a row. */
export const SIZES_TOLD =
  /(?<![\p{L}\d])#?\d{1,2}(?:\/0)?(?:(?:\s*(?:,|and|und|&|\/)\s*#?\d{1,2}(?:\/0)?)+|(?:\s*[-–]\s*#?\d{1,2}){2,})(?![\p{L}\d])/iu;

/** Says that a quantity is that of each of several. */
export const OF_EACH = /(?<!\p{L})(?:each|apiece|ea|je|jeweils)(?!\p{L})/iu;

/** Ahead of a quantity: that it is a part of the one before. */
export const OF_WHICH = /(?<!\p{L})(?:of\s+which|thereof|davon|darunter|including|incl\.?)\s+$/iu;
