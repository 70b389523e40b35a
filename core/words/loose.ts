import { beginningAt, clausesOf } from "./clauses";
import { amountOf } from "./clauses/lay";
import { nounOfCount } from "./counted";
import { map, match, opt, seq, skipBlanks as skip, words } from "./parse";
import { length } from "./text/length";
import { number } from "./text/number";
import type { Told } from "./told";

const looseRead = match(
  "((?:a\\s+|an\\s+)?(?:couple(?:\\s+of)?|few|several|pinch|touch|whisper|hint|bit|wisp|tuft|sprig|bunch|clump|bundle|brush(?=\\s+of\\s+(?!fib|flash))|(?<=\\b(?:an?|the|another)\\s+)stack(?=\\s+of\\b)|little(?!\\s+(?:bunch|pinch|clump|tuft|bundle|head|collar|ball|bump|thorax|tail|wing|hackle|gap|space|dam|loop|noodle|butt|tag)\\b)|(?:(?:slightly|fairly|rather|very|much)\\s+)?(?:small|little|tiny|smaller|larger|thinner|sparser|big|large|fat|thick|fair|healthy|decent|modest|thin|slim)\\s+(?:bunch|pinch|amount|clump|stack|bundle|wisp)|good\\s+(?:bunch|pinch|few|clump)|sparse\\s+(?:bunch|wisp|pinch)|generous\\s+(?:bunch|pinch|clump)|plenty|some(?!\\s+\\d))(?:\\s+of)?)",
);
const looseNumber = map(
  seq(words("\\("), number, opt(match("(?!mm\\b|cm\\b)([a-z]+)")), words("\\)")),
  ([, n, noun]) => ({
    n,
    noun: noun?.[0],
  }),
);
const looseSize = map(seq(words("\\("), length, words("\\)")), ([, l]) => l);
const looseNoun = match(
  "(?:(?:stiff|soft|long|short|fine|good|nice|single|webby)\\s+)*(fibres?|fibers?|herls?|barbs?|strands?|turns?|feathers?|pieces?|wraps?|hairs?|layers?)",
);
/** “A few fibres”, “a pinch (3)”: words that are another number to each tier, with the figure beside them. */
export function looseAt(told: Told, text: string, at: number): number | undefined {
  const found = looseRead(text, at);
  if (!found || told.kind === "act" || coupleOfMm(text, at)) return undefined;
  if (told.kind === "glue" && /\btouch\b/.test(found.value[0] ?? "")) return undefined;
  // “Wipe a bit of superglue on”: a liquid is reckoned by drops and coats, and what is usual is one.
  if (told.kind === "glue" && /\b(?:bit|little|some)\b/.test(found.value[0] ?? "")) {
    told.understood.push({ at, end: found.end });
    return found.end;
  }
  // “A bit of dark hare”: of what is dubbed it counts nothing, and it is dubbed as usual.
  if (told.kind === "dress" && /^a\s+(?:little\s+)?bit\s+of\b/.test(text.slice(at, found.end))) {
    told.understood.push({ at, end: found.end });
    return found.end;
  }
  // “flared a little”: how, not how many.
  if (/^an?\s+(?:bit|little|touch)$/.test(found.value[0] ?? "") && /^\s*(?:[,.;)]|$)/.test(text.slice(found.end))) {
    told.kept.push({ at, end: found.end });
    return found.end;
  }
  // “some black dubbing”: of dubbing nothing is counted.
  if (told.kind === "dress" && /^some\b/.test(text.slice(at, found.end))) return skip(text, found.end);
  // “some black chenille”: of what is wound it is no count.
  if (ofStrand.test(text.slice(at, found.end + MOST_WORDS_AHEAD))) return skip(text, found.end);
  const words = text.slice(at, found.end).trim();
  const after = skip(text, found.end);
  const numbered = looseNumber(text, after);
  if (numbered) {
    const noun = numbered.value.noun ?? looseNoun(text, skip(text, numbered.end))?.value[0];
    const end =
      numbered.value.noun === undefined && noun !== undefined
        ? (looseNoun(text, skip(text, numbered.end))?.end ?? numbered.end)
        : numbered.end;
    // “A small bunch (10)”: so many fibres.
    if (putLoose(told, numbered.value.n, noun ?? nounAhead(words, text.slice(numbered.end)))) {
      told.understood.push({ at, end });
      return end;
    }
  }
  // “couple of turns (2)”
  const named = looseNoun(text, after);
  const behind = named && looseNumber(text, skip(text, named.end));
  if (named && behind && putLoose(told, behind.value.n, named.value[0])) {
    told.understood.push({ at, end: behind.end });
    return behind.end;
  }
  // “a sparse bunch (2 mm) of deer hair”
  const of = ofIt(text, after);
  const thick = looseSize(text, of ? skip(text, of.end) : after);
  if (thick && told.kind === "lay") {
    told.said.amount = { clump: thick.value };
    told.understood.push({ at, end: thick.end });
    return thick.end;
  }
  // “a small clump of 2 mm”, “a bit longer than the tail” say their size themselves.
  // “a little way round the bend”
  if (/\b(?:bit|little)\b/.test(words) && /^\s*way\b/.test(text.slice(after))) return undefined;
  if (/\b(?:bit|little|touch)\b/.test(words) && (length(text, at) || fuller(text, after))) return undefined;
  if (beginningAt(clausesOf[told.kind], text, at).some((c) => (c.take({}, text, at) ?? 0) > found.end))
    return undefined;
  const noun = looseNoun(text, after);
  const end = noun?.end ?? found.end;
  told.loose.push({ at, end, words: words.replace(/\s+of$/, "").replace(/\s+/g, " "), noun: noun?.value[0] ?? "" });
  return end;
}
/** “A small bunch (10)”, “a few (5) stiff grey fibres”: what is counted. */
const nounAhead = (words: string, behind: string): string | undefined =>
  isOfFibres.test(words)
    ? "fibres"
    : /^\s*(?:[\p{L}-]+\s+){0,3}?(fib(?:re|er)s|hairs|strands|barbs|herls)\b/u.exec(behind)?.[1];
const isOfFibres = /\b(?:bunch|clump|bundle|tuft|wisp|sprig|pinch)\b/;
const ofIt = words("of");
const MOST_WORDS_AHEAD = 40;
const ofStrand = /^some\s+(?:[\w-]+\s+){0,3}?(?:chenille|wire|tinsel|floss|yarn|wool|braid|mono|thread|silk)\b/;
const coupleOfMm = words("an?\\s+couple\\s+of\\s+(?:mm|millimet\\w+|eyes?)");
/** “a little fuller” is no number of anything. */
const fuller = words(
  "(?:more|less|fuller|thicker|thinner|slimmer|shorter|longer|fatter|wider|smaller|larger|heavier|lighter|looser|tighter)",
);
function putLoose(told: Told, n: number, noun: string | undefined): boolean {
  if (told.kind === "wind" || told.kind === "whip") {
    if (told.kind === "whip") told.said.turns = n;
    else if (noun === undefined || /^(?:turn|wrap)/.test(noun)) told.said.rule = { ...told.said.rule, turns: n };
    else return false;
    return true;
  }
  if (told.kind !== "lay") return false;
  const by = nounOfCount.find(([pattern]) => pattern.test(noun ?? ""))?.[1];
  if (by) return amountOf(told.said, { n }, by);
  told.said.count = n;
  return true;
}
