import { gateReasons } from "@kasten/core/batches";
import { missingFrom, notPromised } from "@kasten/core/recipe";
import { gateSentence } from "@kasten/core/sentences";
import { breachesOf } from "./breaches";
import { sharedToolsOf, skillsOf } from "./compute";
import { missingOf, type BatchRoom } from "./room";

/** What holds the batch back from the bench. */
export function gateOf(room: BatchRoom, people: { role: string; skills: string[] }[]): string[] {
  const { batch, recipe, requirements, fault, prep } = room.computed;
  const skills = skillsOf(room.computed);
  const stations = new Set([
    ...prep.flatMap((t) => (t.station ? [t.station] : [])),
    ...(recipe.finish.state === "given" ? ["finishing"] : []),
  ]);
  const dyeLots = (key: string) =>
    new Set(room.reserved.filter((x) => x.key === key && x.dyeLot).map((x) => x.dyeLot)).size;
  const reasons = gateReasons({
    notPromised: notPromised(recipe, batch, room.world.materials),
    missingFromPattern: missingFrom(recipe),
    shortages: requirements
      .map((r) => ({
        material: r.materialName,
        quantity: missingOf(room, r),
        unit: r.unit,
        side: r.side,
        area: r.area,
      }))
      .filter((s) => s.quantity > 0),
    withoutPapers: withoutPapers(room),
    mixedLots: batch.mixLots ? [] : requirements.filter((r) => dyeLots(r.key) > 1).map((r) => r.materialName),
    skills,
    peopleAble: people.filter((p) => p.role !== "shop" && skills.every((s) => p.skills.includes(s))).length,
    stationsDown: [
      ...room.world.settings.stations.filter((s) => stations.has(s.name)),
      ...sharedToolsOf(room.computed, room.world.settings),
    ].flatMap((s) => (s.down === null ? [] : [s.name])),
  });
  return [...(fault ? [fault] : []), ...breachesOf(room.world, room.computed), ...reasons.map(gateSentence)];
}

/** Reserved lots of a controlled species of which nobody has said what papers they have. */
const withoutPapers = ({ computed, reserved, world }: BatchRoom) =>
  computed.requirements.flatMap((r) => {
    const species = world.materials.get(r.material)?.controlledSpecies;
    if (species === undefined) return [];
    return reserved
      .filter((x) => x.key === r.key && x.papers === "")
      .map((x) => ({ material: r.materialName, species, lot: x.lotCode }));
  });
