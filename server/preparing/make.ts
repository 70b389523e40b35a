import { isDeepStrictEqual } from "node:util";
import { quantityWords, newMaterial, type Material } from "@kasten/core/materials";
import { less, nothing, quantity, sumOf, type Quantity } from "@kasten/core/units";
import type { BodyOf } from "@kasten/contract/http";
import type { makeStock } from "@kasten/contract/preparing";
import { prepRunEntity } from "../batches";
import { insert, type Db } from "../database/rows";
import { conflict, fieldProblem, notFound, refused } from "../http/problems";
import {
  freeLotCode,
  insertLot,
  lockLots,
  lotEntity,
  move,
  placeEntity,
  preparing,
  scrap,
  type LotRow,
} from "../ledger";
import { logEvent } from "../log";
import { insertMaterial, materialEntity, readMaterials } from "../materials";
import { lockedBalance } from "../stock";

type Who = { id: string };
type Body = BodyOf<typeof makeStock>;

/** So much of a lot that goes in, as the ledger has it. */
interface Input {
  lot: LotRow;
  material: Material;
  place: number;
  quantity: Quantity;
  culled: Quantity;
}

/**
 * Stock out of stock: lots leave their drawers, what is of no use goes to scrap, and a new lot comes into the drawer
 * of what was made, with how it was done, what it cost and what papers went in.
 */
export async function make(db: Db, person: Who, body: Body): Promise<{ run: string; lot: string; material: string }> {
  await lockLots(
    db,
    body.inputs.map((i) => i.lot),
  );
  const cabinet = await readMaterials(db);
  const inputs: Input[] = [];
  for (const [at, i] of body.inputs.entries()) inputs.push(await inputOf(db, cabinet, i, at));
  const made = isOnHooks(body) ? await onHooks(db, person, cabinet, inputs, body) : madeOf(cabinet, body);
  guardMade(body, inputs, made);
  const out = quantity(body.output.quantity, made.unit);
  if (out === nothing) throw refused(`That is less than the smallest amount of ${made.name} that is counted.`);
  const title = `${titles[body.kind]} ${quantityWords(out, made.unit)} of ${made.name}`;
  const { how, note, minutes = null } = body;
  const run = await insert(db, prepRunEntity, { kind: body.kind, title, personId: person.id, minutes, how, note });
  await takeInputs(db, person, inputs, title);
  const lot = await insertLot(db, {
    ...fromInputs(inputs, out),
    code: body.output.lot || (await freeLotCode(db, made.code)),
    material: made.code,
    dyeLot: body.output.dyeLot,
    apartUntil: body.apartUntil,
    note,
    runId: run.id,
  });
  const { drawerId } = await db.getRepository(materialEntity).findOneByOrFail({ code: made.code });
  const moved = { lot, quantity: out, from: await preparing(db), to: drawerId };
  await move(db, person, { ...moved, reason: "prepared", note: title });
  await logEvent(db, person, "stock", made.code, "prepared", title);
  return { run: run.id, lot, material: made.code };
}

const titles: Record<Body["kind"], string> = {
  dye: "Dyed",
  "make parts": "Made",
  "bead hooks": "Put beads on",
  "weight hooks": "Wound weight on",
  "strip and sort": "Stripped and sorted",
  chop: "Chopped",
  other: "Prepared",
};

const isOnHooks = ({ kind }: Body): boolean => kind === "bead hooks" || kind === "weight hooks";

async function inputOf(
  db: Db,
  cabinet: ReadonlyMap<string, Material>,
  { lot: id, place, quantity: wanted, culled }: Body["inputs"][number],
  at: number,
): Promise<Input> {
  const lot = await db.getRepository(lotEntity).findOneBy({ id });
  const material = cabinet.get(lot?.materialCode ?? "");
  const where = await db.getRepository(placeEntity).findOneBy({ id: place });
  if (!lot || !material || where?.kind !== "drawer") throw notFound("lot in that drawer");
  const there = await lockedBalance(db, { lot: id, place, material: material.code });
  const much = quantity(wanted, material.unit);
  const free = there ? less(there.quantity, there.reserved) : nothing;
  if (much > free)
    throw conflict(
      `Of lot ${lot.code} only ${quantityWords(free, material.unit)} in ${where.name} are put by for nobody. Take less, or give a reservation back.`,
    );
  if (lot.apartUntil)
    throw fieldProblem(
      "Not made",
      `inputs.${at}.lot`,
      `Lot ${lot.code} is kept apart. Look at it and let it go first.`,
    );
  return { lot, material, place, quantity: much, culled: quantity(culled, material.unit) };
}

function madeOf(cabinet: ReadonlyMap<string, Material>, { output }: Body): Material {
  const material = cabinet.get(output.material ?? "");
  if (!material)
    throw fieldProblem("Not made", "output.material", "Say what comes out: a material of the cabinet. Add it first.");
  return material;
}

/**
 * Hooks with their beads on, or with weight wound on them, as a thing of its own in the cabinet; added when the first
 * are made.
 */
