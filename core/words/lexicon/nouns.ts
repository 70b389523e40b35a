import type { Material, MaterialForm } from "../../materials";
import type { Role } from "../../recipe";
import { anyOf } from "../parse";

/** What a noun says of a material that nobody has described yet. */
export interface NounForm {
  form: MaterialForm;
  /** Figures in which it differs from the nominal ones of its form. */
  figures?: Partial<Material>;
  /** What one of it is called where a number stands before it. */
  counted?: "fibres" | "strands" | "feathers" | "slips" | "pieces";
  /** The part that it is for, where it has but one use. */
  role?: Role;
  /** What that part is called. */
  part?: string;
}

const SOFT = {
  strand: { section: "oval" as const, width: 0.6, thickness: 0.4, density: 1.2 },
  feather: { usable: 60, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1, soft: true },
};
const PLUME = {
  strand: { section: "flat" as const, width: 0.08, thickness: 0.05, density: 0.6 },
  feather: { usable: 60, grip: 15, perMm: 3, span: 60, sides: 2, unusable: 0.2, soft: true },
};
/** One biot every 1.2 mm of a quill's leading edge; a biot is wound about as wide as it grows. */
const BIOT = {
  strand: { section: "flat" as const, width: 0.9, thickness: 0.12, density: 1.1 },
  feather: { usable: 50, grip: 10, perMm: 1 / 1.2, span: 50, sides: 1, unusable: 0.1 },
  fibreMm: 25,
};
/** Saddle feathers are long. */
const SADDLE = { feather: { usable: 150, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1 } };
const HOLLOW = { hair: { density: 0.35 } };
const flat = (width: number, thickness: number, density = 1.05) => ({
  strand: { section: "flat" as const, width, thickness, density },
});

/**
 * What a description of a material means, tried in this order: the more exact ones first. The last noun of a
 * description decides, so that a “copper wire bead” would be a bead.
 */
