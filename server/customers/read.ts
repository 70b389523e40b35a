import type { Customer } from "@kasten/contract/customers";
import type { Db } from "../database/rows";
import { customerEntity } from "./entities";

export const readCustomers = (db: Db): Promise<Customer[]> =>
  db.getRepository(customerEntity).find({ order: { name: "ASC" } });
