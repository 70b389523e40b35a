import type { Fate } from "@kasten/contract/files";
import type { Db } from "../database/rows";
import type { Line } from "./line";

export interface Who {
  id: string;
}

/** What becomes of a line, in a sentence; and how it is taken in, where there is something to take in. */
export interface Judged {
  fate: Fate;
  says: string;
  take?: (db: Db, person: Who) => Promise<void>;
}

/** How lines of one kind of file are judged: against the room as it is, and the lines before them. */
export interface OpenReader {
  judge: (line: Line) => Judged;
  /** What is done once all lines have been taken in. */
  finish?: (db: Db, person: Who) => Promise<void>;
}
export type FileReader = (db: Db) => Promise<OpenReader>;

export const wrong = (...says: string[]): Judged => ({ fate: "wrong", says: says.join("; ") });
export const same = (says = "there already, and the same"): Judged => ({ fate: "same", says });
