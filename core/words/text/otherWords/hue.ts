import { isColour } from "../../../materials";

/** A colour, or how a feather is marked. */
export const isHue = (word: string): boolean =>
  isColour(word.toLowerCase()) || /^(?:grizzl[ey]|badger|furnace|cree|barred|ginger)$/i.test(word);