const nouns: [string, NounForm][] = [
  ["hooks?", { form: "hook" }],
  [
    anyOf(
      "beads?\\s+on\\s+(?:\\d+(?:[.,]\\d+)?\\s*(?:lb|mm)\\s+)?(?:nylon|mono(?:filament)?)",
      "(?<=\\beyes?\\s*[:=-]\\s*(?:[a-z]+\\s+){0,2})mono(?:filament)?(?!\\s+(?:eyes?|loop))",
      "(?:melted|burnt|burned)\\s+(?:\\d+(?:[.,]\\d+)?\\s*(?:lb|mm)\\s+)?mono(?:filament)?(?:\\s+(?:balls?|eyes?))?",
      "bead[- ]?chain(?:\\s+eyes?)?",
      "chain(?:\\s+eyes?)|(?:chain|ball\\s+chain)\\s+beads?",
      "dumb-?bells?(?:\\s+eyes?)?",
      "bar-?bells?(?:\\s+eyes?)?",
      "(?:moulded|tape|foil|adhesive|stick[-\\s]?on|doll|dome|painted|weighted|lead|plastic|glass|holographic|self-adhesive|mono|3d)\\s+(?:eyes?|stick-?ons?)",
      "stick[-\\s]?ons?",
      "\\d+(?:[.,]\\d+)?\\s*mm\\s+(?:[a-z]+\\s+)?eyes(?!\\s+(?:behind|back|from))",
      "\\d+(?:[.,]\\d+)?\\s*mm\\s+(?:[a-z]+\\s+)?eye(?=\\s+(?:on|to)\\s+(?:each|either)\\s+side)",
    ),
    { form: "eyes" },
  ],
  [
    anyOf(
      "\\d[\\d.]*\\s*mm\\s+(?:[\\w-]+\\s+){0,2}tungsten(?!\\s+(?:\\w+\\s+){0,2}(?:beads?|cones?|eyes?|wire|dumb))",
      "(?:slotted|countersunk)\\s+(?:tungsten|brass)(?!,?\\s+(?:\\w+\\s+){0,2}beads?\\b)",
      "beads?",
      "(?:brass|tungsten|copper|gold|silver|nickel|black|white|[\\d.]+\\s*mm)\\s+(?:[\\w.]+\\s+){0,2}cones?",
      "(?<!\\b(?:to|into|like)\\s+an?\\s+(?:[\\w-]+\\s+){0,2})(?<!\\b(?:thread|silk)\\s+)cones?(?![-\\s]*(?:shaped?|of\\b))",
      "cone-?heads?",
      "bead-?heads?",
    ),
    { form: "bead" },
  ],
  [
    '0?\\.\\d{2,3}"?\\s+(?:in(?:ch)?\\s+)?(?:round\\s+)?wires?|(?:lead(?:-free)?|lead\\s+free|tungsten|weight(?:ed|ing)?|tin|non-?toxic)[- ]+(?:fuse\\s+)?wires?(?:\\s+turns)?|lead[-\\s]?free|leading',
    { form: "weight wire" },
  ],
  ["(?:lead|weight)\\s+(?:strips?|foil|sheet)", { form: "weight wire", figures: flat(2, 0.3, 11.34) }],
  [
    "lead(?![- ](?:sized?|thick))",
    {
      form: "weight wire",
      figures: { lead: true, strand: { section: "round", width: 0.38, thickness: 0.38, density: 11.34 } },
    },
  ],
  [
    "(?:(?:nylon|clear)\\s+)?mono(?:filament)?|nylon(?:\\s+line)?(?!\\s+(?:thread|silk|floss|hair|fib|yarn|brush|tow|wire|tinsel|tape|mesh|stocking|tips?|bristles?)|\\s+\\d+\\/0)|(?:[0-9]x|clear|nylon|fluorocarbon|fluoro|[0-9]{1,2}\\s?lbs?)\\s+tippet(?:\\s+material)?",
    { form: "wire", figures: { strand: { section: "round", width: 0.2, thickness: 0.2, density: 1.14 } } },
  ],
  [
    "(?<=\\bturns\\s+of\\s+|\\brib(?:bed)?\\s+(?:it\\s+|the\\s+\\w+\\s+)?with\\s+)(?:(?:extra\\s+)?fine|small|medium)\\s+(?:red\\s+)?(?:gold|silver|copper)(?=\\s*(?:[,.;]|$|to\\s+rib|over|through|in\\b|as\\b))",
    { form: "wire" },
  ],
  [
    "(?<![\\d.,])0?[.,]\\d+\\s*mm\\s+(?:copper|brass)(?=\\s*(?:[,.;]|$|for\\b|as\\b|to\\b|at\\b|in\\b))",
    { form: "wire" },
  ],
  ["(?:silk|rayon|nylon|single\\s+strand|four-?strand)?\\s*floss(?:es)?(?:\\s+silk)?", { form: "floss" }],
  [
    "(?<![\\d#/]|\\b(?:hooks?|sizes?)\\s+)(?:6|8|10|12|14|16|18)\\/0\\s+(?:black|white|brown|red|tan|grey|gray|olive|orange|yellow|green|claret|pink|purple|rust|cream|primrose)(?!\\s+(?:thread|silk|wire|hook))(?=\\s*(?:[,.;]|$|to\\b|from\\b|down\\b|back\\b|and\\b))",
    { form: "thread" },
  ],
  ["(?:tying\\s+)?threads?|(?:tying\\s+)?silk|gel[-\\s]?spun(?:\\s+\\d{2,3})?(?:\\s+thread)?", { form: "thread" }],
  [
    "(?:(?:pearl|braided|woven)\\s+)*(?<!\\bends?\\s+of\\s+(?:the\\s+)?)(?:tubing|piping|(?<=\\b(?:mesh|pearl|braid|braided|woven|metal)\\s+)tubes?)",
    { form: "tinsel", role: "body", part: "body" },
  ],
  [
    anyOf(
      "(?:flat|oval|round|embossed|holographic|twisted|lame)?\\s*tinsels?",
      "(?<=^\\W*(?:body|abdomen|rib|ribbing|tag|butt|tip)(?:'s|\\s+is)?\\b[^.;]*\\s)holo(?:graphic)?(?=\\s*(?:[,.;]|$|(?:wound|over|in|up|for|to|from|tied)\\b))",
      "(?:pearl|gold|silver|copper)\\s+(?:flat|oval)(?!\\s+(?:tinsel|metal|wire|thread|braid|silver|gold|copper))",
      "(?:fine\\s+|medium\\s+|small\\s+|large\\s+)?(?:oval|flat|embossed)\\s+(?:silver|gold|copper)(?!\\s+(?:tinsel|metal|wire|thread|braid|bead|lame))",
      "(?<=\\bthe\\s+)flat(?=\\s*(?:[,.;]|$|(?:under|up|over|to|for|round|forwards?)\\b))",
      "(?<!\\ban\\s+)oval(?=\\s*(?:[,.;]|$|(?:rib|ribbing|up|over|through|for|and|to|in|down)\\b))",
      "twist",
      "foil",
      "braid(?:ed)?(?:\\s+tubing)?",
    ),
    { form: "tinsel" },
  ],
  [
    "chenilles?|fritz|(?:fib(?:re|er)|flash|fur|hair|tinsel|dubbing)\\s+brush(?:es)?|brush(?:es)?\\s+of\\s+(?:fib(?:re|er)s?|flash)",
    { form: "chenille" },
  ],
  [
    "stripped\\s+(?:quills?|herls?)\\s+(?:from|of)\\s+(?:an?\\s+|the\\s+)?peacock(?:\\s+(?:eyes?|swords?|herls?|tails?|feathers?))?|stripped\\s+(?:peacock\\s+)?(?:eye\\s+)?(?:herls?|quills?|stems?|stalks?|(?:[a-z]+\\s+){0,2}hackle\\s+(?:stems?|stalks?|quills?))|(?:peacock|hackle)\\s+quills?|hackle\\s+(?:stems?|stalks?)|quill\\s+bod(?:y|ies)",
    {
      form: "herl",
      figures: { strand: { width: 0.45, thickness: 0.25, core: 0.25, lineDensity: 0.02 } },
      counted: "strands",
    },
  ],
  [
    "(?:ostrich|emu)\\s+(?:herls?|plumes?)|ostrich",
    {
      form: "herl",
      figures: { strand: { width: 0.4, thickness: 0.9, core: 0.2, lineDensity: 0.01 }, fibreMm: 90 },
      counted: "strands",
    },
  ],
  ["(?:peacock|marabou)?\\s*herls?|peacock(?:\\s+sword)?(?:\\s+fibres?)?", { form: "herl", counted: "strands" }],
  [
    "(?:golden\\s+)?(?:pheasant\\s+)?tippets?\\s+(?:strips?|slips?|sections?)",
    { form: "feather fibre", counted: "slips" },
  ],
  ["biots?", { form: "feather fibre", figures: BIOT, counted: "fibres" }],
  [
    anyOf(
      "(?:starling|snipe|woodcock|grouse|coot|moorhen|duck|teal|mallard|goose|turkey|swan|crow|rook|jay|jackdaw|pigeon|dove|thrush|blackbird|wigeon)\\s+(?:wing\\s+)?(?:primar(?:y|ies)|secondar(?:y|ies))(?:\\s+(?:feathers?|quills?|slips?))?",
      "(?:turkey|goose|swan|duck)(?=\\s*(?:[,;.\\d]|$))",
      "(?=[tgsdcmjh])(?<=\\b(?:slips?|sections?|strips?)\\s+(?:of|from)\\s+(?:[a-z]+\\s+){0,3})(?:turkey|goose|swan|duck|starling|crow|coot|moorhen|jackdaw|heron)(?!\\s+(?:tail|flank|breast|wing))",
      "(?:wing\\s+)?quill\\s+(?:slips?|sections?|segments?)",
      "(?:(?:bronze|golden|silver|hen|cock|grey|brown)\\s+)*(?:goose|turkey|duck|mallard|swan|crow|rook|teal|widgeon|wigeon|starling|pheasant|heron|grouse|woodcock|snipe|partridge|peahen|peacock|coot|moorhen|jay|jackdaw|bustard)\\s+(?:(?:wing|shoulder)\\s+)?(?:strips?|slips?|sections?)",
      "(?:wing\\s+)?slips?",
      "(?:duck|goose|turkey|teal|starling|crow|wing|pointer|primary)\\s+(?:wing\\s+)?quills?",
      "quills?",
    ),
    { form: "quill", counted: "slips" },
  ],
  [
    anyOf(
      "(?:dyed\\s+)?(?:poly(?:propylene)?|acrylic|nylon|sparkle)\\s*(?:yarns?|strands?|fibres?|fibers?)",
      "poly(?:propylene)?",
      "organza",
      "synthetic\\s+(?:fibres?|strands?|wing)",
      "parachute\\s+post\\s+yarn",
    ),
    {
      form: "flash",
      figures: { strand: { section: "flat", width: 0.8, thickness: 0.2, density: 0.9 }, pieceMm: 500 },
      counted: "strands",
    },
  ],
  ["yarns?|wool(?!\\s+dubbing)|crewel|mohair(?!\\s+dubbing)", { form: "yarn", counted: "strands" }],
  [
    anyOf(
      "(?:(?:rabbit|fox|mink|squirrel)\\s+)?zonkers?(?:\\s+strips?)?",
      "cross[-\\s]?cut(?:\\s+(?:[a-z]+\\s+)?(?:rabbit|fur|strips?|hide))*",
      "(?:rabbit|hide|fur|squirrel|mink|leather)\\s+strips?",
      "\\d+(?:[.,]\\d+)?\\s*mm\\s+(?:wide\\s+)?strips?\\s+of\\s+(?:(?:natural|black|white|grey|olive|brown|dyed|tan|barred|chinchilla|dark|light|red|orange|purple|yellow)\\s+){0,3}(?:rabbit|hide|fur|leather|squirrel|mink)(?:\\s+(?:fur|hide|skin))?",
      "strips?\\s+of\\s+(?:(?:natural|black|white|grey|olive|brown|dyed|tan|barred|chinchilla|dark|light)\\s+){0,3}(?:rabbit|hide|fur|leather|squirrel|mink)(?:\\s+(?:fur|hide|skin))?",
    ),
    {
      form: "yarn",
      figures: { strand: { width: 3, thickness: 1.5, core: 0.8, lineDensity: 1.2 } },
      counted: "strands",
    },
  ],
  [
    "(?:strips?\\s+of\\s+)?foam(?:\\s+(?:strips?|cylinders?|sheet))?",
    { form: "stretch body", figures: flat(3, 2, 0.15), counted: "strands" },
  ],
  [
    "(?:scud|shell)\\s*-?backs?(?:\\s+(?:strips?|film|material|plastic))?",
    { form: "stretch body", counted: "strands", role: "wing case", part: "shellback" },
  ],
  [
    anyOf(
      "(?:stretch(?:y)?|vinyl|body|nymph|elastic)\\s+(?:lace|cord)",
      "(?:stretchy?|clear(?=\\s*-?(?:back|skin))|scud|shell|latex|elastic|rubber|plastic|vinyl|nymph)\\s*-?(?:plastic|film|back|strips?|skin|bod(?:y|ies)|band|rib(?:s|bing)?|tubing|sheet)",
      "strips?",
      "(?:flash|pearl|foil|mirror|holographic|tinsel|quill|wing|body)\\s*-?\\s*(?:sheet|film|sheeting)",
      "(?:(?:stretch|body|nymph)\\s+)?ribbons?",
      "stretch(?=\\s*(?:[,.;]|$)|\\s+\\d+(?:[.,]\\d+)?\\s*mm\\s+wide\\b)",
      "latex",
      "raffia",
      "(?:swiss\\s+)?straw",
      "vinyl",
      "(?:plastic|clear|pearl|olive|brown|black|tan|green|grey|white|red|orange|yellow|pink)\\s+film",
      "film(?=\\s*,?\\s*\\d+(?:[.,]\\d+)?\\s*mm\\b)",
      "(?:clear\\s+)?(?:plastic|polythene)(?=\\s*(?:[,;.\\d]|$|strip|(?:well|round|right|both|together|just|here|there|tied|bound|caught|laid|pulled|wound|for|over|at|to|from|along|and|with|plus|in|on)\\b))",
    ),
    { form: "stretch body", counted: "strands" },
  ],
  [
    "(?:knotted|ready-?made|made)\\s+(?:(?!rubber|silicone|round)[\\w-]+\\s+){0,3}legs?",
    { form: "feather fibre", counted: "fibres", role: "legs" },
  ],
  ["(?:(?:round|barred)\\s+)?(?:rubber|silicone)(?:\\s+(?:legs?|strands?))?", { form: "rubber", counted: "strands" }],
  ["(?:detached|extended|moulded)\\s+bod(?:y|ies)", { form: "extended body", counted: "pieces" }],
  [
    "(?:pearl|flash|crystal|tinsel|holographic|mirror|lateral)?\\s*(?:flash|flashes|sparkle)(?:\\s+(?:strands?|fibres?))?",
    { form: "flash", counted: "strands" },
  ],
  [
    anyOf(
      "marabou(?:\\s+(?:plumes?|fibres?|blood|feathers?|tips?))?",
      "(?:blood\\s+)?plumes?",
      "(?:oil-gland|preen|cdc|duck's?\\s+rump)\\s*(?:plumes?|feathers?|fibres?|tips?|puffs?)?",
      "puffs?",
      "cul\\s+de\\s+canard",
    ),
    { form: "feather fibre", figures: PLUME, counted: "feathers" },
  ],
  [
    "(?:partridge|hens?|grouse|starling|snipe|woodcock|game|soft|coot|jackdaw|moorhen|waterhen|plover|speckled\\s+hen|guinea(?:\\s+fowl)?|schlappen|jay)(?:\\s+(?:(?<=\\b(?:hackle|collar)s?\\W+(?:an?\\s+|one\\s+)?[a-z]+\\s+)throat(?=\\s*(?:[,.;]|$)|\\s+feathers?\\b)|(?<=\\ba\\s+[a-z]+\\s+)throat(?=\\s+feathers?\\b)|neck|back(?!\\s+(?:through|over|to|towards?|down|along)\\b)|saddle|cape|body|wing|(?:(?:under|over)-?\\s?(?:wing\\s+)?|(?:marginal|lesser|small|upper|lower)\\s+)?coverts?|breast|soft|rump))*(?:\\s+(?:hackles?|feathers?))?",
    { form: "hackle", figures: SOFT, counted: "feathers" },
  ],
  [
    "(?:jungle\\s+cock|jc)(?:\\s+(?:nails?|eyes?|feathers?|substitutes?|subs?))?",
    { form: "hackle", counted: "feathers", role: "cheeks" },
  ],
  [
    "(?:hackle|spade|cock|rooster)\\s+(?:fibres?|fibers?|fibs|barbs?|barbules?)|(?:cock|rooster|hen)\\s+hackle\\s+(?:fibres?|barbs?)",
    { form: "feather fibre", counted: "fibres" },
  ],
  [
    "(?:stiff\\s+|dry\\s+|cock\\s+|rooster\\s+|grizzly?\\s+|badger\\s+)*saddles?(?:\\s+(?:hackles?|feathers?|tips?))?",
    { form: "hackle", figures: SADDLE, counted: "feathers" },
  ],
  [
    "(?:stiff\\s+|dry\\s+|saddle\\s+|cock\\s+|rooster\\s+|cape\\s+|neck\\s+|grizzly?\\s+|badger\\s+)*(?:hackles?|saddles?|capes?|roosters?|cocks?)(?:\\s+(?:hackles?|feathers?|tips?))?",
    { form: "hackle", counted: "feathers" },
  ],
  [
    "(?:(?:golden|gp)\\s+)?(?:pheasant\\s+)?(?:crests?|toppings?)(?:\\s+feathers?)?",
    { form: "feather fibre", counted: "feathers" },
  ],
  [
    anyOf(
      "(?:cock\\s+|hen\\s+|ring-?neck\\s+|golden\\s+)?(?:pheasant|turkey|goose|swan|heron|crow|condor|magpie|macaw|peacock|ibis|bustard|toucan)\\s+(?:tails?|rumps?|shoulders?|centre\\s+tails?|wings?|swords?)(?:\\s+(?:feathers?|fibres?|fibers?|strands?|barbs?|herls?|slips?))?",
      "(?:pheasant|turkey|goose|swan|heron|condor)\\s+(?:fibres?|fibers?|strands?|barbs?|herls?)",
      "pheasant",
      "(?=[tgshcmd])(?<=\\b(?:fibres?|fibers?|barbs?)\\s+(?:of|from)\\s+(?:an?\\s+)?(?:[a-z]+\\s+){0,3})(?:turkey|goose|swan|heron|crow|magpie|duck)",
      "(?:macaw|ibis|bustard|toucan|florican|argus)(?:\\s+(?:substitutes?|subs?|imitations?))?(?!\\s+(?:[a-z]+\\s+)?feathers?)(?:\\s+(?:fibres?|barbs?))?",
      "pt(?:\\s+(?:fibres?|fibers?|feather))?",
      "(?:golden\\s+pheasant\\s+)?(?:tippets?|coq(?:[\\s-]+de[\\s-]+\\w+)?|cdl)(?:\\s+(?:feathers?|fibres?|strands?))?",
    ),
    { form: "feather fibre", counted: "fibres" },
  ],
  [
    "(?:barred\\s+|bronze\\s+|wood\\s?duck\\s+|mallard\\s+|teal\\s+|widgeon\\s+|gadwall\\s+|drake\\s+)*(?:flanks?|mallard|teal|wood\\s?duck|widgeon|gadwall|shoulder)(?:\\s+(?:feathers?|fibres?|barbs?))?|breast\\s+feathers?",
    { form: "feather fibre", counted: "fibres" },
  ],
  ["(?:turkey|goose|duck)\\s+flats?(?:\\s+feathers?)?", { form: "feather fibre", counted: "feathers" }],
  ["(?:feather\\s+)?(?:(?:micro-?\\s?)?fibres?|fibers?|fibs|barbs?)", { form: "feather fibre", counted: "fibres" }],
  [
    "(?:deer|elk|caribou|moose|antelope|hollow(?![-\\s]tied)|roe|reindeer)(?:\\s+(?:body|belly|rump|mane|hock|leg))?(?:\\s*(?:hairs?|fur))?(?:\\s+fib(?:re|er)s?)?",
    { form: "hair", figures: HOLLOW },
  ],
  [
    anyOf(
      "(?:buck|squirrel|calf|fox|kip|stoat|mink|impala|fitch|marten)\\s*tails?(?:\\s+(?:hairs?|fib(?:re|er)s?))?",
      "(?:calf|goat|badger|bear|yak|horse|monkey|sheep|arctic\\s+fox|fox|squirrel|finn?\\s+raccoon|raccoon|polar)\\s+(?:body\\s+|tail\\s+)?(?:hairs?|(?<!\\bbadger\\s+)fib(?:re|er)s?)",
      "(?:craft|marble|fake|faux|mirror)\\s+fur\\s+fib(?:re|er)s?",
      "(?:horse|goat)hairs?",
      "(?:finn?\\s+)?(?:raccoon|ringtail)(?:\\s+fib(?:re|er)s?)?|(?:icelandic|long-?hair(?:ed)?)\\s+sheep|(?:llama|alpaca)(?!\\s+(?:wool|yarn|dubbing|fur))|(?:polar|black|brown)\\s+bear(?:\\s+fib(?:re|er)s?)?",
      "(?:solid\\s+|winging\\s+|body\\s+)?hairs?(?:\\s+fib(?:re|er)s?)?",
      "(?:boar\\s+|hog\\s+)?bristles?",
      "(?:snowshoe(?:\\s+(?:hare|rabbit))?(?:'s)?|hare's|rabbit's)\\s+(?:foot|feet|toes?)(?:\\s+(?:hair|fur))?",
      "kip(?:\\s+fib(?:re|er)s?)?",
      "calf(?:\\s+body)?(?=\\s*(?:[,;.\\d]|$))",
      "(?:hare|muskrat|fox|badger|mink|rabbit|squirrel|otter|beaver|opossum|possum)(?:'s)?(?:\\s+(?:mask|face|back|poll))?\\s+guard\\s+hairs?",
      "bucktail(?:\\s+fib(?:re|er)s?)?",
    ),
    { form: "hair" },
  ],
  ["synthetics?(?=\\s*(?:[,.;)]|$|\\d))", { form: "dubbing" }],
  ["(?:dubbing\\s+)?blends?|mix(?:ture)?(?!\\s+(?:your|the|up|together)\\b)", { form: "dubbing" }],
  [
    anyOf(
      "(?:dubbing|dub(?!\\s+(?:the|a|an|on|some|it|over|with|from|to)\\b))",
      "(?:(?:hare|rabbit|mole|muskrat|beaver|seal|squirrel|opossum|possum|otter|mink|fox|lamb)(?:'?s(?=\\s+(?:ear|mask|fur|wool|underfur|body|poll)))?|hare'?s?|seal'?s?|lamb'?s?|moleskin|angora(?:\\s+goat)?)(?:[- ](?:ear|mask|fur|wool|underfur|body|poll))*",
      "underfur",
      "furs?",
      "guard\\s+hairs?",
      "mask",
    ),
    { form: "dubbing" },
  ],
  [
    "(?:(?:\\d{1,2}|five|thirty)[-\\s]min(?:ute)?\\s+|uv\\s+|ultraviolet\\s+|light-?cured?\\s+|thin\\s+|thick\\s+|flow\\s+)*(?:resins?|epoxy|acrylic)|uv(?=\\s*(?:[,.;]|$|cured?\\b|over\\b|on\\b))",
    { form: "liquid", figures: { liquid: { kind: "resin" } } },
  ],
  [
    "(?:super\\s?-?|instant\\s+|thin\\s+|gel\\s+|fast\\s+)*(?:glues?|adhesives?|goop)|cyano(?:acrylate)?|super\\s?glue",
    { form: "liquid", figures: { liquid: { kind: "glue" } } },
  ],
  [
    "(?:head\\s+|clear\\s+|thin\\s+|cellulose\\s+)*(?:cements?|varnish(?:es)?|lacquers?|(?<=\\b(?:coats?|drops?|layers?)\\s+of\\s+)cellulose|gloss(?=\\s*(?:[,.;]|$|on\\b|over\\b)))|(?:nail\\s+)polish",
    { form: "liquid", figures: { liquid: { kind: "lacquer" } } },
  ],
  ["wires?", { form: "wire" }],
  ["strands?", { form: "flash", counted: "strands" }],
  ["feathers?", { form: "hackle", figures: SOFT, counted: "feathers" }],
  ["legs?", { form: "rubber", counted: "strands" }],
];

