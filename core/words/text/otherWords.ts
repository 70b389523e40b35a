import { isColour } from "../../materials";
import { inPlace, type Rule } from "./leftOut";
import { NUMBER_WORD } from "./number";

/** What is said in other words than the readers know, and what stands there instead. */

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
  `(?<=\\btie\\s+in\\b[^.;]*\\bhackles?\\b[^.;]*),\\s+(?=(?:\\d+|${NUMBER_WORD})\\s+turns?\\s+behind\\s+(?:the\\s+\\p{L}+\\s+|it\\s+)?and\\s)`,
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
/** “Flat pearl, fine”: of tinsel. */
const flatOf =
  /(?<=^\W*(?:rib|tag|body)\b.*\bflat\s+pearl)(?=,\s*(?:(?:extra|very)\s+)?(?:fine|small|medium|large|narrow|wide)\b)/giu;

/** A line with none of these is in words that are known. */
export const mayBeOtherWords =
  /\bprep\s|\bno,?\sput\s|^\W*\p{L}+\sin\s|\bdubbed\s|\d\/0|\bflat\s+pearl|\bthere,?\s+\p{L}+\s+(?:in|on|down)\b|\breverse\s|\bchain\b|\stied\s+off\s|\bwhip|\sthen\s|\sturns?\s+behind\s|,\s(?:plume|feather|puff)\b|\d\s?t\b|\sof\s+the\s+hook|\bstrip\b|fib(?:re|er)s\s+of\s/iu;

/** Each is looked for by itself; where two are about one stretch, the first of them holds. */
export const otherWords: readonly Rule[] = [
  { written: preparing, as: (m) => inPlace(m, "prepare") },
  { written: putElsewhere, as: (m) => inPlace(m, "") },
  { written: partIn, as: (m) => (isColour((m[1] ?? "").toLowerCase()) ? inPlace(m, "of") : []) },
  { written: dubbedPart, as: (m) => inPlace(m, `${m[2] ?? ""}: ${m[1] ?? ""}`) },
  {
    written: threadBeside,
    as: (m) =>
      isColour((m[1] ?? m[2] ?? "").toLowerCase()) ? [{ at: m.index + m[0].length, instead: 0, put: " thread" }] : [],
  },
  { written: stripBound, as: (m) => [{ at: m.index, instead: 0, put: ", pulled back" }] },
  {
    written: thenPart,
    as: (m) => (isColour((m[2] ?? "").toLowerCase()) ? inPlace(m, `; ${m[3] ?? ""}: ${(m[1] ?? "").trim()}`) : []),
  },
  { written: turnsAround, as: (m) => inPlace(m, "; wind it ") },
  { written: whipTurns, as: (m) => inPlace(m, `${m[1] ?? ""} turns of whip`) },
  { written: bareFeather, as: (m) => [{ at: m.index, instead: 0, put: "one " }] },
  { written: whipsOf, as: (m) => inPlace(m, `whip finish ${m[2] ?? ""} turns, ${m[1] ?? ""} times`) },
  { written: turnsByLetter, as: (m) => inPlace(m, " turns") },
  { written: ofTheHooks, as: (m) => inPlace(m, "") },
  { written: thereTie, as: (m) => inPlace(m, `${m[1] ?? ""} ${m[2] ?? ""} there`) },
  { written: reverse, as: (m) => inPlace(m, "counter-wind") },
  { written: chainOf, as: (m) => [{ at: m.index + m[0].length, instead: 0, put: " eyes" }] },
  { written: fibresAlone, as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`) },
  { written: tiedOffAt, as: (m) => inPlace(m, "to ") },
  { written: flatOf, as: (m) => [{ at: m.index, instead: 0, put: " tinsel" }] },
];
