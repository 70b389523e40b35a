import type { TestProject } from "vitest/node";
import { loadFolder } from "../import";
import { openDatabase } from "../source";
import { MONDAY_MORNING } from "./monday";
import { createDatabase, dropOldDatabases } from "./databases";
import { demoFolder } from "./demo";

declare module "vitest" {
  interface ProvidedContext {
    /** The server's own database, for making others. */
    admin: string;
    /** The demo room, loaded once: each test file has a copy of its own. */
    template: string;
  }
}

/** The demo room as a template, on the PostgreSQL that `npm test` started. */
export default async function setup(project: TestProject): Promise<void> {
  const admin = process.env.TEST_POSTGRES;
  if (!admin) throw new Error("Run the API tests with npm test, which starts a PostgreSQL for them.");
  await dropOldDatabases(admin);
  const template = await createDatabase(admin, "template");
  const source = await openDatabase(template);
  await source.transaction((db) => loadFolder(db, demoFolder, MONDAY_MORNING));
  await source.destroy();
  project.provide("admin", admin);
  project.provide("template", template);
}
