import { computed, term, type Derivation, type Source } from "../derivation";
import type { ComposedFly } from "../fly";

/** What is wound between two places. */
export function windWorking(fly: ComposedFly, stepId: string): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  const spot = r?.from === r?.to;
  return {
    formula: spot ? "Turns at one spot" : "Wind",
    written: spot ? "N · π · (D̄ + core)" : "Σ √((π · (D + core · max(1, g)))² + p²) · Δx / p over 250 stations",
    inputs: [
      term("from", r?.from ?? 0, "mm", { from: "pattern", where: r?.name ?? "" }),
      term("to", r?.to ?? 0, "mm", { from: "pattern", where: r?.name ?? "" }),
      term("shank", fly.hook.shank, "mm", fly.hook.sources.shank),
      term("wire", fly.hook.wire, "mm", fly.hook.sources.wire),
    ],
    through: [
      { name: "turns", value: r?.turns ?? 0, unit: "turns" },
      { name: "pitch", value: r?.pitch ?? 0, unit: "mm" },
      { name: "cover", value: r?.cover ?? 0, unit: "" },
    ],
    result: { name: "wound length", value: r?.length ?? 0, unit: "mm" },
  };
}

/** What comes off the spool for it. */
export function spoolWorking(fly: ComposedFly, stepId: string, mm: number, name: string): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  return {
    formula: "From the spool",
    written: "L / σ + bound + trim",
    inputs: [
      term("L, wound", r?.length ?? 0, "mm"),
      term("σ, stretch", r?.stretch ?? 1, "", { from: "pattern", where: name }),
      term("bound", r?.bound ?? 0, "mm"),
      term("trim", r?.trim ?? 0, "mm", { from: "pattern", where: name }),
    ],
    through: [],
    result: { name: `${name}: a fly`, value: mm, unit: "mm" },
    parts: [windWorking(fly, stepId)],
  };
}

/** What the thread is spent on. */
export function threadWorking(fly: ComposedFly, mm: number): Derivation {
  const t = fly.tied.threads.find((x) => x.use.total === mm)?.use;
  const causes = [
    ["start tag", t?.startTag],
    ["windings", t?.windings],
    ["tie-ins", t?.tieIns],
    ["over what is bound down", t?.overLays],
    ["under dubbing", t?.underDubbing],
    ["dubbing loops", t?.loops],
    ["whip finish", t?.whip],
    ["finish tag", t?.finishTag],
  ] as const;
  return {
    formula: "Thread",
    written: "1.15 × the sum of every cause",
    inputs: causes.filter(([, v]) => (v ?? 0) > 0).map(([n, v]) => term(n, v ?? 0, "mm", computed)),
    through: [],
    result: { name: "thread: a fly", value: mm, unit: "mm" },
  };
}

/** Hair by clump, or what is dressed on. */
export function massWorking(
  fly: ComposedFly,
  stepId: string,
  mg: number,
  name: string,
  fromMaterial: Source,
  fromPattern: Source,
): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  if (r?.do !== "dress") {
    const width = fly.steps.find((s) => s.id === stepId)?.widthMm ?? 0;
    return {
      formula: "Hair by clump",
      written: "π/4 · q² · length · ρ · 0.6",
      inputs: [
        term("q, clump squeezed", width, "mm", fromPattern),
        term("length", (r?.lengthEach ?? 0) + (fly.steps.find((s) => s.id === stepId)?.shownMm ?? 0), "mm"),
      ],
      through: [],
      result: { name: `${name}: a fly`, value: mg, unit: "mg" },
    };
  }
  return {
    formula: "Dress",
    written: "V · ρ / (1 − loss), V between the old body and the new",
    inputs: [
      term("from", r.from, "mm", fromPattern),
      term("to", r.to, "mm", fromPattern),
      term("V, volume", r.volume ?? 0, "mm³"),
      term("diameter beneath", r.under ?? 0, "mm"),
      term("packed density and loss", (r.volume ?? 0) > 0 ? mg / (r.volume ?? 1) : 0, "mg/mm³", fromMaterial),
    ],
    through: [
      { name: "noodle of the same mass", value: r.noodle ?? 0, unit: "mm" },
      { name: "diameter at the eye end", value: r.endDiameters?.[0] ?? 0, unit: "mm" },
      { name: "diameter at the bend end", value: r.endDiameters?.[1] ?? 0, unit: "mm" },
    ],
    result: { name: `${name}: a fly`, value: mg, unit: "mg" },
  };
}
