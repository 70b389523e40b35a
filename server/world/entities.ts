import { EntitySchema } from "typeorm";
import { bigint, flag } from "../database/columns";

export interface WorldVersionRow {
  one: boolean;
  version: number;
}

/** The version of what the computation draws on: one row, counted on by the database itself. */
export const worldVersionEntity = new EntitySchema<WorldVersionRow>({
  name: "world_version",
  columns: { one: flag({ primary: true, default: true }), version: bigint() },
  checks: [{ name: "world_version_one_check", expression: "one" }],
});
