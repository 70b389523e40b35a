import { isValid, parseISO } from "date-fns";
import { fieldProblem } from "./problems";

/** Where a page begins: after the row of this due day and number. */
export interface DayCursor {
  due: string;
  number: number;
}

/** "2027-03-12_41": the due day and number of the last row of the page before. */
export function dayCursor(text: string | undefined): DayCursor | undefined {
  if (text === undefined) return undefined;
  const m = /^(\d{4}-\d{2}-\d{2})_(\d{1,9})$/.exec(text);
  const due = m?.[1];
  if (due === undefined || due < "0001-01-01" || !isValid(parseISO(due)))
    throw fieldProblem("No such page", "cursor", "Begin at the first page: this address does not name one.");
  return { due, number: Number(m?.[2]) };
}
