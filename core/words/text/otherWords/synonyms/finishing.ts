import type { Rule } from "../../leftOut";
import { A_COUNT, NUMBER_WORD } from "../../number";
import { BEGINNING, said } from "./said";

const COVER = "varnish|lacquer|cement|resin|head\\s+cement|epoxy|glue|superglue";
const HACKLES =
  "hackles?|cock|hen|saddles?|capes?|partridge|grouse|starling|snipe|woodcock|moorhen|coot|guinea\\s+fowl|jackdaw|badger|furnace|grizzl[ey]|ginger";
const SHORTENED = "tail|wings?|throat|beard|shuck|legs|antennae|hackle|collar";

/** What is done to what is there, and how a fly is finished. */
export const finishing: readonly Rule[] = [
  said(["tie off and finish"], "tie\\s+off\\s+and\\s+finish(?=\\s*(?:[,.;]|$))", "tie off and whip finish"),
  said(["ribbed by"], "\\bribbed\\s+by(?=\\s+\\p{L})", "ribbed with"),
  said(
    ["clipped to the gape", "trimmed to the gape", "cut to the gape", "clipped to gape", "trimmed to gape"],
    "(?<=\\b(?:clipped|trimmed|cut)\\s+to\\s+)(?:the\\s+)?gape(?:\\s+(?:width|length))?(?=\\s*(?:[,.;]|$))",
    "the gape length",
  ),
  // “Head: two coats black”: of that varnish.
  said(
    ["coats "],
    `(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:head|finish)\\s*[:=–-]\\s*(?:[^.;]*,\\s*)?(?:\\d|${NUMBER_WORD})\\s+coats)\\s+(?:of\\s+)?(black|red|clear|brown|olive)(?=\\s*(?:[,.;]|$))`,
    " of $1 varnish",
  ),
  // “5 minute epoxy” is called so, and dries in no five minutes.
  said(["minute epoxy", "min epoxy", "minute resin"], "(\\d{1,2})\\s+min(?:ute|\\.)?\\s+(?=epoxy|resin)", "$1-minute "),
  // “3 coats superglue”
  said(
    ["coats "],
    `(?<=(?:^|[:;,=–-]\\s*|\\b(?:then|and)\\s+)(?:\\d|${NUMBER_WORD})\\s+(?:(?:thin|light|good)\\s+)?coats)\\s+(?=(?:(?:thin|clear|uv|gel|head|flexible)\\s+)*(?:${COVER})(?!\\p{L}))`,
    " of ",
  ),
  // “Coat it with superglue twice”
  said(
    ["twice", "three times"],
    `(?<=\\bwith\\s+(?:(?:thin|clear|uv|gel|head|flexible)\\s+)*)(${COVER})\\s+(twice|three\\s+times)(?=\\s*(?:[,.;]|$))`,
    "$1, $2",
  ),
  said(
    ["back and forth", "to and fro"],
    "(?<=\\p{L},?\\s+)(?:and\\s+|then\\s+)*(?:bend|worry|wiggle|work|rock)(?:ing)?\\s+(?:it\\s+)?(?:back\\s+and\\s+forth|to\\s+and\\s+fro)\\s+(?:till|until)\\s+it\\s+(?:breaks|snaps|parts|comes)(?:\\s+off)?",
    "break off the rest",
  ),
  said(
    ["to the head", "into the head"],
    `${BEGINNING}(?:add|apply|give|let|finish\\s+with)?\\s*(an?\\s+(?:(?:small|tiny|little|good)\\s+)*drop\\s+of\\s+(?:${COVER}))\\s+(?:run\\s+)?(?:to|into|onto)\\s+the\\s+head(?!\\p{L})`,
    "$1 on the head",
  ),
  said(
    ["finish with", "off with"],
    `${BEGINNING}finish\\s+(?:(?:it\\s+|the\\s+fly\\s+)?off\\s+)?with\\s+(?=(?:an?|one|two)\\s+(?:(?:small|tiny|little|good)\\s+)*(?:drops?|coats?)\\s+of\\s+(?:${COVER}|super\\s+glue))`,
    "",
  ),
  said(
    ["not essential", "as an option", "leave out if", "leave it out"],
    "(?<=,\\s)(?:not\\s+essential|as\\s+an\\s+option|leave\\s+(?:it\\s+)?out\\s+if\\s+you\\s+like|i\\s+often\\s+leave\\s+it\\s+out)(?=\\s*(?:[.;]|$))",
    "optional",
  ),
  said(
    ["do a whip", "throw a whip", "complete", "end with", "close with", "secure with", "tie a whip", "use a whip"],
    `${BEGINNING}(?:(?:do|throw|tie|use|put\\s+in)|(?:complete|end|close|secure)(?:\\s+(?:it|the\\s+fly))?\\s+with)\\s+(?:an?\\s+)?(?=whip(?!\\p{L}))`,
    "",
  ),
  said(["whip"], "(?<=\\bwhip(?:[-\\s]finish)?,?\\s+)([4-9])\\s?x(?!\\p{L})", "$1 turns"),
  said(
    ["times"],
    `(?<=\\bwhip(?:[-\\s]finish)?,?\\s+)((?:[4-9]|four|five|six|seven|eight))\\s+times(?!\\p{L})`,
    "$1 turns",
  ),
  said(
    ["apply", "brush on", "paint on", "dab on"],
    `${BEGINNING}(?:apply|brush\\s+on|paint\\s+on|dab\\s+on)\\s+(?=(?:\\d|${NUMBER_WORD})\\s+(?:(?:thin|light|good)\\s+)?coats?\\s+of\\s)`,
    "",
  ),
  said(["touch of"], `(?<=,\\s)(?:an?\\s+)?touch\\s+of(?=\\s+(?:${COVER})(?!\\p{L}))`, "a drop of"),
  said(["double coat"], "(?:an?\\s+)?double\\s+coat(?=\\s+of\\s)", "two coats"),
  said(
    ["touch the head"],
    `touch\\s+(?:the\\s+)?head\\s+with\\s+(?:a\\s+(?:drop|touch)\\s+of\\s+)?(?=(?:${COVER})(?!\\p{L}))`,
    "a drop on the head of ",
  ),
  said(
    ["head varnished", "head lacquered", "head cemented"],
    "(?<=,\\s)head\\s+(varnish|lacquer|cement)ed(?=\\s*(?:[,.;]|$))",
    "$1 the head",
  ),
  said(
    ["scratch", "scruff", "rake", "fuzz", "score", "roughen"],
    `${BEGINNING}(?:(?:scratch|rake|score)\\s+out|(?:scruff|fuzz)\\s+(?:up|out)|roughen(?:\\s+up)?)(?=\\s+(?:the\\s+|some\\s+|your\\s+)?(?:body|abdomen|thorax|dubbing|fur|head|collar)(?!\\p{L}))`,
    "pick out",
  ),
  said(
    ["pick the", "tease the", "brush the", "comb the", "rough the"],
    "(?<!\\p{L})(pick|tease|brush|comb|rough)\\s+the\\s+(body|abdomen|thorax|head|collar|dubbing|fur)\\s+(out|up)(?=\\s*(?:[,.;]|$|with\\b|and\\b))",
    "$1 $3 the $2",
  ),
  said(
    ["pinch", "tear", "nip", "break"],
    `${BEGINNING}(?:pinch|tear|nip|break)(?:\\s+off)?(?=\\s+the\\s+(?:${SHORTENED})\\s+(?:fib(?:re|er)s\\s+)?(?:off\\s+|back\\s+|down\\s+)?to\\s)`,
    "trim",
  ),
  said(
    [" off at "],
    `(?<=\\b(?:trim|cut|clip|snip)\\s+the\\s+(?:${SHORTENED})\\s+)off\\s+at(?=\\s+(?:half|twice|an?|one|two|about|\\d)(?!\\p{L}))`,
    "to",
  ),
];

