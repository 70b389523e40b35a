// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { addCustomer, editCustomer, type Customer } from "@kasten/contract/customers";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import CustomerForm from "./CustomerForm.vue";
import CustomerList from "./CustomerList.vue";

beforeEach(() => localStorage.clear());
const customer = (of: Partial<Customer> = {}): Customer => ({
  ...(things.room().customers[0] as Customer),
  ...of,
});
const strict = customer({
  id: "high-tarn",
  name: "High Tarn Club",
  kind: "club",
  rank: 1,
  policy: "original",
  destination: { noLead: true, barblessOnly: true, forbiddenSpecies: ["heron"] },
  note: "Rings at six.",
  version: 4,
});

describe("whom the room ties for", () => {
  const open = async (role: "owner" | "tier" = "owner") => {
    const server = things.server({ role }, { customers: [customer(), strict] });
    return { server, ...(await mountIn(server, CustomerList)) };
  };

  test("stands with whose choice materials are, and what is forbidden where the flies go", async () => {
    const { screen } = await open();
    const rows = screen.findAll("tbody tr").map((r) => r.text());
    const tarn = rows.find((r) => r.includes("High Tarn Club"));
    expect(tarn).toContain("original only");
    expect(tarn).toContain("no lead, barbless only, no heron");
    expect(tarn).toContain("Rings at six.");
    expect(rows.find((r) => r.includes("Mill Shop"))).toContain("alternates accepted");
  });

  test("is changed by whoever writes orders, and by nobody else", async () => {
    const { screen } = await open("tier");
    expect(screen.text()).toContain("High Tarn Club");
    expect(screen.findAll("button").some((b) => /New customer|Change/.test(b.text()))).toBe(false);
  });

  test("nobody yet: says how the first one comes", async () => {
    const { screen } = await mountIn(things.server({}, { customers: [] }), CustomerList);
    expect(screen.text()).toContain("Add whom you tie for");
  });
});

describe("a customer", () => {
  test("that is new is sent whole, species one by one, and handed on", async () => {
    const saved = customer({ id: "far-lodge", name: "Far Lodge" });
    const server = things.server().answer(addCustomer, saved);
    const { screen } = await mountIn(server, CustomerForm, { name: "Far Lodge" });
    // What was typed in the order stands there already.
    expect(fieldOf(screen, "Name").element.value).toBe("Far Lodge");
    await fieldOf(screen, "What they are").setValue("lodge");
    await choose(screen, "Materials", "original onlyno substitute, ever");
    await fieldOf(screen, "no lead there").setValue(true);
    await fieldOf(screen, "Species that are forbidden there, by comma").setValue("heron, , swan");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addCustomer)[0]?.body).toEqual({
      name: "Far Lodge",
      kind: "lodge",
      rank: 3,
      policy: "original",
      discount: 0,
      destination: { noLead: true, barblessOnly: false, forbiddenSpecies: ["heron", "swan"] },
      note: "",
    });
    expect(screen.emitted("saved")).toEqual([[saved]]);
  });

  test("that is there is changed in the version that was read, and keeps what nobody touched", async () => {
    const server = things.server().answer(editCustomer, strict);
    const { screen } = await mountIn(server, CustomerForm, { customer: strict });
    await fieldOf(screen, "Note").setValue("Rings at seven.");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(editCustomer)[0]).toMatchObject({
      params: { id: "high-tarn" },
      body: { version: 4, rank: 1, policy: "original", destination: strict.destination, note: "Rings at seven." },
    });
  });

  test.each([
    ["a rank beyond the last", "Rank", "12"],
    ["more off than is given", "Their per cent", "75"],
    ["no name", "Name", ""],
  ])("%s is answered beside its field, and nothing is sent", async (_name, label, value) => {
    const server = things.server().answer(addCustomer, strict);
    const { screen } = await mountIn(server, CustomerForm, { name: "Far Lodge" });
    await fieldOf(screen, label).setValue(value);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(addCustomer)).toEqual([]);
    expect(fieldOf(screen, label).attributes("aria-invalid")).toBe("true");
  });

  test("whom somebody else has changed meanwhile: the refusal is shown and what was typed stays", async () => {
    const server = things
      .server()
      .answer(editCustomer, () =>
        refused({ type: "conflict", title: "Not possible now", status: 409, detail: "Ada changed it a minute ago." }),
      );
    const { screen } = await mountIn(server, CustomerForm, { customer: strict });
    await fieldOf(screen, "Note").setValue("Rings at eight.");
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("Ada changed it a minute ago.");
    expect(fieldOf(screen, "Note").element.value).toBe("Rings at eight.");
    expect(screen.emitted("saved")).toBeUndefined();
  });
});
