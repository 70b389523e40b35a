import { A_COUNT, NUMBER_WORD } from "../number";
import { inPlace, type Rule } from "../leftOut";
import { isHue } from "./hue";
import type { Put } from "../stuffAsPart";

const AND_THEN = "\\s*,?\\s+(?:then\\s+|and\\s+|plus\\s+|over\\s+that\\s+)*";

const countOfColour = new RegExp(`(${A_COUNT})\\s+(\\p{L}+)(?=${AND_THEN}|\\s*$)`, "giu");

function eachOfOne(m: RegExpExecArray): Put[] {
  const [, list = "", colour = "", pieces = "", stuff = ""] = m;
  const all = [...list.matchAll(countOfColour)];
  if (![colour, ...all.map((one) => one[2] ?? "")].every(isHue)) return [];
  return all.map((one) => ({
    at: m.index + one.index,
    instead: one[0].length,
    put: `${one[1] ?? ""} ${pieces} of ${one[2] ?? ""} ${stuff}`,
  }));
}

const ofHair = /\b(?:bucktail|tail|hair|fur|hackle|goat|swan|goose|turkey|fox|marabou)s?$/i;

function soManyOf(m: RegExpExecArray): Put[] {
  const [, list = "", last = "", of, fibres, whole, count = "", pieces] = m;
  const colours = [...list.split(/,\s+/), last];
  if (!colours.every(isHue)) return [];
  const stuff = of ?? whole ?? "hackle";
  // Of what comes in strands two colours are read as they stand.
  if (colours.length < 3 && fibres === undefined && !ofHair.test(stuff)) return [];
  const each = colours.map((colour) => `${count} ${pieces ?? fibres ?? "fibres"} of ${colour} ${stuff}`);
  return inPlace(m, each.join(" and "));
}

function halfOfEach(m: RegExpExecArray): Put[] {
  const [, one = "", two = "", stuff = "", pieces = "", all = ""] = m;
  const half = Number(all) / 2;
  if (!Number.isInteger(half) || ![one, two].every(isHue)) return [];
  const of = stuff.trim() || "hackle";
  return inPlace(m, [one, two].map((colour) => `${half} ${pieces} of ${colour} ${of}`).join(" and "));
}

const onTopOfIt = /\b(?:over|top|above)\b/i;

/** “On top the same amount of red, same length”: what was tied in last once more, in that colour. */
const againInColour = (m: RegExpExecArray, colour: string, again: string): Put[] =>
  isHue(colour) ? inPlace(m, `${again} ${colour}${onTopOfIt.test(m[1] ?? "") ? " on top" : ""}`) : [];
const AT_BEGIN = "(?<=^\\W*(?:\\d+[.)]\\s+)?|[.;]\\s+)";
const AGAIN_LEAD =
  "(?:(?:and|then|next|over\\s+(?:that|it|them)|(?:on|over\\s+the)\\s+top(?:\\s+of\\s+(?:that|it|them))?|above\\s+(?:that|it))[,\\s]+)";
const TO_THE_SAME_LENGTH = "(?:,?\\s+(?:(?:of|to)\\s+)?(?:the\\s+)?same\\s+length)?(?=\\s*(?:[.;,]|$|on\\s+top\\b))";

/** “Under: 20 strands white, same length”: as what was tied in last, on the other side. */
const underIt = (m: RegExpExecArray): Put[] =>
  isHue(m[2] ?? "") ? inPlace(m, `another ${m[1] ?? ""} of ${m[2] ?? ""} on the underside`) : [];

const LAYER =
  "\\p{L}+(?:\\s+(?:below|under(?:neath)?|at\\s+the\\s+bottom|in\\s+the\\s+middle|middle|on\\s+top|above|top|bottom))?";
function inLayers(m: RegExpExecArray): Put[] {
  const [, stuff = "", layers = "", count = "", pieces = ""] = m;
  const hues = layers.split(/,\s+(?:and\s+)?/).map((layer) => layer.split(/\s/)[0] ?? "");
  if (!hues.every(isHue)) return [];
  return inPlace(m, hues.map((hue) => `${count} ${pieces} of ${hue} ${stuff}`).join(" and "));
}

