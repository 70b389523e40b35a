import { anyOf, oneOf, words } from "./parse";

/** What is made ready before it is tied in: kept as it was said, no part and no material of its own. */

const FUR = "(?:(?:fur|hair|fibres?|fibers?|hairs))";
const UNDER = "(?:under-?\\s?fur|under-?\\s?hair|guard\\s+hairs?|long\\s+hairs|short\\s+hairs|(?:grey\\s+)?fluff)";
const HIDE =
  "(?:the|a|an|another|its|your|some)\\s+(?:[\\w-]+\\s+){0,2}?(?:hide|skin|pelt|patch|strip|mask|leather|zonker)";
/** How fur and its hide are made ready: no material of its own, whatever it names. */
export const preparingFur = words(
  anyOf(
    `(?:pull|pluck|cut|shave|clip|snip|take|comb)(?:s|ped|ed|ted|ting|ing)?\\s+(?:off\\s+)?(?:the\\s+|some\\s+)?${FUR}\\s+(?:off|from|out\\s+of)\\s+${HIDE}`,
    `(?:taken|plucked|pulled|cut|shaved|clipped|combed|picked)\\s+(?:off|from|out\\s+of)\\s+${HIDE}`,
    `(?:take|pull|comb|pick|pluck|clean|leave|brush)(?:s|ed|ing)?\\s+(?:out\\s+)?(?:all\\s+|most\\s+of\\s+)?(?:the\\s+|any\\s+)?${UNDER}(?:\\s+(?:out|off|away))?`,
    `(?:with\\s+)?(?:the\\s+)?${UNDER}\\s+(?:taken|combed|pulled|picked|plucked|cleaned|left)\\s+(?:out|off|away|in)`,
    `(?:with\\s+)?the\\s+${FUR}\\s+(?:(?:behind|at|in\\s+front\\s+of|over|under)\\s+(?:the\\s+)?[\\w-]+\\s+)?(?:is\\s+)?(?:parted|wetted|wet|cleared\\s+away|stroked\\s+(?:aside|away|back))`,
    `(?:part|wet)\\s+the\\s+${FUR}(?:\\s+(?:there|first|with\\s+(?:a|the)\\s+(?:bodkin|needle)|(?:behind|at|where)\\s+[\\w\\s-]+?))?(?=\\s*(?:[,.;]|$|and\\b))`,
  ),
);
/** How a feather is made ready: kept with what is tied of it. */
export const preparing = words(
  anyOf(
    "(?:and\\s+)?(?:the\\s+)?(?:one|third|other)\\s+(?:straight\\s+)?(?:in|down|up)\\s+the\\s+(?:middle|centre|center)(?=\\s*(?:[,.;)]|$))",
    "(?:the\\s+)?butts?\\s+(?:ends?\\s+)?(?:are\\s+)?(?:left(?:\\s+(?:on|in\\s+place|as\\s+they\\s+are))?|kept|not\\s+(?:trimmed|cut))(?:,?\\s+(?:and\\s+|but\\s+)?(?:not|never)\\s+(?:trimmed|cut)(?:\\s+(?:off|away))?)?(?=\\s*(?:[,.;)]|$))",
    "with\\s+(?:the\\s+|its\\s+|all\\s+)*guard\\s+hairs?(?:\\s+(?:left\\s+)?in)?(?=\\s*(?:[,.;)]|$))",
    "(?:with\\s+)?(?:the\\s+)?(?:fibres?|fibers?|barbs?|tips?)\\s+(?:pointing|facing|projecting|lying|sticking)\\s+(?:out\\s+)?(?:forwards?\\s+)?(?:out\\s+)?over\\s+the\\s+(?:hook\\s+)?eye(?=\\s*(?:[,.;]|$|and\\b))",
    "(?:the\\s+)?butts?\\s+(?:ends?\\s+)?(?:are\\s+)?(?:left\\s+)?(?:form(?:ing)?|mak(?:e|ing)|as|for)\\s+(?:the\\s+|an?\\s+)?head",
    "(?:and\\s+)?flatten(?:ed|ing)?\\s+(?:it\\s+|them\\s+)?with\\s+(?:the\\s+|flat\\s+|your\\s+|smooth\\s+|nosed\\s+)*pliers",
    "(?:and\\s+)?(?:put|place|mount|set|clamp)\\s+(?:it|the\\s+hook)\\s+in(?:to)?\\s+(?:the\\s+|your\\s+)?vi[cs]e",
    "strip(?:ped|ping)?\\s+(?:off\\s+)?(?:the\\s+)?(?:bottom|lower)\\s+(?:third|half|quarter|part|fibres|barbs)(?:\\s+(?:off|of\\s+(?:it|the\\s+\\w+)))?",
    "(?:strip|remove|clean|peel|pull|tear)(?:ped|d|ed|ing)?\\s+(?:off\\s+|away\\s+)?(?:all\\s+)?(?:the\\s+)?(?:fluff(?:y\\s+\\w+)?|down(?:y\\s+\\w+)?|webby\\s+\\w+|soft\\s+base|stem|underfur)(?:\\s+(?:from|off|at)\\s+(?:the\\s+)?(?:stem|base|butt))?",
  ),
);

/** The ends by which feathers are tied in are made bare. */
const strippingButts = words(
  "strip(?:ped|ping)?\\s+(?:off\\s+|away\\s+)?(?:all\\s+)?(?:the\\s+)?(?:fluff|fuzz|down)(?:\\s+(?:off|away))?(?:\\s+(?:from|at|off)\\s+(?:the\\s+)?(?:base|stem|butt|bottom))?(?=\\s*(?:[,.;]|$|and\\b|then\\b))|strip(?:ped|ping)?\\s+(?:off\\s+)?(?:all\\s+)?(?:(?:of\\s+)?(?:the|its|their|both|each)\\s+)?(?:(?:bottom|lower)\\s+)?(?:butts?|bases?|stalks?|lower\\s+(?:fibres|fibers|barbs|third|half)|fibres\\s+at\\s+the\\s+butts?)(?:\\s+(?:clean|bare|off))?(?=\\s*(?:[,.;]|$|and\\b))",
);

/** Half of the barbs are taken off: of what is tied in next, or was before. */
export const strippedSide = words(
  "(?:and\\s+)?(?:strip(?:ped|ping)?|(?:pull|tear|take|pluck)(?:s|ed|ing)?(?=\\s+(?:all\\s+)?(?:the\\s+)?(?:fibres|barbs)\\s+(?:off|from)\\b))\\s+(?:off\\s+)?(?:all\\s+)?(?:(?:the\\s+)?(?:fibres|barbs)\\s+(?:from|off|on)\\s+|from\\s+|on\\s+)?(?:one|the\\s+(?:left|right|other|lower|upper|near|far|inner|outer)|either)(?:\\s+hand)?\\s+side(?:\\s+of\\s+(?:it|them|the\\s+\\w+))?(?:\\s+first(?=\\s*(?:[,.;]|$)))?",
);

/** What a clause does with the stuff in hand, and ties nothing in: “comb out the underfur”, “strip the butts”. */
export const madeReadyAt = oneOf(preparingFur, strippingButts);
