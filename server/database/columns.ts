import type { EntitySchemaColumnOptions } from "typeorm";

/** Columns as this room's tables have them; a key is written once, a reference names its table. */
type More = Omit<EntitySchemaColumnOptions, "type">;

export const text = (more: More = {}): EntitySchemaColumnOptions => ({ type: "text", ...more });
export const int = (more: More = {}): EntitySchemaColumnOptions => ({ type: "int", ...more });
export const bigint = (more: More = {}): EntitySchemaColumnOptions => ({ type: "bigint", ...more });
export const numeric = (more: More = {}): EntitySchemaColumnOptions => ({ type: "numeric", ...more });
export const flag = (more: More = {}): EntitySchemaColumnOptions => ({ type: "boolean", default: false, ...more });
export const jsonb = (more: More = {}): EntitySchemaColumnOptions => ({ type: "jsonb", ...more });
export const uuid = (more: More = {}): EntitySchemaColumnOptions => ({ type: "uuid", ...more });
export const instant = (more: More = {}): EntitySchemaColumnOptions => ({ type: "timestamp with time zone", ...more });
/** A day of the calendar, as ISO text. */
export const day = (more: More = {}): EntitySchemaColumnOptions => ({ type: "date", ...more });
/** The instant at which the row was written. */
export const written = (more: More = {}): EntitySchemaColumnOptions => instant({ default: () => "now()", ...more });
/** A key that the database makes. */
export const uuidKey: EntitySchemaColumnOptions = { type: "uuid", primary: true, generated: "uuid" };
/** Counted up by every update; an update names the one that it was made from. */
export const version: EntitySchemaColumnOptions = { type: "int", version: true, default: 1 };
export const refers = (target: string): { foreignKey: { target: string } } => ({ foreignKey: { target } });
export const optional = { nullable: true } as const;
