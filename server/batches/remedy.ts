import { quantityWords } from "@kasten/core/materials";
import { hookCode, type Requirement } from "@kasten/core/needs";
import type { Allocation } from "@kasten/core/stock";
import { proposalFor, proposalWords } from "../purchasing";
import { allocateFor } from "./allocation";
import { hooksNear, type BatchRoom } from "./room";

/** What to do next about a shortage, as a sentence, and the day on which it would be there. */
export interface Remedy {
  remedy: string | null;
  earliest: string | null;
}

/** The next thing to do about what is short of a requirement: choose, mill, order, take another. */
export function remedyFor(room: BatchRoom, r: Requirement, { short, needsMixing }: Allocation): Remedy {
  if (short <= 0) return { remedy: null, earliest: null };
  if (needsMixing)
    return {
      remedy: "There is enough only by mixing dye lots. Accept that for this batch, or order the whole in one lot.",
      earliest: room.today,
    };
  const blend = room.world.materials.get(r.material)?.blend;
  if (blend) return { remedy: millWords(room, blend.parts), earliest: room.today };
  const { remedy, earliest } = orderIt(room, r, short);
  const also = r.component === "hook" ? nearHook(room, r) : alternate(room, r, short);
  return { remedy: remedy + also, earliest };
}

function millWords(room: BatchRoom, parts: Record<string, number>): string {
  const said = Object.entries(parts).map(
    ([code, share]) => `${Math.round(share * 100)} % ${room.world.materials.get(code)?.name ?? code}`,
  );
  return `Mill it: ${said.join(", ")}. Log the milling under preparation.`;
}

function orderIt(room: BatchRoom, r: Requirement, short: number): { remedy: string; earliest: string | null } {
  const coming = room.arrivals.get(r.material) ?? [];
  const onItsWay = coming.reduce((sum, a) => sum + a.quantity, 0);
  const last = coming.at(-1);
  if (last && onItsWay >= short) {
    const orders = coming.map((a) => `${a.number} of ${a.supplier}, ${a.day}`).join("; ");
    return { remedy: `It is on its way: purchase order ${orders}. Earlier batches take first.`, earliest: last.day };
  }
  const proposal = proposalFor(short, room.sources.get(r.material), room.today);
  const remedy = proposal
    ? proposalWords(proposal, room.world.settings.currency)
    : `No supplier is known for it: find ${quantityWords(short, r.unit)}.`;
  return { remedy, earliest: proposal?.arrives ?? null };
}

function alternate(room: BatchRoom, r: Requirement, short: Allocation["short"]): string {
  const code = r.alternates.find(
    (other) => allocateFor({ ...r, material: other }, short, false, room.lots).short === 0,
  );
  if (code === undefined) return "";
  const name = room.world.materials.get(code)?.name ?? code;
  const { claims } = room.computed.batch;
  const strict = [...new Set(claims.filter((c) => c.policy === "original").map((c) => c.customer))];
  if (strict.length > 0)
    return ` Or ask ${strict.join(" and ")}, who wants the original materials: ${name} is there and does the same.`;
  const isLeftToTier = claims.length > 0 && claims.every((c) => c.policy === "tier");
  return ` Or take ${name}, which is there and does the same: ${
    isLeftToTier ? "the choice of materials is left to you" : "alternates are accepted"
  }.`;
}

/** One that comes near enough and is there. */
function nearHook(room: BatchRoom, r: Requirement): string {
  const { recipe, batch } = room.computed;
  const there = hooksNear(room.world, recipe, batch).find(
    (h) => allocateFor({ ...r, material: hookCode(h.id, batch.size) }, r.issue, true, room.lots).short === 0,
  );
  return there ? ` Or tie it on ${there.name}, which is there: ${there.differs.join(", ") || "the same figures"}.` : "";
}
