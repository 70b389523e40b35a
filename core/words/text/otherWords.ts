import { isColour } from "../../materials";
import { inPlace, type Rule } from "./leftOut";
import { NUMBER_WORD } from "./number";
import type { Put } from "./stuffAsPart";

/** What is said in other words than the readers know, and what stands there instead. */

/** A colour, or how a feather is marked. */
const isHue = (word: string): boolean =>
  isColour(word.toLowerCase()) || /^(?:grizzl[ey]|badger|furnace|cree|barred)$/i.test(word);

/** “Prep a hackle” */
const preparing = /(?<!\p{L})prep(?=\s+(?:an?|the|your|one|two|some)\s)/giu;
/** “…, no, put that at the tail” */
const putElsewhere = /(?<=\bno,?\s)put\s+(?:it|that|this|them|those)\s+(?=(?:at|behind|in\s+front|on|over|under)\b)/giu;
/** “Rib in flat pearl”: of what it is. */
const partIn =
  /(?<=^\W*(?:rib|body|abdomen|tag|butt|thorax|head|collar|hackle|wing|tail)\s)in(?=\s+(?:(?:flat|oval|round|fine|medium|small|embossed|twisted)\s+){0,2}(\p{L}+)\b)/giu;
/** “Short dubbed collar of hare”: how it is stands with what it is of. */
const dubbedPart =
  /(?<=^\W*)(?:(?:an?|the)\s+)?((?:sparse|full|thick|slim|thin|short|small|neat|little|tight)\s+)?dubbed\s+(collar|body|thorax|head|tag|butt|abdomen)\s+(?:of|in|with)\s+/giu;
/** “…, a brass bead, black 6/0”: what comes in such sizes and has a colour is thread. */
const threadBeside =
  /(?<=,\s*(?:and\s+)?)(?:(\p{L}+)\s+(?:[3-9]|1[0-8])\/0|(?:[3-9]|1[0-8])\/0\s+(\p{L}+))(?=\s*(?:[,.]|$))(?<!\b(?:thread|silk)\b.*)/giu;
/** “A strip tied in behind the head and bound down at the bend”: it goes from the one to the other. */
const stripBound =
  /(?<=\bstrip\b[^.;]*\btied\s+in\s+(?:just\s+)?behind\s+the\s+(?:head|(?:hook\s+)?eyes?|bead|cone|dumb-?bells?))(?=,?\s+(?:and\s+|then\s+)+(?:bound|tied|lashed|secured)\s+down\s+(?:again\s+)?at\s+the\s+(?:bend|back|rear|tail))/giu;
/** “Tag: oval silver, then red wool butt”: a part of its own. */
const thenPart = /,?\s+then\s+(?:an?\s+)?((\p{L}+)\s+(?:\p{L}+\s+){1,2}?)(butt|tag|collar)(?=\s*(?:[.,;]|$))/giu;
/** “Tie in a hackle behind the wing, two turns behind and three in front” */
const turnsAround = new RegExp(
  `(?<=\\btie\\s+in\\b[^.;]*\\bhackles?\\b[^.;]*)[,;]\\s+(?=(?:\\d+|${NUMBER_WORD})\\s+turns?\\s+behind(?:\\s+(?:the\\s+\\p{L}+|it))?(?:\\s+and\\s|,\\s+(?:and\\s+)?(?:\\d|${NUMBER_WORD})))`,
  "giu",
);
/** “Finish with four whip turns” */
const whipTurns = new RegExp(`(\\d+|${NUMBER_WORD})\\s+whip\\s+turns(?!\\p{L})`, "giu");
/** “Black marabou, plume, twice the body”: of what comes in plumes one is taken. */
const bareFeather =
  /(?<=\b(?:marabou|cdc|ostrich|hackle|flank|coot|hen|cock),\s)(?=(?:plume|feather|puff)\s*(?:[,.;]|$))/giu;
