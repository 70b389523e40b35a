import { deepCopy } from "./copy";
import {
  chenilleAcross,
  codeFor,
  colourIn,
  denierOfNumber,
  newMaterial,
  widthOfGauge,
  widthOfLine,
  withGauge,
  type Material,
} from "../materials";
import { beadMass } from "../tying";
import { mmOf } from "../units";
import { leadSaid } from "./lead";
import { remembered } from "./remembered";
import type { NounForm } from "./lexicon/nouns";

const LEAD = 11.34;
const LEAD_FREE = 7.3;
/** The figure that stands ahead of a unit. */
function figureOf({ source }: RegExp): (text: string) => number | undefined {
  const fraction = new RegExp(`(\\d+)\\/(\\d+)\\s*(?:${source})`, "i");
  const decimal = new RegExp(`(\\d+(?:[.,]\\d+)?|\\.\\d+)\\s*(?:${source})`, "i");
  return (text) => {
    const part = fraction.exec(text);
    if (part) return Number(part[1]) / Number(part[2]);
    const m = decimal.exec(text);
    return m ? Number((m[1] ?? "").replace(",", ".")) : undefined;
  };
}
const millimetres = figureOf(/mm\b/);
const inches = figureOf(/in(?:ch)?\b|"/);
const thousandths = figureOf(/thou(?:sandths?)?\b/);
const deniers = figureOf(/den(?:ier)?\b|d\b|dt\b/);
const millimetresThick = figureOf(/mm\s+thick/);
const millimetresOfStrip = figureOf(/mm\s+(?:wide|strips?)\b/);
const millimetresWide = figureOf(/mm\s+(?:wide|thick|across)\b/);
const GAUGES = /\b(extra fine|finest|fine|small|medium|large|extra large)\b/i;
const BEAD_LENGTH = 0.85;
const PLASTIC = 1.2;
/** Densities in mg/mm³. */
const metals: [RegExp, number][] = [
  [/tungsten/i, 17.5],
  [/glass/i, 2.5],
  [/plastic|mono\b|nylon|doll|resin|epoxy/i, PLASTIC],
  [/lead\b(?!-?\s?free)/i, LEAD],
];
const BRASS = 8.5;

/** Eyes that are stuck on are flat: a disc about so much of its diameter thick. */
const DISC = 0.15;
/** Eyes that are stuck on, one on each side; a dumbbell or a pair of chain is one piece. */
export const isStuckOn = (words: string): boolean =>
  /stick[-\s]?on|adhesive|\btape\b|\bfoil\b|flat\s+eyes?|holographic|\b3d\b|imitation|(?:glass|moulded|painted)\s+eyes?/i.test(
    words,
  );
const isSingle = /doll|plastic/i;
/** Mass of eyes in mg: of one where they come singly, of the pair on its bar or stalk where they do not. */
function eyesMass(mm: number, known: number | undefined, name: string): number {
  if (isStuckOn(name)) return (known ?? PLASTIC) * (Math.PI / 4) * mm ** 2 * (DISC * mm);
  const density = known ?? BRASS;
  return (isSingle.test(name) ? 1 : 2) * beadMass(mm, density);
}

const ownThread = /^((?:tying\s+)?(?:thread|silk))\s*[,(-]\s*(?:i|we|it|mine|this)\b[^\d]*(\d.*)$/i;

/** A material that was only described, with the nominal figures of its form and what its words say of its size. */
export function described(text: string, means: NounForm, taken: (code: string) => boolean): Material {
  const known = uncoded.get(means) ?? remembered((words) => withoutCode(words, means));
  uncoded.set(means, known);
  const material = deepCopy(known(text));
  return { ...material, code: codeFor(material.name, means.form, taken) };
}

/** What each meaning of a noun has been described as: all but its code, which depends on those that are taken. */
const uncoded = new WeakMap<NounForm, (text: string) => Material>();

function withoutCode(text: string, means: NounForm): Material {
  const name = text
    .replace(/\s+/g, " ")
    .replace(/^(?:the|a|an)\s+/i, "")
    // “Thread - I'm using 8/0 in brown”: it is called by what it is.
    .replace(ownThread, (_, noun: string, which: string) => `${which} ${noun}`)
    .trim()
    .replace(/[\s,;]+$/, "")
    .replace(/^\d{1,2}\/0\s+[a-z]+$/i, (name) => (means.form === "thread" ? `${name} thread` : name))
    .slice(0, 80);
  const colour = colourIn(name);
  const plain: Material = {
    ...newMaterial("", name, means.form),
    ...deepCopy(means.figures ?? {}),
    ...(colour && { colour: colour.seen, colourName: colour.name }),
  };
  if (means.form === "weight wire") {
    const lead = leadSaid(name);
    plain.lead = lead ?? plain.lead;
    if (lead !== undefined && plain.strand) plain.strand.density = lead ? LEAD : LEAD_FREE;
  }
  const said = GAUGES.exec(name)?.[1]?.toLowerCase();
  const gauge = said === "finest" ? "extra fine" : said;
  return sizedAs(gauge === undefined ? plain : withGauge(plain, gauge), name);
}

function sizedAs(m: Material, name: string): Material {
  const mm = millimetres(name) ?? inMm(inches(name));
  switch (m.form) {
    case "bead":
    case "eyes": {
      const across = mm ?? bareAcross(name);
      if (!m.part || across === undefined) return m;
      const density = metals.find(([metal]) => metal.test(name))?.[1];
      const mass = m.form === "bead" ? beadMass(across, density ?? BRASS) : eyesMass(across, density, name);
      const part = { diameter: across, length: across * BEAD_LENGTH, mass: Number(mass.toFixed(1)) };
      return { ...m, part: { ...m.part, ...part } };
    }
    case "thread": {
      const number = /\b(\d+\/0)\b/.exec(name)?.[1];
      const denier = deniers(name) ?? (number === undefined ? undefined : denierOfNumber(number)) ?? bareDenier(name);
      const bare = /(?:^|\s)(0?\.\d{1,3})\b/.exec(name)?.[1];
      const across = /mono|nylon/i.test(name)
        ? (mm ?? (bare === undefined ? undefined : bareThickness(bare)))
        : undefined;
      const known = denier ?? (across === undefined ? undefined : denierOfMono(across));
      return known === undefined || !m.thread ? m : { ...m, thread: { ...m.thread, denier: known } };
    }
    case "weight wire":
    case "wire": {
      const thou = thousandths(name);
      const bare = thou === undefined ? /(?:^|\s)0?(\.\d{1,3})\b/.exec(name)?.[1] : `.${String(thou).padStart(3, "0")}`;
      const width = mm ?? (bare === undefined ? widthOfLine(name) : bareWidth(bare, m.form));
      return ofWidth(m, width);
    }
    case "chenille":
      return mm === undefined || mm > WIDEST_CHENILLE ? m : chenilleAcross(m, mm);
    case "extended body":
      return mm === undefined || !m.part ? m : { ...m, part: { ...m.part, length: mm } };
    case "stretch body":
      return sheetOf(m, name, mm);
    case "tinsel":
    case "rubber":
    case "yarn":
      return ofWidth(m, millimetresWide(name) ?? (mm !== undefined && mm <= WIDEST_STRAND_MM ? mm : undefined));
    default:
      return m;
  }
}
/** No strand and no strip is wider: a larger figure is how long its piece is. */
export const WIDEST_STRAND_MM = 12;
const ofWidth = (m: Material, width: number | undefined): Material =>
  width === undefined || !m.strand
    ? m
    : { ...m, strand: { ...m.strand, width, ...(m.strand.section === "round" && { thickness: width }) } };

/** “Tan 140”: a thread's number without a unit is its denier. */
function bareDenier(name: string): number | undefined {
  const denier = Number(/(?:^|[\s(])(\d{2,3})(?=[\s,)]|$)(?!\s*(?:mm|x|lbs?|pounds?)\b)/.exec(name)?.[1] ?? NaN);
  return denier >= FINEST_DENIER && denier <= HEAVIEST_DENIER ? denier : undefined;
}
const [FINEST_DENIER, HEAVIEST_DENIER] = [15, 600];

/** Wider it has fibres that stand off, and turns lie no further apart for that. */
const WIDEST_CHENILLE = 8;

/** Foam is told by how thick its sheet is, a strip of all else by how wide it is cut. */
function sheetOf(m: Material, name: string, mm: number | undefined): Material {
  if (!m.strand || mm === undefined) return m;
  const thick = millimetresThick(name);
  const wide = millimetresOfStrip(name) ?? (thick === undefined && !/\bfoam\b/i.test(name) ? mm : undefined);
  // “5 mm strip of 2 mm foam”: how wide it is cut, and how thick the sheet.
  const sheet = millimetres(name.replace(/\d+(?:[.,]\d+)?\s*mm\s+(?:wide|strips?)\b/i, ""));
  const thickness = thick ?? (/\bfoam\b/i.test(name) ? sheet : undefined);
  return {
    ...m,
    strand: { ...m.strand, ...(wide !== undefined && { width: wide }), ...(thickness !== undefined && { thickness }) },
  };
}
/** Beads and eyes are as wide as this, in mm, where a figure has no unit; a fraction is one of an inch. */
const WIDEST_BARE = 12;
function bareAcross(name: string): number | undefined {
  const [, fraction, plain] =
    /(?:^|\s)(?:(\d{1,2}\/\d{1,2})(?![\d/])|(\d{1,2}(?:[.,]\d+)?)(?![\d./x]))/.exec(name) ?? [];
  if (fraction !== undefined) {
    const [over = 0, under = 0] = fraction.split("/").map(Number);
    return over > 0 && under > 1 ? inMm(over / under) : undefined;
  }
  const mm = Number((plain ?? "").replace(",", "."));
  return mm >= 1 && mm <= WIDEST_BARE ? mm : undefined;
}
/** Density of nylon, in mg/mm³. */
const NYLON = 1.14;
/** Denier of nylon so many mm thick: grams of 9,000 m. */
const denierOfMono = (mm: number): number => Math.round(9000 * NYLON * (Math.PI / 4) * mm ** 2);
/** Weight wire comes up to so many inches thick; a larger figure without a unit is in mm: “mono 0.12”. */
const THICKEST_INCHES = 0.05;
const bareWidth = (figure: string, form: Material["form"]): number | undefined =>
  Number(figure) <= THICKEST_INCHES ? widthOfGauge(figure, form) : Number(figure);
const bareThickness = (figure: string): number | undefined =>
  Number(figure) <= THICKEST_INCHES ? inMm(Number(figure)) : Number(figure);
const inMm = (inches: number | undefined): number | undefined =>
  inches === undefined ? undefined : mmOf(inches, "in");