/** Several colours of one stuff, told in one breath. */
export const colours: readonly Rule[] = [
  // “Back: top half coloured with an olive marker”
  {
    has: ["marker", "pen", "felt"],
    written:
      /^(\W*)(back|belly|sides|top)\s*[:=–-]\s*((?:the\s+)?(?:top|upper|lower|rear|front)\s+(?:half|third|part)\s+)?(?:is\s+)?colou?r(?:ed)?\s+((?:\p{L}+\s+)?)with\s+(?=[^.;,]*(?:marker|pen|felt\s+tip)(?!\p{L}))/giu,
    as: (m) =>
      inPlace(
        m,
        `${m[1] ?? ""}colour the ${m[3] ? `${m[3].replace(/^the\s+/i, "")}of the ` : ""}${m[2] ?? ""} ${m[4] ?? ""}with `,
      ),
  },
  // “Bucktail in three layers, white below, red middle, black top, 15 hairs each”
  {
    has: ["layers"],
    written: new RegExp(
      `(?<=[:=–-]\\s*)(\\p{L}+(?:\\s+(?:tail|hair|fur))?)\\s+in\\s+(?:two|three)\\s+layers[,:]\\s+(${LAYER}(?:,\\s+(?:and\\s+)?${LAYER}){1,2}),\\s+(${A_COUNT})\\s+(hairs|fibres|fibers|strands)\\s+(?:of\\s+|in\\s+)?each`,
      "giu",
    ),
    as: inLayers,
  },
  // “Four saddle hackles, two yellow inside, two olive outside”
  {
    has: ["inside", "outside"],
    written: new RegExp(
      `(?<=[:=–-]\\s*)(?:\\d+|${NUMBER_WORD})\\s+((?:\\p{L}+\\s+)?(?:hackles?|saddles?|feathers?)),\\s+(${A_COUNT})\\s+(\\p{L}+)\\s+inside,?\\s+(?:and\\s+)?(${A_COUNT})\\s+(\\p{L}+)\\s+outside(?!\\p{L})`,
      "giu",
    ),
    as: (m) =>
      [m[3], m[5]].every((c) => isHue(c ?? ""))
        ? inPlace(m, `${m[2] ?? ""} ${m[3] ?? ""} ${m[1] ?? ""} and ${m[4] ?? ""} ${m[5] ?? ""} ${m[1] ?? ""}`)
        : [],
  },
  // “Under: 20 strands white”
  {
    has: ["under", "below", "beneath"],
    written: new RegExp(
      `(?<=^\\W*)(?:under(?:neath)?|below|beneath)\\s*[:,–-]\\s*(${A_COUNT})\\s+(?:strands|hairs|fibres|fibers)\\s+(?:of\\s+)?(\\p{L}+)(?=\\s*(?:[.;,]|$))`,
      "giu",
    ),
    as: underIt,
  },
  // “Then the same amount of chartreuse”, “as many black”
  {
    has: ["same", "as many"],
    written: new RegExp(
      `${AT_BEGIN}(${AGAIN_LEAD}*)(?:(?:the\\s+)?same\\s+(?:(?:amount|number|quantity|again)\\s+)?(?:of|in)|as\\s+many(?:\\s+(?:of|in))?)\\s+(\\p{L}+)${TO_THE_SAME_LENGTH}`,
      "giu",
    ),
    as: (m) => againInColour(m, m[2] ?? "", "the same again in"),
  },
  // “Over that 20 of red”
  {
    has: ["then", "over", "top", "above"],
    written: new RegExp(
      `${AT_BEGIN}(${AGAIN_LEAD}+)(?:another\\s+)?(${A_COUNT})\\s+(?:(?:of|in)\\s+)?(\\p{L}+)(?=\\s*(?:[.;,]|$|on\\s+top\\b))`,
      "giu",
    ),
    as: (m) => againInColour(m, m[3] ?? "", `another ${m[2] ?? ""} of`),
  },
  // “20 white, then 20 green, then 10 black hairs of bucktail”: each is of the stuff that the last names.
  {
    has: ["hairs of", "fibres of", "fibers of", "strands of"],
    written: new RegExp(
      `(?<![\\p{L}\\d.])((?:${A_COUNT}\\s+\\p{L}+${AND_THEN}){1,4})${A_COUNT}\\s+(\\p{L}+)\\s+(hairs|fibres|fibers|strands)\\s+of\\s+(\\p{L}+(?:\\s+(?:tail|hair|fur))?)`,
      "giu",
    ),
    as: eachOfOne,
  },
  // “Mixed brown and grizzly barbs, 8 of each”, “white, olive and black bucktail, 20 hairs each”
  {
    has: ["each"],
    written: new RegExp(
      `(?:layers\\s+of\\s+|mixed\\s+)?(?<![\\p{L}-])((?:\\p{L}+,\\s+)*\\p{L}+)\\s+and\\s+(\\p{L}+)\\s+(?:(\\p{L}+(?:\\s+(?:tail|hair|fur|hackle))?)\\s+)??(?:(fibres|fibers|barbs|hairs)|(\\p{L}+(?:\\s+(?:tail|hair|fur))?))(?:\\s*,?\\s*mixed)?,\\s+(${A_COUNT})\\s+(?:(hairs|fibres|fibers|strands|barbs)\\s+)?(?:of\\s+)?each(?!\\p{L}|\\s+side)`,
      "giu",
    ),
    as: soManyOf,
  },
  // “Mixed brown and grizzly hackle fibres, 12”: half of each.
  {
    has: ["mixed"],
    written: new RegExp(
      `mixed\\s+(\\p{L}+)\\s+and\\s+(\\p{L}+)\\s+((?:\\p{L}+\\s+)?)(fibres|fibers|barbs|hairs),\\s+(\\d+)(?=\\s*(?:[,.;]|$))`,
      "giu",
    ),
    as: halfOfEach,
  },
  // “…, all to one length: 60 mm”
  {
    has: ["length"],
    written: /(?<![\p{L}])all\s+(?:to\s+|of\s+)?(?:one|the\s+same)\s+length\s*[,:]\s*(?=\S)/giu,
    as: (m) => inPlace(m, "all "),
  },
];
