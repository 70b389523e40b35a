import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT } from "../../number";
import { BEGINNING, said } from "./said";

const TO_THERE =
  "(?=\\s+(?:(?:all\\s+the\\s+way|down|back|on|along)\\s+)*to\\s+(?:just\\s+)?(?:the\\s+|above\\s+|over\\s+|opposite\\s+|behind\\s+)*(?:hook\\s+)?(?:bend|barb|point)(?!\\p{L}))";
const STRAND =
  "(?:wire|tinsel|oval|mylar|floss|silk\\s+floss|yarn|wool|chenille|herls?|quill|biot|strip|film|raffia|foam|fib(?:re|er)s|hairs?|strands?|rib(?:bing)?(?:\\s+(?:wire|material|tinsel))?|stems?|stalks?|tail)";
const WASTE = "(?:(?:tag|waste|loose|trimmed|cut|short|butt)\\s+ends?|ends?|tags?|stubs?|waste|stumps?)";
const GOES_TO =
  "(?=\\s+(?:(?:all\\s+the\\s+way|right|back|down|forwards?|up|on|along|in\\s+(?:touching|close|tight|neat)\\s+turns)\\s+)*(?:to|until|as\\s+far\\s+as|towards|into|round)\\s)";
const THEN = "(?<=(?:^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+)(?:(?:and|then|now|next)[\\s,]+)*|\\b(?:and|then)\\s+)";
/** Where the thread begins, and where it goes. */
export const threads: readonly Rule[] = [
  // “Tie in the wire behind the eye and wrap back over it to the bend”: the thread.
  said(
    ["over it", "over them", "over the", "over this"],
    `${THEN}(?:wrap|wind|whip|lash|come|go|run)\\s+(?:(?:back|forwards?|down|up|along)\\s+)*over\\s+(it|them|this|(?:the|this)\\s+(?:\\p{L}+\\s+){0,2}?${STRAND})${GOES_TO}`,
    "take the thread over $1",
  ),
  // “Wrap over the tag ends to the bend”
  said(
    ["over the", "over its", "over their", "down the", "down its", "down their"],
    `${THEN}(?:(?:wrap|wind|whip|lash|come|go|run|work)\\s+(?:(?:back|forwards?|down|up|along)\\s+)*over|(?:bind|lash|tie)\\s+down)\\s+(?:the|its|their|all\\s+the)\\s+(?:\\p{L}+\\s+)?${WASTE}(?:\\s+(?:back|forwards?|up|down))*${GOES_TO}`,
    "bind the butts down",
  ),
  // “Take the thread to the bend, binding down the wire as you go”
  said(
    ["binding", "trapping", "covering", "catching", "lashing", "securing"],
    `(?<=(?:^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+|\\b(?:and|then)\\s+)((?:take|run|wind|wrap|bring|work)\\s+(?:the\\s+|your\\s+)?(?:thread|silk))\\b([^.;]*?)),?\\s+(?:and\\s+)?(?:binding|trapping|covering|catching|lashing|securing)\\s+(?:(?:down|in|up)\\s+)?(it|them|(?:the|this)\\s+(?:\\p{L}+\\s+){0,2}?${STRAND})(?:\\s+(?:down|in|under|underneath|beneath(?:\\s+it)?))?(?:\\s+as\\s+(?:you|i|we)\\s+go)?(?=\\s*(?:[,.;]|$))`,
    " over $3",
  ),
  // “I'll start about a third of the way back”: the thread.
  said(
    ["start"],
    "(?<=^\\W*(?:(?:i|we)(?:'ll|\\s+will)?\\s+|so\\s+|now\\s+|then\\s+)*)start(?=\\s+(?:about\\s+|just\\s+)?(?:(?:an?|one)\\s+(?:third|quarter|half)|half|in\\s+the\\s+middle|at\\s+(?:mid|the\\s+middle))(?!\\p{L}))",
    "start the thread",
  ),
  // “70 den olive; 2.3 mm gold bead; …”
  said([" den", "/0"], "(?<=^\\W*)(?=(?:\\d{2,3}\\s*den(?:ier)?|\\d{1,2}/0)\\s+\\p{L}+\\s*;)", "thread: "),
  // “Tan 8/0 starts in the middle and goes back to the bend”
  said(
    ["starts"],
    "(?<=^\\W*)((?:the\\s+)?(?:\\p{L}+\\s+){0,2}(?:\\d{1,2}\\/0|thread|silk)(?:\\s+thread)?)\\s+starts(?=\\s+(?:in|at|behind|just|one|two|a|\\d)(?!\\p{L}))",
    "start $1",
  ),
  said(
    ["goes back", "goes down"],
    "(?<=^\\W*(?:the\\s+)?(?:\\p{L}+\\s+){0,2}(?:\\d{1,2}\\/0|thread|silk)(?:\\s+thread)?\\s+starts\\b[^.;]*\\band\\s+)goes(?=\\s)",
    "go",
  ),
  {
    has: ["over the lead", "over the wire", "over the weight"],
    written: new RegExp(
      `${BEGINNING}(?:the\\s+)?(?:((?!tie\\b|with\\b|wind\\b|wrap\\b|take\\b|run\\b|bring\\b)\\p{L}+)\\s+)?(?:thread|silk)\\s+(?:back\\s+|down\\s+)?(?:over\\s+the\\s+(lead|wire|weight)\\s+(?:and\\s+)?(?:back\\s+|down\\s+|on\\s+)?to\\s+the\\s+(bend|barb|point)|to\\s+the\\s+(bend|barb|point),?\\s+over\\s+the\\s+(lead|wire|weight))(?=\\s*(?:[,.;]|$))`,
      "giu",
    ),
    // Which thread it is comes first, where that is told there.
    as: (m) =>
      inPlace(
        m,
        `${m[1] ? `thread: ${m[1]}; ` : ""}cover the ${m[2] ?? m[5] ?? ""} with thread and go to the ${m[3] ?? m[4] ?? ""}`,
      ),
  },
  said(
    ["halfway back", "half way back"],
    "(?<=\\bto\\s+(?:(?:over|above|just|opposite)\\s+)*the\\s+(?:bend|barb|point)\\s+and\\s+)half-?\\s?way\\s+back(?=\\s*(?:[,.;]|$))",
    "back half way",
  ),
  said(["/0)"], "(?<=^\\W*(?:tying\\s+)?(?:thread|silk)\\s*[:=–-]\\s*(?:\\p{L}+\\s+){1,2})\\((\\d{1,2}\\/0)\\)", "$1"),
  said(["/0)"], "(?<=^\\W*)(thread|silk)\\s*\\((\\d{1,2}\\/0)\\)\\s*[:=]", "$1: $2"),
  said(["/0"], "(?<=\\bthread\\s+)in\\s+(?=\\d{1,2}\\/0)", ""),
  // “Tie the thread on, and …”
  said(
    ["thread on", "silk on", "on the thread", "on the silk", "on your thread", "on your silk"],
    `${BEGINNING}(?:(?:tie|catch|lash|get|put|hitch|wind)\\s+(?:the|your)\\s+(?:tying\\s+)?(thread|silk)\\s+on|(?:lash|hitch)\\s+on\\s+(?:the|your)\\s+(?:tying\\s+)?(thread|silk))(?=\\s*(?:[,.;]|$|(?:and|then)\\s)|\\s+(?:at|behind|near)\\s)`,
    "start the $1$2",
  ),
  said(
    [
      "the thread on",
      "on the thread",
      "thread starts",
      "silk starts",
      "tying",
      "anchor the",
      "fasten the",
      "thread begins",
      "the silk on",
      "on the silk",
    ],
    `${BEGINNING}(?:(?:catch|lock|put|get)\\s+the\\s+(?:thread|silk)\\s+on|(?:lay|hook|bind|lock|fasten)\\s+on\\s+the\\s+(?:thread|silk)|(?:anchor|fasten)\\s+the\\s+(?:thread|silk)|start\\s+tying|(?:the\\s+)?(?:thread|silk)\\s+(?:starts|begins))(?=\\s+(?:(?:just|right|close|directly|immediately)\\s+)?(?:behind|at|near|short\\s+of|next\\s+to|an?|one|two|${A_COUNT})(?!\\p{L}))`,
    "start the thread",
  ),
  said(["next to the"], "next\\s+to(?=\\s+the\\s+(?:hook\\s+)?eye(?!\\p{L}))", "near"),
  said(
    ["proceed", "move", "continue", "travel", "progress", "bind down", "head "],
    `(?<=\\b(?:and|then)\\s+|[,;]\\s+)(?:proceed|move|continue(?:\\s+it)?|travel|progress|bind\\s+down|head)${TO_THERE}`,
    "wind",
  ),
  said(
    ["walk the", "lead the", "send the", "guide the"],
    `${BEGINNING}(?:walk|lead|send|guide|march)(?=\\s+(?:the\\s+|your\\s+)?(?:thread|silk)\\s)`,
    "take",
  ),
  said(
    ["thread returns", "silk returns", "thread goes back"],
    "(?:the\\s+)?(thread|silk)\\s+(?:returns|goes\\s+back)(?=\\s+to\\s)",
    "return the $1",
  ),
  said(
    ["thread bed", "thread foundation", "base layer"],
    `${BEGINNING}(?:an?\\s+)?(?:thread\\s+(?:bed|foundation)|base\\s+layer\\s+of\\s+(?:thread|silk))(?=\\s+(?:to|from|down|back|over|along)\\s)`,
    "thread base",
  ),
  said(
    ["touching turns", "close turns"],
    `(?<=^\\W*)(?:in\\s+)?(touching|close)\\s+turns${TO_THERE}`,
    "thread in $1 turns",
  ),
  said(["bind the shank"], `${BEGINNING}bind(?=\\s+the\\s+(?:hook\\s+)?shank${TO_THERE})`, "cover"),
  said(
    ["thread half", "silk half", "thread up half", "to the centre", "to the center"],
    "(?<=^\\W*(?:then\\s+)?(?:the\\s+)?(?:thread|silk)\\s+)(?:(?:back\\s+|up\\s+)*half-?\\s?way(?:\\s+(?:forwards?|up|back|along)(?:\\s+the\\s+(?:shank|hook))?)?|up\\s+half\\s+(?:of\\s+)?the\\s+shank|(?:up\\s+|forward\\s+|back\\s+)*to\\s+the\\s+cent(?:re|er))(?=\\s*(?:[,.;]|$))",
    "to the middle of the shank",
  ),
  said(["thread used"], "(?<=^\\W*)thread\\s+used(?=\\s*[:=])", "thread"),
  said(["bobbin"], "(?<=^\\W*)bobbin(?=\\s*[:=])", "thread"),
  said(
    ["tie with"],
    "(?<=^\\W*)tie\\s+with\\s*:?(?=\\s+(?:the\\s+)?(?:\\p{L}+\\s+)?(?:\\d{1,2}\\/0|\\d{2,3}\\s*d(?:en)?|(?:\\p{L}+\\s+)?(?:thread|silk))(?!\\p{L}))",
    "thread:",
  ),
  // A ball of thread is filled up to so much.
  said(
    ["ball of", "thread ball"],
    "(?<=^\\W*(?:thorax|head)\\s*[:=–-]\\s*(?:[\\p{L}-]+\\s+){0,2}thread,?\\s+)(?:an?\\s+)?ball\\s+of\\s+(\\d+(?:[.,]\\d+)?\\s*mm)(?=\\s*(?:[,.;]|$))",
    "filled to $1",
  ),
  said(
    ["thread ball"],
    "(?<=^\\W*(?:thorax|head)\\s*[:=–-]\\s*(?:[\\p{L}-]+\\s+){0,2}thread)\\s+ball(?=\\s*,\\s+(?:\\d|twice|as\\s|half|one\\s))",
    "",
  ),
  said(
    ["in a ball", "as round as a ball", "like a ball"],
    "(?<=\\bthread(?!\\p{L})[^;.]*?),?\\s+(?:in|like|as\\s+round\\s+as)\\s+an?\\s+ball(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(["cover hook", "cover shank"], "(?<=^\\W*)cover\\s+(?=(?:hook|shank)\\s+with\\s)", "cover the "),

  said(
    ["bare silk", "bare thread"],
    "(?<=^\\W*head\\s*(?:[:=–-]|of|is)\\s*)(?:of\\s+)?bare\\s+(silk|thread)(?=\\s*(?:[,.;]|$))",
    "the $1",
  ),
  said(
    ["goes on at", "goes on behind", "goes on just", "goes on in"],
    "(?<=^\\W*)((?:the\\s+)?(?:\\p{L}+\\s+){0,2}(?:\\d{1,2}\\/0|\\d{2,3}\\s*d(?:en(?:ier)?)?|thread|silk)(?:\\s+thread)?)\\s+goes\\s+on(?=\\s+(?:at|behind|just|in)\\s)",
    "start $1",
  ),
  said(
    ["and i run it", "and we run it", "then i run it"],
    "(?<=\\b(?:and|then)\\s+)(?:i|we)\\s+(?=(?:run|take|wind|wrap)\\s+it\\s)",
    "",
  ),
  said(
    ["goes on down to", "goes on back to"],
    "(?<=^\\W*(?:the\\s+)?(?:silk|thread)\\s+)goes\\s+on(?=\\s+(?:down|back)\\s+to\\s)",
    "goes",
  ),

  // “Tie in oval tinsel under the shank, wrapping back to the bend”: the thread, over it.
  said(
    ["wrapping", "winding", "working", "going back", "going down", "whipping"],
    "(?<=(?:^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+)(?:(?:and|then|now|next)[\\s,]+)*(?:tie|bind|catch|lash|lay)\\s+(?:in|on|down)\\s[^.;]*?),?\\s+(?:wrapping|winding|whipping|working|going)(?:\\s+(?:the\\s+)?thread)?(?:\\s+(?:back|down|along|over\\s+(?:it|them)))+(?=\\s+(?:to|until|as\\s+far\\s+as|into|round)\\s)",
    " and take the thread over it",
  ),

  // “Start brown thread 70 behind the eye”
  said(
    ["thread 50", "thread 70", "thread 100", "thread 140", "thread 210", "silk 70"],
    "(?<=\\b(?:start|attach|tie\\s+on|begin)\\s+(?:with\\s+)?(?:the\\s+|an?\\s+)?(?:\\p{L}+\\s+){0,2}(?:thread|silk)\\s+)(50|70|100|140|210)(?=\\s+(?:behind|at|in|on|just|an?|one|two|half|and)\\s)",
    "$1 denier",
  ),
];
