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

/**
 * What in a line the destination forbids, as sentences. It compares with what was written down for that customer and
 * declares nothing legal: local law decides.
 */
export function destinationConflicts(destination: Destination, line: LineContents): string[] {
  const conflicts: string[] = [];
  if (destination.noLead)
    for (const m of line.materials)
      if (m.lead) conflicts.push(`${line.label} has lead in it (${m.name}), which this destination forbids.`);
  if (destination.barblessOnly && !line.barbless)
    conflicts.push(
      `${line.label} is on a barbed hook, and this destination wants barbless ones. Barbs can be pressed down, or another hook chosen.`,
    );
  for (const m of line.materials)
    if (m.controlledSpecies && destination.forbiddenSpecies.includes(m.controlledSpecies))
      conflicts.push(`${line.label} has ${m.name} in it, of a species that this destination forbids.`);
  return conflicts;
}
