import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT } from "../../number";

/** A rule that puts the same words wherever it holds; `$1` stands for what its first group found. */
export const said = (has: readonly string[], written: string, put: string): Rule => ({
  has,
  written: new RegExp(written, "giu"),
  as: (m) =>
    inPlace(
      m,
      put.replace(/\$(\d)/g, (_, group: string) => m[Number(group)] ?? ""),
    ),
});

const PIECES =
  "fib(?:re|er)s|hairs?|strands?|barbs|whisks|herls?|feathers?|hackles?|plumes?|tips|slips?|strips?|biots?|legs|bunch|clump|pinch|tuft|wisp|sprig|bundle";
/** Ahead of what is tied in: a count, and pieces a few words behind it; never what is wound, coated or strung. */
export const SOME_PIECES = `(?=\\s+(?:in\\s+|on\\s+|of\\s+)?(?:about\\s+|some\\s+)?(?:an?|${A_COUNT})\\s+(?:(?!turns\\b|wraps\\b|coats?\\b|drops?\\b|layers?\\b|thread\\b|silk\\b)[\\p{L}'-]+\\s+){0,4}(?:${PIECES})(?!\\p{L}))`;
/** Where a sentence begins. */
export const BEGINNING =
  "(?<=(?:^\\W*(?:\\d{1,2}[.)]\\s*)?|[.;,]\\s+)(?:(?:then|and|next|now|so|i|we|you|let's|what\\s+(?:i|you|we)\\s+do(?:\\s+(?:next|now|then|here))?\\s+is|(?:the\\s+)?next\\s+step\\s+is\\s+to|make\\s+sure\\s+(?:you|to)|can|need\\s+to|want\\s+to|just|always|usually|first\\s+of\\s+all|to\\s+begin\\s+with)[\\s,]+)*)";
/** What a fly may have. */
export const PART =
  "tail|body|abdomen|thorax|wings?|under-?wing|over-?wing|throat|beard|legs|hackle|collar|rib|tag|butt|head|shuck|wing\\s?case|antennae|topping|cheeks";
