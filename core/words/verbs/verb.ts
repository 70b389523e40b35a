import type { Telling } from "../bench";
import { match, type Reader } from "../parse";
import type { VerbId } from "./ids";

/** A verb: the words by which it is told, and what it does at the bench. One module each: docs/patterns.md. */
export interface Verb {
  id: VerbId;
  /** Reads its words at the head of a clause. */
  reads: Reader<unknown>;
  tell: (telling: Telling) => void;
}

export const verb = (id: VerbId, source: string, tell: Verb["tell"]): Verb => ({ id, reads: match(source), tell });