/** “Two whip finishes of four turns each” */
const whipsOf = /\b(two|three|2|3)\s+whip\s+finish(?:es)?\s+of\s+(\d+|\p{L}+)\s+turns?(?:\s+each)?/giu;
/** “Hd - 4 t whip”, “1.5 t, tip in”: turns by their letter. */
const turnsByLetter = /(?<=\d)\s?t(?=\s*(?:[,.;]|$)|\s+whip\b)/giu;
const byLetter = [..."0123456789"].flatMap((figure) => [`${figure}t`, `${figure} t`]);
/** “To the bend of the hooks”, of a double. */
const ofTheHooks = /(?<=\bthe\s(?:bends?|points?|barbs?))\s+of\s+the\s+hooks?(?!\p{L})/giu;
/** “There tie in a slip” */
const thereTie = /(?<=^\W*|[.;]\s+)there,?\s+(tie|bind|catch|lash|fix)\s+(in|on|down)(?!\p{L})/giu;
/** “Reverse the wire round the body” */
const reverse = /(?<=^\W*(?:(?:and|then|now)\s+)*)reverse(?=\s+the\s+(?:\p{L}+\s+)?(?:wire|rib|tinsel|oval|mono)\b)/giu;
/** “Eyes: chain, 4 mm” */
const chainOf = /(?<=^\W*eyes\s*[:=,-]\s*(?:(?!bead\b)\p{L}+\s+)?)chain(?=\s*(?:[,.;]|$))/giu;
/** “6 fibres of dun hackle, shank length”, of no part: of fibres that are counted no hackle is wound. */
const fibresAlone = new RegExp(
  `(?<=^\\W*(?:\\d+|${NUMBER_WORD})\\s+)(fib(?:re|er)s)\\s+of\\s+((?:\\p{L}+\\s+){0,3}?hackle)(?=\\s*(?:[,.;]|$))`,
  "giu",
);
/** “Body: chenille, 12 turns, tied off at the eye”: as far as there it is wound. */
const tiedOffAt =
  /(?<=^\W*(?:body|abdomen|underbody|rib)\b.*\bturns,?\s+)(?:and\s+)?tied\s+off\s+(?=(?:just\s+)?(?:at|behind|in\s+front\s+of)\s+the\s+(?:hook\s+)?(?:eyes?|bead|head|hackle|wing|thorax)\b)/giu;
/** “Two strips of lead along the sides, 0.6 mm”: so thick is the wire. */
const leadStrips =
  /(?<=\b(?:two|2|a|one|1)\s+(?:strips?|lengths?|pieces?)\s+of\s+)(?=lead\b)([^.;,]*),\s*(0?[.,]\d+)\s?mm(?:\s+(?:thick|wire))?(?=\s*(?:[.,;]|$))/giu;
const FIBRES = "fib(?:re|er)s|barbs|hairs|herls?|strands";
/** “3 ostrich herl tips”, “5 pheasant tail fibres, tips, 5 mm”: fibres that are counted show their tips. */
const fibreTips = new RegExp(`(?<=\\b(?:${FIBRES}|ostrich),?\\s+)tips(?=\\s*(?:[,.;]|$))`, "giu");
/** “The tips of 6 pheasant tail fibres” */
const tipsOfFibres = new RegExp(
  `(?<=\\btails?\\b[^.;]*[\\s:,]|\\btie\\s+in\\s+|:\\s)(?:the\\s+)?tips\\s+of\\s+(?=(?:about\\s+)?(?:\\d+|${NUMBER_WORD})\\s+(?:\\p{L}+\\s+){0,4}?(?:${FIBRES})(?!\\p{L}))`,
  "giu",
);
/** “Two mallard flank tips” */
const flankTips = new RegExp(
  `(?<![\\p{L}\\d.])(\\d+|${NUMBER_WORD})\\s+((?:\\p{L}+\\s+){0,2}?(?:flank|mallard|teal|partridge|grouse|starling|breast))\\s+(?:feather\\s+)?tips(?!\\p{L}|\\s+(?:of|to|level)\\b)`,
  "giu",
);
/** “The tips of three cdc feathers” */
const tipsOfFeathers = new RegExp(
  `(?<![\\p{L}-])(?:the\\s+)?tips\\s+of\\s+(\\d+|${NUMBER_WORD})\\s+(?=(?:\\p{L}+\\s+){1,3}?(?:feathers|plumes|hackles)(?!\\p{L}))`,
  "giu",
);
/** “Hackle: brown partridge, tip tied, 2 turns”, “…, tip in” */
const byTip = /(?<=,\s)(?:tied\s+)?tip\s+(?:in|tied(?:\s+in)?)(?=\s*(?:[,.;]|$))/giu;
/** “Wings: …, set a third back from the eye”: where they are. */
const setThere =
  /(?<=\b(?:wings?|post|hackles?|legs|throat|cheeks)\b[^.;]*,\s)set\s+(?=(?:about\s+)?(?:(?:a|one|two|1|2)\s+(?:thirds?|quarters?|eyes?|eye\s+lengths?)|\d[\d.,]*\s*mm|just|at|behind)\b)/giu;
