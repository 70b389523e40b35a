import type { Coded } from "../errors";

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
