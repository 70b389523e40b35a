import { EntitySchema } from "typeorm";
import type { Customer } from "@kasten/contract/customers";
import { int, jsonb, text, version } from "../database/columns";

export const customerEntity = new EntitySchema<Customer>({
  name: "customer",
  columns: {
    id: text({ primary: true }),
    name: text({ unique: true }),
    kind: text({ default: "" }),
    rank: int({ default: 3 }),
    policy: text({ default: "alternates" }),
    destination: jsonb(),
    discount: int({ default: 0 }),
    note: text({ default: "" }),
    version,
  },
  checks: [{ name: "customer_policy_check", expression: "policy IN ('original', 'alternates', 'tier')" }],
});
