import { verbAt } from "../verbs";

/** What leads to a verb without being one that is read: “he starts with”, “she uses”. */
const leads = new Set([
  "tie",
  "bind",
  "catch",
  "pull",
  "fold",
  "push",
  "hold",
  "trim",
  "cut",
  "start",
  "begin",
  "use",
  "build",
  "make",
  "take",
  "put",
  "go",
  "like",
  "prefer",
  "leave",
  "run",
]);
const whoDoes =
  /(^\s*|[.,;:(]\s+|\b(?:and|then|now|next|so|here|where|once|when)\s+)(?:he|she|the\s+tier)\s+((?:(?:then|now|also|just|next|first|simply|again|usually|always)\s+)*)([a-z]+)(?=[\s,.;]|$)/gu;
const doesMore = /((?:,\s*|\b(?:and|then|or|but)\s+)(?:then\s+)?)([a-z]+s)(?=\s)/gu;
const doesFirst =
  /^(\s*(?:\d{1,2}[.)]\s+)?)((?:tie|wind|dub|bring|pull|fold|bind|add|take|put|use|lay|secure|start|begin|spin|slide|cut|build|make|wrap|leave)s|catches|finishes|goes)(?=\s+(?:in|on|off|with|by|the|an?|it|them|this|up|over|down|back|forward|some|two|three|four|five|six|\d+)\b)/u;

/** “ties”, “catches”, “applies” as they are told to whoever ties: as long as they are, where that is a verb. */
function plainly(word: string): string {
  const bases = [word.slice(0, -1), word.slice(0, -2), `${word.slice(0, -3)}y`];
  const base = word.endsWith("s") ? bases.find((b) => leads.has(b) || verbAt(`${b} `, 0)?.end === b.length) : undefined;
  return (base ?? word).padEnd(word.length);
}

/** “He ties in a tail and winds the herl forward”: what somebody was seen to do, told as what is to be done. */
export function asInstruction(line: string): string {
  const named = line.replace(whoDoes, (m, ahead: string, between: string, verb: string) => {
    const told = plainly(verb);
    if (told === verb) return m;
    const who = m.length - ahead.length - between.length - verb.length;
    return ahead + " ".repeat(who) + between + told;
  });
  const first = named.replace(doesFirst, (_, ahead: string, verb: string) => ahead + plainly(verb));
  return first === line ? line : first.replace(doesMore, (_, ahead: string, verb: string) => ahead + plainly(verb));
}
