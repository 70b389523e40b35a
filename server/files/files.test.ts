import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { catalogue } from "@kasten/contract/catalogue";
import { previewFile, takeInFile, type FileKind } from "@kasten/contract/files";
import type { BodyOf } from "@kasten/contract/http";
import { listOrders } from "@kasten/contract/orders";
import { listStock, readLot, readStock } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

type More = Partial<Pick<BodyOf<typeof previewFile>, "mapping" | "decimal">>;
const look = (kind: FileKind, text: string, more: More = {}) =>
  owner.ok(previewFile, { body: { kind, text, ...more } });
async function take(kind: FileKind, text: string, more: More & { leaveWrong?: boolean } = {}) {
  const { leaveWrong = false, ...mapped } = more;
  const { counts } = await look(kind, text, mapped);
  return owner.ok(takeInFile, { body: { kind, text, ...mapped, name: "mine.csv", leaveWrong, expects: counts } });
}
const refuse = (kind: FileKind, text: string, expects = { new: 1, changes: 0, same: 0, wrong: 0 }) =>
  owner.refused(takeInFile, { body: { kind, text, name: "mine.csv", leaveWrong: false, expects } });
const says = async (kind: FileKind, text: string, more: More = {}) =>
  (await look(kind, text, more)).lines.sort((a, b) => a.line - b.line).map((l) => `${l.fate}: ${l.says}`);

describe("customers from a file", () => {
  const file = "Kunde;Art;Rang;Bleifrei\nFen Gate Angling;Verein;2;ja\nQuayhead Tackle;shop;2;nein";
  test("heads in another language are understood; who is there already is changed or left", async () => {
    const { columns, counts } = await look("customers", file);
    expect(columns.map((c) => c.field)).toEqual(["name", "kind", "rank", "no_lead"]);
    expect(counts).toEqual({ new: 1, changes: 0, same: 1, wrong: 0 });
    expect(await take("customers", file)).toEqual({ taken: 1, left: 1 });
    const { customers } = await owner.ok(catalogue);
    expect(customers.find((c) => c.name === "Fen Gate Angling")).toMatchObject({
      rank: 2,
      policy: "alternates",
      destination: { noLead: true, barblessOnly: false },
    });
  });
  test("the same file twice takes nothing in the second time", async () => {
    expect(await look("customers", file)).toMatchObject({ counts: { new: 0, changes: 0, same: 2, wrong: 0 } });
  });
  test("what a line does not say stays as it was", async () => {
    expect(await says("customers", "name,note\nFen Gate Angling,rings first")).toEqual([
      "changes: changes what is known of Fen Gate Angling",
    ]);
    await take("customers", "name,note\nFen Gate Angling,rings first");
    const found = (await owner.ok(catalogue)).customers.find((c) => c.name === "Fen Gate Angling");
    expect(found).toMatchObject({ note: "rings first", rank: 2, destination: { noLead: true } });
  });
  test("each wrong line says why, and keeps the file out until it is left out", async () => {
    const wrong =
      "name,rank,policy\nOld Lock,2,original\nMill Race,0,original\nWeir Foot,2,whatever\nOld Lock,3,tier\n,1,tier";
    expect(await says("customers", wrong)).toEqual([
      "new: a new customer, Old Lock",
      "wrong: rank: The first rank is 1",
      "wrong: Materials “whatever” is none of original, alternates, tier",
      "wrong: the same name as line 2",
      "wrong: Name is empty",
    ]);
    expect((await refuse("customers", wrong, { new: 1, changes: 0, same: 0, wrong: 4 })).detail).toMatch(
      /4 of the lines/,
    );
    expect((await owner.ok(catalogue)).customers.some((c) => c.name === "Old Lock")).toBe(false);
    expect(await take("customers", wrong, { leaveWrong: true })).toEqual({ taken: 1, left: 4 });
  });
});

