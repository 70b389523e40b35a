import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { DomainError, type ErrorCode, type ErrorDetails } from ".";
import { sentenceOf } from "../sentences";

/** One of each, as it could happen. */
const examples: { [C in ErrorCode]: ErrorDetails[C] } = {
  HOOK_SIZE_UNREADABLE: { text: "big" },
  HOOK_SIZE_NOT_MADE: { hook: "Nymph", size: "11", sizes: ["10", "12"] },
  HOOK_SIZE_TOO_FAR: { size: "26", quantity: "shank", measure: ["size 26", "size 24"] },
  ZONE_OVER_EYE: { fromMm: -1.25 },
  ZONE_BEYOND_PROFILE: { toMm: 20, endMm: 12 },
  ZONE_EMPTY: { fromMm: 1, toMm: 1 },
  ZONE_UNDER_BEAD: { fromMm: 0, toMm: 1, beadMm: 2.4 },
  SPOT_UNDER_BEAD: { atMm: 1, beadMm: 2.4 },
  SPOT_OFF_PROFILE: { atMm: 40, endMm: 12 },
  TOO_MANY_TURNS: { turns: 900, cover: 14 },
  WIND_RULE_INVALID: { given: ["turns", "pitch"] },
  STRETCH_INVALID: { stretch: 0.5 },
  PIECE_TOO_SHORT: { pieceMm: 20, neededMm: 64 },
  FEATHER_TOO_SHORT: { usableMm: 10, neededMm: 24 },
  PATCH_TOO_SMALL: { patchMm2: 20, neededMm2: 25 },
  FIBRES_TOO_FEW: { perFeather: 10, perFly: 12 },
  TOO_MANY_STEPS: { steps: 61, most: 60 },
  STEP_NEEDS: { step: "tail", missing: "a component" },
  LENGTH_RULE_UNRESOLVED: { part: "wing" },
  LENGTH_LEAVES_NOTHING: { against: "point", mm: -1.2 },
  PATTERN_INCOMPLETE: { missing: [{ code: "HOOK_NOT_NAMED", details: {} }] },
  PATTERN_SIZE_OUTSIDE: { size: "8", from: "10", to: "16" },
  PATTERN_VARIANT_UNKNOWN: { variant: "pink", known: ["olive"] },
  MATERIAL_UNKNOWN: { material: "X", component: "tail" },
  PROBABILITY_INVALID: { name: "level", value: 2 },
  TOO_LITTLE_KNOWN: { owed: 12 },
  QUANTITY_INVALID: { name: "turns", value: -1 },
  NAMED_TWICE: { what: "a class of feathers", id: "8-9 mm" },
  SOLVER_FAILED: { what: "the cheapest mix", status: "Time limit reached" },
  SCHEDULE_INVALID: { reason: "Two jobs share a bench." },
  MINUTES_INVALID: { flies: 0, minutes: 30 },
  REHEARSAL_INVALID: { reason: "A plan is played through from 1 to 100000 times, not 0." },
  METHOD_UNKNOWN: { step: "body", question: "dubbing way", school: "glued", known: ["loop"] },
  BLEND_CYCLE: { blend: "x", through: ["y", "x"] },
  NOT_OPTIONAL: { component: "body" },
  BLEND_EMPTY: { blend: "BL-X" },
  BLEND_TOO_DEEP: { blend: "BL-X", most: 6 },
  PLACE_NOT_THERE: { part: "weight" },
  LEFTOVER_IMPOSSIBLE: { usedMm: 90, mostMm: 80, leastMm: 20, overlap: 0.12 },
  FIBRE_TOO_SHORT: { part: "tail", material: "pheasant tail", reachMm: 60, neededMm: 93, boundMm: 13 },
  USE_ABSURD: { part: "body", material: "plume", each: 62, of: "feathers", look: "the number of fibres" },
  KEPT_OTHERWISE: { part: "tail", material: "yarn", kept: "by length", needed: "by weight" },
  FIGURE_OUT_OF_BOUNDS: { name: "trim", value: -60, least: 0, most: 600, unit: "mm" },
  SLIP_TOO_WIDE: { widthMm: 62, spanMm: 50 },
  FEATHER_WITHOUT_FIBRES: { material: "game hen" },
  LANDMARK_NOT_THERE: { landmark: "between the bends", hook: "a hook with one point" },
};

describe("sentences", () => {
  test.each(Object.keys(examples) as ErrorCode[])(
    "%s is one that a person can read: whole, with its numbers, without code names",
    (code) => {
      const sentence = sentenceOf(new DomainError(code, examples[code] as never));
      expect(sentence).toMatch(/^[A-Z“\d].*[.!?]$/s);
      expect(sentence).not.toMatch(/undefined|NaN|\[object|[A-Z]{3,}_/);
      const numbers = Object.values(examples[code])
        .filter((v) => typeof v === "number")
        .map((v) => String(Math.abs(v as number)));
      if (numbers.length > 0 && code !== "ZONE_EMPTY") expect(numbers.some((n) => sentence.includes(n))).toBe(true);
    },
  );
  test("a sentence is there for every code", () => {
    const source = readFileSync(new URL("./index.ts", import.meta.url), "utf8");
    const codes = [...(source.split("export type ErrorCode")[0] ?? "").matchAll(/^ {2}([A-Z_]+): \{/gm)].map(
      (m) => m[1],
    );
    expect(codes.sort()).toEqual(Object.keys(examples).sort());
  });
  test("an error keeps its code and details for the log", () =>
    expect(new DomainError("ZONE_EMPTY", { fromMm: 1, toMm: 1 }).message).toBe('ZONE_EMPTY {"fromMm":1,"toMm":1}'));
});
