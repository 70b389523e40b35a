import { isColour } from "../../../materials";
import { inPlace, type Rule } from "../leftOut";
import { isHue } from "./hue";
import { A_COUNT, NUMBER_WORD, readNumber } from "../number";
import { PART } from "./synonyms/said";

/** Parts, their places and their lengths. */
export const parts: readonly Rule[] = [
  // “Over the eye stalks”: where the eyes are, and not at the eye of the hook.
  {
    has: ["eye stalk", "eyestalk"],
    written: /(?<=\b(?:over|around|round|between|behind|past|of|at|to)\s+the\s+)eye[-\s]?stalks?(?!\p{L})/giu,
    as: (m) => inPlace(m, "eyes"),
  },
  // “No tail or wing”
  {
    has: ["no "],
    written: new RegExp(`(?<=^\\W*no\\s+(?:${PART}))\\s+or\\s+(?:an?\\s+)?(?=(?:${PART})(?=\\s*(?:[,.;]|$)))`, "giu"),
    as: (m) => inPlace(m, ", no "),
  },
  // “Case: dubbed hare”, “case: chenille, 10 turns”: the case of a caddis is its body.
  {
    has: ["case"],
    written:
      /(?<=^\W*(?:\d{1,2}[.)]\s*)?)(?:caddis\s+)?case(?=\s*[:=–-]\s*(?:[^.;]*\b(?:dubbed|dubbing)\b|[^.;]*\bchenille\b[^.;]*\bturns\b|[^.;]*\b(?:wound|touching\s+turns)\b))/giu,
    as: (m) => inPlace(m, "body"),
  },
  // “Six strands of herl, length of the saddles”: a length, though no article says so.
  {
    has: [", length of the"],
    written: /(?<=,\s+)length\s+of(?=\s+the\s+\p{L})/giu,
    as: (m) => inPlace(m, "as long as"),
  },
  // “In front of the wing butts”
  {
    has: ["wing butts", "wing roots", "wing stubs"],
    written:
      /(?<=\b(?:behind|front\s+of|ahead\s+of|round|around|over)\s+the\s+wing)\s+(?:butts|roots|stubs)(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Thorax: same dubbing as abdomen but fuller”
  {
    has: ["as abdomen", "as body", "as thorax"],
    written:
      /(?<=\bsame\s+(?:dubbing|fur|stuff|material|wool|herl|floss|chenille)\s+as\s)(?=(?:abdomen|body|thorax)(?!\p{L}))/giu,
    as: (m) => inPlace(m, "the "),
  },
  // “Peacock herl 4 over the top”
  {
    has: ["over the top", "on top"],
    written:
      /(?<=^\W*)(?:(?:then|and|with)\s+)?((?:\p{L}+\s+)?(?:peacock|ostrich)\s+(?:herls?|sword)|(?:pearl|gold|silver)\s+flash)\s*,?\s+(\d{1,2})\s+(?:over|on)\s+(?:the\s+)?top(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, `topping: ${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  // “From the eye to past the bend by 5 mm”
  {
    has: ["to past the", "to beyond the"],
    written:
      /(?<!\p{L})from\s+the\s+eye\s+to\s+(?:just\s+)?(past|beyond)\s+the\s+(bend|point|barb)(?:\s+by\s+(\d[\d.,]*\s*(?:mm|cm|"|in(?:ch(?:es)?)?)|half\s+an?\s+(?:shank|gape)|an?\s+(?:shank|gape)))?/giu,
    as: (m) => inPlace(m, `reaching ${m[3] === undefined ? "just" : m[3]} ${m[1] ?? ""} the ${m[2] ?? ""}`),
  },
  // “Back: herl over the whole body, tied down behind the eye”
  {
    has: ["whole body", "the body", "entire body"],
    written:
      /(?<=^\W*(?:back|shell-?back|shell)\s*[:=–-]\s*[^;.]*)(?<!\bfrom\b[^;.]*)\s+(?:pulled\s+)?over\s+the\s+(?:whole\s+|entire\s+)?body,?\s+(?:and\s+)?(?=(?:tied|bound|held|lashed)\s+(?:down|off)\s+(?:at|behind|in\s+front)\b)/giu,
    as: (m) => inPlace(m, ", "),
  },
  // “Finish: uncoated”
  {
    has: ["uncoated", "unvarnished", "left bare"],
    written:
      /(?<=^\W*(?:finish|head)\s*[:=–-]\s*)(?:uncoated|unvarnished|left\s+(?:bare|uncoated|unvarnished))(?=\s*(?:[.;]|$))/giu,
    as: (m, typed) => inPlace(m, /^\W*head/iu.test(typed) ? "thread, no varnish" : "none"),
  },
  // “Body: one third yellow floss, then black fur”: the first is behind.
  {
    has: ["then", "the rest"],
    written:
      /(?<=^\W*(?:body|abdomen)\s*[:=,–-]\s*)(?:an?\s+|one\s+|1\/)?(third|quarter|half|[234])\s+(?:of\s+)?(?=\p{L}[^.;,]*,\s+(?:then|the\s+rest)\s)/giu,
    as: (m) => inPlace(m, `rear ${{ 2: "half", 3: "third", 4: "quarter" }[m[1] ?? ""] ?? m[1] ?? ""} `),
  },
  // “Body: butt of red wool, then peacock herl”: a part of its own.
  {
    has: ["butt of", "tag of", "tip of"],
    written:
      /(?<=^\W*)(?:body|abdomen)\s*[:=,–-]\s*(?:an?\s+)?(?:(?:small|short|neat)\s+)?(butt|tag|tip)\s+of\s+(\p{L}[^.;,]*),\s+(?:and\s+)?then\s+/giu,
    as: (m) => inPlace(m, `${m[1]?.toLowerCase() === "butt" ? "butt" : "tag"}: ${m[2] ?? ""}; body: `),
  },
  // “Until only a quarter of the shank is left”, “over everything but the front quarter”
  {
    has: ["until", "all but", "everything but"],
    written:
      /(?<!\p{L})(?:until\s+(?:only\s+|just\s+)?(?:an?|one|the\s+(?:front|last))\s+(third|quarter|half)\s+(?:of\s+the\s+(?:shank|hook)\s+)?(?:is\s+|are\s+)?(?:left|free|bare)|(?:over\s+)?(?:all|everything)\s+but\s+the\s+(front|rear|last|back)\s+(third|quarter|half))(?!\p{L})/giu,
    as: (m) => inPlace(m, `leaving the ${m[2] ?? "front"} ${m[1] ?? m[3] ?? ""} bare`),
  },
  // “To within 3 mm of the eye”
  {
    has: ["within"],
    written: new RegExp(
      `(?<!\\p{L})(?:up\\s+)?to\\s+within\\s+((?:about\\s+)?(?:\\d[\\d.,/]*|an?|${NUMBER_WORD})\\s*(?:mm|cm|inch(?:es)?|"|eyes?(?:\\s+(?:lengths?|widths?))?|eye-lengths?))\\s+(?:of|from)\\s+the\\s+((?:hook\\s+)?(?:eye|bead|bend|head))(?!\\p{L})`,
      "giu",
    ),
    as: (m) =>
      inPlace(
        m,
        `to ${m[1] ?? ""} ${m[2]?.toLowerCase().endsWith("bend") ? "in front of" : "behind"} the ${m[2] ?? ""}`,
      ),
  },
  // “A third back of the eye”
  {
    has: ["back of the eye"],
    written: /(?<=\b(?:third|quarter|half|mm|lengths?|widths?)\s)back\s+of(?=\s+the\s+eye)/giu,
    as: (m) => inPlace(m, "back from"),
  },
  // “Starting over the barb and going to the thorax”
  {
    has: ["starting", "beginning"],
    written:
      /(?<!\p{L})(?:starting|beginning)\s+(?:off\s+)?(?:just\s+)?(?:over|above|opposite|at|from)\s+(the\s+(?:hook\s+)?(?:barb|point|bend)),?\s+and\s+(?:going|running|ending|stopping|finishing|on)\s+(?:up\s+|forward\s+|on\s+)?(?:to\s+|at\s+)?(?=\p{L}|\d)/giu,
    as: (m) => inPlace(m, `from ${m[1] ?? ""} to `),
  },
  // “Dubbed to cover the back two thirds”
  {
    has: ["to cover"],
    written: /(?<!\p{L})to\s+cover(?=\s+the\s+(?:back|rear|front|hind|middle|whole)\b)/giu,
    as: (m) => inPlace(m, "over"),
  },
  // “Silver tinsel for two thirds, then three turns of black ostrich”
  {
    has: ["then"],
    written:
      /(?<=^\W*(?:body|abdomen)\s*[:=,–-]\s*)(\p{L}[\p{L}\s'’-]{2,30}?)\s+for\s+(?:the\s+first\s+|the\s+rear\s+)?(?:(?:an?|one)\s+)?(two\s+thirds|three\s+quarters|half|third|quarter)(?:\s+(?:of\s+)?(?:it|the\s+(?:shank|body|way)))?,?\s+(?=then\s)/giu,
    as: (m) => inPlace(m, `rear ${m[2] ?? ""} ${m[1] ?? ""}, `),
  },
  // “Rear third orange, rest claret seal's fur”: of one stuff.
  {
    has: ["rest", "remainder"],
    written:
      /(?<=^\W*(?:body|abdomen)\s*[:=,–-]\s*)(?:the\s+)?(rear|back|hind|first|front|last)\s+(third|half|quarter|two\s+thirds)\s+(\p{L}+),\s+(?:and\s+)?(?:the\s+)?(?:rest|remainder)\s+(\p{L}+)\s+(\p{L}[\p{L}\s'’-]{1,25}?)(?=\s*(?:[.;,]|$))/giu,
    as: (m) =>
      [m[3], m[4]].every((c) => isColour((c ?? "").toLowerCase()))
        ? inPlace(m, `${m[1] ?? ""} ${m[2] ?? ""} ${m[3] ?? ""} ${m[5] ?? ""}, the rest ${m[4] ?? ""} ${m[5] ?? ""}`)
        : [],
  },
  // “Olive fur, rear third bare”
  {
    has: ["bare"],
    written: /(?<=,\s)(?:the\s+)?(rear|front|back|last)\s+(third|quarter|half)\s+(?:left\s+)?bare(?!\p{L})/giu,
    as: (m) => inPlace(m, `leaving the ${m[1] ?? ""} ${m[2] ?? ""} bare`),
  },
  // “…, posted with 8 turns”
  {
    has: ["posted"],
    written: new RegExp(`posted\\s+(?:with|by|in)\\s+(${A_COUNT})\\s+(?:turns|wraps)(?:\\s+of\\s+thread)?`, "giu"),
    as: (m) => inPlace(m, `; post the base with ${m[1] ?? ""} wraps`),
  },
  // “Sized one down”
  {
    has: ["sized"],
    written: /(?<!\p{L})sized\s+(one|two|a)\s+(?:size\s+)?(down|up)(?!\p{L})/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} size${m[1]?.toLowerCase() === "two" ? "s" : ""} ${m[2] ?? ""}`),
  },
  // “Trim it to the height of a gape”, “to a gape in height”
  {
    has: ["height"],
    written:
      /(?<=\b(?:trim|cut|clip)\b[^.;]*\sto\s)(?:(?:the|a)\s+height\s+of\s+|(\p{L}[\p{L}\s]{0,20}?)\s+in\s+height(?!\p{L}))/giu,
    as: (m) => inPlace(m, m[1] ?? ""),
  },
  // “Rib: pearl, flat, fine”
  {
    has: ["flat", "oval", "round", "embossed"],
    written:
      /(?<=^\W*(?:rib|tag|body)\s*[:=–-]\s*)(gold|silver|copper|pearl|green|red),\s+(flat|oval|round|embossed)(?:,\s+((?:extra\s+)?fine|small|medium|large))?(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, `${m[3] === undefined ? "" : `${m[3]} `}${m[2] ?? ""} ${m[1] ?? ""} tinsel`),
  },
  // “Finish: two coats of resin over body and thorax”: from the rear of the one to the front of the other.
  {
    has: ["over body", "over the body", "over abdomen", "over the abdomen"],
    written:
      /(?<=^\W*(?:varnish|finish|coating|resin|lacquer)\s*[:=–-][^.;]*\s)over\s+(?:the\s+)?(?:body|abdomen)\s+and\s+(?:the\s+)?thorax(?!\p{L})/giu,
    as: (m) => inPlace(m, "from the rear of the body to the front of the thorax"),
  },
  // “Hackle in front: a second ginger, 4 turns”, “palmered grizzly, 5 turns”: of feathers.
  {
    has: ["second", "another", "palmered"],
    written:
      /(?<=^\W*(?:front\s+)?hackle\b[^.;,]*[:,]\s*(?:an?\s+)?(?:second|another)\s+|^\W*palmered\s+)(\p{L}+)(?=\s*(?:,|$))/giu,
    as: (m) => (isHue(m[1] ?? "") ? inPlace(m, `${m[1] ?? ""} cock hackle`) : []),
  },
  // “In between put ten strands of flash”
  { has: ["in between"], written: /(?<=^\W*)in\s+between,?\s+(?=(?:put|add|tie|lay)\s)/giu, as: (m) => inPlace(m, "") },
  // “Another 30 olive ones on the other side”
  {
    has: ["ones"],
    written: new RegExp(`(?<=\\banother\\s+(?:${A_COUNT})\\s+)(\\p{L}+)\\s+ones(?!\\p{L})`, "giu"),
    as: (m) => (isHue(m[1] ?? "") ? inPlace(m, `of ${m[1] ?? ""}`) : []),
  },
  // “Three coats of varnish, each dried four hours”
  {
    has: ["dried"],
    written:
      /(?<=\bcoats\b[^;]*),?\s+each\s+dried\s+(?:for\s+)?(\d+|an?|two|three|four|six|twelve)\s+(hours?|minutes?)(?!\p{L})/giu,
    as: (m) => inPlace(m, `, ${m[1] ?? ""} ${m[2] ?? ""} between`),
  },
  // “Golden crest over the wing and as long”
  {
    has: ["and as long"],
    written: /(?<=\bover\s+the\s+(wing|tail|body))\s+and\s+as\s+long(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, `, as long as the ${m[1] ?? ""}`),
  },
  // “Three biots, one in the middle and one each side”: how they stand, and no place.
  {
    has: ["in the middle"],
    written:
      /(?<=,\s)one\s+in\s+the\s+middle,?\s+(?:and\s+)?one\s+(?:on\s+|to\s+|at\s+)?(?:each|either)\s+side(?!\p{L})/giu,
    as: (m) => inPlace(m, "splayed"),
  },
  // “Thread grey 8/0 | hook light wire dry”: two facts in one line, of which the hook is told first elsewhere.
  {
    has: ["|"],
    written: /(?<=^\W*)(thread|silk)\s+([^|;:]{3,40}?)\s*\|\s*hook\s+([^|;:]{2,40}?)\s*$/giu,
    as: (m) => inPlace(m, `hook: ${m[3] ?? ""}; thread: ${m[2] ?? ""}`),
  },
  // “Prep a hackle”
  {
    has: ["prep"],
    written: /(?<!\p{L})prep(?=\s+(?:an?|the|your|one|two|some)\s)/giu,
    as: (m) => inPlace(m, "prepare"),
  },
  // “…, no, put that at the tail”
  {
    has: ["put"],
    written: /(?<=\bno,?\s)put\s+(?:it|that|this|them|those)\s+(?=(?:at|behind|in\s+front|on|over|under)\b)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Rib in flat pearl”: of what it is.
  {
    has: [" in"],
    written:
      /(?<=^\W*(?:rib|body|abdomen|tag|butt|thorax|head|collar|hackle|wing|tail)\s)in(?=\s+(?:(?:flat|oval|round|fine|medium|small|embossed|twisted)\s+){0,2}(\p{L}+)\b)/giu,
    as: (m) => (isColour((m[1] ?? "").toLowerCase()) ? inPlace(m, "of") : []),
  },
  // “Short dubbed collar of hare”: how it is stands with what it is of.
  {
    has: ["dubbed"],
    written:
      /(?<=^\W*)(?:(?:an?|the)\s+)?((?:sparse|full|thick|slim|thin|short|small|neat|little|tight)\s+)?dubbed\s+(collar|body|thorax|head|tag|butt|abdomen)\s+(?:of|in|with)\s+/giu,
    as: (m) => inPlace(m, `${m[2] ?? ""}: ${m[1] ?? ""}`),
  },
  // “A strip tied in behind the head and bound down at the bend”: it goes from the one to the other.
  {
    has: ["strip"],
    written:
      /(?<=\bstrip\b[^.;]*\btied\s+in\s+(?:just\s+)?behind\s+the\s+(?:head|(?:hook\s+)?eyes?|bead|cone|dumb-?bells?))(?=,?\s+(?:and\s+|then\s+)+(?:bound|tied|lashed|secured)\s+down\s+(?:again\s+)?at\s+the\s+(?:bend|back|rear|tail))/giu,
    as: (m) => [{ at: m.index, instead: 0, put: ", pulled back" }],
  },
  // “Tag: oval silver, then red wool butt”: a part of its own.
  {
    has: ["then"],
    written: /,?\s+then\s+(?:an?\s+)?((\p{L}+)\s+(?:\p{L}+\s+){1,2}?)(butt|tag|collar)(?=\s*(?:[.,;]|$))/giu,
    as: (m) => (isColour((m[2] ?? "").toLowerCase()) ? inPlace(m, `; ${m[3] ?? ""}: ${(m[1] ?? "").trim()}`) : []),
  },
  // “To the bend of the hooks”, of a double.
  {
    has: ["hook"],
    written: /(?<=\bthe\s(?:bends?|points?|barbs?))\s+of\s+the\s+hooks?(?!\p{L})/giu,
    as: (m) => inPlace(m, ""),
  },
  // “There tie in a slip”
  {
    has: ["there"],
    written: /(?<=^\W*|[.;]\s+)there,?\s+(tie|bind|catch|lash|fix)\s+(in|on|down)(?!\p{L})/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} ${m[2] ?? ""} there`),
  },
  // “Eyes: chain, 4 mm”
  {
    has: ["chain"],
    written: /(?<=^\W*eyes\s*[:=,-]\s*(?:(?!bead\b)\p{L}+\s+)?)chain(?=\s*(?:[,.;]|$))/giu,
    as: (m) => [{ at: m.index + m[0].length, instead: 0, put: " eyes" }],
  },
  // “Wings: …, set a third back from the eye”: where they are.
  {
    has: ["set"],
    written:
      /(?<=\b(?:wings?|post|hackles?|legs|throat|cheeks)\b[^.;]*,\s)set\s+(?=(?:about\s+)?(?:(?:a|one|two|1|2)\s+(?:thirds?|quarters?|eyes?|eye\s+lengths?)|\d[\d.,]*\s*mm|just|at|behind)\b)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Equal in length to the shank”
  { has: ["equal"], written: /equal\s+in\s+length\s+to(?=\s)/giu, as: (m) => inPlace(m, "equal to") },
  // “Pluck out the fur either side”
  { has: ["pluck"], written: /(?<!\p{L})pluck(?=\s+out\s)/giu, as: (m) => inPlace(m, "pick") },
  // “Tail and belly: a strip”: one strip is both.
  { has: ["belly"], written: /(?<=^\W*tail)\s+and\s+belly(?=\s*[:=-])/giu, as: (m) => inPlace(m, "") },
  // “Dress it on a number eight, long in the shank.”
  {
    has: ["in the shank"],
    written: /(?<=\d\w*|eight|ten|twelve|fourteen|six|four),?\s+(long|short)\s+in\s+the\s+shank/giu,
    as: (m) => inPlace(m, ` ${m[1] ?? ""} shank`),
  },
  // “Eyes: 5 mm epoxy, one a side”
  {
    has: ["epoxy"],
    written: /(?<=^\W*eyes\s*[:=,-]?\s*(?:\d[\d.,]*\s*mm\s+)?)epoxy(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, "epoxy eyes"),
  },
  // “Half way down the abdomen”
  {
    has: ["abdomen"],
    written: /(?<=\bhalf(?:-|\s)?way\s+(?:down|along)\s+the\s)abdomen(?!\p{L})/giu,
    as: (m) => inPlace(m, "body"),
  },
  // “Of medium thickness”
  {
    has: ["thickness"],
    written: /(?<=\bnoodle\s)of\s+(thin|medium|sparse|full)\s+thickness(?!\p{L})/giu,
    as: (m) => inPlace(m, `, ${m[1] ?? ""}`),
  },
  // “1/4 of the shank back”
  {
    has: ["shank back"],
    written: /(?<=,\s)(1\/[234]|a\s+(?:third|quarter))\s+of\s+the\s+shank\s+back(?=\s*(?:[.,;]|$))/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} back from the eye`),
  },
  // “Flat pearl, fine”: of tinsel.
  {
    has: ["pearl"],
    written:
      /(?<=^\W*(?:rib|tag|body)\b.*\bflat\s+pearl)(?=,\s*(?:(?:extra|very)\s+)?(?:fine|small|medium|large|narrow|wide)\b)/giu,
    as: (m) => [{ at: m.index, instead: 0, put: " tinsel" }],
  },
  // “Antennae: 2 stalks, fwd”
  { has: ["fwd"], written: /(?<!\p{L})fwd(?=\s*(?:[.,;]|$)|\s)/giu, as: (m) => inPlace(m, "forward") },
  // “Three coats, last one clear epoxy”
  {
    has: ["coats"],
    written:
      /(?<!\p{L})(two|three|four|[234])\s+coats,\s+(?:the\s+)?last\s+(?:one\s+)?(?:of\s+)?((?:clear\s+|thin\s+|uv\s+)*(?:epoxy|resin))/giu,
    as: (m) => {
      const others = (readNumber(m[1] ?? "") ?? 2) - 1;
      return inPlace(m, `${others} ${others === 1 ? "coat" : "coats"} of lacquer, then one coat of ${m[2] ?? ""}`);
    },
  },
];