/** “Segmented with 5 bands of thread”, “segmented with thread in five places” */
const segmented = new RegExp(
  `segmented\\s+(?:(?:with|by)\\s+(?:the\\s+)?thread\\s+in(?:to)?\\s+(\\d+|${NUMBER_WORD})\\s+(?:places|bands|segments)|(?:with|by)\\s+(\\d+|${NUMBER_WORD})\\s+(?:(?:bands|segments)\\s+of\\s+(?:the\\s+)?thread|thread\\s+(?:bands|segments)))(?!\\p{L})`,
  "giu",
);
const A_COUNT = `(?:\\d+|${NUMBER_WORD})`;
const AND_THEN = "\\s*,?\\s+(?:then\\s+|and\\s+|plus\\s+|over\\s+that\\s+)*";
/** “20 white, then 20 green, then 10 black hairs of bucktail”: each is of the stuff that the last names. */
const coloursOfOne = new RegExp(
  `(?<![\\p{L}\\d.])((?:${A_COUNT}\\s+\\p{L}+${AND_THEN}){1,4})${A_COUNT}\\s+(\\p{L}+)\\s+(hairs|fibres|fibers|strands)\\s+of\\s+(\\p{L}+(?:\\s+(?:tail|hair|fur))?)`,
  "giu",
);
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
/** “Mixed brown and grizzly barbs, 8 of each”, “white, olive and black bucktail, 20 hairs each” */
const soManyOfEach = new RegExp(
  `(?:layers\\s+of\\s+|mixed\\s+)?(?<![\\p{L}-])((?:\\p{L}+,\\s+)*\\p{L}+)\\s+and\\s+(\\p{L}+)\\s+(?:(\\p{L}+(?:\\s+(?:tail|hair|fur|hackle))?)\\s+)??(?:(fibres|fibers|barbs|hairs)|(\\p{L}+(?:\\s+(?:tail|hair|fur))?))(?:\\s*,?\\s*mixed)?,\\s+(${A_COUNT})\\s+(?:(hairs|fibres|fibers|strands|barbs)\\s+)?(?:of\\s+)?each(?!\\p{L}|\\s+side)`,
  "giu",
);
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
/** “Mixed brown and grizzly hackle fibres, 12”: half of each. */
const mixedColours = new RegExp(
  `mixed\\s+(\\p{L}+)\\s+and\\s+(\\p{L}+)\\s+((?:\\p{L}+\\s+)?)(fibres|fibers|barbs|hairs),\\s+(\\d+)(?=\\s*(?:[,.;]|$))`,
  "giu",
);
function halfOfEach(m: RegExpExecArray): Put[] {
  const [, one = "", two = "", stuff = "", pieces = "", all = ""] = m;
  const half = Number(all) / 2;
  if (!Number.isInteger(half) || ![one, two].every(isHue)) return [];
  const of = stuff.trim() || "hackle";
  return inPlace(m, [one, two].map((colour) => `${half} ${pieces} of ${colour} ${of}`).join(" and "));
}
/** “…, all to one length: 60 mm” */
const allToOne = /(?<![\p{L}])all\s+(?:to\s+|of\s+)?(?:one|the\s+same)\s+length\s*[,:]\s*(?=\S)/giu;
/** “Coq-type hackle” */
const ofType = /(?<=\bcoq)-(?:type|style|like)(?=\s+\p{L})/giu;
/** “Tie down behind the eye, mono forward in 8 turns”: another thing that is done. */
const woundOn =
  /(?<=,\s)(?:the\s+)?(mono|wire|rib|oval|tinsel|floss)\s+(?=(?:forwards?|up|over(?:\s+(?:it|that))?|through)\b[^.;,]*\b(?:turns|wraps)\b)(?<!^\W*(?:rib|body|tag|underbody)\b.*)/giu;
/** “Legs: brown partridge fibres, 6 below”: so many of them. */
const countedBehind = new RegExp(
  `(?<=\\b(fib(?:re|er)s|barbs|hairs|strands),\\s+)(${A_COUNT})(?=\\s+(?:below|beneath|underneath|on\\s+top)(?!\\p{L}))`,
  "giu",
);
/** “A sparse turn of partridge” is one turn. */
const oneTurn =
  /(?<=(?<!\p{L})(?:an?|one)\s)(?:sparse|full|careful|neat|nice|loose|tight|open|quick)\s+(?=(?:turn|wrap)\s+of\b)/giu;
