import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT } from "../../number";
import { isHue } from "../hue";
import { BEGINNING, PART, SOME_PIECES, said } from "./said";

/** Words that do as well as those that are read: how something is tied in, made, or called. */
export const tying: readonly Rule[] = [
  // “Hackle: black hen, as beard”
  said(
    ["as beard", "as throat", "as collar"],
    "(?<!\\bsame),?\\s+as(?=\\s+(?:beard|throat|collar)\\s*(?:[,.;]|$))",
    " as a",
  ),
  // “Then the body hackle, a red game cock, which you tie in by its tip”: tied in where the thread hangs by then.
  said(
    ["which you tie", "which i tie", "which we tie", "which is tied in", "you tie that in", "that you tie"],
    "(?<=^\\W*)(?:(?:then|next|now|after\\s+that)[\\s,]+)?(?:comes\\s+)?(?:the|an?)\\s+((?:body\\s+|palmer\\s+)?hackle|rib)[,:]\\s+(?!tie)([^;.]*?),?\\s+(?:which|that)\\s+(?:(?:you|i|we)\\s+tie|is\\s+tied)\\s+in(?!\\p{L})([^.;]*)",
    "tie in $2$3 for the $1",
  ),
  // “… and bring in three fibres for the tail”
  said(
    ["bring in", "work in", "lay in", "introduce"],
    `(?<=^\\W*(?:then\\s+|now\\s+|next\\s+)?|[.;,]\\s+|\\b(?:and|then|here|there|now)\\s+)(?:(?:bring|work|lay)\\s+in|introduce)${SOME_PIECES}`,
    "tie in",
  ),
  // “Bind down 4 inches of oval silver”: a piece that is only now taken is tied in.
  said(
    ["bind down", "lash down", "fasten down", "bind on"],
    `${BEGINNING}(?:bind|lash|fasten)\\s+(?:down|on)(?=\\s+(?:an?|one|some|${A_COUNT})\\s+(?:(?:short|long)\\s+)?(?:inch(?:es)?|mm|cm|lengths?|pieces?|strands?|strips?)\\s+of\\s+(?!(?:the|it|this|that|your)\\s))`,
    "tie in",
  ),
  // “Prepare a pair of slips …, and set them on top”
  said(
    ["set them", "set it", "mount them", "mount it", "seat them"],
    "(?<=^\\W*(?:(?:then|now|next|and)\\s+)*|[.;,]\\s+|\\b(?:and|then)\\s+)(?:set|mount|seat)(?=\\s+(?:it|them)\\s+(?:on|in|at|over|upright|back|low|flat)(?!\\p{L}))",
    "tie",
  ),
  said(
    ["left and right", "right and left"],
    "(?<=\\b(?:from|of)\\s+)(?:matching\\s+|matched\\s+|an?\\s+)?(?:left\\s+and\\s+(?:an?\\s+)?right|right\\s+and\\s+(?:an?\\s+)?left)(?=\\s+\\p{L}+\\s+(?:quills?|wings?|feathers?|slips?)(?!\\p{L}))",
    "",
  ),
  said(["roof of"], "(?<=^\\W*(?:over)?wings?\\s*[:=–-]\\s*)(?:an?\\s+)?roof\\s+of\\s+(?=[^.;]*\\bslips?)", ""),
  said(
    ["skirt"],
    "(?<=^\\W*)(?:skirt\\s*[:=–-]\\s*(?:an?\\s+)?collar\\s+of|skirt\\s*[:=–-](?=[^.;]*\\b(?:hackles?|saddles?)\\b[^.;]*\\bturns))",
    "collar:",
  ),
  // “Two ginger cock, wound together”: of a hackle that is how many feathers.
  said(
    ["wound together"],
    "(?<=^\\W*(?:\\p{L}+\\s+){0,2}(?:hackle|collar)\\s*[:=–-]\\s*(?:two|three|2|3)\\s+(?:\\p{L}+\\s+){0,2}(?:cock|hen|saddle|grizzly|grizzle|badger|furnace))(?=\\s*,?\\s*wound\\s+together)",
    " hackles",
  ),
  said(
    ["sized"],
    "(?<=\\bhackles?\\b[^.;]*,\\s)sized\\s+(?:to|at|for)(?=\\s+(?:be\\s+)?(?:about\\s+)?(?:an?|one|two|\\d|[½¼¾]|just|the)\\b[^,.;]*\\bgapes?)",
    "fibres",
  ),
  said(
    ["reversed over it", "counter over it", "wound against over"],
    "(?:with\\s+)?the\\s+(wire|tinsel)\\s+(?:reversed|counter-?wound|crossed|the\\s+other\\s+way)\\s+over\\s+(?:it|them)(?=\\s)",
    "; rib over it, counter,",
  ),
  // “Tail/wing: bucktail tied in behind the eye”: one bunch is both.
  said(["tail/wing", "wing/tail"], "(?<=^\\W*)(?:tail\\s?/\\s?wing|wing\\s?/\\s?tail)(?=\\s*[:=–-])", "wing"),
  said(
    ["same amount"],
    "(?<=(?:^\\W*|[.;,]\\s+)(?:(?:and|then|now)\\s+)*(?:tie\\s+in\\s+|add\\s+|put\\s+)?)the\\s+same\\s+amount(?:\\s+again)?(?=\\s+(?:under|below|on|over|beneath|in|behind)(?!\\p{L}))",
    "the same again",
  ),
  said(
    ["herls over all", "herl over all", "herls over everything", "herls over the lot", "herls on top of all"],
    `(?<=^\\W*(?:(?:and|then|finally)\\s+)*)((?:${A_COUNT})\\s+(?:strands\\s+of\\s+)?(?:\\p{L}+\\s+){0,2}herls?)\\s+(?:over|on\\s+top\\s+of)\\s+(?:all|everything|the\\s+lot)(?:\\s+of\\s+(?:it|that))?(?=\\s*(?:[,.;]|$))`,
    "over that $1",
  ),
  said(
    ["bead on and the"],
    "(?<=\\b(?:put|slide|slip)\\s+the\\s+bead\\s+on)\\s+and\\s+the\\s+(weight|lead|wire)\\s+behind\\s+it(?=\\s*(?:[,.;]|$|and\\b))",
    "; wind the $1 behind the bead",
  ),
  said(
    ["in front of and behind the", "behind and in front of the"],
    `(?<=(${A_COUNT})\\s+turns\\s+of\\s+(?:\\p{L}+\\s+){1,4})(?:in\\s+front\\s+of\\s+and\\s+behind|behind\\s+and\\s+in\\s+front\\s+of)\\s+the\\s+(post|wings?)(?!\\p{L})`,
    "behind the $2 and $1 in front of it",
  ),
  // “5 turns of grizzle cock under the poly”: round the foot of the post.
  said(
    ["under the poly", "under the yarn", "under the post", "under the hair", "under the wing"],
    "(?<=\\bturns\\s+of\\s+[^.;]*\\b(?:cock|hackle|saddle|grizzly|grizzle|cree|badger|furnace)\\s+)under\\s+the\\s+(?:poly|yarn|post|calf\\s+hair|hair)(?=\\s*(?:[,.;]|$))",
    "round the post",
  ),
  said(
    ["two, cut from", "two cut from", "2, cut from", "pair, cut from", "pair cut from"],
    "(?<=^\\W*wing\\s?(?:pads?|cases?)\\s*[:=–-]\\s*)(two|2|an?\\s+pair),?\\s+cut\\s+from(?=\\s)",
    "$1 slips of",
  ),
  // “Fiery brown seal fur body, well picked out”
  said(
    ["body"],
    "(?<=^\\W*)((?:\\p{L}+\\s+){1,4}(?:fur|floss|wool|dubbing|herl|tinsel|chenille|yarn|silk|quill))\\s+(body|abdomen)(?=\\s*(?:[.;]|$|,\\s+(?:well|picked|rough|taper|spiky|shaggy|slim|thin|fat|thick)))",
    "$2: $1",
  ),
  said(["clockwise from above"], "clockwise\\s+from\\s+above", "clockwise seen from above"),
  // Where it goes stands ahead of what it is of.
  said(
    ["over the", "through the"],
    "(?<=^\\W*(?:rib(?:bing)?|hackle)\\s*[:=–-]\\s*)((?:over|through)\\s+the\\s+(?:\\p{L}+\\s+){0,2}\\p{L}+),\\s+([^;.]+)(?=\\s*(?:[;.]|$))",
    "$2, $1",
  ),
  said(
    ["thread", "silk"],
    "(?<=(?:,|\\band|\\bthen)\\s+)(?:the\\s+)?(thread|silk)\\s+((?:forwards?\\s+|back\\s+|up\\s+|down\\s+)*(?:to|halfway|half\\s+way)\\s)(?=(?:the\\s+)?(?:mid|middle|half|bend|eye|barb|point|thorax|just|about|above|over|a|an|one|two|behind|hook|bead))",
    "take the $1 $2",
  ),
  said(
    ["bring it up", "bring to", "bring up"],
    "(?<=^\\W*(?:tie|bind|catch|attach|take)(?!\\p{L})[^.;]*\\b(?:floss|yarn|wool|chenille|tinsel|herl|herls|quill|braid|raffia|biot|strip)\\b[^.;]*(?:,|\\band|\\bthen)\\s+)bring\\s+(?:it\\s+)?(?:up\\s+)?(?=to\\s+the\\s+(?:thorax|eye|head|wing|bead|hackle|middle|front)(?!\\p{L}))",
    "wind it ",
  ),
  said(
    ["make the body", "form the body", "make a body", "form a body"],
    "(?<=^\\W*(?:tie|bind|catch|attach)(?!\\p{L})[^.;]*(?:,|\\band|\\bthen)\\s+)(?:make|form)\\s+(?:the|a)\\s+body(?:\\s+(?:with|of)\\s+it)?,?(?=\\s+(?:up\\s+)?to\\s)",
    "wind it",
  ),
  said(
    ["hackle with"],
    `(?<=^\\W*(?:then\\s+|and\\s+)?)hackle\\s+(?:it\\s+)?with(?=\\s+(?:${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s)`,
    "hackle:",
  ),
  said(
    ["size a"],
    `${BEGINNING}size(?=\\s+(?:an?|the|your)\\s+(?:\\p{L}+\\s+){0,3}(?:hackle|feather|saddle)(?!\\p{L}))`,
    "select",
  ),
  said(
    ["tie in as", "tie them in as", "tie in for"],
    `${BEGINNING}(?:clean|measure|comb|size)\\s+(${A_COUNT}\\s+(?:\\p{L}+\\s+){0,3}(?:hairs|fib(?:re|er)s|strands))\\s+and\\s+tie\\s+(?:them\\s+)?in\\s+(?=(?:as|for)\\s)`,
    "tie in $1 ",
  ),
  said(
    ["put on a wing", "put on the wing", "put on a tail"],
    `${BEGINNING}put\\s+on(?=\\s+(?:an?|the)\\s+(?:${PART})\\s+of\\s)`,
    "tie in",
  ),
  said(
    ["collar", "head", "tag", "butt", "spot"],
    "(?<=^\\W*)(\\p{L}+)\\s+(collar|head|tag|butt|hot\\s?spot)\\s*[:=–-]\\s*(?=[^.;]*\\b\\1\\b)",
    "$2: ",
  ),
  said(
    ["to start", "to begin"],
    "(?<!\\b(?:thin|thick|slim|sparse|fine|full|narrow|wide|light|heavy|silk|thread))(?<=\\p{L}),?\\s+to\\s+(?:start|begin)(?:\\s+(?:with|off))?(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(
    ["a bit at a time", "a little at a time", "little by little", "bit by bit"],
    "(?:a\\s+(?:bit|little)\\s+at\\s+a\\s+time|little\\s+by\\s+little|bit\\s+by\\s+bit)(?=\\s*(?:[,.;]|$))",
    "evenly",
  ),
  said(
    ["giving a", "making a"],
    "(?<=,\\s)(?:giving|making)\\s+(?:us\\s+)?an?\\s+(?:nice\\s+|neat\\s+)?(slim|thin|thick|full|tapered|smooth)\\s+(?:body|abdomen)(?=\\s*(?:[,.;]|$))",
    "$1",
  ),
  said(["sitting on", "sits on", "lying on"], "(?:sitting|lying)(?=\\s+on\\s+top)", ""),
  said(
    ["with thread at", "thread hanging", "thread resting", "thread parked"],
    "(?<=^\\W*|[.;]\\s+)(?:with|keeping)\\s+(?:the\\s+)?(thread|silk)\\s+(?:(?:hanging|resting|parked|still)\\s+)?(at|behind|near)\\s+the\\s+(bend|barb|eye),?(?=\\s+\\p{L})",
    "with the $1 $2 the $3,",
  ),
  said(
    ["loop"],
    `(?<!\\p{L})(?:draw|throw|drop|pull\\s+(?:out|down)|form|make|create)\\s+(?:down\\s+)?(an?|${A_COUNT}\\s*(?:cm|mm))\\s+(?:thread\\s+loop|loop\\s+of\\s+(?:the\\s+)?thread|(?:dubbing\\s+)?loop)(?=\\s+(?:about\\s+)?\\d+(?:[.,]\\d)?\\s*(?:cm|mm)(?:\\s+long)?,?\\s+(?:and|then)\\s)`,
    "make $1 dubbing loop",
  ),
  said(["spin in", "spin up"], "(?<=\\bloop(?!\\p{L}).*)spin\\s+(?:in|up)(?=\\s+\\p{L}+\\s+\\p{L})", "spin"),
  said(
    ["lay ", "slip ", "dub it with"],
    "(?<=\\bloop(?!\\p{L}).*\\b(?:and|then)\\s+)(?:lay|slip|dub\\s+it\\s+with)\\s+((?:\\p{L}+\\s+){1,4}?)(?:(?:in|between\\s+the\\s+threads)\\s+)?and\\s+(?:twist|spin)(?=\\s*(?:[,.;]|$))",
    "spin $1in it",
  ),
  said(
    ["palmer the"],
    "palmer\\s+the\\s+(body|abdomen|fly)(?!\\s+(?:with|using)(?!\\p{L}))(?=\\s|$|,)",
    "palmer the hackle over the $1",
  ),
  said(
    ["round the body", "around the body", "round the abdomen", "around the abdomen"],
    `(?:a?round|about)\\s+the\\s+(body|abdomen),?\\s+(?:in\\s+)?(${A_COUNT})\\s+(?:times|turns|wraps)(?!\\p{L})`,
    "over the $1 in $2 turns",
  ),
  said(
    ["run the hackle", "run the feather", "run the saddle"],
    "run(?=\\s+the\\s+(?:hackle|feather|saddle)\\s+(?:up|forward|over|through))",
    "take",
  ),
  said(
    ["up the body", "along the body"],
    "(?<=\\b(?:hackle|feather|saddle)\\s+)(?:up|along)(?=\\s+the\\s+(?:body|abdomen)\\s+in\\s)",
    "over",
  ),
  said(
    ["wire comes", "tinsel comes", "rib comes"],
    "(?<=\\b(wire|tinsel|rib)\\s+)comes(?=\\s+(?:up|forwards?|over)(?!\\p{L}))",
    "goes",
  ),
  said(
    ["this will be", "that will be"],
    "(?<=\\p{L});\\s+(?:this|that|it)\\s+will\\s+be\\s+(?:the|our|your)(?=\\s+rib\\s*(?:[,.;]|$))",
    " for the",
  ),
  said(
    ["park it", "park them", "out of the way"],
    "(?:and\\s+)?(?:park\\s+(?:it|them)|put\\s+(?:it|them)\\s+out\\s+of\\s+the\\s+way)(?=\\s*(?:[,.;]|$))",
    "and leave it hanging",
  ),
  said(["counter the body"], "counter(?=\\s+the\\s+(?:body|abdomen)\\s+with\\s)", "counter-rib"),
  said(
    ["expose the", "bare the"],
    `${BEGINNING}(?:expose|bare|strip)\\s+(?:the\\s+(?:core|end)|a\\s+bit)\\s+of\\s+((?:an?\\s+|the\\s+)?[^.;,]*?(?:chenille|fritz|brush))\\s+and\\s+tie\\s+it\\s+in`,
    "tie in $1",
  ),
  said(
    ["the core of"],
    "(?<=\\btie\\s+in\\s+)the\\s+(?:bare(?:d)?\\s+|stripped\\s+)?core\\s+of\\s+(?=(?:\\p{L}+\\s+){0,3}(?:chenille|fritz|brush))",
    "",
  ),
  said(
    [
      "set",
      "whip",
      "hitch",
      "apply",
      "include",
      "tack",
      "nip",
      "install",
      "affix",
      "lock",
      "incorp",
      "introd",
      "put on",
    ],
    `${BEGINNING}(?:set|put\\s+on|whip\\s+(?:in|on)|hitch\\s+in|apply|include|tack\\s+(?:in|on|down)|nip\\s+in|install|affix|lock\\s+(?:in|down)|incorporate|introduce)${SOME_PIECES}`,
    "tie in",
  ),
  said(
    ["pinch-wrap", "pinch wrap", "soft-loop", "soft loop"],
    `${BEGINNING}(?:pinch|soft)[-\\s](?:wrap|loop)${SOME_PIECES}`,
    "tie in",
  ),
  said(
    ["pull off", "strip off", "measure", "pluck off", "snip off", "cut off"],
    `${BEGINNING}(?:(?:pull|strip|pluck|snip|cut)\\s+off|measure)\\s+and\\s+(?=(?:tie|bind|catch|lash)\\s+(?:in|on|down)\\b)`,
    "",
  ),
  said(["next come"], "next\\s+comes?(?=\\s)", "then"),
  said(["comes ", "come "], `${BEGINNING}comes?(?=\\s+(?:an?|the|${A_COUNT})\\s)`, ""),
  said(["follow with"], `follow\\s+(?:up\\s+|on\\s+)?with(?!\\s+(?:the|your)\\s)${SOME_PIECES}`, "tie in"),
  said(
    ["serve", "used", "act "],
    `(?:to\\s+serve\\s+as|(?:is|are)\\s+used\\s+(?:for|as)|serves?\\s+as|(?:to\\s+)?acts?\\s+as|used\\s+(?:for|as))(?=\\s+(?:the|an?|our|your)\\s+(?:${PART})(?!\\p{L}))`,
    "for",
  ),
  said(["for our"], `for\\s+our(?=\\s+(?:${PART})(?!\\p{L}))`, "for the"),
  said(
    ["that is", "that's", "which is", "that are", "which are", "which makes", "that makes"],
    `(?<=\\p{L},?\\s+)(?:that|which)(?:'s|\\s+(?:is|are|makes?|forms?))\\s+(?:the|your|our|its)(?=\\s+(?:${PART})\\s*(?:[,.;]|$))`,
    "for the",
  ),
  said(["="], `(?<=\\p{L}\\s)=(?=\\s(?:${PART})\\s*(?:[,.;]|$))`, "for the"),
  said(
    ["shape", "roll", "construct", "produce", "fashion", "lay down", "run a", "take a"],
    `${BEGINNING}(?:shape|roll|construct|produce|fashion|lay\\s+down|run|take)(?=\\s+(?:an?|the)\\s+(?:(?!thread)\\p{L}+\\s+){0,2}(?:body|abdomen|thorax|head|butt|tag)\\s+(?:of|from|out\\s+of|with)\\s)`,
    "form",
  ),
  said(["form a tail", "form the tail"], `${BEGINNING}form(?=\\s+(?:an?|the)\\s+tail\\s+(?:with|of|from)\\s)`, "make"),
  said(
    ["dub in a", "dub in the", "put on a", "add a thorax", "add the thorax"],
    `${BEGINNING}(?:dub\\s+in|put\\s+on|add)(?=\\s+(?:an?|the)\\s+thorax\\s+(?:of|in|with)\\s)`,
    "dub",
  ),
  said(["ribbed"], "(?<=^\\W*)ribbed(?=\\s*[:=])", "rib"),
  said(["hackle collar"], "(?<=^\\W*)hackle\\s+collar(?=\\s*[:=])", "collar"),
  said(
    ["(front)", "(rear)", "(back)", "(under)"],
    "(?<=^\\W*)(hackle|body|rib|wing|abdomen)\\s+\\((front|rear|under)\\)(?=\\s*[:=])",
    "$2 $1",
  ),
  said(["on the thread", "on the silk"], "(?<=\\bdubbing\\s+)on\\s+the\\s+(?:thread|silk)(?=\\s*[,.;]|\\s*$)", ""),
  said(
    ["-dubbed", "loop dubbed"],
    "(?<!\\p{L})loop[-\\s]dubbed\\s+((?!with\\b)\\p{L}[\\p{L}'’\\s-]{2,30}?)(?=\\s*(?:[,.;]|$))",
    "$1 in a dubbing loop",
  ),
  said(
    ["loop"],
    "(?<!\\p{L})(?:via|by|through|using|by\\s+means\\s+of)\\s+(?:an?\\s+|the\\s+)?(?=dubbing\\s+loop(?!\\p{L}))",
    "in a ",
  ),
  said(["plucked out"], "plucked\\s+out(?!\\p{L})", "picked out"),
  said(
    ["turned over", "flipped over", "stretched over", "swung over"],
    "(?<=^\\W*(?:wing\\s?case|wing\\s?pads?|shell\\s?back|back|cover)\\s*[:=–-].*)(?:turned|flipped|stretched|swung)(?=\\s+over\\b)",
    "pulled",
  ),
  said(
    ["over the top"],
    "(?<=\\b(?:pull|fold|draw|bring|lay|take|brought)(?:ed|n)?\\s+(?:it\\s+|them\\s+)?over)\\s+the\\s+top(?=\\s*(?:[,.;]|$|and\\b))",
    "",
  ),
  said(
    ["pull ", "bring ", "fold ", "draw "],
    "(?<=^\\W*(?:wing\\s?case|wing\\s?pads?|shell\\s?back|back)\\s*[:=–-][^.;]*,\\s+)(?:and\\s+|then\\s+)?(?:pull|bring|fold|draw)\\s+(?:it\\s+|them\\s+)?(?:over(?:\\s+the\\s+thorax)?|forwards?(?:\\s+over\\s+the\\s+thorax)?)(?=\\s*(?:[,.;]|$|and\\b))",
    "pulled over",
  ),
  said(
    ["before the", "before it"],
    "(?<=\\b(?:behind|after)\\s+and\\s+)before(?=\\s+(?:the|it|them)(?!\\p{L}))",
    "in front of",
  ),
  said(
    ["ribbed by", "ribbed with"],
    "ribbed\\s+(?:by|with)(?=\\s+(?:an?\\s+|one\\s+)?(?:\\p{L}+\\s+){0,2}(?:hackle|saddle|cock)(?!\\p{L}))",
    "palmered with",
  ),
  said(
    ["stretch"],
    "(?<=^\\W*(?:shell\\s?)?back\\s*[:=–-]\\s+(?:\\p{L}+\\s+){0,2})stretch(?=\\s*(?:[,.;]|$|\\d))(?!\\s*[\\d.]+\\s*mm\\s+strip)",
    "stretch strip",
  ),
  said(
    [
      "side of the wing",
      "sides of the wing",
      "side of the post",
      "sides of the post",
      "side of the foam",
      "sides of the foam",
    ],
    "(?<=(?:dubb|\\bfur\\b|\\bhare|\\bmole)[^.;]*\\s)(?:on\\s+)?(?:each|either|both)\\s+sides?\\s+of(?=\\s+the\\s+(?:wing|post|foam)s?(?!\\p{L}))",
    "behind and in front of",
  ),
  said(
    ["hair over", "hair on", "hair along"],
    `${BEGINNING}(?:spin|stack|flare|pack)\\s+((?:[\\p{L}\\d-]+\\s+){0,5}hair)\\s+(?:on|over|along|onto)(?=\\s+the\\s+(?:whole|entire|front|rear|back)\\s+(?:of\\s+the\\s+)?(?:shank|hook|half|third|two))`,
    "body: $1 spun over",
  ),
  said(
    ["herls over", "herl over"],
    `${BEGINNING}(?:(?:finish(?:\\s+off)?|top(?:\\s+it)?(?:\\s+off)?)\\s+with\\s+|add\\s+|lay\\s+|put\\s+)?(${A_COUNT}\\s+(?:strands\\s+of\\s+)?(?:[\\p{L}-]+\\s+){0,2}herls?)\\s+over\\s+(?:the\\s+(?:wing|lot|top|whole\\s+(?:lot|wing))|it\\s+all|everything|all\\s+of\\s+it)(?=\\s*(?:[.;,]|$))`,
    "topping: $1",
  ),

  // “Pull over the turkey and secure”
  said(
    ["over the"],
    `${BEGINNING}(pull|fold|draw|lay|bring)\\s+over\\s+the\\s+((?:[\\p{L}-]+\\s+)?(?!body|back|thorax|top|abdomen|eyes?|bead|hook|wing\\b|head|fly)[\\p{L}-]+)(?=\\s*(?:[,.;]|$)|\\s+and\\s+(?:secure|tie|hold|trap|bind|lock))`,
    "$1 the $2 over",
  ),
  said(
    ["the other way", "the opposite way", "the other direction", "the opposite direction"],
    "(?<=[,;]\\s*)(?:and\\s+)?(?:wind(?:ing)?|wrap(?:ping)?|going|go)\\s+(?:it\\s+)?(?:in\\s+)?the\\s+(?:other|opposite)\\s+(?:way|direction)(?:\\s+(?:to|from)\\s+the\\s+(?:body|thread|dubbing))?",
    "counter",
  ),
  said(
    ["to and fro", "back and forth", "backwards and forwards"],
    "(?:to\\s+and\\s+fro|back\\s+and\\s+forth|backwards?\\s+and\\s+forwards?)(?=\\s+(?:twice|three\\s+times|once|two\\s+times)(?!\\p{L}))",
    "there and back",
  ),

  // “Wind the rear one five turns, then the front one through it four turns”
  said(
    ["the front", "the other", "the second"],
    "(?<=\\b(?:wind|wrap|take)\\s+(?:the\\s+(?:first|rear|back)|one)(?!\\p{L})[^.;]*?)(?<=[,;\\p{L}\\d]\\s+)(?:and\\s+then|then|and)\\s+the\\s+(?:front|other|second)(?:\\s+(?:one|hackle|feather))?(?!\\s+(?:half|third))",
    "then wind the second",
  ),
  said(
    ["the front", "the other", "the second"],
    `${BEGINNING}(wind|wrap|take)\\s+(?:the\\s+(?:rear|back|first)(?:\\s+(?:one|hackle|feather))?|one(?:\\s+(?:hackle|feather))?)(?:\\s+(?:forwards?|first),?)?(?=\\s[^.;]*(?:then|and)\\s+(?:wind\\s+)?the\\s+(?:front|other|second)(?!\\s+(?:half|third|of)))`,
    "$1 the first",
  ),

  // “Strip 5 mm off the end of the chenille and tie it in by the core”: the piece is longer than that.
  said(
    ["off the end of", "from the end of", "to bare the core", "to expose the core"],
    `${BEGINNING}(?:strip|clear|pull)\\s+(?:(?:about\\s+)?\\d+(?:[.]\\d+)?\\s*mm|the\\s+(?:fuzz|pile|fluff)|the\\s+first\\s+\\d+\\s*mm|a\\s+bit)\\s+(?:off|from)\\s+the\\s+end\\s+of\\s+((?:the\\s+|an?\\s+)?(?:piece\\s+of\\s+|length\\s+of\\s+)?(?:\\p{L}+\\s+){0,3}chenille),?\\s+(?:and\\s+)?tie\\s+it\\s+in`,
    "tie in $1",
  ),
  said(
    ["fluffy tip", "soft tip", "fluffy end"],
    "(?<=\\bthe\\s+)(?:fluffy|soft)\\s+(?=(?:tips?|ends?)\\s+of\\s+(?:an?|one|two)(?!\\p{L}))",
    "",
  ),

  said(
    ["spun"],
    "(?<=^\\W*(?:collar|head|hackle|collar\\s+and\\s+head|head\\s+and\\s+collar)\\s*[:=–-]\\s*)spun(?:\\s+and\\s+(?:clipped|packed|trimmed))?\\s+((?:\\p{L}+\\s+){0,2}?(?:deer|elk|caribou|roe|antelope)(?:\\s+(?:body\\s+)?hair)?)(?!\\p{L}|\\s+in\\b)",
    "$1, spun",
  ),

  // “A bunch of olive over it, the same length”: of what was tied in before, in that colour.
  {
    has: ["bunch of", "pinch of", "clump of", "tuft of"],
    written: new RegExp(
      `${BEGINNING}(?:(?:over|above|below|under)\\s+(?:it|that)[,\\s]+|on\\s+top(?:\\s+of\\s+(?:it|that))?[,\\s]+)?(?:an?\\s+|one\\s+)?(?:(?:small|good|sparse|large|thin|thick|slim)\\s+)?(?:bunch|pinch|clump|tuft)\\s+of\\s+(\\p{L}+)(?=\\s*(?:[,;]|$)|\\s+(?:over|on\\s+top|under|below|above|behind|in\\s+front)(?!\\p{L}))`,
      "giu",
    ),
    // What goes into a loop is not tied in.
    as: (m) => (isHue(m[1] ?? "") && !/\bloop\b/i.test(m.input) ? [{ at: m.index, instead: 0, put: "tie in " }] : []),
  },

  // A body of silver tinsel is of flat, whatever else of that colour the fly has.
  said(
    ["tinsel"],
    "(?<=^\\W*(?:body|abdomen)\\s*[:=–-](?![^,;]*\\brib)[^;]*?)(?<!\\b(?:flat|oval|embossed|round|fine|medium|small|large|wide|narrow|ribbed|with|of|in|by)\\s+)(silver|gold|copper)\\s+tinsel(?!\\p{L}|\\s+(?:chenille|fritz|yarn|braid|tubing))",
    "flat $1 tinsel",
  ),
  // “Wing: brown squirrel hair, about 30”
  said(
    ["hair,", "hair tail,", "bucktail,", "squirrel,"],
    "(?<=^\\W*(?:wing|underwing|overwing|tail|topping)\\s*[:=–-][^;,]*\\b(?:hair|bucktail|squirrel),\\s+(?:about\\s+|some\\s+|roughly\\s+|ca\\.?\\s+)?)(\\d{1,3})(?=\\s*[,;])",
    "$1 hairs",
  ),

  // “Wind the hackle forward, then the tinsel through it, six turns”
  said(
    ["then the"],
    `(?<=${BEGINNING}(?:wind|wrap|palmer)\\s[^.;]*,\\s*(?:and\\s+)?)then\\s+the\\s+((?:\\p{L}+\\s+){0,2}?(?:wire|tinsel|oval|rib|floss|herl|twist|hackle|saddle))\\s+(?=(?:over|through|up|forwards?|back|down)(?!\\p{L}))`,
    "then wind the $1 ",
  ),
  said(["in a v"], "(?<!notched\\s+|cut\\s+)(?:tied\\s+)?in\\s+an?\\s+V(?:\\s+shape)?(?=\\s*(?:[,.;]|$))", "as a V"),

  said(
    ["tie in"],
    `tie\\s+in\\s+(?=(?:about\\s+)?${A_COUNT}\\s+(?:(?:touching|close|tight|open)\\s+)?(?:turns|wraps)\\s+of\\s)`,
    "wind ",
  ),
  said(["smear"], "smear(?:ed|ing)?(?=\\s+(?:it\\s+|them\\s+|that\\s+)?with\\s)", "coat"),

  said(
    ["at the tip", "at its tip", "at the butt"],
    "(?<=\\btied\\s+in\\s+)at(?=\\s+(?:the|its)\\s+(?:tips?|butts?)(?:\\s*(?:[,.;]|$)|\\s+(?:at|in|and)(?!\\p{L})))",
    "by",
  ),

  // “Cover it with flat silver tinsel”, over an underbody: that is the body.
  said(
    ["cover with", "cover it with", "cover this with", "cover that with", "cover the "],
    `${BEGINNING}cover(?:\\s+(?:it|this|that|(?:it|them)\\s+all|the\\s+(?:whole\\s+)?(?:underbody|body|wool|floss|yarn|lot)))?\\s+with(?=\\s+(?:\\p{L}+\\s+){0,3}(?:tinsel|foil|braid|floss|film)(?!\\p{L}))`,
    "body:",
  ),
  said(
    ["wax"],
    `${BEGINNING}wax\\s+(?:my\\s+|some\\s+)?((?!the\\s|my\\s)(?:\\p{L}+\\s+){1,2}(?:silk|thread))\\s+and\\s+(start|begin|attach)(?:\\s+(?:it|this))?(?=\\s)`,
    "$2 waxed $1",
  ),
  said(["is tied in"], "(?<=\\bthen\\s+)the\\s+(\\p{L}+)\\s+is\\s+tied\\s+in(?!\\p{L})", "tie in the $1"),
  said(["that's it", "that is it", "that's all"], "(?<=^\\W*)that(?:'s|\\s+is)\\s+(?:it|all)[,.:;]\\s+(?=\\p{L})", ""),

  // “Body: 2 turns red floss at the bend, then peacock herl”: so few turns at its rear are a butt.
  said(
    [" turns"],
    "(?<=^\\W*)(?:body|abdomen)\\s*[:=–-]\\s*((?:2|3|two|three|an?|one)\\s+turns?)\\s+(?:of\\s+)?((?:\\p{L}+\\s+){0,2}(?:floss|tinsel|silk|wool|yarn|chenille|herl))(?:\\s+at\\s+(?:the\\s+)?(?:bend|rear))?(?:,\\s*|\\s+)(?:(?:and\\s+)?then|followed\\s+by)\\s+",
    "butt: $1 of $2; body: ",
  ),

  // “3 herls tied in by the tips, twisted into a rope with the thread and wound to the wing”
  said(
    ["tied in"],
    "(?<=^\\W*[^.;:]*\\btied\\s+in\\b[^.;:]*?),?\\s+(?:and\\s+|then\\s+)*(?:twisted|spun)(?:\\s+into\\s+a\\s+rope)?(\\s+(?:with|a?round)\\s+the\\s+thread)?,?\\s+(?:and|then)\\s+(?:then\\s+)?(?:wound|wrapped)(?=\\s+(?:forwards?|up|on|to|over)(?!\\p{L}))",
    ", twist them$1 and wind them",
  ),
  said(
    ["and wound", "then wound", "and wrapped", "then wrapped", "and then wound"],
    "(?<=^\\W*[^.;:]*(?<!\\b(?:twisted|spun)\\b[^.;:]*)\\btied\\s+in\\b(?![^.;:]*\\b(?:twisted|spun)\\b)[^.;:]*?),?\\s+(?:and|then)\\s+(?:then\\s+)?(?:wound|wrapped)(?=\\s+(?:forwards?|up|on|to|over)(?!\\p{L}))",
    " and wind them",
  ),
  said(
    ["wind that", "wrap that"],
    "(?<=\\b(?:and|then)\\s+)(wind|wrap)\\s+that(?=\\s+(?:up|forwards?|on|to|over)(?!\\p{L}))",
    "$1 it",
  ),
  said(
    ["over it", "over that", "on top"],
    `(?<=^(?=\\W*(?:on\\s+top\\s+)?(?:an?\\s+)?(?:bunch|clump|wing)\\b)[^;]*,?)\\s+and\\s+((?:${A_COUNT})\\s+(?:strands\\s+of\\s+)?(?:\\p{L}+\\s+){0,2}herls?)\\s+(?:over|on\\s+top\\s+of)\\s+(?:it|that)(?=\\s*(?:[,.;]|$))`,
    "; top it with $1",
  ),
  said(
    ["one of black", "one of clear", "one of red", "one of uv", "one of resin", "another of black", "one of the black"],
    `(?<=\\b(?:${A_COUNT})\\s+coats?\\s+of\\s+(?:\\p{L}+\\s+)?(lacquer|varnish|cement|head\\s+cement|resin)\\s+)and\\s+(?:one|another|1|a\\s+last\\s+one|a\\s+third)\\s+of\\s+(?:the\\s+)?(black|clear|red|brown|olive|white|green|blue|yellow|orange)(?=\\s*(?:[,.;]|$))`,
    "then one coat of $2 $1",
  ),
  said(
    ["into the slot", "in the slot"],
    "(?<=\\b(?:bead|wire|lead|turns|wraps)\\b[^.;]*)\\s+into\\s+(?:its|the)\\s+slot(?=\\s*(?:[,.;]|$))",
    ", pushed into the bead",
  ),
  said(["jam "], `${BEGINNING}jam(?=\\s+(?:${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s)`, "wind"),
  said(
    ["ostrich tips", "emu tips"],
    "(?<=\\b(?:\\d{1,2}|two|three|four|five|six)\\s+(?:\\p{L}+\\s+)?(?:ostrich|emu))\\s+tips(?!\\p{L})",
    " herls",
  ),
  said(
    ["half and half"],
    "(?<=^\\W*)mix\\s+(\\p{L}[^.;,\\d]{2,30}?)\\s+and\\s+(\\p{L}[^.;,\\d]{2,30}?),?\\s+(?:half\\s+and\\s+half|in\\s+equal\\s+parts|half\\s+of\\s+each)[,;]?\\s+(?:(?:and|then)\\s+)*dub\\s+(?:it|this|that)(?!\\p{L})",
    "dub $1 and $2 half and half,",
  ),
  said(
    ["mix "],
    "(?<=^\\W*)mix\\s+(?=\\p{L}[^.;,\\d]{2,30}?\\s+and\\s+\\p{L}[^.;,\\d]{2,30}?,?\\s+(?:half\\s+and\\s+half|in\\s+equal\\s+parts|half\\s+of\\s+each),?\\s+(?:(?:and|then)\\s+)*dub\\s+(?:an?|the)\\s)",
    "take ",
  ),
  said(
    ["laid in", "put in", "set in"],
    "(?<=\\bloop\\b[^.;]*\\bfib(?:re|er)s\\s+)(?:laid|put|set)\\s+in(?=\\s+\\d)",
    "",
  ),

  said(
    ["to the core"],
    `,?\\s+(?:and\\s+)?strip\\s+(?:off\\s+)?(?:(?:the\\s+)?(?:end|last)\\s+)?(?:(?:${A_COUNT}|\\d+(?:[.,]\\d+)?)\\s*(?:mm|cm)\\s+)(?:of\\s+it\\s+)?(?:down\\s+)?to\\s+the\\s+core(?=\\s*(?:[,.;]|$|and\\b))`,
    "",
  ),
  said(["and tie that in", "then tie that in"], "(?<=\\b(?:and|then)\\s+)tie\\s+that\\s+in(?!\\p{L})", "tie it in"),
  said(
    ["leave it behind", "leave them behind"],
    "(?<=\\b(?:and|then)\\s+)leave\\s+(it|them)\\s+behind(?=\\s*(?:[,.;]|$))",
    "leave $1 hanging",
  ),
  said(
    ["fibres leaning", "fibers leaning", "fibres sloping", "fibres swept"],
    "(?:with\\s+)?(?:the\\s+)?fib(?:re|er)s\\s+(?:leaning|sloping|swept|laid)\\s+back(?:wards?)?(?=\\s*(?:[,.;]|$))",
    "swept back",
  ),
  said(
    ["gets trapped", "is trapped", "get trapped"],
    "(?<=^\\W*[^.;:]*)\\s+(?:gets?|is|are)\\s+trapped(?:\\s+(?:along\\s+the\\s+way|on\\s+the\\s+way|as\\s+(?:i|we|you)\\s+go))?(?=\\s*(?:[.;]|$))",
    ", tie it in",
  ),
  // “Tan and orange mixed 3:1”, of what is dubbed
  {
    has: ["mixed "],
    written:
      /(?<=^\W*(?:dubbing|body|thorax)\s*[:=–-]\s*)(\p{L}+)\s+and\s+(\p{L}+),?\s+mixed\s+(\d)\s*(?:to|:|\/)\s*(\d)(?=\s*(?:[,.;]|$))/giu,
    as: (m) =>
      isHue(m[1] ?? "") && isHue(m[2] ?? "")
        ? inPlace(m, `${m[1] ?? ""} dubbing and ${m[2] ?? ""} dubbing mixed ${m[3] ?? ""}:${m[4] ?? ""}`)
        : [],
  },
  said(
    ["put in a split thread", "in a split thread", "into a split thread"],
    "(?:put|set|laid|placed)\\s+in(?:to)?\\s+(?=a\\s+split\\s+thread(?!\\p{L}))",
    "in ",
  ),

  said(
    ["butt end of", "tip end of", "thin end of", "butt of a", "tip of a"],
    "(?<=\\b(?:tie|bind|catch|lash)\\s+in\\s+)the\\s+(butt|tip|thin)(?:\\s+end)?\\s+of\\s+(an?\\s+(?:[\\p{L}-]+\\s+){0,3}(?:quill|herl|hackle|saddle|feather|biot|fibre|plume))(?!\\p{L})",
    "$2 by the $1",
  ),
  said(
    ["same below", "same under", "same beneath", "same on ", "same again", "same amount"],
    "(?:(?<=\\b(?:and|then)\\s+)(?:tie\\s+in|add|put|bind\\s+in)\\s+the\\s+same(?:\\s+(?:again|amount|thing))?|(?<=\\b(?:turn|flip)\\s+the\\s+hook(?:\\s+over)?[,;]\\s+(?:and\\s+|then\\s+)*)(?:tie\\s+in\\s+|add\\s+|put\\s+)?the\\s+same(?:\\s+(?:again|amount|thing))?)(?=\\s+(?:below|under(?:neath)?|beneath|on\\s+the\\s+(?:other\\s+side|bottom|underside))(?!\\p{L}))",
    "tie in the same again",
  ),
  said(
    ["wrap over the fold", "wind over the fold", "over the folds"],
    "(?:wrap|wind)\\s+over\\s+the\\s+folds?(?=\\s*(?:[,.;]|$|with\\b))",
    "tie them down",
  ),

  // “Strip one herl from the eye of a peacock tail”
  said(
    ["of a peacock", "of the peacock"],
    "(?<!peacock\\s+)(herls?)\\s+from\\s+(?:the|an?)\\s+eye\\s+(?:feather\\s+)?of\\s+(?:an?|the)\\s+peacock(?:'s)?(?:\\s+(?:tail|eye))?(?:\\s+feather)?(?!\\p{L})",
    "peacock $1",
  ),
  said(
    ["over each side", "over both sides"],
    `(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?)((?:${A_COUNT})\\s+(?:strands\\s+of\\s+)?(?:\\p{L}+\\s+){0,2}(?:herls?|sword|flash))\\s+over\\s+(each|both)\\s+sides?(?=\\s*(?:[,.;]|$))`,
    "over that $1 on $2 side",
  ),
  said(
    ["turns each side of", "turns either side of", "turns on each side of", "turns on either side of"],
    `(${A_COUNT})\\s+turns\\s+(?:on\\s+)?(?:each|either)\\s+side\\s+of\\s+the\\s+(foam|post|wings?|yarn|poly|bud)(?!\\p{L})`,
    "$1 turns behind the $2 and $1 in front of it",
  ),

  // “…, with 4 turns of yellow silk as a rib”
  said(
    ["as a rib", "for a rib", "as the rib", "for the rib"],
    `,?\\s+with\\s+((?:${A_COUNT})\\s+(?:open\\s+)?turns)\\s+of\\s+((?:\\p{L}+\\s+){0,3}(?:silk|thread|wire|tinsel|floss|mono))\\s+(?:as|for)\\s+(?:a|the)\\s+rib(?=\\s*(?:[,.;]|$))`,
    "; rib: $2, $1",
  ),

  // “Body in two halves, yellow floss then black fur”
  said(
    ["in two halves", "in two parts", "in two sections", "in two equal"],
    "(?<=^\\W*(?:the\\s+)?)(body|abdomen)\\s*[:,]?\\s*in\\s+two\\s+(?:equal\\s+)?(?:halves|parts|sections)\\s*[:,–-]\\s*((?:(?!then\\b|and\\b)[\\p{L}'-]+\\s+){0,3}(?!then\\b|and\\b)[\\p{L}'-]+),?\\s+(?:and\\s+)?then\\s+((?:[\\p{L}'-]+\\s+){0,3}[\\p{L}'-]+)(?=\\s*(?:[,.;]|$))",
    "$1: rear half $2, front half $3",
  ),
  said(
    ["between them", "between the two", "between the halves"],
    `(?<=^\\W*(?:the\\s+)?(?:body|abdomen)\\s*[:,]?\\s*in\\s+two\\s+(?:equal\\s+)?\\p{L}+\\s*[:,–-]\\s*(?:[\\p{L}'-]+\\s+){0,3}?([\\p{L}'-]+),?\\s+(?:and\\s+)?then\\s[^.;]*?),?\\s+with\\s+(${A_COUNT}|an?)\\s+(turns?)\\s+of\\s+((?:\\p{L}+\\s+){0,2}\\p{L}+)\\s+between\\s+(?:them|the\\s+(?:two|halves))(?=\\s*(?:[,.;]|$))`,
    "; $2 $3 of $4 in front of the $1",
  ),
];
