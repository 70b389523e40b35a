import { z } from "zod";
import { endpoint, none } from "../http";

export const destinationSchema = z.object({
  noLead: z.boolean(),
  barblessOnly: z.boolean(),
  forbiddenSpecies: z.array(z.string()),
});
export const policies = ["original", "alternates", "tier"] as const;
export const customerSchema = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  rank: z.number().int(),
  policy: z.enum(policies),
  destination: destinationSchema,
  note: z.string(),
});
export type Customer = z.infer<typeof customerSchema>;

export const addCustomer = endpoint({
  room: "orders",
  params: none,
  query: none,
  id: "addCustomer",
  method: "post",
  path: "/customers",
  summary: "Add a customer",
  permission: "write orders",
  body: customerSchema.omit({ id: true }),
  reply: customerSchema,
});
export const customerEndpoints = [addCustomer];
