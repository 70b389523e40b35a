import { wordsOf, type Told } from "../told";

const saysNoTurns = /^\W*(?:and\s+|then\s+|now\s+)*(?:finish|tie\s+off|knot)(?:\s+(?:off|it|the\s+fly))*\b/u;

/** “Finish behind the hackle … 3 turn whip”: where, and then how: one knot. */
export const withOneKnot = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told[told.length - 1];
    if (!before || !isKnot(before) || !isKnot(t)) return [...told, t];
    const isWhere = saysNoTurns.test(text.slice(before.at, before.end)) && saysNoPlace(t) && hasNoFigure(before, text);
    if (!isWhere) return [...told, t];
    // What “3 turn whip” says of its turns is read from its own words.
    return [...told.slice(0, -1), { ...t, ...wordsOf(before, t), said: { ...before.said, ...t.said } }];
  }, []);

const isKnot = ({ kind, verb }: Told): boolean => kind === "whip" || verb === "whip";
const hasNoFigure = ({ at, end }: Told, text: string): boolean => !/\d|\bturns?\b/.test(text.slice(at, end));
const saysNoPlace = ({ said }: Told): boolean =>
  (said.there ?? said.from ?? said.to ?? said.begin ?? said.end) === undefined;
