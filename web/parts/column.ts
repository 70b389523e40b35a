/** A column of a table: what stands in it, and what it is sorted, found and copied by. */
export interface Column<Row> {
  id: string;
  head: string;
  /** What is sorted, found and copied. A column without it is only shown. */
  value?: (row: Row) => string | number | null | undefined;
  /** What is copied, where that is not what is sorted by. */
  copied?: (row: Row) => string | number | null | undefined;
  /** Figures stand to the right, so that they can be compared. */
  end?: boolean;
  mono?: boolean;
  /** Its head is read aloud only. */
  quiet?: boolean;
  /** Where rows are stacked: the first line of a row, across its whole width. */
  lead?: boolean;
  /** Where rows are stacked: the last line, across the whole width: what can be done. */
  act?: boolean;
  /** Not shown until it is asked for. */
  aside?: boolean;
  /** The word of the trade that its head is, for whoever asks what it means. */
  word?: string;
  /** In the order given, whatever is clicked. */
  fixed?: boolean;
  class?: string;
}

const isNothing = (x: unknown): boolean => x === undefined || x === null || x === "";
/** Whether there is nothing to show in it; only a column with a value can know. */
export const isBlank = <Row>(column: Column<Row>, row: Row): boolean =>
  column.value !== undefined && isNothing(column.value(row));

/** What is said in a table, for another program: a cell that would be taken for a formula is made harmless. */
export async function tableAsCsv<Row>(columns: Column<Row>[], rows: Row[]): Promise<string> {
  const { default: papa } = await import("papaparse");
  const said = columns.filter((c) => c.value || c.copied);
  return papa.unparse(
    {
      fields: said.map((c) => c.head),
      data: rows.map((row) => said.map((c) => (c.copied ?? c.value)?.(row) ?? "")),
    },
    { escapeFormulae: true },
  );
}
