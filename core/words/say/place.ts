import type { Place, PlaceShift } from "../../hooks";
import { sayNumber, shareName } from "./number";

const landmarkNames = {
  eye: "the eye",
  point: "the point",
  barb: "the barb",
  bend: "the bend",
  intoBend: "into the bend",
  betweenBends: "between the bends",
} as const;

function sayShift(shift: PlaceShift): { words: string; sign: -1 | 1 } {
  const n = "mm" in shift ? shift.mm : shift.times;
  const size = sayNumber(Math.abs(n));
  const words = "mm" in shift ? `${size} mm` : `${size} ${shift.of}${Math.abs(n) === 1 ? "" : "s"}`;
  return { words, sign: n < 0 ? -1 : 1 };
}

function sayBase(place: Place): string {
  if ("part" in place) {
    const name = place.part.replace(/-/g, " ");
    return place.end === "middle" ? `the middle of the ${name}` : `the ${place.end} of the ${name}`;
  }
  if ("eyeLengths" in place)
    return `${sayNumber(place.eyeLengths)} ${place.eyeLengths === 1 ? "eye" : "eyes"} behind the eye`;
  if ("landmark" in place) return landmarkNames[place.landmark];
  if (place.fraction === 0.5) return "mid-shank";
  return `${shareName(place.fraction) ?? sayNumber(place.fraction)} of the shank`;
}

/** A place in the words that read back to it. */
export function sayPlace(place: Place): string {
  const { plus, ...rest } = place;
  if ("part" in place && place.end !== "middle" && plus === undefined)
    return `${place.end === "rear" ? "behind" : "in front of"} the ${place.part.replace(/-/g, " ")}`;
  if (plus === undefined) return sayBase(place);
  const { words: by, sign } = sayShift(plus);
  return `${by} ${sign === 1 ? "behind" : "in front of"} ${sayBase(rest as Place)}`;
}
