import { type Attitude, type Stance, stances } from "../../../recipe";
import { type Clause, type Said, clause, wholeOf, put, putWay } from "../../said";
import { map, seq, words, opt, match } from "../../parse";
import { count, type Count } from "../../text/count";
import { placeReached, absolute } from "../../text/place";
import { number } from "../../text/number";
import { lengthNamed } from "../../text/length";
import { stretched } from "../common";

export const attitudeOf = (w: string): Attitude =>
  w.startsWith("forward")
    ? "forward"
    : /^(?:down|under|below|beneath)/.test(w)
      ? "down"
      : w.startsWith("up")
        ? "up"
        : "back";

export const stanceOf = (w: string): Stance | undefined =>
  w === "roof"
    ? "tent"
    : w.startsWith("splayed")
      ? "splayed"
      : /^(?:split|divided|forked|separated|spread)/.test(w)
        ? "V"
        : w.startsWith("all") || w.startsWith("fully")
          ? "full round"
          : stances.find((x) => x.toLowerCase() === w.replace(/\s+/g, " "));

export const setBy = (by: string): string => by.trim().replace(/\s+/g, " ");

/** What holds it up: a dam of thread in front, of turns that nobody counts. */
export const DAM =
  "\\s+(?:with|by)\\s+(?:an?\\s+)?(?:(?:few|couple\\s+of|some|tight|firm|thread)\\s+)*(?:wraps|turns|dam)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?\\s+(?:tight\\s+|right\\s+|hard\\s+)?in\\s+front(?:\\s+of\\s+(?:it|them))?";

const wrapsOfOne = words(
  "(?:(?:tight|firm|thread)\\s+)*(?:wraps|turns)(?:\\s+of\\s+(?:the\\s+)?thread)?(?:\\s+(?:(?:for|on|at|in|to)\\s+)?each)?",
);
/** How many wraps hold each segment: “, 3 wraps each”, “, each bound with 4 wraps”. */
const eachSegment = map(
  seq(
    match(
      "\\s*[,(]?\\s*(?:with\\s+)?(?:each(?:\\s+(?:segment|section|one))?\\s*(?:(?:bound|held|tied|secured)\\s+(?:down\\s+)?(?:with|by)\\s+|of\\s+|:\\s*)?)?(?=\\d|[a-z])",
    ),
    count,
    wrapsOfOne,
  ),
  ([, n]) => n,
);
/** Of thread, where something is tied down and nobody counts them; docs/arithmetic.md, "Thread". */
const USUAL_WRAPS = 5;
function inSegments(s: Said, segments: Count, each: Count | undefined): boolean | void {
  const [n, wraps] = [wholeOf(segments)?.n, each && wholeOf(each)?.n];
  if (n === undefined || s.wraps !== undefined) return false;
  // Between two segments it is bound down as at its end.
  s.wraps = n * (wraps ?? USUAL_WRAPS);
}

