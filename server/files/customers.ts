import { customerSchema, policies, type Customer } from "@kasten/contract/customers";
import { wrongIn } from "@kasten/contract/http";
import { addNew, changeCustomer, readCustomers } from "../customers";
import type { Line } from "./line";
import { same, wrong, type FileReader } from "./reader";

const RANK = 3;
type Given = Omit<Customer, "id" | "version">;

/** A customer as a line has it; what the line does not say stays as it was. */
function customerOf(line: Line, before: Customer | undefined): Given {
  const said = (id: string, was: string | undefined): string => line.text(id) || (was ?? "");
  return {
    name: line.text("name"),
    kind: said("kind", before?.kind),
    rank: line.number("rank") ?? before?.rank ?? RANK,
    policy: line.one("policy", policies, before?.policy ?? "alternates"),
    destination: {
      noLead: line.yes("no_lead") ?? before?.destination.noLead ?? false,
      barblessOnly: line.yes("barbless_only") ?? before?.destination.barblessOnly ?? false,
      forbiddenSpecies: line.text("forbidden_species")
        ? line
            .text("forbidden_species")
            .split("/")
            .map((s) => s.trim())
            .filter(Boolean)
        : (before?.destination.forbiddenSpecies ?? []),
    },
    discount: line.number("discount") ?? before?.discount ?? 0,
    note: said("note", before?.note),
  };
}
const plain = ({ name, kind, rank, policy, destination, discount, note }: Given): string =>
  JSON.stringify([
    name,
    kind,
    rank,
    policy,
    destination.noLead,
    destination.barblessOnly,
    destination.forbiddenSpecies,
    discount,
    note,
  ]);

export const customers: FileReader = async (db) => {
  const known = new Map((await readCustomers(db)).map((c) => [c.name.toLowerCase(), c]));
  const seen = new Map<string, number>();
  return {
    judge: (line) => {
      const key = line.text("name").toLowerCase();
      const before = known.get(key);
      const given = customerOf(line, before);
      const faults = wrongIn(customerSchema.omit({ id: true, version: true }), given).map(
        (w) => `${w.path}: ${w.detail}`,
      );
      if (line.wrong.length + faults.length > 0) return wrong(...line.wrong, ...(line.wrong.length > 0 ? [] : faults));
      const earlier = seen.get(key);
      if (earlier !== undefined) return wrong(`the same name as line ${earlier}`);
      seen.set(key, line.line);
      if (!before)
        return {
          fate: "new",
          says: `a new customer, ${given.name}`,
          take: async (tx) => void (await addNew(tx, given)),
        };
      if (plain(before) === plain(given)) return same();
      const change = { ...given, name: before.name, version: before.version };
      return {
        fate: "changes",
        says: `changes what is known of ${before.name}`,
        take: async (tx) => void (await changeCustomer(tx, before.id, change)),
      };
    },
  };
};