/** How long a hackle's barbs are, and how it is tied in. */
export const ofHackles: readonly Rule[] = [
  // “Hackle: short orange cock”, “two turns of a longer hen hackle”: of what is wound the fibres are short or long.
  said(
    ["short", "long"],
    `(?<=^\\W*(?:(?:front|body|head|rear)\\s+)?(?:hackle|collar)\\s*[:=–-]\\s*(?:an?\\s+|one\\s+)?|\\bpalmer(?:ed)?\\s+with\\s+an?\\s+|\\b(?:turns?|wraps?)\\s+of\\s+(?:an?\\s+|the\\s+)?)(short|long)(?:er|[-\\s]+fib(?:re|er)d)?\\s+((?:\\p{L}+\\s+){0,3}?(?:${HACKLES})(?:\\s+(?:cock|hen|saddle|cape))?(?:\\s+(?:hackles?|feathers?))?)(?!\\p{L})`,
    "$2, $1 in the fibre",
  ),
  said(
    ["body length palmered", "body-length palmered", "palmered body length"],
    "(?<=\\s)(?:body[\\s-]length\\s+palmered|palmered\\s+body[\\s-]length)(?=\\s*(?:[,.;]|$))",
    "palmered over the body",
  ),
  // “A soft hackle, partridge, two turns”: one, of that.
  said(
    ["soft hackle, "],
    "soft\\s+hackle,\\s+(?:of\\s+)?((?:\\p{L}+\\s+)?(?:partridge|grouse|starling|snipe|woodcock|moorhen|coot|waterhen|guinea\\s+fowl|jackdaw))(?=\\s*(?:[,.;]|$))",
    "$1 soft hackle",
  ),
  said(
    ["stiff", "soft", "springy", "webby", "lively"],
    "(?<=^\\W*(?:(?:front|body)\\s+)?(?:hackle|collar)\\s*[:=–-].*,\\s+)(?:with\\s+)?(?:nice\\s+|good\\s+|very\\s+)?(stiff|soft|springy|webby|lively)\\s+(?:fib(?:re|er)s|barbs)(?=\\s*(?:[,.;]|$))",
    "$1",
  ),
  said(
    ["reach", "tips at", "touching"],
    "(?<=^\\W*(?:(?:front|body|throat)\\s+)?(?:hackle|collar)\\s*[:=–-].*,\\s+)(?:(?:just\\s+)?long\\s+enough\\s+to\\s+reach|(?:(?:fib(?:re|er)\\s+)?tips\\s+)?(?:just\\s+)?(?:reaching(?:\\s+to)?|touching)|fib(?:re|er)\\s+tips\\s+at)(?=\\s+the\\s+(?:hook\\s+)?(?:bend|point|barb|tail)(?!\\p{L}))",
    "fibres reaching",
  ),
  said(["point"], "(?:tied\\s+in\\s+)?by\\s+(?:its|the)\\s+(?:fine\\s+)?point(?=\\s*(?:[,.;]|$))", "by the tip"),
  said(["point first"], "(?<!hook\\s+)point\\s+first(?!\\p{L})", "by the tip"),
  said(["stem first", "stalk first"], "(?:stem|stalk)\\s+first(?!\\p{L})", "by the butt"),
  said(["gape in length"], "(?<=\\bgape)\\s+in\\s+length(?!\\p{L})", ""),
  said(
    ["flues", "hackle length", "fibre length", "barb length"],
    `(?<=,\\s)(?:flues|(?:hackle|barb)\\s+lengths?)(?=\\s+(?:of\\s+|is\\s+|are\\s+)?(?:about\\s+)?${A_COUNT}(?!\\p{L}))`,
    "fibres",
  ),
  said(
    ["whose"],
    "(?<=\\p{L}),?\\s+whose\\s+(?:fib(?:re|er)s|barbs|tips)\\s+(?:are\\s+|should\\s+)?(?=(?:reach|an?|one|two|as|half|twice|\\d)(?![\\p{L}]))",
    ", fibres ",
  ),
  said(["measuring"], "(?<=\\b(?:fib(?:re|er)s|barbs)\\s+)measuring(?=\\s)", ""),
  said(
    ["sized"],
    "sized(?:\\s+(?:to|at))?(?=\\s+(?:about\\s+)?\\d(?:[.,]\\d)?\\s*(?:x\\s+|times\\s+)?(?:the\\s+)?(?:hook\\s+)?gape)",
    "fibres",
  ),
  said(["fibres", "fibers", "barbs"], "(?<=,\\s)(?:the\\s+)(?=(?:fib(?:re|er)s|barbs)\\s+should\\s+reach\\s)", ""),
  said(["should reach"], "(?<=\\b(?:fib(?:re|er)s|barbs|tips)\\s+)(?:should|must|will)\\s+(?=reach\\s)", ""),
  said(
    ["with the fib"],
    "(?<=,\\s)with\\s+(?:the\\s+|its\\s+)?(?=(?:fib(?:re|er)s|barbs)\\s+(?:swept|sloping|stroked|angled)\\s+back)",
    "",
  ),
  said(
    ["cupped", "curving", "curved"],
    "(?:cupped|curving|curved)\\s+(?:back|rear)(?:wards?)?(?=\\s*(?:[,.;]|$))",
    "hollow side back",
  ),
  said(
    ["cupped", "curving", "curved"],
    "(?:cupped|curving|curved)\\s+forwards?(?=\\s*(?:[,.;]|$))",
    "hollow side forward",
  ),
  said(["wet"], "(?:tied\\s+)?wet(?:[-\\s]fly)?[-\\s]style(?=\\s*(?:[,.;]|$))", "swept back"),
  said(["(beard)", "(throat)"], "(?<=^\\W*)(?:throat|hackle|beard)\\s+\\((?:beard|throat)\\)(?=\\s*[:=])", "throat"),
  said(
    ["at the throat", "under the throat", "chin"],
    "(?<=^\\W*)(?:(?:at|under)\\s+the\\s+throat|chin)(?=\\s*[:=])",
    "throat",
  ),
  said(
    ["+"],
    "(?<=^\\W*(?:legs|feelers)\\s*[:=–-]\\s*)([1-6])\\s?\\+\\s?\\1(?=\\s+\\p{L}+\\s+(?:legs|strands|fib))",
    "$1 each side ",
  ),
  said(
    ["double whip"],
    "(?:(?:finish|done|end|complete|close)\\s+(?:off\\s+)?(?:it\\s+)?with\\s+)?an?\\s+double\\s+whip(?:\\s?-?\\s?finish)?",
    "whip finish twice",
  ),
  said(
    ["varnished head", "lacquered head", "cemented head"],
    `${BEGINNING}(?:finish|end|complete)\\s+(?:off\\s+)?with\\s+an?\\s+((?:small|neat|tidy|slim|black|red)\\s+)?(varnished|lacquered|cemented)\\s+head(?=\\s*(?:[.;]|$))`,
    "finish with a $1head, $2",
  ),
  said(
    ["to leave a", "so that", "leaving a"],
    "(?<=\\b(?:trim|cut|clip)\\b[^.;]*?),?\\s+(?:to\\s+leave|leaving)\\s+an?\\s+(\\d+(?:[.,]\\d+)?\\s*mm)\\s+(?:long\\s+)?head(?=\\s*(?:[.;]|$))",
    ", leave $1 for a head",
  ),
  said(
    ["body only", "quill only", "back only", "head only", "thorax only"],
    "(?<=\\b(?:coats?|resin|varnish|lacquer|epoxy)(?!\\p{L})[^.;]*),\\s+(?:on\\s+)?(?:the\\s+)?(body|abdomen|quill|back|thorax|head)\\s+only(?=\\s*(?:[,.;]|$))",
    " over the $1",
  ),
  said(
    ["over the lot", "over everything", "over it all", "over all of it", "all over"],
    "(?<=\\bcoats?\\s+of\\s+[^.;,]*)\\s+(?:over\\s+(?:the\\s+(?:whole\\s+)?lot|everything|it\\s+all|all\\s+of\\s+it)|all\\s+over)(?=\\s*(?:[,.;]|$))",
    " over the whole fly",
  ),

  said(["whipped"], "(?<=(?:^|[,;.])\\s*)finish(?:ed)?\\s+whipped(?=\\s*(?:[,.;]|$))", "whip finish"),
  said(
    ["flush", "close beneath"],
    "(?<=\\b(?:clipped|trimmed|cut|clip|trim)\\s+)(?:flush|close)\\s+(?:beneath|underneath|below|under)(?=\\s*(?:[,.;]|$))",
    "flat underneath",
  ),
  said(["second thin coat"], "(?<=[,;]\\s+(?:then\\s+)?)second\\s+thin\\s+coat(?!\\p{L})", "1 thin coat"),
  said(
    ["butts"],
    "(?:the\\s+)?(?:butts\\s+of\\s+the\\s+wing|wing\\s+butts)(?=,?\\s+(?:are\\s+)?left\\s+(?:as|for)\\s+(?:an?|the)\\s+head)",
    "butts",
  ),
];
