import { quantity } from "@kasten/core/units";
import { quantityWords } from "@kasten/core/materials";
import { traitHeads, type LotTrait, type LotTraits } from "@kasten/core/stock";
import { barbClass, wrongIn } from "@kasten/contract/http";
import { drawerCode, lotTraitsSchema, soldForms } from "@kasten/contract/stock";
import type { Db } from "../database/rows";
import { perFileUnit } from "../import";
import { counted, insertLot, lotEntity, move, placeId } from "../ledger";
import { drawerFor, materialEntity } from "../materials";
import { supplierNamed } from "../purchasing";
import type { Line } from "./line";
import { same, wrong, type FileReader } from "./reader";

const sides = ["left", "right", ""] as const;
const MOST_CENTS = 100_000_000;
const MOST_COUNTED = 1_000_000_000_000;
const MOST_LOT = 60;
/** As the page of a lot takes them. */
const longest = [
  ["origin", 200],
  ["papers", 200],
  ["note", 400],
] as const;

function barbOf(line: Line): [number, number] | null {
  const [from, to] = [line.number("barb_from"), line.number("barb_to")];
  if (from === undefined && to === undefined) return null;
  const pair: [number, number] = [from ?? to ?? 0, to ?? from ?? 0];
  for (const w of wrongIn(barbClass, pair)) line.says("barb_from", w.detail);
  return pair;
}

const numeric: ReadonlySet<LotTrait> = new Set(["splits", "unusable", "perMm", "stemMm", "fibreMm", "stapleMm"]);

/** What a lot has of its own, as far as the table has it; what cannot be is told beside its head. */
function traitsOf(line: Line): LotTraits {
  const said = new Map<string, unknown>();
  for (const [trait, head] of Object.entries(traitHeads) as [LotTrait, string][])
    if (line.text(head) !== "")
      said.set(trait, trait === "used" ? line.yes(head) : numeric.has(trait) ? line.number(head) : line.text(head));
  const read = lotTraitsSchema.safeParse(Object.fromEntries(said));
  if (read.success) return read.data;
  for (const issue of read.error.issues) {
    const trait = String(issue.path[0] ?? "") as LotTrait;
    line.says(traitHeads[trait] ?? "traits", issue.message);
  }
  return {};
}

/** Where it came from: a supplier, or nobody that the room buys from. */
async function originOf(db: Db, supplier: string): Promise<number> {
  if (!supplier) return counted(db);
  await supplierNamed(db, supplier);
  return placeId(db, "supplier", `SUP-${supplier}`, supplier);
}

export const lots: FileReader = async (db) => {
  const all = await db.getRepository(materialEntity).find();
  const materials = new Map(
    all.flatMap((m) => [[m.name.toLowerCase(), m] as const, [m.code.toLowerCase(), m] as const]),
  );
  const taken = new Set((await db.getRepository(lotEntity).find({ select: { code: true } })).map((l) => l.code));
  const seen = new Map<string, number>();
  const numbered = new Map<string, number>();
  const nextCode = (material: string): string => {
    for (let n = (numbered.get(material) ?? 0) + 1; ; n++) {
      numbered.set(material, n);
      if (!taken.has(`${material}-${n}`)) return `${material}-${n}`;
    }
  };
  return {
    judge: (line) => {
      const material = materials.get(line.text("material").toLowerCase());
      if (line.text("material") && !material)
        return wrong(`there is no material “${line.text("material")}” in the cabinet. Take in the materials first`);
      const [much, price] = [line.number("quantity"), line.number("price")];
      const [side, barb, received] = [line.one("side", sides, ""), barbOf(line), line.day("received")];
      const soldAs = line.one("sold_as", ["", ...soldForms], "");
      const [expiresOn, apartUntil] = [line.day("expires_on"), line.day("apart_until")];
      const traits = traitsOf(line);
      const drawer = line.text("drawer");
      const own = line.text("lot");
      if (drawer && !drawerCode.safeParse(drawer).success) line.says("drawer", "is no code such as A12");
      for (const [name, most] of longest)
        if (line.text(name).length > most) line.says(name, `is longer than ${most} characters`);
      if (own.length > MOST_LOT) line.says("lot", `is longer than ${MOST_LOT} characters`);
      if (much !== undefined && much <= 0) line.says("quantity", "must be more than nothing");
      if (price !== undefined && (price < 0 || price * 100 > MOST_CENTS)) line.says("price", "is no price");
      const base = material && much !== undefined ? much * perFileUnit[material.unit] : 0;
      if (base > MOST_COUNTED) line.says("quantity", "is more than any room holds");
      if (received !== undefined && received > new Date().toISOString().slice(0, 10))
        line.says("received", "lies in days to come");
      if (line.wrong.length > 0 || !material) return wrong(...line.wrong);
      if (own && taken.has(own)) return same(`the lot ${own} is there already`);
      if (own && seen.has(own)) return wrong(`the same lot as line ${seen.get(own) ?? 0}`);
      const there = quantity(base, material.unit);
      if (there === 0) return wrong("that is less than the smallest amount that is counted");
      const code = own || nextCode(material.code);
      seen.set(code, line.line);
      return {
        fate: "new",
        says: `${quantityWords(there, material.unit)} of ${material.name}, lot ${code}${drawer ? `, drawer ${drawer}` : ""}`,
        take: async (tx, person) => {
          const at = received === undefined ? undefined : new Date(`${received}T12:00:00Z`);
          const lot = await insertLot(tx, {
            code,
            material: material.code,
            dyeLot: line.text("dye_lot"),
            grade: line.text("grade"),
            side: side || null,
            barb,
            soldAs: soldAs || "",
            expiresOn: expiresOn ?? null,
            apartUntil: apartUntil ?? null,
            origin: line.text("origin"),
            papers: line.text("papers"),
            note: line.text("note"),
            traits,
            receivedAt: at,
            priceCents: price === undefined ? null : Math.round(price * 100),
            priceFor: price === undefined ? null : there,
          });
          const to = drawer ? await drawerFor(tx, drawer) : material.drawerId;
          const from = await originOf(tx, line.text("supplier"));
          const reason = line.text("supplier") ? "received" : "counted in";
          await move(tx, person, { lot, quantity: there, from, to, reason, note: "from a file", at });
        },
      };
    },
  };
};
