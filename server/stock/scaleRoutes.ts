import { readScale, tellScale } from "@kasten/contract/stock";
import type { BodyOf } from "@kasten/contract/http";
import type { Register } from "../http/handle";
import { conflict } from "../http/problems";
import type { ScaleLink } from "../standins";

/** A command as the scale takes it. */
function lineOf(body: BodyOf<typeof tellScale>): string {
  if (body.command === "put") return `PUT ${body.mg}`;
  return { tare: "T", zero: "Z", shake: "SHAKE", battery: "BATTERY" }[body.command];
}

export function scaleRoutes(
  register: Register,
  { scale, standInScale }: { scale: ScaleLink; standInScale: boolean },
): void {
  register(readScale, () => Promise.resolve({ connected: scale.isThere, standIn: standInScale }));
  register(tellScale, ({ body }) => {
    if (!scale.tell(lineOf(body)))
      throw conflict("The scale cannot be reached. Look at its cable and switch, then open the weighing again.");
    return Promise.resolve({ ok: true as const });
  });
}
