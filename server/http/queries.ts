import { row, type Db } from "../database/rows";

/** The newest migration that the database has seen. */
export const newestMigration = async (db: Db): Promise<string> =>
  (await row<{ name: string }>(db, "SELECT name FROM migrations ORDER BY id DESC LIMIT 1"))?.name ?? "";
