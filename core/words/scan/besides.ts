import { alsoCalled, formSaid, nounMeans, type Description } from "../description";
import { type Mention, lead } from "./mention";
import { LONGER, SHORTER } from "../text/length";
import { shapeOf, slipOf } from "../named";
import { isThickness } from "../said";
import { isColour } from "../../materials";
import type { Told } from "../told";

/** What a second material may be to the one that a clause has, in the order in which it is tried. */
export const besides: readonly ((m: Mention) => boolean)[] = [
  isAlternate,
  isMeasure,
  isCrossed,
  isCoated,
  isSource,
  isCut,
  isQuality,
  isNothingNew,
  isShape,
  isStripOfFeather,
  isSlip,
  isLabel,
  isKindOfThread,
];

/** “charcoal, 30 denier gel spun”: what the thread is of. */
function isKindOfThread({ told, found }: Mention): boolean {
  const { description } = told;
  if (told.role !== "thread" || !description || description.exact || !/^gel[-\s]?spun$/.test(found.text.trim()))
    return false;
  told.description = { ...description, end: found.end, text: `${description.text}, ${found.text.trim()}` };
  return true;
}

function isAlternate({ told, text, at, found }: Mention): boolean {
  const between = text.slice(told.description?.end ?? at, at);
  if (!/\bor\s*$/.test(text.slice(Math.max(0, at - 5), at)) && !/\bor\s+$/.test(between)) return false;
  told.alternates.push(found);
  asFibres(told, found);
  return true;
}

const ofFibres = /\b(?:fib(?:re|er)s|barbs)$/;
/** “Partridge or hen fibres”: of the first it is the fibres as well. */
function asFibres(told: Told, other: Description): void {
  const { description } = told;
  const isFeather = formSaid(description) === "hackle" && !description?.exact;
  if (!description || !isFeather || !ofFibres.test(other.text.trim()) || told.kind !== "lay") return;
  told.description = { ...description, text: `${description.text.trim()} fibres`, means: nounMeans("fibres") };
  const { amount } = told.said;
  if (amount && "feathers" in amount && !amount.part) told.said.amount = { fibres: amount.feathers };
}

const measured =
  /(?:(?:to|reach(?:es|ing)?)\s+(?:the\s+)?(?:ends?|tips?)\s+of(?=\s+(?:the\s+)?$)|(?:level|even|flush)\s+with|as\s+long\s+as|same\s+length\s+as|(?:longer|shorter)\s+than|match(?:ing)?)\s+(?:the\s+)?(?:(?:end|tips?|rear|back)\s+of\s+(?:the\s+)?)?$/;

/** “level with the white poly”: as long as what is tied of it. */
function isMeasure(m: Mention): boolean {
  const { said } = m.told;
  const before = lead(m, 40);
  if (/\blonger\s+than\s+(?:the\s+)?$/.test(before)) said.likeTimes ??= LONGER;
  if (/\bshorter\s+than\s+(?:the\s+)?$/.test(before)) said.likeTimes ??= SHORTER;
  if (!measured.test(before)) return false;
  asThickness(m.told);
  said.like = m.found.text;
  return true;
}

/** “A clump of elk (3 mm), tips to the end of the foam”: the figure before is how thick the clump is. */
function asThickness({ said, description }: Told): void {
  const { shown } = said;
  if (formSaid(description) !== "hair" || said.amount || shown === undefined || !isThickness(shown)) return;
  said.amount = { clump: shown };
  delete said.shown;
}

/** “over the tinsel”, “through the hackles”: where it goes, once it is told of what it is. */
function isCrossed(m: Mention): boolean {
  const { told, found } = m;
  const form = formSaid(found);
  // “Tied down at the bend over the tubing”: over what lies on the shank.
  // “A strip of raffia over the dubbing”: what covers the back lies over all that.
  // “Slips tented over the squirrel”: over the wing beneath.
  const liesOn = told.role === "wing case" || told.said.stance === "tent" || form === "tinsel" || form === "floss";
  const isLaidOver = told.kind === "lay" && liesOn;
  if ((told.kind !== "wind" && !isLaidOver) || !isAcross(m)) return false;
  told.said.over = found.text.trim();
  return true;
}

/** “a coat of varnish on the quill”: what it is put on. */
function isCoated(m: Mention): boolean {
  if (m.told.kind !== "glue" || !/\b(?:on|onto|over|along|to)\s+(?:the\s+|both\s+|all\s+)?$/.test(lead(m, 14)))
    return false;
  m.told.onto = m.found;
  return true;
}

const bareFeather =
  /^(?:(?:soft|stiff|small|large|long|short|webby|single|good|nice)\s+)*(?:feathers?|hackles?|fibres?|fibers?|barbs?|hairs?|herls?)$/;
const fromAnimal = /\bfrom\s+(?:the\s+)?(?:[a-z]+\s+of\s+)?(?:an?\s+|the\s+)?$/;
const areaOf =
  /^(?:shoulder|neck|flank|breast|back|rump|wing|tail|cape|saddle|nape|covert|hide|mask)\s+of\s+(?:an?|the)\s/;
