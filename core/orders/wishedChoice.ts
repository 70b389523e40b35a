import type { Coded } from "../errors";
import type { ComposedFly } from "../fly";
import { nearHooks, type HookModel } from "../hooks";
import type { Material, Materials } from "../materials";
import { ownDressing } from "../methods";
import { dressedAs } from "../needs";
import {
  allowedFor,
  codeOf,
  componentsOf,
  hookOf,
  plainAsked,
  type Asked,
  type Component,
  type Dressing,
  type FlyChoice,
  type Recipe,
  type Role,
} from "../recipe";
import type { Wish } from "./types";

/** What became of a wish: a choice of the pattern, or why it stays in the customer's words for everyone to see. */
export interface WishFateDetails {
  LEFT_OUT: { part: string };
  TAKEN: { part: string; material: string };
  OTHER_HOOK: { hook: string };
  DRESSED: { dressing: Dressing };
  /** The fly is so already. */
  SO_ALREADY: Nothing;
  NOT_OPTIONAL: { part: string };
  NOT_IN_COLOUR: { part: string; colour: string };
  NOT_DRESSED_SO: Nothing;
  NO_SUCH_HOOK: Nothing;
  HAS_LEAD: { materials: string[] };
}
type Nothing = Record<never, never>;
export type WishFate = Coded<WishFateDetails> & { words: string };

/** Everything that a wish is held against. */
export interface Wishing {
  recipe: Recipe;
  choice: Pick<FlyChoice, "size" | "variant" | "form">;
  /** The pattern's own fly of that choice. */
  fly: ComposedFly;
  materials: Materials;
  hooks: ReadonlyMap<string, HookModel>;
}

/**
 * What of a customer's wishes is a choice of the pattern: parts left out, materials and hooks taken, how it is dressed.
 * Nothing is chosen that the pattern does not allow; what cannot be chosen stays a wish, with the reason.
 *
 * @returns `asked` for the line, and for each wish that is about the fly what became of it
 */
export function wishedChoice(
  wishes: readonly Pick<Wish, "kind" | "words">[],
  of: Wishing,
): { asked: Asked; fates: WishFate[] } {
  const asked = { leave: [] as string[], use: {} as Record<string, string>, methods: {} as Record<string, string> };
  const fates = wishes.flatMap((w) => fatesOf(w, of, asked).map((fate): WishFate => ({ ...fate, words: w.words })));
  return { asked: plainAsked(asked), fates };
}

type Choosing = { leave: string[]; use: Record<string, string>; methods: Record<string, string> };
type Fate = Coded<WishFateDetails>;

function fatesOf(wish: Pick<Wish, "kind" | "words">, of: Wishing, asked: Choosing): Fate[] {
  switch (wish.kind) {
    case "without":
      return leftOut(wish.words, of, asked);
    case "part":
      return ofColour(wish.words, of, asked);
    case "sparse":
    case "full":
      return [dressed(wish.kind, of, asked)];
    case "barbless":
      return [onBarbless(of, asked)];
    case "leadFree": {
      const lead = [...new Set(of.fly.parts.filter((p) => p.material.lead).map((p) => p.material.name))];
      return [lead.length > 0 ? { code: "HAS_LEAD", details: { materials: lead } } : soAlready];
    }
    case "policy":
    case "parcels":
    case "rush":
    case "sample":
    case "own":
      return [];
  }
}
const soAlready: Fate = { code: "SO_ALREADY", details: {} };

/** The parts that a customer's word means, in English and German. */
const partWords: [RegExp, Role[]][] = [
  [/\b(?:tail|schwanz|schwänzchen)/iu, ["tail"]],
  [/\b(?:hackle|hechel)/iu, ["hackle", "collar"]],
  [/(?:\bwing|flügel)/iu, ["wing", "underwing"]],
  [/\b(?:rib|rippung)/iu, ["rib"]],
  [/\b(?:bod(?:y|ies)|körper)/iu, ["body"]],
  [/\bthorax/iu, ["thorax"]],
  [/\bcollar/iu, ["collar"]],
  [/\b(?:leg|beine)/iu, ["legs"]],
  [/\b(?:eye|augen)/iu, ["eyes"]],
  [/\bcheek/iu, ["cheeks"]],
  [/\b(?:flash|sparkle|glitter|glitzer)/iu, ["flash"]],
  [/\btag/iu, ["tag"]],
  [/\bbutt/iu, ["butt"]],
  [/\bthroat/iu, ["throat"]],
  [/\btopping/iu, ["topping"]],
  [/\b(?:bead|perle)/iu, ["bead"]],
  [/\b(?:head|kopf)/iu, ["head"]],
];

