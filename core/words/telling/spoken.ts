import { NUMBER_WORD, readNumber } from "../text/number";
import { PARTS } from "../lexicon/parts";
import { asInstruction } from "./thirdPerson";

export const numbered = /^\s*(\d{1,2})\s+(?=[\p{L}\d.])/u;
/** How long the number is that counts a line. */
export const numberLength = (line: string): number => (counted.exec(line) ?? numbered.exec(line))?.[0].length ?? 0;
/** “Step 3:”, “4:20 –”: the count of a step, the place in a film at which it is seen. */
const counted = /^\s*(?:step\s+\d{1,2}\s*[:.)-]?|\[?\d{1,2}:[0-5]\d(?::[0-5]\d)?\]?\s*[-–:]?)\s+(?=\p{L}|\d)/u;
const FEWEST_NUMBERED = 3;

/** Lines that are numbered 1, 2, 3 … without a sign behind the number: it counts the line, and is blanked out. */
export function withoutNumbers(all: string[]): string[] {
  // “Step 3: …”
  const lines = all.map((l) => l.replace(counted, (m) => " ".repeat(m.length)));
  const told = lines.filter((l) => l.trim() !== "");
  const numbers = told.map((l) => Number(numbered.exec(l)?.[1] ?? NaN));
  const first = numbers.indexOf(1);
  const run = numbers.slice(Math.max(0, first));
  // Behind a whole list of parts the steps may be numbered, where they go on so to the end.
  const isAhead = first <= 1 || run.length > FEWEST_NUMBERED;
  if (first < 0 || !isAhead || run.length < FEWEST_NUMBERED || run.some((n, i) => n !== i + 1)) return lines;
  return lines.map((l) => l.replace(numbered, (m) => " ".repeat(m.length)));
}

/** “Right, so …”, “OK, …”: how a line is begun when it is spoken. */
const spokenLead =
  /^(\s*(?:\d{1,2}[.)]\s+)?)(?:(?:right|ok(?:ay)?|alright|well|anyway|so)(?:\s*,\s*|\s+(?=(?:so|now|this|here|i|we|you|first|the\s+hook)\b)))+/gu;
