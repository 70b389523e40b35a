import { randomBytes } from "node:crypto";
import { customerSchema } from "@kasten/contract/customers";
import { settingsSchema } from "@kasten/contract/settings";
import { hoursSchema } from "@kasten/contract/team";
import { roles } from "@kasten/contract/permissions";
import { addDays, format } from "date-fns";
import { z } from "zod";
import { customerEntity } from "../customers";
import { insert, type Db } from "../database/rows";
import { writeSetting } from "../settings";
import { hashPassword, insertPerson } from "../team";
import { readCsv } from "./csv";

const settingsFile = settingsSchema
  .partial()
  .extend({ seasons: z.array(z.object({ name: z.string(), in_days: z.number() })), demo: z.boolean().default(false) });

export async function importSettings(db: Db, json: unknown, now: Date): Promise<void> {
  const { demo, seasons, ...rest } = settingsFile.parse(json);
  await writeSetting(db, "shop", {
    ...rest,
    seasons: seasons.map((s) => ({ name: s.name, date: format(addDays(now, s.in_days), "yyyy-MM-dd") })),
  });
  if (demo) await writeSetting(db, "demo", true);
}

const personFile = z.array(
  z.object({
    login: z.string(),
    name: z.string(),
    role: z.enum(roles),
    skills: z.array(z.string()),
    hours: hoursSchema,
    pace: z.number(),
    handed: z.enum(["left", "right"]),
    numberWords: z.record(z.string(), z.number()).default({}),
    methods: z.record(z.string(), z.string()).default({}),
  }),
);

/** People without a password in the file get one that nobody knows: a demo signs them in by a button. */
export async function importPeople(db: Db, json: unknown): Promise<{ id: string; role: string }[]> {
  const people = [];
  for (const p of personFile.parse(json))
    people.push(
      await insertPerson(db, { ...p, passwordHash: await hashPassword(randomBytes(24).toString("base64url")) }),
    );
  return people;
}

const customerRow = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  rank: z.coerce.number().int(),
  policy: customerSchema.shape.policy,
  no_lead: z.enum(["0", "1"]).default("0"),
  barbless_only: z.enum(["0", "1"]).default("0"),
  forbidden_species: z.string().default(""),
  discount: z.coerce.number().int().default(0),
  note: z.string().default(""),
});

export async function importCustomers(db: Db, text: string): Promise<void> {
  for (const c of readCsv("customers.csv", text, customerRow)) {
    const destination = {
      noLead: c.no_lead === "1",
      barblessOnly: c.barbless_only === "1",
      forbiddenSpecies: c.forbidden_species.split(";").filter(Boolean),
    };
    const { id, name, kind, rank, policy, discount, note } = c;
    await insert(db, customerEntity, { id, name, kind, rank, policy, destination, discount, note });
  }
}
