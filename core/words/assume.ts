import type { Place } from "../hooks";
import type { MaterialForm } from "../materials";
import { proportionsOfFamily, type Attitude, type Role } from "../recipe";
import type { Kind, Said } from "./said";
import { sayLength, sayPlace } from "./text";
import type { StepContext } from "./types";

/** Zones where nobody says one: where the role usually lies. */
const usualZones: Partial<Record<Role, [Place, Place]>> = {
  tail: [{ fraction: 0.5 }, { landmark: "bend" }],
  tag: [{ fraction: 0.95 }, { landmark: "bend" }],
  butt: [{ fraction: 0.9 }, { landmark: "bend" }],
  rib: [{ fraction: 0.3 }, { landmark: "bend" }],
  body: [{ fraction: 0.3 }, { landmark: "bend" }],
  thorax: [{ eyeLengths: 1.1 }, { fraction: 0.35 }],
  throat: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  wing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  underwing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  topping: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  cheeks: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  flash: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  legs: [{ fraction: 0.34 }, { fraction: 0.42 }],
  hackle: [{ eyeLengths: 1.2 }, { eyeLengths: 2 }],
  collar: [{ eyeLengths: 1.2 }, { eyeLengths: 1.2 }],
  "wing case": [{ fraction: 0.25 }, { fraction: 0.5 }],
  weight: [{ fraction: 0.3 }, { fraction: 0.7 }],
  eyes: [{ eyeLengths: 1 }, { eyeLengths: 1 }],
  thread: [{ eyeLengths: 0.5 }, { landmark: "bend" }],
  head: [{ eyeLengths: 0.2 }, { eyeLengths: 1.1 }],
};
const usualAttitudes: Partial<Record<Role, Attitude>> = {
  tail: "back",
  throat: "down",
  wing: "over",
  underwing: "over",
  topping: "over",
  flash: "over",
  cheeks: "over",
  legs: "sides",
  "wing case": "over",
};

/**
 * Fills in what is usual where nobody said it: zones by role, where a part points, lengths of the hook's family.
 * @param said changed in place
 * @returns what was taken as usual, in words
 */
export function assume(said: Said, kind: Kind, context: StepContext): string[] {
  const { role, form, boundIn, family, was } = context;
  const assumed = [
    ...assumeZone(said, kind, role),
    ...assumeSpot(said, kind, role),
    ...assumeAttitude(said, kind, role),
    ...(family !== undefined && was === undefined && role ? assumeLengths(said, kind, role, form, family) : []),
  ];
  if (kind === "act" && said.minutes === undefined && said.act !== undefined) {
    said.minutes = 0.2;
    assumed.push("0.2 min");
  }
  if (said.wraps !== undefined) {
    const at = kind === "lay" ? (said.to ?? said.from) : said.from;
    said.tieIn = { ...(at && { at }), ...said.tieIn, wraps: said.wraps };
  }
  if (kind === "wind" && said.tiedIn === undefined && boundIn !== undefined) said.tiedIn = boundIn;
  return assumed;
}

function assumeZone(said: Said, kind: Kind, role: Role | undefined): string[] {
  const usual = kind === "whip" ? usualZones.head : role && usualZones[role];
  const assumed: string[] = [];
  if ((kind === "wind" || kind === "lay" || kind === "dress" || kind === "whip") && said.from === undefined && usual) {
    const [from, to] = usual;
    const endsByTurns = said.rule?.touching === true && said.rule.turns !== undefined;
    said.from = from;
    if (!endsByTurns) said.to = to;
    assumed.push(endsByTurns ? `from ${sayPlace(from)}` : `from ${sayPlace(from)} to ${sayPlace(to)}`);
  }
  if (kind === "wind" && said.stacked && said.from !== undefined) said.to = said.from;
  return assumed;
}

function assumeSpot(said: Said, kind: Kind, role: Role | undefined): string[] {
  if (kind === "seat" && said.from === undefined) {
    said.from = role === "eyes" ? { eyeLengths: 1 } : { landmark: "eye" };
    return [`at ${sayPlace(said.from)}`];
  }
  if (kind === "glue" && said.at === undefined) {
    said.at = { fraction: 0.5 };
    return ["at mid-shank"];
  }
  return [];
}

function assumeAttitude(said: Said, kind: Kind, role: Role | undefined): string[] {
  const attitude = role && usualAttitudes[role];
  if (kind !== "lay" || said.attitude !== undefined || said.shown === undefined || !attitude) return [];
  said.attitude = attitude;
  return [`pointing ${attitude === "over" ? "over the back" : attitude}`];
}

/** What is usual on this family of hooks, for a new step that says no length of its own. */
function assumeLengths(said: Said, kind: Kind, role: Role, form: MaterialForm | undefined, family: string): string[] {
  const usual = proportionsOfFamily(family);
  const length = usual.shown[role];
  const isOpen = said.shown === undefined && said.hanging === undefined && said.countedWhenWound === undefined;
  if (kind === "lay" && isOpen && length) {
    said.shown = length;
    said.attitude ??= usualAttitudes[role];
    return [`${sayLength(length)}, as on a ${family} hook`];
  }
  if (kind === "wind" && form === "hackle" && said.barb === undefined) {
    said.barb = role === "collar" ? usual.collar : usual.hackle;
    return [`barbs as on a ${family} hook`];
  }
  return [];
}
