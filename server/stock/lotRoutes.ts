import {
  countLot,
  describeLot,
  gradeLot,
  forgetPhoto,
  letGoLot,
  mergeLot,
  photographLot,
  readLot,
  scrapLot,
  splitLot,
  transferLot,
} from "@kasten/contract/stock";
import type { Register } from "../http/handle";
import type { Outlook } from "../outlook";
import { lotPage } from "./lotPage";
import { count, describe, grade, letGo, merge, split, throwAway, transfer } from "./lots";
import { dropPhoto, keepPhoto } from "./photos";

const ok = { ok: true as const };

export function lotRoutes(register: Register, outlook: Outlook): void {
  register(readLot, ({ db, params }) => lotPage(db, outlook, params.id));
  register(describeLot, async ({ db, person, params, body }) => {
    await describe(db, person, params.id, body);
    return ok;
  });
  register(letGoLot, async ({ db, person, params, body }) => {
    await letGo(db, person, params.id, body);
    return ok;
  });
  register(transferLot, async ({ db, person, params, body }) => {
    await transfer(db, person, params.id, body);
    return ok;
  });
  register(scrapLot, async ({ db, person, params, body }) => {
    await throwAway(db, person, params.id, body);
    return ok;
  });
  register(splitLot, ({ db, person, params, body }) => split(db, person, params.id, body));
  register(countLot, async ({ db, person, params, body }) => {
    await count(db, person, params.id, body);
    return ok;
  });
  register(gradeLot, async ({ db, person, params, body }) => {
    await grade(db, person, params.id, body);
    return ok;
  });
  register(mergeLot, async ({ db, person, params, body }) => {
    await merge(db, person, params.id, body);
    return ok;
  });
  register(photographLot, async ({ db, person, params, body }) => {
    await keepPhoto(db, person, params.id, body.image);
    return ok;
  });
  register(forgetPhoto, async ({ db, person, params }) => {
    await dropPhoto(db, person, params.id);
    return ok;
  });
}
