import { isColour } from "../../../materials";
import { NUMBER_WORD } from "../number";

/** A colour, or how a feather is marked. */
export const isHue = (word: string): boolean =>
  isColour(word.toLowerCase()) || /^(?:grizzl[ey]|badger|furnace|cree|barred)$/i.test(word);

/** A count in figures or in a word, as part of a pattern. */
export const A_COUNT = `(?:\\d+|${NUMBER_WORD})`;
