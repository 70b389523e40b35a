import { format, parseISO } from "date-fns";
import { ref } from "vue";
import { quantityWords } from "@kasten/core/materials";
import { type StockUnit } from "@kasten/core/units";
import { inReadersUnits } from "./units";

export const day = (iso: string): string => format(parseISO(iso), "EEE d MMM");
export const dayYear = (iso: string): string => format(parseISO(iso), "d MMM yyyy");
export const moment = (iso: string): string => format(parseISO(iso), "d MMM, HH:mm");
/** The sign of the room's money, as its settings have it; it is told once they are here. */
const sign = ref("€");
export const currencySign = (): string => sign.value;
export const tellCurrency = (said: string): void => {
  sign.value = said;
};
export const money = (cents: number): string => `${(cents / 100).toFixed(2)} ${sign.value}`;
/** A probability as people say it: so many of a hundred cases. */
export const ofHundred = (odds: number): number => Math.round(odds * 100);
export const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, "0")}`;
export const quantity = (base: number, unit: string): string => inReadersUnits(quantityWords(base, unit as StockUnit));

/** One rule of decimals for each unit of the computation. */
export function term(value: number, unit: string): string {
  const digits =
    unit === "mm"
      ? 2
      : unit === "mm²" || unit === "mm³" || unit === "mg" || unit === "µl"
        ? 2
        : unit === "mg/mm" || unit === "mg/mm³"
          ? 3
          : 0;
  if (unit === "" || unit === "pieces" || unit === "feathers" || unit === "turns")
    return String(Number(value.toPrecision(4)));
  return value.toFixed(digits);
}
