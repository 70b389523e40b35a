import { basePerCore, type StockUnit } from "../units";

const number = (value: number, digits = 1): string => String(Number(value.toFixed(digits)));

/** A stock quantity as a person reads it: 12, 3.45 m, 60 mm, 1.2 g, 340 mg, 1.2 ml. */
export function quantityWords(base: number, unit: StockUnit): string {
  const core = base / basePerCore[unit];
  switch (unit) {
    case "count":
      return number(core);
    case "um":
      return Math.abs(core) >= 1000 ? `${number(core / 1000, 2)} m` : `${number(core)} mm`;
    case "ug":
      return Math.abs(core) >= 1000 ? `${number(core / 1000, 2)} g` : `${number(core)} mg`;
    case "nl":
      return Math.abs(core) >= 1000 ? `${number(core / 1000, 2)} ml` : `${number(core)} µl`;
  }
}
