import { inPlace, type Rule } from "../../leftOut";
import { BEGINNING, said } from "./said";

/** How long, how far, and how it lies. */
export const lengths: readonly Rule[] = [
  // “White over green, all of a length, to the end of the tail”: the length of each is said behind.
  said(
    ["all of a length", "all of one length", "all the same length", "all equal", "both of a length"],
    ",?\\s+(?:all|both)\\s+(?:of\\s+(?:a|one|the\\s+same)|the\\s+same)\\s+length(?=,\\s+(?:to|as|equal|just|reaching|=|level)(?!\\p{L}))",
    "",
  ),
  said(
    ["1/3 back", "⅓ back", "1/4 back", "¼ back"],
    "(?:tied|set|mounted)(?:\\s+in)?\\s+(1/[34]|[⅓¼])\\s+(?:of\\s+the\\s+way\\s+)?back(?=\\s*(?:[,.;]|$|from\\b))",
    "tied in $1 of the shank behind the eye",
  ),
  said(
    ["with its tip", "with its end", "with their tips"],
    "(?<=\\b(tail|wing)\\b[^.;]*,\\s)(?:just\\s+)?level\\s+with\\s+(?:its|their)\\s+(?:tips?|ends?)(?=\\s*(?:[,.;]|$))",
    "to the tip of the $1",
  ),
  said(
    ["leave a gap of", "leaving a gap of"],
    "(leave|leaving)\\s+a\\s+gap\\s+of\\s+((?:about\\s+)?(?:two|three|one|an?|\\d)\\s*(?:eyes?|eye\\s+lengths|mm))\\s+(?:in\\s+front|ahead|behind\\s+the\\s+eye)(?=\\s*(?:[,.;]|$))",
    "$1 $2 free behind the eye",
  ),
  said(
    ["be wider than", "be longer than"],
    "(?<=\\b(?:hackle|cock|hen|palmer|collar)(?!\\p{L})[^.;]*)[.;]\\s+(?:it|they)\\s+(?:should|must)\\s+not\\s+be\\s+(?:wider|longer)\\s+than(?=\\s)",
    ", fibres no longer than",
  ),
  said(
    ["of the shank left", "of the hook left"],
    "(?<=^\\W*|[.;,]\\s+)stop\\s+with\\s+((?:about\\s+)?(?:an?|one|the\\s+front)\\s+(?:third|quarter|half))\\s+of\\s+the\\s+(?:shank|hook)\\s+left",
    "leave $1 of the shank for the thorax",
  ),
  // “Hackle: partridge. It should reach to the bend”: its fibres.
  said(
    ["should reach", "must reach"],
    "(?<=^\\W*(?:(?:soft|front|throat)\\s+)?(?:hackle|collar)(?!\\p{L})[^.;]*)[.;]\\s+(?:it|they|the\\s+fib(?:re|er)s)\\s+(?:should|must)\\s+(?:just\\s+)?reach\\s+(?:back\\s+)?(?:to\\s+)?(?=the\\s)",
    ", fibres to ",
  ),
  // “A thin abdomen well round the bend, to the post”
  said(
    ["the bend, to", "the bend to", "the bend and up to", "the bend up to"],
    "(?<!\\b(?:from|at|to|start|tail|tied|tie)\\s+(?:in\\s+)?)(?<=\\b(?:body|abdomen)\\b[^.;]*\\s)(well|far|deep|half-?\\s?way|part\\s+of\\s+the\\s+way)\\s+(round|into|down)\\s+the\\s+bend,?\\s+(?:and\\s+)?(?:up\\s+|forward\\s+)?(?=to\\s)",
    "from $1 $2 the bend ",
  ),
  said(
    ["where the shank", "where the hook"],
    "(?<=\\btie\\s+(?:it|them|that|these)\\s+in\\s+)(?:(?:right|just|exactly)\\s+)?where\\s+the\\s+(?:hook|shank|hook\\s+shank)\\s+(?:starts|begins)\\s+to\\s+(?:bend|curve|turn)(?:\\s+down)?(?=\\s*(?:[,.;]|$|and\\b))",
    "at the bend",
  ),
  // “Tied in half way round the bend”
  said(
    ["round the bend", "down the bend", "into the bend", "around the bend", "deep in the bend"],
    "(?<!\\b(?:at|to|from|start|over|point|down|go|on|on,)\\s+)(?<=[\\p{L},]\\s+)(?:half-?\\s?way|deep|(?:an?|one)\\s+(?:third|quarter)\\s+of\\s+the\\s+way|part\\s+of\\s+the\\s+way)\\s+(?:down|in|into|a?round)(?=\\s+the\\s+bend(?!\\p{L}))",
    "at half way round",
  ),
  // “Wing: poly, at 70%”: of a wing or hackle so much of the shank lies behind it.
  {
    has: ["%", "percent"],
    written:
      /(?<=^\W*(?:(?:parachute|front|main)\s+)?(?:wings?|posts?|hackles?|collar)(?!\p{L})[^.;]*\bat\s+)(5[1-9]|[67]\d|8[0-5])\s?(%|percent)(?:\s+(?:of\s+the\s+)?(?:shank|hook))?(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, `${100 - Number(m[1])}%`),
  },
  said(
    ["mm short of the eye", "mm short of the bead"],
    "(\\d{1,2}(?:[.,]\\d)?)\\s?mm\\s+short\\s+of\\s+the\\s+(eye|bead)(?!\\p{L})",
    "$1 mm behind the $2",
  ),
  // “Belly: cream dubbing under the strip along the shank”: it is what lies there, and the strip is no part of it.
  said(
    ["under the strip", "under the hide", "under the skin", "underneath the strip"],
    "(?<=^\\W*(?:belly|body|underbody)\\s*[:=–-][^.;]*(?:dubbing|fur|wool|chenille|yarn|floss))\\s+under(?:neath)?\\s+the\\s+(?:strip|hide|skin)(?!\\p{L})",
    "",
  ),
  said(
    ["top of the wing"],
    "(?<=^\\W*(?:topping|flash)(?!\\p{L})[^.;]*?)(?:along|over)\\s+(?:the\\s+)?top\\s+of\\s+the\\s+wing(?=\\s*(?:[,.;]|$))",
    "over the wing",
  ),
  // “Body: red fur, leaving room for the head”: as far as that.
  said(
    ["room for"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:body|abdomen)\\s*[:=–-](?:(?!\\b(?:to|from|over|up|behind|in|at|stop\\p{L}*)\\b)[^.;])*?),?\\s+(?:but\\s+)?leav(?:e|ing)\\s+(?:(?:just|enough|a\\s+little|some)\\s+)?(?:room|space)\\s+for\\s+(?:the|a)\\s+head(?=\\s*(?:[,.;]|$))",
    ", to 1 eye behind the eye",
  ),
  said(
    ["as the hook is wide", "as the gape is wide"],
    "as\\s+the\\s+(?:hook|gape)\\s+is\\s+wide(?!\\p{L})",
    "as the gape",
  ),
  said(
    ["flank"],
    "(?<=\\b(?:each|either|both|along\\s+the)\\s+)flank(s?)(?=\\s*(?:[,.;]|$|(?:of|from|to|back)\\s))",
    "side$1",
  ),
  // “Abdomen: brown fur (60% of the hook)”: so much of the shank, from behind.
  said(
    ["% of", "percent of"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:body|abdomen|under-?body)(?!\\p{L})[^.;:]*?[:=–-][^.;]*?),?\\s*(?:\\((?:(?:over|about|covers?|covering)\\s+)*(\\d{2})\\s?(?:%|percent)\\s+of\\s+(?:the\\s+)?(?:hook\\s+shank|hook|shank)\\)|(?<=,)\\s*(\\d{2})\\s?(?:%|percent)\\s+of\\s+(?:the\\s+)?hook)(?=\\s*(?:[,.;]|$))",
    ", over the rear $1$2%",
  ),
  said(
    ["% of", "percent of"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:body|abdomen))\\s*\\((?:about\\s+)?(\\d{2})\\s?(?:%|percent)\\s+of\\s+(?:the\\s+)?(?:hook\\s+shank|hook|shank)\\)\\s*[:=–-]\\s*([^.;]+)",
    ": $2, over the rear $1%",
  ),
  said(
    ["half a shank"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?wings?(?!\\p{L})[^.;]*,\\s*)half\\s+a\\s+shank(?=\\s+(?:past|beyond|behind)\\s+the\\s+bend)",
    "extending half a shank",
  ),
  // “Longer than the hook by a third”
  said(
    ["longer than", "shorter than"],
    "(longer|shorter)\\s+than\\s+((?:the\\s+)?(?:hook\\s+shank|hook|shank|body|tail|wing|gape))\\s+by\\s+(?:about\\s+)?((?:an?|one)\\s+(?:third|half|quarter|fifth)|half)(?!\\s+(?:an?\\s|of\\s|inch|gape|shank|body))(?!\\p{L})",
    "$3 $1 than $2",
  ),
  // “Hook length past the bend”: one of it.
  said(
    ["length past", "length beyond", "length behind", "width past", "width beyond", "shank past", "shank beyond"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:(?:tail|shuck)(?!\\p{L})[^.;]*,\\s*(?=(?:an?\\s+)?(?:hook|gape)\\s)|wings?(?!\\p{L})[^.;]*,\\s*(?=(?:an?\\s+)?(?:shank|body|gape)\\s)))(?:an?\\s+)?(hook|shank|body|gape)(?:\\s+(?:length|width))?\\s+(past|beyond|behind)(?=\\s+(?:the\\s+)?bend(?!\\p{L}))",
    "extending one $1 length $2",
  ),
  said(
    [" is"],
    "(?<=\\blong\\s+as\\s+(?:the\\s+|your\\s+)?(?:hook|shank|body|hook\\s+shank))\\s+is(?=\\s*(?:[,.;]|$))",
    "",
  ),
  // “Front third for wing and hackle”: left bare, and no wing is told.
  said(
    ["front", "rest ", "remain"],
    "(?<=^\\W*(?:body|abdomen)(?!\\p{L})[^.]*?)[,;]\\s+(?:leav(?:e|ing)\\s+)?(?:the\\s+)?(?:front|rest|remaining|remainder)(?:\\s+(?:third|half|quarter|1\\/[234]))?\\s+(?:(?:is|left|bare|free|kept)\\s+)*for\\s+(?:the\\s+)?(?:wings?|hackle|head|thorax|collar)(?:\\s+(?:and|&)\\s+(?:the\\s+)?(?:wings?|hackle|head|thorax|collar))*(?=\\s*(?:[,.;]|$))",
    ", leave the front third for the wing",
  ),
  // “From the head to the bend”: where it begins, and no part that is tied.
  said(
    ["from the head"],
    "(?<=\\b(?:palmer|wind|wound|wrap|palmered|hackle|take|bring)(?!\\p{L})[^.;]*\\s)from\\s+the\\s+head(?=\\s+(?:(?:down|back|right|all\\s+the\\s+way)\\s+)*(?:to|towards?|over|in)\\s)",
    "from 1 eye behind the eye",
  ),
  // “Body: quill over 60% of the shank”: so much of it, from behind.
  said(
    ["%"],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s+)?(?:(?:rear|under)?-?body|abdomen|dub|wind|wrap|cover)\\b[^.;]*\\s)(?:over|covering|along)\\s+(?:about\\s+)?(\\d{2})\\s?%\\s+of\\s+the\\s+(?:hook\\s+)?shank(?!\\p{L})|(?<=^\\W*(?:\\d{1,2}[.)]\\s+)?(?:body|abdomen)\\s*[:=–-][^.;]*,\\s)(\\d{2})\\s?%\\s+of\\s+the\\s+(?:hook\\s+)?shank(?=\\s*(?:[,.;]|$))",
    "over the rear $1$2%",
  ),
  // Slips whose tips curve up lie low all the same.
  said(["tips up"], "(?<=\\bslips\\b[^.;]*,\\s)tips\\s+up(?:wards?)?,\\s+(?=[^.;]*\\b(?:low|flat)(?!\\p{L}))", ""),
  // How far a wing reaches is no place where it is tied in.
  said(
    ["short of the bend", "short of the point"],
    "(?<=^\\W*(?:wings?|overwing|underwing|throat|beard|topping|legs)\\s*[:=–-][^.;]*,\\s)((?:an?|one|half\\s+an?|two|\\d(?:[.,]\\d)?)\\s*(?:gapes?|mm|hook\\s+eyes?))\\s+short\\s+of\\s+the\\s+(bend|point)(?=\\s*(?:[,.;]|$))",
    "reaching to $1 in front of the $2",
  ),
  said(
    ["short of the bend by", "short of the point by"],
    "(?<=,\\s)short\\s+of\\s+the\\s+(bend|point)\\s+by\\s+((?:an?|one|half\\s+an?|two|\\d(?:[.,]\\d)?)\\s*(?:gapes?|mm|hook\\s+eyes?))(?=\\s*(?:[,.;]|$))",
    "reaching to $2 in front of the $1",
  ),
  said(
    ["quarter", "1/4"],
    "(?<=^\\W*eyes\\s*[:=–-][^.;]*,\\s)(?:set\\s+|placed\\s+|fixed\\s+)?(?:(?:an?\\s+|one\\s+)?quarter|1\\/4)\\s+(?:back|of\\s+the\\s+shank\\s+behind\\s+the\\s+eye)(?=\\s*(?:[,.;]|$))",
    "at 1/4 of the shank",
  ),
  said(
    ["third", "1/3"],
    "(?<=^\\W*eyes\\s*[:=–-][^.;]*,\\s)(?:set\\s+|placed\\s+|fixed\\s+)?(?:(?:an?\\s+|one\\s+)?third|1\\/3)\\s+(?:back|of\\s+the\\s+shank\\s+behind\\s+the\\s+eye)(?=\\s*(?:[,.;]|$))",
    "at 1/3 of the shank",
  ),
  said(["forth and back"], "forth\\s+and\\s+back(?=\\s*(?:[,.;]|$))", "back and forth"),
  // A thorax is in front, however its share is said.
  said(
    ["third", "1/3", "half", "quarter"],
    "(?<=^\\W*thorax\\s*[:=–-][^.;]*,\\s)(?:(?:the\\s+)?(?:fore|front)most\\s+(third|quarter|half)|(?:an?\\s+|one\\s+)?(third|quarter|half|1\\/3|1\\/4)\\s+of\\s+the\\s+shank)(?=\\s*(?:[,.;]|$))",
    "front $1$2",
  ),
  said(
    ["200%", "200 %", "body's thickness"],
    "(?<=,\\s)(?:200\\s?%\\s+of\\s+the\\s+body|twice\\s+the\\s+body's\\s+thickness)(?=\\s*(?:[,.;]|$))",
    "twice as thick as the body",
  ),
  said(
    ["wing length", "length of wing"],
    "(?<=,\\s)(?:(?:the\\s+)?wing(?:'s)?\\s+length|(?:the\\s+)?length\\s+of\\s+(?:the\\s+)?wing)(?=\\s*(?:[,.;]|$))",
    "as long as the wing",
  ),
  said(
    ["gape"],
    "(?<=\\bslips\\s[^.;]*)(?:of\\s+|with\\s+(?:an?\\s+)?)?(?:(?:one\\s+|an?\\s+)?gape\\s+width|width(?:\\s*:\\s*|\\s+of\\s+)(?:an?|one|the)\\s+gape)(?=\\s*(?:[,.;]|$))",
    "a gape wide",
  ),
  said(
    ["third", "quarter"],
    "(?<=,\\s(?:at\\s+|set\\s+|tied\\s+in\\s+)?)(?:an?\\s+|one[\\s-]+)(third|quarter)\\s+of\\s+the\\s+(?:shank\\s+back|way\\s+(?:down\\s+the\\s+shank|from\\s+the\\s+eye\\s+to\\s+the\\s+bend))(?=\\s*(?:[,.;]|$))",
    "a $1 of the way back",
  ),
  said(
    ["bend half", "bend half-way"],
    "(?<=\\bfrom\\s+the\\s+bend\\s+)half[\\s-]?way(?=\\s*(?:[,.;]|$))",
    "to half way",
  ),
  said(
    ["half each", "half and half"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)([^,;.]+?)\\s+(?:and(?:\\s+then)?|then)\\s+([^,;.]+),\\s+half\\s+(?:each|and\\s+half)(?=\\s*(?:[.;]|$))",
    "rear half $1, front half $2",
  ),
  said(
    ["rear:", "back:", "(rear)", "50 %", "50%"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)(?:(?:rear|back)\\s*:\\s*([^,;.]+),\\s+front\\s*:\\s*([^,;.]+)|([^,;.(]+?)\\s+\\((?:rear|back)\\),\\s+([^,;.(]+?)\\s+\\(front\\)|50\\s?%\\s+([^,;.]+),\\s+50\\s?%\\s+([^,;.]+))(?=\\s*(?:[.;]|$))",
    "rear half $1$3$5, front half $2$4$6",
  ),
  // A feather that curves or flares away from its fellow.
  said(
    ["built to a taper", "built up to a taper"],
    "built\\s+(?:up\\s+)?to\\s+a\\s+taper(?=\\s*(?:[,.;]|$))",
    "tapered",
  ),
  said(
    ["parted", "split "],
    "(?<=^\\W*tails?\\s*[:=–-][^.;]*,\\s)(?:parted|split\\s+\\d+\\s+and\\s+\\d+)(?=\\s*(?:[,.;]|$))",
    "split",
  ),
  said(
    ["stacker"],
    "(?<=\\b(?:hairs?|elk|deer)\\b[^.;]*,\\s)(?:in\\s+(?:the|a)\\s+)?stacker(?=\\s*(?:[,.;]|$))",
    "stacked",
  ),
  said(
    ["let it flare", "let them flare", "hairs flared", "hair flared", "to a fan"],
    "(?<=\\b(?:hairs?|elk|deer)\\b[^.;]*,\\s)(?:let\\s+(?:it|them)\\s+flare|hairs?\\s+flared|flared\\s+to\\s+a\\s+fan)(?=\\s*(?:[,.;]|$))",
    "flared",
  ),
  said(["sized to"], "(?<=,\\s)sized\\s+to(?=\\s+the\\s+(?:hook\\s+)?shank\\s*(?:[,.;]|$))", "as long as"),
  // A strip on its skin: what is longer than any strip is wide.
  said(
    ["strip of"],
    "(?<!\\p{L})an?\\s+(\\d{2}\\s*mm|\\d\\s*cm)\\s+(?:long\\s+)?strip\\s+of\\s+((?:\\p{L}+\\s+){0,2}(?:rabbit|squirrel|mink|hare|opossum|fox))(?:\\s+fur)?(?=\\s*(?:[,.;]|$))",
    "$2 strip, $1 long",
  ),
  said(
    ["curv", "flar"],
    "(?<=\\b(?:hackles?|feathers?|saddles?|hackle\\s+tips)\\b[^.;]*,\\s)(?:curv(?:es|ing|ed)\\s+(?:out(?:wards?)?|away\\s+from\\s+each\\s+other|apart)|(?<!\\bfib(?:re|er)s\\b.*)flar(?:ed|ing)(?:\\s+(?:out(?:wards?)?|apart))?)(?=\\s*(?:[,.;]|$))",
    "splayed",
  ),
  said(
    ["curv"],
    "(?<=\\b(?:hackles?|feathers?|saddles?|hackle\\s+tips)\\b[^.;]*,\\s)curv(?:es|ing|ed)\\s+in(?:wards?)?(?=\\s*(?:[,.;]|$))",
    "dull sides together",
  ),
  said(
    ["sides facing"],
    "(?<=\\b(?:hollow|dull|concave|shiny|glossy|good|bright|convex)\\s+sides)\\s+facing(?:\\s+(?:each\\s+other|one\\s+another))?(?=\\s*(?:[,.;]|$))",
    " together",
  ),
  said(
    ["left behind", "free behind", "bare behind", "clear behind"],
    "with\\s+((?:about\\s+)?\\d+(?:[.,]\\d+)?\\s*mm)\\s+(?:left|free|bare|clear)(?:\\s+(?:free|bare|clear))?(?=\\s+behind\\s+the\\s+(?:eye|bead))",
    "leaving $1",
  ),
  said(
    ["stay free", "stays free", "stay bare", "remain"],
    "so\\s+(?:that\\s+)?((?:about\\s+)?\\d+(?:[.,]\\d+)?\\s*mm)\\s+(?:stays?|remains?|is\\s+left)\\s+(?:free|bare|clear)(?=\\s+(?:behind|at)(?!\\p{L}))",
    "leaving $1 free",
  ),
  said(
    ["all but the front"],
    "(?:over\\s+)?all\\s+but\\s+the\\s+front\\s+(\\d+(?:[.,]\\d+)?\\s*mm)(?=\\s*(?:[,.;]|$))",
    "to $1 behind the eye",
  ),
  said(["50%", "50 %"], "(?<=\\b(?:rear|back|front)\\s+)50\\s?%(?:\\s+of\\s+it)?(?=\\s+\\p{L})", "half"),
  said(
    ["half each"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)([^,;.]+\\s+behind),\\s+([^,;.]+\\s+in\\s+front),\\s+half\\s+each(?=\\s*(?:[.;]|$))",
    "in two halves: $1, $2",
  ),
  said(
    ["first half"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)first\\s+half\\s+([^,;.]+),\\s+second\\s+half\\s+(?=[^,;.]+(?:[.;]|$))",
    "rear half $1, front half ",
  ),
  said(
    ["half:", "half -", "half –"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)rear\\s+half\\s*[:–-]\\s*([^,;.]+),\\s+front\\s+half\\s*[:–-]\\s*",
    "rear half $1, front half ",
  ),
  said(["reaching the end", "reaching the tip"], "reaching(?=\\s+the\\s+(?:ends?|tips?)\\s+of\\s+the\\s)", "to"),
  said(["tie-in point", "tie in point"], "and\\s+back\\s+to\\s+the\\s+tie-?\\s?in\\s+(?:point|spot)", "and back"),
  said(
    ["body goes", "body reaches"],
    "as\\s+far\\s+as\\s+the\\s+(body|abdomen|thorax)\\s+(?:goes|reaches|runs)",
    "to the front of the $1",
  ),
  said(
    ["taper"],
    "taper(?:s|ing|ed)?\\s+(?:to|towards?|up\\s+to)\\s+the\\s+(?:hook\\s+)?(?:eye|head|front)(?=\\s*(?:[,.;]|$))",
    "tapered",
  ),
  said(
    ["increasing", "building up", "wider at", "thin to thick", "thicker towards"],
    "(?<=,\\s)(?:increasing|building\\s+up|growing)\\s+(?:in\\s+thickness\\s+)?(?:to|towards?)\\s+the\\s+(?:eye|front|head|thorax)(?=\\s*(?:[,.;]|$))|(?<=,\\s)(?:narrow|slim|thin)\\s+at\\s+the\\s+(?:tail|rear|back|bend),?\\s+(?:and\\s+)?(?:wider|thicker|fuller|fatter)\\s+at\\s+the\\s+(?:thorax|front|head)(?=\\s*(?:[,.;]|$))|(?<=,\\s)(?:from\\s+)?thin\\s+to\\s+thick(?=\\s*(?:[,.;]|$))",
    "tapered",
  ),
  said(
    ["lean", "slender", "kept thin"],
    "(?<=,\\s)(?:(?:very\\s+)?(?:lean|slender)|kept\\s+thin)(?=\\s*(?:[,.;]|$))",
    "slim",
  ),
  said(
    ["plump", "chunky", "bulky", "stout", "rotund"],
    "(?<=,\\s)(?:plump|chunky|bulky|stout|rotund)(?=\\s*(?:[,.;]|$))",
    "thick",
  ),
  said(
    ["where the"],
    `(?:(?:ending|stopping|cut|trimmed)\\s+)?(?:just\\s+)?where\\s+the\\s+(tail|wing|body|hackle)\\s+(?:ends|stops|finishes)(?<=\\b(?:ending|stopping|cut|trimmed)\\s.*)`,
    "to the end of the $1",
  ),
  said(["ending with"], "(?<=,\\s)(?:ending|finishing)\\s+with(?=\\s+the\\s+(?:tail|wing)(?!\\p{L}))", "level with"),
  said(
    ["high", "height"],
    "(?<=^\\W*(?:post|wing(?:\\s+post)?|parachute\\s+post)\\s*[:=–-][^\\d]*,\\s+)(?:cut|trimmed|clipped)\\s+(?=(?:to\\s+)?(?:as\\s+high\\s+as|the\\s+height\\s+of|shank\\s+height|(?:an?|one)\\s+(?:shank|gape)\\s+(?:high|tall)))",
    "",
  ),
  said(["full shank"], "(?<=,\\s+|[:=–-]\\s)full\\s+(?=(?:hook\\s+)?shank\\s+length(?!\\p{L}))", ""),
  said(["corresponding"], "corresponding(?:\\s+in\\s+length)?\\s+to(?!\\p{L})", "equal to"),
  said(["half that of"], "half\\s+that\\s+of(?=\\s+(?:the|a)\\s)", "half"),
  said(["as much again"], "half\\s+as\\s+much\\s+again\\s+as(?=\\s+(?:the|a)\\s)", "half as long again as"),
  said(["of length"], "(?<=\\d\\s?mm\\s+)of\\s+length(?!\\p{L})", "long"),
  said(["tip to tie-in"], "(?<=\\d\\s?mm\\s+)tips?\\s+to\\s+tie-?\\s?in(?!\\p{L})", "long"),
  said(["protruding"], "protruding(?:\\s+by)?(?=\\s+(?:about\\s+)?\\d)", "showing"),
  said(["exposed"], "(?<=\\d\\s?mm\\s+)exposed(?!\\p{L})", "showing"),
  said(["enough to reach"], "(?:just\\s+)?long\\s+enough\\s+to\\s+reach(?=\\s)", "reaching"),
  said(
    ["touching the"],
    "(?:tips\\s+)?(?:just\\s+)?touching(?=\\s+the\\s+(?:hook\\s+)?(?:bend|point|barb)(?!\\p{L}))",
    "reaching",
  ),
  said(
    ["tips over the", "tips above the"],
    "(?<!\\b(?:long|length)\\b.*)tips\\s+(?:over|above)(?=\\s+the\\s+(?:bend|point|barb)\\s*(?:[,.;]|$))",
    "tips to",
  ),
  said(
    ["hair tips", "fibre tips"],
    "(?<=,\\s)(?:hair|fib(?:re|er)|feather)\\s+tips(?=\\s+(?:at|to|level|past|beyond|reaching)(?!\\p{L}))",
    "tips",
  ),
  said(
    ["ending", "stopping", "finishing", "ends", "stops"],
    "(?:ending|stopping|finishing|ends|stops)(?=\\s+(?:about\\s+)?(?:half|an?|one|two|three|\\d\\/\\d)(?:[\\s-]+(?:thirds?|quarters?))?\\s*(?:of\\s+the\\s+way|up\\s+the)(?!\\p{L}))",
    "to",
  ),
  said(
    ["forward", "up the", " up"],
    "(?<!\\p{L})(two[\\s-]thirds|three[\\s-]quarters|2\\/3|3\\/4)\\s+(?=(?:forwards?|up(?:\\s+the\\s+(?:hook\\s+)?shank|\\s+the\\s+hook)?)\\s*(?:[,.;]|$))",
    "$1 of the way ",
  ),
  said(
    [" point"],
    "(?<=\\bto\\s+)the\\s+(two[\\s-]thirds|three[\\s-]quarters|2\\/3|3\\/4)\\s+(?:point|position|line)(?=\\s*(?:[,.;]|$|and\\b))",
    "$1 of the shank",
  ),
  said(["midway"], "midway(?=\\s+(?:along|up|down|forward|back|to|between)(?!\\p{L}))", "halfway"),
  said(["raked back"], "raked\\s+back(?:wards?)?", "sloping back"),
  said(["contrary to"], "contrary\\s+to(?=\\s+the\\s+(?:body|dubbing|floss|herl|thread))", "against"),
  said(["down the body"], "(?<=\\b(?:turns|wraps)\\s+)wound\\s+down\\s+the\\s+body(?!\\p{L})", "over the body"),
  said(
    ["the bend forward"],
    "from\\s+the\\s+bend\\s+forwards?\\s+(?:for\\s+|over\\s+)?(two[\\s-]thirds|three[\\s-]quarters|half|2\\/3|3\\/4|1\\/2|\\d\\d\\s?%)(?:\\s+of\\s+the\\s+(?:shank|hook))?(?=\\s*(?:[,.;]|$|in\\b|and\\b))",
    "over the rear $1",
  ),
  said(
    ["slope", "lean", "sweep", "rake", "lie"],
    `${BEGINNING}(?:let\\s+)?the\\s+(?:tips|fib(?:re|er)s|barbs)(?:\\s+(?:should|must|to))?\\s+(?:slope|lean|sweep|rake|lie)(?:ing|ping)?\\s+(?:to(?:wards)?\\s+the\\s+(?:rear|back|bend|tail)|back(?:wards?)?)(?=\\s*(?:[,.;]|$))`,
    "stroke the fibres back",
  ),
  said(
    ["at the shoulder", "towards the shoulder", "at the front", "towards the front", "at the head"],
    "(?<=\\b(?:fur|mask|ear|dub|dubbed|dubbing|wool|seal|body|floss)(?!\\p{L})[^.;]*)(?<!\\bget(?:s|ting)?\\s+)(?:rather\\s+|fairly\\s+|quite\\s+)?(?:rough\\s+and\\s+)?(?:thick|fat|full|heavi|wid)(?:er|est)?\\s+(?:at|towards)\\s+the\\s+(?:shoulder|front|head)(?=\\s*(?:[,.;]|$))",
    "tapered",
  ),
  said(
    ["the length of the body", "the body length", "the length of the abdomen"],
    "(?<=\\bpalmered\\s+(?:down\\s+|along\\s+|for\\s+)*)the\\s+(?:whole\\s+|full\\s+)?(?:length\\s+of\\s+the\\s+(?:body|abdomen)|body\\s+length)(?=\\s*(?:[,.;]|$|in\\b))",
    "along the body",
  ),
  said(
    ["of the shank back"],
    "(?<=\\b(?:tied|set|mounted|bound|wraps|turns)\\s+(?:\\p{L}+\\s+){0,4}?)(an?\\s+(?:third|quarter|fifth)|one\\s+(?:third|quarter|fifth)|two\\s+(?:thirds|fifths)|1\\/[345])\\s+of\\s+the\\s+shank\\s+(?:back|behind\\s+the\\s+eye)(?=\\s*(?:[,.;]|$))",
    "at $1 of the shank",
  ),
  said(["hook's gap", "hook gap", "hook’s gap"], "hook(?:['’]s)?\\s+gape?(?!\\p{L})", "gape"),
  said(
    ["reach"],
    "(?:the\\s+)?fib(?:re|er)s\\s+(?:stroked|swept|brushed|drawn)\\s+back\\s+(?:so\\s+(?:that\\s+)?they\\s+(?:just\\s+)?|to\\s+)reach(?=\\s+the\\s+(?:bend|barb|point))",
    "fibres to reach",
  ),
  said(
    ["like a tent", "like a roof"],
    "(?:rolled|folded|laid|set)\\s+(?:a?round|over)\\s+the\\s+(?:body|back)\\s+like\\s+an?\\s+(?:tent|roof)",
    "tent-shaped over the body",
  ),

  said(
    [" down", " back"],
    "(?<=\\b(?:wound|wind|palmer|palmered|wrapped|wrap|taken|run)\\s+(?:(?:it|them|the\\s+hackle|this)\\s+)?)from\\s+the\\s+(shoulder|head|front|thorax)\\s+(?:down|back(?:wards?)?)(?:\\s+over\\s+the\\s+body)?(?=\\s*(?:[,.;]|$|in\\b|with\\b|for\\b|\\d))",
    "from the $1 to the bend",
  ),
  said(
    ["point"],
    "(?<=\\b(?:to|at|past|about)\\s+)the\\s+mid[- ]?point(?!\\s+(?:of|between)(?!\\s+the\\s+(?:shank|hook)))(?:\\s+of\\s+the\\s+(?:shank|hook))?",
    "mid-shank",
  ),
  said(
    ["the bend to"],
    "(?:well\\s+)?(?:a?round|into)\\s+the\\s+bend\\s+to\\s+(?=(?:a\\s+(?:point|spot|place)\\s+)?(?:opposite|above|over|level\\s+with|in\\s+line\\s+with)\\s+the\\s+(?:barb|point))",
    "to ",
  ),
  said(
    ["to a leg", "to each leg", "per leg"],
    "(?<=\\b(?:fib(?:re|er)s|strands|herls|barbs)\\s+)(?:to\\s+(?:a|each)|per|for\\s+(?:a|each))\\s+leg(?![\\p{L}])",
    "each",
  ),
  said(
    ["the hook length", "the shank length"],
    "(?<=\\b(?:past|beyond|to|than|short\\s+of)\\s+)the\\s+(hook|shank)\\s+length(?=\\s*(?:[,.;]|$|with\\b))",
    "a $1 length",
  ),

  said(
    ["to halfway to the", "to half way to the"],
    "(?<=\\bfrom\\s+(?:the\\s+)?(bend|barb|point|eye)\\s+)to\\s+half\\s?way\\s+to\\s+the\\s+(barb|point|eye|bend)(?!\\p{L})",
    "to half way between the $1 and the $2",
  ),

  // “Two turns of partridge, to the point”: so far its fibres reach; nobody winds two turns from there to the eye.
  said(
    ["to the point", "to the barb", "reaching the point", "reaching the barb", "to just past the", "to the hook point"],
    "(?<=^(?!.*\\b(?:wound|wind|wrap|palmer|rib|wire|tinsel|thread|lead|floss)).*\\b(?:one|two|three|1|2|3)(?:\\s?½|[.]5|\\s+and\\s+a\\s+half)?\\s+turns?(?!\\p{L})[^.;]{0,30}?[,\\s])(?<=\\b(?:hackle|collar|partridge|hen|grouse|snipe|plover|starling|quail|woodcock|fowl|jackdaw|coot|moorhen|feather)(?!\\p{L})[^.;]{0,40})(?<!\\b(?:way|tips?|ends|fib(?:re|er)s|barbs|down|back)\\s+)(?:just\\s+)?(?:reaching|to)(?=\\s+(?:just\\s+past\\s+)?the\\s+(?:hook\\s+)?(?:point|barb)\\s*(?:[,.;]|$))",
    ", barbs to",
  ),

  said(
    ["round the bend, as far as", "round the bend, to", "round the bend to half"],
    "(?:down\\s+)?(?:a?round|into)\\s+the\\s+bend,?\\s+(?:as\\s+far\\s+as|to|till|until)\\s+(?:about\\s+)?half-?\\s?way(?=\\s*(?:[,.;]|$))",
    "halfway round the bend",
  ),

  said(
    ["reaching from", "stretching from", "running from", "extending from"],
    "(?:reaching|stretching|running|extending)\\s+(?=from\\s+(?:just\\s+)?(?:the|behind|in)(?!\\p{L}))",
    "",
  ),

  // “Thorax: hare, a third of the body”: its front third.
  said(
    ["of the body", "of body", "of the shank"],
    "(?<=^\\W*thorax\\s*[:=–-][^;]*,\\s*)(?:over\\s+|about\\s+)*(?:an?\\s+)?(third|half|quarter)\\s+of\\s+(?:the\\s+)?(?:body|shank)(?=\\s*(?:[,.;]|$))",
    "the front $1",
  ),

  said(
    ["length", "long"],
    "(?<=^\\W*(?:tail|wing|legs)\\s*[:=–-][^;]*\\s(?:plus|and|with)\\s[^;]*);\\s+(?:length\\s+)(\\d+(?:[.,]\\d+)?\\s*(?:mm|cm))(?=\\s*$)",
    ", all $1 long",
  ),

  // “Wind it to near the eye”, “almost to the eye”
  said(
    ["near the eye", "close to the eye", "almost at the eye", "nearly at the eye"],
    "(?<=\\b(?:to|until|till)\\s+)(?:very\\s+)?(?:near|close\\s+to|almost\\s+at|nearly\\s+at)(?=\\s+the\\s+(?:hook\\s+)?eye(?!s)(?!\\p{L}))",
    "just behind",
  ),
  said(
    ["almost to the", "nearly to the"],
    "(?:almost|nearly)\\s+to(?=\\s+the\\s+(?:hook\\s+)?(?:eye|bead|head)(?!\\p{L}))",
    "to just behind",
  ),

  said(
    ["as the feelers", "as the antennae", "as the horns"],
    "(?:the\\s+)?(?:same\\s+length\\s+as|as\\s+long\\s+as)\\s+the\\s+(?:feelers|antennae|horns)(?!\\p{L})",
    "as long as the legs",
  ),
];
