import Papa from "papaparse";
import type { BatchDetail } from "@kasten/contract/batches";

/** Signs that begin a formula, also in their full-width forms and behind blanks. */
const opensFormula = /^[\s\0]*[=+\-@\uff1d\uff0b\uff0d\uff20|%]|^[\t\r\n]/;
/** A cell that a spreadsheet would take for a formula is made plain text. */
const plain = (value: unknown): unknown =>
  typeof value === "string" && opensFormula.test(value) ? `'${value}` : value;

/** The materials of a batch as an open file: quantities in base units and in bench words. */
export const materialsCsv = (b: BatchDetail): string =>
  Papa.unparse(
    b.requirements.map((r) => ({
      batch: b.number,
      role: plain(r.role),
      material: plain(r.material),
      name: plain(r.materialName),
      side: r.side ?? "",
      per_fly: Number(r.perFly.toPrecision(6)),
      unit: r.unit,
      net: r.net,
      issue: r.issue,
      words: plain(r.words),
      lots: plain(r.reserved.map((x) => `${x.place} ${x.lotCode}`).join("; ")),
    })),
  );
