import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT, NUMBER_WORD } from "../../number";
import { BEGINNING, said } from "./said";

/** Beads, weight and eyes. */
export const weights: readonly Rule[] = [
  // “Take three turns of copper wire behind the eye as ballast”
  said(
    ["as ballast", "as weight", "for weight", "as a weight", "for ballast"],
    `${BEGINNING}(?:take|wind|put|make|wrap|lay)\\s+((?:${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s+[^.;,]*?\\b(?:wire|lead)(?!\\p{L})[^.;,]*?),?\\s+(?:as|for)\\s+(?:an?\\s+)?(?:ballast|weight)(?=\\s*(?:[.;,]|$))`,
    "weight: $1",
  ),
  said(["ballast"], "(?<=\\b(?:to|over|behind|past|before|in\\s+front\\s+of)\\s+the\\s+)ballast(?!\\p{L})", "weight"),
  // “Point oh two oh lead”
  {
    has: ["point oh", "point o ", "point zero"],
    written: /\bpoint\s+(?:oh|o|zero)\s+(one|two|three)(?:\s+(oh|o|zero|five))?(?=\s+(?:lead|wire|weight|inch))/giu,
    as: (m) => {
      const tens: Record<string, string> = { one: "1", two: "2", three: "3" };
      const last = m[2]?.toLowerCase() === "five" ? "5" : "0";
      return inPlace(m, `.0${tens[(m[1] ?? "").toLowerCase()] ?? ""}${last}`);
    },
  },
  // “Tungsten bead 2,8”: so thick, and no two sizes.
  said(
    ["0,", "1,", "2,", "3,", "4,", "5,", "6,"],
    "(?<![\\d,.])([0-6]),(\\d{1,2})(?![\\d,]|\\s*(?:turns|wraps))(?<=^(?!.*(?:sizes?\\s|hook|#))(?=.*(?:beads?|tungsten|brass|cone|lead|wire|chain|dumbbell)(?!\\p{L})).*)",
    "$1.$2",
  ),
  said(
    ["for the thorax"],
    "(?<=^\\W*(?:weight|lead|ballast)\\b[^.;]*,\\s)for(?=\\s+the\\s+thorax\\s*(?:[,.;]|$))",
    "under",
  ),
  said(
    ["bead"],
    `((?:(?!with\\b|slide\\b|add\\b|slip\\b|an?\\b|one\\b|the\\b)\\p{L}+\\s+){0,2}bead)\\s*,?\\s*(?:of\\s+)?\\(?(\\d(?:[.,]\\d)?|${NUMBER_WORD})\\s*(?:mm|millimet(?:re|er)s)(?:\\)|\\s+(?:across|wide|(?:in\\s+)?diameter|dia\\.?)\\)?|(?<=millimet(?:re|er)s))`,
    "$2 mm $1",
  ),
  said(["bead of"], "((?:\\p{L}+\\s+)?bead)\\s+of\\s+(\\d(?:[.,]\\d)?)\\s*mm(?!\\s*\\p{L})", "$2 mm $1"),
  said(["bead"], "(?<=^\\W*)bead\\s+(\\p{L}+)\\s+\\((\\d(?:[.,]\\d)?)\\s*mm\\)(?=\\s*(?:[,.;]|$))", "bead: $2 mm $1"),
  said(
    ["bead size"],
    "(?<=^\\W*)bead\\s+size\\s+(\\d(?:[.,]\\d)?)\\s*mm,?\\s+(\\p{L}+)(?=\\s*(?:[,.;]|$))",
    "bead: $1 mm $2",
  ),
  said(
    ["fit a", "load a", "string a", "feed a", "fit the", "load the"],
    `${BEGINNING}(?:fit|load|string|feed)(?=\\s+(?:an?|the)\\s+[^.;,]*\\bbead(?!\\p{L}))`,
    "slide on",
  ),
  said(
    ["half-millim", "half millim", "half-mm"],
    "half[-\\s](?:millimet(?:re|er)|mm)(?=\\s+(?:lead|wire|copper))",
    "0.5 mm",
  ),
  said(
    ["lead the hook", "lead the shank", "load with", "load the hook"],
    `${BEGINNING}(?:lead\\s+the\\s+(?:hook|shank)|load(?:\\s+(?:it|the\\s+hook))?)\\s+with\\s+(${A_COUNT}\\s+(?:turns|wraps)\\s+of\\s+[\\d.,]+"?\\s*(?:mm\\s+)?)(?:lead\\s+)?wire(?!\\p{L})`,
    "weight: $1lead wire",
  ),
  said(["ballast"], "(?<=^\\W*)ballast(?=\\s*[:=])", "weight"),
  said(["apply"], `${BEGINNING}apply(?=\\s+${A_COUNT}\\s+(?:turns|wraps)(?!\\p{L}))`, "wind"),
  said(
    [" x "],
    `(?<=\\b(?:weight|lead|underbody)\\b.*)(\\d{1,2})\\s+x\\s+(?=[\\d.,]+"?\\s*(?:mm\\s+)?(?:\\p{L}+\\s+)?(?:lead|wire|copper|tungsten))`,
    "$1 turns of ",
  ),
  said(["thorax only"], "(?<=,\\s)thorax\\s+only(?=\\s*(?:[,.;]|$))", "under the thorax"),
  said(["below the thorax"], "(?<=\\b(?:wire|lead|turns|wraps),?\\s+)below(?=\\s+the\\s+thorax(?!\\p{L}))", "under"),
  said(
    ["fixed with", "held with"],
    "(?:fixed|held)(?=\\s+(?:on\\s+)?with\\s+(?:figure|crossed|cross|criss|x-))",
    "lashed",
  ),
  said(
    ["cross-wrapped", "criss-cross", "crisscross", "cross wraps"],
    "(?<=\\beyes?\\b.*(?:,\\s|\\bwith\\s))(?:cross-?wrapped|criss-?\\s?cross(?:ed)?\\s+(?:wraps|turns)|cross\\s+wraps)(?=\\s*(?:[,.;]|$))",
    "figure-of-eight wraps",
  ),
  said(
    ["push ", "slide ", "force ", "shove ", "jam "],
    `${BEGINNING}(?:push|slide|force|shove|jam)\\s+(?:the\\s+)?(${A_COUNT}\\s+turns\\s+of\\s+(?:[^.;,]|\\.(?=\\d))*?)\\s+(?:right\\s+)?(?:up\\s+)?into(?=\\s+the\\s+(?:back\\s+of\\s+the\\s+)?bead)`,
    "$1 pushed up into",
  ),
  said(
    ["of ."],
    "(?<=^\\W*(?:weight|lead)(?!\\p{L})[^;]*\\b(?:turns|wraps)\\s+of\\s+)(0?\\.0\\d{1,2})(?:\\s*(?:in|inch))?(?=\\s*(?:[,;]|\\.?\\s*$))",
    "$1 lead wire",
  ),
  // “Eyes: 4 mm black mono”: melted to balls, as eyes of it are.
  said(
    ["mono"],
    "(?<=^\\W*eyes\\s*[:=–-]\\s*(?:(?:an?|one|two|2|pair\\s+of)\\s+)*(?:\\d+(?:[.,]\\d+)?\\s*mm\\s+)(?:\\p{L}+\\s+){0,2})mono(?:filament)?(?=\\s*(?:[,.;]|$))",
    "mono eyes",
  ),
  // A hook may be of it as well.
  said(
    ["black nickel"],
    "(?<=^\\W*(?:\\d{1,2}\\s+)?(?:bead|cone)(?!\\p{L}).*)black\\s+nickel|black\\s+nickel(?=\\s+(?:tungsten\\s+|brass\\s+)?(?:bead|cone)(?!\\p{L}))",
    "black",
  ),

  said(
    ["slot of the bead", "recess of the bead"],
    "the\\s+(?:slot|recess|hole|cavity|back)\\s+(?:of|in)\\s+(?=the\\s+bead(?!\\p{L}))(?<=\\b(?:in|into)\\s+the\\s+\\p{L}+\\s+\\p{L}+\\s+)",
    "",
  ),

  // “Secure the bead with 8 turns of lead”: they lie behind it.
  said(
    ["bead with", "cone with"],
    `${BEGINNING}(?:secure|lock|hold|seat|steady|wedge|trap|fix)\\s+(?:the\\s+)?(bead|cone)(?:\\s+in\\s+place)?\\s+with\\s+((?:${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s+[^,;]*?(?:lead|wire))(?=\\s*(?:[,.;]|$))`,
    "wind $2 behind the $1",
  ),
  said(
    ["to secure the bead", "to lock the bead", "to hold the bead", "to seat the bead", "to secure the cone"],
    `(?<=(?:${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s+[^,;]*?(?:lead|wire)),?\\s+to\\s+(?:secure|lock|hold|seat)\\s+the\\s+(bead|cone)(?:\\s+in\\s+place)?(?=\\s*(?:[,.;]|$))`,
    " behind the $1",
  ),
  said(
    ["back of the cone", "back of the bead", "rear of the bead", "rear of the cone"],
    "(?:and\\s+)?(?:shove|push|jam|slide)\\s+(?:it|them)\\s+(?:up\\s+)?in(?:to)?\\s+the\\s+(?:back|rear)\\s+of\\s+the\\s+(bead|cone)(?=\\s*(?:[,.;]|$))",
    ", pushed into the $1",
  ),
  said(
    [" x "],
    "(?<=^\\W*(?:\\d{1,2}[.)]\\s*)?(?:lead|weight)\\s*[:=–-]?\\s*)((?:0?[.,])\\d+(?:\\s*mm)?)\\s*x\\s*(\\d{1,2})(?:\\s+(?:turns|wraps))?(?!\\p{L}|\\d)",
    "$2 turns of $1",
  ),
];
