/** Words in place of others of a line. */
export interface Put {
  at: number;
  instead: number;
  put: string;
}

const PART = "tail|shuck|wing|underwing|throat|beard|body|abdomen|thorax|legs|flash";
const LED = new RegExp(
  `^\\W*(?:\\d+\\W+)?(?:the\\s+|for\\s+the\\s+)?(${PART})s?\\b|\\bfor\\s+(?:the|an?)\\s+(${PART})\\b`,
  "iu",
);
const NAMED = "(\\p{L}{4,})(?=\\s*(?:[.,;)]|$|\\s(?:and|then|on|in|each|either)\\b))";
/** “A centimetre past the marabou”, “to the end of the foam”. */
const REACHED = new RegExp(
  `(?<=\\b(?:past|beyond|short\\s+of|level\\s+with|(?:to|past|beyond|with|at)\\s+the\\s+(?:tips?|ends?|middle)\\s+of)\\s+the\\s+)${NAMED}`,
  "giu",
);
/** “No longer than the marabou”: of a tail, as a wing could be compared to itself. */
const COMPARED = new RegExp(
  `(?<=\\b(?:than|as\\s+long\\s+as|same\\s+length\\s+as|length\\s+of)\\s+the\\s+)${NAMED}`,
  "giu",
);
/** “Twist the marabou butts”: what is left of the tail's bundle. */
const BUTTS = /(?<=\bthe\s+)(\p{L}{4,})\s+(?=butts?(?!\p{L}))/giu;
const LED_BY_BODY = /^\W*(?:\d+\W+)?(?:the\s+)?(?:body|abdomen)\s*[:=–-]/iu;
const ITSELF = new RegExp(
  `^(?:${PART}|wings|tails|hackles?|collar|head|eyes?|hook|shank|gape|bend|barb|point|bead|cone|post|lead|weight|thread|silk|wire|rib|tinsel|others?|first|second|last|rest|same|fibres?|fibers?|feathers?|strands?|hairs?|slips?|turns?|half|thirds?|middle|front|rear|back|butts?|tips?|stem|quill|case|shellback|vise|vice)$`,
  "iu",
);

/**
 * “Trimmed a centimetre past the marabou”, where the tail alone is of marabou: a part that is named by its stuff.
 *
 * @param lines of a recipe, as they were typed
 * @returns for each line what stands in place of such a name
 */
export function stuffAsPart(lines: readonly string[]): Put[][] {
  const putFor = (m: RegExpExecArray, before: readonly string[]): Put[] => {
    const stuff = m[1] ?? "";
    const part = ITSELF.test(stuff) ? undefined : partOfStuff(stuff, before);
    return part === undefined ? [] : [{ at: m.index, instead: stuff.length, put: part }];
  };
  return lines.map((line, i) => {
    const before = lines.slice(1, i);
    return [
      ...[...line.matchAll(REACHED)].flatMap((m) => putFor(m, before)),
      ...[...line.matchAll(BUTTS)].flatMap((m) =>
        putFor(m, before)
          .filter((p) => p.put === "tail")
          .map((p) => (LED_BY_BODY.test(line) ? { ...p, instead: m[0].length, put: "" } : p)),
      ),
      ...[...line.matchAll(COMPARED)].flatMap((m) => putFor(m, before).filter((p) => p.put === "tail")),
    ];
  });
}

/** The one part that the lines tell of such stuff. */
function partOfStuff(stuff: string, lines: readonly string[]): string | undefined {
  const named = new RegExp(`(?<!\\p{L})${stuff}(?!\\p{L})`, "iu");
  const parts = new Set(lines.filter((l) => named.test(l)).map(partOf));
  const [part] = parts;
  return parts.size === 1 ? part : undefined;
}

function partOf(line: string): string | undefined {
  const led = LED.exec(line);
  return (led?.[1] ?? led?.[2])?.toLowerCase();
}