/** “A slip from a left and a slip from a right quill” */
const leftAndRight =
  /(?:an?|one)\s+(?:slip|section|strip)\s+from\s+an?\s+left\s+and\s+(?:(?:an?|one)\s+(?:slip|section|strip)\s+)?(?:from\s+)?an?\s+right\s+(?=\p{L})/giu;
/** “Hare's lug” */
const hareLug = /(?<=\bhare)['’]s\s+lugs?(?!\p{L})/giu;
/** “Equal in length to the shank” */
const equalInLength = /equal\s+in\s+length\s+to(?=\s)/giu;
/** “Pluck out the fur either side” */
const pluckOut = /(?<!\p{L})pluck(?=\s+out\s)/giu;
/** “Tail and belly: a strip”: one strip is both. */
const tailAndBelly = /(?<=^\W*tail)\s+and\s+belly(?=\s*[:=-])/giu;
/** “One each side of the thorax”: it lies beside that, and is none. */
const besideThorax =
  /(?<=\b(?:one|two|three|\d+)\s(?:on\s)?(?:each|either)\sside)\s+of\s+the\s+thorax(?=\s*(?:[,.;]|$))/giu;
/** “Figure-eighted 12 times” */
const eightedTimes = new RegExp(`figure[- ](?:of[- ])?eighted\\s+(${A_COUNT})\\s+times`, "giu");
/** “Dress it on a number eight, long in the shank.” */
const longInShank = /(?<=\d\w*|eight|ten|twelve|fourteen|six|four),?\s+(long|short)\s+in\s+the\s+shank/giu;
/** “Eyes: 5 mm epoxy, one a side” */
const epoxyEyes = /(?<=^\W*eyes\s*[:=,-]?\s*(?:\d[\d.,]*\s*mm\s+)?)epoxy(?=\s*(?:[,.;]|$))/giu;
/** “Tie in and leave”: it waits there. */
const leaves =
  /(?<=\btied?\s+(?:(?:it|them)\s+)?in\s+(?:[^.;,]{2,40}\s+)?)and\s+(leave|left)(?:\s+(?:it|there))*(?=\s*(?:[,.;]|$))/giu;
/** “14 turns of lead, and run red thread over all of it” */
const overTheLead =
  /(?<=\b(?:lead|weight)\b[^;]*\b(?:thread|silk)\s+)over\s+(?:all\s+of\s+)?(?:it|that|them)(?!\p{L}|\s+both)/giu;
/** “Gold wire for the rib, tie in and leave”: what is tied in is told ahead of it. */
const stuffThenTied =
  /(?<=^\W*(?:\d+\W+)?)((?:\d[\d.]*\s*mm\s+)?\p{L}[\p{L}\d.\s-]{2,40}\sfor\s+(?:the|an?)\s+\p{L}+),\s+(?:and\s+|then\s+)*tie\s+(?:it\s+|them\s+)?in(?!\p{L})/giu;
/** “Five turns, then cut the copper”: none is taken anew. */
const cutIt = /(?<=\bturns\b[^.;]*\s)cut(?=\s+the\s+(?:copper|gold|silver|oval|wire|tinsel|mono|rib)\s*(?:[,.;]|$))/giu;
/** “Tied down at the bend with the rib”, which is wound already. */
const byTheRib =
  /(?<=\b(?:tied|bound|held|lashed|secured)\s+down(?:\s+at\s+the\s+\p{L}+)?)\s+(?:with|by)\s+the\s+rib(?=\s*(?:[.,;]|$))/giu;
/** “Hackle: black hen, beard style, 15 fibres” */
const beardStyle = /(?<!\p{L})beard[\s-]+(?:style|fashion|wise)(?!\p{L})/giu;
/** “Thread over the lead, ending at the bend” */
const endingAt = /(?<=\b(?:thread|silk)\b[^.;]*),?\s+ending\s+at(?=\s+the\s)/giu;
/** “Zonker strip, 3 mm x 40 mm”: so wide and so long. */
const wideByLong = /(?<=\bstrip\b[^.;]*\s)(\d[\d.,]*)\s?(?:mm\s?)?[x×]\s?(\d[\d.,]*)\s?mm(?=\s*(?:[.,;]|$))/giu;
/** “5 turns to finish” */
const turnsToFinish = new RegExp(`(${A_COUNT})\\s+turns\\s+to\\s+(?:finish|whip)(?=\\s*(?:[.,;]|$))`, "giu");
/** “Half way down the abdomen” */
const downAbdomen = /(?<=\bhalf(?:-|\s)?way\s+(?:down|along)\s+the\s)abdomen(?!\p{L})/giu;
/** “Of medium thickness” */
const ofThickness = /(?<=\bnoodle\s)of\s+(thin|medium|sparse|full)\s+thickness(?!\p{L})/giu;
/** “1/4 of the shank back” */
const shareBack = /(?<=,\s)(1\/[234]|a\s+(?:third|quarter))\s+of\s+the\s+shank\s+back(?=\s*(?:[.,;]|$))/giu;
/** “Black thread over the lead and to the bend” */
const overAndTo = /(?<=\bover\s+the\s+(?:lead|weight|wire))\s+and\s+(?:back\s+|on\s+)?to(?=\s+(?:the|just|above)\s)/giu;
/** “Fur side up” of a strip is its hide down. */
const furSide = /(?<=,\s)(?:fur|hair)\s+side\s+(up|down)(?:wards?)?(?!\p{L})/giu;
/** “Flat pearl, fine”: of tinsel. */
const flatOf =
  /(?<=^\W*(?:rib|tag|body)\b.*\bflat\s+pearl)(?=,\s*(?:(?:extra|very)\s+)?(?:fine|small|medium|large|narrow|wide)\b)/giu;

/** Each is looked for by itself; where two are about one stretch, the first of them holds. */
export const otherWords: readonly Rule[] = [
  { has: ["prep"], written: preparing, as: (m) => inPlace(m, "prepare") },
  { has: ["put"], written: putElsewhere, as: (m) => inPlace(m, "") },
  { has: [" in"], written: partIn, as: (m) => (isColour((m[1] ?? "").toLowerCase()) ? inPlace(m, "of") : []) },
  { has: ["dubbed"], written: dubbedPart, as: (m) => inPlace(m, `${m[2] ?? ""}: ${m[1] ?? ""}`) },
  {
    has: ["/0"],
    written: threadBeside,
    as: (m) =>
      isColour((m[1] ?? m[2] ?? "").toLowerCase()) ? [{ at: m.index + m[0].length, instead: 0, put: " thread" }] : [],
  },
  { has: ["strip"], written: stripBound, as: (m) => [{ at: m.index, instead: 0, put: ", pulled back" }] },
  {
    has: ["then"],
    written: thenPart,
    as: (m) => (isColour((m[2] ?? "").toLowerCase()) ? inPlace(m, `; ${m[3] ?? ""}: ${(m[1] ?? "").trim()}`) : []),
  },
  { has: ["turn"], written: turnsAround, as: (m) => inPlace(m, "; wind it ") },
  { has: ["whip"], written: whipTurns, as: (m) => inPlace(m, `${m[1] ?? ""} turns of whip`) },
  { has: ["plume", "feather", "puff"], written: bareFeather, as: (m) => [{ at: m.index, instead: 0, put: "one " }] },
  { has: ["whip"], written: whipsOf, as: (m) => inPlace(m, `whip finish ${m[2] ?? ""} turns, ${m[1] ?? ""} times`) },
  { has: byLetter, written: turnsByLetter, as: (m) => inPlace(m, " turns") },
  { has: ["hook"], written: ofTheHooks, as: (m) => inPlace(m, "") },
  { has: ["there"], written: thereTie, as: (m) => inPlace(m, `${m[1] ?? ""} ${m[2] ?? ""} there`) },
  { has: ["reverse"], written: reverse, as: (m) => inPlace(m, "counter-wind") },
  { has: ["chain"], written: chainOf, as: (m) => [{ at: m.index + m[0].length, instead: 0, put: " eyes" }] },
  { has: ["fibres", "fibers"], written: fibresAlone, as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`) },
  { has: ["tied"], written: tiedOffAt, as: (m) => inPlace(m, "to ") },
  { has: ["lead"], written: leadStrips, as: (m) => inPlace(m, `${m[2] ?? ""} mm ${m[1] ?? ""}`) },
  { has: ["tips"], written: fibreTips, as: (m) => inPlace(m, "") },
  { has: ["tips"], written: tipsOfFibres, as: (m) => inPlace(m, "") },
  { has: ["tips"], written: flankTips, as: (m) => inPlace(m, `${m[1] ?? ""} tips of ${m[2] ?? ""}`) },
  { has: ["tips"], written: tipsOfFeathers, as: (m) => inPlace(m, `${m[1] ?? ""} tips of `) },
  { has: ["tip"], written: byTip, as: (m) => inPlace(m, "tied in by the tip") },
  { has: ["set"], written: setThere, as: (m) => inPlace(m, "") },
  {
    has: ["segmented"],
    written: segmented,
    as: (m) => inPlace(m, `tied down in ${m[1] ?? m[2] ?? ""} segments`),
  },
  { has: ["hairs of", "fibres of", "fibers of", "strands of"], written: coloursOfOne, as: eachOfOne },
  { has: ["each"], written: soManyOfEach, as: soManyOf },
  { has: ["mixed"], written: mixedColours, as: halfOfEach },
  { has: ["length"], written: allToOne, as: (m) => inPlace(m, "all ") },
  { has: ["coq-"], written: ofType, as: (m) => inPlace(m, "") },
  { has: ["turns", "wraps"], written: woundOn, as: (m) => inPlace(m, `; wind the ${m[1] ?? ""} `) },
  { has: ["below", "beneath", "on top"], written: countedBehind, as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`) },
  { has: ["turn", "wrap"], written: oneTurn, as: (m) => inPlace(m, "") },
  { has: ["left"], written: leftAndRight, as: (m) => inPlace(m, "matched slips of ") },
  { has: ["lug"], written: hareLug, as: (m) => inPlace(m, "") },
  { has: ["equal"], written: equalInLength, as: (m) => inPlace(m, "equal to") },
  { has: ["pluck"], written: pluckOut, as: (m) => inPlace(m, "pick") },
  { has: ["belly"], written: tailAndBelly, as: (m) => inPlace(m, "") },
  { has: ["thorax"], written: besideThorax, as: (m) => inPlace(m, "") },
  { has: ["eighted"], written: eightedTimes, as: (m) => inPlace(m, `${m[1] ?? ""} figure-of-eight wraps`) },
  { has: ["in the shank"], written: longInShank, as: (m) => inPlace(m, ` ${m[1] ?? ""} shank`) },
  { has: ["epoxy"], written: epoxyEyes, as: (m) => inPlace(m, "epoxy eyes") },
  { has: ["leave", "left"], written: leaves, as: (m) => inPlace(m, `and ${m[1] ?? ""} hanging`) },
  { has: ["over"], written: overTheLead, as: (m) => inPlace(m, "over the lead") },
  { has: ["for"], written: stuffThenTied, as: (m) => inPlace(m, `tie in ${m[1] ?? ""}`) },
  { has: ["cut the"], written: cutIt, as: (m) => inPlace(m, "trim") },
  { has: ["rib"], written: byTheRib, as: (m) => inPlace(m, "") },
  {
    has: ["beard"],
    written: beardStyle,
    as: (m, typed) => inPlace(m, /^\W*legs?\b/iu.test(typed) ? "pointing down" : "as a beard"),
  },
  { has: ["ending"], written: endingAt, as: (m) => inPlace(m, " and go to") },
  { has: ["strip"], written: wideByLong, as: (m) => inPlace(m, `${m[1] ?? ""} mm wide, ${m[2] ?? ""} mm long`) },
  { has: ["turns"], written: turnsToFinish, as: (m) => inPlace(m, `whip finish ${m[1] ?? ""} turns`) },
  { has: ["abdomen"], written: downAbdomen, as: (m) => inPlace(m, "body") },
  { has: ["thickness"], written: ofThickness, as: (m) => inPlace(m, `, ${m[1] ?? ""}`) },
  { has: ["shank back"], written: shareBack, as: (m) => inPlace(m, `${m[1] ?? ""} back from the eye`) },
  { has: ["over the"], written: overAndTo, as: (m) => inPlace(m, " and go to") },
  { has: ["side"], written: furSide, as: (m) => inPlace(m, m[1]?.toLowerCase() === "up" ? "hide down" : "hide up") },
  { has: ["pearl"], written: flatOf, as: (m) => [{ at: m.index, instead: 0, put: " tinsel" }] },
];
