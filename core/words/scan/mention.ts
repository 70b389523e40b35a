import type { Told, Next } from "../told";
import type { Description } from "../description";

/** A material that a clause comes to. */
export interface Mention {
  told: Told;
  text: string;
  /** Where it is mentioned, with the article before it. */
  at: number;
  begin: number;
  found: Description;
  /** It stands where the clause names what it is about. */
  atHead: boolean;
}

/** The words right before a mention. */
export const lead = ({ text, begin }: Mention, signs: number): string => text.slice(Math.max(0, begin - signs), begin);

export const understand = ({ told, at, found }: Mention): Next => {
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
};