async function onHooks(
  db: Db,
  person: Who,
  cabinet: ReadonlyMap<string, Material>,
  inputs: Input[],
  body: Body,
): Promise<Material> {
  const parts = piecesOnHooks(inputs, body);
  const made = Object.fromEntries(parts.map(({ material, each }) => [material.code, each]));
  const known = [...cabinet.values()].find((m) => m.madeOf && isDeepStrictEqual(m.madeOf, made));
  if (known) return known;
  const code = freeCode(
    cabinet,
    parts.map(({ material, each }) => (each > 1 ? `${each}x${material.code}` : material.code)).join("+"),
  );
  const [first] = parts;
  if (!first) throw fieldProblem("Not made", "inputs", "Say which hooks they are.");
  const named = parts.map(({ material, each }) => (each > 1 ? `${each} turns of ${material.name}` : material.name));
  const cautions = parts.flatMap(({ material }) => material.caution ?? []);
  const material: Material = {
    ...newMaterial(code, `${named[0] ?? ""} with ${named.slice(1).join(" and ")}`.slice(0, 80), "made part"),
    unit: "count",
    lead: parts.some((p) => p.material.lead),
    madeOf: made,
    ...(cautions.length > 0 && { caution: [...new Set(cautions)].join(" ").slice(0, 200) }),
  };
  const { drawerId } = await db.getRepository(materialEntity).findOneByOrFail({ code: first.material.code });
  await insertMaterial(db, material, drawerId);
  await logEvent(db, person, "stock", code, "added", `Added ${material.name} to the cabinet`);
  return material;
}

const LONGEST_CODE = 60;

/** The code, cut to what a code may be long; with a number behind it where another thing has it. */
function freeCode(cabinet: ReadonlyMap<string, Material>, wanted: string): string {
  let code = wanted.slice(0, LONGEST_CODE);
  for (let n = 2; cabinet.has(code); n++) code = `${wanted.slice(0, LONGEST_CODE - 4)}-${n}`;
  return code;
}

/** What lies on each hook, the hook itself first: one bead, so many turns of wire. */
function piecesOnHooks(inputs: Input[], { kind, turns, output }: Body): { material: Material; each: number }[] {
  const of = (form: Material["form"]) => inputs.filter((i) => i.material.form === form);
  const [hooks, beads, wires] = [of("hook"), of("bead"), of("weight wire")];
  const counted = [...hooks, ...beads];
  const isWhole =
    kind === "bead hooks"
      ? beads.length === 1 && wires.length === 0
      : beads.length <= 1 && wires.length === 1 && turns !== undefined;
  if (hooks.length !== 1 || !isWhole || counted.length + wires.length !== inputs.length)
    throw fieldProblem(
      "Not made",
      "inputs",
      kind === "bead hooks"
        ? "Beading takes one lot of hooks and one lot of beads."
        : "Weighting takes one lot of hooks, one of weight wire with its turns, and one of beads where they have beads.",
    );
  for (const i of counted)
    if (less(i.quantity, i.culled) !== quantity(output.quantity, "count"))
      throw fieldProblem(
        "Not made",
        "output.quantity",
        `${output.quantity} such hooks take as many sound ones of ${i.material.name}: ${quantityWords(less(i.quantity, i.culled), "count")} are left of those taken.`,
      );
  return [
    ...counted.map(({ material }) => ({ material, each: 1 })),
    ...wires.map(({ material }) => ({ material, each: turns ?? 1 })),
  ];
}

/** A little water or dust may make more of it; dye adds some. */
const MOST_GAIN = 1.1;

/** What cannot come of what went in, and what must not be lost on the way: lead, a controlled species. */
function guardMade(body: Body, inputs: Input[], made: Material): void {
  const sound = sumOf(inputs.map((i) => less(i.quantity, i.culled)));
  if (sound === nothing)
    throw fieldProblem("Not made", "inputs", "Everything was culled: nothing is left to make it of.");
  const isAlike = inputs.every((i) => i.material.unit === made.unit);
  if (isAlike && made.unit !== "count" && body.output.quantity > sound * MOST_GAIN)
    throw fieldProblem(
      "Not made",
      "output.quantity",
      `More came out than the ${quantityWords(sound, made.unit)} that went in. Measure it again.`,
    );
  if (inputs.some((i) => i.material.lead) && !made.lead)
    throw fieldProblem("Not made", "output.material", `There is lead in it: say so at ${made.name} first.`);
  const species = inputs.flatMap((i) => i.material.controlledSpecies ?? []);
  if (species.length > 0 && !made.controlledSpecies)
    throw fieldProblem(
      "Not made",
      "output.material",
      `It is made of ${[...new Set(species)].join(", ")}, which is controlled: say so at ${made.name} first.`,
    );
}

async function takeInputs(db: Db, person: Who, inputs: Input[], note: string): Promise<void> {
  const [table, bin] = [await preparing(db), await scrap(db)];
  for (const { lot, place: from, quantity: much, culled } of inputs) {
    const sound = less(much, culled);
    if (sound > nothing)
      await move(db, person, { lot: lot.id, quantity: sound, from, to: table, reason: "prepared", note });
    if (culled > nothing)
      await move(db, person, { lot: lot.id, quantity: culled, from, to: bin, reason: "culled", note });
  }
}

/** What the new lot has from those it is made of: what they cost, where they come from, what papers they have. */
function fromInputs(inputs: Input[], out: Quantity) {
  const costs = inputs.map(({ lot, quantity: much }) =>
    lot.priceCents === null || lot.priceFor === null ? undefined : (lot.priceCents * much) / lot.priceFor,
  );
  // Unknown is not nought: one lot of unknown price leaves the price of it all unknown.
  const isKnown = costs.every((c) => c !== undefined);
  const joined = (of: (lot: LotRow) => string, most: number): string =>
    [...new Set(inputs.map((i) => of(i.lot)).filter(Boolean))].join("; ").slice(0, most);
  const expires = inputs.flatMap((i) => i.lot.expiresOn ?? []).sort();
  return {
    priceCents: isKnown ? Math.round(costs.reduce<number>((sum, c) => sum + (c ?? 0), 0)) : null,
    priceFor: isKnown ? out : null,
    origin: joined((l) => l.origin, 200),
    papers: joined((l) => l.papers, 200),
    expiresOn: expires[0] ?? null,
  };
}
