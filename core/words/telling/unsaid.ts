import { boundAlong } from "../clauses";
import type { Reading } from "../reading";
import type { Telling } from "../bench";
import { tellTieIn } from "../verbs/tieIn";
import { isTiedInLine } from "../taken";
import { tellWind } from "../verbs/wind";
import { tellDub } from "../verbs/dub";
import { tellSeat } from "../verbs/seat";
import { stuffByHead } from "./stuff";
import { tellFinish } from "../verbs/finish";
import { tellWhip } from "../verbs/whip";
import { objectOf } from "../verbs/object";
import { tieListed } from "./listed";
import { verbOf } from "../verbs";
import { tellAct } from "../verbs/act";
import { tellThread } from "../verbs/thread";
import { formTold, type Told } from "../told";
import type { MaterialForm } from "../../materials";
import type { Component } from "../../recipe";

/** A clause without a verb, outside a list: what its material and words are used for. */
export function actUnsaid(r: Reading, t: Telling): void {
  const { told } = t;
  // “Then 3 inches of chenille”: a piece that is only named is tied in, to be wound by a later line.
  if (isPieceAlone(told) || isRibLater(r, told)) return tellTieIn({ ...t, told: { ...told, kind: "lay" } });
  // “Black chenille and a saddle hackle tied in at the bend”: both wait there.
  const isOnlyTiedIn = told.kind === "wind" && told.description !== undefined && isTiedInLine.test(t.text);
  // “A foam strip tied along the shank from the eye to the bend”: bound down there, and free behind it.
  const isAlong = isOnlyTiedIn && boundAlong.test(t.text);
  if (isOnlyTiedIn && told.said.rule === undefined && (isAlong || (!told.said.end && !told.said.from)))
    return tellTieIn({ ...t, told: { ...told, kind: "lay" } });
  if (told.said.rule?.turns !== undefined || told.kind === "wind") return tellWind(t);
  if (told.kind === "dress") return tellDub(t);
  if (told.kind === "seat") return tellSeat(stuffByHead(r, t, t.line.number));
  if (told.kind === "glue") return tellFinish(t);
  if (told.kind === "whip") return tellWhip(t);
  if (told.kind === "lay" && isGround(told.role)) {
    const object = objectOf(t);
    if (object.component) return tieListed(t, object);
  }
  if (told.kind === "lay") return tellTieIn(t);
  if (told.said.wraps !== undefined) return verbOf("hold")?.tell(t);
  if (told.said.act !== undefined) return tellAct(t);
  // “Orange silk. From the eye to the point and back”: it is the thread that goes there.
  const { from, end, begin } = told.said;
  if (r.bench.thread && !r.bench.isBased && (from ?? (begin && end)))
    return tellThread({ ...t, told: { ...told, role: "thread", kind: "wind" } });
}

const isPieceAlone = ({ verb, kind, description, said }: Told): boolean =>
  kind === "wind" &&
  verb === undefined &&
  description !== undefined &&
  said.pieceMm !== undefined &&
  Object.keys(said).length === 1;

/** “Fine gold wire”, and lines later “rib 5 turns”: it waits for that. */
const isRibLater = ({ bench }: Reading, told: Told): boolean =>
  told.kind === "wind" &&
  told.verb === undefined &&
  told.role === undefined &&
  ribs.has(formTold(told)) &&
  Object.keys(told.said).length === 0 &&
  bench.toldLater().some((t) => t.role === "rib" && t.kind === "wind" && t.description === undefined);
const ribs = new Set<MaterialForm | undefined>(["wire", "tinsel"]);

/** Parts that a list never only ties in: they are there to be wound. */
const isGround = (role: Component["role"] | undefined): boolean =>
  role === "body" || role === "thorax" || role === "butt";
