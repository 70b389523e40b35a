import { z } from "zod";
import { done, endpoint, none } from "../http";

const base = { room: "stock", params: none, query: none };
export const readScale = endpoint({
  ...base,
  id: "readScale",
  method: "get",
  path: "/scale",
  summary: "Whether a scale is connected to the server; its lines come from /api/scale/live",
  permission: "see the room",
  body: none,
  reply: z.object({ connected: z.boolean(), standIn: z.boolean() }),
});
export const tellScale = endpoint({
  ...base,
  id: "tellScale",
  method: "post",
  path: "/scale",
  summary: "Tare or zero the scale; the stand-in can be loaded, shaken and its battery emptied",
  permission: "handle stock",
  body: z.discriminatedUnion("command", [
    z.object({ command: z.literal("tare") }),
    z.object({ command: z.literal("zero") }),
    z.object({ command: z.literal("put"), mg: z.number().int("Whole milligrams").min(0).max(9_999_999) }),
    z.object({ command: z.literal("shake") }),
    z.object({ command: z.literal("battery") }),
  ]),
  reply: done,
});
