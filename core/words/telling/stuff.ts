import { type Reading, lineOf } from "../reading";
import type { Telling } from "../bench";
import { isColour } from "../../materials";
import { modifiers } from "../lexicon/nouns";
import { saysItsStuff } from "../supply";
import { descriptionAt } from "../description";
import type { Component } from "../../recipe";

/** “Flash: 10 strands, silver”, “dub a tan body”: of what it is needs no word but its colour. */
export function byColour(r: Reading, t: Telling, i: number): Telling {
  const [pearl] = t.told.role === "rib" ? t.told.rest : [];
  const isPearl = pearl !== undefined && /pearl|holo/.test((r.plain[i] ?? "").slice(pearl.at, pearl.end));
  const form = t.told.verb === "dub" ? "dubbing" : isPearl ? "tinsel" : formOfColours[t.told.role ?? "hook"];
  const [rest] = t.told.rest;
  const words = rest ? (r.plain[i] ?? "").slice(rest.at, rest.end).trim() : "";
  const isSaid = (w: string): boolean =>
    isColour(w) || modifiers.has(w) || (w === "pearl" && t.told.role === "flash") || isOfSize.test(w);
  const known = words.split(/[\s/]+/).filter(isSaid).length;
  const isColours = words !== "" && known === words.split(/[\s/]+/).length;
  // “Dub with olive seahorse”: whatever it is called, it is what is dubbed.
  const said = words.split(" ");
  // “Caddis green”: a shade that is called so.
  const isShade = said.length === 2 && isColour(said[1] ?? "");
  const isStuff =
    t.told.verb === "dub" && known > 0 && stuffBehindColour.test(words) && (isColour(said[0] ?? "") || isShade);
  if (isStuff && rest && !t.told.description) {
    t.told.rest = t.told.rest.slice(1);
    t.told.understood.push(rest);
    return {
      ...t,
      told: { ...t.told, description: { ...rest, text: `${words} dubbing`, means: { form: "dubbing" } } },
    };
  }
  if (!form || t.told.description || !rest || !isColours) return t;
  t.told.rest = t.told.rest.slice(1);
  t.told.understood.push(rest);
  // “Front hackle: longer ginger”: longer than another, of the same stuff.
  const plainWords = words
    .split(/\s+/)
    .filter((w) => !isOfSize.test(w))
    .join(" ");
  return { ...t, told: { ...t.told, description: { ...rest, text: `${plainWords} ${form}`, means: { form } } } };
}

/** “Lead under the thorax, 6 turns”, “Dumbbells, 4 mm”: the part itself says what it is of. */
export function stuffByHead(r: Reading, t: Telling, i: number): Telling {
  const at = r.heads[i]?.named?.[0];
  if (t.told.description || at === undefined || !saysItsStuff(t.told)) return t;
  const description = descriptionAt(r.plain[i] ?? "", at, r.scanContext.index);
  if (!description) return t;
  t.told.rest = t.told.rest.filter((r) => r.at >= description.end);
  t.told.understood.push({ at: description.at, end: description.end });
  return { ...t, told: { ...t.told, description } };
}

export function askMaterial(r: Reading, t: Telling, i: number): void {
  const { told, line } = t;
  const rest = told.rest[0];
  const words = rest ? r.lines[i]?.slice(rest.at, rest.end).trim() : undefined;
  const role = told.role ?? "part";
  // “Dunlin or other brown feather”: what goes on is no name, and with a noun behind it no better one.
  const isCutOff = words !== undefined && /(?<!\p{L})(?:or|and)$/iu.test(words);
  line.asks.push({
    at: rest ? [rest.at, rest.end] : [told.at, told.end],
    sentence: words
      ? `What is “${words}”? Say what it is made of.`
      : `Of what ${isPlural(role) ? "are" : "is"} the ${role} tied?`,
    answers:
      words && !isCutOff
        ? (nounsOfRole[role] ?? ["dubbing", "floss", "yarn"]).map((noun) => ({
            label: `${words} ${noun}`,
            text: `${words} ${noun}`,
          }))
        : [],
  });
  if (rest) lineOf(r, i).marks.push({ at: [rest.at, rest.end], kind: "doubt" });
  told.rest = told.rest.slice(rest ? 1 : 0);
  // Later lines tie in and wind it all the same, whatever it turns out to be of.
  if (told.role === "rib" && words) r.bench.componentFor("rib", undefined, words);
}

const isOfSize = /^(?:longer|shorter|larger|smaller|bigger)$/;
const stuffBehindColour = /^(?:[a-z]+ ){1,2}[a-z]{4,}$/;

/** What a part is of where only colours are said of it. */
const formOfColours: Partial<Record<Component["role"], "flash" | "hackle">> = {
  flash: "flash",
  hackle: "hackle",
  collar: "hackle",
};

const isPlural = (role: string): boolean => role === "legs" || role === "eyes" || role === "cheeks";

const nounsOfRole: Partial<Record<string, string[]>> = {
  body: ["dubbing", "floss", "yarn", "chenille"],
  thorax: ["dubbing", "herl", "chenille"],
  tail: ["hackle fibres", "hair", "marabou"],
  wing: ["hair", "wing quill", "flank"],
  hackle: ["hackle", "soft hackle"],
  collar: ["soft hackle", "hackle"],
  rib: ["wire", "tinsel", "thread"],
  legs: ["rubber legs", "hackle fibres"],
};
