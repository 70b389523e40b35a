import type { Coded } from "../errors";
import type { Policy } from "./types";

/** What a destination forbids. */
export interface Destination {
  noLead: boolean;
  barblessOnly: boolean;
  forbiddenSpecies: string[];
}

/** Materials and hook of one order line, as far as a destination cares. */
export interface LineContents {
  label: string;
  barbless: boolean;
  materials: { name: string; lead: boolean; controlledSpecies?: string }[];
}

/** What a customer wants to be kept to with some flies: which materials, and what the place they go to forbids. */
export interface FlyRules {
  policy: Policy;
  destination: Destination;
}

/** A fly as it is about to be tied: also what is taken in place of what was ordered, and what is left out. */
export interface TiedContents extends LineContents {
  taken: { material: string; part: string }[];
  left: string[];
}

/** What of a line a destination forbids. */
export interface DestinationConflictDetails {
  HAS_LEAD: { line: string; material: string };
  IS_BARBED: { line: string };
  HAS_FORBIDDEN_SPECIES: { line: string; material: string };
}
export type DestinationConflict = Coded<DestinationConflictDetails>;

/**
 * What in a line the destination forbids. It compares with what was written down for that customer and declares
 * nothing legal: local law decides.
 */
export function destinationConflicts(destination: Destination, line: LineContents): DestinationConflict[] {
  const { label } = line;
  const lead = destination.noLead ? line.materials.filter((m) => m.lead) : [];
  const forbidden = line.materials.filter(
    (m) => m.controlledSpecies !== undefined && destination.forbiddenSpecies.includes(m.controlledSpecies),
  );
  return [
    ...lead.map((m) => ({ code: "HAS_LEAD" as const, details: { line: label, material: m.name } })),
    ...(destination.barblessOnly && !line.barbless ? [{ code: "IS_BARBED" as const, details: { line: label } }] : []),
    ...forbidden.map((m) => ({ code: "HAS_FORBIDDEN_SPECIES" as const, details: { line: label, material: m.name } })),
  ];
}

/** What of a fly goes against a rule of its customer. */
export interface RuleBreachDetails extends DestinationConflictDetails {
  TAKES_OTHER: { line: string; material: string; part: string };
  LEAVES_OUT: { line: string; part: string };
}
export type RuleBreach = Coded<RuleBreachDetails>;

/**
 * What in a fly, as it is about to be tied, its customer's rules speak against: all that the destination forbids, and,
 * for one who wants the original materials only, each part of another material and each that is left out, unless the
 * order itself asks for that.
 */
export function ruleBreaches({ policy, destination }: FlyRules, fly: TiedContents): RuleBreach[] {
  const { label: line } = fly;
  const forbidden: RuleBreach[] = destinationConflicts(destination, fly);
  if (policy !== "original") return forbidden;
  return [
    ...forbidden,
    ...fly.taken.map((details) => ({ code: "TAKES_OTHER" as const, details: { line, ...details } })),
    ...fly.left.map((part) => ({ code: "LEAVES_OUT" as const, details: { line, part } })),
  ];
}