describe("materials and what lies in the drawers", () => {
  const materials =
    "Material;Art;Fach;Farbe;Lieferant;Packung;Preis;Lieferzeit\nFen wire;wire;F1;copper;Fen Wires;25;4,50;6\nFen herl;herl;F1;;;;;";
  test("a material gets the nominal figures of its form, its drawer and its source", async () => {
    expect(await says("materials", materials)).toEqual([
      "new: a new wire, Fen wire, under WI-FENWIR, drawer F1; its figures are nominal",
      "new: a new herl, Fen herl, under HE-FENHER, drawer F1; its figures are nominal",
    ]);
    await take("materials", materials);
    const stock = await owner.ok(readStock, { params: { id: "WI-FENWIR" } });
    expect(stock).toMatchObject({ drawer: "F1", quantity: 0, unit: "um" });
    expect(stock.sources).toMatchObject([{ supplier: "Fen Wires", pack: 25_000_000, priceCents: 450, leadDays: 6 }]);
    const known = (await owner.ok(catalogue)).materials.find((m) => m.code === "WI-FENWIR");
    expect(known?.strand?.width).toBeGreaterThan(0);
  });
  test("lots name their material by code or name; amounts are in the units of the drawer", async () => {
    const lots = "material;menge;charge;erhalten;preis\nFen wire;12,5;FW-1;3.2.2026;9,99\nHE-FENHER;40;;;";
    expect(await says("lots", lots)).toEqual([
      "new: 12.5 m of Fen wire, lot FW-1",
      "new: 40 of Fen herl, lot HE-FENHER-1",
    ]);
    await take("lots", lots);
    const wire = await owner.ok(readStock, { params: { id: "WI-FENWIR" } });
    expect(wire.lotList).toMatchObject([{ code: "FW-1", quantity: 12_500_000, place: "Drawer F1" }]);
    expect(wire.lotList[0]?.receivedAt.slice(0, 10)).toBe("2026-02-03");
    expect(wire.movements).toMatchObject([{ reason: "counted in", quantity: 12_500_000 }]);
    expect((await look("lots", lots)).counts.same, "a lot is taken in once").toBe(1);
  });
  test("a decimal that could be read either way is asked about before anything is stored", async () => {
    const unclear = 'material,quantity\nFen wire,"1,500"';
    expect(await look("lots", unclear)).toMatchObject({ decimal: null, unclear: "1,500" });
    expect((await refuse("lots", unclear)).detail).toMatch(/could be read either way/);
    expect(await says("lots", unclear, { decimal: "comma" })).toEqual(["new: 1.5 m of Fen wire, lot WI-FENWIR-1"]);
    expect(await says("lots", unclear, { decimal: "point" })).toEqual(["new: 1500 m of Fen wire, lot WI-FENWIR-1"]);
  });
  test("what cannot be is refused line by line", async () => {
    const bad = [
      "material,quantity,lot,drawer,received,side",
      "Moon dust,1,,,,",
      "Fen wire,-2,,,,",
      "Fen wire,0,,,,",
      "Fen wire,lots,,,,",
      "Fen wire,99999999999,,,,",
      "Fen wire,1,=CMD(),,,",
      "Fen wire,1,,A 12!,,",
      "Fen wire,1,,,2031-01-01,",
      "Fen wire,1,,,3/4/2026,",
      "Fen wire,1,,,,up",
      "Fen wire,1,,,,,7",
    ].join("\n");
    expect(await says("lots", bad)).toEqual([
      expect.stringContaining("there is no material “Moon dust”"),
      "wrong: How much must be more than nothing",
      "wrong: How much must be more than nothing",
      "wrong: How much “lots” is no number with a decimal point",
      "wrong: How much is more than any room holds",
      "wrong: Lot begins like a formula: write the value instead",
      "wrong: Drawer is no code such as A12",
      "wrong: Received lies in days to come",
      expect.stringContaining("is no day that is plain"),
      "wrong: Side “up” is none of left, right, ",
      expect.stringContaining("a separator too many"),
    ]);
  });
});

