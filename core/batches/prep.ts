import type { ComposedFly } from "../fly";

export const prepKinds = [
  "bead hooks",
  "sort hackle",
  "pair slips",
  "mill blend",
  "cut lengths",
  "make parts",
] as const;
export type PrepKind = (typeof prepKinds)[number];

/** Work away from the vise, done once for a batch. Minutes are estimates until the room has its own. */
export interface PrepTask {
  kind: PrepKind;
  component: string;
  title: string;
  /** Shared tool that it holds, if any. */
  station?: "mill";
  /** What comes out of it, in pieces. */
  units: number;
  minutes: number;
}

interface PrepRate {
  fixed: number;
  perUnit: number;
  title: (units: number, material: string) => string;
  station?: "mill";
}

const rates: Record<Exclude<PrepKind, "make parts">, PrepRate> = {
  "bead hooks": { fixed: 3, perUnit: 0.12, title: (n, m) => `Put ${n} × ${m} on hooks` },
  "sort hackle": { fixed: 4, perUnit: 0.35, title: (n, m) => `Sort and strip ${n} feathers of ${m} by barb length` },
  "pair slips": { fixed: 4, perUnit: 0.5, title: (n, m) => `Pair ${n} left with right slips of ${m}` },
  "mill blend": { fixed: 15, perUnit: 0, title: (_n, m) => `Mill the blend ${m}`, station: "mill" },
  "cut lengths": { fixed: 2, perUnit: 0.08, title: (n, m) => `Cut ${n} lengths of ${m}` },
};

const task = (kind: keyof typeof rates, component: string, material: string, units: number): PrepTask => {
  const rate = rates[kind];
  return {
    kind,
    component,
    title: rate.title(units, material),
    station: rate.station,
    units,
    minutes: Math.ceil(rate.fixed + rate.perUnit * units),
  };
};

/**
 * The preparation of a batch: what its components ask for, once for all flies started.
 * @param blendInStock blends that are there already need no milling
 */
export function prepTasks(
  fly: ComposedFly,
  flies: number,
  blendInStock: (material: string) => boolean = () => false,
): PrepTask[] {
  if (flies === 0) return [];
  return fly.parts.flatMap((part): PrepTask[] => {
    const { component, material } = part;
    if (part.made && part.makeMinutes > 0)
      return [
        {
          kind: "make parts",
          component,
          title: `Make the ${part.role} of ${material.name} for ${flies} flies`,
          units: flies,
          minutes: Math.ceil(part.makeMinutes * flies),
        },
      ];
    if (material.form === "bead") return [task("bead hooks", component, material.name, flies)];
    if (material.form === "blend")
      return blendInStock(material.code) ? [] : [task("mill blend", component, material.name, 1)];
    const kinds = new Set(part.uses.map((u) => u.use.kind));
    if (kinds.has("wound feather")) return [task("sort hackle", component, material.name, flies)];
    if (kinds.has("slips")) return [task("pair slips", component, material.name, flies)];
    if (kinds.has("cut") || kinds.has("strands")) return [task("cut lengths", component, material.name, flies)];
    return [];
  });
}