function partsMeant(words: string, { recipe, choice, fly }: Wishing): Component[] {
  const roles = partWords.find(([word]) => word.test(words))?.[1] ?? [];
  const formOf = new Map(fly.parts.map((p) => [p.component, p.material.form]));
  return componentsOf(recipe, { form: choice.form }).filter(
    (c) => roles.includes(c.role) || (roles.includes("flash") && formOf.get(c.id) === "flash"),
  );
}

function leftOut(words: string, of: Wishing, asked: Choosing): Fate[] {
  const parts = partsMeant(words, of);
  if (parts.length === 0) return [soAlready];
  return parts.map((c): Fate => {
    if (!c.optional) return { code: "NOT_OPTIONAL", details: { part: c.role } };
    asked.leave.push(c.id);
    return { code: "LEFT_OUT", details: { part: c.role } };
  });
}

const german: Record<string, string> = {
  rot: "red",
  schwarz: "black",
  weiß: "white",
  gelb: "yellow",
  grün: "green",
  braun: "brown",
  blau: "blue",
  golden: "gold",
  silbern: "silver",
};

/** The colour of “red tail”, “rote Schwänzchen”: its first word, in English, without what German declines. */
function colourIn(words: string): string {
  const first =
    words
      .replace(/^(?:with|in|on|mit|auf)\s+(?:an?\s+)?/iu, "")
      .split(/\s+/)[0]
      ?.toLowerCase() ?? "";
  const plain = first.replace(/e[nrms]?$/u, "");
  return german[plain] ?? (first === "gray" ? "grey" : first);
}

const isOfColour = (m: Material | undefined, colour: string): boolean =>
  m !== undefined && new RegExp(`\\b${colour}\\b`, "iu").test(`${m.colourName ?? ""} ${m.name}`);

function ofColour(words: string, of: Wishing, asked: Choosing): Fate[] {
  const colour = colourIn(words);
  const parts = partsMeant(words, of);
  if (parts.length === 0)
    return [{ code: "NOT_IN_COLOUR", details: { part: words.split(/\s+/).at(-1) ?? words, colour } }];
  return parts.map((c): Fate => {
    const now = of.materials.get(codeOf(of.recipe, of.choice, c) ?? "");
    if (isOfColour(now, colour)) return soAlready;
    const other = now && allowedFor(c, now, of.materials).find((a) => isOfColour(of.materials.get(a.material), colour));
    if (!other) return { code: "NOT_IN_COLOUR", details: { part: c.role, colour } };
    asked.use[c.id] = other.material;
    return {
      code: "TAKEN",
      details: { part: c.role, material: of.materials.get(other.material)?.name ?? other.material },
    };
  });
}

function dressed(wanted: Dressing, { recipe, fly }: Wishing, asked: Choosing): Fate {
  if (ownDressing(recipe) === wanted) return soAlready;
  const ways = dressedAs(fly, wanted);
  if (!recipe.densityBand?.includes(wanted) || Object.keys(ways).length === 0)
    return { code: "NOT_DRESSED_SO", details: {} };
  Object.assign(asked.methods, ways);
  return { code: "DRESSED", details: { dressing: wanted } };
}

function onBarbless({ recipe, choice, hooks }: Wishing, asked: Choosing): Fate {
  const own = hooks.get(hookOf(recipe, { form: choice.form }));
  if (own?.barbless) return soAlready;
  const near = own && nearHooks(own, choice.size, hooks.values(), recipe.shankTolerance ?? 0);
  const other = near?.find((h) => h.fits && hooks.get(h.id)?.barbless);
  const component = recipe.components.find((c) => c.role === "hook");
  if (!other || !component) return { code: "NO_SUCH_HOOK", details: {} };
  asked.use[component.id] = other.id;
  return { code: "OTHER_HOOK", details: { hook: other.name } };
}
