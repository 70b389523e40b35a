import { quantityWords } from "@kasten/core/materials";
import { quantity, type StockUnit } from "@kasten/core/units";
import { perFileUnit } from "../import";
import { countWays } from "../ledger";
import { countLotIn, lotsForCounting } from "../stock";
import { same, wrong, type FileReader } from "./reader";

const MOST_COUNTED = 1_000_000_000_000;
const MOST_NOTE = 200;
const inBase = (written: number, unit: StockUnit): number => Math.round(written * perFileUnit[unit]);

/** What was counted of lots, on paper or in a table; each lot is put right by the difference. */
export const counts: FileReader = async (db) => {
  const lots = await lotsForCounting(db);
  const seen = new Map<string, number>();
  return {
    judge: (line) => {
      const [code, drawer] = [line.text("lot"), line.text("drawer")];
      const [counted, plusMinus] = [line.number("counted"), line.number("plus_minus")];
      const how = line.one("how", countWays, "counted");
      const note = line.text("note");
      if (counted !== undefined && counted < 0) line.says("counted", "is less than nothing");
      if (plusMinus !== undefined && plusMinus < 0) line.says("plus_minus", "is less than nothing");
      if (note.length > MOST_NOTE) line.says("note", `is longer than ${MOST_NOTE} characters`);
      if (line.wrong.length > 0 || counted === undefined) return wrong(...line.wrong);
      const there = lots.filter((l) => l.lot === code && (drawer === "" || l.drawer === drawer));
      const [lot] = there;
      if (!lot) return wrong(`no lot ${code} lies in ${drawer ? `drawer ${drawer}` : "a drawer"}`);
      if (there.length > 1)
        return wrong(`lot ${code} lies in ${there.map((l) => l.drawer).join(" and ")}: say which drawer was counted`);
      const key = `${lot.id}|${lot.place}`;
      const earlier = seen.get(key);
      if (earlier !== undefined) return wrong(`the same lot in the same drawer as line ${earlier}`);
      seen.set(key, line.line);
      const [now, pm] = [inBase(counted, lot.unit), inBase(plusMinus ?? 0, lot.unit)];
      if (now > MOST_COUNTED || pm > MOST_COUNTED) return wrong("more than any room holds");
      const words = (q: number): string => quantityWords(quantity(q, lot.unit), lot.unit);
      if (now < lot.reserved) return wrong(`batches have ${words(lot.reserved)} of it put by: give some back first`);
      if (now === lot.quantity) return same(`${words(now)} of ${lot.material}, as it is booked`);
      const by = now > lot.quantity ? `${words(now - lot.quantity)} more` : `${words(lot.quantity - now)} fewer`;
      return {
        fate: "changes",
        says: `${words(now)} of ${lot.material}, lot ${code}: ${by} than is booked`,
        take: (tx, person) =>
          countLotIn(tx, person, lot.id, {
            place: lot.place,
            counted: now,
            plusMinus: pm,
            how,
            note: note || "from a file",
          }),
      };
    },
  };
};
