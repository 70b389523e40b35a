/** Signs that begin a formula, also in their full-width forms and behind blanks. */
const opensFormula = /^[\s\0]*[=+\-@\uff1d\uff0b\uff0d\uff20|%]|^[\t\r\n]/;

/** A cell that a spreadsheet would take for a formula is made plain text. */
export const safeCell = (value: string): string => (opensFormula.test(value) ? `'${value}` : value);

/** A row of such cells. */
export const safeRow = (row: object): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).map(([k, v]) => [k, typeof v === "string" ? safeCell(v) : (v as unknown)]));
