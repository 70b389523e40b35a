import type { Rule } from "../../leftOut";
import { A_COUNT } from "../../number";
import { BEGINNING, PART, said } from "./said";

/** What is done with a part as a whole: made ready and tied in, topped, posted, folded, picked out. */
export const handling: readonly Rule[] = [
  said(
    ["between the eyes with", "around the eyes with", "round the eyes with"],
    "(?<=^\\W*(?:then\\s+|and\\s+)?)(?:cross|figure[-\\s]eight|criss-?cross|wrap|wind)\\s+(between|a?round)\\s+the\\s+eyes\\s+with\\s+(?:the\\s+)?(chenille|dubbing|herl|yarn|wool|fritz)(?!\\p{L})",
    "wind the $2 $1 the eyes",
  ),
  said(
    ["stems", "stem"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?)(?:clip|trim|cut)\\s+(?:off\\s+)?(?:the\\s+)?(?:hackle\\s+)?stems?(?=\\s*(?:[,.;]|$))",
    "trim the stem",
  ),
  // “Lock the wire down”, of a weight: thread goes over it.
  said(
    ["lock the"],
    "(?<=^\\W*|[.;,]\\s+|\\b(?:and|then|to)\\s+)lock\\s+the\\s+(wire|lead|weight)\\s+(?:down|in(?:\\s+place)?)(?=\\s*(?:[,.;]|$|and\\b|with\\b))",
    "cover the weight with thread",
  ),
  said(
    ["lift the foam", "lift the strip", "lift the flap"],
    `${BEGINNING}lift\\s+(?:up\\s+)?the\\s+(?:foam|strip|flap)(?:\\s+(?:up|a\\s+little))?(?:,|\\s+and)\\s+`,
    "",
  ),
  said(
    ["carry on"],
    "(?<=\\b(?:thread|silk|lead|weight|wire)\\b[^.;]*\\b(?:and|then)\\s+)carry\\s+on(?=\\s+(?:right\\s+)?(?:back\\s+|down\\s+)?(?:round|to|into|down|past)(?!\\p{L}))",
    "go",
  ),
  said(["on top of it, a", "on top of that, a"], "(?<=\\band),?\\s+on\\s+top\\s+of\\s+(?:it|that),(?=\\s+an?\\s)", ""),
  said(["by one corner", "by a corner", "by its corner"], "\\s+by\\s+(?:one|a|its)\\s+corner(?=\\s*(?:[,.;]|$))", ""),
  said(
    ["leaves room for", "leaves space for", "leaves enough room for"],
    "\\s+(?:that|which)\\s+leaves\\s+(?:enough\\s+|some\\s+)?(?:room|space)(?=\\s+for\\s)",
    ", leaving room",
  ),
  said(
    ["and wind a", "and wrap a", "then wind a"],
    "(?<=\\b(?:dubbing|fur|hare|seal|squirrel|rabbit|wool)\\b[^.;]*\\b(?:and|then)\\s+)(?:wind|wrap)(?=\\s+an?\\s+(?:nice\\s+)?(?:fat|thick|full|slim|thin|sparse|tapered|tapering)\\s+(?:body|abdomen|thorax)(?!\\p{L}))",
    "dub",
  ),
  said(["turn's worth", "turns' worth", "turns worth"], "(turns?)(?:'s?|s')?\\s+worth\\s+of(?=\\s+\\p{L})", "$1 of"),
  said(
    ["hold it under", "keep it under", "holding it under", "keeping it under"],
    "(?:,|\\s+and)\\s+(?:hold|keep)(?:ing)?\\s+it\\s+under\\s+(?:light|some|gentle|slight|good)\\s+tension(?=\\s*(?:[,.;]|$|and\\b))",
    "",
  ),
  said(
    ["rest of the same feather", "rest of the feather", "rest of the hackle", "rest of the same hackle"],
    "(?<=^\\W*hackle\\s*[:=–-]\\s*(?:an?\\s+|one\\s+)?((?:\\p{L}+\\s+){1,3}(?:hen|cock|hackle|feather|saddle|grouse|partridge))(?!\\p{L})[^.;]*),?\\s+(?:and\\s+)?the\\s+rest\\s+of\\s+the\\s+(?:same\\s+)?(?:feather|hackle)\\s+(?:as|for)\\s+(?:a|the)\\s+(throat|beard)(?=\\s*(?:[,.;]|$))",
    "; throat: $1",
  ),
  said(["stacked by hand"], "stacked(?=\\s+by\\s+hand(?!\\p{L}))", "evened"),
  said(["laid in"], "(?<=\\bthread\\b[^.;]*,\\s)laid\\s+(?=in\\s+touching\\s+turns(?!\\p{L}))", ""),
  // “Do not make it longer than the body”
  said(
    [
      "not make it",
      "never make it",
      "don't make it",
      "not make them",
      "don't make them",
      "not let it",
      "not be longer",
    ],
    "(?:(?:do\\s+not|don't|never)\\s+(?:make|let)\\s+(?:it|them)(?:\\s+(?:be|get|become))?|(?<=\\b(?:it|they|this|these|wing|tail|fib(?:re|er)s|hackle)\\s+)(?:must|should|may|can)\\s*not\\s+be)\\s+(?=(?:longer|thicker|wider|fuller|bigger)\\s+than\\s)",
    "is no ",
  ),
  said(["make sure"], "(?<=^\\W*|[.;,]\\s+)make\\s+sure\\s+(?:that\\s+)?(?=(?:it|they)\\s+(?:is|are)\\s)", ""),
  said(["must look", "should look"], "(?<=\\b(?:it|they|this)\\s+(?:must|should)\\s+)look(?=\\s)", "be"),
  said(
    ["over the lead to", "over the weight to", "over the lead wraps to", "over the wire to"],
    "(?<=^\\W*(?:\\p{L}+\\s+){0,3}(?:tinsel|floss|mylar|yarn|wool|silk|chenille)\\s+from\\s+the\\s+bend)\\s+over\\s+the\\s+(?:lead|weight|wire)(?:\\s+(?:wire|wraps))?(?=\\s+to\\s)",
    "",
  ),
  // What a body lies over is no place of it.
  said(
    ["over the lead", "over the weight"],
    "(?<=^\\W*(?:body|abdomen|underbody)\\s*[:=–-][^.;]*\\p{L})\\s+over\\s+the\\s+(?:lead|weight)(?:\\s+wire)?(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(
    ["keeps it safe", "keep it safe", "keeps it in place"],
    ",?\\s+(?:that\\s+|which\\s+)?keeps?\\s+(?:it|them)\\s+(?:safe|in\\s+place)(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(
    ["in front of"],
    `(?<=^\\W*(?:then\\s+|and\\s+)?)in\\s+front\\s+of\\s+(that|this|it)\\s+(${A_COUNT})\\s+(?:more\\s+)?turns\\s+of\\s+(the\\s+same\\s+\\p{L}+)(?=\\s*(?:[,.;]|$))`,
    "$2 turns of $3 in front of $1",
  ),
  said(["more turns"], `(?<=^\\W*(?:then\\s+|and\\s+)?(?:${A_COUNT})\\s+)more\\s+(?=turns\\s+of\\s+(?:the|it)\\b)`, ""),
  said(["done:"], "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?)done\\s*:\\s*(?=whip)", ""),
  said(["what stands up"], "(?<=\\b(?:clip|trim|cut)\\s+)what(?:ever)?\\s+stands\\s+up(?=\\s*(?:[,.;]|$))", "the top"),
  said(
    ["'s middle", "'s end", "'s tip"],
    "(?<=\\b(?:reaching|to)\\s+)the\\s+(tail|wing|body)'s\\s+(middle|end|tip)(?!\\p{L})",
    "the $2 of the $1",
  ),
  // Eyes.
  said(
    ["chain eyes", "dumbbell eyes", "barbell eyes"],
    `${BEGINNING}(?:add|lash\\s+on|put\\s+on|mount|lash|fit)\\s+((?:an?\\s+pair\\s+of\\s+|(?:${A_COUNT})\\s+pairs?\\s+of\\s+)?(?:\\p{L}+\\s+){0,2}(?:bead[-\\s]chain|dumbbell|barbell)\\s+eyes)(?=\\s*(?:[,.;]|$))`,
    "tie in $1",
  ),
  said(["pair bead", "pair dumbbell"], "(?<=^\\W*eyes\\s*[:=–-]\\s*)(?:1|one)\\s+pair\\s+(?=(?:bead|dumbbell))", ""),
  said(
    ["on the top"],
    "(?<=^\\W*eyes\\s*[:=–-][^.;]*,\\s)on\\s+the\\s+top(?:\\s+of\\s+the\\s+(?:shank|hook))?(?=\\s*(?:[,.;]|$))",
    "on top",
  ),
  said(
    ["beneath", "below"],
    "(?<=^\\W*eyes\\s*[:=–-][^.;]*,\\s)(?:below|beneath\\s+the\\s+(?:shank|hook))(?=\\s*(?:[,.;]|$))",
    "underneath",
  ),
  said(
    ["figure", "cross", "x-wrap"],
    "(?<=^\\W*)(?:(?:criss-?cross|cross-wrap|x-wrap)|figure[-\\s](?:eights?|8|of[-\\s]eight)(?:\\s+(?:wraps|turns))?\\s+(?:over|a?round)|(?:secure|lash|bind|fix|hold)\\s+(?:the\\s+)?eyes\\s+(?:down\\s+)?with\\s+figure[-\\s](?:eights?|8|of[-\\s]eight)(?:\\s+(?:wraps|turns))?|wrap\\s+figure[-\\s]eights\\s+a?round)(?:\\s+the\\s+eyes)?(?=\\s*(?:[,.;]|$))",
    "figure-eight the eyes",
  ),
  said(
    ["glue on the"],
    "(?<=^\\W*)(?=(?:thin|gel)\\s+glue\\s+on\\s+the\\s+(?:wraps|turns|thread)\\s*(?:[.;]|$))",
    "a drop of ",
  ),
  said(
    ["lock the", "seal the"],
    "(?<=^\\W*)(?:lock|seal)\\s+the\\s+wraps\\s+with\\s+(a\\s+drop\\s+of\\s+[^,.;]+)(?=\\s*(?:[.;]|$))",
    "$1 on the wraps",
  ),
  said(
    ["topped by", "followed by", "over it"],
    `(?<=^\\W*(?:then\\s+)?)(?:topped\\s+by|followed\\s+by)\\s+(?=(?:an?|the\\s+same)\\s+(?:clump|bunch|\\d))`,
    "over it ",
  ),
  said(
    ["over it"],
    `${BEGINNING}add\\s+(an?\\s+(?:clump|bunch)\\s+of\\s+[^,.;]+?)\\s+over\\s+(?:it|that)(?=\\s*(?:[,.;]|$))`,
    "over it $1",
  ),
  said(
    ["tie down"],
    `${BEGINNING}tie\\s+down(?=\\s+(?:(?!the\\b)\\p{L}+\\s+){1,6}(?:for|as)\\s+(?:an?|the)\\s+(?:${PART})(?!\\p{L}))`,
    "tie in",
  ),
  said(
    ["ribbing"],
    "(?<=\\btie\\s+in\\s+)(?:your|the|our|some)\\s+ribbing(?:\\s+(?:wire|material|tinsel))?,\\s+((?:\\p{L}+\\s+){0,3}(?:wire|tinsel|thread))(?=\\s*(?:[.;]|$))",
    "$1 for the rib",
  ),
  // What is made ready, and tied in, in one breath.
  said(
    ["stack", "measure", "clean", "even up", "even the"],
    `${BEGINNING}(?:(?:take|cut|clean|comb|select|stack|measure|even\\s+up)(?:\\s+off)?(?:,?\\s+and\\s+|,\\s+)?){1,3}\\s*(${A_COUNT}\\s+(?:\\p{L}+\\s+){0,2}(?:hairs|fib(?:re|er)s))(?:\\s+in\\s+(?:a|the)\\s+stacker)?(?:,?\\s+(?:and\\s+)?(?:clean(?:\\s+(?:them|out\\s+the\\s+underfur))?|stack(?:\\s+them)?|comb\\s+them))*,?\\s+(?:and\\s+)?tie\\s+(?:them\\s+)?in\\s+(?=(?:as|for)\\s+(?:an?|the)\\s)(?<=\\b(?:stack|even)\\b.*)`,
    "tie in $1, stacked, ",
  ),
  said(
    ["measure"],
    `${BEGINNING}(?:(?:stack|clean)\\s+and\\s+)?(?:measure|stack)\\s+(${A_COUNT}\\s+(?:\\p{L}+\\s+){0,2}(?:hairs|fib(?:re|er)s)),?\\s+(?:and\\s+)?(?:measure\\s+(?:them\\s+)?)?(?:to|against)\\s+(one\\s+shank|the\\s+shank),?\\s+and\\s+tie\\s+(?:them\\s+)?in\\s+((?:as|for)\\s+(?:an?|the)\\s+(?:${PART}))(?=\\s*(?:[,.;]|$))`,
    "tie in $1 $3, as long as the shank",
  ),
  said(
    ["pull ", "strip ", "take ", "cut ", "pluck "],
    `${BEGINNING}(?:pull|strip|take|cut|pluck)\\s+(${A_COUNT}\\s+(?:\\p{L}+\\s+){0,3}(?:hairs|fib(?:re|er)s))\\s+(?:from|off)\\s+the\\s+(?:cape|skin|neck|saddle|hide|patch|tail|feather)\\s+and\\s+tie\\s+(?:them\\s+)?in\\s+(?=(?:as|for)\\s)`,
    "tie in $1 ",
  ),
  said(
    ["tie in and wind", "tie in and wrap"],
    `${BEGINNING}tie\\s+in\\s+and\\s+(?=(?:wind|wrap)\\s+(?:an?|${A_COUNT})\\s)`,
    "",
  ),
  said(
    ["hackle the fly"],
    `(?<=\\b(?:hackle|feather|saddle)\\s+and\\s+)hackle\\s+the\\s+fly\\s+with\\s+(${A_COUNT})\\s+(?:turns|wraps)(?=\\s*(?:[,.;]|$))`,
    "wind $1 turns",
  ),
  said(
    ["bring up the"],
    "(?<=^\\W*(?:then\\s+|now\\s+|and\\s+)?)bring\\s+up\\s+the\\s+(wire|tinsel|rib|hackle|floss)(?!\\p{L})",
    "bring the $1 forward",
  ),
  // A cover of thread over what weighs the fly.
  said(
    ["lead", "weight"],
    "(?<=^\\W*(?:then\\s+|now\\s+|and\\s+)?)(?:(?:wrap|wind)\\s+over|(?:bind|tie|lash)\\s+down|fix|criss-?cross|lash|wind\\s+thread\\s+over|cross)\\s+the\\s+(lead|weight)(?:\\s+down)?(?:\\s+(?:with\\s+)?(?:the\\s+)?thread)?(?=\\s*(?:[,.;]|$))",
    "cover the $1 with thread",
  ),
  said(["load:"], `(?<=^\\W*)load(?=\\s*:\\s*(?:${A_COUNT})\\s)`, "weight"),
  said(["optionally"], "(?<=^\\W*rib\\s*:\\s*)optionally\\s+([^,.;]+)", "$1, optional"),
  said(["option"], "(?<=^\\W*)option(?:al(?:ly)?)?\\s*:\\s*([^,.;:]+)\\s+rib(?=\\s*(?:[,.;]|$))", "rib: $1, optional"),
  // How the feather of a hackle is made ready, and how it lies.
  said(
    ["by the tip", "tip first", "at the tip", "tip in first"],
    "(?<=^\\W*(?:collar|hackle|front\\s+hackle|palmer)(?!\\p{L})[^.;]*,\\s)(?:tie\\s+(?:it\\s+)?in\\s+by\\s+(?:the|its)\\s+tip|tied\\s+in\\s+at\\s+(?:the|its)\\s+tip|fastened\\s+by\\s+(?:the|its)\\s+tip|tip\\s+in\\s+first)(?=\\s*(?:[,.;]|$))",
    "tied in by the tip",
  ),
  said(
    ["half stripped", "half-stripped", "one side removed", "barbs off"],
    "(?<=,\\s)(?:half[-\\s]stripped|one\\s+side\\s+removed|with\\s+the\\s+(?:barbs|fib(?:re|er)s)\\s+off\\s+one\\s+side)(?=\\s*(?:[,.;]|$))",
    "stripped on one side",
  ),
  said(
    ["slanting", "slanted", "lying", "laid", "drawn", "swept to", "pointing"],
    "(?<=^\\W*(?:collar|hackle|front\\s+hackle)(?!\\p{L})[^.;]*,\\s)(?:(?:slanting|slanted|lying|laid|drawn|pointing)\\s+back(?:wards?)?|swept\\s+to\\s+the\\s+rear)(?=\\s*(?:[,.;]|$))",
    "swept back",
  ),
  said(
    ["fold", "doubled"],
    "(?<=^\\W*(?:collar|hackle|front\\s+hackle)(?!\\p{L})[^.;]*,\\s)(?:(?:folded|doubled)\\s+first|fold\\s+(?:it|the\\s+(?:feather|hackle))(?:\\s+first)?|folded\\s+so\\s+(?:that\\s+)?both\\s+sides\\s+point\\s+back|both\\s+sides\\s+folded\\s+back)(?=\\s*(?:[,.;]|$))",
    "folded",
  ),
  said(
    ["palmer", "up the body"],
    "(?<=^\\W*hackle\\s*[:=–-][^.;]*(?:,\\s|\\s))(?:palmer-wise|(?:in|as)\\s+(?:a\\s+)?palmer(?:\\s+fashion)?|palmered\\s+to\\s+the\\s+front)(?=\\s*(?:[,.;]|$))",
    "palmered",
  ),
  said(
    ["up the body"],
    "(?<=^\\W*hackle\\s*[:=–-][^.;]*(?:,\\s|\\s))(?:(?:spiral(?:l?ed)?|wound|run)\\s+)?up\\s+the\\s+body(?=\\s*(?:[,.;]|$))",
    "over the body",
  ),
  said(["shaved"], "shaved(?=\\s+(?:underneath|below|flat)(?!\\p{L}))", "clipped"),
  said(["fixed with"], "fixed(?=\\s+with\\s+(?:\\p{L}+\\s+){0,3}(?:wire|tinsel)(?!\\p{L}))", "held"),
  // What is picked out.
  said(
    ["sides", "combed out", "scratched up", "velcro"],
    "(?<=^\\W*(?:thorax|body|abdomen)(?!\\p{L})[^.;]*,\\s)(?:(?:picked|teased|plucked|brushed|pick|tease|pluck|brush)\\s+out\\s+(?:on|at|along)?\\s*(?:the|both)\\s+sides(?:\\s+(?:for|as)\\s+legs)?|sides\\s+(?:picked|teased|brushed)\\s+out|combed\\s+out|scratched\\s+up|velcroed)(?=\\s*(?:[,.;]|$))",
    "picked out",
  ),
  said(
    ["wing case to the front"],
    "(?<=^\\W*)(?:the\\s+)?wing\\s?case\\s+to\\s+the\\s+front(?=\\s*(?:[,.;]|$))",
    "pull the wing case over",
  ),
  said(["close the wing"], "(?<=^\\W*)close\\s+the\\s+wing\\s?case(?=\\s*(?:[,.;]|$))", "pull the wing case over"),
  // How it is dubbed stands ahead of what is dubbed.
  said(
    ["thin", "skinny", "taper", "loose", "rough", "spiky", "scruffy", "buggy", "lightly", "sparsely", "tightly"],
    "(?<=^\\W*(?:body|abdomen|thorax|head|underbody|butt)\\s*[:=–-]\\s*)(?:an?\\s+)?(thin|skinny|tapered|loose|rough|spiky|scruffy|buggy|(?:thinly|lightly|loosely|sparsely|tightly)\\s+dubbed)\\s+((?:\\p{L}+\\s+){0,3}(?:dubbing|fur|wool|seal))(?=\\s*(?:[,.;]|$))",
    "$2, $1",
  ),
  said(["buggy"], "(?<=,\\s)buggy(?=\\s*(?:[,.;]|$))", "shaggy"),
  said(["keep it"], "(?<=[,.]\\s)keep\\s+it\\s+(?:very\\s+)?(?:slim|thin)(?=\\s*(?:[,.;]|$))", "slim"),
  // What lies over the wing.
  said(["over wing"], "(?<=^\\W*)over\\s+wing(?=\\s*:)", "overwing"),
  said(
    ["cap it", "cap the wing"],
    `(?<=^\\W*)cap\\s+(?:it|the\\s+wing)\\s+with(?=\\s+(?:${A_COUNT})\\s)`,
    "top it with",
  ),
  said(["topped with"], "(?<=^\\W*(?:then\\s+|and\\s+)?)topped\\s+(?:off\\s+)?with(?=\\s)", "top it with"),
  said(
    ["over the wing", "over it", "on top"],
    `(?<=^\\W*(?:then\\s+|and\\s+)?)(?:over\\s+(?:the\\s+wing|it)|on\\s+top(?:\\s+of\\s+(?:the\\s+wing|it))?)\\s*[:,]?\\s+(?=(?:${A_COUNT})\\s+(?:strands|fib(?:re|er)s)\\s+of\\s+(?:\\p{L}+\\s+){0,2}(?:herl|sword)(?!\\p{L}))`,
    "top it with ",
  ),
  said(
    ["over the wing", "over it", "on top", "as a topping", "as topping", "for a topping"],
    `(?<=^\\W*(?:then\\s+|and\\s+)?)(?:tie\\s+in\\s+)?((?:${A_COUNT})\\s+(?:strands|fib(?:re|er)s)\\s+of\\s+(?:\\p{L}+\\s+){0,2}(?:herl|sword))\\s+(?:over\\s+(?:the\\s+wing|it)|on\\s+top(?:\\s+of\\s+the\\s+wing)?|(?:as|for)\\s+(?:an?\\s+|the\\s+)?topping)(?=\\s*(?:[,.;]|$))`,
    "top it with $1",
  ),
  said(
    ["underneath", "beneath"],
    "(?<=^\\W*)(?:underneath|beneath)\\s*:(?=[^.;]*\\bfib(?:re|er)s\\b[^.;]*\\bto\\s+the\\s+(?:hook\\s+)?(?:point|barb)(?!\\p{L}))",
    "throat:",
  ),
  said(["bearded hackle"], "(?<=^\\W*)bearded\\s+hackle(?=\\s*:)", "beard"),
  said(["on the throat"], "(?<=^\\W*)on\\s+the\\s+(?=throat\\s*:)", ""),
  said(["take the foam"], `${BEGINNING}take(?=\\s+the\\s+foam\\s+(?:over|forward)(?!\\p{L}))`, "pull"),
  // Turns that stiffen a post.
  said(
    ["butts form", "butts make", "butts are the", "butts stand"],
    "(?<=^\\W*)(?:let\\s+)?(?:the\\s+)?butts\\s+(?:form|make|are|stand\\s+(?:as|for))\\s+(the|a)\\s+head(?!\\p{L})",
    "leave the butts as $1 head",
  ),
  said(["taper the butts"], "(?<!\\p{L})taper(?=\\s+the\\s+butts\\s*(?:[,.;]|$))", "trim"),
  said(
    ["wrap the base", "stiffen", "strengthen"],
    `${BEGINNING}(?:wrap|stiffen|strengthen)\\s+the\\s+(?:base\\s+of\\s+the\\s+)?(post|wing)\\s+(?:base\\s+)?with\\s+(${A_COUNT})\\s+(?:turns|wraps)(?:\\s+of\\s+(?:the\\s+)?thread)?(?=\\s*(?:[,.;]|$))`,
    "put $2 turns of thread round the base of the $1",
  ),
  said(
    ["base of the"],
    `(?<=^\\W*)thread\\s+(?:a?round)\\s+the\\s+base\\s+of\\s+the\\s+(post|wing),?\\s+(?:in\\s+)?(${A_COUNT})\\s+(?:turns|wraps)(?=\\s*(?:[,.;]|$))`,
    "put $2 turns of thread round the base of the $1",
  ),
  said(
    ["build a post"],
    `${BEGINNING}build\\s+(?:up\\s+)?an?\\s+post\\s+with\\s+(${A_COUNT})\\s+(?:turns|wraps)(?:\\s+of\\s+(?:the\\s+)?thread)?(?:\\s+(?:a?round)\\s+(?:its|the)\\s+base)?(?=\\s*(?:[,.;]|$))`,
    "put $1 turns of thread round the base of the post",
  ),
  said(
    ["butts"],
    "(?<=^\\W*(?:abdomen|body)\\s*[:=–-]\\s*)(?:twist|roll)\\s+(?:up\\s+)?the\\s+(?:[\\p{L}-]+\\s+){0,2}butts(?:\\s+(?:together|into\\s+a\\s+rope))?,?\\s+(?:and\\s+|then\\s+)*(?:wind|wrap)(?:\\s+(?:them|it|these|this|the\\s+rope))?(?=\\s)",
    "wind the butts",
  ),
  said(
    ["butts twisted", "butts, twisted"],
    "(?<=^\\W*(?:abdomen|body)\\s*[:=–-]\\s*)the\\s+(?:[\\p{L}-]+\\s+){0,2}butts,?\\s+twisted,?\\s+(?=(?:forwards?\\s+|up\\s+)*to\\s)",
    "the butts twisted and wound ",
  ),
  // Tied in at the eye, and palmered from there: however far down is told.
  said(
    ["the body", "the abdomen"],
    "((?:take|bring|wind|wrap|run|spiral|palmer|work|carry)\\s+(?:the\\s+(?:[\\p{L}-]+\\s+){0,2}(?:hackle|feather|saddle|cock)|it))\\s+(?:(?:(?:back\\s+)?down\\s+(?:over\\s+|along\\s+|through\\s+)?the\\s+(?:whole\\s+)?(?:body|abdomen))(?:\\s+(?:to|as\\s+far\\s+as)\\s+the\\s+(?:bend|tail|rear))?|(?:back\\s+)?(?:over|along|through)\\s+the\\s+(?:whole\\s+)?(?:body|abdomen)\\s+(?:back\\s+|down\\s+)?to\\s+the\\s+(?:bend|tail|rear))(?=\\s*(?:[,.;]|$|in\\s|with\\s|\\d))",
    "$1 down to the bend",
  ),
  said(
    ["and tying it", "and tying them", "and tying this"],
    "(?<=\\band\\s+(?:then\\s+)?)tying(?=\\s+(?:it|them|this|these)\\s+in(?!\\p{L}))",
    "tie",
  ),
  // A wing that is stood up was only tied in with its tips forward.
  said(
    ["tips forward", "tips forwards", "tips over the eye"],
    "(?<=^\\W*wings?\\s*[:=–-][^.]*),?\\s+(?:with\\s+(?:the\\s+)?)?tips\\s+(?:forwards?|over\\s+the\\s+eye)(?=[^.]*\\bstood\\s+up(?!\\s+(?:with|by)(?!\\p{L})))",
    "",
  ),
  said(["stood up"], "(?<=^\\W*wings?\\s*[:=–-][^.]*)stood\\s+up(?!\\s+(?:with|by)(?!\\p{L})|right)", "upright"),
  said(["split in pairs", "split into pairs"], "split\\s+in(?:to)?\\s+pairs", "split"),
  said(["bullet of"], "(?<=^\\W*head\\s*[:=–-]\\s*)(?:an?\\s+)?bullet\\s+of(?=\\s+\\p{L})", ""),
  said(
    ["pick the", "picking the"],
    "(?<=^\\W*(?:legs|hackle)\\s*[:=–-]\\s*)pick\\s+the\\s+((?:\\p{L}+\\s+){1,2})out(?!\\p{L})",
    "pick out the $1",
  ),
  said(
    ["lying back along"],
    "(?<=^\\W*(?:\\d{1,2}\\s+)?(?:antennae|feelers|horns)(?!\\p{L})[^.;]*)(?:lying|laid|swept)\\s+back(?:wards?)?\\s+(?:along|over)\\s+the\\s+(?:body|back)",
    "pointing back",
  ),
  said(
    ["side of the eyes"],
    "(?<=\\bone\\s+(?:on\\s+)?(?:each|either)\\s+side)\\s+of\\s+the\\s+eyes(?=\\s*(?:[,.;]|$))",
    "",
  ),

  said(["no wait", "no, wait", "oh wait"], "(?<=^\\W*)(?:no|oh),?\\s+wait,?\\s+(?:first\\s+)?(?=\\p{L})", ""),
  said(
    ["or leave off", "or leave it off", "or leave it out", "or leave out", "or leave them off", "or leave them out"],
    ",?\\s+or\\s+leave\\s+(?:it\\s+|them\\s+)?(?:off|out)(?=\\s*(?:[,.;]|$))",
    ", may be left out",
  ),
  said(
    ["out of the way"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+|\\b(?:and|then)\\s+)(?:pull|hold|push|sweep|stroke|lift)\\s+(?:the\\s+|its\\s+)?(?:hackle\\s+)?fib(?:re|er)s\\s+(?:up\\s+and\\s+|back\\s+and\\s+)?out\\s+of\\s+the\\s+way(?:\\s+(?:and|to|then)(?=\\s)|,|(?=\\s*(?:[.;]|$)))",
    "",
  ),
  // “Post the wing with 6 wraps up and come back down”: round its foot.
  said(
    ["up and come back", "up and back", "up and down", "up, then back", "up and then back"],
    `(?<=\\bpost\\s+the\\s+wing\\s+with\\s+(?:${A_COUNT})\\s+(?:turns|wraps))\\s+up(?:,|\\s+and)?\\s+(?:then\\s+)?(?:come\\s+)?(?:back\\s+)?(?:down|again)(?:\\s+again)?(?=\\s*(?:[,.;]|$))`,
    "",
  ),
  said(
    ["hold them", "hold it", "hold the fibres", "hold with", "keep them"],
    `(?<=\\b(?:stroke|sweep|draw|pull)\\s[^.;]*\\bback[^.;]*\\b(?:and|then)\\s+)(?:hold|keep)\\s+(?:it\\s+|them\\s+|the\\s+fib(?:re|er)s\\s+)?(?:there\\s+|back\\s+|in\\s+place\\s+)?with\\s+(${A_COUNT})\\s+(?:turns|wraps)(?:\\s+of\\s+(?:the\\s+)?thread)?(?=\\s*(?:[,.;]|$))`,
    "tie it down with $1 wraps",
  ),

  // “Don't cut the butts; wrap them forward for the body”
  said(
    ["wrap them forward", "wind them forward", "wrap them up", "wind them up", "wrap these", "wind these"],
    "(?<=\\bbutts?\\b[^.]*?(?:[;,]|\\band|\\bthen)\\s+)(wrap|wind)\\s+(?:them|these)(?=\\s+(?:forwards?|up)(?!\\p{L}))",
    "$1 the butts",
  ),
  said(
    ["against the post", "against the base of the post"],
    "(?<=\\b(?:hackle|feather|saddle|grizzly|cock)\\b[^.;]*)\\s+against\\s+(?:the\\s+base\\s+of\\s+)?the\\s+(post|wing)(?=\\s*(?:[,.;]|$|and\\b))",
    " at the base of the $1",
  ),
  said(
    ["wrap up the post", "wind up the post"],
    `(?<=(?:^\\W*|[.;,]\\s+|\\b(?:and|then)\\s+))(?:wrap|wind)\\s+up\\s+the\\s+(post|wing)\\s+(?:(${A_COUNT})\\s+(?:times|turns)|(?:with\\s+)(${A_COUNT})\\s+(?:turns|wraps))(?=\\s*(?:[,.;]|$))`,
    "put $2$3 turns of thread round the base of the $1",
  ),
  said(
    ["insert", "load in", "place "],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+|\\b(?:and|then)\\s+)(?:insert|load\\s+in|place)\\s+(?=(?:the\\s+|some\\s+)?(?:\\p{L}+\\s+){1,4}(?:in\\s+(?:the|it)\\s+)?(?:and|then)\\s+(?:spin|twist))",
    "put ",
  ),
  said(
    ["flat on top"],
    "(?<=\\b(an?|one)\\s+(?:\\p{L}+\\s+){0,3}feather)\\s+flat\\s+on\\s+top(?=\\s*(?:[,.;]|$|of\\b))",
    ", flat on top",
  ),

  said(
    ["in front"],
    "(?<=(?:^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+|\\b(?:and|then)\\s+)dub\\s+[^.;,]*\\p{L})\\s+in\\s+front(?=\\s*(?:[.;]|$))",
    " in front of it",
  ),

  said(
    ["butts to a"],
    "(?<=\\b(?:clip|trim|cut)\\s+the\\s+butts\\s+to\\s+)an?\\s+(?:neat\\s+|small\\s+|short\\s+)*head\\s+(?:of\\s+)?(?:about\\s+)?(?=\\d)",
    "",
  ),
];
