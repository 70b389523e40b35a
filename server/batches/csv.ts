import Papa from "papaparse";
import type { BatchDetail } from "@kasten/contract/batches";
import { safeCell } from "../http/cells";

/** The materials of a batch as an open file: quantities in base units and in bench words. */
export const materialsCsv = (b: BatchDetail): string =>
  Papa.unparse(
    b.requirements.map((r) => ({
      batch: b.number,
      role: safeCell(r.role),
      material: safeCell(r.material),
      name: safeCell(r.materialName),
      side: r.side ?? "",
      per_fly: Number(r.perFly.toPrecision(6)),
      unit: r.unit,
      net: r.net,
      issue: r.issue,
      words: safeCell(r.words),
      lots: safeCell(r.reserved.map((x) => `${x.place} ${x.lotCode}`).join("; ")),
    })),
  );
