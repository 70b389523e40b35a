import type { ComponentUse } from "../fly";
import { quantityWords, type MaterialForm } from "../materials";
import { basePerCore, type StockUnit } from "../units";

const number = (value: number, digits = 1): string => String(Number(value.toFixed(digits)));

const plural = (n: number, one: string, many = `${one}s`) => `${number(n)} ${n === 1 ? one : many}`;

const nouns: Partial<Record<MaterialForm, [string, string]>> = {
  hook: ["hook", "hooks"],
  bead: ["bead", "beads"],
  eyes: ["pair of eyes", "pairs of eyes"],
  "extended body": ["body", "bodies"],
  "made part": ["part", "parts"],
  herl: ["herl", "herls"],
  "feather fibre": ["feather", "feathers"],
};

/** What is said of a quantity at the bench. */
interface Told {
  issue: number;
  unit: StockUnit;
  side?: string;
  barb?: [number, number];
  area?: string;
  uses: { use: ComponentUse }[];
}

/** The same quantity in the words used at the bench: "38 feathers, barbs 7.2–9.6 mm", "cut 24 lengths of 60 mm". */
export const benchWords = (r: Told, form: MaterialForm): string =>
  `${wordsOf(r, form)}${r.area ? `, from the ${r.area}` : ""}`;

function wordsOf(r: Told, form: MaterialForm): string {
  const first = r.uses[0]?.use;
  const quantity = quantityWords(r.issue, r.unit);
  switch (first?.kind) {
    case "wound feather":
      return `${plural(r.issue, "feather")}${first.together ? `, ${first.together} wound together` : ""}${r.barb ? `, barbs ${[...new Set(r.barb.map((mm) => number(mm)))].join("–")} mm` : ""}`;
    case "fibres":
      return `${plural(r.issue, "feather")}: ${number(first.fibres)} fibres a fly${first.pooled ? "" : ", each feather for whole flies"}, ${number(Math.floor(first.perFeather))} a feather, ${number(first.lengthMm)} mm or longer`;
    case "slips":
      return `${plural(r.issue, `${r.side ?? ""} feather`.trim())}: slips ${number(first.widthMm)} mm wide, ${first.perFeather} a feather`;
    case "feathers":
      return `${plural(r.issue, `${r.side ?? ""} feather`.trim())}: ${number(first.paired ? first.each / 2 : first.each)} a fly`;
    case "patch":
      return `${plural(r.issue, "patch", "patches")}: ${number(first.areaMm2)} mm² a fly`;
    case "strands":
      return `${plural(r.issue, "strand")}: cut pieces of ${number(first.pieceMm)} mm, ${first.piecesPerFly} a fly`;
    case "cut": {
      const lengths = r.unit === "um" ? r.issue / (first.piece * basePerCore.um) : r.issue;
      return `cut ${plural(lengths, "length")} of ${number(first.piece)} mm${first.together ? `, ${first.together} wound together` : ""}`;
    }
    case "layer":
      return first.unit === "count" ? `${plural(r.issue, "feather")} for the loop` : quantity;
    case "packets":
      return `${plural(r.issue, "packet")}: ${number(first.fliesPerPacket)} flies a packet`;
    case "pieces": {
      const [one, many] = nouns[form] ?? ["piece", "pieces"];
      return plural(r.issue, one, many);
    }
    default:
      return quantity;
  }
}