export const howTied: Clause[] = [
  clause(
    "slid over the shank",
    words(
      "(?:slid|slipped|threaded|sleeved|pulled|pushed)\\s+(?:on(?:to)?|over)\\s+(?:the\\s+)?(?:whole\\s+)?(?:shank|hook|thread|underbody|weight|lead)|(?:slid|slipped)\\s+(?:on|over(?:\\s+it)?)(?=\\s*(?:[,.;]|$|and\\b))|(?<=\\b(?:tub(?:e|ing)|piping)\\b[^.;]{0,30}\\s)over\\s+the\\s+(?:whole\\s+)?(?:hook\\s+)?(?:shank|hook|underbody|weight|lead)",
    ),
    (s) => {
      if (s.from !== undefined) return false;
      // “4 cm of tubing” is the piece that is cut.
      const mm = s.shown && "mm" in s.shown ? s.shown.mm : undefined;
      if (mm !== undefined) {
        s.pieceMm ??= mm;
        delete s.shown;
      }
      Object.assign(s, { from: { eyeLengths: 1.5 }, to: { landmark: "bend" }, liesAlong: true });
    },
  ),
  clause(
    "bound down at both ends",
    words(
      "(?:and\\s+)?(?:tied|bound|secured|whipped)(?:\\s+(?:down|in|off))?\\s+(?:at\\s+)?(?:both\\s+ends|(?:each|either)\\s+end|the\\s+bend\\s+and\\s+(?:just\\s+)?(?:at|behind)\\s+the\\s+(?:eye|head))",
    ),
    () => undefined,
  ),
  clause(
    "secured with 3 turns",
    seq(
      words("(?:with|by|using)"),
      count,
      words(
        "(?:(?:tight|firm|good|more|thread|loose|soft|gathering)\\s+)*(?:turns?|wraps?)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?(?!\\s+(?:up|round|around)\\s+(?:the|its)\\s+(?:base|root|foot|post)\\b)",
      ),
    ),
    (s, [, c]) => {
      const n = wholeOf(c)?.n;
      if (n === undefined || s.wraps !== undefined) return false;
      s.wraps = n;
    },
  ),
  clause(
    "four firm turns",
    seq(
      count,
      words("(?:firm|tight|good|hard|loose|soft)\\s+(?:turns|wraps|ones)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?"),
    ),
    (s, [c]) => {
      const n = wholeOf(c)?.n;
      if (n === undefined) return false;
      // “Two loose turns, then six tight ones”
      s.wraps = (s.wraps ?? 0) + n;
    },
  ),
  clause("tented", words("tented|tent-?\\s?shaped|roofed"), put({ stance: "tent" })),
  clause(
    "in four segments, 3 wraps each",
    seq(
      words(
        "(?:(?:segmented|divided|tied|bound|secured|lashed)\\s+)?(?:down\\s+)?(?:with\\s+(?:the\\s+)?thread\\s+)?in(?:to)?",
      ),
      count,
      words("(?:thread\\s+)?(?:segments|sections|humps|steps|places|bands)"),
      opt(eachSegment),
    ),
    (s, [, segments, , each]) => inSegments(s, segments, each),
  ),
  clause(
    "pulled over the thorax",
    words(
      "(?:pulled|folded|drawn|brought|laid)\\s+(?:flat\\s+)?over\\s+(?:the\\s+)?(?:whole\\s+)?(?:thorax|body|abdomen|legs)",
    ),
    (s) => void (s.attitude ??= "over"),
  ),
  clause(
    "butts bound down to the weight",
    seq(
      words(
        "(?:and\\s+)?(?:wrap|bind|tie|lash|wind)(?:ped|s)?\\s+(?:down\\s+(?:over\\s+)?)?(?:the\\s+)?(?:butts?|ends?|butt\\s+ends)(?:\\s+down)?\\s+(?:up\\s+to|back\\s+to|forward\\s+to|to|as\\s+far\\s+as)|(?:the\\s+|with\\s+(?:the\\s+)?|its\\s+)?butts?\\s+(?:laid\\s+|lying\\s+|running\\s+|going\\s+)?(?:forwards?|along(?:\\s+the\\s+shank)?)\\s+(?:up\\s+)?(?:to|as\\s+far\\s+as)",
      ),
      placeReached,
      opt(
        words(
          "so\\s+(?:that\\s+)?the\\s+body\\s+(?:stays|is|lies|will\\s+be)\\s+(?:level|even|smooth)|to\\s+(?:level|even\\s+out|smooth)\\s+the\\s+(?:body|shank|underbody)|to\\s+(?:keep|make)\\s+(?:the\\s+(?:body|shank|underbody)|it)\\s+(?:level|even|smooth)",
        ),
      ),
    ),
    (s, [, p]) => {
      if (s.begin !== undefined || s.from !== undefined) return false;
      Object.assign(s, { from: p, to: { landmark: "bend" } });
    },
  ),
  clause(
    "bound in",
    words("counted\\s+when\\s+wound|bound\\s+in(?!\\s+(?:at|along|on))"),
    put({ countedWhenWound: true }),
  ),
  clause("by the stalk", match("by\\s+(?:the|its|their)\\s+(stalk|quill\\s+end|bare\\s+stem)s?"), (s) =>
    putWay(s, "hackle tied in", "butt"),
  ),
  clause(
    "left hanging",
    words(
      "(?:left|let|leave|most\\s+of\\s+it|butts?|ends?|tag)\\s+(?:them\\s+|it\\s+)?hang(?:ing)?(?:\\s+(?:back|behind|loose|down|out|(?:out|off|from|over)\\s+(?:(?:of|over)\\s+)?the\\s+(?:back|bend|rear|end)))*|hanging\\s+(?:back|off)(?:\\s+(?:behind|over)\\s+the\\s+(?:bend|hook|tail))?",
    ),
    put({ hanging: true }),
  ),
  clause(
    "2 times as much taken",
    seq(opt(words("take")), number, words("times\\s+as\\s+much(?:\\s+taken)?")),
    (s, [, overTake]) => {
      if (!(overTake >= 1)) return false;
      s.overTake = overTake;
    },
  ),
  clause(
    "butts trimmed by 12 mm",
    seq(words("butts?\\s+(?:trimmed|cut)"), opt(words("by|back\\s+by")), absolute),
    (s, [, , trimMm]) => void (s.trimMm = trimMm),
  ),
  clause(
    "4 mm free",
    seq(
      words("leav(?:e|ing)|with|and"),
      lengthNamed,
      opt(words("of\\s+it")),
      words(
        "(?:hanging\\s+|sticking\\s+)?(?:free|in\\s+front|out\\s+(?:of\\s+)?(?:the\\s+)?front|over\\s+the\\s+eye|past\\s+the\\s+eye|behind|beyond|loose|over)(?:\\s+(?:behind|in\\s+front))?(?:\\s+for\\s+(?:a|the)\\s+\\w+)?",
      ),
    ),
    (s, [, free]) => void (s.free = free),
  ),
  clause(
    "leaving a 3 mm head",
    seq(
      words("(?:and\\s+)?leav(?:e|ing)\\s+(?:an?\\s+)?"),
      absolute,
      words("(?:(?:foam|long|short)\\s+)?(?:heads?|lips?|stubs?|tags?)(?=\\s*(?:[,.;]|$|and\\b|in\\s+front))"),
    ),
    (s, [, mm]) => void (s.free = { mm }),
  ),
  clause(
    "leaving a bubble 2 mm high",
    seq(
      words("leav(?:e|ing)\\s+an?\\s+(?:[a-z]+\\s+)?(?:bubble|hump|bump|loop|bow|arch)(?:\\s+of)?"),
      lengthNamed,
      opt(words("high|tall")),
    ),
    (s, [, free]) => void (s.free = free),
  ),
  clause(
    "4 mm left free",
    seq(lengthNamed, words("(?:left\\s+|hanging\\s+)free(?:\\s+(?:behind|in\\s+front|beyond\\s+it))?")),
    (s, [free]) => void (s.free = free),
  ),
  clause(
    "tips levelled by hand",
    words(
      "(?:tips?\\s+)?(?:evened|levelled|leveled|aligned)(?:\\s+tips?)?(?:\\s+up)?\\s+(?:by\\s+hand|in\\s+the\\s+(?:hand|fingers))",
    ),
    (s) => putWay(s, "tips", "by hand"),
  ),
  clause(
    "tips left natural",
    words(
      "(?:natural|staggered|uneven)\\s+tips|tips\\s+(?:left\\s+)?(?:natural|uneven|staggered)|(?:(?:the\\s+)?tips\\s+(?:are\\s+)?)?not\\s+(?:stacked|evened(?:\\s+up)?|even|aligned|level(?:led)?)|unstacked",
    ),
    (s) => putWay(s, "tips", "natural"),
  ),
  clause(
    "torn off square",
    words(
      "(?:torn|stripped|pulled)\\s+(?:off\\s+)?(?:square(?:ly)?|at\\s+right\\s+angles)(?:\\s+(?:off|from)(?:\\s+the\\s+stem)?)?|(?:torn|pulled)\\s+(?:off|from)(?:\\s+the)?\\s+stem",
    ),
    (s) => putWay(s, "fibre ends", "torn"),
  ),
  clause("cut from the stem", words("cut\\s+(?:off|from)(?:\\s+the)?\\s+(?:stem|feather)"), (s) =>
    putWay(s, "fibre ends", "cut"),
  ),
  clause("measured by eye", words("(?:measured\\s+|judged\\s+)?by\\s+eye"), (s) => putWay(s, "fibre dose", "eye")),
  clause("counted out", words("counted(?:\\s+out|\\s+off)?(?!\\s+when)"), (s) => putWay(s, "fibre dose", "count")),
  clause(
    "tips stacked",
    words(
      "(?:tips?\\s+)?(?:stacked|evened|levelled|leveled|aligned)(?:\\s+tips?)?|tips\\s+(?:even|level|together|aligned)(?!\\s+with)",
    ),
    (s) => putWay(s, "tips", "stacked"),
  ),
  clause(
    "over its whole length",
    words(
      "over\\s+(?:its|the)\\s+(?:whole|full|entire)\\s+length(?:\\s+of\\s+the\\s+loop)?|along\\s+(?:all\\s+of\\s+)?the\\s+loop",
    ),
    () => undefined,
  ),
  clause(
    "to the post",
    words(
      "(?<=\\b(?:tie|bind|lash|attach|fix|secure|tied|bound)\\s+(?:(?:it|them|this|in|on)\\s+)*)to\\s+the\\s+(?:wing\\s+)?post(?=\\s*(?:[,.;]|$|with\\b|by\\b|and\\b))",
    ),
    (s) => {
      if (s.there !== undefined) return false;
      s.there = { part: "wing", end: "rear" };
    },
  ),
  clause(
    "in the same place",
    words("(?:in|at)\\s+(?:exactly\\s+)?(?:the\\s+)?same\\s+(?:place|spot|point)"),
    () => undefined,
  ),
  stretched,
  clause(
    "wraps round the root",
    words("(?:round|around)\\s+(?:its|the|their)\\s+(?:base|root|foot)"),
    (s) => void (s.setBy ??= "wraps at the root"),
  ),
  clause(
    "where it is held",
    words("where\\s+(?:it|the\\s+\\w+)\\s+(?:is|was)\\s+(?:held|tied\\s+down|bound\\s+down|secured)"),
    () => undefined,
  ),
  clause(
    "by the tips",
    match(
      "(?:tied\\s+(?:in|on)\\s+)?by\\s+(?:(?:the|its|their)\\s+|(?=(?:tip|butt)s?\\b))(tips?|butts?|ends?|stems?|(?:thin|narrow|pointed|tapered|cut|wide|fine)\\s+ends?|point)",
    ),
    () => undefined,
  ),
  clause(
    "along the shank",
    words(
      "(?:and\\s+)?(?:bound\\s+(?:down\\s+)?|bind\\s+(?:it\\s+)?(?:down\\s+)?|laid\\s+)?(?:in\\s+)?(?:all\\s+)?along\\s+(?:the\\s+)?(?:top\\s+of\\s+the\\s+|side\\s+of\\s+the\\s+|whole\\s+|full\\s+length\\s+of\\s+the\\s+)?(?:hook\\s+)?(?:shank|body)",
    ),
    (s) => {
      if (s.from !== undefined) return false;
      s.laid = { from: { fraction: 0.3 }, to: { landmark: "bend" } };
    },
  ),
];

/** A direction alone, of what is pulled or laid over. */
export const wayAlone = clause(
  "back",
  match("(forwards?|back(?:wards)?(?!\\s+to\\s+back)|rearwards)(?=\\s*(?:[,.;]|$|(?:and|so|over|to|until|then)\\b))"),
  (s, [w]) => {
    if (s.way !== undefined) return false;
    s.way = w?.startsWith("f") ? "forward" : "back";
  },
);
