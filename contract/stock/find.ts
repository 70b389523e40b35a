import { z } from "zod";
import { endpoint, none } from "../http";

/** Something in the cabinet that a few words or a scanned code find. */
export const foundSchema = z.object({
  kind: z.enum(["material", "lot", "drawer"]),
  /** The material's code, the lot's id, the drawer's code. */
  id: z.string(),
  name: z.string(),
  /** What else helps to tell it: code, colour, drawer, lot. */
  about: z.string(),
  colour: z.string().nullable(),
  drawer: z.string(),
});
export type Found = z.infer<typeof foundSchema>;

export const findStock = endpoint({
  room: "stock",
  params: none,
  query: z.object({ q: z.string().trim().min(1, "Say what to look for").max(80) }),
  id: "findStock",
  method: "get",
  path: "/find",
  summary: "Find anything in the cabinet by name, colour, lot, drawer, form, species or a word of a note",
  permission: "see the room",
  body: none,
  reply: z.object({ found: z.array(foundSchema) }),
});
