import { z } from "zod";
import { done, endpoint, none, uuidParams } from "../http";
import { roles } from "../permissions";

/** Working hours of one weekday, minutes after midnight, shop time; 1 is Monday. */
export const hoursSchema = z
  .array(
    z
      .object({
        day: z.number().int().min(1).max(7),
        from: z.number().int().min(0).max(1440),
        to: z.number().int().min(0).max(1440),
      })
      .refine(({ from, to }) => from < to, { path: ["to"], error: "The hours end after they begin" }),
  )
  .max(28);

export const personSchema = z.object({
  id: z.uuid(),
  login: z.string(),
  name: z.string(),
  role: z.enum(roles),
  skills: z.array(z.string()),
  hours: hoursSchema,
  /** Times the standard minutes: 1.2 is slower. */
  pace: z.number(),
  handed: z.enum(["left", "right"]),
  /** What this person means by a loose number word. */
  numberWords: z.record(z.string(), z.number()),
  /** Methods chosen where schools differ. */
  methods: z.record(z.string(), z.string()),
  version: z.number().int(),
});
export type Person = z.infer<typeof personSchema>;

export const meSchema = z.object({
  person: personSchema.nullable(),
  /** A demo installation offers its people on the sign-in page. */
  demo: z.array(z.object({ id: z.uuid(), name: z.string(), role: z.enum(roles), skills: z.array(z.string()) })),
  /** Nobody is known yet: the first person signs up as the owner. */
  isNew: z.boolean(),
});

const base = { room: "team", params: none, query: none };
export const me = endpoint({
  ...base,
  id: "me",
  method: "get",
  path: "/session",
  summary: "Who is signed in",
  permission: "anyone",
  body: none,
  reply: meSchema,
});
export const signIn = endpoint({
  ...base,
  id: "signIn",
  method: "post",
  path: "/session",
  summary: "Sign in",
  permission: "anyone",
  body: z.object({ login: z.string().min(1).max(80), password: z.string().min(1).max(200) }),
  reply: meSchema,
});
export const signInDemo = endpoint({
  ...base,
  id: "signInDemo",
  method: "post",
  path: "/session/demo",
  summary: "Sign in as one of the demo people",
  permission: "anyone",
  body: z.object({ person: z.uuid() }),
  reply: meSchema,
});
export const signOut = endpoint({
  ...base,
  id: "signOut",
  method: "delete",
  path: "/session",
  summary: "Sign out",
  permission: "see the room",
  body: none,
  reply: done,
});
export const setUp = endpoint({
  ...base,
  id: "setUp",
  method: "post",
  path: "/setup",
  summary: "Make the first owner of an empty installation",
  permission: "anyone",
  body: z.object({
    code: z.string().max(80),
    name: z.string().min(1).max(80),
    login: z.string().min(2).max(80),
    password: z.string().min(10, "At least 10 characters").max(200),
  }),
  reply: meSchema,
});
export const listPeople = endpoint({
  ...base,
  id: "listPeople",
  method: "get",
  path: "/people",
  summary: "Everyone in the room",
  permission: "see the room",
  body: none,
  reply: z.object({ people: z.array(personSchema) }),
});
const personEdit = personSchema
  .pick({
    name: true,
    role: true,
    skills: true,
    hours: true,
    pace: true,
    handed: true,
    numberWords: true,
    methods: true,
  })
  .partial({ methods: true });
export const addPerson = endpoint({
  ...base,
  id: "addPerson",
  method: "post",
  path: "/people",
  summary: "Add a person",
  permission: "manage people",
  body: personEdit.extend({
    login: z.string().min(2).max(80),
    password: z.string().min(10, "At least 10 characters").max(200),
  }),
  reply: personSchema,
});
export const editPerson = endpoint({
  ...base,
  id: "editPerson",
  method: "put",
  path: "/people/:id",
  summary: "Change a person’s hours, skills and words",
  permission: "manage people",
  params: uuidParams,
  body: personEdit.extend({ version: z.number().int() }),
  reply: personSchema,
});
export const health = endpoint({
  ...base,
  id: "health",
  method: "get",
  path: "/health",
  summary: "Whether the server and its database are well",
  permission: "anyone",
  body: none,
  reply: z.object({ ok: z.boolean(), database: z.enum(["up", "away"]), version: z.string(), migration: z.string() }),
});
export const teamEndpoints = [me, signIn, signInDemo, signOut, setUp, listPeople, addPerson, editPerson, health];
