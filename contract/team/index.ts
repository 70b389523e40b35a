import { z } from "zod";
import { done, endpoint, none, realDay, rowVersion, short, table, uuidParams } from "../http";
import { roles } from "../permissions";
import { daysOff } from "../settings";

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

/** Hours on one day beside those of the week, minutes after midnight, shop time. */
export const extraHoursSchema = z
  .object({
    day: realDay,
    from: z.number().int().min(0).max(1440),
    to: z.number().int().min(0).max(1440),
  })
  .refine(({ from, to }) => from < to, { path: ["to"], error: "The hours end after they begin" });

export const personSchema = z.object({
  id: z.uuid(),
  login: z.string(),
  name: short,
  role: z.enum(roles),
  skills: z.array(short).max(60),
  hours: hoursSchema,
  /** Times the standard minutes: 1.2 is slower. */
  pace: z.number().min(0.2, "A pace is from 0.2 to 5").max(5, "A pace is from 0.2 to 5"),
  handed: z.enum(["left", "right"]),
  /** What this person means by a loose number word. */
  numberWords: table(z.number().min(0).max(1000), 60),
  /** Methods chosen where schools differ. */
  methods: table(short, 200),
  /** Since when the person may not sign in any more; null for those who may. */
  endedAt: z.string().nullable(),
  /** Days on which this person does not work. */
  absences: z.array(daysOff).max(120),
  /** Days on which they work beside the hours of the week. */
  extraHours: z.array(extraHoursSchema).max(120),
  /** Still learns: their first 200 flies of a pattern are planned slower. */
  learns: z.boolean(),
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

/** A name to sign in under: capitals and blanks at its ends are not told apart. */
const login = z.string().trim().min(2, "At least 2 characters").max(80);
const newPassword = z.string().min(10, "At least 10 characters").max(200);

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
  keyless: true,
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
  keyless: true,
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
  keyless: true,
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
  keyless: true,
  body: z.object({
    code: z.string().max(80),
    name: short,
    login,
    password: newPassword,
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
    absences: true,
    extraHours: true,
    learns: true,
  })
  .partial({ methods: true, absences: true, extraHours: true, learns: true });
export const addPerson = endpoint({
  ...base,
  id: "addPerson",
  method: "post",
  path: "/people",
  summary: "Add a person",
  permission: "manage people",
  body: personEdit.extend({
    login,
    password: newPassword,
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
  body: personEdit.extend({ version: rowVersion }),
  reply: personSchema,
});
export const addExtraHours = endpoint({
  ...base,
  id: "addExtraHours",
  method: "post",
  path: "/people/:id/extra-hours",
  summary: "Let a person work some hours on one day beside those of the week",
  permission: "manage people",
  params: uuidParams,
  body: extraHoursSchema,
  reply: personSchema,
});
export const changePassword = endpoint({
  ...base,
  id: "changePassword",
  method: "post",
  path: "/session/password",
  summary: "Change one’s own password; it ends one’s other sessions",
  permission: "see the room",
  keyless: true,
  body: z.object({ current: z.string().min(1).max(200), password: newPassword }),
  reply: done,
});
export const resetPassword = endpoint({
  ...base,
  id: "resetPassword",
  method: "post",
  path: "/people/:id/password",
  summary: "Give a person a new password; it ends all their sessions",
  permission: "manage people",
  params: uuidParams,
  body: z.object({ password: newPassword }),
  reply: done,
});
export const endAccess = endpoint({
  ...base,
  id: "endAccess",
  method: "post",
  path: "/people/:id/end",
  summary: "End a person’s access and all their sessions; what they did stays",
  permission: "manage people",
  params: uuidParams,
  body: none,
  reply: personSchema,
});
export const giveAccess = endpoint({
  ...base,
  id: "giveAccess",
  method: "post",
  path: "/people/:id/readmit",
  summary: "Let a person sign in again",
  permission: "manage people",
  params: uuidParams,
  body: none,
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
  reply: z.object({
    ok: z.boolean(),
    version: z.string(),
    /** The longest that the server kept anybody waiting in the last minute or two. */
    eventLoopDelayMs: z.number(),
    database: z.enum(["up", "away"]),
    /** How long the database took to answer; null when it did not. */
    databaseMs: z.number().nullable(),
    migration: z.string(),
  }),
});
export const teamEndpoints = [
  me,
  signIn,
  signInDemo,
  signOut,
  setUp,
  listPeople,
  addPerson,
  editPerson,
  addExtraHours,
  changePassword,
  resetPassword,
  endAccess,
  giveAccess,
  health,
];
