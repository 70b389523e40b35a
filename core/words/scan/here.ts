import { match } from "../parse";
import type { Told, ScanContext, Next } from "../told";
import { CabinetIndex } from "../cabinet";

export const article = match("(?:the|a|an|some|this|that|your|any)\\s+");

export const hasContent = (t: Told): boolean =>
  t.verb !== undefined || t.understood.length > 0 || t.rest.length > 0 || t.loose.length > 0;

/** A place of a clause, with what was told up to it. */
export interface Here {
  told: Told;
  text: string;
  at: number;
  to: number;
  context: ScanContext;
  /** What stands here is the stuff, whatever it is called. */
  canBeNoun: boolean;
  /** The clause is read again, as one of a kind that is given: only what belongs to that kind is looked for. */
  isGiven: boolean;
}

export type Step = (here: Here) => Next | undefined;

export const unlessGiven =
  (...readers: Step[]): Step =>
  (here) =>
    here.isGiven ? undefined : firstOf(readers, here);

export function firstOf(readers: readonly Step[], here: Here): Next | undefined {
  for (const read of readers) {
    const next = read(here);
    if (next) return next;
  }
  return undefined;
}

/** Kept as it was typed: an instruction, that takes nothing. */
export function keep({ told, at, to }: Here, end: number | undefined): Next | undefined {
  if (end === undefined) return undefined;
  told.kept.push({ at, end });
  return { told, end: Math.min(end, to) };
}

export const isBegun = (told: Told): boolean => hasContent(told) || told.kept.length > 0;

/** “wetted”, “trimmed”: said of what is described; it is no verb of its own. */
export const isPast = /^\w+ed\b/;

export const noCabinet = new CabinetIndex([]);

export const asNext = (told: Told, found: { end: number } | undefined): Next | undefined =>
  found && { told, end: found.end };
