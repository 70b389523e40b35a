import { anyOf } from "../../parse";

/** What a figure in mm says with these words behind it is where, how thick or how much shows: no piece is so long. */
export const NO_PIECE = anyOf(
  "apart",
  "(?:is\\s+|are\\s+)?(?:left\\s+)?hang(?:s|ing)?",
  "stick(?:s|ing)?",
  "show(?:s|ing)?",
  "behind",
  "in\\s+front",
  "past",
  "from",
  "thick",
  "wide",
  "before",
  "ahead",
  "noodle",
);