const contracted: [RegExp, (m: string, kept: string) => string][] = [
  [spokenLead, (m, kept) => kept.padEnd(m.length)],
  // “fifteen thousandths lead”
  [
    new RegExp(`\\b(${NUMBER_WORD})\\s+thou(?:sandths?)?(?=\\s)`, "gu"),
    (m, kept) => `${readNumber(kept) ?? kept} thou`.padEnd(m.length),
  ],
  // “a few hen fibres (5)”: the figure beside loose words, wherever it stands.
  [
    /\b(?:an?\s+)?(?:few|couple(?:\s+of)?|several)\s+(?:[a-z'-]+\s+){1,4}?\(\d{1,2}\)/gu,
    (m) => {
      const [, words = "", n = ""] = /(?:few|couple(?:\s+of)?|several)\s+(.*?)\s*\((\d{1,2})\)/u.exec(m) ?? [];
      // What is read reaches from where the loose words are to where the figure is.
      const last = /\S+$/u.exec(words)?.[0] ?? "";
      const ahead = `${n.padEnd(m.indexOf(words))}${words.slice(0, words.length - last.length)}`;
      return ahead + last.padStart(m.length - ahead.length);
    },
  ],
  // “so it's about as long as the shank”
  [/\b((?:so|till|until)\s+(?:it|that))'s\b/gu, (m, kept) => kept.padEnd(m.length)],
  // “with wire that was tied in at the bend”
  [
    /\b(?:that|which)\s+(?:was|is|were|are)\s+(?=(?:already\s+)?(?:tied|bound|caught)\s+in\b)/gu,
    (m) => " ".repeat(m.length),
  ],
  // “60 mm x 4 mm tan strip”: how long, and how wide
  [
    /\b(\d{2,3}\s*mm)\s+[x×](?=\s+\d{1,2}(?:[.,]\d)?\s*mm\s+[^,.;]*\bstrips?\b)/gu,
    (m, kept) => `${kept},`.padEnd(m.length),
  ],
  // “Next is a rib of …”, “then comes the wing, …”
  [
    new RegExp(
      `^(\\s*)(?:and\\s+)?(?:next|then|now|after\\s+that)\\s+(?:up\\s+)?(?:is|comes|goes|there's|we\\s+have|i\\s+have)\\s+(?=(?:an?\\s+|the\\s+)?(?:[a-z]+\\s+)?(?:${PARTS})\\b)`,
      "u",
    ),
    (m, kept) => kept.padEnd(m.length),
  ],
  // “The thread I use is 70 denier”
  [
    new RegExp(
      `^(\\s*(?:the\\s+|my\\s+)?(?:hook|${PARTS}))\\s+(?:that\\s+)?(?:i|we)\\s+(?:use|like|prefer|take)(?:\\s+here)?(?=\\s+is\\s)`,
      "u",
    ),
    (m, kept) => kept.padEnd(m.length),
  ],
  // “8/0 in tan”, “70 denier in olive”
  [/\b(\d{1,2}\/0|\d{2,3}\s*den(?:ier)?)\s+in(?=\s+\p{L}+\s*[.,;]?\s*$)/gu, (m, kept) => kept.padEnd(m.length)],
  // “The wing case comes over and is held with four turns”
  [
    /((?:^|[.;]\s+)(?:then\s+|now\s+|finally\s+)?(?:the\s+)?(?:wing\s?case|case|shell\s?back|back|cover|strip|foam)\s+(?:then\s+|now\s+)?)(comes|goes|gets)(?=\s+(?:back\s+|forward\s+)?over\b)/gu,
    (m, kept) => kept + "drawn".slice(0, m.length - kept.length).padEnd(m.length - kept.length),
  ],
  [/(?<=\band\s+)(?:is|are)\s+(?=held\b)/gu, (m) => " ".repeat(m.length)],
  [/\btouch\s(?=dub(?:bed|bing)?\b)/gu, () => "touch-"],
  // “fl. pink thread”
  [/\b(fl(?:uor?)?)\.(?=\s+\p{L})/gu, (m, kept) => kept.padEnd(m.length)],
  [/\b(i|we|you|they|he|she)'(?:m|ve|re|ll|d|s)\b/gu, (m, kept) => kept.padEnd(m.length)],
  [
    new RegExp(`\\b((?:for|as)\\s+(?:the|a|an|my)\\s+(?:${PARTS}),?)\\s+(?:it's|that's|it\\s+is)(?=\\s)`, "gu"),
    (m, kept) => kept.padEnd(m.length),
  ],
  [
    new RegExp(`^(\\W*(?:then\\s+|and\\s+|next\\s+)?(?:the\\s+|my\\s+)?(?!hook|hk\\b)(?:${PARTS}))'s(?=\\s)`, "u"),
    (m, kept) => kept.padEnd(m.length),
  ],
  [new RegExp(`\\b((?:${PARTS})\\s+that)'s(?=\\s)`, "gu"), (m, kept) => kept.padEnd(m.length)],
  [
    /^(\s*(?:\d{1,2}[.)]\s+)?)hook\s+in\s+(?:the\s+|your\s+)?vi[sc]e(?=\s*:)/gu,
    (m, kept) => `${kept}hook`.padEnd(m.length),
  ],
  [/\bfor\s+(?:the\s+|my\s+)?dubbing,?\s+(?:i|we|you)(?:\s+(?:take|use))?(?=\s)/gu, (m) => " ".repeat(m.length)],
];

/** “I've got”, “rib's fine gold wire”: spoken forms, as long as what stands for them. */
export const withoutContractions = (line: string): string =>
  asInstruction(contracted.reduce((text, [spoken, plainly]) => text.replace(spoken, plainly), line));

const namesPart = new RegExp(
  `^(?:hook|${PARTS})\\s+(?!of\\b|with\\b|is\\b|and\\b|in\\b|over\\b|back\\b|forward\\b)[\\p{L}\\d#.]`,
  "u",
);

/** “peacock-coloured dubbing” is no peacock. */
const coloured = /(?<=\p{L})[- ]colou?red(?=\s)/gu;

const FEWEST_LISTED = 4;
const partBehindStop = new RegExp(`\\.(?=\\s+(?:${PARTS})\\s)`, "gu");
/** “14 wet, claret 70, tail …”: the hook stands first, without its name. */
const hookFirst =
  /^\s*(?:#?\d{1,2}(?:\/0)?(?:\s*-\s*\d{1,2})?\s+(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\b|(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\s+#?\d{1,2}\b)[^,;]*,/;

/** “hook 12 wet // silk yellow // body fur”: marks that mean nothing else, as long as what stands for them. */
const listMarks = /(?<=\s)(?:\/\/|\|\|?)(?=\s)/g;

const commaBehindPart = new RegExp(`((?:^|;)\\s*(?:${PARTS})),(?=\\s)`, "gu");
/** “tag, 3 turns of gold; tail, a crest; body, black wool; …”: behind each part stands what it is of. */
const namedByCommas = (told: string): boolean => (told.match(commaBehindPart)?.length ?? 0) >= FEWEST_LISTED - 1;

/** “hook 14 wet, thread black, tail 6 fibres, body fur”: between commas a list goes on as it does behind semicolons. */
export function asList(told: string): string {
  const parts = told.split(/\s\/\s/);
  const isSlashed = parts.filter((p) => namesPart.test(p.trimStart())).length + 1 >= FEWEST_LISTED;
  if (isSlashed) return asList(parts.join(" ; "));
  // “Dry 16, 8/0 grey. Tail six fibres. Body fur. Hackle dun.”: so it does between stops.
  const sentences = told.split(/\.\s+/);
  const areParts = sentences.slice(1).filter((s) => namesPart.test(s)).length + 1 >= FEWEST_LISTED;
  if (areParts && !namesPart.test(told.trimStart()) && hookFirst.test(told))
    return asList(told.replace(partBehindStop, ";"));
  if (namedByCommas(told)) return asList(told.replace(commaBehindPart, "$1:"));
  const line = told.replace(listMarks, (m) => ";".padEnd(m.length)).replace(coloured, (m) => " ".repeat(m.length));
  const commas = [...line.matchAll(/,\s*/g)].filter((m) => namesPart.test(line.slice(m.index + m[0].length)));
  const isList = namesPart.test(line.trimStart()) || hookFirst.test(line);
  if (commas.length + 1 < FEWEST_LISTED || !isList) return line;
  const at = new Set(commas.map((m) => m.index));
  return [...line].map((c, i) => (at.has(i) ? ";" : c)).join("");
}

/** “hook wet 12; brown thread; rib …; body …”: a list in one line, whatever it begins with. */
export const isListInOne = (text: string): boolean =>
  text.split(";").filter((s) => namesPart.test(s.trimStart())).length + 1 >= FEWEST_LISTED;
