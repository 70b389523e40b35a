import { gatherPrep, type OpenPrep, type PrepGroup } from "@kasten/core/batches";
import { nothing, sumOf } from "@kasten/core/units";
import type { PrepGroupData } from "@kasten/contract/preparing";
import type { Room } from "../needs";
import { prepKey, type Planning } from "./build";

const MILL_CAUTION =
  "Dust from chopping and milling: a mask, and the blades stay guarded. The maker’s data sheet goes first.";

/** Work before the vise that the open batches still want, like work together, in the order in which they are due. */
export function prepWork({ room, prepDone }: Pick<Planning, "room" | "prepDone">): PrepGroupData[] {
  const tasks = room.batches.flatMap(({ batch, prep }) =>
    prep.filter((t) => !prepDone.has(prepKey(batch.id, t))).map((t): OpenPrep => ({ ...t, batch: batch.id })),
  );
  return gatherPrep(tasks, room.learned.prepPace).map((g) => shown(room, g));
}

function shown(room: Room, { tasks, station, ...group }: PrepGroup): PrepGroupData {
  const batches = new Map(room.batches.map((b) => [b.batch.id, b.batch]));
  const caution = room.world.materials.get(group.material)?.caution;
  return {
    ...group,
    station: station ?? null,
    tasks: tasks.flatMap(({ batch, component, units, minutes }) => {
      const b = batches.get(batch);
      if (!b) return [];
      const { number, patternName: pattern, size, due } = b;
      return [{ batch, number, pattern, size, due, component, units, minutes }];
    }),
    left: group.kind === "mill blend" ? sumOf((room.lots.get(group.material) ?? []).map((l) => l.free)) : nothing,
    cautions: [...(group.kind === "mill blend" ? [MILL_CAUTION] : []), ...(caution ? [caution] : [])],
  };
}