/** The nouns in the order in which they are tried. */
export const nounSources: readonly { source: string; means: NounForm }[] = nouns.map(([source, means]) => ({
  source,
  means,
}));

/** Words that go before a noun, or after a comma, and describe what is meant; colours are kept elsewhere. */
const describing =
  "fine finest extra small micro medium magnum large med sm lg big thick thin heavy light dark pale bright deep hot fluorescent fl dyed bleached undyed natural mottled barred speckled variegated soft stiff flat oval embossed hollow solid shiny matt matte coarse glossy brassie grizzle grizzly badger furnace pearlescent brass tungsten glass plastic nickel slotted countersunk faceted narrow wide substitute sub imitation";
/** Words that may follow a noun and still describe what it names. */
export const after = new Set(describing.split(" "));

export const modifiers = new Set(
  (
    "fine finest extra small medium large med sm lg big thick thin heavy light dark pale bright deep hot fire burnt fluorescent fl dyed bleached undyed natural mottled barred " +
    "speckled variegated spotted banded soft stiff dry wet stripped flat oval round embossed embossed lead-free hollow solid dull shiny matte matt " +
    "round long short wide narrow coarse fluffy webby glossy two-tone standard super ultra micro mini midi jumbo brassie " +
    "grizzle grizzly badger furnace cree splashed cock hen rooster cape neck saddle spade genetic indian chinese " +
    "pheasant turkey goose duck mallard teal peacock ostrich partridge grouse starling hare hare's rabbit mole muskrat beaver seal seal's squirrel fox deer elk " +
    "calf goat badger golden ring-neck ringneck cock-pheasant drake heron swan crow jay magpie guinea snipe woodcock marabou oil-gland cdc silk rayon nylon wool cotton poly " +
    "polypropylene holographic metallic pearlescent opal uv tungsten brass glass plastic ceramic slotted faceted countersunk painted copper " +
    "weighted unweighted ready-made knotted rubber silicone synthetic acrylic latex stretch elastic foam tinsel flash crystal body tail wing flank shoulder breast rump back neck belly " +
    "centre center left right matched single double strong four-strand strung loose clean underfur long-staple spiky rough hackle dubbing fur " +
    "gauge fluo neon dun holo waxed unwaxed bonded flattened"
  ).split(/\s+/),
);
