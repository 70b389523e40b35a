import { z } from "zod";
import { endpoint, idParams, none, rowVersion, sentence, short, words } from "../http";

export const destinationSchema = z.object({
  noLead: z.boolean(),
  barblessOnly: z.boolean(),
  forbiddenSpecies: z.array(short).max(40),
});
export const policies = ["original", "alternates", "tier"] as const;
export const customerSchema = z.object({
  id: z.string(),
  name: z.string().trim().min(1, "Give the customer a name").max(80),
  kind: words,
  rank: z.number().int().min(1, "The first rank is 1").max(9, "The last rank is 9"),
  policy: z.enum(policies),
  destination: destinationSchema,
  /** Per cent that they are given on every price. */
  discount: z.number().int("Whole per cent").min(0, "Not less than none").max(60, "At most 60 per cent"),
  note: sentence,
  version: rowVersion,
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
  body: customerSchema.omit({ id: true, version: true }),
  reply: customerSchema,
});
export const editCustomer = endpoint({
  room: "orders",
  params: idParams,
  query: none,
  id: "editCustomer",
  method: "put",
  path: "/customers/:id",
  summary: "Change what is known of a customer",
  permission: "write orders",
  body: customerSchema.omit({ id: true }),
  reply: customerSchema,
});
export const customerEndpoints = [addCustomer, editCustomer];
