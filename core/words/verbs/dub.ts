import type { Telling } from "../bench";
import type { Said } from "../said";
import { frontOf, make, objectOf, partName, withDeclared } from "./making";
import { verb } from "./verb";

/** Dubbing goes on: twisted, in a loop or touched, by its noodle or by the finished shape. */
export function tellDub(t: Telling): void {
  const { told, bench } = t;
  const found = objectOf(t);
  const object = found.component
    ? found
    : { ...found, component: bench.ofRole(told.role ?? "body") ?? bench.ofRole("thorax") };
  if (!object.component) {
    t.line.asks.push({ at: [told.at, told.end], sentence: "With what is it dubbed? Name the dubbing.", answers: [] });
    return;
  }
  const said: Said = withDeclared(t, object.component, told.said);
  const step = make(
    t,
    "dress",
    said,
    { ...object, form: "dubbing", role: object.role ?? object.component.role },
    { name: partName(t, object, "body") },
  );
  if (step?.do !== "dress") return;
  bench.hangs = frontOf(step.from, step.to);
  bench.release(object.role ?? object.component.role);
}

export const dub = verb(
  "dub",
  "(?:touch[- ]?dub|dub|re-?dub)(?!bing)|(?:spin|twist|put|apply|load)\\s+(?=(?:(?:on|up|in|a|an|some|the|little|bit|of|thin|sparse|small|pinch)\\s+)*(?:[\\w'-]+\\s+){0,3}?(?:dubbing|fur|dubbing\\s+loop|loop|noodle)\\b)|(?:make|form|spin|set\\s+up)\\s+(?:a\\s+)?(?:[\\d.]+\\s*(?:mm|cm)\\s+)?(?:dubbing\\s+)?loop(?!\\s+of\\s+(?:[\\d.]+\\s*(?:lb|mm)?\\s*)?(?:mono|nylon|wire|thread|cdc|yarn|hackle|hair)\\b)",
  tellDub,
);