/** “one soft feather from the shoulder of a starling”: of which bird it is. */
function isSource(m: Mention): boolean {
  const { told, found } = m;
  const first = told.description;
  // “from the shoulder of a starling”: the bird comes behind.
  if (areaOf.test(m.text.slice(m.begin, m.begin + 40)) && fromAnimal.test(lead(m, 40))) return true;
  if (!first || first.exact || !bareFeather.test(first.text.trim().toLowerCase()) || !fromAnimal.test(lead(m, 40)))
    return false;
  const form = formSaid(found);
  if (form !== first.means?.form && form !== "hackle" && form !== "feather fibre") return false;
  told.description = { ...first, end: found.end, text: `${found.text.trim()} ${first.text.trim()}` };
  return true;
}
/** “a second strip, crosscut”: how the hide of it is cut. */
function isCut({ found, told }: Mention): boolean {
  return /\bstrip/.test(told.description?.text ?? "") && /^cross-?\s?cut$/.test(found.text.trim());
}
const quality = /^(?:soft|stiff|webby|glossy|fine|well[-\s]marked|short|long|small|large)$/;
/** “hen partridge, soft brown”: how the feather is that was named, and no second one. */
function isQuality(m: Mention): boolean {
  const { told, found } = m;
  const first = told.description;
  const words = found.text.trim().toLowerCase().split(/\s+/);
  const isNamed = first?.text.split(/\s+/).some((w) => !isColour(w) && !quality.test(w.toLowerCase()));
  const isOnlyThat = words.every((w) => quality.test(w) || isColour(w)) && words.some((w) => quality.test(w));
  if (!first || !isNamed || !isOnlyThat || !isBehindComma(m) || formSaid(first) !== "hackle") return false;
  told.description = alsoCalled(first, found.text.trim(), "hackle");
  return true;
}
/** “between the yarn pieces” says where; “snipe covert, feather stroked and tied in by the tip” names nothing new. */
function isNothingNew(m: Mention): boolean {
  const isBare = /^(?:feathers?|fibres?|barbs?|hackles?)$/.test(m.found.text.trim());
  const isPlume = isBare || /^plumes?$/.test(m.found.text.trim());
  return (
    /\b(?:between|among)\s+(?:the\s+)?$/.test(lead(m, 14)) ||
    (isBare && /,\s*(?:the\s+)?$/.test(m.text.slice(0, m.at))) ||
    // “Collar: olive marabou, another plume wound by its tip”
    (isPlume &&
      /,\s*an?other\s+$/.test(m.text.slice(0, m.at)) &&
      /^\s+(?:wound|wrapped)\b/.test(m.text.slice(m.found.end)))
  );
}

const isBehindComma = ({ told, text, begin }: Mention): boolean =>
  /,\s*(?:an?\s+)?$/.test(text.slice(told.description?.end ?? begin, begin));

/** “black foam, a strip 5 mm wide and 2 mm thick”: in which shape it is taken. */
function isShape(m: Mention): boolean {
  const { told, found } = m;
  const shaped = told.description && isBehindComma(m) ? shapeOf(told.description, found) : undefined;
  if (!shaped) return false;
  told.description = shaped;
  return true;
}

/** “Mottled turkey, a strip as wide as the gape”: what is cut of a feather is a slip of it. */
function isStripOfFeather(m: Mention): boolean {
  const { told, found } = m;
  const form = formSaid(told.description);
  const isFeather = form === "quill" || form === "feather fibre";
  if (!isFeather || told.kind !== "lay" || !/^(?:strip|slip|section)$/.test(found.text.trim()) || !isBehindComma(m))
    return false;
  told.said.isSlips = true;
  return true;
}

function isSlip(m: Mention): boolean {
  const { told, found } = m;
  const mm = told.description && isBehindComma(m) ? slipOf(told.description, found) : undefined;
  if (mm === undefined || told.kind !== "lay" || told.said.amount) return false;
  told.said.amount = { slipWidth: { mm } };
  return true;
}

/** “topping (golden crest feather)”, “Rabbit strip: white zonker” say the same once more. */
function isLabel({ told, text, at, found }: Mention): boolean {
  const first = told.description;
  if (!first) return false;
  // “Foam eyes: 6 mm foam cylinder”
  const isOfPart = /^\s+(?:eyes|body|back|legs|wings?|tail|head)\s*:\s*$/u.test(text.slice(first.end, at));
  const isNamed = (text[first.end] === ":" || isOfPart) && /^\W*(?:body\s+)?$/.test(text.slice(told.at, first.at));
  if (!isNamed && !/^\s*\(\s*$/.test(text.slice(first.end, at))) return false;
  told.description = found;
  return true;
}

const acrossIt = /\b(?:over|through|across|round|around|along|up|down|into)\s+(?:the|both|all)\s+$/;

const areFew = (words: string): boolean => words.trim().split(/\s+/).length <= 3;
/** “over the tinsel”, “along the seal's fur” */
export const isAcross = (m: Mention): boolean => acrossIt.test(lead(m, 14)) && areFew(m.found.text);