describe("price lists, counts, and what a lot has of its own", () => {
  test("a price list adds sources, changes them, and goes out as it came in", async () => {
    const list = [
      "Lieferant;Artikel;Inhalt;Preis;Lieferzeit;Staffel;Brauchbar",
      "Fen Wires;Fen wire;25;4,80;6;5=4,20/20=3,90;100",
      "Weir Wires;Fen wire;100;15,00;9;;95",
    ].join("\n");
    expect(await says("prices", list)).toEqual([
      "changes: Fen wire of Fen Wires: 25 m for 4.80, was 4.50",
      "new: Fen wire of Weir Wires: 100 m for 15.00",
    ]);
    await take("prices", list);
    const { sources } = await owner.ok(readStock, { params: { id: "WI-FENWIR" } });
    const breaks = [
      { fromPacks: 5, cents: 420 },
      { fromPacks: 20, cents: 390 },
    ];
    expect(sources).toMatchObject([
      { supplier: "Fen Wires", priceCents: 480, breaks },
      { supplier: "Weir Wires", pack: 100_000_000, usable: 95 },
    ]);
    const out = await (await owner.raw("GET", "/api/prices.csv")).text();
    const again = await look("prices", out, { decimal: "point" });
    expect(again.counts).toMatchObject({ new: 0, changes: 0, wrong: 0 });
    expect(again.counts.same).toBeGreaterThan(10);
  });
  test("a price list that cannot be is told line by line", async () => {
    const bad = [
      "supplier,material,pack,price,breaks,season_from",
      "Fen Wires,Moon dust,1,1,,",
      "Fen Wires,Fen wire,0,1,,",
      "Fen Wires,Fen wire,1,-1,,",
      "Fen Wires,Fen wire,25,4.8,5 for 4,",
      "Fen Wires,Fen wire,25,4.8,,13",
      "Fen Wires,Fen wire,25,4.8,20=3/5=4,",
    ].join("\n");
    expect(await says("prices", bad)).toEqual([
      expect.stringContaining("there is no material “Moon dust”"),
      "wrong: pack: More than nothing in a pack",
      expect.stringContaining("priceCents"),
      expect.stringContaining("is no break"),
      expect.stringContaining("Months go from 1 to 12"),
      expect.stringContaining("Fewer packs first"),
    ]);
  });
  test("counts put each lot right by the difference, and stay as counts", async () => {
    const counted = "lot,counted,how,plus_minus,note\nFW-1,11.25,weighed,0.4,thin spool\nHE-FENHER-1,40,counted,,";
    expect(await says("counts", counted)).toEqual([
      "changes: 11.25 m of Fen wire, lot FW-1: 1.25 m fewer than is booked",
      "same: 40 of Fen herl, as it is booked",
    ]);
    await take("counts", counted);
    expect((await owner.ok(readStock, { params: { id: "WI-FENWIR" } })).quantity).toBe(11_250_000);
    const out = await (await owner.raw("GET", "/api/counts.csv?days=2")).text();
    expect(out).toContain("FW-1,F1,WI-FENWIR,11.25,m,0.4,12.5,weighed,thin spool");
    expect((await look("counts", out, { decimal: "point" })).counts).toEqual({ new: 0, changes: 0, same: 1, wrong: 0 });
  });
  test("counts of what is not there, twice, or below what is put by are told", async () => {
    const bad =
      "lot,counted,drawer,how\nNONE,1,,\nFW-1,-1,,\nFW-1,1,Z9,\nFW-1,1,,guessed\nFW-1,2,,\nFW-1,3,,\nFW-1,=1+1,,";
    expect(await says("counts", bad)).toEqual([
      "wrong: no lot NONE lies in a drawer",
      "wrong: Counted is less than nothing",
      "wrong: no lot FW-1 lies in drawer Z9",
      expect.stringContaining("none of counted, weighed, looked at"),
      expect.stringContaining("fewer than is booked"),
      "wrong: the same lot in the same drawer as line 6",
      expect.stringContaining("begins like a formula"),
    ]);
  });
  test("what a lot has of its own comes in with it, and what cannot be is told", async () => {
    const lots = [
      "material,quantity,lot,area,unusable,fibre_mm,used,seen_colour",
      "Fen herl,10,FH-2,edge,0.15,80,,#334455",
      "Fen herl,10,FH-3,,1.5,,,",
      "Fen herl,10,FH-4,,,,maybe,",
      "Fen herl,10,FH-5,,,,,brown",
    ].join("\n");
    expect((await says("lots", lots)).slice(1)).toEqual([
      "wrong: Of no use, share A share from 0 to 1",
      expect.stringContaining("neither yes nor no"),
      expect.stringContaining("A colour such as"),
    ]);
    await take("lots", lots, { leaveWrong: true });
    const { lotList } = await owner.ok(readStock, { params: { id: "HE-FENHER" } });
    const lot = lotList.find((l) => l.code === "FH-2");
    expect(await owner.ok(readLot, { params: { id: lot?.id ?? "" } })).toMatchObject({
      traits: { area: "edge", unusable: 0.15, fibreMm: 80, seenColour: "#334455" },
    });
    expect(await (await owner.raw("GET", "/api/lots.csv")).text()).toMatch(/FH-2.*edge.*0\.15.*80.*#334455/);
  });
});

describe("hooks from a file", () => {
  test("sizes become places in the cabinet; measured ones are measured", async () => {
    const file =
      "Modell;Bezeichnung;Familie;Größen;shank;Fach\nF7;Fen hook;wet;16/14;;F2\nF7;;;12;9,8;F2\nF7;;;18;999;F2";
    const [first, second, third] = await says("hooks", file);
    expect([first, second]).toEqual([
      "new: a new hook, Fen hook, sizes 16, 14",
      "changes: the hook F7, size 12, measured",
    ]);
    expect(third).toMatch(/^wrong: shank: /);
    await take("hooks", file, { leaveWrong: true });
    const hook = (await owner.ok(catalogue)).hooks.find((h) => h.id === "F7");
    expect(hook).toMatchObject({ name: "Fen hook", family: "wet" });
    expect(hook?.rows.find((r) => r.size === "12")?.shank).toBe(9.8);
    const kept = (await owner.ok(listStock)).items.filter((i) => i.code.startsWith("F7-"));
    expect(kept.map((i) => [i.code, i.drawer])).toEqual([
      ["F7-12", "F2"],
      ["F7-14", "F2"],
      ["F7-16", "F2"],
    ]);
  });
});

describe("orders from a file", () => {
  test("rows of one customer for one day are one order; what is not understood says so", async () => {
    const file = [
      "Kunde;Termin;Menge;Fliege;Größe;Farbe",
      "Quayhead Tackle;2027-03-12;6 dz;Tar Pupa;14;red",
      "Quayhead Tackle;2027-03-12;2 dz;Tar Pupa;16;black",
      "Quayhead Tackle;2027-03-19;1 dz;Tar Pupa;16;black",
      "Quayhead Tackle;2027-03-19;1 dz;Nobody;16;black",
    ].join("\n");
    const before = (await owner.ok(listOrders, { query: { limit: 200 } })).orders.length;
    expect((await look("orders", file)).counts).toEqual({ new: 3, changes: 0, same: 0, wrong: 1 });
    await take("orders", file, { leaveWrong: true });
    const after = (await owner.ok(listOrders, { query: { limit: 200 } })).orders;
    expect(after.length - before).toBe(2);
    const made = after.find((o) => o.due === "2027-03-12" && o.customerName === "Quayhead Tackle");
    expect(made?.lines.map((l) => [l.size, l.variant, l.flies])).toEqual([
      ["14", "red", 72],
      ["16", "black", 24],
    ]);
  });
  test("whole orders as they were typed stand in a column of their own", async () => {
    const typed = "2dz Tar Pupa 14 red; Quayhead Tackle, 2027-04-02";
    expect(await take("orders", `Bestellung\n"${typed}"`)).toEqual({ taken: 1, left: 0 });
    expect(await says("orders", `Bestellung\n"${typed}"`)).toEqual([
      "same: an open order with these words is there already",
    ]);
  });
});

describe("any file", () => {
  test("of another kind, or without a column that is needed, is refused before anything is stored", async () => {
    const packed = await owner.refused(previewFile, { body: { kind: "lots", text: "%PDF-1.7" } });
    expect([packed.type, packed.detail]).toEqual(["import-refused", expect.stringContaining("PDF")]);
    const { missing } = await look("lots", "colour,place\nred,A1");
    expect(missing).toEqual(["Material", "How much"]);
    expect((await refuse("lots", "colour,place\nred,A1")).detail).toBe("Say which column is Material, How much.");
  });
  test("is mapped by hand where its heads say nothing", async () => {
    const text = "x1,x2\nLong Reach,shop";
    expect((await look("customers", text)).missing).toEqual(["Name"]);
    const mapping = { "0": "name", "1": "kind" };
    expect(await says("customers", text, { mapping })).toEqual(["new: a new customer, Long Reach"]);
  });
  test("is not taken in when the room has changed since its preview", async () => {
    const text = "name\nHead Race";
    await take("customers", text);
    expect((await refuse("customers", text)).type).toBe("changed-meanwhile");
  });
  test("a fault in the middle leaves nothing behind", async () => {
    const { counts } = await look("lots", "material,quantity,lot\nFen wire,1,Z-1\nFen wire,1,Z-2");
    await room.source.query(
      `CREATE FUNCTION stop_second() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
         IF NEW.code = 'Z-2' THEN RAISE EXCEPTION 'stopped'; END IF; RETURN NEW; END $$;
       CREATE TRIGGER stop_second BEFORE INSERT ON lot FOR EACH ROW EXECUTE FUNCTION stop_second()`,
    );
    const text = "material,quantity,lot\nFen wire,1,Z-1\nFen wire,1,Z-2";
    const body = { kind: "lots" as const, text, name: "z.csv", leaveWrong: false, expects: counts };
    expect(await owner.send(takeInFile, { body })).toBe(500);
    await room.source.query("DROP TRIGGER stop_second ON lot; DROP FUNCTION stop_second");
    const [{ n }] = await room.source.query("SELECT count(*)::int AS n FROM lot WHERE code LIKE 'Z-%'");
    expect(n).toBe(0);
  });
  test("is for the owner alone", async () => {
    const tier = await room.signedIn("tier");
    expect((await tier.refused(previewFile, { body: { kind: "customers", text: "name\nX" } })).status).toBe(403);
  });
});

test("what is known of a lot comes with it: how it was sold, until when, papers, a note", async () => {
  const text = [
    "material,quantity,lot,sold as,good until,kept apart until,papers,note",
    "Fen wire,1,FW-77,spool,2031-05-01,2031-01-01,permit 4,from the fair",
    "Fen wire,1,FW-78,barrel,,,,",
    `Fen wire,1,FW-79,,,,${"p".repeat(201)},`,
  ].join("\n");
  const said = await says("lots", text);
  expect(said[0]).toBe("new: 1 m of Fen wire, lot FW-77");
  expect(said[1]).toMatch(/^wrong: .*Sold as/);
  expect(said[2]).toMatch(/Papers.* is longer than 200 characters/);
  await take("lots", text.split("\n").slice(0, 2).join("\n"));
  const [row] = await room.source.query(
    "SELECT sold_as, expires_on::text, apart_until::text, papers, note FROM lot WHERE code = 'FW-77'",
  );
  expect(row).toEqual({
    sold_as: "spool",
    expires_on: "2031-05-01",
    apart_until: "2031-01-01",
    papers: "permit 4",
    note: "from the fair",
  });
});
