import { DefaultNamingStrategy, type NamingStrategyInterface, type Table } from "typeorm";

const nameOf = (table: Table | string): string => (typeof table === "string" ? table : table.name).replace(/^.*\./, "");
const snake = (name: string): string => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);

/** Names as PostgreSQL itself gives them: columns in snake_case, constraints by table and column. */
export class PostgresNames extends DefaultNamingStrategy implements NamingStrategyInterface {
  override columnName(property: string, custom: string | undefined, prefixes: string[]): string {
    return [...prefixes, custom ?? snake(property)].join("_");
  }
  override primaryKeyName(table: Table | string): string {
    return `${nameOf(table)}_pkey`;
  }
  override uniqueConstraintName(table: Table | string, columns: string[]): string {
    return [nameOf(table), ...columns, "key"].join("_");
  }
  override relationConstraintName(table: Table | string, columns: string[]): string {
    return this.uniqueConstraintName(table, columns);
  }
  override foreignKeyName(table: Table | string, columns: string[]): string {
    return [nameOf(table), ...columns, "fkey"].join("_");
  }
}
