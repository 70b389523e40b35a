import { type Clause, type Said, clause, put } from "../../said";
import { words } from "../../parse";
import { atSaid, begin, endAhead, endOfWay, everywhere, onSizes, tiedIn, withAnother, zone } from "../common";
import { partOfStuff, byFeather } from "./byFeather";
import { byNumber } from "./byNumber";
import { bySize } from "./bySize";
import { sides } from "./sides";
import { howTied, wayAlone } from "./howTied";
import { bareLengths, itsPiece, leavingBehind, lengthOfShank, saidToBeLengths } from "./howLong";

export { amountOf } from "./amount";

/** “Spun from the bend to two thirds of the way”: hair that is spun goes along the shank as what is wound does. */
const wayOfSpun: Clause = {
  ...endOfWay,
  take: (said, text, at) => {
    const own: Said = {};
    const end = said.stance === "full round" && said.begin ? endOfWay.take(own, text, at) : undefined;
    if (end === undefined) return undefined;
    Object.assign(said, { from: said.begin, to: own.end });
    delete said.begin;
    return end;
  },
};

/** What can be said of a part that is laid, in the order in which it is tried: the longer forms first. */
export const layClauses: Clause[] = [
  clause(
    "tied in by the middle",
    words(
      "tied\\s+(?:(?:in|on|down)\\s+)?(?:at|by|in)\\s+(?:the|their|its)\\s+(?:middle|centre|center)(?!\\s+of)|by\\s+(?:the|their|its)\\s+middle",
    ),
    put({ byMiddle: true }),
  ),
  clause(
    "tied in crosswise",
    words(
      "(?:tied\\s+(?:in|on)\\s+|laid\\s+|bound\\s+(?:down\\s+)?)(?:crosswise|crossways|across(?:\\s+the\\s+(?:hook|shank))?)(?=\\s*(?:[,.;]|$|with\\b|by\\b|and\\b))",
    ),
    put({ byMiddle: true }),
  ),
  withAnother,
  tiedIn,
  onSizes,
  partOfStuff,
  clause(
    "leave the rest hanging",
    words(
      "(?:and\\s+)?leav(?:e|ing)\\s+(?:the\\s+(?:rest|remainder)\\s+(?:of\\s+(?:it|the\\s+\\w+)\\s+)?|it\\s+|them\\s+|the\\s+\\w+\\s+)hanging(?:\\s+(?:back|behind|off\\s+the\\s+bend))?",
    ),
    put({ hanging: true }),
  ),
  ...byNumber,
  ...bySize,
  ...byFeather,
  ...sides,
  ...howTied,
  lengthOfShank,
  zone,
  ...saidToBeLengths,
  atSaid,
  ...bareLengths,
  begin,
  endAhead,
  wayOfSpun,
  ...everywhere,
  wayAlone,
  clause(
    "tips to the end",
    words("(?:the\\s+)?tips?(?=\\s+(?:just\\s+)?(?:to|level|even|as\\s+long)\\b)"),
    () => undefined,
  ),
];

const isLength = (c: Clause): boolean => saidToBeLengths.includes(c) || bareLengths.includes(c);
/** Of what is only bound in to be wound: a length is that of the piece. */
export const boundInClauses: Clause[] = [...itsPiece, leavingBehind, ...layClauses.filter((c) => !isLength(c))];
