import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT, NUMBER_WORD } from "../../number";
import { BEGINNING, said } from "./said";

/** How many, and of what pieces. */
export const amounts: readonly Rule[] = [
  // “A bunch of marabou, about 3 mm squeezed”
  said(
    ["mm squeezed", "mm compressed", "mm pinched"],
    "(\\d(?:[.,]\\d)?)\\s?mm\\s+(?:squeezed|compressed|pinched)(?:\\s+(?:tight|together|flat))?(?=\\s*(?:[,.;)]|$))",
    "$1 mm thick",
  ),
  said(
    [" thickness"],
    "(?<=(?:dubbing|fur|body)[^.;]*,?\\s+)(?:of\\s+)?(slim|thin|medium|full)\\s+thickness(?=\\s*(?:[,.;]|$))",
    "dubbed $1",
  ),
  // “Roe deer, 2.5 mm stack”
  said(["mm stack"], "(\\d(?:[.,]\\d)?)\\s?mm\\s+stack(?=\\s*(?:[,.;]|$|of\\s|when\\s))", "$1 mm clump"),
  // “Cock fibres, six or seven, tied in at the bend”
  said(
    ["fibres,", "fibers,"],
    `${BEGINNING}((?:\\p{L}+\\s+){1,4}fib(?:re|er)s),\\s+((?:${A_COUNT})(?:\\s*(?:-|to|or)\\s*(?:${A_COUNT}))?),\\s+(?=tied\\s)`,
    "$2 $1, ",
  ),
  // “Two strips of lead lashed to the sides of the shank”
  said(
    ["strips of", "lengths of", "pieces of"],
    "(?:two|2)\\s+(?:strips|lengths|pieces)\\s+of\\s+((?:[\\p{L}\\d.,-]+\\s+){0,2}(?:lead(?:-free)?|wire)(?:\\s+wire)?),?\\s+(?:lashed|tied|bound|laid|fixed)\\s+(?:down\\s+)?(?:to|along|on|down|at)\\s+(?:the|both|either|each)\\s+sides?(?:\\s+of\\s+the\\s+(?:shank|hook))?",
    "$1 along both sides of the shank",
  ),
  said(
    [
      "coats black",
      "coats clear",
      "coats red",
      "coats thin",
      "coats varnish",
      "coats head",
      "coat clear",
      "coat black",
      "coat varnish",
      "coats uv",
      "coat uv",
      "coats lacquer",
      "coats resin",
      "coat resin",
    ],
    "(?<=\\b(?:an?|one|two|three|1|2|3)\\s+(?:thin\\s+)?coats?)(?=\\s+(?:\\p{L}+\\s+){0,2}(?:varnish|lacquer|cement|resin|epoxy)(?!\\p{L}))(?!\\s+of\\s)",
    " of",
  ),
  said(
    ["thin film", "thin plastic", "thin latex"],
    "(?<=\\b(?:clear|stretch|grey|green|olive|tan|brown|pink)\\s+)thin\\s+(?=(?:film|plastic|latex)(?!\\p{L}))",
    "",
  ),
  said(
    ["mm bead"],
    "(?<=\\b(?:it|they|this)\\s+(?:is|should\\s+be|must\\s+be)\\s+)as\\s+(?:thick|fat|full|big)\\s+as\\s+an?\\s+(\\d(?:[.,]\\d)?\\s?mm)\\s+bead",
    "$1 thick",
  ),
  // “A few red game fibres, eight say”
  said(
    [" say", " perhaps"],
    `(?:an?\\s+few|some)\\s+((?:\\p{L}+\\s+){0,4}(?:fib(?:re|er)s|hairs|strands|herls|barbs)),\\s+(${A_COUNT})\\s+(?:say|perhaps)(?=\\s*(?:[,.;]|$))`,
    "about $2 $1",
  ),
  // “One strand of red wire and one of copper, both 0.1 mm”
  said(
    ["and one of", "and a strand of", "and one strand of"],
    `(strands?\\s+of\\s+(?:(?!wire)\\p{L}+\\s+){1,2})wire\\s+and\\s+(?:one|an?|1)\\s+(?:strand\\s+)?of\\s+((?:\\p{L}+\\s*){1,2}?)(?:\\s+wire)?,\\s+both\\s+((?:\\d*[.,])?\\d+\\s*mm)`,
    "$1wire $3 and one strand of $2 wire $3",
  ),
  // “Keep it no thicker than a matchstick”: a thing of the table measures nothing that is said in figures.
  said(
    ["thicker than a"],
    "(?:is\\s+|are\\s+)?(?:no|not)\\s+thicker\\s+than\\s+an?\\s+(?:match(?:stick)?|toothpick|needle|thread|pencil\\s+lead|hair|straw|wire)(?=\\s*(?:[,.;]|$))",
    "slim",
  ),
  said(
    ["breath of"],
    "(?:(?:merest|slightest|faintest|mere)\\s+)?\\bbreath\\s+of(?=\\s+(?:\\p{L}+\\s+){0,3}\\p{L}+)",
    "trace of",
  ),
  // “Two fibres of red hackle, one of black hackle”: one of those, and no whole feather.
  {
    has: ["one of ", "1 of "],
    written: new RegExp(
      `(?<=\\b(?:${A_COUNT})\\s+(fib(?:re|er)|hair|strand)s?\\s+of\\s+[^.;:]*?(?:,\\s+(?:(?:then|and)\\s+)?|\\s+(?:and|then)\\s+))(?:one|1)(?:\\s+more)?\\s+of\\s+(?=[\\p{L}-]+\\s+(?:hackle|cock|hen|saddle|feather)\\s*(?:[,.;]|$))`,
      "giu",
    ),
    as: (m) => inPlace(m, `one ${m[1] ?? ""} of `),
  },
  // “8 turns .3mm”
  said([" ."], "(?<=\\s)\\.(?=\\d{1,2}\\s?mm(?!\\p{L}))", "0."),
  said(
    ["feather fib"],
    `(?<=\\b(?:${A_COUNT})\\s+(?:\\p{L}+\\s+)?(?:pheasant|turkey|goose|mallard|teal|peacock)\\s+(?:tail|wing|flank|breast))\\s+feather(?=\\s+fib(?:re|er)s)`,
    "",
  ),
  // “tag: 3 mm yellow floss” is so long: thread and floss are no wider than they are.
  said(
    ["mm "],
    "(?<=^\\W*(?:tag|tip|butt|hot\\s?spot)\\s*[:=–-]\\s*(?:[^.;]*,\\s+(?:then|and)\\s+)?\\d+(?:[.,]\\d+)?\\s?mm)\\s+(?=(?:(?!of\\b|wide\\b|long\\b)\\p{L}+\\s+){0,3}(?:floss|thread|silk)(?!\\p{L}))",
    " of ",
  ),
  // “Strip of foam, tied in …”: as a note leaves the article out.
  said(
    ["strip of", "strand of", "pair of", "clump of", "bunch of", "tuft of", "slip of", "piece of", "wisp of"],
    "(?<=^\\s*(?:(?:\\d{1,2}[.)]|[-*•])\\s+)?)(?=(?:strip|strand|pair|clump|bunch|tuft|slip|piece|wisp)\\s+of\\s+\\p{L})",
    "a ",
  ),
  // “6 mm wide x 2 mm thick”
  said(
    ["wide x", "wide by", "thick x", "thick by"],
    "(?<=\\d\\s?mm\\s+(?:wide|thick))\\s+(?:x|by)\\s+(?=\\d+(?:[.,]\\d+)?\\s?mm\\s+(?:wide|thick|long)(?!\\p{L}))",
    " and ",
  ),
  // “…; size 10 six turns, 12 five turns, 14 four turns”
  said(
    ["size "],
    `[,;]\\s+sizes?\\s+(\\d{1,2})\\s+(${A_COUNT})\\s+(turns|wraps|fib(?:re|er)s),\\s+(?:size\\s+)?(\\d{1,2})\\s+(${A_COUNT})\\s+\\3,\\s+(?:and\\s+)?(?:size\\s+)?(\\d{1,2})\\s+(${A_COUNT})\\s+\\3(?=\\s*(?:[.;]|$))`,
    ", $2 $3 on $1, $5 on $4, $7 on $6",
  ),
  // “30 hairs at size 14, 24 at 16 and 18 at 18”
  {
    has: [" at size", " at #", "turns at ", "hairs at ", "fibres at ", "strands at "],
    written: new RegExp(
      `(?<=\\b(?:${A_COUNT})\\s+(?:turns|wraps|hairs|fib(?:re|er)s|strands)\\s+)at\\s+(?:sizes?\\s+|#)?(\\d{1,2})((?:,\\s+(?:and\\s+)?|\\s+and\\s+)(?:${A_COUNT})\\s+at\\s+(?:sizes?\\s+|#)?\\d{1,2}(?!\\s*mm))+(?=\\s*(?:[,.;]|$))`,
      "giu",
    ),
    as: (m) => inPlace(m, m[0].replace(/\bat\s+(?:sizes?\s+|#)?/giu, "on ")),
  },
  said(
    ["whole", "entire", "complete", "full "],
    "(?<=\\b(?:an?|one)\\s+)(?:whole|entire|complete|full)\\s+(?=(?:\\p{L}+\\s+){0,2}(?:marabou|plume|hackle|feather)(?!\\p{L}))",
    "",
  ),
  // “4 turns (size 18: 3)”
  said(
    ["(size", "(on ", "(#"],
    "(?<=\\b\\d{1,2}\\s+(?:turns|wraps|fib(?:re|er)s|hairs|strands))\\s+\\((?:on\\s+)?(?:size\\s+|#)(\\d{1,2}):\\s*(\\d{1,2})\\)",
    ", $2 on size $1, ",
  ),
  // A number that is taken back.
  said(
    ["no", "sorry", "mean", "make that", "rather", "correction", "scratch", "wait"],
    "(?<=[:=–-]\\s)\\d{1,2}(?:\\s*(?:,|-|–|\\.{2,3}|…)\\s*(?:no|sorry|i\\s+mean|make\\s+(?:that|it)|rather|correction|scratch\\s+that|wait)|\\s+or\\s+rather)(?:,|:)?\\s+(?=\\d{1,2}\\s+\\p{L})",
    "",
  ),
  said(
    ["not "],
    "(?<=\\b\\d{1,2})\\s+(?:\\(not\\s+\\d{1,2}\\)|not\\s+\\d{1,2})(?=\\s+\\p{L})|(?<=\\b\\d{1,2}\\s+(?:\\p{L}+\\s+){0,3}(?:fib(?:re|er)s|turns|wraps|hairs|strands)),\\s+not\\s+\\d{1,2}(?=\\s*(?:[,.;]|$))|(?<=,\\s)not\\s+\\d{1,2}\\s+but\\s+(?=\\d{1,2}\\s)",
    "",
  ),
  said(
    ["lead"],
    "(?:(?<=^\\W*)lead\\s+wire,\\s+(\\d(?:[.,]\\d+)?\\s*mm)(?=,\\s+\\d{1,2}\\s+(?:turns|wraps))|(?<=\\bof\\s+|^\\W*(?:weight|lead|ballast)\\s*:\\s*(?:\\d{1,2}\\s+turns\\s+)?)lead\\s+wire\\s+(\\d(?:[.,]\\d+)?\\s*mm)(?=\\s*(?:[,.;]|$)))",
    "$1$2 lead wire",
  ),
  said(
    ["gapes in the barb", "gape in the barb"],
    "((?:one\\s+and\\s+a\\s+half|\\d(?:[.,]\\d)?|one|two|a)\\s+gapes?)\\s+in\\s+the\\s+barb(?!\\p{L})",
    "barbs $1",
  ),
  // “Brown cock and grizzly”: two hackles, wound together or one after the other.
  said(
    ["cock"],
    "(?<=^\\W*hackle\\s*[:=–-]\\s*)(?:mixed\\s+)?(?:(?:one|an?|1)\\s+)?(grizzly|badger|furnace|ginger|dun|black|brown|red|cree)\\s+cock(?:\\s+hackle)?(?:\\s+(?:(?:wound|mixed)\\s+)?(?:and|with|&|\\+)|,|\\s*[&+])\\s+(?:(?:one|an?|1)\\s+)?(grizzly|badger|furnace|ginger|dun|black|brown|red|cree)(?:\\s+(?:cock|hackle))*(?:,?\\s+(?:mixed|together|wound\\s+together))?(?=\\s*(?:[,.;]|$))",
    "$1 cock hackle and $2 cock hackle",
  ),
  said(
    ["pair"],
    "(?<=^\\W*legs\\s*[:=–-]\\s*)(?:an?|one|1)\\s+pair\\s+of\\s+(?=(?:\\p{L}+\\s+){0,3}legs(?!\\p{L}))",
    "2 ",
  ),
  said(
    ["pair"],
    "(?<=^\\W*legs\\s*[:=–-]\\s*)((?:\\p{L}+\\s+){1,3}legs),\\s+(?:an?|one|1)\\s+pair(?=\\s*(?:[,.;]|$))",
    "2 $1",
  ),
  said(
    ["soft"],
    `(?<=[:=–-]\\s)(${A_COUNT})\\s+(soft\\s+(?:\\p{L}+\\s+)?hackle)\\s+(fib(?:re|er)s)(?=\\s*(?:[,.;]|$|on\\s|an?\\s|each\\s|per\\s))`,
    "$1 $3 of $2",
  ),
  said(
    ["both sides"],
    "(?<=^\\W*(?:cheeks|sides|shoulders)\\s*[:=–-]\\s*(?:\\p{L}[\\p{L}-]*\\s+){0,4}(?:feathers?|hackles|nails|biots)\\s+)on\\s+both\\s+sides(?=\\s*(?:[,.;]|$))",
    "one on each side",
  ),
  said(
    ["pair of"],
    "(?<!\\p{L})(?:an?|one)\\s+pair\\s+of\\s+(?=(?:\\p{L}+\\s+){1,3}(?:fib(?:re|er)s|barbs|herls|strands|hairs|plumes)(?!\\p{L}))",
    "2 ",
  ),
  said(
    ["a pair of plumes", "a pair of feathers", "a pair of hackles"],
    "(?<=,\\s)(?:an?|one)\\s+pair\\s+of\\s+(?=(?:plumes|feathers|hackles)(?!\\p{L}))",
    "2 ",
  ),
  said(
    ["strands of"],
    `(?<!^\\W*body.*)(?<=\\b(?:${A_COUNT})\\s+)strands(?=\\s+of\\s+(?:\\p{L}+\\s+){0,3}(?:hair|pheasant\\s+tail)(?!\\p{L}))`,
    "fibres",
  ),
  said(["herls"], "(?<=\\d\\s+)herls(?=\\s+(?:of|from)\\s+(?:an?\\s+)?pheasant)", "fibres"),
  said(["pheasant tail herls"], "(?<=\\bpheasant\\s+tail\\s+)herls(?!\\p{L})", "fibres"),
  said(
    ["plume", "hackle", "feather"],
    `(?<=^\\W*wings?\\s*[:=–-]\\s*)((?:\\p{L}[\\p{L}-]*\\s+){0,3}(?:plumes?|hackles?|feathers?)),\\s+(${A_COUNT})(?:\\s+of\\s+them)?(?=\\s*(?:[,;]|$))`,
    "$2 $1",
  ),
  said(
    ["x "],
    `(?<=[:=–-]\\s)(\\d{1,2})\\s?x\\s+(?=(?:\\p{L}+\\s+){1,3}(?:fib(?:re|er)s|barbs|hairs|strands|herls)(?!\\p{L}))`,
    "$1 ",
  ),
  said(
    ["wound "],
    `(?<=[:=–-]\\s)(${A_COUNT})\\s+wound\\s+((?:\\p{L}+\\s+){1,3}(?:fib(?:re|er)s|herls))(?=\\s*(?:[,.;]|$))`,
    "$1 $2, wound",
  ),
  said(
    [" t "],
    "(?<=^\\W*(?:rib(?:bing)?|hackle|collar|thorax|tag|throat|butt)\\s*[:=–-]\\s*\\d)\\s?t(?=\\s+\\p{L})",
    " turns of",
  ),
  said(
    ["smaller", "below", "under", "larger", "bigger", "up"],
    `(?<=,\\s)(?:but\\s+)?on\\s+(?:sizes?\\s+|the\\s+)?#?(\\d{1,2})s?\\s+and\\s+(smaller|below|under|down|larger|bigger|up),?\\s+(?:only\\s+|just\\s+)?(${A_COUNT}(?:\\s+(?:turns|fib(?:re|er)s|hairs|strands))?)(?=\\s*(?:[,.;]|$))`,
    "$3 on $1 and $2",
  ),
  said(
    [" and "],
    `(?<=,\\s)(?:but\\s+)?(?:on|in|for)\\s+(?:sizes?\\s+|the\\s+)?#?(\\d{1,2})s?\\s+and\\s+(?:the\\s+)?#?(\\d{1,2})s?,?\\s+(?:only\\s+|just\\s+)?(${A_COUNT}(?:\\s+(?:turns|fib(?:re|er)s|hairs|strands))?)(?=\\s*(?:[.;]|$))`,
    "$3 on $1 and $2",
  ),
  said(
    ["and the 1", "and the 2"],
    "(?<=\\b(?:on|in|for)\\s+the\\s+\\d{1,2}s?\\s+and\\s+)the\\s+(?=\\d{1,2}s?(?!\\p{L}))",
    "",
  ),
  said(["but "], `(?<=,\\s)but\\s+(?=(?:${A_COUNT})\\s+on\\s+(?:sizes?\\s+|the\\s+)?#?\\d)`, ""),
  said(
    ["down"],
    `(?<=,\\s)(?:(${A_COUNT})\\s+from\\s+(?:size\\s+)?#?(\\d{1,2})s?\\s+down|from\\s+(?:size\\s+)?#?(\\d{1,2})s?\\s+down(?:wards?)?,?\\s+(${A_COUNT}))(?=\\s*(?:[,.;]|$))`,
    "$1$4 on $2$3 and smaller",
  ),
  said(["double pair"], "(?<!\\p{L})an?\\s+double\\s+pair\\s+of(?=\\s)", "two pairs of"),
  said(
    ["half hitch", "half-hitch"],
    `${BEGINNING}(?:tie|put\\s+in|throw|make|add|do|take|(?:lock|secure|hold|finish)(?:\\s+(?:it|off))?\\s+with)\\s+(${A_COUNT}|an?)\\s+(half[-\\s]hitch(?:es)?)(?!\\p{L})`,
    "$1 $2",
  ),
  said(["half hitch", "half-hitch"], "(?<!\\p{L})(\\d)\\s?x\\s*half[-\\s]hitch(?:es)?(?!\\p{L})", "$1 half hitches"),
  said(["half hitches,"], `half[-\\s]hitches,\\s+(${A_COUNT})(?=\\s*(?:[.;]|$))`, "$1 half hitches"),
  said(
    ["dyed"],
    `(?<!\\p{L})(${A_COUNT})\\s+((?:\\p{L}+\\s+){0,2}(?:hairs|fib(?:re|er)s))\\s+dyed\\s+(\\p{L}+)(?=\\s*(?:[,.;]|$))`,
    "$1 $3 $2",
  ),
  said(["say "], "(?<=,\\s)say\\s+(?=\\d{2,3}\\s*(?:d|den|denier)(?!\\p{L}))", ""),
  said(["pair"], "(?<=^\\W*eyes\\s*[:=–-].*),\\s*(?:one|a|1)\\s+pair(?=\\s*(?:[,.;]|$))", ""),
  said(
    ["underfur removed", "short hairs", "fluff removed"],
    "(?:(?:with\\s+)?(?:the\\s+)?(?:underfur|short\\s+hairs)\\s+(?:removed|combed\\s+out|cleaned\\s+out)|(?:and\\s+)?remove\\s+(?:the\\s+|any\\s+)?short\\s+hairs)(?=\\s*(?:[,.;]|$))",
    "cleaned of underfur",
  ),
  said(
    ["fibre", "fiber"],
    "(?<=[:=–-]\\s)((?!an?\\s|few\\s|some\\s)(?:\\p{L}+\\s+){1,3}fib(?:re|er)s)\\s*(?:x\\s?|\\()(\\d{1,2})\\)?(?=\\s*(?:[,.;]|$))",
    "$2 $1",
  ),
  said(
    ["twisted"],
    `(?<=[:=–-]\\s)(${A_COUNT})\\s+twisted\\s+((?:\\p{L}+\\s+){1,3}(?:fib(?:re|er)s|herls|strands))(?=\\s*(?:[,.;]|$))`,
    "$1 $2 twisted",
  ),
  said(
    ["tips from"],
    `(?<=[:=–-]\\s)(?:the\\s+)?tips\\s+from\\s+(?=(?:${A_COUNT})\\s+(?:\\p{L}+\\s+){1,2}(?:hackles|feathers|plumes))`,
    "tips of ",
  ),
  said(
    ["grizzly tips", "dun tips", "badger tips", "ginger tips"],
    "(?<=\\b(?:grizzly|dun|badger|ginger))\\s+tips(?=\\s*(?:[,.;]|$|on\\b))",
    " hackle tips",
  ),
  said(
    ["matched"],
    "(?<=[:=–-]\\s)matched\\s+(?=(?:\\p{L}+\\s+){0,2}(?:hackle|feather)\\s+tips(?!\\p{L}))",
    "a pair of ",
  ),
  said(["poly-yarn"], "poly-yarn(?!\\p{L})", "poly yarn"),
  said(["("], `(?<=\\b\\d{1,3}\\s*)\\((?:${NUMBER_WORD})\\)`, ""),
  said(
    ["hank", "lock of", "sprig", "spray", "group", "stack of", "sheaf", "swatch", "hunk", "wad of"],
    `(?<!\\p{L})(?:hanks?|locks?|sprigs?|sprays?|groups?|stacks?|shea(?:f|ves)|swatch(?:es)?|hunks?|wads?)(?=\\s+of\\s)`,
    "bunch",
  ),
  said(["x "], `(?<=\\b\\d{1,3})\\s*x\\s+((?:\\p{L}+\\s+){1,3})fib(?:re|er)(?=\\s*(?:[,.;]|$))`, " $1fibres"),
  said(["fibs"], "(?<=\\d\\s*)fibs(?=\\s)", "fibres of"),
  said(
    ["flues", "whisks of"],
    `(?<=\\b${A_COUNT}\\s+(?:\\p{L}+\\s+)?)(?:flues|whisks)(?=\\s+(?:of|from)\\s)`,
    "fibres",
  ),
  said(
    ["separate", "individual", "single fib", "single hair"],
    `(?<=\\b${A_COUNT}\\s+)(?:separate|individual|single)\\s+(?=(?:fib(?:re|er)s|hairs|strands|barbs)(?!\\p{L}))`,
    "",
  ),
  said(
    ["taken", "pulled", "plucked", "snipped", "torn", "peeled"],
    "(?<=\\b(?:fib(?:re|er)s|hairs|barbs|strands|herls|slips)\\s+)(?:taken|pulled|plucked|snipped|torn|peeled)(?=\\s+(?:from|off)\\s)",
    "",
  ),
  said(
    ["patch", "hide", "skin"],
    `(?<=\\b${A_COUNT}\\s+)hairs\\s+from\\s+(?:an?|the)\\s+(deer|elk|moose|calf|squirrel|hare|goat|badger)\\s+(?:patch|hide|skin|mask|tail)(?=\\s*(?:[,.;]|$))`,
    "$1 hairs",
  ),
  said(
    ["stacked", "cleaned", "evened", "combed"],
    `(?<=\\b${A_COUNT}\\s+)(stacked|cleaned|evened|combed)\\s+((?:\\p{L}+\\s+){0,2}(?:hairs|fib(?:re|er)s))(?=\\s*(?:[,.;]|$|(?:as|for)\\s+(?:an?|the)\\s))`,
    "$2, $1, ",
  ),
  said(["matched", "paired"], "(?<=\\b(?:from|of)\\s+)(?:well-?\\s?)?(?:matched|paired)(?=\\s+\\p{L})", ""),
  said(
    ["matched", "paired"],
    "(?<=[:=–-]\\s)(?:matched|paired)\\s+(?=(?:\\p{L}+\\s+){1,3}slips(?!\\p{L}))",
    "a pair of ",
  ),
  said(["hair"], "(?<!\\p{L})((?:deer|elk|moose|calf|squirrel|goat)\\s+hair)\\s*\\((\\d{1,3})\\)", "$2 fibres of $1"),
  said(
    ["herl"],
    `(?<=^\\W*(?:body|thorax|abdomen|underbody)\\s*[:=,–-]\\s*)((?:\\p{L}+\\s+){0,2}herl)\\s*,?\\s*(?:\\((\\d|${NUMBER_WORD})\\)|x\\s?(\\d)|(\\d)\\s?x|(\\d|${NUMBER_WORD})(?:\\s+pieces)?)(?=\\s*(?:[,.;]|$))`,
    "$2$3$4$5 strands of $1",
  ),
  said(
    ["layer"],
    "(?:an?\\s+)?(?:second\\s+layer\\s+over\\s+the\\s+first|(?:one\\s+)?layer\\s+over\\s+(?:another|the\\s+other))",
    "two layers",
  ),
  said(["first back"], "first\\s+back,?\\s+(?:and\\s+)?then\\s+(?:forwards?|up)(?:\\s+again)?", "there and back"),
  said(
    ["wound twice", "wrapped twice"],
    "(?<=^\\W*(?:body|abdomen|underbody)(?!\\p{L}).*)(?:wound|wrapped)\\s+twice(?=\\s*(?:[,.;]|$))",
    "two layers",
  ),
  said(
    ["winds", "rounds", "rotations", "laps", "revolutions", "windings", "circuits"],
    `(?<=\\b${A_COUNT}\\s+(?:(?:open|touching|even|evenly\\s+spaced|close|tight|full|wide)\\s+)?)(?:winds|rounds|rotations|laps|revolutions|windings|circuits)(?!\\p{L})`,
    "turns",
  ),
  said(["bands"], `(?<=^\\W*rib(?:bing)?(?!\\p{L}).*\\b${A_COUNT}\\s+)bands(?!\\p{L})`, "turns"),
  said(
    ["turns"],
    `(?:(?<=,\\s+)(?:giving|making|that's|that\\s+is|which\\s+is|so(?:\\s+that)?|total(?:ling)?)\\s+)(?=(?:about\\s+)?${A_COUNT}\\s+(?:\\p{L}+\\s+)?(?:turns|wraps)(?!\\p{L}))`,
    "",
  ),
  said(
    ["turns"],
    "(?<=\\b(?:turns|wraps))\\s+(?:(?:are\\s+)?(?:show(?:ing|s)?|visible)|in\\s+(?:all|total)|altogether)(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(
    ["visible turns", "total of"],
    `(?<=\\b${A_COUNT}\\s+)visible\\s+(?=turns)|(?:an?\\s+)?total\\s+of\\s+(?=${A_COUNT}\\s+(?:turns|wraps))`,
    "",
  ),
  said(
    ["x"],
    `(?<=,\\s)(\\d{1,2})\\s?x(?=\\s*(?:[.;]|$))(?<=^\\W*(?:rib(?:bing)?|hackle|collar|palmer|tag)(?!\\p{L}).*)`,
    "$1 turns",
  ),
  said(
    ["rib", "hackle", "collar"],
    `(?<=^\\W*(?:rib(?:bing)?|hackle|collar|palmer)\\s*[:=–-][^.;]*\\p{L},\\s+)(${NUMBER_WORD})(?=\\s*(?:[.;]|$))`,
    "$1 turns",
  ),
  said(
    ["when squeezed", "when compressed", "when pinched"],
    ",?\\s+when\\s+(?:squeezed|compressed|pinched)(?:\\s+(?:tight|together))?(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(
    ["out a bit of", "off a bit of", "out a little", "out a small"],
    `${BEGINNING}(?:pick|pull|tease)\\s+(?:out|off)(?=\\s+an?\\s+(?:bit|little|small\\s+(?:pinch|bit|amount)|pinch)\\s+of\\s)`,
    "take",
  ),
  // Pieces that are tied in across the shank, one beside the other.
  said(
    ["pieces of", "lengths of", "bits of"],
    `(${A_COUNT})\\s+(?:pieces|lengths|bits)\\s+of\\s+(\\d+(?:[.,]\\d+)?\\s*(?:mm|cm))(?=[^;]*\\b(?:crosswise|crossways|across))`,
    "$1 strands, each $2",
  ),
  said(
    ["pieces of", "lengths of", "bits of"],
    `(${A_COUNT})\\s+(\\d+(?:[.,]\\d+)?\\s*(?:mm|cm))\\s+(?:pieces|lengths|bits)\\s+of\\s+((?:[\\p{L}-]+\\s+){0,3}(?:yarn|wool))(?=[^;]*\\b(?:crosswise|crossways|across))`,
    "$1 strands of $3, each $2,",
  ),
  // “Olive fur mixed with a third of yellow”: so many parts of the one to one of the other.
  ...[
    ["half", 1],
    ["third", 2],
    ["quarter", 3],
    ["fifth", 4],
  ].map(([share, parts]) =>
    said(
      ["mixed with"],
      `(\\p{L}+)\\s+(fur|dubbing|seal's\\s+fur|seal|wool)\\s+mixed\\s+with\\s+(?:about\\s+)?(?:an?\\s+)?${share}\\s+(?:of\\s+)?(\\p{L}+)(?:\\s+\\2)?(?=\\s*(?:[,.;]|$))`,
      `$2, ${parts} parts $1 to 1 part $3`,
    ),
  ),

  // “Blue dun cock whisks, 5”: fibres of a hackle, for the tail.
  said(
    ["whisks"],
    "(?<=^\\W*(?:tails?|whisks?)\\s*[:=–-][^.;]*\\p{L}\\s)whisks(?!\\s+(?:of|from)\\s)(?!\\p{L})",
    "fibres",
  ),
  said(
    ["whisks"],
    "(?<=^\\W*)(?!(?:tie|catch|bind|set|add|put|use|take|select|the)\\s|[^,.;]*:)((?:[\\p{L}\\d-]+\\s+){1,5})whisks(?=\\s*(?:[,.;]|$)|\\s+(?:as|one|twice|half|long|about)\\s)",
    "tail: $1fibres",
  ),
  said(
    ["whisks"],
    "(?<=\\b(?:tie|catch|bind|set)\\s+in\\s+(?:[\\p{L}\\d-]+\\s+){1,5})whisks(?=\\s*(?:[,.;]|$)|\\s+(?:as|one|twice|half|long|about)\\s)",
    "fibres for the tail",
  ),

  said(
    ["left and"],
    ",\\s+(?:an?\\s+|matched\\s+)*left\\s+and\\s+(?:an?\\s+)?right\\s+(slip|section)s?(?!\\p{L})",
    ", a pair of $1s",
  ),

  // “Hackle: two gingers, six turns between them”: three of each.
  ...[
    ["four|4", 2],
    ["six|6", 3],
    ["eight|8", 4],
    ["ten|10", 5],
    ["twelve|12", 6],
  ].map(([both, each]) =>
    said(
      ["between them", "between the two"],
      `(?<=^\\W*hackles?\\s*[:=–-]\\s*(?:two|2)\\b[^;]*,\\s*)(?:${both})\\s+turns\\s+between\\s+(?:them|the\\s+two)(?=\\s*(?:[,.;]|$))`,
      `${each} turns`,
    ),
  ),

  // “Body: pheasant tail x4”: so many fibres.
  said(
    ["pheasant tail x", "turkey tail x", "herl x", "peacock x"],
    "(?<=^\\W*(?:body|abdomen|thorax|tail)\\s*[:=–-][^,;]*\\b(pheasant\\s+tail|turkey\\s+tail|herl|peacock))\\s+x\\s?(\\d{1,2})(?=\\s*(?:[,.;]|$))",
    ", $2 fibres",
  ),
  said(["herl tips,"], "(?<=\\bherl)\\s+tips(?=,)", ""),
];
