import { EntitySchema } from "typeorm";
import { bigint, instant, int, text } from "../database/columns";

/** What was computed of the whole room, and is kept until it is computed anew. */
export type Part =
  | "needs"
  | "cover"
  | "sums"
  | "plan"
  | "late"
  | "turns"
  | "basis"
  | "stock"
  | "published"
  | "problem"
  | "odds"
  | "preparations";

export interface OutlookRow {
  part: Part;
  /** The change of the room up to which it was computed. */
  change: number;
  at: Date;
  tookMs: number;
  /** JSON, as it is sent. */
  doc: string;
}

export const outlookEntity = new EntitySchema<OutlookRow>({
  name: "outlook",
  columns: { part: text({ primary: true }), change: bigint(), at: instant(), tookMs: int(), doc: text() },
});
