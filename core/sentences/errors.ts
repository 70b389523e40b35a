import type { DomainError, ErrorCode, ErrorDetails, Sentences } from "../errors";
import { missingWords } from "./missing";

const round = (value: number) => String(Math.round(value * 100) / 100);

/** One sentence per code, saying what is wrong and what would be right. */
const sentences: Sentences<ErrorDetails> = {
  HOOK_SIZE_UNREADABLE: (d) =>
    `“${d.text}” is not a hook size. Write a number such as 14, or an aught size such as 2/0.`,
  HOOK_SIZE_NOT_MADE: (d) => `${d.hook} does not come in ${d.size}. It comes in ${d.sizes.join(", ")}.`,
  HOOK_SIZE_TOO_FAR: (d) =>
    `Size ${d.size} lies more than two sizes beyond what was measured for the ${d.quantity}. Measure ${d.measure.join(" or ")} on this hook.`,
  ZONE_OVER_EYE: (d) =>
    `It winds over the eye: the zone begins ${round(-d.fromMm)} mm before it. Begin at the eye or behind it.`,
  ZONE_BEYOND_PROFILE: (d) => `The zone ends at ${round(d.toMm)} mm, past the end of the hook at ${round(d.endMm)} mm.`,
  ZONE_EMPTY: () => `The zone has no length. Give it a beginning and an end that differ.`,
  ZONE_UNDER_BEAD: (d) =>
    `The whole zone lies under the bead, which takes the first ${round(d.beadMm)} mm. Move it behind the bead.`,
  SPOT_UNDER_BEAD: (d) =>
    `The place at ${round(d.atMm)} mm lies under the bead, which takes the first ${round(d.beadMm)} mm.`,
  SPOT_OFF_PROFILE: (d) => `The place at ${round(d.atMm)} mm lies off the hook, which ends at ${round(d.endMm)} mm.`,
  TOO_MANY_TURNS: (d) =>
    `${round(d.turns)} turns are too many for the zone: they would lie ${round(d.cover)} deep, 12 is the most.`,
  WIND_RULE_INVALID: (d) =>
    `A winding needs exactly one of touching, overlap, turns or pitch; given: ${d.given.join(", ") || "none"}.`,
  STRETCH_INVALID: (d) => `A stretch of ${round(d.stretch)} is not possible; 1 means not stretched.`,
  PIECE_TOO_SHORT: (d) =>
    `A piece of ${round(d.pieceMm)} mm is too short: one fly needs ${round(d.neededMm)} mm of it.`,
  FEATHER_TOO_SHORT: (d) =>
    `A feather with ${round(d.usableMm)} mm of usable stem is too short to tie in: holding and binding take ${round(d.neededMm)} mm.`,
  PATCH_TOO_SMALL: (d) =>
    `A patch with ${round(d.patchMm2)} mm² to use is too small: one fly takes ${round(d.neededMm2)} mm².`,
  FIBRES_TOO_FEW: (d) =>
    `One feather gives ${round(d.perFeather)} fibres, fewer than the ${round(d.perFly)} of one fly.`,
  TOO_MANY_STEPS: (d) => `A pattern has at most ${d.most} steps; this one has ${d.steps}.`,
  STEP_NEEDS: (d) => `The step “${d.step}” needs ${d.missing}.`,
  LENGTH_RULE_UNRESOLVED: (d) => `A length is stated against the ${d.part}, which is not on the fly at that step.`,
  LENGTH_LEAVES_NOTHING: (d) =>
    `A length stated against the ${d.against} leaves nothing at this size: it comes to ${round(d.mm)} mm. State a longer one, or tie the part in elsewhere.`,
  PATTERN_INCOMPLETE: (d) =>
    `The pattern is incomplete: ${d.missing.map(missingWords).join("; ")}. Complete it before it goes to a bench.`,
  PATTERN_SIZE_OUTSIDE: (d) => `Size ${d.size} is outside this pattern's sizes, ${d.from} to ${d.to}.`,
  PATTERN_VARIANT_UNKNOWN: (d) => `There is no variant “${d.variant}”. Known here: ${d.known.join(", ")}.`,
  MATERIAL_UNKNOWN: (d) =>
    d.material === undefined
      ? `Of what the ${d.component} is tied at this size is not stated. Name a material for it.`
      : `No material “${d.material}” is in the cabinet for the ${d.component}. Add it, or choose another.`,
  PROBABILITY_INVALID: (d) => `“${d.name}” cannot be ${d.value}: it lies between 0 and 1.`,
  TOO_LITTLE_KNOWN: (d) =>
    `Too little is known of the rejects to promise ${d.owed} flies. Log a batch of this pattern first, or lower the service level.`,
  QUANTITY_INVALID: (d) => `“${d.name}” cannot be ${d.value}. Give a quantity that can be measured.`,
  NAMED_TWICE: (d) => `“${d.id}” stands twice as ${d.what}. Name each once.`,
  SOLVER_FAILED: (d) => `“${d.what}” could not be worked out: ${d.status}. Try it with fewer materials at once.`,
  SCHEDULE_INVALID: (d) => d.reason,
  REHEARSAL_INVALID: (d) => d.reason,
  MINUTES_INVALID: (d) =>
    `Minutes teach something when flies were tied in them: both are above 0, not ${d.flies} flies in ${d.minutes} minutes.`,
  METHOD_UNKNOWN: (d) =>
    `“${d.step}” has no way “${d.school}” for the ${d.question}. Known: ${d.known.join(", ") || "none"}.`,
  BLEND_CYCLE: (d) =>
    `The blend “${d.blend}” would be mixed from itself, through ${d.through.join(", ")}. Take one of them out.`,
  BLEND_EMPTY: (d) => `“${d.blend}” is mixed of nothing: a blend has at least one part. Add what it is made of.`,
  BLEND_TOO_DEEP: (d) =>
    `The blend “${d.blend}” holds more than ${d.most} blends within each other. Mix it from plainer parts.`,
  PLACE_NOT_THERE: (d) => `A place is said against the ${d.part}, which is not on the fly before that step.`,
  LANDMARK_NOT_THERE: (d) => `There is no place “${d.landmark}” on ${d.hook}. Say the bend, or so much of the shank.`,
  FIGURE_OUT_OF_BOUNDS: (d) => {
    const from = `from ${d.least ?? "nothing"}`;
    const unit = d.unit === undefined ? "" : ` ${d.unit}`;
    return `“${d.name}” cannot be ${d.value}: give ${d.whole ? "a whole number" : "a figure"} ${from} to ${d.most}${unit}.`;
  },
  SLIP_TOO_WIDE: (d) =>
    `A slip of ${round(d.widthMm)} mm does not come from a feather with ${round(d.spanMm)} mm to use. Make it narrower, or take a larger feather.`,
  FEATHER_WITHOUT_FIBRES: (d) =>
    `Nobody has said how many fibres “${d.material}” gives: state its fibres per mm, its span and its usable share.`,
  LEFTOVER_IMPOSSIBLE: (d) =>
    `${round(d.usedMm)} mm used up cannot be: the winding takes ${round(d.mostMm)} mm unstretched and ${round(d.leastMm)} mm at its tightest. ${
      d.overlap === undefined
        ? "Measure the piece again, before and after."
        : `Turns that overlap by ${Math.round(d.overlap * 100)} % would use as much: say so, or measure the piece again.`
    }`,
  FIBRE_TOO_SHORT: (d) =>
    `“${d.part}” needs ${round(d.neededMm)} mm${d.boundMm > 0 ? `, ${round(d.boundMm)} of it bound down` : ""}; ${d.material} reaches ${round(d.reachMm)} mm. Show less, bind down less, or take a longer one.`,
  USE_ABSURD: (d) =>
    `“${d.part}” would take ${round(d.each)} ${d.of} of ${d.material} for one fly. Look at ${d.look}, in the pattern and in the drawer.`,
  KEPT_OTHERWISE: (d) =>
    `“${d.part}” says its amount ${d.needed}, and ${d.material} is kept ${d.kept}. Say it as the drawer counts it, or change how it is kept.`,
  NOT_OPTIONAL: (d) => `The ${d.component} cannot be left out of this pattern. Mark it optional first.`,
};

/** The sentence for a person, for any error of the core. */
export function sentenceOf<C extends ErrorCode>(error: DomainError<C>): string {
  return sentences[error.code](error.details);
}
