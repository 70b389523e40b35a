import { inPlace, type Rule } from "../leftOut";
import { A_COUNT, NUMBER_WORD } from "../number";

const FIBRES = "fib(?:re|er)s|barbs|hairs|herls?|strands";

/** Feathers and fibres as tiers count and name them. */
export const feathers: readonly Rule[] = [
  // “Two strands of flash, trimmed level with the marabou”: as long as that.
  {
    has: ["level with"],
    written:
      /(?<=,\s*|\s)(?:trimmed|cut|clipped)\s+(?:off\s+)?level\s+with\s+(?=the\s+(?:tail|wing|marabou|hair|bucktail|underwing|fur)(?:\s+tips?)?\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, "the same length as "),
  },
  // “Cheeks: one mallard flank each side covering the front third”: so much of the wing.
  {
    has: ["covering"],
    written:
      /(?<=^\W*(?:cheeks?|shoulders?|sides)\b[^.;]*?\s)covering\s+(?:the\s+front\s+|an?\s+|the\s+first\s+)?(third|half|quarter|two\s+thirds)(?:\s+of\s+the\s+(wing|body))?(?=\s*(?:[.;,]|$))/giu,
    as: (m) =>
      inPlace(
        m,
        `, ${/two/iu.test(m[1] ?? "") || /half/iu.test(m[1] ?? "") ? "" : "a "}${m[1] ?? ""} of the ${m[2] ?? "wing"}`,
      ),
  },
  // “Throat: red hackle fibres, as many as for the tail”
  {
    has: ["as many as"],
    written: new RegExp(
      `(?<=^\\W*(?:throat|legs|wing|beard)\\s*[:=–-]\\s*)[^.;,]*\\b(?:${FIBRES}),?\\s+as\\s+many\\s+as\\s+(?:(?:for|in|of)\\s+)?(the\\s+tail)(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, "same as the tail"),
  },
  // “Hair of grey squirrel, 25 fibres”
  {
    has: ["hair of", "fibres of hair from"],
    written:
      /(?<=^\W*(?:wing|tail|throat)\s*[:=–-]\s*)(?:the\s+)?hair\s+(?:of|from)\s+(?:an?\s+|the\s+)?(?=\p{L}+(?:\s+\p{L}+)?,)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “A bunch of squirrel, a third of the gape thick”: a clump of that.
  {
    has: ["thick"],
    written:
      /(?<=^\W*(?:wing|tail|throat|underwing|beard)\s*[:=–-]\s*)an?\s+(?:bunch|clump|bundle|tuft)\s+of\s+(\p{L}[^.;,]*),\s+((?:an?|one|half|two)\s+(?:third|quarter|thirds|)?(?:\s*of\s+)?(?:an?\s+|the\s+)?(?:gape|eye)|\d[\d.,]*\s*mm)\s+thick(?!\p{L})/giu,
    as: (m) => inPlace(m, `clump of ${m[2] ?? ""} of ${m[1] ?? ""}`),
  },
  // “3 ostrich herl tips”, “5 pheasant tail fibres, tips, 5 mm”: fibres that are counted show their tips.
  {
    has: ["tips"],
    written: new RegExp(`(?<=\\b(?:${FIBRES}|ostrich),?\\s+)tips(?=\\s*(?:[,.;]|$))`, "giu"),
    as: (m) => inPlace(m, ""),
  },
  // “The tips of 6 pheasant tail fibres”
  {
    has: ["tips"],
    written: new RegExp(
      `(?<=\\btails?\\b[^.;]*[\\s:,]|\\btie\\s+in\\s+|:\\s)(?:the\\s+)?tips\\s+of\\s+(?=(?:about\\s+)?${A_COUNT}\\s+(?:\\p{L}+\\s+){0,4}?(?:${FIBRES})(?!\\p{L}))`,
      "giu",
    ),
    as: (m) => inPlace(m, ""),
  },
  // “Two mallard flank tips”
  {
    has: ["tips"],
    written: new RegExp(
      `(?<![\\p{L}\\d.])(\\d+|${NUMBER_WORD})\\s+((?:\\p{L}+\\s+){0,2}?(?:flank|mallard|teal|partridge|grouse|starling|breast))\\s+(?:feather\\s+)?tips(?!\\p{L}|\\s+(?:of|to|level)\\b)`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[1] ?? ""} tips of ${m[2] ?? ""}`),
  },
  // “The tips of three cdc feathers”
  {
    has: ["tips"],
    written: new RegExp(
      `(?<![\\p{L}-])(?:the\\s+)?tips\\s+of\\s+(\\d+|${NUMBER_WORD})\\s+(?=(?:\\p{L}+\\s+){1,3}?(?:feathers|plumes|hackles)(?!\\p{L}))`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[1] ?? ""} tips of `),
  },
  // “Between them a hackle, black cock, 3 turns”: one hackle.
  {
    has: ["hackle,"],
    written:
      /(?<=\b(?:between|behind|before|after|ahead|front|beside)\b[^.;,]*?,?\s+)(an?|one)\s+hackle,\s+((?:(?!and\b|of\b|or\b)[\p{L}-]+\s+){0,2}(?:cock|hen|saddle|grizzly|partridge|badger|dun|furnace))(?=\s*,\s)/giu,
    as: (m) => inPlace(m, `${m[1] ?? "a"} ${m[2] ?? ""} hackle`),
  },
  // “Black cock hackle all the way from the front, 6 turns”: palmered, and no collar.
  {
    has: ["all the way", "from the front", "from front"],
    written:
      /(?<=\b(?:hackle|cock|hen|saddle|palmer)\b[^.;]*?\s)(?:(?:wound|palmered|taken|run)\s+)?(?:(?:all\s+the\s+way|right)\s+(?:back\s+|down\s+)?from\s+(?:the\s+)?(?:front|head)|from\s+(?:the\s+)?(?:front|head)\s+(?:all\s+the\s+way\s+)?(?:down\s+)?to\s+(?:the\s+)?(?:bend|tail))(?:\s+(?:down\s+)?to\s+(?:the\s+)?(?:bend|tail))?(?=\s*(?:[,.;]|$|in\s))/giu,
    as: (m) => inPlace(m, "palmered over the body"),
  },
  // “Thorax hackle: grizzly, 4 turns”: a hackle that is wound through the thorax.
  {
    has: ["thorax hackle"],
    written:
      /(?<=^\W*(?:\d{1,2}[.)]\s*)?)thorax\s+hackle\s*[:=–-]\s*([^.;]*?)(?:,?\s+(?:palmered\s+|wound\s+)?(?:over|through)\s+the\s+thorax)?(?=\s*(?:[.;]|$))/giu,
    as: (m) => inPlace(m, `hackle: ${m[1] ?? ""}, over the thorax`),
  },
  // “Hackle: brown partridge, tip tied, 2 turns”, “…, tip in”
  {
    has: ["tip"],
    written: /(?<=,\s)(?:tied\s+)?tip\s+(?:in|tied(?:\s+in)?)(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, "tied in by the tip"),
  },
  // “Black marabou, plume, twice the body”: of what comes in plumes one is taken.
  {
    has: ["plume", "feather", "puff"],
    written: /(?<=\b(?:marabou|cdc|ostrich|hackle|flank|coot|hen|cock),\s)(?=(?:plume|feather|puff)\s*(?:[,.;]|$))/giu,
    as: (m) => [{ at: m.index, instead: 0, put: "one " }],
  },
  // “6 fibres of dun hackle, shank length”, of no part: of fibres that are counted no hackle is wound.
  {
    has: ["fibres", "fibers"],
    written: new RegExp(
      `(?<=^\\W*${A_COUNT}\\s+)(fib(?:re|er)s)\\s+of\\s+((?:\\p{L}+\\s+){0,3}?hackle)(?=\\s*(?:[,.;]|$))`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  // “Coq-type hackle”
  { has: ["coq-"], written: /(?<=\bcoq)-(?:type|style|like)(?=\s+\p{L})/giu, as: (m) => inPlace(m, "") },
  // “Legs: brown partridge fibres, 6 below”: so many of them.
  {
    has: ["below", "beneath", "on top"],
    written: new RegExp(
      `(?<=\\b(fib(?:re|er)s|barbs|hairs|strands),\\s+)(${A_COUNT})(?=\\s+(?:below|beneath|underneath|on\\s+top)(?!\\p{L}))`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  // “Hackle: black hen, beard style, 15 fibres”
  {
    has: ["beard"],
    written: /(?<!\p{L})beard[\s-]+(?:style|fashion|wise)(?!\p{L})/giu,
    as: (m, typed) => inPlace(m, /^\W*legs?\b/iu.test(typed) ? "pointing down" : "as a beard"),
  },
  // “A slip from a left and a slip from a right quill”
  {
    has: ["left"],
    written:
      /(?:an?|one)\s+(?:slip|section|strip)\s+from\s+an?\s+left\s+and\s+(?:(?:an?|one)\s+(?:slip|section|strip)\s+)?(?:from\s+)?an?\s+right\s+(?=\p{L})/giu,
    as: (m) => inPlace(m, "matched slips of "),
  },
  // “Tie in a hackle behind the wing, two turns behind and three in front”
  {
    has: ["turn"],
    written: new RegExp(
      `(?<=\\btie\\s+in\\b[^.;]*\\bhackles?\\b[^.;]*)[,;]\\s+(?=${A_COUNT}\\s+turns?\\s+behind(?:\\s+(?:the\\s+\\p{L}+|it))?(?:\\s+and\\s|,\\s+(?:and\\s+)?(?:\\d|${NUMBER_WORD})))`,
      "giu",
    ),
    as: (m) => inPlace(m, "; wind it "),
  },
  // “A sparse turn of partridge” is one turn.
  {
    has: ["turn", "wrap"],
    written:
      /(?<=(?<!\p{L})(?:an?|one)\s)(?:sparse|full|careful|neat|nice|loose|tight|open|quick)\s+(?=(?:turn|wrap)\s+of\b)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “One each side of the thorax”: it lies beside that, and is none.
  {
    has: ["thorax"],
    written: /(?<=\b(?:one|two|three|\d+)\s(?:on\s)?(?:each|either)\sside)\s+of\s+the\s+thorax(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Fur side up” of a strip is its hide down.
  {
    has: ["side"],
    written: /(?<=,\s)(?:fur|hair)\s+side\s+(up|down)(?:wards?)?(?!\p{L})/giu,
    as: (m) => inPlace(m, m[1]?.toLowerCase() === "up" ? "hide down" : "hide up"),
  },
  // “Zonker strip, 3 mm x 40 mm”: so wide and so long.
  {
    has: ["strip"],
    written: /(?<=\bstrip\b[^.;]*\s)(\d[\d.,]*)\s?(?:mm\s?)?[x×]\s?(\d[\d.,]*)\s?mm(?=\s*(?:[.,;]|$))/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} mm wide, ${m[2] ?? ""} mm long`),
  },
  // “Biot, goose”, “herl, ostrich”: as lists of a shop have it.
  {
    has: ["biot,", "biots,", "herl,", "herls,", "quill,"],
    written:
      /(?<=[:=–-]\s*|^\W*)(biots?|herls?|quill),\s+((?:\p{L}+\s+)?(?:goose|turkey|ostrich|peacock|swan|duck))(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  // “Wing: mallard, two slender strips”: slips of it.
  {
    has: ["strips"],
    written:
      /(?<=^\W*wings?\s*[:=–-]\s*)(\p{L}[\p{L}\s'’-]{2,30}?),\s+(two|2|a\s+pair\s+of|paired|matched)\s+(?:(?:slender|narrow|thin|slim|broad)\s+)?strips(?!\p{L})/giu,
    as: (m) => inPlace(m, `${m[2] ?? ""} slips of ${m[1] ?? ""}`),
  },
  // “Hare's lug”
  { has: ["lug"], written: /(?<=\bhare)['’]s\s+lugs?(?!\p{L})/giu, as: (m) => inPlace(m, "") },
];
