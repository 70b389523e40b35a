import { computed, term, type Derivation } from "../derivation";
import type { ComposedFly } from "../fly";

/** The mass of one fly, by what it is made of. */
export function weightWorking(fly: ComposedFly): Derivation {
  const { hook, beads, materials, dubbing, thread, total } = fly.tied.mass;
  const weighed = fly.hook.weighed !== undefined;
  const inputs = [
    term("hook", hook, "mg", weighed ? { from: "measured", where: `weighed, size ${fly.hook.size}` } : computed),
    term("beads and eyes", beads, "mg", { from: "material", where: "weighed parts" }),
    term("what is wound and laid", materials, "mg"),
    term("dubbing that stays", dubbing, "mg"),
    term("thread, without tags", thread, "mg"),
  ].filter((t) => t.value > 0);
  return {
    formula: "Weight",
    written: "hook + parts + Σ ρ · A · (L/σ + bound) + fibres + dubbing + τ/9000 · thread",
    inputs,
    through: [],
    result: { name: "a fly", value: total, unit: "mg" },
  };
}

/** The minutes of one fly: the pattern's own, and what this choice adds or spares. */
export function minutesWorking(fly: ComposedFly): Derivation {
  const { standard, ways, leftOut, filled, ready } = fly.minutesOf;
  const inputs = [
    term("the pattern's minutes", standard, "min", { from: "pattern", where: "one after another" }),
    ...[
      term("ways that differ from the pattern's", ways, "min"),
      term("parts left out, an even share each", leftOut, "min"),
      term("turns that fill the gap", filled, "min"),
      term("wound on the hooks beforehand", ready, "min"),
    ].filter((t) => Math.abs(t.value) > 1e-9),
  ];
  return {
    formula: "Minutes",
    written: "standard + ways + left out + filled + ready",
    inputs,
    through: [],
    result: { name: "a fly", value: fly.minutes, unit: "min" },
  };
}
