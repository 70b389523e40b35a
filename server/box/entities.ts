import { EntitySchema } from "typeorm";
import { instant, int, optional, refers, text, uuidKey } from "../database/columns";

export interface ParcelRow {
  id: string;
  number: number;
  customerId: string;
  sentAt: Date | null;
}

/** A parcel to a customer; one at most is open. */
export const parcelEntity = new EntitySchema<ParcelRow>({
  name: "parcel",
  columns: {
    id: uuidKey,
    number: int({ generated: "increment", unique: true }),
    customerId: text(refers("customer")),
    sentAt: instant(optional),
  },
  indices: [{ name: "parcel_one_open", columns: ["customerId"], unique: true, where: "sent_at IS NULL" }],
});
