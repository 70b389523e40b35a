/** Where a stretch of a piece was typed: from a place of a line, as long as it is there. */
export interface Part {
  line: number;
  from: number;
  /** Where it begins in the piece. */
  at: number;
  length: number;
}
/** What is read as one line: a typed line, a part of one, or several over which one was broken. */
export interface Piece {
  text: string;
  parts: readonly Part[];
}
